import { expect, test } from '@playwright/test'
import { actAs, addPart, lookAround, newContextPage, setUpShop, signIn, someOwner } from './steps'
import { everyAction } from './everyAction'

/** The smallest picture there is: one dot. */
const DOT = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
  'base64',
)

// A stranger from another shop, and somebody who is not signed in, are refused every page, every action and every id.
test('another shop sees and changes nothing', async ({ page, browser }) => {
  test.setTimeout(180_000)
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
  const strip = (await hrefs('/today', /^\/jobs\/[0-9a-f-]{36}\/record$/))[0]!
  const photo = `/api/media/${crypto.randomUUID()}`
  const kept = await page.request.post(`/api/jobs/${jobId}/media/${photo.split('/')[3]}?kind=photo`, {
    headers: { origin: new URL(page.url()).origin, 'content-type': 'image/png' },
    data: DOT,
  })
  expect([kept.status(), (await page.request.get(photo)).status()]).toEqual([200, 200])
  const events = (await (await page.request.get(`/api/jobs/${jobId}/events`)).json()) as {
    events: Record<string, unknown>[]
  }

  const stranger = await newContextPage(browser)
  await setUpShop(stranger, someOwner('Far Shore Radios'))
  for (const href of [
    strip,
    ...procedures,
    ...vehicles,
    ...jobs,
    ...jobs.map((job) => `${job}/balance`),
    ...jobs.map((job) => `${job}/handover`),
  ]) {
    await stranger.goto(href)
    await expect(stranger.getByRole('heading', { name: 'There is nothing here.' })).toBeVisible()
  }
  const headers = { origin: new URL(stranger.url()).origin }
  for (const href of procedures) expect((await stranger.request.get(`${href}/export`)).status()).toBe(404)
  expect((await stranger.request.get(`/api/jobs/${jobId}/events`)).status()).toBe(404)
  const forged = { ...events.events[0], id: crypto.randomUUID() }
  expect(
    (await stranger.request.post(`/api/jobs/${jobId}/events`, { headers, data: { events: [forged] } })).status(),
  ).toBe(404)
  expect((await stranger.request.get(photo)).status()).toBe(404)
  expect((await stranger.request.get(`${photo}?size=small`)).status()).toBe(404)
  expect(
    (
      await stranger.request.post(`/api/jobs/${jobId}/media/${crypto.randomUUID()}?kind=photo`, {
        headers: { ...headers, 'content-type': 'image/png' },
        data: DOT,
      })
    ).status(),
  ).toBe(404)
  await stranger.goto(`/plan?vehicle=${vehicles[0]!.split('/')[2]}`)
  await expect(stranger.getByText('That vehicle is not in your shop.')).toBeVisible()
  for (const path of ['/today', '/procedures', '/vehicles', '/crew', '/strips/new']) {
    await stranger.goto(path)
    await expect(stranger.locator('main')).not.toContainText(/Van 27|Patrol motorcycle|Marit|Saltmarsh/)
  }
  await page.reload()
  const after = (await (await page.request.get(`/api/jobs/${jobId}/events`)).json()) as { events: unknown[] }
  expect(after.events).toHaveLength(events.events.length)

  const nobody = await newContextPage(browser)
  for (const path of [
    '/today',
    '/plan',
    '/crew',
    '/marks',
    '/strips/new',
    strip,
    procedures[0]!,
    vehicles[0]!,
    jobs[0]!,
  ]) {
    await nobody.goto(path)
    await expect(nobody).toHaveURL(/\/welcome$/)
  }
  expect((await nobody.request.get(photo)).status()).toBe(401)
  expect((await nobody.request.get(`/api/jobs/${jobId}/events`)).status()).toBe(401)
  expect(
    (await nobody.request.post(`/api/jobs/${jobId}/events`, { headers, data: { events: [forged] } })).status(),
  ).toBe(401)
  await stranger.context().close()
  await nobody.context().close()
})

