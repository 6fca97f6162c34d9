import { expect, test } from '@playwright/test'
import { answer, answerBeside, newStrip } from './stripSteps'
import { followJob, saved, setUpShop, someOwner } from './steps'

test('a model is stripped for the first time and fitted in one job: the kit is work on the way back, and both accounts close', async ({
  page,
}) => {
  test.setTimeout(180_000)
  page.setDefaultTimeout(15_000)
  await setUpShop(page, someOwner('Strip and Fit'))

  await test.step('a small kit: one box on two screws, told plugged and tried', async () => {
    await page.goto('/shop/kits/new')
    await page.getByLabel('Name', { exact: true }).fill('Small box')
    await page.getByLabel('Type what is in it, a line each').fill('Small box: 2 PH2 M3x6; plug main, tab')
    await page.getByRole('button', { name: 'Add these' }).click()
    await page.getByRole('button', { name: 'Add work' }).click()
    await page.getByLabel('What is done').fill('Box in')
    await page.getByRole('button', { name: 'All of Small box' }).click()
    await page.getByRole('button', { name: 'Save the kit' }).click()
    await expect(page.getByText('Saved.')).toBeVisible()
  })

  await test.step('the strip, in three lines', async () => {
    await newStrip(page, 'Sweeper 1')
    for (const words of ['knee bolster: 2 hex 10, pull toward you', 'unplug obd, tab top', 'knee bolster off']) {
      await page.getByLabel('Say it in a line').fill(words)
      await page.getByLabel('Say it in a line').press('Enter')
      await expect(page.getByLabel('Say it in a line')).toHaveValue('')
      await answerBeside(page)
    }
    const questions = page.getByRole('button', { name: /\d+ questions?$/ })
    if (await questions.isVisible()) {
      await questions.click()
      const dialog = page.getByRole('dialog', { name: 'While there is a pause' })
      const question = dialog.getByRole('region', { name: 'Question' })
      while (await question.isVisible()) {
        const id = await question.getAttribute('data-question')
        await answer(question)
        await expect(dialog.locator(`[data-question="${id}"]`)).toHaveCount(0)
      }
      await page.keyboard.press('Escape')
    }
    await saved(page)
  })

  await test.step('while it is open the box goes in; then it goes back together', async () => {
    await page.getByRole('button', { name: 'Put it back' }).click()
    await page.getByRole('group', { name: 'Fit something while it is open' }).getByLabel('Small box').check()
    await page.getByRole('button', { name: 'Fit it, then back together' }).click()
    await page.waitForURL(/jobs\/[0-9a-f-]{36}$/)
    const keys = await followJob(page)
    const at = (key: RegExp) => keys.findIndex((done) => key.test(done))
    expect(at(/^work:/)).toBeGreaterThanOrEqual(0)
    // What is fitted is fitted before the bolster closes over it.
    expect(at(/^work:/)).toBeLessThan(at(/^(place|seat):/))
  })

  await test.step('both accounts are closed: the vehicle’s two, the kit’s two and its plug', async () => {
    await expect(page.getByRole('heading', { name: 'Everything is back' })).toBeVisible()
    await page
      .getByRole('link', { name: /Balance/ })
      .first()
      .click()
    await page.waitForURL(/balance/)
    await expect(page.getByText('2 of 2 fitted')).toBeVisible()
    await expect(page.locator('[data-row]')).toHaveCount(0)
  })
})
