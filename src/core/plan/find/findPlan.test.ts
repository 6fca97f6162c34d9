import { describe, expect, test } from '@jest/globals'
import { forBuild, type ProcedureForBuild } from '../../procedure/forBuild'
import { randomProcedure } from '../../procedure/randomProcedure.testing'
import { Kit } from '../../shop/kit'
import { DEFAULT_HOUSE_VALUES } from '../../shop/houseValues'
import { after, asFoundState, type VehicleState } from '../../vehicle/vehicleState'
import { AT_ONCE, findPlan, type PlanOptions } from './findPlan'
import { FoundOrder } from './foundOrder'
import { planJob } from '../planJob'
import { planOnCards } from '../show/planOnCards'
import type { LiveStart } from '../derive/liveStart'
import { planExtras } from '../show/planExtras'
import { PlanRequest } from '../ask/planRequest'
import type { Standing, Step } from './step'
import { panelVan, smallBus } from '../../testing/vehicles.testing'
import { seeds } from '../../testing/seeds.testing'

const CAVITY = { kind: 'cavity', cavityId: 'cavity' } as const
const AUTO_KEY = { gearbox: 'automatic', starter: 'key', steering: 'left' }
const RADIO = { kind: 'cavity', cavityId: 'radio-cavity' } as const

function found(model: ProcedureForBuild, request: object, options?: PlanOptions): FoundOrder | null {
  const result = findPlan(
    model,
    PlanRequest.parse({ goals: [CAVITY], build: {}, ...request }),
    DEFAULT_HOUSE_VALUES,
    undefined,
    options,
  )
  return result.ok ? result.value : null
}

/** Where somebody stands who has done some steps of a plan. */
function afterSteps(
  model: ProcedureForBuild,
  plan: FoundOrder,
  count: number,
  start: string,
): { live: LiveStart; spentS: number } {
  let state: VehicleState = asFoundState(model)
  let standing: Standing = { station: start as Standing['station'], tool: null }
  let spentS = 0
  const setCount = new Map<string, number>()
  const worksDone = new Map<string, number>()
  const done = plan.steps.slice(0, count)
  for (const step of done) {
    state = after(model, state, step.operation, step.workS + step.setUpS)
    standing = { station: step.station, tool: step.tool === 'hand' ? standing.tool : step.tool }
    spentS += step.workS + step.setUpS
    if (step.operation.act === 'work') worksDone.set(step.operation.itemId, state.nowS)
    if (step.operation.setting)
      setCount.set(`${step.operation.itemId}=${step.operation.setting.to}`, step.operation.nth)
  }
  const keys = (list: readonly Step[], act: string) =>
    new Set(list.flatMap(({ operation }) => (operation.act === act ? [operation.itemId] : [])))
  const reached = plan.steps.slice(count).every(({ operation }) => operation.phase !== 'in')
  return {
    live: {
      state,
      standing,
      reached,
      worksDone,
      testsPassed: keys(done, 'test'),
      ledThrough: keys(done, 'feed'),
      setCount,
    },
    spentS,
  }
}

