import { afterAll, beforeAll, expect, test } from '@jest/globals'
import { panelVan } from '@/demo/panelVan'
import { smallBus } from '@/demo/smallBus'
import { JobEvent, type Happening } from '@/core/job/event'
import { foldJob } from '@/core/job/fold'
import { PlanRequest } from '@/core/plan/ask/planRequest'
import { database } from './database'
import { addFromDesk } from './addFromDesk'
import { appendJobEvents, MOST_EVENTS } from './appendEvents'
import { arrivedOdd } from './arrivedOdd'
import { handOver } from './handOver'
import { eventsAfter, eventsHeld, forgetHeld, lockJob } from './jobEvents'
import { readJob, vehicleOverlay } from './jobs'
import { openJob } from './openJob'
import { endThreads } from './threads'
import { createProcedure } from './draftEdits'
import { inShop, type Crew } from './whoAsks'
import { crewOf, makeShop, somebody } from './shop.testing'
import { countsAs } from '@/core/procedure/circuits'
import { AIRBAG_CIRCUITS } from '@/core/shop/rights'
import { EVENT_VERSION } from '@/core/job/eventVersion'

const lead = somebody('Marit', 'lead')
const installer = somebody('Tolu', 'installer')
const shopId = crypto.randomUUID()
const as = (person: Crew['acting']) => crewOf(shopId, person)
const vehicleId = crypto.randomUUID()
let jobId = ''
let seq = 0

beforeAll(async () => {
  await makeShop(shopId, [lead, installer])
  const procedureId = await createProcedure(as(lead), panelVan())
  await inShop(as(lead), (trx) =>
    trx
      .insertInto('vehicle')
      .values({
        id: vehicleId,
        shop_id: shopId,
        label: 'Van 1',
        plate: '',
        customer: '',
        procedure_id: procedureId,
        build: '{}',
      })
      .execute(),
  )
  jobId = await open()
})
afterAll(async () => {
  await endThreads()
  await database().destroy()
})

async function open(): Promise<string> {
  const outcome = await openJob(as(lead), {
    vehicleId,
    title: 'Radio',
    bay: '',
    promisedAt: null,
    request: PlanRequest.parse({
      goals: [{ kind: 'cavity', cavityId: 'radio-cavity' }],
      build: { starter: 'key', steering: 'left' },
    }),
  })
  if (outcome.status !== 'done') throw new Error(outcome.status)
  return outcome.jobId
}
const event = (what: Happening, person: Crew['acting'] = installer, of = jobId) => {
  seq += 1
  return JobEvent.parse({
    id: crypto.randomUUID(),
    jobId: of,
    v: EVENT_VERSION,
    deviceId: shopId,
    seq,
    at: `0001764000000000-${seq.toString(16).padStart(4, '0')}`,
    personId: person.id,
    what,
  })
}

test('what is told of the vehicle on a job is known of it from then on, and the rest of its build stays', async () => {
  await appendJobEvents(as(installer), jobId, [
    event({ kind: 'facet told', facetId: 'gearbox', choiceId: 'automatic' }),
  ])
  const row = await inShop(as(lead), (trx) =>
    trx.selectFrom('vehicle').select('build').where('id', '=', vehicleId).executeTakeFirstOrThrow(),
  )
  expect(row.build).toEqual({ starter: 'key', steering: 'left', gearbox: 'automatic' })
})

test('only a lead lets a row stand open: an installer’s is refused with a sentence, and what came with it is kept', async () => {
  const accepted: Happening = {
    kind: 'row accepted',
    account: 'tool',
    itemId: 'pry tool',
    asItStood: '{}',
    reason: 'comes back for it',
  }
  const [out, no] = [event({ kind: 'tool out', tool: 'pry tool' }), event(accepted)]
  expect(await appendJobEvents(as(installer), jobId, [no, out])).toEqual({
    status: 'kept',
    stored: [out.id],
    refused: [{ eventId: no.id, sentence: expect.stringContaining('Only a lead'), forGood: true }],
  })
  expect((await eventIds()).filter((id) => id === no.id || id === out.id)).toEqual([out.id])
  expect(await appendJobEvents(as(lead), jobId, [event(accepted, lead)])).toMatchObject({ refused: [] })
})

