import { expect, test, type Page } from '@playwright/test'
import { BROWSER } from './browser.mjs'
import { photo, saved, setUpShop, someOwner } from './steps'

test.use({
  actionTimeout: 10_000,
  permissions: ['microphone'],
  launchOptions: {
    executablePath: BROWSER,
    args: ['--no-sandbox', '--disable-gpu', '--use-fake-device-for-media-stream', '--use-fake-ui-for-media-stream'],
  },
})

const line = (page: Page) => page.getByLabel('Say it in a line')
async function say(page: Page, words: string): Promise<void> {
  await line(page).fill(words)
  await expect(page.getByRole('button', { name: 'Take', exact: true })).toBeEnabled()
  await line(page).press('Enter')
  await expect(line(page)).toHaveValue('')
}
const catching = (page: Page, what: string) =>
  page.getByRole('group', { name: 'Catch' }).getByRole('button', { name: what }).click()

test('a strip begun with one photo, marks on it, a spoken note; at the desk: contradictions, notes, one part of two, the map', async ({
  page,
}) => {
  test.setTimeout(180_000)
  await setUpShop(page, someOwner('Desk Cleaners'))

  await test.step('one photo is enough to begin; it is the picture to drop marks on', async () => {
    await page.goto('/strips/new')
    await page.getByLabel('Or one photo of it').setInputFiles(await photo(page))
    await page.getByRole('button', { name: 'Begin', exact: true }).click()
    await page.waitForURL('**/record')
    const picture = page.getByRole('img', { name: /^Photo 1/ })
    await expect(picture).toBeVisible()
    await say(page, 'surround: 2 T20, pull toward you')
    await expect(page.getByText('0 of 2 T20: tap the next')).toBeVisible()
    const box = (await picture.boundingBox())!
    await page.mouse.click(box.x + box.width * 0.4, box.y + box.height * 0.4)
    await page.mouse.click(box.x + box.width * 0.6, box.y + box.height * 0.4)
    await expect(page.getByText(/tap the/)).toHaveCount(0)
    await saved(page)
    await expect(page.getByText('still on this tablet')).toHaveCount(0, { timeout: 15_000 })
  })

  await test.step('what is no picture is said so, and nothing is lost', async () => {
    await catching(page, 'Photo')
    await page
      .getByLabel('Only to look at')
      .setInputFiles({ name: 'x.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('no picture') })
    await expect(page.getByRole('dialog', { name: 'Photo' }).getByRole('alert')).toContainText(
      'can’t be read as a picture',
    )
    await page.keyboard.press('Escape')
  })

  await test.step('a spoken note and a written one', async () => {
    await catching(page, 'Note')
    await page.getByRole('button', { name: 'Speak it' }).click()
    // It goes by itself, beside the events: the desk can hear it once it has come.
    const came = page.waitForResponse((sent) => /\/media\/.*kind=voice/.test(sent.url()))
    await page.getByRole('button', { name: /Stop and keep/ }).click()
    expect((await came).ok()).toBe(true)
    await expect(page.getByRole('dialog', { name: 'Note for the desk' })).toBeHidden()
    await catching(page, 'Note')
    await page.getByLabel('Note for this job').fill('A hook hides behind the vent.')
    await page.getByRole('button', { name: 'Keep the note' }).click()
    await say(page, 'bezel trim: 4 clips, pull toward you')
    await page.getByRole('button', { name: 'Set aside' }).click()
    await saved(page)
  })

  const strip = await page.evaluate(() => location.pathname)
  await test.step('the desk hears and reads them, and works them in', async () => {
    await expect(page.getByText('still on this tablet')).toHaveCount(0, { timeout: 15_000 })
    await page.goto('/procedures')
    await page.getByRole('link', { name: /^Model of Strip/ }).click()
    await page.getByRole('button', { name: /^Clean-up/ }).click()
    const notes = page.getByRole('region', { name: 'Notes to work in' })
    await expect(notes.getByRole('listitem')).toHaveCount(2)
    const voice = (await notes.locator('audio').getAttribute('src'))!
    const heard = await page.request.get(voice)
    expect([heard.status(), heard.headers()['content-type'], (await heard.body()).length > 100]).toEqual([
      200,
      'audio/webm',
      true,
    ])
    const shown = page.getByRole('region', { name: 'Photos' }).getByRole('img')
    await expect(shown).toHaveCount(1)
    expect(await shown.evaluate((image: HTMLImageElement) => image.decode().then(() => image.naturalWidth))).toBe(360)
    await notes
      .getByRole('listitem')
      .filter({ hasText: 'A hook hides' })
      .getByRole('button', { name: 'Worked in' })
      .click()
    await expect(notes.getByRole('listitem')).toHaveCount(1)
    await page.reload()
    await page.getByRole('button', { name: /^Clean-up/ }).click()
    await expect(notes.getByRole('listitem')).toHaveCount(1)
  })

  await test.step('two parts that are one; undo brings both back', async () => {
    const parts = page.getByRole('complementary', { name: 'Views and parts' })
    await parts
      .getByRole('button', { name: /^Surround/ })
      .first()
      .click()
    await page.getByRole('button', { name: 'Surround is the same as …' }).click()
    await page.getByRole('button', { name: 'They are one part' }).click()
    await expect(page.getByRole('dialog')).toBeHidden()
    await expect(parts.getByRole('button', { name: /trim/ })).toHaveCount(0)
    await page.getByRole('button', { name: 'Undo', exact: true }).click()
    await expect(parts.getByRole('button', { name: /trim/ })).toHaveCount(1)
  })

  await test.step('the map: corner by corner, copied to the other side, zoomed by keys, printed', async () => {
    await page.getByRole('tab', { name: 'Map' }).click()
    const map = page.getByRole('group', { name: /zoom with plus and minus/ })
    await page.getByRole('button', { name: 'Corner by corner' }).click()
    const box = (await map.boundingBox())!
    for (const [x, y] of [
      [0.35, 0.3],
      [0.45, 0.3],
      [0.45, 0.5],
    ] as const)
      await page.mouse.click(box.x + box.width * x, box.y + box.height * y)
    await page.getByRole('button', { name: 'Close it' }).click()
    await expect(page.locator('path[data-part]')).toHaveCount(1)
    await page.getByRole('button', { name: 'Copy to the other side' }).click()
    await expect(page.locator('path[data-part]')).toHaveCount(2)
    await map.focus()
    await page.keyboard.press('+')
    await expect(page.getByRole('button', { name: 'Whole view' })).toBeVisible()
    await page.keyboard.press('0')
    await expect(page.getByRole('button', { name: 'Whole view' })).toHaveCount(0)
    await page.emulateMedia({ media: 'print' })
    const sheet = page.getByRole('article', { name: /for printing/ })
    await expect(sheet).toBeVisible()
    await expect(sheet.getByRole('listitem')).toHaveCount(2)
    await expect(page.getByRole('tablist', { name: 'Map or facts' })).toBeHidden()
    await page.emulateMedia({ media: 'screen' })
  })

  await test.step('published; a second strip differs: shown there, decided here', async () => {
    await page.getByRole('button', { name: 'Publish' }).click()
    await expect(page.getByText('revision 1,')).toBeVisible()
    const name = await page.getByRole('heading', { level: 1 }).innerText()
    await page.goto('/strips/new')
    await page.getByLabel('Fleet number').fill('Second')
    await page.getByLabel('Its record').selectOption({ label: name })
    await page.getByRole('button', { name: 'Begin', exact: true }).click()
    await page.waitForURL((url) => url.pathname.endsWith('/record') && url.pathname !== strip)
    await catching(page, 'Panel')
    await page.getByRole('dialog').getByRole('button', { name: 'Surround', exact: true }).click()
    await say(page, '3 T20')
    await expect(page.locator('[data-contradiction="count"]')).toContainText('3 here, the record says 2')
    await saved(page)
    await page.goto('/procedures')
    await page.getByRole('link', { name }).click()
    await expect(page.getByText('revision 1,')).toBeVisible()
    await page.getByRole('button', { name: /^Clean-up/ }).click()
    const found = page.getByRole('region', { name: 'Found otherwise by a strip' })
    await expect(found).toContainText('the record says 2, Second showed 3')
    await found.getByRole('button', { name: 'Take over' }).click()
    await expect(found).toContainText('No strip has found anything otherwise')
    await expect(page.getByText('draft after revision 1')).toBeVisible()
  })
})
