// Makes docs/screenshots anew from the demo data of a running bin/start: node e2e/screenshots.mjs
import { chromium } from '@playwright/test'
import { execFileSync } from 'node:child_process'
import { writeFileSync } from 'node:fs'

const base = process.env.BASE ?? 'http://localhost:3000'
const folder = 'docs/screenshots'
// The browser a crew has: without a window it spaces letters otherwise.
const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
})

/** A page signed in to the demo, at the size of a desk or of a bay's tablet. */
async function enter(role, width = 1280, height = 800) {
  const page = await (await browser.newContext({ viewport: { width, height }, reducedMotion: 'reduce' })).newPage()
  await page.goto(`${base}/welcome`)
  await page.getByRole('button', { name: `Look around as ${role}` }).click()
  await page.waitForURL('**/today')
  return page
}

async function shot(page, name) {
  await page.waitForLoadState('networkidle')
  await page.waitForTimeout(400)
  await page.screenshot({ path: `${folder}/${name}.png` })
}

async function openJob(page, vehicle) {
  await page.goto(`${base}/today`)
  await page.getByRole('link', { name: vehicle, exact: true }).click()
  await page.waitForURL('**/jobs/**')
}

async function openProcedure(page, name, part) {
  await page.goto(`${base}/procedures`)
  await page.getByRole('link', { name, exact: true }).click()
  await page.waitForURL(/procedures\/[0-9a-f-]{36}/)
  await page.getByRole('button', { name: new RegExp(`^${part}`) }).click()
}

const tablet = await enter('an installer', 1024, 768)
await openJob(tablet, 'Bus 4')
await shot(tablet, 'job-tablet')

await tablet.keyboard.press('p')
await shot(tablet, 'gate')

const installer = await enter('an installer')
await shot(installer, 'today')
await openJob(installer, 'Van 27')
await shot(installer, 'job')
await openJob(installer, 'Gritter 2')
await installer.getByLabel('Say it in a line').fill('vent: about 4 clips, 2 screws behind flap, pull toward you')
await installer.getByText('Which drive?').first().waitFor()
await shot(installer, 'record')

const lead = await enter('a lead')
await openJob(lead, 'Van 12')
const job = lead.url()
await lead.goto(`${job}/balance`)
await shot(lead, 'balance')
await lead.goto(`${job}/handover`)
await shot(lead, 'handover')
await lead.goto(`${base}/plan`)
await lead
  .getByRole('listitem')
  .filter({ hasText: 'Harbour Linen' })
  .first()
  .getByRole('link', { name: 'Plan' })
  .click()
await lead.waitForURL('**/plan?vehicle=*')
await lead.getByLabel('Radio cavity').check()
await lead.getByLabel('Pillar cavity').check()
await lead.getByRole('button', { name: /why/ }).nth(1).click()
await lead.getByText('While it is open anyway').waitFor()
await shot(lead, 'plan')
await lead.getByText('two', { exact: true }).click()
await lead.getByLabel('Person 2 starts at').selectOption('passenger side')
await lead.getByText('Person 2, from passenger side').waitFor()
await lead.getByRole('region', { name: 'Who does what' }).evaluate((element) => element.scrollIntoView())
await shot(lead, 'lanes')
await openProcedure(lead, 'Panel van', 'Centre surround')
await lead.getByLabel('Say it in a line').fill('speaker grille: 3 clips, no, four, about 2 T20, pull toward you')
await lead.getByRole('list', { name: 'Understood' }).getByText('4 spring clips').waitFor()
await shot(lead, 'procedure')
await lead.getByRole('tab', { name: 'Order' }).click()
await lead.getByTestId('order-graph').getByText('Centre surround').waitFor()
await shot(lead, 'order')
await openProcedure(lead, 'Model of Gritter 2', 'Surround')
await lead.getByRole('button', { name: /^Clean-up/ }).click()
await shot(lead, 'clean-up')
await lead.goto(`${base}/figures`)
await lead.getByText('× the forecast').waitFor()
await shot(lead, 'figures')
await openJob(lead, 'Moto 7')
await shot(lead, 'intake')
await openJob(lead, 'Bus 4')
const bus = lead.url()
await lead.goto(`${bus}/tag`)
await lead.setViewportSize({ width: 1280, height: 1000 })
await shot(lead, 'tag')
await lead.setViewportSize({ width: 1280, height: 800 })
// The sheet of a job that was handed over, as the server makes it; drawn by Debian's poppler.
await lead.goto(`${base}/today`)
const handed = await lead.locator('a[href$="/handover"]').first().getAttribute('href')
const pdf = await lead.request.get(`${base}${handed.replace('/handover', '/sheet')}`)
writeFileSync('/tmp/sheet.pdf', await pdf.body())
execFileSync('pdftoppm', ['-r', '96', '-f', '1', '-l', '1', '-singlefile', '-png', '/tmp/sheet.pdf', `${folder}/sheet`])
await lead.goto(`${base}/shop/kits`)
await lead.getByRole('link', { name: 'Swap the radio unit', exact: true }).click()
await lead.waitForURL(/kits\/[0-9a-f-]{36}/)
await shot(lead, 'kit')
await lead.goto(`${job}/customer`)
await lead.getByRole('heading', { name: 'With the customer' }).waitFor()
await shot(lead, 'customer')
// A quotation, written for the customer of another van.
await lead.goto(`${base}/plan`)
await lead
  .getByRole('listitem')
  .filter({ hasText: 'Harbour Linen' })
  .first()
  .getByRole('link', { name: 'Plan' })
  .click()
await lead
  .getByRole('button', { name: /^Swap the radio unit/ })
  .first()
  .click()
for (const name of [/^automatic/, /^plain display/, /^plain(?! display)/])
  await lead.getByRole('radio', { name }).first().check()
await lead.getByRole('button', { name: 'Quotation as PDF' }).click()
await lead.getByLabel('To', { exact: true }).fill('Harbour Linen')
const [download] = await Promise.all([
  lead.waitForEvent('download'),
  lead.getByRole('button', { name: 'Write it as PDF' }).click(),
])
await download.saveAs('/tmp/quotation.pdf')
execFileSync('pdftoppm', [
  '-r',
  '96',
  '-f',
  '1',
  '-l',
  '1',
  '-singlefile',
  '-png',
  '/tmp/quotation.pdf',
  `${folder}/quotation`,
])
await browser.close()
