import { expect, test, type APIResponse, type Page } from '@playwright/test'
import { seededRandom, type Random } from '../src/core/base/random'
import { everyAction, type SentAction } from './everyAction'
import { someOwner } from './steps'

/** How many odd posts: ISTRUZIONE_FUZZ, or as many as stand in bin/test. */
const POSTS = Number(process.env.ISTRUZIONE_FUZZ ?? 200)
const SEED = Number(process.env.ISTRUZIONE_FUZZ_SEED ?? 20261129)
/** What has not answered by then hangs. */
const HANGS_MS = 20_000

/** What nobody's form sends: nothing, too much, the wrong kind, halves of characters, names that mean something. */
const ODD: unknown[] = [
  ...[null, '', ' ', 'x', 'x'.repeat(100_000), 'a\0b', '\ud800', 'drop table job', '__proto__', '../../etc/passwd'],
  ...[0, -1, 1e308, 0.1, Number.MAX_SAFE_INTEGER + 1, true, [], {}, [[[[]]]], { toString: 1 }, { length: -1 }],
  ...['00000000-0000-0000-0000-000000000000', '9999999999999999-ffff', { __proto__: null, constructor: 1 }],
  deep(3000),
]
function deep(levels: number): unknown {
  let value: unknown = 'deep'
  for (let i = 0; i < levels; i++) value = [value]
  return value
}

/** The same with one place of it made odd, or gone, or there twice. */
function oddly(value: unknown, r: Random): unknown {
  const inside = typeof value === 'object' && value !== null && Object.keys(value).length > 0 && r.chance(0.8)
  if (!inside) return ODD[r.below(ODD.length)]
  const copy = structuredClone(value) as Record<string, unknown>
  const keys = Object.keys(copy)
  const key = keys[r.below(keys.length)]!
  if (Array.isArray(copy) && r.chance(0.1)) copy.push(structuredClone(copy[Number(key)]))
  else if (r.chance(0.1)) delete copy[key]
  else copy[key] = oddly(copy[key], r)
  return copy
}

type Post = { url: string; headers: Record<string, string>; data: string | Buffer }

/** An action's own arguments, one of them odd. What is no list of arguments (a form) is cut in two. */
function oddAction({ url, headers, body }: SentAction, r: Random): Post {
  const { cookie: _, 'content-length': __, ...kept } = headers
  let data: string | Buffer
  try {
    data = JSON.stringify(oddly(JSON.parse(body.toString()), r))
  } catch {
    data = body.subarray(0, r.below(body.length + 1))
  }
  return { url, headers: { ...kept, origin: new URL(url).origin }, data }
}

/** Every door that is no action, with what it is usually sent. */
function routes(origin: string, job: string, procedure: string, event: object): { url: string; usual: object }[] {
  return [
    {
      url: `${origin}/api${job}/events`,
      usual: { events: [event, { ...event, id: crypto.randomUUID() }], each: true },
    },
    {
      url: `${origin}/api/plan`,
      usual: {
        procedureId: procedure.split('/')[2],
        request: { goals: [{ kind: 'cavity', cavityId: 'x' }], build: {} },
      },
    },
    {
      url: `${origin}/api/plan/quotation`,
      usual: {
        vehicleId: crypto.randomUUID(),
        request: { goals: [{ kind: 'cavity', cavityId: 'x' }], build: {} },
        ...{ to: 'Town Works', validDays: 14, note: '' },
      },
    },
    { url: `${origin}/api/auth/sign-in/username`, usual: { username: 'nobody_here', password: 'a wrong password' } },
    { url: `${origin}/api${job}/media/${crypto.randomUUID()}?kind=photo`, usual: {} },
    { url: `${origin}/api${job}/media/${crypto.randomUUID()}?kind=voice`, usual: {} },
  ]
}

/** Addresses that no link leads to. */
const ODD_PATHS = [
  ...['/jobs/x', '/jobs/%00', '/jobs/00000000-0000-0000-0000-000000000000', '/procedures/%ED%A0%80', '/vehicles/x'],
  ...[
    '/api/jobs/x/events',
    '/api/media/%00',
    '/plan?vehicle=%00',
    '/plan?vehicle=x&goal=%ED%A0%80',
    '/procedures?q=%00',
  ],
  ...['/api/health', '/api/procedure-schema', '/procedures/x/export', '/jobs/x/sheet', '/nowhere'],
]

test('nothing odd that is sent to any door breaks it, holds it up, or is half kept', async ({ page }) => {
  test.setTimeout(120_000 + POSTS * 1000)
  const { sent, procedure, vehicle, job, strip } = await everyAction(page, someOwner(`Odd Posts ${SEED}`))
  const origin = new URL(page.url()).origin
  const r = seededRandom(SEED)
  const log = async () =>
    (await (await page.request.get(`/api${job}/events`)).json()) as {
      events: { id: string }[]
      notUnderstood: string[]
    }
  const before = await log()
  const doors = routes(origin, job, procedure, before.events[0]!)
  const broken: string[] = []
  const kept = new Set(before.events.map(({ id }) => id))
  for (let i = 0; i < POSTS; i++) {
    // Signing out, and only that, ends the trial.
    const actions = sent.filter(({ body }) => body.toString() !== '[]')
    const door = doors[r.below(doors.length)]!
    const post: Post = r.chance(0.5)
      ? oddAction(actions[r.below(actions.length)]!, r)
      : {
          url: door.url,
          headers: { origin, 'content-type': 'application/json' },
          data: JSON.stringify(oddly(door.usual, r)),
        }
    const answer = await answered(page, post)
    if (answer.status() >= 500) broken.push(`${answer.status()}, post ${i} ${words(post)}`)
    if (post.url.endsWith('/events') && answer.status() === 200)
      for (const id of ((await answer.json()) as { stored: string[] }).stored) kept.add(id)
  }
  expect(broken).toEqual([])
  for (const path of ODD_PATHS) {
    const answer = await page.request.get(path, { maxRedirects: 0 })
    expect([path, answer.status() < 500]).toEqual([path, true])
  }
  // What was answered as kept is there, nothing else is, and all of it can be read.
  const after = await log()
  expect(after.notUnderstood).toEqual([])
  expect(new Set(after.events.map(({ id }) => id).filter((id) => !kept.has(id))).size).toBe(reopenings(after.events))
  for (const path of [
    '/today',
    job,
    `${job}/balance`,
    `${job}/handover`,
    strip,
    procedure,
    vehicle,
    '/crew',
    '/plan',
  ]) {
    const answer = await page.goto(path)
    expect([path, answer!.status()]).toEqual([path, 200])
    await expect(page.getByText('This screen broke')).toHaveCount(0)
  }
})

/** The shop itself writes that a job was opened again. */
function reopenings(events: readonly object[]): number {
  return events.filter((event) => (event as { what: { kind: string } }).what.kind === 'reopened').length
}

const words = ({ url, headers, data }: Post) =>
  `of seed ${SEED} to ${url}, ${headers['next-action'] ?? ''}: ${data.toString().slice(0, 300)}`

/** Posts as no browser would: nothing is followed, and what does not answer fails the test. */
async function answered(page: Page, { url, headers, data }: Post): Promise<APIResponse> {
  return page.request.post(url, { headers, data, maxRedirects: 0, timeout: HANGS_MS })
}
