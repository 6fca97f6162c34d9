import { base, browser, enter } from './zz-look.mjs'
const lead = await enter('a lead')
for (const n of ['Panel van','Small bus','Road-works pickup']) {
await lead.goto(`${base}/procedures`)
await lead.getByRole('link', { name: n, exact: true }).click()
await lead.getByRole('tab', { name: 'Order' }).click()
await lead.getByLabel(/^For/).selectOption('')
await lead.waitForTimeout(1500)
console.log(n, await lead.getByRole('region', { name: 'Order learnt from strips' }).innerText())
}
await browser.close()
