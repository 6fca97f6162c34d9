import 'fake-indexeddb/auto'
import { expect, test } from '@jest/globals'
import { JobEvent } from '@/core/job/event'
import { JobLog } from './jobLog'
import type { Send } from './outbox'
import { JobStore } from './jobStore'
import { troubleWords } from '@/words/savedWords'
import { OUT_OF_ORDER_SHORT } from '@/words/refusals'

const JOB = '11111111-1111-4111-8111-111111111111'
const TOLU = '22222222-2222-4222-8222-222222222222'
const DEVICE = '33333333-3333-4333-8333-333333333333'
const CLIP = { kind: 'undone', holderId: 'clips', count: 9 } as const

function shop(): { send: Send; stored: Map<string, JobEvent>; reachable: boolean } {
  const it = {
    stored: new Map<string, JobEvent>(),
    reachable: true,
    send: (async (events) => {
      if (!it.reachable) return { kind: 'offline' }
      for (const event of events) it.stored.set(event.id, event)
      return { kind: 'answered', stored: events.map((event) => event.id), refused: [] }
    }) as Send,
  }
  return it
}
/** Waits until the fake store and the fake shop have done what is expected of them, however busy the machine is. */
async function until(isSo: () => boolean): Promise<void> {
  for (let tries = 0; !isSo() && tries < 400; tries++) await new Promise((resolve) => setTimeout(resolve, 10))
  expect(isSo()).toBe(true)
}
/** All that was tapped is kept on the device or given up on, and sending has been tried. */
const written = (log: JobLog) => () => log.getSnapshot().writing === 0
const sent = (log: JobLog) => () => log.getSnapshot().waiting.size === 0
const troubled = (log: JobLog) => () => log.getSnapshot().trouble !== null
let shops = 0
const freshStore = () => new JobStore(`shop-${++shops}`)

test('an event shows at once, is kept on the device, then is in the shop', async () => {
  const s = shop()
  const log = new JobLog(JOB, freshStore(), s.send, () => 1000, DEVICE, [])
  await log.open()
  const [event] = log.append(TOLU, [CLIP])
  expect(log.getSnapshot().events).toHaveLength(1)
  expect(log.getSnapshot().waiting.has(event!.id)).toBe(true)
  await until(sent(log))
  expect(log.getSnapshot().waiting.size).toBe(0)
  expect(s.stored.has(event!.id)).toBe(true)
})

test('what was kept while the shop was away is found again after the browser died, and is sent once', async () => {
  const s = shop()
  s.reachable = false
  const store = freshStore()
  const first = new JobLog(JOB, store, s.send, () => 1000, DEVICE, [])
  await first.open()
  first.append(TOLU, [CLIP, { ...CLIP, holderId: 'screws' }])
  await until(troubled(first))
  expect(first.getSnapshot().trouble).toEqual({ kind: 'offline' })

  s.reachable = true
  const second = new JobLog(JOB, store, s.send, () => 500, DEVICE, [])
  await second.open()
  await until(sent(second))
  expect(s.stored.size).toBe(2)
  expect(second.getSnapshot().waiting.size).toBe(0)
  const [later] = second.append(TOLU, [CLIP])
  // The clock of this device was set back: the new event still comes after those it has seen, with a higher number.
  expect(later!.at > [...s.stored.values()][1]!.at).toBe(true)
  expect(later!.seq).toBe(3)
})

test('before the parser is there a tap is kept as it is; from then on words are trimmed, and what no event may be is not kept', async () => {
  const log = new JobLog(JOB, freshStore(), shop().send, () => 1000, DEVICE, [])
  expect(log.append(TOLU, [CLIP])[0]!.what).toEqual(CLIP)
  log.checkBy((event) => JobEvent.parse(event))
  expect(log.append(TOLU, [{ kind: 'noted', itemId: null, text: '  a hook behind the vent ' }])[0]!.what).toMatchObject(
    { text: 'a hook behind the vent' },
  )
  expect(() => log.append(TOLU, [{ kind: 'noted', itemId: null, text: '  ' }])).toThrow('A note needs words.')
  expect(log.getSnapshot().events).toHaveLength(2)
})

