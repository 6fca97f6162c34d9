import { expect, test, type Page } from '@playwright/test'
import { setUpShop, someOwner } from './steps'
import { answerBeside, newStrip } from './stripSteps'

/** A dash of twelve parts as one says it: what holds each, how it comes, what is unplugged. */
const SAID = [
  'sill trim: 4 clips, pull up',
  'kick panel: 2 push-pins, pull inboard',
  'knee bolster: 2 hex 10, 5 clips, pull rearward; unplug obd',
  'liner: press fit, lift out',
  'climate panel: 6 clips, pull toward you; unplug climate, tab top',
  'surround: 2 T20 behind climate panel, 9 clips, pull toward you; unplug hazard and airbag lamp',
  'unit: 4 hex 7, slide rearward; unplug main, lever; unplug antenna',
  'left vent: 2 clips, pull toward you',
  'right vent: 2 clips, pull toward you',
  'cluster surround: 4 clips, 2 T15, pull rearward',
  'cluster: 3 T20, tilt toward you; unplug instruments',
  'glovebox: 6 T20, pull toward you; unplug lamp',
]
/** What is tapped besides, at the part in hand. */
const TAPPED: Readonly<Record<number, readonly string[]>> = {
  2: ['lower left'],
  5: ['Brittle', 'lower left'],
  9: ['2 pieces'],
}
/** What a hand does on the page, counted by the page: taps, lines sent off, and the characters typed. */
async function counted(page: Page): Promise<{ taps: number; chars: number }> {
  return page.evaluate(() => JSON.parse(sessionStorage.getItem('done') ?? '{"taps":0,"chars":0}') as never)
}
async function count(page: Page): Promise<void> {
  await page.evaluate(() => {
    const add = (what: 'taps' | 'chars') => {
      const done = JSON.parse(sessionStorage.getItem('done') ?? '{"taps":0,"chars":0}') as Record<string, number>
      sessionStorage.setItem('done', JSON.stringify({ ...done, [what]: done[what]! + 1 }))
    }
    // A line sent off by the enter key clicks its button as well; who goes into the line taps it.
    window.addEventListener('click', () => add('taps'), true)
    window.addEventListener('keydown', (event) => event.key.length === 1 && add('chars'), true)
  })
}

test.use({ actionTimeout: 10_000 })

test('a strip of twelve parts by lines and taps: at most 70 taps and 700 characters', async ({ page }) => {
  test.setTimeout(180_000)
  await setUpShop(page, someOwner('Twelve parts'))
  await newStrip(page, 'Gritter 12')
  const line = page.getByLabel('Say it in a line')
  const rail = page.getByRole('list', { name: 'As it came apart' })
  await expect(line).toBeVisible()
  await count(page)
  for (const [i, words] of SAID.entries()) {
    await line.click()
    await line.pressSequentially(words)
    await expect(page.getByRole('button', { name: 'Take', exact: true })).toBeEnabled()
    await line.press('Enter')
    await expect(line).toHaveValue('')
    await answerBeside(page)
    const loose = page.getByRole('region', { name: 'Loose ends' })
    if (await loose.isVisible()) throw new Error('a loose end that nobody foresaw')
    for (const name of TAPPED[i] ?? []) await page.getByRole('button', { name, exact: true }).click()
  }
  await page.getByRole('button', { name: 'Set aside' }).click()
  await expect(rail.locator('[data-row^="part:"]')).toHaveCount(12)
  const dialog = page.getByRole('dialog', { name: 'While there is a pause' })
  const caught = await counted(page)
  for (let rounds = 0; rounds < 5; rounds++) {
    const open = page.getByRole('button', { name: /\d+ questions?$/ })
    if (!(await open.isVisible()) || !(await open.isEnabled())) break
    await open.click()
    await answerBeside(page)
    await page.keyboard.press('Escape')
    await expect(dialog).toBeHidden()
  }
  await expect(page.getByRole('button', { name: 'No question' })).toBeVisible()
  const { taps, chars } = await counted(page)
  console.log(`twelve parts: ${caught.taps} taps until all was off, ${taps} with every question; ${chars} characters`)
  // Enter is a tap too, once more for each line: what the page counts of it is the click of its button.
  expect(chars).toBe(SAID.join('').length)
  expect(chars).toBeLessThanOrEqual(700)
  expect(taps).toBeGreaterThan(SAID.length * 2)
  expect(taps).toBeLessThanOrEqual(70)
})
