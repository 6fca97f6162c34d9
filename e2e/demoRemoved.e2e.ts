import { expect, test } from '@playwright/test'
import { lookAround } from './steps'

test('the demo goes in one act, and nothing of it is left to look at', async ({ page }) => {
  await lookAround(page, 'a lead')
  const job = await page.locator('a[href^="/jobs/"]').first().getAttribute('href')
  await page.goto('/crew')
  await page.getByRole('button', { name: 'Remove the demo' }).click()
  await page.getByRole('button', { name: 'Yes, remove all of it' }).click()
  await page.waitForURL('**/welcome')
  await page.getByRole('tab', { name: 'Look around' }).click()
  await page.getByRole('button', { name: 'Look around as a lead' }).click()
  await expect(page.getByText('The demo is not here')).toBeVisible()
  expect((await page.request.get(`/api${job}/events`)).status()).toBe(401)
})