test('a signature and a lead’s decision count while their person acts: afterwards they wait for the PIN', async () => {
  const ola = await addedPerson('installer')
  // The lead signed this device in; then an installer took it over by PIN.
  const taken: Crew = { ...as(lead), acting: ola }
  const accepted: Happening = { kind: 'row accepted', account: 'tool', itemId: 'x', asItStood: '{}', reason: 'later' }
  const signature: Happening = { kind: 'countersigned', as: 'checker', name: lead.name }
  const sent = [accepted, signature].map((what) => event(what, lead))
  const note = event({ kind: 'noted', itemId: null, text: 'seen before' }, lead)
  const outcome = await appendJobEvents(taken, jobId, [...sent, note])
  expect(outcome).toMatchObject({
    stored: [note.id],
    refused: [
      { forGood: false, sentence: expect.stringContaining('PIN') },
      { forGood: false, sentence: expect.stringContaining('PIN') },
    ],
  })
  expect(await appendJobEvents(as(lead), jobId, sent)).toMatchObject({ refused: [] })
  // Nor does a name typed over a signature make it somebody else’s.
  const forged = event({ kind: 'countersigned', as: 'checker', name: lead.name }, ola)
  expect(await appendJobEvents(taken, jobId, [forged])).toMatchObject({
    refused: [{ forGood: true, sentence: expect.stringContaining('another name') }],
  })
})

test('what somebody did before they left arrives marked, from whatever device, and keeps nothing back', async () => {
  const ola = await addedPerson('installer')
  await inShop(as(lead), (trx) => trx.updateTable('crew').set({ active: false }).where('id', '=', ola.id).execute())
  const [undone, signature, next] = [
    event({ kind: 'noted', itemId: null, text: 'a clip lies under the seat' }, ola),
    event({ kind: 'countersigned', as: 'installer', name: ola.name }, ola),
    event({ kind: 'noted', itemId: null, text: 'of somebody who is here' }),
  ]
  const nobody = event({ kind: 'noted', itemId: null, text: 'x' }, { ...ola, id: crypto.randomUUID() })
  expect(await appendJobEvents(as(installer), jobId, [undone, signature, nobody, next])).toMatchObject({
    stored: [undone.id, next.id],
    refused: [
      { eventId: signature.id, forGood: true, sentence: expect.stringContaining('no longer in the crew') },
      { eventId: nobody.id, forGood: true, sentence: expect.stringContaining('not of this crew') },
    ],
  })
  const marked = await arrivedOdd(as(lead))
  expect(marked).toEqual([expect.objectContaining({ jobId, person: ola.name, mark: 'had left', count: 1 })])
})

test('an airbag plug that somebody not authorised opened is open all the same, and a lead is shown it', async () => {
  const document = smallBus()
  const job = crypto.randomUUID()
  const authorised = somebody('Aino', 'installer')
  const row = { shop_id: shopId, pin_hash: 'x', user_id: null, pin_locked_until: null, role: 'installer' } as const
  await inShop(as(lead), (trx) =>
    trx
      .insertInto('crew')
      .values({ ...row, id: authorised.id, name: authorised.name, authorised: [AIRBAG_CIRCUITS] })
      .execute(),
  )
  const procedureId = await createProcedure(as(lead), document)
  await inShop(as(lead), (trx) =>
    trx
      .insertInto('job')
      .values({
        ...{ id: job, shop_id: shopId, vehicle_id: vehicleId, procedure_id: procedureId, revision_id: null },
        ...{ draft_document: JSON.stringify(document), title: 'Camera', promised_at: null, request: null },
        ...{ found_plan: null, created_by: lead.id, handed_over_at: null, kind: 'strip' as const },
      })
      .execute(),
  )
  const plug = (isFiring: boolean) =>
    document.tethers.find((tether) => (countsAs(tether) === 'srs-firing') === isFiring)!.id
  const sent = [
    event({ kind: 'opened', tetherId: plug(true) }, installer, job),
    event({ kind: 'opened', tetherId: plug(false) }, installer, job),
    event({ kind: 'noted', itemId: plug(true), text: 'the yellow one' }, installer, job),
  ]
  const outcome = await appendJobEvents(as(installer), job, sent)
  expect(outcome).toMatchObject({ stored: sent.map(({ id }) => id), refused: [] })
  const closed = event({ kind: 'closed', tetherId: plug(true) }, authorised, job)
  expect(await appendJobEvents(as(authorised), job, [closed])).toMatchObject({ stored: [closed.id] })
  expect((await arrivedOdd(as(lead))).filter(({ jobId: of }) => of === job)).toMatchObject([
    { person: installer.name, mark: 'not authorised', count: 1 },
  ])
  // A plug that nobody knew, stated and opened in one post.
  const known = document.tethers.find((tether) => countsAs(tether) === 'srs-firing')!
  const stated: Happening = {
    kind: 'stated',
    said: '',
    edits: [{ kind: 'add', collection: 'tethers', after: null, item: { ...known, id: 'another' } }],
  }
  const caught = [stated, { kind: 'opened', tetherId: 'another' } as const].map((what) => event(what, installer, job))
  expect(await appendJobEvents(as(installer), job, caught)).toMatchObject({ stored: caught.map(({ id }) => id) })
  expect((await arrivedOdd(as(lead))).filter(({ jobId: of }) => of === job)).toMatchObject([{ count: 2 }])
})

