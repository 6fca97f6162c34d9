import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { nextStamp, wallMsOf } from '../base/clock'
import type { Stamp } from '../base/stamp'
import { Kit } from '../shop/kit'
import { KitFit } from '../shop/kitFit'
import { forBuild } from '../procedure/forBuild'
import { planJob } from '../plan/planJob'
import { allCards, allSteps, type PlanOnCards } from '../plan/show/planOnCards'
import { PlanRequest } from '../plan/ask/planRequest'
import { DEFAULT_HOUSE_VALUES } from '../shop/houseValues'
import { whilePlanning } from '../vehicle/circumstances'
import { powerGate } from '../vehicle/powerGate'
import { rulesInForce } from '../vehicle/rulesInForce'
import { leaveGate } from './leaveGate'
import { liveCircumstances, liveVehicle } from './liveVehicle'
import { confirmationsOf, stripsOf } from './strips'
import { balanceOf } from './balance'
import { JobEvent, type Happening } from './event'
import { foldJob } from './fold'
import { NO_WORK } from './workSteps'
import { handoverBlocks } from './handover'
import { PLAIN_TERMS, termsOf, testsOwed } from './terms'
import { delayLeft, happeningsFor, isDone, nextStep, nextTap, toBeCounted } from './progress'
import { panelVan } from '../testing/vehicles.testing'
import { EVENT_VERSION } from './eventVersion'

const van = panelVan()
const build = { gearbox: 'automatic', starter: 'key', steering: 'left' }
const request = PlanRequest.parse({ goals: [{ kind: 'cavity', cavityId: 'radio-cavity' }], build })
const planned = planJob(forBuild(van, build), request, DEFAULT_HOUSE_VALUES)
if (!planned.ok) throw new Error('The van has a plan.')
const plan: PlanOnCards = planned.value
const MARIT = '00000000-0000-4000-8000-0000000000a1'
const TOLU = '00000000-0000-4000-8000-0000000000a2'

/** Writes events as a device would, each a second after the last. */
class Log {
  constructor(private readonly document = van) {}
  readonly events: JobEvent[] = []
  private at: Stamp | null = null
  private nowMs = 1_764_000_000_000
  add(what: Happening, more: Partial<JobEvent> = {}): JobEvent {
    this.nowMs += 1000
    this.at = nextStamp(this.at, this.nowMs)
    const n = this.events.length
    const event = JobEvent.parse({
      id: `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`,
      jobId: MARIT,
      v: EVENT_VERSION,
      deviceId: MARIT,
      seq: n,
      at: this.at,
      personId: TOLU,
      what,
      ...more,
    })
    this.events.push(event)
    return event
  }
  state() {
    return foldJob(this.document, this.events)
  }
  balance() {
    return balanceOf(this.document, this.state(), PLAIN_TERMS)
  }
  follow(until: (key: string) => boolean = () => false, skip: readonly string[] = []): this {
    for (const card of allCards(plan))
      for (const { operation } of card.steps) {
        if (until(operation.key)) return this
        if (skip.includes(operation.key)) continue
        for (const what of happeningsFor(this.state(), operation, NO_WORK)) this.add(what)
      }
    return this
  }
}

test('a job followed to its end closes every account and nothing is left to do', () => {
  const log = new Log().follow()
  expect(log.balance().openRows).toEqual([])
  expect(nextStep(plan, log.state())).toBeNull()
  expect(log.state().settings.get('lever')).toBe('park')
})

test('every step is not done before it happened and done after', () => {
  const log = new Log()
  for (const card of allCards(plan))
    for (const { operation } of card.steps) {
      expect([operation.key, isDone(log.state(), operation)]).toEqual([operation.key, false])
      for (const what of happeningsFor(log.state(), operation, plan.job)) log.add(what)
      expect([operation.key, isDone(log.state(), operation)]).toEqual([operation.key, true])
    }
})

