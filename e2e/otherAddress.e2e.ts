import { expect, test, type Browser, type Page } from '@playwright/test'
import { execFileSync, spawn, type ChildProcess } from 'node:child_process'
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { request } from 'node:https'
import { join } from 'node:path'
import { everyAction } from './everyAction'
import { saved, signIn, someOwner, type Owner } from './steps'

/** A name that the browser is told to look for on this machine: to it, a page from there is one from elsewhere. */
const BY_NAME = `http://tablet.shop.test:${process.env.ISTRUZIONE_TEST_PORT ?? '3199'}`
const ADDRESS = '127.0.0.2'
const [APP_PORT, SHOP_PORT, TRUST_PORT] = [3198, 8444, 8081]
const BY_HTTPS = `https://${ADDRESS}:${SHOP_PORT}`
const BY_TRUST = `http://${ADDRESS}:${TRUST_PORT}`
const FOLDER = join(process.env.ISTRUZIONE_TEST_DATA ?? '.test-data', 'front')
const ROOT = join(FOLDER, 'pki/authorities/local/root.crt')

/** What the start command prints, and the page asks of who sets up a shop from another machine. */
const SETUP_CODE = 'a1b2c3d4e5f6'

const running: ChildProcess[] = []
test.afterAll(() => running.forEach((child) => child.kill('SIGTERM')))

/** The application as bin/start --shop-network runs it: on loopback, behind the same web server with its settings. */
async function startShopNetwork(): Promise<void> {
  rmSync(FOLDER, { recursive: true, force: true })
  mkdirSync(FOLDER, { recursive: true, mode: 0o700 })
  const env = { ...process.env, data: join(FOLDER, '..'), ISTRUZIONE_ORIGIN: BY_HTTPS }
  const settings = `. bin/lib/shopNetwork.sh; shop_address=${ADDRESS} shop_port=${SHOP_PORT} trust_port=${TRUST_PORT}; write_front_settings ${APP_PORT}`
  writeFileSync(join(FOLDER, 'settings'), execFileSync('bash', ['-c', settings], { env }))
  const network = {
    ISTRUZIONE_LOOPBACK: '0',
    ISTRUZIONE_PROXIES: '127.0.0.1',
    ISTRUZIONE_SETUP: 'code',
    ISTRUZIONE_SETUP_CODE: SETUP_CODE,
    ISTRUZIONE_TRUST_ORIGIN: BY_TRUST,
    ISTRUZIONE_ROOT_CERTIFICATE: ROOT,
  }
  running.push(
    spawn('caddy', ['run', '--config', join(FOLDER, 'settings'), '--adapter', 'caddyfile'], { stdio: 'ignore' }),
    spawn(process.execPath, ['bin/lib/serve.mjs', '127.0.0.1', String(APP_PORT)], {
      stdio: 'ignore',
      env: { ...env, ...network, NODE_ENV: 'production' },
    }),
  )
  await expect(async () => expect(await statusOf('/api/health', readFileSync(ROOT))).toBe(200)).toPass({
    timeout: 30_000,
  })
}

/** Asks over HTTPS, trusting this certificate and nothing else. */
function statusOf(path: string, ca: Buffer | undefined): Promise<number | string> {
  return new Promise((resolve) => {
    const asked = request(`${BY_HTTPS}${path}`, { ca }, (response) => resolve(response.resume().statusCode ?? 0))
    asked.on('error', (error: NodeJS.ErrnoException) => resolve(error.code ?? error.message))
    asked.end()
  })
}

async function pageAt(browser: Browser, baseURL: string): Promise<Page> {
  return (await browser.newContext({ baseURL, reducedMotion: 'reduce', ignoreHTTPSErrors: true })).newPage()
}

/** Today, the job, its hand-over and the strip open there; a tap on the strip reaches the shop. */
async function opensAll(page: Page, { job, strip }: { job: string; strip: string }): Promise<void> {
  for (const path of ['/today', job, `${job}/balance`, `${job}/handover`, strip]) {
    await page.goto(path)
    await expect(page.locator('main').first()).toBeVisible()
    await expect(page.getByText('This screen broke')).toHaveCount(0)
  }
  await page.getByRole('group', { name: 'Catch' }).getByRole('button', { name: 'Note' }).click()
  await page.getByLabel('Note for this job').fill(`seen from ${new URL(page.url()).host}`)
  await page.getByRole('button', { name: 'Keep the note' }).click()
  await saved(page)
}

/** Everything that is done in a shop, over plain http by a name that is not the loopback's. */
async function overPlainHttp(browser: Browser, owner: Owner) {
  const page = await pageAt(browser, BY_NAME)
  const made = await everyAction(page, owner)
  await opensAll(page, made)
  await page.goto('/today')
  expect(await page.evaluate(() => [window.isSecureContext, typeof crypto.randomUUID])).toEqual([false, 'undefined'])
  await expect(page.getByText('This address is not encrypted')).toBeVisible()
  await page.context().close()
  return made
}