test.each<Happening>([
  { kind: 'note settled', noteId: shopId },
  { kind: 'proposal declined', collection: 'holders', itemId: 'surround-t20', field: 'count' },
])('a lead decides at the desk, an installer’s post is refused: $kind', async (what) => {
  expect(await refusalOf(event(what))).toContain('Only a lead')
  expect(await addFromDesk(as(installer), jobId, what)).toContain('Only a lead')
  expect(await addFromDesk(as(lead), jobId, what)).toBeNull()
})

test.each([
  ['is no event at all', () => 'a clip', 'can’t be read'],
  ['is of a kind nobody knows', () => ({ ...event({ kind: 'taken back' }), what: { kind: 'sung' } }), 'can’t be read'],
  ['is of another job', () => event({ kind: 'taken back' }, installer, shopId), 'another job'],
  ['hands over by itself', () => event({ kind: 'handed over' }), 'hand-over page'],
  ['opens a job again by itself', () => event({ kind: 'reopened', arrived: 1 }), 'hand-over page'],
  ['comes from a clock far ahead', () => ({ ...event({ kind: 'taken back' }), at: '9999999999999999-ffff' }), 'clock'],
] as [string, () => unknown, string][])(
  'what %s is refused for good, with a sentence, and what follows it is stored',
  async (_, sent, sentence) => {
    const next = event({ kind: 'noted', itemId: null, text: 'goes on' })
    const outcome = await appendJobEvents(as(installer), jobId, [sent(), next])
    expect(outcome).toMatchObject({ stored: [next.id], refused: [{ forGood: true }] })
    expect(outcome.status === 'kept' && outcome.refused[0]!.sentence).toContain(sentence)
  },
)

test('somebody who has not acted on this tablet: it waits there until the PIN is entered, and nobody else does', async () => {
  const [theirs, mine] = [event({ kind: 'noted', itemId: null, text: 'hers' }, lead), event({ kind: 'taken back' })]
  const outcome = await appendJobEvents(as(installer), jobId, [theirs, mine])
  expect(outcome).toMatchObject({ stored: [mine.id], refused: [{ eventId: theirs.id, forGood: false }] })
})

test('half characters and NUL in a text are cleaned, and sent again it is the same event', async () => {
  const odd = { ...event({ kind: 'taken back' }), what: { kind: 'noted', itemId: null, text: 'a\ud800b\0c' } }
  for (let i = 0; i < 2; i++)
    expect(await appendJobEvents(as(installer), jobId, [odd])).toEqual({
      status: 'kept',
      stored: [odd.id],
      refused: [],
    })
  const kept = (await readJob(as(lead), jobId))!.events.find(({ id }) => id === odd.id)
  expect(kept?.what).toMatchObject({ text: 'a\ufffdbc' })
})

test('an id in capitals is the same id; under an id that is taken nothing else is stored', async () => {
  const first = event({ kind: 'noted', itemId: null, text: 'first' })
  const other = { ...first, what: { kind: 'noted', itemId: null, text: 'second' } }
  const capitals = { ...first, id: first.id.toUpperCase() }
  expect(await appendJobEvents(as(installer), jobId, [first, capitals, other])).toMatchObject({
    stored: [first.id],
    refused: [{ eventId: first.id, forGood: true }],
  })
  expect(await appendJobEvents(as(installer), jobId, [capitals])).toMatchObject({ stored: [first.id], refused: [] })
  expect(await refusalOf(other as JobEvent)).toContain('stored under this number')
})

test('an event of an earlier version, sent again after the tablet was brought up, is the same event', async () => {
  const old = { ...event({ kind: 'noted', itemId: null, text: 'from an old tablet' }), v: 1 }
  await store(jobId, old)
  expect(await appendJobEvents(as(installer), jobId, [old])).toMatchObject({ stored: [old.id], refused: [] })
  expect((await readJob(as(lead), jobId))!.events.find(({ id }) => id === old.id)!.v).toBe(EVENT_VERSION)
})