describe('one tap', () => {
  const tapsOf = (log: Log) => {
    const taps: { own: string | null; keys: string[] }[] = []
    for (let tap = nextTap(plan, log.state()); tap; tap = nextTap(plan, log.state())) {
      taps.push({ own: tap.own, keys: tap.steps.map((step) => step.operation.key) })
      for (const step of tap.steps)
        for (const what of happeningsFor(log.state(), step.operation, plan.job)) log.add(what)
    }
    return taps
  }
  const taps = tapsOf(new Log())
  test('hidden groups, lookalikes and airbag plugs keep a tap of their own', () => {
    for (const [key, own] of [
      ['undo:surround-t20', 'hidden'],
      ['undo:surround-hex7', 'lookalike'],
      ['undo:unit-hex7', 'lookalike'],
      ['open:airbag-lamp', 'safety'],
      ['close:airbag-lamp', 'safety'],
      ['fasten:surround-t20', 'hidden'],
    ])
      expect(taps).toContainEqual({ own, keys: [key] })
  })
  test('a plain panel is one tap each way', () => {
    expect(taps).toContainEqual({ own: null, keys: ['release:climate'] })
    expect(taps).toContainEqual({ own: null, keys: ['place:liner', 'seat:liner'] })
  })
  test('taps confirm every step once', () => {
    const keys = taps.flatMap((tap) => tap.keys)
    expect(keys).toEqual(allCards(plan).flatMap((card) => card.steps.map((step) => step.operation.key)))
  })
  test('a broken clip is asked for as a new one on the way back, and its pieces stay owed', () => {
    const log = new Log().follow((key) => key === 'seat:climate')
    log.add({ kind: 'broken', holderId: 'climate-clips', count: 1, wasFitted: 'no', note: '' })
    expect(happeningsFor(log.state(), plan.refit.operations.get('seat:climate')!, plan.job)).toMatchObject([
      { kind: 'part at', level: 'in place' },
      { kind: 'fastened', count: 5 },
      { kind: 'new fitted', count: 1 },
    ])
    tapsOf(log)
    expect(log.balance().openRows).toMatchObject([{ id: 'climate-clips', open: [{ kind: 'pieces', count: 1 }] }])
  })
})

describe('10: lookalikes in the balance', () => {
  test('the surround’s screw left out: group 0 of 1, one in hand', () => {
    const log = new Log().follow(undefined, ['fasten:surround-hex7'])
    expect(log.balance().openRows).toMatchObject([
      {
        account: 'holder',
        id: 'surround-hex7',
        out: 1,
        back: 0,
        inHand: 1,
        open: [{ kind: 'short', count: 1, loose: 1 }],
      },
    ])
  })
  test('both groups complete by the log and a 7 mm screw in a tray: both are named, and naming one opens it', () => {
    const log = new Log().follow()
    log.add({ kind: 'stray found', strayId: 'stray-1', head: 'hex 7', where: 'tray D' })
    expect(log.balance().openRows).toMatchObject([{ account: 'stray', couldBe: ['surround-hex7', 'unit-hex7'] }])
    log.add({ kind: 'stray settled', strayId: 'stray-1', holderId: 'unit-hex7', note: '' })
    expect(log.balance().openRows).toMatchObject([{ account: 'holder', id: 'unit-hex7', back: 3, inHand: 1 }])
    log.add({ kind: 'fastened', holderId: 'unit-hex7', count: 1, stage: 'final' })
    expect(log.balance().closed).toBe(true)
  })
})

test('a plug may be left open on purpose; one of the airbag system or the hazard lights never', () => {
  const log = new Log().follow((key) => key === 'lift:unit')
  for (const itemId of ['main', 'antenna', 'hazard', 'airbag-lamp'])
    log.add({ kind: 'ended', itemId, end: 'left open and insulated', count: 1, note: '' })
  expect(
    log
      .balance()
      .openRows.filter((row) => row.account === 'tether')
      .map((row) => row.id)
      .sort(),
  ).toEqual(['airbag-lamp', 'hazard'])
})

describe('ends', () => {
  const swap = PlanRequest.parse({
    goals: [{ kind: 'cavity', cavityId: 'radio-cavity' }],
    build,
    endings: { unit: 'given to the customer', main: 'left open and insulated', antenna: 'left open and insulated' },
  })
  const swapped = planJob(forBuild(van, build), swap, DEFAULT_HOUSE_VALUES)
  if (!swapped.ok) throw new Error('The swap has a plan.')
  test('a unit that is given away is not owed back, nor its plugs; its screws in hand still have to go somewhere', () => {
    const log = new Log()
    for (const { operation } of allSteps(swapped.value))
      for (const what of happeningsFor(log.state(), operation, plan.job)) log.add(what)
    const terms = termsOf(van, swap)
    expect(balanceOf(van, log.state(), terms).openRows).toMatchObject([
      { account: 'holder', id: 'unit-hex7', inHand: 4, open: [{ kind: 'in hand', count: 4 }] },
    ])
    log.add({ kind: 'ended', itemId: 'unit-hex7', end: 'stock', count: 4, note: '' })
    expect(balanceOf(van, log.state(), terms).closed).toBe(true)
    expect(balanceOf(van, log.state(), PLAIN_TERMS).closed).toBe(false)
  })
})

