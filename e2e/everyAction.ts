import { expect, type Page } from '@playwright/test'
import { addCavity, addPart, followJob, saved, setUpShop, type Owner } from './steps'

/** A server action as the browser sent it. */
export type SentAction = { url: string; headers: Record<string, string>; body: Buffer }

/**
 * Sets up a shop and does one of everything in it, keeping what the browser sends to every server action: create,
 * three edits, publish, edit, vehicle, model, job, hand-over, strip, note, person, left. The answer also says where
 * what was made is.
 */
export async function everyAction(
  page: Page,
  owner: Owner,
): Promise<{ sent: SentAction[]; procedure: string; vehicle: string; job: string; strip: string }> {
  await setUpShop(page, owner)
  const sent: { url: string; headers: Record<string, string>; body: Buffer }[] = []
  page.on('request', (request) => {
    const headers = request.headers()
    if (request.method() === 'POST' && headers['next-action'])
      sent.push({ url: request.url(), headers, body: request.postDataBuffer() ?? Buffer.alloc(0) })
  })
  await page.goto('/procedures')
  await page.getByLabel('What is the model called?').fill('Mixer')
  await page.getByRole('button', { name: 'Begin the record' }).click()
  await page.waitForURL(/procedures\/[0-9a-f-]{36}/)
  const procedure = new URL(page.url()).pathname
  await addPart(page, 'Dash cap', { fixing: 'press fit' })
  await addCavity(page, 'Relay bay', 'Dash cap')
  await page.getByRole('button', { name: 'Publish' }).click()
  await expect(page.getByText('revision 1,')).toBeVisible()
  await addPart(page, 'Second cap', { fixing: 'press fit' })
  await page.goto('/vehicles')
  await page.getByLabel('Fleet number or short name').fill('Mixer 1')
  await page.getByRole('button', { name: 'Add the vehicle' }).click()
  await page.waitForURL(/vehicles\/[0-9a-f-]{36}/)
  const vehicle = new URL(page.url()).pathname
  await page.getByLabel('Which model is it?').selectOption({ label: 'Mixer' })
  await page.getByRole('link', { name: 'Plan a job' }).click()
  await page.getByLabel('Relay bay').check()
  await page.getByRole('button', { name: 'Open the job' }).click()
  await page.waitForURL('**/jobs/*')
  const job = new URL(page.url()).pathname
  await followJob(page)
  await saved(page)
  await page.goto(`${job}/handover`)
  await page.getByRole('button', { name: 'Ada signs' }).click()
  await page.getByRole('button', { name: 'Ada has checked' }).click()
  await saved(page)
  await page.getByRole('button', { name: 'Hand over', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'Handed over' })).toBeVisible()
  await page.goto('/strips/new')
  await page.getByLabel('Fleet number').fill('Mixer 1')
  await page.getByRole('button', { name: 'Begin', exact: true }).click()
  await page.waitForURL('**/record')
  const strip = new URL(page.url()).pathname
  await page.getByRole('group', { name: 'Catch' }).getByRole('button', { name: 'Note' }).click()
  await page.getByLabel('Note for this job').fill('a hook at the top')
  await page.getByRole('button', { name: 'Keep the note' }).click()
  await saved(page)
  await page.goto(procedure)
  await page.getByRole('button', { name: /^Clean-up/ }).click()
  await page.getByRole('button', { name: 'Worked in' }).click()
  await expect(page.getByText('No note waits.')).toBeVisible()
  await page.goto('/crew')
  await page.getByLabel('Name, as the crew says it').fill('Bo')
  await page.getByLabel('PIN').fill('1357')
  await page.getByRole('button', { name: 'Add to the crew' }).click()
  await expect(page.getByRole('listitem').filter({ hasText: 'Bo' })).toContainText('acts by PIN')
  await page.getByRole('button', { name: 'has left' }).click()
  await page.getByRole('button', { name: 'Yes, Bo has left' }).click()
  await expect(page.getByRole('listitem').filter({ hasText: 'Bo' })).toContainText('has left')
  expect(sent.length).toBeGreaterThanOrEqual(13)
  return { sent, procedure, vehicle, job, strip }
}