test('what a newer program wrote is left where it is: the rest is read, and the vehicle is not handed over by it', async () => {
  const job = await signed()
  const newer = { ...event({ kind: 'taken back' }, installer, job), what: { kind: 'weighed', massKg: 3 } }
  await store(job, newer)
  expect(await readJob(as(lead), job)).toMatchObject({ notUnderstood: [newer.id], events: { length: 2 } })
  expect(await eventsAfter(as(lead), job, 0)).toMatchObject({ notUnderstood: [newer.id] })
  expect(await handOver(as(lead), job)).toMatchObject({
    status: 'blocked',
    blocks: [{ kind: 'not understood', count: 1 }],
  })
})

/** Somebody new in the crew. */
async function addedPerson(role: Crew['acting']['role']): Promise<Crew['acting']> {
  const person = { ...somebody(`Ola ${crypto.randomUUID().slice(0, 6)}`, role) }
  await inShop(as(lead), (trx) =>
    trx
      .insertInto('crew')
      .values({
        id: person.id,
        shop_id: shopId,
        name: person.name,
        role,
        pin_hash: 'x',
        user_id: null,
        pin_locked_until: null,
      })
      .execute(),
  )
  return person
}
/** A job that both have signed for, with nothing in the way. */
async function signed(): Promise<string> {
  const job = await open()
  const by = (role: 'installer' | 'checker', who: Crew['acting']) =>
    event({ kind: 'countersigned', as: role, name: who.name }, who, job)
  await appendJobEvents(as(installer), job, [by('installer', installer)])
  await appendJobEvents(as(lead), job, [by('checker', lead)])
  return job
}
/** Puts an event into the log past the door, as an older or a newer program would have. */
async function store(job: string, body: { id: string; personId: string; at: string }): Promise<void> {
  const row = { id: body.id, shop_id: shopId, job_id: job, person_id: body.personId, at: body.at }
  await inShop(as(lead), (trx) =>
    trx
      .insertInto('job_event')
      .values({ ...row, body: JSON.stringify(body) })
      .execute(),
  )
}
const eventIds = async () => (await readJob(as(lead), jobId))!.events.map(({ id }) => id)
const handedOverAt = async (job: string) => (await readJob(as(lead), job))!.handedOverAt
async function refusalOf(sent: JobEvent): Promise<string | undefined> {
  const outcome = await appendJobEvents(as(installer), sent.jobId, [sent])
  return outcome.status === 'kept' ? outcome.refused[0]?.sentence : outcome.status
}

test('what arrives while the gate is looked at keeps the vehicle from being handed over, whoever was first', async () => {
  const other = await signed()
  expect(await handOver(as(lead), other)).toEqual({ status: 'done' })
  const of = await signed()
  const opened = event({ kind: 'opened', tetherId: 'main' }, installer, of)
  let arrived = () => {}
  const mayCommit = new Promise<void>((resolve) => (arrived = resolve))
  // A post that has stored its event and is not through yet.
  const posting = inShop(as(installer), async (trx) => {
    await lockJob(trx, of)
    await trx
      .insertInto('job_event')
      .values({
        id: opened.id,
        shop_id: shopId,
        job_id: of,
        person_id: installer.id,
        at: opened.at,
        body: JSON.stringify(opened),
      })
      .execute()
    await mayCommit
  })
  const handing = handOver(as(lead), of)
  const first = await Promise.race([
    handing.then(() => 'handed over'),
    new Promise((r) => setTimeout(() => r('waits'), 300)),
  ])
  arrived()
  await posting
  expect(first).toBe('waits')
  expect((await handing).status).toBe('blocked')
})

test('a job whose plan a newer program wrote is shown, says so, and is not handed over; an order alone is found anew', async () => {
  const job = await signed()
  const write = (part: 'request' | 'found_plan') =>
    inShop(as(lead), (trx) =>
      trx
        .updateTable('job')
        .set({ [part]: JSON.stringify({ v: 99, otherwise: true }) })
        .where('id', '=', job)
        .execute(),
    )
  await write('found_plan')
  expect(await readJob(as(lead), job)).toMatchObject({ found: null, notUnderstood: [] })
  await write('request')
  expect(await readJob(as(lead), job)).toMatchObject({ request: null, notUnderstood: ['request'] })
  const outcome = await handOver(as(lead), job)
  expect(outcome).toMatchObject({ status: 'blocked' })
  if (outcome.status === 'blocked') expect(outcome.blocks).toContainEqual({ kind: 'not understood', count: 1 })
})

