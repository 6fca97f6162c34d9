// Makes docs/screenshots anew from the demo data of a running bin/start: node e2e/screenshots.mjs
import { chromium } from '@playwright/test'

const base = process.env.BASE ?? 'http://localhost:3000'
const folder = 'docs/screenshots'
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking', '--disable-component-update', '--disable-sync'] })

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
await installer.getByLabel('Say it in a line').fill('vent: 2 clips, pull forward')
await installer.getByText('Forward:').first().waitFor()
await shot(installer, 'record')

const lead = await enter('a lead')
await openJob(lead, 'Van 12')
const job = lead.url()
await lead.goto(`${job}/balance`)
await shot(lead, 'balance')
await lead.goto(`${job}/handover`)
await shot(lead, 'handover')
await lead.goto(`${base}/plan`)
await lead.getByRole('listitem').filter({ hasText: 'Harbour Linen' }).first().getByRole('link', { name: 'Plan' }).click()
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
await lead.getByLabel('Say it in a line').fill('2 wotsits at the top, pull forward')
await lead.getByText('Forward:').waitFor()
await shot(lead, 'procedure')
await lead.getByRole('tab', { name: 'Order' }).click()
await lead.getByTestId('order-graph').getByText('Centre surround').waitFor()
await shot(lead, 'order')
await openProcedure(lead, 'Model of Gritter 2', 'Surround')
await lead.getByRole('button', { name: /^Clean-up/ }).click()
await shot(lead, 'clean-up')
await openProcedure(lead, 'Patrol motorcycle', 'Left fairing')
await shot(lead, 'fairing')
await lead.getByRole('tab', { name: /^Fasteners/ }).click()
await shot(lead, 'facts')
await lead.goto(`${base}/shop/rules`)
await shot(lead, 'rules')
await lead.goto(`${base}/shop/kits`)
await lead.getByRole('link', { name: 'Fit a recorder' }).click()
await lead.getByRole('heading', { name: 'Fit a recorder' }).waitFor()
await shot(lead, 'kit')
await lead.goto(`${base}/marks`)
await shot(lead, 'marks')
await browser.close()
