import { base, browser, enter } from './zz-look.mjs'
const shot = async (page, name) => { await page.waitForLoadState('networkidle'); await page.waitForTimeout(500); await page.screenshot({ path: `/tmp/pics/${name}.png` }) }
const page = await enter('an installer')
await page.getByRole('link', { name: 'Van 27', exact: true }).click()
await page.waitForURL('**/jobs/**')
await shot(page, 'job')
const lead = await enter('a lead')
await lead.goto(`${base}/procedures`)
await lead.getByRole('link', { name: 'Panel van', exact: true }).click()
await lead.getByRole('tab', { name: 'Order' }).click()
await shot(lead, 'order')
console.log(await lead.getByRole('region', { name: 'Order learnt from strips' }).innerText())
await browser.close()