test('four who hand over at once make one hand-over', async () => {
  const job = await signed()
  const all = await Promise.all(Array.from({ length: 4 }, () => handOver(as(lead), job)))
  expect(all).toEqual(Array(4).fill({ status: 'done' }))
  const kinds = (await readJob(as(lead), job))!.events.map(({ what }) => what.kind)
  expect(kinds.filter((kind) => kind === 'handed over')).toHaveLength(1)
})

test('what was done before a hand-over and arrives after it opens the job again, visibly, and signatures are asked anew', async () => {
  const job = await signed()
  // On a tablet that was out of reach, before anybody signed.
  const early = { ...event({ kind: 'opened', tetherId: 'main' }, installer, job), at: '0001764000000000-0000' }
  await handOver(as(lead), job)
  expect(await handedOverAt(job)).not.toBeNull()
  await appendJobEvents(as(installer), job, [
    early,
    event({ kind: 'noted', itemId: null, text: '' + 1 }, installer, job),
  ])
  const { events, document, handedOverAt: at } = (await readJob(as(lead), job))!
  expect(at).toBeNull()
  expect(events.at(-1)!.what).toEqual({ kind: 'reopened', arrived: 1 })
  expect(foldJob(document, events)).toMatchObject({
    handedOver: null,
    signatures: [],
    handedOverBefore: { personId: lead.id },
  })
  expect(await handOver(as(lead), job)).toMatchObject({ status: 'blocked' })
})
test('a note that arrives late leaves a hand-over as it is; taking back what was fitted does not', async () => {
  const job = await open()
  const closed = event({ kind: 'closed', tetherId: 'main' }, installer, job)
  await appendJobEvents(as(installer), job, [event({ kind: 'opened', tetherId: 'main' }, installer, job), closed])
  const test_ = event({ kind: 'tested', functionId: 'x', result: 'passed', reading: '', note: '' }, installer, job)
  await appendJobEvents(as(installer), job, [test_])
  await inShop(as(lead), (trx) =>
    trx.updateTable('job').set({ handed_over_at: new Date() }).where('id', '=', job).execute(),
  )
  await appendJobEvents(as(installer), job, [event({ kind: 'noted', itemId: null, text: 'late' }, installer, job)])
  expect(await handedOverAt(job)).not.toBeNull()
  const undo = { ...event({ kind: 'taken back' }, installer, job), corrects: closed.id }
  await appendJobEvents(as(installer), job, [undo])
  expect(await handedOverAt(job)).toBeNull()
})

test('tablets that ask while others write are told of every event, whoever wrote many at once', async () => {
  const job = await open()
  const note = (text: string) => event({ kind: 'noted', itemId: null, text }, installer, job)
  const seen = new Set<string>()
  let [upTo, writing] = [0, true]
  const ask = async () => {
    const fresh = (await eventsAfter(as(lead), job, upTo))!
    for (const { id } of fresh.events) seen.add(id)
    upTo = fresh.upTo
  }
  const asking = (async () => {
    while (writing) await ask()
  })()
  const write = async (posts: number, size: number) => {
    for (let i = 0; i < posts; i++)
      await appendJobEvents(
        as(installer),
        job,
        Array.from({ length: size }, () => note(`${size}, ${i}`)),
      )
  }
  await Promise.all([write(8, 200), write(60, 1), write(60, 1)])
  writing = false
  await asking
  await ask()
  expect(seen.size).toBe(8 * 200 + 120)
})

test('another tablet asks for what arrived after a place, and misses nothing', async () => {
  const all = (await eventsAfter(as(lead), jobId, 0))!
  expect(all.events.map(({ id }) => id)).toEqual((await readJob(as(lead), jobId))!.events.map(({ id }) => id))
  const late = event({ kind: 'undone', holderId: 'climate-clips', count: 6 })
  await appendJobEvents(as(installer), jobId, [late])
  const fresh = (await eventsAfter(as(lead), jobId, all.upTo))!
  expect(fresh.events.map(({ id }) => id)).toContain(late.id)
  expect(fresh.upTo).toBeGreaterThan(all.upTo)
  expect(await eventsAfter({ ...as(lead), shopId: crypto.randomUUID() }, jobId, 0)).toBeNull()
})