test('a refusal is told in its own words and nothing is dropped', async () => {
  const send: Send = async () => ({ kind: 'held', sentence: 'Tap the name and enter the PIN once.' })
  const log = new JobLog(JOB, freshStore(), send, () => 1000, DEVICE, [])
  await log.open()
  log.append(TOLU, [CLIP])
  await until(troubled(log))
  expect(log.getSnapshot()).toMatchObject({
    trouble: { kind: 'held', sentence: 'Tap the name and enter the PIN once.' },
  })
  expect(log.getSnapshot().waiting.size).toBe(1)
})

test('trouble stands until the shop has taken something, whatever is tapped meanwhile', async () => {
  const s = shop()
  s.reachable = false
  const log = new JobLog(JOB, freshStore(), s.send, () => 1000, DEVICE, [])
  await log.open()
  log.append(TOLU, [CLIP])
  await until(troubled(log))
  log.append(TOLU, [{ ...CLIP, holderId: 'screws' }])
  expect(log.getSnapshot().trouble).toEqual({ kind: 'offline' })
  await until(written(log))
  s.reachable = true
  await log.flush()
  expect(log.getSnapshot()).toMatchObject({ trouble: null, keeps: true })
})

test('a device that keeps nothing says so, sends at once, and is not said to be writing for ever', async () => {
  const s = shop()
  const store = freshStore()
  let full = true
  const keep = store.keep.bind(store)
  store.keep = (events) => (full ? Promise.reject(new Error('The disk is full.')) : keep(events))
  const log = new JobLog(JOB, store, s.send, () => 1000, DEVICE, [])
  await log.open()
  const [lost] = log.append(TOLU, [CLIP])
  await until(sent(log))
  expect(log.getSnapshot()).toMatchObject({ keeps: false, writing: 0, trouble: null })
  expect(s.stored.has(lost!.id)).toBe(true)
  // Another tap that comes in from the shop does not make it well again; one that is kept does.
  log.receive([{ ...lost!, id: crypto.randomUUID() }])
  expect(log.getSnapshot().keeps).toBe(false)
  full = false
  log.append(TOLU, [CLIP])
  await until(() => log.getSnapshot().keeps)
  expect(log.getSnapshot().keeps).toBe(true)
})

test('taking back adds events that correct the earlier ones, last first', async () => {
  const log = new JobLog(JOB, freshStore(), shop().send, () => 1000, DEVICE, [])
  const made = log.append(TOLU, [CLIP, { ...CLIP, holderId: 'screws' }])
  log.takeBack(
    TOLU,
    made.map((event) => event.id),
  )
  expect(
    log
      .getSnapshot()
      .events.slice(2)
      .map((event) => event.corrects),
  ).toEqual([made[1]!.id, made[0]!.id])
})

/** A shop that refuses what speaks of one of these groups, for good or until somebody has done something. */
function choosy(refuses: string, forGood: boolean) {
  const it = { stored: [] as string[], posts: 0, open: false }
  const send: Send = async (events) => {
    it.posts += 1
    const no = (event: JobEvent) => !it.open && 'holderId' in event.what && event.what.holderId === refuses
    const taken = events.filter((event) => !no(event)).map(({ id }) => id)
    it.stored.push(...taken)
    const refused = events.filter(no).map(({ id }) => ({ eventId: id, sentence: 'Not that one.', forGood }))
    return { kind: 'answered', stored: taken, refused }
  }
  return { it, send }
}
const of = (holderId: string) => ({ ...CLIP, holderId })

test('what is refused for good keeps nothing behind it back, is not sent again, and is found again after the browser died', async () => {
  const { it, send } = choosy('ghost', true)
  const store = freshStore()
  const log = new JobLog(JOB, store, send, () => 1000, DEVICE, [])
  await log.open()
  const [ghost, after] = log.append(TOLU, [of('ghost'), of('clips')])
  await until(sent(log))
  expect(it.stored).toEqual([after!.id])
  expect(log.getSnapshot()).toMatchObject({ trouble: null, refused: new Map([[ghost!.id, 'Not that one.']]) })
  const posts = it.posts
  await log.flush()
  expect(it.posts).toBe(posts)
  const again = new JobLog(JOB, store, send, () => 1000, DEVICE, [])
  await again.open()
  expect([...again.getSnapshot().refused]).toEqual([[ghost!.id, 'Not that one.']])
  await again.discard([ghost!.id, after!.id])
  // Only what was refused can be dropped.
  expect(again.getSnapshot()).toMatchObject({ refused: new Map(), events: [] })
  const last = new JobLog(JOB, store, send, () => 1000, DEVICE, [])
  await last.open()
  expect(last.getSnapshot().events).toEqual([])
})

