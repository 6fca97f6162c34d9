import { base, browser, enter } from './zz-look.mjs'
const shot = async (page, name) => { await page.waitForTimeout(500); await page.screenshot({ path: `/tmp/pics/${name}.png` }) }
const page = await enter('an installer')
await page.getByRole('link', { name: 'Van 27', exact: true }).click()
await page.waitForURL('**/jobs/**')
const seen = new Set()
for (let i = 0; i < 45; i++) {
  const key = await page.locator('[data-next]').getAttribute('data-next').catch(() => null)
  if (!key) break
  if (/^(release:surround|seat:surround|seat:pillar|undo:surround-t20|close:main|open:main|release:unit)$/.test(key) && !seen.has(key)) { seen.add(key); await shot(page, key.replace(':','-')) }
  if (key === 'seat:pillar') break
  const done = page.getByTestId('done')
  if ((await done.getAttribute('data-asks')) === 'read') await done.click()
  await page.waitForTimeout(150)
  if ((await done.getAttribute('data-asks')) === 'reading') { await done.click(); await page.getByRole('dialog').getByRole('button', { name: /^It works/ }).click(); await page.waitForTimeout(300); continue }
  if ((await done.getAttribute('data-asks')) === 'work') { console.log('work', key); break }
  await done.click()
  await page.waitForTimeout(250)
}
const p = await enter('an installer', 390, 844)
await shot(p, 'm-today')
await p.getByRole('link', { name: 'Van 27', exact: true }).click()
await p.waitForURL('**/jobs/**')
await shot(p, 'm-job')
await browser.close()