test('glue that has not set yet is told with the time left, by the clock of the events', () => {
  const kit = Kit.parse({
    id: 'k',
    name: 'Kit',
    works: [
      { id: 'glue', name: 'Glue', kind: 'glue', unattendedS: 600 },
      { id: 'mount', name: 'Mount', afterWork: ['glue'] },
    ],
  })
  const fitted = PlanRequest.parse({
    kits: [
      {
        kit,
        fit: KitFit.parse({
          procedureId: 'p',
          access: {
            glue: [{ kind: 'cavity', cavityId: 'radio-cavity' }],
            mount: [{ kind: 'cavity', cavityId: 'radio-cavity' }],
          },
        }),
      },
    ],
    build,
  })
  const planned = planJob(forBuild(van, build), fitted, DEFAULT_HOUSE_VALUES)
  if (!planned.ok) throw new Error('The kit has a plan.')
  const mount = planned.value.refit.operations.get('work:mount')!
  const log = new Log()
  expect(delayLeft(planned.value, log.state(), mount, 0)).toBeNull()
  const { at } = log.add({ kind: 'work done', workId: 'glue', reading: '', note: '' })
  expect(delayLeft(planned.value, log.state(), mount, wallMsOf(at) + 100_000)).toEqual({ workId: 'glue', leftS: 500 })
  expect(delayLeft(planned.value, log.state(), mount, wallMsOf(at) + 600_000)).toBeNull()
})

describe('hand-over', () => {
  const sign = (log: Log) => {
    for (const { id: functionId } of testsOwed(van, log.state(), PLAIN_TERMS))
      log.add({ kind: 'tested', functionId, result: 'passed', reading: '', note: '' })
    log.add({ kind: 'countersigned', as: 'installer', name: 'Tolu' })
    log.add({ kind: 'countersigned', as: 'checker', name: 'Marit' }, { personId: MARIT })
    return log
  }
  test('names a screw and a plug left out, and refuses', () => {
    const log = sign(new Log().follow(undefined, ['fasten:surround-hex7', 'close:hazard']))
    const blocks = handoverBlocks(van, log.state(), true, PLAIN_TERMS)
    expect(
      blocks.map((block) => (block.kind === 'account' ? `${block.row.account} ${block.row.id}` : block.kind)),
    ).toEqual(['holder surround-hex7', 'tether hazard'])
  })
  test('asks for the functions of every plug that was opened, and for two people', () => {
    const log = new Log().follow(
      undefined,
      plan.job.tests.map((interim) => interim.key),
    )
    expect(handoverBlocks(van, log.state(), true, PLAIN_TERMS).map((block) => block.kind)).toEqual([
      'not tested',
      'not tested',
      'not tested',
      'installer has not signed',
      'nobody has checked',
    ])
    expect(handoverBlocks(van, sign(log).state(), true, PLAIN_TERMS)).toEqual([])
  })
  test('the same person is no checker where the shop has others; in a one-person shop a marked second pass is enough', () => {
    const log = sign(new Log().follow())
    log.events.pop()
    log.add({ kind: 'countersigned', as: 'second pass', name: 'Tolu' })
    expect(handoverBlocks(van, log.state(), true, PLAIN_TERMS).map((block) => block.kind)).toEqual([
      'nobody has checked',
    ])
    expect(handoverBlocks(van, log.state(), false, PLAIN_TERMS)).toEqual([])
  })
  test('a test made before its plug was closed again does not count, and work after signing voids the signatures', () => {
    const log = sign(new Log().follow())
    log.add({ kind: 'opened', tetherId: 'hazard' })
    log.add({ kind: 'closed', tetherId: 'hazard' })
    expect(handoverBlocks(van, log.state(), true, PLAIN_TERMS).map((block) => block.kind)).toEqual([
      'tested before it was closed',
      'installer has not signed',
      'nobody has checked',
    ])
  })
})