describe('from the middle of a job', () => {
  test('from any cut of a proven plan the rest costs exactly the rest', () => {
    let cuts = 0
    for (let seed = 1; seed <= 40 && cuts < seeds(32); seed++) {
      const model = forBuild(randomProcedure(seed, { size: 6 }), {})
      const plan = found(model, { start: 'centre' })
      if (!plan?.proof.proven || plan.steps.some(({ operation }) => operation.act === 'wait')) continue
      for (const part of [0.15, 0.35, 0.55, 0.75, 0.9]) {
        const count = Math.floor(part * plan.steps.length)
        const { live, spentS } = afterSteps(model, plan, count, 'centre')
        // A plug that is closed for a test is neither back nor away: such a moment is left out.
        if (
          live.reached &&
          plan.steps.slice(0, count).some(({ operation }) => operation.phase === 'test' && operation.act === 'close')
        )
          continue
        const rest = found(model, { start: 'centre' }, { from: live })
        expect([seed, count, rest?.proof.totalS, rest?.proof.proven]).toEqual([
          seed,
          count,
          plan.proof.totalS - spentS,
          true,
        ])
        cuts += 1
      }
    }
    expect(cuts).toBeGreaterThan(seeds(28))
  })
  test('also while the ten minutes after battery off run: what is left of them is still waited for', () => {
    let cuts = 0
    for (const [size, seed] of [
      [12, 7],
      [12, 21],
      [20, 14],
      [30, 2],
      [45, 20],
      [45, 26],
    ] as const) {
      const model = forBuild(randomProcedure(seed, { size }), {})
      const plan = found(model, {})!
      expect([seed, plan.proof.proven, plan.steps.some(({ operation }) => operation.act === 'wait')]).toEqual([
        seed,
        true,
        true,
      ])
      const waited = plan.steps.findIndex(({ operation }) => operation.act === 'wait')
      for (const count of [1, Math.floor(waited / 2), waited, waited + 1]) {
        const { live, spentS } = afterSteps(model, plan, count, 'driver side')
        const rest = found(model, {}, { from: live })!
        const leftS = plan.proof.totalS - spentS
        expect([seed, count, rest.proof.totalS >= leftS, rest.proof.totalS - rest.proof.gapS <= leftS + 1e-6]).toEqual([
          seed,
          count,
          true,
          true,
        ])
        if (rest.proof.proven) expect(rest.proof.totalS).toBe(leftS)
        cuts += 1
      }
    }
    expect(cuts).toBe(24)
  })
  test('glue that has been setting for a while need only be waited for as long as is left', () => {
    const model = forBuild(panelVan(), AUTO_KEY)
    const kit = Kit.parse({
      id: 'glue',
      name: 'Bracket',
      works: [
        {
          id: 'bracket',
          name: 'Glue the bracket',
          kind: 'glue',
          station: 'centre',
          tool: 'adhesive',
          durationS: 90,
          unattendedS: 600,
        },
        {
          id: 'mount',
          name: 'Mount',
          kind: 'mount',
          station: 'centre',
          tool: 'hex 7',
          durationS: 60,
          afterWork: ['bracket'],
        },
      ],
    })
    const fit = {
      procedureId: 'van',
      access: { bracket: [RADIO], mount: [RADIO] },
      stations: {},
      endings: [],
      functionsChanged: [],
    }
    const request = { goals: [], kits: [{ kit, fit }], start: 'centre', build: AUTO_KEY }
    const plan = found(model, request)!
    expect(plan.steps.filter(({ operation }) => operation.act === 'wait').map(({ workS }) => workS)).toEqual([
      expect.any(Number),
    ])
    const glued = plan.steps.findIndex(({ operation }) => operation.key === 'work:bracket') + 1
    const { live, spentS } = afterSteps(model, plan, glued, 'centre')
    const waitS = (atS: number) =>
      found(model, request, { from: { ...live, state: { ...live.state, nowS: live.state.nowS + atS } } })!.proof.totalS
    // Nothing better can be done while it sets, and from there on the rest costs the rest.
    expect([plan.proof.proven, waitS(0)]).toEqual([true, plan.proof.totalS - spentS])
    // Two hundred seconds later so much less is left; after the ten minutes nothing is.
    expect(waitS(0) - waitS(200)).toBe(200)
    expect(waitS(600)).toBe(waitS(5000))
    expect(waitS(0) - waitS(5000)).toBeGreaterThan(300)
  })
  test('the battery on the way in and glue after it: both are waited for, and nothing is quicker', () => {
    const bus = smallBus()
    const model = forBuild(bus, Object.fromEntries(bus.facets.map((facet) => [facet.id, facet.choices[0]!.id])))
    const kit = Kit.parse({
      id: 'glue',
      name: 'Bracket',
      works: [
        { id: 'bracket', name: 'Glue the bracket', kind: 'glue', tool: 'adhesive', durationS: 90, unattendedS: 600 },
        { id: 'mount', name: 'Mount', tool: 'hex 7', durationS: 60, afterWork: ['bracket'] },
      ],
    })
    const access = [{ kind: 'cavity' as const, cavityId: 'column-cavity' }]
    const fit = {
      procedureId: 'bus',
      access: { bracket: access, mount: access },
      stations: {},
      endings: [],
      functionsChanged: [],
    }
    const plan = found(model, { goals: [], kits: [{ kit, fit }], build: model.build })!
    expect(plan.proof).toMatchObject({ proven: true, gapS: 0 })
    expect(
      plan.steps.filter(({ operation }) => operation.act === 'wait').map(({ operation }) => operation.phase),
    ).toEqual(['in', 'out'])
  })
  test('what somebody has taken off besides goes back with the rest', () => {
    const model = forBuild(panelVan(), AUTO_KEY)
    const state = {
      ...asFoundState(model),
      levels: new Map([['glovebox', 'free' as const]]),
      undone: new Set(model.holdersOf.get('glovebox')!.map(({ id }) => id)),
    }
    const plan = found(
      model,
      { goals: [RADIO], build: AUTO_KEY },
      {
        from: {
          state,
          standing: { station: 'passenger side', tool: null },
          reached: false,
          worksDone: new Map(),
          testsPassed: new Set(),
          ledThrough: new Set(),
          setCount: new Map(),
        },
      },
    )!
    const keys = plan.steps.map(({ operation }) => operation.key)
    expect(keys).not.toContain('release:glovebox')
    expect(keys).toContain('seat:glovebox')
    for (const holderId of state.undone) expect(keys).toContain(`fasten:${holderId}`)
  })
  test('without the tool for it another way is found, or the answer names the tool', () => {
    const model = forBuild(panelVan(), AUTO_KEY)
    const ask = (without: { tools: string[]; parts: string[] }) =>
      findPlan(model, PlanRequest.parse({ goals: [RADIO], build: AUTO_KEY, without }), DEFAULT_HOUSE_VALUES)
    expect(ask({ tools: ['six-lobe T20'], parts: [] })).toMatchObject({
      ok: false,
      error: { kind: 'tool missing', tool: 'six-lobe T20' },
    })
    const centre = findPlan(
      model,
      PlanRequest.parse({ goals: [RADIO], build: AUTO_KEY, start: 'centre', without: { parts: ['cover'] } }),
      DEFAULT_HOUSE_VALUES,
    )
    // The release is the quicker way from the centre; with its cover stuck the ignition is what is left.
    expect(
      centre.ok && centre.value.steps.some(({ operation }) => operation.setting?.methodId === 'lever-by-ignition'),
    ).toBe(true)
    expect(ask({ tools: [], parts: ['surround'] })).toMatchObject({
      ok: false,
      error: { kind: 'must stay', partId: 'surround' },
    })
  })
})

