import { expect, test, type Page } from '@playwright/test'
import { lookAround } from './steps'

async function planVan(page: Page): Promise<void> {
  await lookAround(page, 'a lead')
  await page.goto('/plan')
  await page
    .getByRole('listitem')
    .filter({ hasText: 'Harbour Linen' })
    .first()
    .getByRole('link', { name: 'Plan' })
    .click()
  await page.waitForURL('**/plan?vehicle=*')
}

test('the quickest order is proven, compared with another way of working, shared out for two, and what costs little is offered', async ({
  page,
}) => {
  await planVan(page)
  const answer = page.getByRole('region', { name: 'The answer' })
  await page.getByLabel('Radio cavity').check()
  // The first question of a page fetches the planner as well, beside everything else that is tried meanwhile.
  await expect(answer).toContainText('Proven: no safe order is quicker. 40 orders of the way in would work.', {
    timeout: 40_000,
  })
  await page.getByLabel('Pillar cavity').check()
  await expect(answer).toContainText('More than a million orders of the way in would work.')
  await expect(answer).toContainText('against the record from top to bottom')

  await test.step('what was worked out for another choice can’t be opened as a job', async () => {
    const open = page.getByRole('button', { name: 'Open the job' })
    await expect(open).toBeEnabled()
    // Within one task of the browser, before the worker can have answered.
    const offered = await page.getByRole('radio', { name: 'tool in hand' }).evaluate(async (choice: HTMLElement) => {
      choice.click()
      for (let i = 0; i < 20; i++) await Promise.resolve()
      return [...document.querySelectorAll('button')]
        .filter((button) => button.textContent === 'Open the job')
        .map((button) => !button.disabled)
    })
    expect(offered).toEqual([false])
    await expect(open).toBeEnabled()
    await page.getByRole('radio', { name: 'quickest' }).evaluate((choice: HTMLElement) => choice.click())
    await expect(open).toBeEnabled()
  })
  await test.step('set aside opens one plug more, and costs its seconds', async () => {
    await page.getByLabel('Compare with').selectOption('panels set aside')
    const compared = page.getByRole('region', { name: 'Compare' })
    await expect(compared.getByRole('row', { name: /plugs opened/ })).toContainText(/4.*5/)
    await compared.getByRole('button', { name: 'Work like this: panels set aside' }).click()
    await expect(answer).toContainText('5 plugs')
  })
  await test.step('two people: sooner than alone, with where each begins', async () => {
    await page.getByText('two', { exact: true }).click()
    await page.getByLabel('Person 2 starts at').selectOption('passenger side')
    const lanes = page.getByRole('region', { name: 'Who does what' })
    await expect(lanes.getByRole('heading', { name: 'Person 2, from passenger side' })).toBeVisible({ timeout: 30_000 })
    await expect(lanes).toContainText('Way in for two')
    await expect(lanes).toContainText('While the ignition is on nobody works at the vehicle.')
  })
  await test.step('what is cheap while it is open is added by one tap', async () => {
    const also = page.getByRole('region', { name: 'While it is open anyway' })
    await expect(also).toContainText('another day')
    const first = also.getByRole('listitem').first()
    const name = (await first.locator('b').innerText()).trim()
    await first.getByRole('button', { name: 'Add' }).click()
    await expect(page.getByLabel(name, { exact: true })).toBeChecked()
  })
  await test.step('what is waited for the battery is told, and nothing is quicker', async () => {
    await page.goto('/plan')
    await page
      .getByRole('listitem')
      .filter({ hasText: 'Small bus' })
      .first()
      .getByRole('link', { name: 'Plan' })
      .click()
    await page.getByLabel('Column wiring').check()
    await expect(answer).toContainText(
      /\d+ min \d+ s of the way in is waiting until the battery has been off long enough/,
    )
    await expect(answer).toContainText('Proven: no safe order is quicker.')
    await page.getByText('two', { exact: true }).click()
    await expect(page.getByRole('region', { name: 'Who does what' })).toContainText(
      'More hands gain hardly anything here',
    )
  })
})

test('the planner answers a signed-in client, and nobody else', async ({ page, request }) => {
  await planVan(page)
  const procedures = await page
    .goto('/procedures')
    .then(() => page.getByRole('link', { name: 'Panel van', exact: true }).getAttribute('href'))
  const procedureId = procedures!.split('/').at(-1)!
  const question = {
    procedureId,
    request: { goals: [{ kind: 'cavity', cavityId: 'radio-cavity' }], build: { gearbox: 'automatic', starter: 'key' } },
  }
  // As every write does, it has to come from the shop's own address.
  const headers = { origin: new URL(page.url()).origin }
  const answered = await page.request.post('/api/plan', { data: question, headers })
  expect(answered.status()).toBe(200)
  expect(await answered.json()).toMatchObject({ status: 'planned', wayInS: 220, proven: true, fasteners: 22 })
  expect(
    (
      await page.request.post('/api/plan', {
        data: { ...question, request: { ...question.request, goals: [] } },
        headers,
      })
    ).status(),
  ).toBe(400)
  expect(
    (
      await page.request.post('/api/plan', { data: { ...question, procedureId: crypto.randomUUID() }, headers })
    ).status(),
  ).toBe(404)
  expect((await request.post('/api/plan', { data: question, headers })).status()).toBe(401)
})
