import { chromium } from '@playwright/test'
const base = 'http://localhost:3000'
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking', '--disable-component-update', '--disable-sync'] })
async function enter(role, width = 1280, height = 800) {
  const page = await (await browser.newContext({ viewport: { width, height }, reducedMotion: 'reduce' })).newPage()
  await page.goto(`${base}/welcome`)
  await page.getByRole('button', { name: `Look around as ${role}` }).click()
  await page.waitForURL('**/today')
  return page
}
export { base, browser, enter }