test('the power lamp: an open airbag lamp forbids everything, the lever out of park only the engine', () => {
  const gateAt = (until: string) => {
    const state = new Log().follow((key) => key === until).state()
    const model = forBuild(van, build)
    const circumstances = liveCircumstances(model, state, DEFAULT_HOUSE_VALUES, rulesInForce(), {
      id: TOLU,
      authorised: [],
    })
    return powerGate(model, liveVehicle(model, state, 0), circumstances)
  }
  expect(gateAt('release:liner')).toMatchObject({ accessory: { allowed: true }, ignition: { allowed: true } })
  const open = gateAt('release:unit')
  expect(open.accessory.putBack).toEqual([{ kind: 'plug', tetherId: 'airbag-lamp', bringPartId: 'surround' }])
  expect(open.ignition.forbiddenBy.flatMap((breach) => breach.tetherIds)).toEqual(['airbag-lamp'])
  expect(open.engine.putBack).toContainEqual({ kind: 'set', settingId: 'lever', value: 'park' })
})

describe('the leave gate', () => {
  const at = (log: Log) => {
    const state = log.state()
    const model = forBuild(van, build)
    return leaveGate(
      model,
      state,
      liveVehicle(model, state, 0),
      liveCircumstances(model, state, DEFAULT_HOUSE_VALUES, rulesInForce(), { id: TOLU, authorised: [] }),
    )
  }
  test('a vehicle that nobody touched may be used, and one put together again too, with what is left to test said', () => {
    expect(at(new Log()).allowed).toBe(true)
    const done = at(new Log().follow())
    expect(done).toMatchObject({ allowed: true, smallest: [], driverMustKnow: { functionsOut: [], partsOff: [] } })
  })
  test('with the surround off: the lamp and the hazard lights are plugged, the climate panel pushed home, the unit’s leads tied back', () => {
    const answer = at(new Log().follow((key) => key === 'place:unit'))
    expect(answer.allowed).toBe(false)
    expect(answer.smallest).toEqual(
      expect.arrayContaining([
        { kind: 'plug', tetherId: 'airbag-lamp' },
        { kind: 'plug', tetherId: 'hazard' },
        { kind: 'seat', partId: 'climate' },
        { kind: 'park', tetherId: 'main' },
        { kind: 'set', settingId: 'lever', value: 'park' },
      ]),
    )
    expect(answer.driverMustKnow).toMatchObject({
      partsOff: expect.arrayContaining(['unit', 'surround']),
      functionsOut: expect.arrayContaining(['t-unit', 't-hazard']),
    })
  })
  test('doing what it names allows it, and leaving any one of them out does not', () => {
    const before = new Log().follow((key) => key === 'place:unit')
    const { smallest } = at(before)
    const doing = (acts: NonNullable<typeof smallest>) => {
      const log = new Log()
      log.follow((key) => key === 'place:unit')
      for (const act of acts) {
        if (act.kind === 'plug') log.add({ kind: 'closed', tetherId: act.tetherId })
        else if (act.kind === 'park') log.add({ kind: 'lead parked', tetherId: act.tetherId })
        else if (act.kind === 'set')
          log.add({ kind: 'set', settingId: act.settingId, value: act.value, methodId: null })
        else if (act.kind === 'seat') {
          log.add({ kind: 'part at', partId: act.partId, level: 'in place' })
          for (const holder of van.holders.filter((h) => h.holds.includes(act.partId)))
            log.add({ kind: 'fastened', holderId: holder.id, count: holder.count, stage: 'final' })
        } else throw new Error(`Not expected here: ${act.kind}`)
      }
      return at(log).allowed
    }
    expect(doing(smallest!)).toBe(true)
    for (const left of smallest!) expect([left, doing(smallest!.filter((act) => act !== left))]).toEqual([left, false])
  })
})

