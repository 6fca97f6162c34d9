import { expect, test } from '@playwright/test'
import { setUpShop, someOwner } from './steps'
import { newStrip } from './stripSteps'

test.use({ actionTimeout: 10_000 })

test('a line is taken fact by fact: mended, dropped, the rest a note; the next one corrects it', async ({ page }) => {
  await setUpShop(page, someOwner('Lines in hand'))
  await newStrip(page, 'Gritter 3')
  const line = page.getByLabel('Say it in a line')
  const chips = page.getByRole('list', { name: 'Understood' })
  const chip = (words: string) => chips.getByRole('button', { name: new RegExp(words) })
  const take = page.locator('form').getByRole('button', { name: /^(Take|Note it)/ })
  const known = page.getByRole('region', { name: /^Known of/ })
  await page.getByRole('button', { name: 'A radio', exact: true }).click()

  await test.step('a doubt is settled by a tap on its chip, a fact that is none is dropped and taken up again', async () => {
    await line.fill('surround: about 8 clips, pull toward you, two people, 2 screws')
    await expect(chip('8 spring clips')).toContainText('not sure')
    await chip('8 spring clips').click()
    const sheet = page.getByRole('dialog')
    await sheet.getByRole('button', { name: '9', exact: true }).click()
    await expect(chip('9 spring clips')).not.toContainText('not sure')
    await chip('2 people').click()
    await sheet.getByRole('button', { name: 'Drop it' }).click()
    await expect(chip('2 people')).toHaveAttribute('data-chip', 'dropped')
    await chip('2 people').click()
    await expect(chip('2 people')).toHaveAttribute('data-chip', 'clear')
    await chip('2 people').click()
    await sheet.getByRole('button', { name: 'Drop it' }).click()
  })
  await test.step('an odd value is said to be one, and nothing is lost', async () => {
    await chip('9 spring clips').click()
    const sheet = page.getByRole('dialog')
    await sheet.getByLabel('how many, typed').fill('none')
    await sheet.getByLabel('how many, typed').press('Enter')
    await expect(sheet.getByRole('alert')).toContainText('A whole number')
    await page.keyboard.press('Escape')
    await expect(chip('9 spring clips')).toBeVisible()
  })
  await test.step('a question is answered by a tap; what is clear is taken and the rest noted', async () => {
    await line.fill('surround: about 8 clips, pull toward you, two people, 2 screws, hangs on its leads')
    await expect(take).toContainText('note the rest')
    await take.click()
    await expect(line).toHaveValue('')
    await expect(page.getByText('What is open is noted for the desk.')).toBeVisible()
    // The buttons of the part in hand stay where they are.
    await expect(page.getByRole('button', { name: 'Set aside' })).toBeVisible()
    await expect(known).toContainText('9 spring clips')
    await expect(known).not.toContainText('2 people')
  })
  await test.step('“no, ten” stands instead of it, with everything else it said', async () => {
    await line.fill('no, ten clips')
    await expect(chip('instead: 10 spring clips')).toBeVisible()
    await take.click()
    await expect(known).toContainText('10 spring clips')
    await expect(known.getByText('spring clips')).toHaveCount(1)
  })
  await test.step('a line that says nothing clear is a note, and never in the way', async () => {
    await line.fill('airbag lamp plug')
    await expect(take).toHaveText(/Note it/)
    await expect(page.getByRole('button', { name: 'it stays plugged' })).toBeVisible()
    await take.click()
    await expect(line).toHaveValue('')
    await expect(known).not.toContainText('airbag lamp')
  })
  await test.step('what can be read in two ways offers the other', async () => {
    await line.fill('2 T20 each side')
    await expect(chip('4 T20')).toBeVisible()
    await page.getByRole('button', { name: '2 T20, both sides' }).click()
    await expect(chip('2 T20')).toBeVisible()
    await take.click()
    // The surround is out already: what they hold is told by what comes next.
    await expect(page.getByRole('list', { name: 'As it came apart' })).toContainText('2 T20')
  })
  await test.step('one tap each: the start corner, pieces, brittle, where one stands', async () => {
    await page.getByRole('button', { name: 'lower left', exact: true }).click()
    await page.getByRole('button', { name: '2 pieces', exact: true }).click()
    await page.getByRole('button', { name: 'Brittle', exact: true }).click()
    await expect(known).toContainText('start at the lower left')
    await expect(known).toContainText('brittle, 2 pieces')
    await page.getByRole('button', { name: 'passenger side' }).click()
    await expect(page.getByRole('button', { name: 'passenger side' })).toHaveAttribute('aria-pressed', 'true')
  })
})

test('a line is spoken where the browser can write it down, with leave where it does so elsewhere', async ({
  page,
}) => {
  // A browser that hears what a test says: the real one has no microphone here.
  await page.addInitScript(() => {
    class Hearing extends EventTarget {
      start() {
        Object.assign(window, { hearing: this })
      }
      stop() {
        this.dispatchEvent(new Event('end'))
      }
    }
    Object.assign(window, { SpeechRecognition: Hearing, webkitSpeechRecognition: Hearing })
  })
  const hear = (...said: string[]) =>
    page.evaluate((all) => {
      const { hearing } = window as unknown as { hearing: EventTarget }
      // As a browser has it: nothing of its own, accessors on its prototype.
      const own = { enumerable: true }
      const results = all.map((words) => [
        Object.create(
          Object.defineProperties({}, { confidence: { ...own, get: () => 0.9 }, words: { ...own, get: () => words } }),
        ),
      ])
      hearing.dispatchEvent(Object.assign(new Event('result'), { results }))
    }, said)
  await setUpShop(page, someOwner('Spoken lines'))
  await newStrip(page, 'Gritter 4')
  const line = page.getByLabel('Say it in a line')
  await page.getByRole('button', { name: 'Speak the line' }).click()
  await page.getByRole('button', { name: 'It may, on this device' }).click()
  await hear('surround nine clips')
  await expect(line).toHaveValue('surround nine clips')
  await hear('surround nine clips', 'two tea twenty behind the liner')
  await expect(page.getByRole('list', { name: 'Understood' })).toContainText('9 spring clips')
  await page.getByRole('button', { name: 'Stop listening' }).click()
  await expect(page.getByText(/^Heard “tea”|did you mean T20/)).toBeVisible()
  await page.getByRole('button', { name: /T20/ }).first().click()
  await page.getByRole('button', { name: 'Take', exact: true }).click()
  await expect(line).toHaveValue('')
  // Asked once.
  await page.getByRole('button', { name: 'Speak the line' }).click()
  await expect(page.getByRole('button', { name: 'Stop listening' })).toBeVisible()
})