test('every action of one shop, sent again by a stranger, changes nothing', async ({ page, browser }) => {
  test.setTimeout(180_000)
  const { sent, procedure, vehicle, job } = await everyAction(page, someOwner('Watched Works'))
  const state = async () => {
    const text = async (path: string) => {
      await page.goto(path)
      // What a page asks the shop for once it stands is part of it.
      if (path === '/today') await expect(page.getByText('This device has no name yet')).toBeVisible()
      return page.locator('main').innerText()
    }
    return [
      await (await page.request.get(`${procedure}/export`)).text(),
      await (await page.request.get(`/api${job}/events`)).text(),
      await text('/procedures'),
      await text('/vehicles'),
      await text(vehicle),
      await text('/crew'),
      await text('/today'),
    ]
  }
  const before = await state()

  const stranger = await newContextPage(browser)
  await setUpShop(stranger, someOwner('Far Shore Radios'))
  for (const { url, headers, body } of sent) {
    const { cookie: _, 'content-length': __, ...kept } = headers
    const answer = await stranger.request.post(url, {
      headers: { ...kept, origin: new URL(url).origin },
      data: body,
      maxRedirects: 0,
    })
    expect([url, answer.status() < 500]).toEqual([url, true])
  }
  // The replays did reach the actions: the one that makes a procedure made one, in the stranger's own shop.
  await stranger.goto('/procedures')
  await expect(stranger.getByRole('link', { name: 'Mixer', exact: true })).toBeVisible()
  expect(await state()).toEqual(before)
  await stranger.context().close()
})

test('posts from another site, oversized ones and events in somebody else’s name are refused', async ({ page }) => {
  await lookAround(page, 'an installer')
  const job = await page.locator('a[href^="/jobs/"]').first().getAttribute('href')
  const address = `/api${job}/events`
  const known = (await (await page.request.get(address)).json()) as {
    events: { personId: string; id: string }[]
    acting: { id: string }
  }
  const { events } = known
  const origin = new URL(page.url()).origin
  expect(
    (await page.request.post(address, { headers: { origin: 'https://elsewhere.invalid' }, data: { events } })).status(),
  ).toBe(403)
  expect((await page.request.post(address, { headers: { origin }, data: 'x'.repeat(5 * 1024 * 1024) })).status()).toBe(
    413,
  )
  const post = async (sent: unknown) => {
    const answer = await page.request.post(address, { headers: { origin }, data: sent as object })
    const said = (await answer.json()) as { stored?: string[]; refused?: object[] }
    return { ...said, status: answer.status() }
  }
  expect((await post({ nonsense: true })).status).toBe(400)
  // Sent twice, stored once; the same number with other contents is refused, and nothing is overwritten.
  expect(await post({ events, each: true })).toMatchObject({
    status: 200,
    stored: events.map(({ id }) => id),
    refused: [],
  })
  expect(((await (await page.request.get(address)).json()) as { events: unknown[] }).events).toEqual(events)
  const odd = [{ nonsense: true }, { ...events[0], certainty: 'assumed' }]
  // A page from before there was an answer event by event is told in the old way.
  expect(await post({ events: odd })).toMatchObject({ status: 409, sentence: expect.stringContaining('can’t be read') })
  expect(await post({ events: odd, each: true })).toMatchObject({
    status: 200,
    stored: [],
    refused: [
      { eventId: '', forGood: true, sentence: expect.stringContaining('can’t be read') },
      { eventId: events[0]!.id, forGood: true, sentence: expect.stringContaining('stored under this number') },
    ],
  })
  // Nobody of this crew; and somebody of it who has not acted on this tablet.
  const foreign = { ...events[0], id: crypto.randomUUID(), personId: crypto.randomUUID() }
  const others = new Set<string>()
  for (const link of await page.locator('a[href^="/jobs/"]').all()) {
    const path = `/api${new URL((await link.getAttribute('href'))!, page.url()).pathname.split('/', 3).join('/')}/events`
    const log = (await (await page.request.get(path)).json()) as typeof known
    for (const { personId } of log.events) if (personId !== known.acting.id) others.add(personId)
  }
  const [other] = others
  expect(other).toBeDefined()
  const absent = { ...events[0], id: crypto.randomUUID(), personId: other }
  expect(await post({ events: [foreign, absent], each: true })).toMatchObject({
    stored: [],
    refused: [
      { forGood: true, sentence: expect.stringContaining('not of this crew') },
      { forGood: false, sentence: expect.stringContaining('has not acted on this tablet') },
    ],
  })
})