describe('what a job shows for the record', () => {
  const circumstances = whilePlanning(DEFAULT_HOUSE_VALUES)
  const job = { id: 'j', label: 'Van 1', events: new Log().follow().events }
  test('its strip is the way in as it was counted; what was assumed gives no order', () => {
    const [strip] = stripsOf(van, [job], circumstances)
    expect(strip!.sequence).toEqual(expect.arrayContaining(['release:climate', 'lift:unit']))
    expect(strip!.sequence).toEqual(
      [...plan.wayIn]
        .flatMap((card) => card.steps.map((step) => step.operation.key))
        .filter((key) => plan.removal.operations.has(key)),
    )
    expect(strip!.brokeRule).toBe(false)
    expect(
      stripsOf(
        van,
        [{ ...job, events: job.events.map((event) => ({ ...event, certainty: 'assumed' as const })) }],
        circumstances,
      ),
    ).toEqual([])
  })
  test('a strip that had the ignition on with the airbag lamp open is marked', () => {
    const log = new Log().follow((key) => key === 'lift:surround')
    log.add({ kind: 'set', settingId: 'ignition', value: 'on', methodId: null })
    expect(stripsOf(van, [{ ...job, events: log.events }], circumstances)[0]!.brokeRule).toBe(true)
  })
  test('a group counted out whole is borne out; one with a screw missing is not', () => {
    const log = new Log()
    log.add({ kind: 'as found', holderId: 'surround-t20', what: 'missing', count: 1, note: '' })
    log.follow()
    const seen = confirmationsOf(van, [job, { ...job, id: 'k', events: log.events }])
    expect([
      seen.get('climate-clips'),
      seen.get('surround-t20'),
      seen.get('airbag-lamp'),
      seen.get('knee-clips'),
    ]).toEqual([2, 1, 2, undefined])
  })
})

describe('the fold', () => {
  const log = new Log().follow()
  const wrong = log.add({ kind: 'undone', holderId: 'handle-hex10', count: 1 })
  log.add({ kind: 'taken back' }, { corrects: wrong.id })
  const plain = JSON.stringify(summary(log.events))

  test('gives the same state for any order of arrival and any duplicates', () => {
    fc.assert(
      fc.property(
        fc.shuffledSubarray(log.events, { minLength: log.events.length }),
        fc.subarray(log.events),
        (shuffled, again) => {
          expect(JSON.stringify(summary([...again, ...shuffled, ...again]))).toBe(plain)
        },
      ),
      { seed: 20261125, numRuns: 60 },
    )
  })
  test('what was taken back leaves no trace in the balance, and taking back the taking back restores it', () => {
    expect(log.state().holders.get('handle-hex10')!.undone).toBe(0)
    const last = log.events.at(-1)!
    const again = new Log()
    again.events.push(...log.events)
    again.events.push({ ...last, id: '00000000-0000-4000-8000-00000000ffff', seq: 999, corrects: last.id })
    expect(again.state().holders.get('handle-hex10')!.undone).toBe(1)
  })
})

function summary(events: readonly JobEvent[]) {
  const { history: _, ...state } = foldJob(van, events)
  return Object.entries(state).map(([key, value]) => [
    key,
    value instanceof Map || value instanceof Set ? [...value].sort() : value,
  ])
}

describe('a group nobody has counted', () => {
  const some = {
    ...van,
    holders: van.holders.map((holder) =>
      holder.id === 'unit-hex7' ? { ...holder, count: 1, howMany: 'unknown' as const } : holder,
    ),
  }
  test('is asked for at the first undo and owed as counted: never forced to one', () => {
    const log = new Log(some)
    const undo = {
      key: 'undo:unit-hex7',
      phase: 'in',
      act: 'undo',
      itemId: 'unit-hex7',
      partId: 'unit',
      setting: null,
      nth: 1,
    } as const
    expect(toBeCounted(log.state(), [undo])).toEqual(['unit-hex7'])
    log.add({ kind: 'undone', holderId: 'unit-hex7', count: 5 })
    expect(toBeCounted(log.state(), [undo])).toEqual([])
    expect(isDone(log.state(), undo)).toBe(true)
    log.add({ kind: 'fastened', holderId: 'unit-hex7', count: 4, stage: 'final' })
    expect(log.balance().openRows).toMatchObject([
      { id: 'unit-hex7', out: 5, back: 4, open: [{ kind: 'short', count: 1, loose: 1 }] },
    ])
    log.add({ kind: 'fastened', holderId: 'unit-hex7', count: 1, stage: 'final' })
    expect(log.balance().closed).toBe(true)
  })
})