describe('permissions', () => {
  test('more of them never make the optimum dearer', () => {
    let compared = 0
    for (let seed = 1; seed <= 24 && compared < seeds(30); seed++) {
      const model = forBuild(randomProcedure(seed, { size: 5 }), {})
      const free = found(model, {})
      if (!free?.proof.proven) continue
      const narrower = [
        { policy: { resting: 'set aside' } },
        { policy: { methods: { 'lever=out': 'by-ignition' } } },
        { policy: { methods: { 'lever=out': 'by-release' } } },
      ]
      for (const request of narrower) {
        const bound = found(model, request)
        if (!bound) continue
        expect([seed, request, bound.proof.totalS >= free.proof.totalS]).toEqual([seed, request, true])
        compared += 1
      }
    }
    expect(compared).toBeGreaterThan(seeds(20))
  })
  test('a habit never beats the quickest in plain minutes, and minutes hold no weights', () => {
    for (const start of ['driver side', 'centre']) {
      const model = forBuild(panelVan(), AUTO_KEY)
      const quickest = found(model, { goals: [RADIO], build: AUTO_KEY, start })!
      for (const habit of ['panel by panel', 'tool in hand']) {
        const other = found(model, { goals: [RADIO], build: AUTO_KEY, start, policy: { habit } })!
        expect(other.proof.totalS).toBeGreaterThanOrEqual(quickest.proof.totalS)
        expect(other.proof.totalS).toBeCloseTo(
          other.steps.reduce((sum, step) => sum + step.workS + step.setUpS, 0),
          6,
        )
      }
    }
  })
})

describe('a kept order', () => {
  const model = forBuild(panelVan(), AUTO_KEY)
  const request = PlanRequest.parse({ goals: [RADIO], build: AUTO_KEY })
  test('comes back from storage as the same plan', () => {
    const plan = planJob(model, request, DEFAULT_HOUSE_VALUES)
    if (!plan.ok) throw new Error(plan.error.kind)
    const again = planOnCards(
      model,
      request,
      DEFAULT_HOUSE_VALUES,
      undefined,
      FoundOrder.parse(JSON.parse(JSON.stringify(plan.value.found))),
    )
    expect(again.ok && JSON.stringify([again.value.wayIn, again.value.wayOut])).toBe(
      JSON.stringify([plan.value.wayIn, plan.value.wayOut]),
    )
  })
  test('that does not fit the record any more is said to be stale, with the key', () => {
    const plan = found(model, { goals: [RADIO], build: AUTO_KEY })!
    const manual = { ...AUTO_KEY, gearbox: 'manual' }
    const short = { ...plan, steps: plan.steps.slice(0, -1) }
    expect(planOnCards(model, request, DEFAULT_HOUSE_VALUES, undefined, short)).toEqual({
      ok: false,
      error: { kind: 'stale', key: plan.steps.at(-1)!.operation.key },
    })
    const byRelease = found(model, { goals: [RADIO], build: AUTO_KEY, start: 'centre' })!
    expect(
      planOnCards(
        forBuild(panelVan(), manual),
        { ...request, build: manual },
        DEFAULT_HOUSE_VALUES,
        undefined,
        byRelease,
      ),
    ).toMatchObject({ ok: false, error: { kind: 'stale' } })
  })
})

