import { expect, test, type Locator, type Page } from '@playwright/test'
import { beginJob, lookAround, nextKey, saved, tapDone } from './steps'

test.use({ actionTimeout: 10_000 })

/** Presses Tab until the thing has the focus, as somebody without a mouse does; says so when it can't be reached. */
async function tabTo(page: Page, thing: Locator): Promise<void> {
  await thing.waitFor()
  for (let i = 0; i < 160; i++) {
    if (await thing.evaluate((element) => element === document.activeElement)) return
    await page.keyboard.press('Tab')
  }
  throw new Error(`${thing} can’t be reached with Tab.`)
}

async function press(page: Page, thing: Locator): Promise<void> {
  await tabTo(page, thing)
  await page.keyboard.press('Enter')
}

// What nobody can hear or see here is heard at the browser's own doors.
test('the screen is kept awake, and the card is read aloud when that is asked for', async ({ page }) => {
  await page.addInitScript(() => {
    const heard: string[] = []
    const asked: string[] = []
    Object.assign(window, { heard, asked })
    window.speechSynthesis.speak = (utterance) => void heard.push(utterance.text)
    Object.defineProperty(navigator, 'wakeLock', {
      value: { request: async (kind: string) => (asked.push(kind), { release: async () => undefined }) },
    })
  })
  const kept = (name: 'heard' | 'asked') =>
    page.evaluate((key) => (window as unknown as Record<string, string[]>)[key]!, name)
  await lookAround(page, 'a lead')
  await page.goto('/vehicles')
  await page.getByLabel('Fleet number or short name').fill('Van 66')
  await page.getByLabel('Model').selectOption({ label: 'Panel van' })
  await page.getByRole('button', { name: 'Add the vehicle' }).click()
  await page.getByRole('link', { name: 'Plan a job' }).click()
  await page.getByLabel('Radio cavity').check()
  await page.getByRole('radio', { name: /^manual/ }).check()
  await page.getByRole('button', { name: 'Open the job' }).click()
  await beginJob(page)
  expect(await kept('asked')).toContain('screen')
  expect(await kept('heard')).toEqual([])
  await page.getByRole('button', { name: 'More' }).click()
  await page.getByLabel('Read the card aloud').check()
  await page.keyboard.press('Escape')
  const title = () => page.locator('[data-next]').innerText()
  await expect(async () => expect((await kept('heard')).at(-1)).toContain(await title())).toPass()
  const first = await title()
  await tapDone(page)
  await expect(async () => expect(await title()).not.toBe(first)).toPass()
  await expect(async () => expect((await kept('heard')).at(-1)).toContain(await title())).toPass()
  await saved(page)
})

// No mouse and no touch: from the plan to the hand-over.
test('a whole job by keyboard alone, and the focus is seen', async ({ page }) => {
  test.setTimeout(300_000)
  await lookAround(page, 'an installer')
  await page.goto('/plan')
  await press(
    page,
    page.getByRole('listitem').filter({ hasText: 'Road-works pickup' }).first().getByRole('link', { name: 'Plan' }),
  )
  await page.waitForURL('**/plan?vehicle=*')
  await tabTo(page, page.getByLabel('Behind the glovebox'))
  await page.keyboard.press('Space')
  const open = page.getByRole('button', { name: 'Open the job' })
  await tabTo(page, open)
  expect(await open.evaluate((element) => getComputedStyle(element).outlineStyle)).toBe('solid')
  await page.keyboard.press('Enter')
  await page.waitForURL(/jobs\/[0-9a-f-]{36}$/)
  await expect(page.getByRole('button', { name: /^Begin the job/ })).toBeEnabled()
  await page.keyboard.press('PageDown')
  await expect(page.locator('[data-next]')).toBeVisible()

  const before = await nextKey(page)
  await expect(async () => {
    await page.keyboard.press('PageDown')
    expect(await nextKey(page)).not.toBe(before)
  }).toPass({ intervals: [600] })
  await page.keyboard.press('PageUp')
  await expect(async () => expect(await nextKey(page)).toBe(before)).toPass()
  await page.keyboard.press('n')
  await page.getByRole('dialog', { name: 'Note' }).waitFor()
  await page.keyboard.type('lead tied to the left')
  await press(page, page.getByRole('button', { name: 'Keep the note' }))
  for (let i = 0; i < 90 && (await nextKey(page)) !== null; i++) {
    await page.keyboard.press('PageDown')
    await page.waitForTimeout(500)
  }
  const back = page.getByRole('button', { name: /tools are back$|It is back in the bag/ })
  if (await back.isVisible()) await press(page, back)
  await expect(page.getByRole('heading', { name: 'Everything is back' })).toBeVisible()
  await saved(page)
  await press(page, page.getByRole('link', { name: 'To the hand-over' }))
  await page.waitForURL('**/handover')
  for (const row of await page.locator('[data-test]').all())
    if (!(await row.innerText()).includes('passed')) await press(page, row.getByRole('button', { name: 'Passed' }))
  await press(page, page.getByRole('button', { name: 'Tolu signs' }))
  await saved(page)
  await press(page, page.locator('header').getByRole('button', { name: 'Tolu, installer' }))
  const who = page.getByRole('dialog', { name: 'Who acts now?' })
  await press(page, who.getByRole('button', { name: 'Jo' }))
  await tabTo(page, who.getByLabel('PIN of Jo'))
  await page.keyboard.type('5555')
  await page.keyboard.press('Enter')
  await expect(who).toBeHidden()
  await press(page, page.getByRole('button', { name: 'Jo has checked' }))
  await saved(page)
  await press(page, page.getByRole('button', { name: 'Hand over', exact: true }))
  await expect(page.getByRole('heading', { name: 'Handed over' })).toBeVisible()
})