test('roles are checked on the server: who acts as an installer is refused even from a page a lead left open', async ({
  page,
  browser,
}) => {
  const owner = someOwner('Two Hats')
  await setUpShop(page, owner)
  await page.goto('/crew')
  await page.getByLabel('Name, as the crew says it').fill('Bo')
  await page.getByLabel('PIN').fill('1357')
  await page.getByRole('button', { name: 'Add to the crew' }).click()
  await expect(page.getByRole('listitem').filter({ hasText: 'Bo' })).toBeVisible()
  // Bo has forgotten the PIN: the owner gives a new one.
  const bo = page.getByRole('listitem').filter({ hasText: 'Bo' })
  await bo.getByRole('button', { name: 'new PIN' }).click()
  await bo.getByLabel('New PIN for Bo').fill('12')
  await bo.getByRole('button', { name: 'Change the PIN' }).click()
  await expect(bo.getByText('A PIN has four to eight digits.')).toBeVisible()
  await bo.getByLabel('New PIN for Bo').fill('8642')
  await bo.getByRole('button', { name: 'Change the PIN' }).click()
  await expect(bo.getByText('The PIN is changed.')).toBeVisible()
  await page.goto('/procedures')
  await page.getByLabel('What is the model called?').fill('Roller')
  await page.getByRole('button', { name: 'Begin the record' }).click()
  await page.waitForURL(/procedures\/[0-9a-f-]{36}/)
  await addPart(page, 'Cap', { fixing: 'rests' })
  const crewPage = await page.context().newPage()
  await crewPage.goto('/crew')
  await crewPage.getByLabel('Name, as the crew says it').fill('Cy')
  await crewPage.getByLabel('PIN').fill('9999')
  // Another window of the same tablet hands it to Bo, an installer. Both pages above still show the owner's buttons.
  const other = await page.context().newPage()
  await other.goto('/today')
  await actAs(other, 'Bo', '8642')
  await page.getByRole('button', { name: 'Publish' }).click()
  await expect(page.getByText('This needs a lead.')).toBeVisible()
  await crewPage.getByRole('button', { name: 'Add to the crew' }).click()
  await expect(crewPage.getByText('This needs the owner.')).toBeVisible()
  const wrong = await newContextPage(browser)
  await signIn(wrong, owner.username, owner.password)
  await wrong
    .locator('header')
    .getByRole('button', { name: /^Ada, / })
    .click()
  await wrong.getByRole('dialog').getByRole('button', { name: 'Bo' }).click()
  await wrong.getByRole('dialog').getByLabel('PIN of Bo').fill('0000')
  await wrong.getByRole('dialog').getByRole('button', { name: 'Bo acts' }).click()
  await expect(wrong.getByText('That is not the PIN.')).toBeVisible()
  await wrong.context().close()
})

test('security headers are set, and no script without the nonce may run', async ({ page }) => {
  const response = await page.goto('/welcome')
  const headers = response!.headers()
  expect(headers['content-security-policy']).toMatch(/script-src 'self' 'nonce-[^']+' 'strict-dynamic'/)
  expect(headers['x-frame-options']).toBe('DENY')
  expect(headers['x-content-type-options']).toBe('nosniff')
  const ran = await page.evaluate(() => {
    const inline = document.createElement('div')
    inline.innerHTML = '<img src="x" onerror="window.injected = true">'
    document.body.append(inline)
    return new Promise((resolve) =>
      setTimeout(() => resolve((window as { injected?: boolean }).injected ?? false), 400),
    )
  })
  expect(ran).toBe(false)
})

test('too many wrong passwords are slowed, whatever the address', async ({ page }) => {
  await page.goto('/welcome')
  const origin = new URL(page.url()).origin
  const username = `guess_${Math.random().toString(36).slice(2, 8)}`
  const statuses: number[] = []
  for (let i = 0; i < 7; i++)
    statuses.push(
      (
        await page.request.post('/api/auth/sign-in/username', {
          headers: { origin },
          data: { username, password: `wrong password ${i}` },
        })
      ).status(),
    )
  expect(statuses.slice(0, 5).every((status) => status === 401)).toBe(true)
  expect(statuses.at(-1)).toBe(429)
})