test('beside a plan: its valid orders counted, the order of the record dearer, and what could be opened as well', () => {
  const model = forBuild(panelVan(), AUTO_KEY)
  const request = PlanRequest.parse({ goals: [RADIO], build: AUTO_KEY })
  const plan = planJob(model, request, DEFAULT_HOUSE_VALUES)
  if (!plan.ok) throw new Error(plan.error.kind)
  const extras = planExtras(model, request, DEFAULT_HOUSE_VALUES, undefined, plan.value)
  expect(extras.orders).toEqual({ count: 40, exact: true })
  expect(extras.recordedS).toBeGreaterThanOrEqual(plan.value.proof.totalS)
  expect(extras.alsoNow.map(({ cavityId }) => cavityId)).toContain('pillar-cavity')
  for (const { extraS } of extras.alsoNow) expect(extraS).toBeGreaterThan(0)
})

test('at once there is a safe order, with an honest word on what could be saved', () => {
  let better = 0
  for (const [size, seed] of [
    [16, 8],
    [16, 23],
    [30, 23],
  ] as const) {
    const model = forBuild(randomProcedure(seed, { size }), {})
    const [first, best] = [found(model, {}, { limits: AT_ONCE })!, found(model, {})!]
    expect([
      seed,
      best.proof.proven,
      first.proof.totalS >= best.proof.totalS,
      first.proof.totalS - first.proof.gapS <= best.proof.totalS + 1e-6,
    ]).toEqual([seed, true, true, true])
    if (first.proof.totalS > best.proof.totalS) better += 1
  }
  // Were it always the quickest already, its bound would not be tried.
  expect(better).toBeGreaterThan(0)
})

test('with a facet nobody has told, the quickest and the longest of the builds it may be', () => {
  const { gearbox: _, ...build } = AUTO_KEY
  const request = PlanRequest.parse({ goals: [RADIO], build })
  const planned = planJob(forBuild(panelVan(), build), request, DEFAULT_HOUSE_VALUES)
  if (!planned.ok) throw new Error(planned.error.kind)
  const { untold } = planExtras(forBuild(panelVan(), build), request, DEFAULT_HOUSE_VALUES, undefined, planned.value)
  const totals = ['automatic', 'manual'].map(
    (gearbox) =>
      found(forBuild(panelVan(), { ...build, gearbox }), { goals: [RADIO], build: { ...build, gearbox } })!.proof
        .totalS,
  )
  expect(untold).toEqual({ leastS: Math.min(...totals), mostS: Math.max(...totals) })
  expect(totals[0]).not.toBe(totals[1])
})

test('where the covers of two releases could both come off, nothing is called proven', () => {
  const document = panelVan()
  const lever = document.settings.find((setting) => setting.id === 'lever')!
  lever.methods.push({
    ...lever.methods.find((method) => method.id === 'lever-by-release')!,
    id: 'lever-from-below',
    name: 'from below, behind the glovebox',
  })
  document.needs.push({
    ...document.needs.find((need) => need.dependent.act === 'method' && need.dependent.id === 'lever-by-release')!,
    id: 'need-from-below',
    dependent: { act: 'method', id: 'lever-from-below' },
    needs: { kind: 'part', partId: 'glovebox', level: 'off' },
  })
  const plan = found(forBuild(document, AUTO_KEY), { goals: [RADIO], build: AUTO_KEY })!
  expect(plan.proof).toMatchObject({ proven: false, allChoices: false })
  expect(found(forBuild(panelVan(), AUTO_KEY), { goals: [RADIO], build: AUTO_KEY })!.proof).toMatchObject({
    proven: true,
    allChoices: true,
  })
})
