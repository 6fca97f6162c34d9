/** Waits until the application answers, so that the first test does not have to. */
export default async function waitForServer(): Promise<void> {
  const port = process.env.ISTRUZIONE_TEST_PORT ?? '3199'
  for (let i = 0; i < 150; i++) {
    const up = await fetch(`http://localhost:${port}/api/health`).then(
      (response) => response.ok,
      () => false,
    )
    if (up) return
    await new Promise((resolve) => setTimeout(resolve, 200))
  }
  throw new Error('The application did not answer within 30 seconds; app.log in the test data folder says why.')
}