test('what was told of a build is taken back with its event, and the later word holds, whichever arrives first', async () => {
  const tell = (choiceId: string, at: number) => ({
    ...event({ kind: 'facet told', facetId: 'gearbox', choiceId }),
    at: `${String(Date.now() + at).padStart(16, '0')}-0000`,
  })
  const build = async () =>
    (
      await inShop(as(lead), (trx) =>
        trx.selectFrom('vehicle').select('build').where('id', '=', vehicleId).executeTakeFirstOrThrow(),
      )
    ).build
  const [early, late] = [tell('manual', 1000), tell('automatic', 2000)]
  await appendJobEvents(as(installer), jobId, [late])
  await appendJobEvents(as(installer), jobId, [early])
  expect(await build()).toMatchObject({ gearbox: 'automatic' })
  await appendJobEvents(as(installer), jobId, [{ ...event({ kind: 'taken back' }), corrects: late.id }])
  expect(await build()).toMatchObject({ gearbox: 'manual', starter: 'key', steering: 'left' })
})
test('three that tell at once are all heard', async () => {
  for (let round = 0; round < 5; round++) {
    const facets = [0, 1, 2].map((n) => `facet-${round}-${n}`)
    const jobs = await Promise.all(facets.map(() => open()))
    await Promise.all(
      facets.map((facetId, n) =>
        appendJobEvents(as(installer), jobs[n]!, [
          event({ kind: 'facet told', facetId, choiceId: 'yes' }, installer, jobs[n]),
        ]),
      ),
    )
    const { build } = await inShop(as(lead), (trx) =>
      trx.selectFrom('vehicle').select('build').where('id', '=', vehicleId).executeTakeFirstOrThrow(),
    )
    expect(build).toMatchObject(Object.fromEntries(facets.map((facetId) => [facetId, 'yes'])))
  }
})

test('what a job found on a vehicle is known when the next one is opened, and not to the job itself', async () => {
  await appendJobEvents(as(installer), jobId, [
    event({ kind: 'as found', holderId: 'surround-clips', what: 'missing', count: 2, note: '' }),
  ])
  const next = await open()
  expect((await vehicleOverlay(as(lead), vehicleId, next)).holders.get('surround-clips')).toEqual({
    missing: 2,
    extra: 0,
  })
  expect((await vehicleOverlay(as(lead), vehicleId, jobId)).holders.size).toBe(0)
  expect(foldJob(panelVan(), (await readJob(as(lead), next))!.events).history).toEqual([])
})

test('a job that is full takes no more, and still knows what it has', async () => {
  const full = await open()
  const note = (i: number) => event({ kind: 'noted', itemId: null, text: `${i}` }, installer, full)
  const first = note(0)
  await appendJobEvents(as(installer), full, [first])
  // Most of them past the door: it takes five hundred at a time.
  const filling = Array.from({ length: MOST_EVENTS - 2 }, (_, i) => note(i))
  const row = { shop_id: shopId, job_id: full, person_id: installer.id }
  for (let at = 0; at < filling.length; at += 2000)
    await inShop(as(lead), (trx) =>
      trx
        .insertInto('job_event')
        .values(filling.slice(at, at + 2000).map((e) => ({ ...row, id: e.id, at: e.at, body: JSON.stringify(e) })))
        .execute(),
    )
  forgetHeld(full)
  const [last, tooMany] = [note(1), note(2)]
  expect(await appendJobEvents(as(installer), full, [last])).toMatchObject({ stored: [last.id], refused: [] })
  expect(await appendJobEvents(as(installer), full, [first, tooMany])).toMatchObject({
    stored: [first.id],
    refused: [{ eventId: tooMany.id, forGood: true, sentence: expect.stringContaining('another job') }],
  })
})

test('a post that breaks again and again fills no job: only what is stored is counted', async () => {
  const job = await open()
  const first = event({ kind: 'noted', itemId: null, text: 'counted' }, installer, job)
  await appendJobEvents(as(installer), job, [first])
  const before = await inShop(as(lead), (trx) => eventsHeld(trx, job))
  // The vehicle's build can't be folded: the whole post is taken back.
  const breaks = event({ kind: 'facet told', facetId: 'gearbox', choiceId: 'manual' }, installer, job)
  await inShop(as(lead), (trx) =>
    trx.updateTable('vehicle').set({ said_build: '[1]' }).where('id', '=', vehicleId).execute(),
  )
  await expect(appendJobEvents(as(installer), job, [breaks])).rejects.toThrow()
  expect(await inShop(as(lead), (trx) => eventsHeld(trx, job))).toBe(before)
})