test('from another address: over plain http everything opens and one sentence says what does not work; in the shop’s network it is encrypted with an authority of its own, and only what leads to trust is plain', async ({
  browser,
}) => {
  test.setTimeout(240_000)
  const owner: Owner = someOwner('Down The Bays')
  const made = await overPlainHttp(browser, owner)
  await startShopNetwork()
  // The chain is checked by Node's own TLS: with the shop's root it holds, without it nothing does.
  expect(await statusOf('/welcome', readFileSync(ROOT))).toBe(200)
  expect(await statusOf('/welcome', undefined)).toMatch(/SELF_SIGNED|UNABLE_TO_VERIFY|UNABLE_TO_GET_ISSUER/)
  const page = await pageAt(browser, BY_HTTPS)
  const welcome = await page.goto('/welcome')
  expect(welcome!.headers()['strict-transport-security']).toContain('max-age')
  await expect(page.getByRole('button', { name: /Look around/ })).toHaveCount(0)
  await signIn(page, owner.username, owner.password)
  expect(await page.evaluate(() => window.isSecureContext)).toBe(true)
  const cookies = await page.context().cookies()
  expect(
    cookies.filter(({ name }) => name.includes('session')).map(({ secure, httpOnly }) => [secure, httpOnly]),
  ).toEqual(expect.arrayContaining([[true, true]]))
  await expect(page.getByText('This address is not encrypted')).toHaveCount(0)
  await opensAll(page, made)
  await namesAndSignsOut(page)
  await onlyWithTheCode(page)
  await trustIsPlain(browser)
  await page.context().close()
})

/** From another machine a shop is set up by who was told the code; what was typed stays when it is wrong. */
async function onlyWithTheCode(page: Page): Promise<void> {
  const { shop, name, username, password, pin } = someOwner('From The Quay')
  await page.goto('/welcome')
  await page.getByRole('tab', { name: 'Set up my shop' }).click()
  await page.getByLabel('Name of the shop').fill(shop)
  await page.getByLabel('Your name, as the crew says it').fill(name)
  await page.getByLabel('User name').fill(username)
  await page.getByLabel('Password').fill(password)
  await page.getByLabel('PIN').fill(pin)
  await page.getByLabel('Set-up code').fill('a guess')
  await page.getByRole('button', { name: 'Set up my shop' }).click()
  await expect(page.getByText('This is not this installation’s set-up code.')).toBeVisible()
  await expect(page.getByLabel('Name of the shop')).toHaveValue(shop)
  await page.getByLabel('Set-up code').fill(SETUP_CODE)
  await page.getByRole('button', { name: 'Set up my shop' }).click()
  await page.waitForURL('**/today')
}

/** The device has said that it is there: it is named, and signed out. */
async function namesAndSignsOut(page: Page): Promise<void> {
  await page.goto('/shop/devices')
  await expect(page.getByText('this device', { exact: true })).toBeVisible({ timeout: 20_000 })
  const row = page.locator('[data-device]').filter({ has: page.getByText('this device', { exact: true }) })
  await row.getByLabel('What the crew calls it').fill('Bay 2 tablet')
  await row.getByRole('button', { name: 'Keep the name' }).click()
  await expect(row.getByText('Bay 2 tablet', { exact: true })).toBeVisible()
  const [shown] = readFingerprint()
  await expect(page.getByText(shown!)).toBeVisible()
  await row.getByRole('button', { name: 'Sign it out' }).click()
  await row.getByRole('button', { name: 'Yes, sign Bay 2 tablet out' }).click()
  await expect(page).toHaveURL(/\/welcome$/)
  await page.goto('/today')
  await expect(page).toHaveURL(/\/welcome$/)
}

/** By OpenSSL, apart from the application: eight pairs a line. */
function readFingerprint(): string[] {
  const text = execFileSync('openssl', ['x509', '-in', ROOT, '-noout', '-fingerprint', '-sha256']).toString()
  const pairs = text.trim().split('=')[1]!.split(':')
  return [0, 8, 16, 24].map((from) => pairs.slice(from, from + 8).join(' '))
}

/** Over plain http there is the page of trust and its certificate; everything else is sent to the encrypted address. */
async function trustIsPlain(browser: Browser): Promise<void> {
  const page = await pageAt(browser, BY_TRUST)
  await page.goto('/trust')
  for (const line of readFingerprint()) await expect(page.getByText(line)).toBeVisible()
  const file = await page.request.get('/trust/certificate')
  const der = execFileSync('openssl', ['x509', '-in', ROOT, '-outform', 'DER'])
  expect(Buffer.compare(await file.body(), der)).toBe(0)
  const elsewhere = await page.request.get('/today', { maxRedirects: 0 })
  expect([elsewhere.status(), elsewhere.headers().location]).toEqual([302, `${BY_HTTPS}/today`])
  await page.context().close()
}