test('what somebody has to allow first waits, the rest passes, and it goes once it is allowed', async () => {
  const { it, send } = choosy('hers', false)
  const log = new JobLog(JOB, freshStore(), send, () => 1000, DEVICE, [])
  await log.open()
  const [hers, mine] = log.append(TOLU, [of('hers'), of('clips')])
  await until(troubled(log))
  expect(it.stored).toEqual([mine!.id])
  expect(log.getSnapshot()).toMatchObject({
    trouble: { kind: 'held', sentence: 'Not that one.' },
    refused: new Map(),
    waiting: new Set([hers!.id]),
  })
  it.open = true
  await log.flush()
  expect(log.getSnapshot()).toMatchObject({ trouble: null, waiting: new Set() })
})

test('one event that the shop fails at keeps none of the others back: they go one by one', async () => {
  const stored: string[] = []
  const send: Send = async (events) => {
    if (events.some(({ what }) => 'holderId' in what && what.holderId === 'poison')) return { kind: 'failed' }
    stored.push(...events.map(({ id }) => id))
    return { kind: 'answered', stored: events.map(({ id }) => id), refused: [] }
  }
  const log = new JobLog(JOB, freshStore(), send, () => 1000, DEVICE, [])
  await log.open()
  const [one, poison, two] = log.append(TOLU, [of('a'), of('poison'), of('b')])
  await until(troubled(log))
  expect(stored).toEqual([one!.id, two!.id])
  expect(log.getSnapshot()).toMatchObject({ trouble: { kind: 'failed' }, waiting: new Set([poison!.id]) })
})

test('a shop whose machine lacks something is not asked event by event, and says what it lacks', async () => {
  const posts: number[] = []
  const send: Send = async (events) => {
    posts.push(events.length)
    return { kind: 'out of order', sentence: OUT_OF_ORDER_SHORT.room }
  }
  const log = new JobLog(JOB, freshStore(), send, () => 1000, DEVICE, [])
  await log.open()
  log.append(TOLU, [of('a'), of('b'), of('c')])
  await until(troubled(log))
  expect(posts).toEqual([3])
  expect(log.getSnapshot().waiting.size).toBe(3)
  const said = (keeps: boolean) => troubleWords(log.getSnapshot().trouble!, keeps)
  expect(said(true)).toBe('The shop’s disk is full. Go on: all is kept here.')
  expect(said(false)).toContain('Leave this page open')
})

test('the stamp of a refused tap from a clock far ahead does not drag along what is tapped next', async () => {
  const { send } = choosy('ghost', true)
  let now = 9_999_999_999_999
  const log = new JobLog(JOB, freshStore(), send, () => now, DEVICE, [])
  await log.open()
  const [ghost] = log.append(TOLU, [of('ghost')])
  await until(() => log.getSnapshot().refused.size > 0)
  now = 1000
  // Whether or not somebody has let it go yet.
  expect(log.append(TOLU, [CLIP])[0]!.at).toBe('0000000000001000-0000')
  await log.discard([ghost!.id])
  expect(log.append(TOLU, [CLIP])[0]!.at).toBe('0000000000001000-0001')
})

test('what a newer program wrote is counted once, whoever tells of it, and what it kept here is not sent', async () => {
  const store = freshStore()
  await store.keep([{ ...new JobLog(JOB, store, shop().send, () => 1, DEVICE, []).append(TOLU, [CLIP])[0]!, id: 'x' }])
  const s = shop()
  const log = new JobLog(JOB, store, s.send, () => 1000, DEVICE, [])
  await log.open()
  log.receive([], ['later-1', 'later-2'])
  log.receive([], ['later-2'])
  expect([...log.getSnapshot().notUnderstood]).toEqual(['x', 'later-1', 'later-2'])
  expect([...s.stored.values()].map(({ id }) => id)).not.toContain('x')
})

test('two that ask at once for the id of a new device are given the same one', async () => {
  shops += 1
  const [one, two] = [new JobStore(`shop-${shops}`), new JobStore(`shop-${shops}`)]
  const ids = await Promise.all([one.deviceId(DEVICE), two.deviceId(TOLU), one.deviceId(JOB)])
  expect(new Set(ids).size).toBe(1)
  expect(await two.deviceId(JOB)).toBe(ids[0])
})
