import { readFileSync } from 'node:fs'
import { expect, test } from '@playwright/test'
import { addHolder, addPart, newContextPage, setUpShop, signIn, someOwner } from './steps'

test('two people edit at once: different fields merge, the same field is shown to the second, nothing is lost', async ({
  page,
  browser,
}) => {
  const owner = someOwner('Twin Desks')
  await setUpShop(page, owner)
  await page.goto('/procedures')
  await page.getByLabel('What is the model called?').fill('Tipper')
  await page.getByRole('button', { name: 'Begin the record' }).click()
  await page.waitForURL(/procedures\/[0-9a-f-]{36}/)
  await addPart(page, 'Dash cap')
  await addHolder(page, 'Dash cap', 'spring clip', 5)
  const other = await newContextPage(browser)
  await signIn(other, owner.username, owner.password)
  await other.goto(page.url())

  const change = async (who: typeof page, label: string, value: string) => {
    await who.getByRole('tab', { name: /^Parts/ }).click()
    await who.getByRole('button', { name: 'Dash cap', exact: true }).last().click()
    const form = who.getByRole('dialog')
    await form.getByLabel(label, { exact: true }).fill(value)
    await form.getByRole('button', { name: 'Save' }).click()
    await expect(form.getByRole('button', { name: 'Save' })).toHaveCount(0)
  }
  await change(page, 'Zone', 'upper dash')
  await change(other, 'Start at the', 'left end')
  await expect(other.getByText('Changed by somebody else')).toHaveCount(0)
  await change(other, 'Zone', 'middle')
  // The second to change the same field never overwrites unseen: after the merge the first one's value was already
  // loaded.
  await change(page, 'Zone', 'top')
  const both = page.getByRole('dialog', { name: 'Changed by somebody else meanwhile' })
  await expect(both).toContainText('top')
  await expect(both).toContainText('middle')
  await both.getByRole('button', { name: 'Use mine' }).click()
  await expect(both).toBeHidden()
  const download = await page.request.get(`${new URL(page.url()).pathname}/export`)
  const document = (await download.json()) as { parts: { zone: string; release: { start: string } }[] }
  expect(document.parts[0]).toMatchObject({ zone: 'top', release: { start: 'left end' } })
  await other.context().close()
})

test('export and import: the file comes back the same, a bad one changes nothing and says where', async ({ page }) => {
  await setUpShop(page, someOwner('Paper Trail'))
  await page.goto('/procedures')
  await page.getByLabel('What is the model called?').fill('Loader')
  await page.getByRole('button', { name: 'Begin the record' }).click()
  await page.waitForURL(/procedures\/[0-9a-f-]{36}/)
  await addPart(page, 'Roof lining')
  await addHolder(page, 'Roof lining', 'push-pin', 7)
  const downloading = page.waitForEvent('download')
  await page.getByRole('link', { name: 'Export' }).click()
  const text = readFileSync(await (await downloading).path(), 'utf8')
  const file = (contents: string) => ({
    name: 'loader.procedure.json',
    mimeType: 'application/json',
    buffer: Buffer.from(contents),
  })

  await page.goto('/procedures')
  const rows = page.getByRole('link', { name: 'Loader', exact: true })
  await expect(rows).toHaveCount(1)
  const input = page.getByLabel('A procedure file (.json)')
  await input.setInputFiles(file(text.replace('"count": 7', '"count": 0')))
  await expect(page.getByText('Nothing was changed.')).toBeVisible()
  await expect(page.getByText('holders 1, count: A group has at least one fastener.')).toBeVisible()
  await input.setInputFiles(file('not a file of ours'))
  await expect(page.getByText(/can’t be read as JSON/)).toBeVisible()
  await expect(rows).toHaveCount(1)
  await input.setInputFiles(file(text))
  await page.waitForURL(/procedures\/[0-9a-f-]{36}/)
  const again = await (await page.request.get(`${new URL(page.url()).pathname}/export`)).text()
  expect(JSON.parse(again)).toEqual(JSON.parse(text))
})

test('the panel map: a view, an outline by two taps, marks by tapping, a copy, several set together, undo', async ({
  page,
}) => {
  await setUpShop(page, someOwner('Map Makers'))
  await page.goto('/procedures')
  await page.getByLabel('What is the model called?').fill('Grader')
  await page.getByRole('button', { name: 'Begin the record' }).click()
  await page.waitForURL(/procedures\/[0-9a-f-]{36}/)
  await addPart(page, 'Side cover')
  await addHolder(page, 'Side cover', 'push-pin', 2)
  await page.getByRole('button', { name: 'Add to Views' }).click()
  const form = page.getByRole('dialog')
  await form.getByLabel('Name', { exact: true }).fill('right side')
  await form.getByRole('button', { name: 'Add the view' }).click()
  await expect(form).toBeHidden()
  await page.getByRole('tab', { name: 'Map' }).click()
  const map = page.getByRole('img', { name: /^right side/ })
  await page.getByRole('button', { name: 'Draw its outline' }).click()
  await map.click({ position: { x: 150, y: 120 } })
  await map.click({ position: { x: 420, y: 300 } })
  await expect(page.locator('path[data-part]')).toHaveCount(1)
  await page.getByRole('button', { name: 'Mark 2 push-pins' }).click()
  await map.click({ position: { x: 170, y: 140 } })
  await expect(page.getByText('Tap where mark 2 of 2 sits.')).toBeVisible()
  await map.click({ position: { x: 400, y: 280 } })
  await expect(page.getByRole('button', { name: /^Mark/ })).toHaveCount(0)
  await page.getByRole('tab', { name: /^Fasteners/ }).click()
  await page.getByRole('button', { name: 'Copy Side cover' }).click()
  await expect(page.getByRole('row')).toHaveCount(3)
  await page.getByLabel('Choose all').check()
  await page.getByRole('button', { name: 'Set together' }).click()
  const together = page.getByRole('dialog', { name: 'Set 2 together' })
  await together.getByLabel('Kind').selectOption('fir-tree clip')
  await together.getByRole('button', { name: 'Set', exact: true }).click()
  await expect(page.getByRole('cell', { name: 'fir-tree clips' })).toHaveCount(2)
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(page.getByRole('cell', { name: 'push-pins' })).toHaveCount(2)
})
