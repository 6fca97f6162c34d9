// Opens every screen there is: signs in as the demo's lead and follows every link of every page, over HTTP as a
// browser asks for them; then those that stand in no page's list and one of each kind in a browser, which draws them.
// Prints how many; ends with 1 and what broke otherwise. openEvery.mjs ADDRESS
import { chromium } from '@playwright/test'
import { createHmac } from 'node:crypto'
import { BROWSER } from './browser.mjs'

const base = process.argv[2]
const username = 'demo.lead'
const password = createHmac('sha256', process.env.ISTRUZIONE_SECRET).update(`demo:${username}`).digest('hex')
const signedIn = await fetch(`${base}/api/auth/sign-in/username`, {
  method: 'POST',
  headers: { 'content-type': 'application/json', origin: base },
  body: JSON.stringify({ username, password }),
})
const cookie = signedIn.headers
  .getSetCookie()
  .map((text) => text.split(';', 1)[0])
  .join('; ')
if (!signedIn.ok || !cookie) stop(`the demo’s lead can’t sign in: ${signedIn.status} ${await signedIn.text()}`)

const KINDS = {
  job: /^\/jobs\/[^/]+$/,
  balance: /^\/jobs\/[^/]+\/balance$/,
  'hand-over': /^\/jobs\/[^/]+\/handover$/,
  labels: /^\/jobs\/[^/]+\/labels$/,
  tag: /^\/jobs\/[^/]+\/tag$/,
  strip: /^\/jobs\/[^/]+\/record$/,
  sheet: /^\/jobs\/[^/]+\/sheet$/,
  record: /^\/procedures\/[^/]+$/,
  vehicle: /^\/vehicles\/[^/]+$/,
  kit: /^\/shop\/kits\/[^/]+$/,
  plan: /^\/plan\?vehicle=/,
}
const seen = new Map()
const broken = []
const FIRST = ['/today', '/procedures', '/plan', '/vehicles', '/figures', '/crew', '/marks', '/strips/new']
const waiting = [...FIRST]
while (waiting.length > 0 && seen.size < 400) {
  const path = waiting.shift()
  if (seen.has(path)) continue
  const answer = await fetch(`${base}${path}`, { headers: { cookie }, redirect: 'manual' })
  const text = await answer.text()
  seen.set(path, answer.status)
  const moved = answer.status === 307 && answer.headers.get('location')?.startsWith('/')
  if (moved) waiting.push(answer.headers.get('location'))
  else if (answer.status !== 200 || text.includes('This screen broke')) broken.push(`${answer.status} ${path}`)
  for (const [, link] of text.matchAll(/href="(\/[^"#]*)"/g))
    if (!/^\/(_next|api|trust|icon)/.test(link)) waiting.push(link.replaceAll('&amp;', '&'))
  const job = /^\/jobs\/[0-9a-f-]{36}/.exec(path)?.[0]
  if (job) {
    waiting.push(...['', '/balance', '/handover', '/labels', '/tag', '/sheet'].map((page) => `${job}${page}`))
    const log = await (await fetch(`${base}/api${job}/events`, { headers: { cookie } })).json()
    if (log.notUnderstood.length > 0) broken.push(`${log.notUnderstood.length} events of ${job} are not understood`)
  }
}
for (const [kind, pattern] of Object.entries(KINDS))
  if (![...seen].some(([path, status]) => pattern.test(path) && status === 200)) broken.push(`no ${kind} was opened`)
const drawn = [...FIRST]
for (const pattern of Object.values(KINDS)) {
  const one = [...seen].find(([path, status]) => pattern.test(path) && status === 200)?.[0]
  if (one && !one.endsWith('/sheet')) drawn.push(one)
}
await drawEach(drawn)
if (broken.length > 0) stop(broken.join('\n'))
console.log(`${seen.size} screens opened, ${drawn.length} of them drawn`)

/** Each as a person sees it: its own scripts run, and read what was stored. */
async function drawEach(paths) {
  const browser = await chromium.launch({ executablePath: BROWSER, args: ['--no-sandbox'] })
  const context = await browser.newContext({ extraHTTPHeaders: { cookie } })
  for (const path of paths) {
    const page = await context.newPage()
    page.on('pageerror', (error) => broken.push(`${path}: ${error.message}`))
    await page.goto(`${base}${path}`, { waitUntil: 'load' })
    await page.getByRole('main').first().waitFor({ timeout: 10_000 })
    await page.waitForTimeout(300)
    const words = await page.locator('body').innerText()
    if (/This screen broke|not understood/i.test(words)) broken.push(`drawn: ${path}`)
    await page.close()
  }
  await browser.close()
}

function stop(words) {
  console.error(words)
  process.exit(1)
}
