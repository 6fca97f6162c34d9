// Takes pictures of the running application: node e2e/shoot.mjs OUT URL... (signs in as the demo's lead; ROLE=installer for the other).
import { chromium } from '@playwright/test'
const base = process.env.BASE ?? 'http://localhost:3000'
const [width, height] = (process.env.SIZE ?? '1280x800').split('x').map(Number)
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking', '--disable-component-update', '--disable-sync'] })
const page = await browser.newPage({ viewport: { width, height } })
page.on('console', (message) => message.type() === 'error' && console.log('console:', message.text()))
page.on('pageerror', (error) => console.log('page error:', error.message))
await page.goto(`${base}/welcome`)
if (process.env.ROLE !== 'none') {
  await page.getByRole('button', { name: `Look around as ${process.env.ROLE === 'installer' ? 'an installer' : 'a lead'}` }).click()
  await page.waitForURL('**/today')
}
for (let i = 2; i < process.argv.length; i += 2) {
  const [out, path] = [process.argv[i], process.argv[i + 1]]
  if (path.startsWith('/')) await page.goto(base + path, { waitUntil: 'networkidle' })
  else await eval(`(async () => { ${path} })()`)
  await page.waitForTimeout(400)
  if (out !== '-') await page.screenshot({ path: out, fullPage: process.env.FULL === '1' })
}
await browser.close()