test.describe('by touch', () => {
  test.use({ viewport: { width: 1024, height: 768 }, hasTouch: true })
  test('a whole job by touch alone, on a tablet of the bay', async ({ page }) => {
    test.setTimeout(300_000)
    await lookAround(page, 'an installer')
    await page.goto('/plan')
    await page
      .getByRole('listitem')
      .filter({ hasText: 'Road-works pickup' })
      .first()
      .getByRole('link', { name: 'Plan' })
      .tap()
    await page.waitForURL('**/plan?vehicle=*')
    await page.getByLabel('Behind the glovebox').tap()
    // The plan may still be drawing itself when the first tap comes.
    await expect(async () => {
      if (!page.url().includes('/jobs/')) await page.getByRole('button', { name: 'Open the job' }).tap()
      await page.waitForURL(/jobs\/[0-9a-f-]{36}$/, { timeout: 10_000 })
    }).toPass({ timeout: 60_000 })
    await page.getByRole('button', { name: /^Begin the job/ }).tap()
    const done = page.getByTestId('done')
    await done.waitFor()
    for (let i = 0; i < 90; i++) {
      const key = await nextKey(page)
      if (key === null) break
      const asks = await done.getAttribute('data-asks')
      const box = (await done.boundingBox())!
      expect([key, box.height >= 84, box.y + box.height <= 768]).toEqual([key, true, true])
      await done.tap()
      if (asks === 'read') await expect(done).not.toHaveAttribute('data-asks', 'read')
      else {
        if (asks === 'reading')
          await page
            .getByRole('dialog', { name: /^Test:/ })
            .getByRole('button', { name: /^It works/ })
            .tap()
        await expect(async () => expect(await nextKey(page)).not.toBe(key)).toPass({ timeout: 20_000 })
      }
    }
    const back = page.getByRole('button', { name: /tools are back$|It is back in the bag/ })
    if (await back.isVisible()) await back.tap()
    await expect(page.getByRole('heading', { name: 'Everything is back' })).toBeVisible()
    await saved(page)
    await page.getByRole('link', { name: 'To the hand-over' }).tap()
    await page.waitForURL('**/handover')
    for (const row of await page.locator('[data-test]').all())
      if (!(await row.innerText()).includes('passed')) await row.getByRole('button', { name: 'Passed' }).tap()
    await page.getByRole('button', { name: 'Tolu signs' }).tap()
    await saved(page)
    await page.locator('header').getByRole('button', { name: 'Tolu, installer' }).tap()
    const who = page.getByRole('dialog', { name: 'Who acts now?' })
    await who.getByRole('button', { name: 'Jo' }).tap()
    await who.getByLabel('PIN of Jo').fill('5555')
    await who.getByRole('button', { name: 'Jo acts' }).tap()
    await expect(who).toBeHidden()
    await page.getByRole('button', { name: 'Jo has checked' }).tap()
    await saved(page)
    await page.getByRole('button', { name: 'Hand over', exact: true }).tap()
    await expect(page.getByRole('heading', { name: 'Handed over' })).toBeVisible()
  })
})
