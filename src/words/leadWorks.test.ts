import { describe, expect, test } from '@jest/globals'
import { deliveryVanRecord, threeLeads } from '@/core/plan/leads/deliveryVanRecord.testing'
import { modelOfRequest } from '@/core/plan/ask/modelOfRequest'
import { PlanRequest } from '@/core/plan/ask/planRequest'
import { planJob } from '@/core/plan/planJob'
import { allSteps } from '@/core/plan/show/planOnCards'
import { CrewAtWork } from '@/core/job/crew.testing'
import { leaveGate } from '@/core/job/leaveGate'
import { liveVehicle } from '@/core/job/liveVehicle'
import { termsOf } from '@/core/job/terms'
import { DEFAULT_HOUSE_VALUES } from '@/core/shop/houseValues'
import { whilePlanning } from '@/core/vehicle/circumstances'
import { leadsLaid } from './leadsLaid'

const document = deliveryVanRecord()
function laid(names = 'ABP', more: Parameters<typeof threeLeads>[1] = {}) {
  const found = leadsLaid(
    document,
    PlanRequest.parse({ kits: [threeLeads(names, more)], build: {} }),
    DEFAULT_HOUSE_VALUES,
  )
  if (!found.ok) throw new Error(found.error.kind)
  return found.value
}
const works = (request: PlanRequest) => new Map(request.kits[0]!.kit.works.map((work) => [work.id, work]))

describe('the leads of a request as work', () => {
  const { request } = laid()
  const of = works(request)

  test('asked again it is the same, and taken out again it is what was asked', () => {
    const again = leadsLaid(document, request, DEFAULT_HOUSE_VALUES)
    expect(again.ok && again.value.request).toEqual(request)
    expect(PlanRequest.parse(request)).toEqual(request)
  })
  test('legs that follow one another at one station are one card, with a mark for each and what they go by', () => {
    const lay = [...of.values()].filter(({ id }) => id.startsWith('lay.A.'))
    expect(lay.map(({ station, steps }) => [station, steps.length])).toEqual([
      ['passenger side', 2],
      ['centre', 1],
    ])
    expect(lay[0]!.steps[0]!.words).toBe('to passenger pillar foot, w6; tucked, 1.45 m; tape at 1.55 m sits there')
    expect(lay[1]!.steps[0]!.caution).toContain('beside an actuator, 40 mm')
    expect(lay[1]!.afterWork).toEqual(['lay.A.0'])
  })
  test('a lead cut to measure says how long, a supplied one what is over and how it is laid', () => {
    expect(of.get('lay.P.0')!.note).toBe('Cut to 3 m.')
    // 2,300 mm of 3 mm take 41 ml: more than any point of this record says it has.
    expect(of.get('lay.A.0')!.note).toBe(
      'Needs 2.82 m of 5 m. 2.3 m over: in a figure of eight, where there is room; no point is recorded with enough.',
    )
    const roomy = {
      ...document,
      waypoints: document.waypoints.map((point) => ({ ...point, roomMl: point.id === 'U' ? 50 : 0 })),
    }
    const found = leadsLaid(roomy, PlanRequest.parse({ kits: [threeLeads('A')], build: {} }), DEFAULT_HOUSE_VALUES)
    expect(found.ok && works(found.value.request).get('lay.A.0')!.note).toContain(
      'in a figure of eight, behind the radio.',
    )
  })
  test('the fuse comes last: after its lead lies, its wall is sealed, and what joins it', () => {
    const fuse = of.get('fuse.P')!
    expect(fuse.afterWork).toEqual(['lay.P.1', 'seal.w12.kit'])
    expect(fuse.steps[0]).toMatchObject({ caution: expect.stringContaining('seat belt') })
    expect(fuse.steps[1]!.words).toBe('fuse of 40 A in, within 450 mm of battery and before the first wall')
    expect(fuse.note).toBe('At least 6 mm² for this length and current, by the house’s drop of 3 %.')
  })
  test('what it uses up is on the bag list: ties, a sheath where it is wet, a sleeve near heat, what seals a wall', () => {
    const near = { w10: { passes: [{ kind: 'hot part', how: 'beside', distanceMm: 150 }] } }
    const asked = PlanRequest.parse({ kits: [threeLeads('B')], build: {} })
    const found = leadsLaid(deliveryVanRecord(near), asked, DEFAULT_HOUSE_VALUES)
    const all = found.ok ? [...works(found.value.request).values()] : []
    const used = (id: string) => all.find((work) => work.id.startsWith(id))?.consumables
    expect(used('lay.B.0')).toEqual(['ties', 'split sheath'])
    expect(all.flatMap(({ consumables }) => consumables)).toContain('heat sleeve')
    expect(used('seal.w14')).toEqual(['grommet'])
  })
  test('each wall that is used is sealed once everything is through, and made ready before', () => {
    expect(of.get('seal.w14.kit')).toMatchObject({ afterWork: ['lay.B.0'], name: 'Seal: w14' })
    expect(of.get('lay.B.0')!.afterWork).toEqual(['ready.w14-1.kit'])
  })
  test('what moves beside a lead is moved at the end', () => {
    expect(of.get('moves.actuator.kit')).toMatchObject({ kind: 'inspect', afterWork: ['lay.A.1', 'lay.B.2'] })
  })
  test('one that nobody looked along is looked at first', () => {
    const unseen = deliveryVanRecord({ w3: { looked: false } })
    const asked = PlanRequest.parse({ kits: [threeLeads('A')], build: {} })
    const found = leadsLaid(unseen, asked, DEFAULT_HOUSE_VALUES)
    const steps = found.ok ? [...works(found.value.request).values()].flatMap((work) => work.steps) : []
    const at = steps.findIndex(({ words }) => words.includes('w3;'))
    expect(steps[at - 1]).toMatchObject({ act: 'look at', caution: expect.stringContaining('look first') })
  })
  test('a lead without ways is laid by sight, looked along first', () => {
    const blind = laid('AP', { A: { ends: [{ to: 'microphone' }, { to: 'device' }] as never } })
    expect(
      works(blind.request)
        .get('sight.A')!
        .steps.map(({ act }) => act),
    ).toEqual(['look at', 'lay'])
  })
})

test('where there is no way, the leads are laid by sight if that is asked for, and not at all if not', () => {
  const tooShort = PlanRequest.parse({ kits: [threeLeads('A', { A: { suppliedMm: 500 } })], build: {} })
  const [plain, bySight] = [false, true].map((on) => {
    const found = leadsLaid(document, tooShort, DEFAULT_HOUSE_VALUES, undefined, { bySight: on })
    return found.ok ? [...works(found.value.request).keys()] : []
  })
  expect([plain, bySight]).toEqual([['mount'], ['mount', 'sight.A']])
})

describe('planned and followed', () => {
  const { request } = laid()
  const plan = planJob(modelOfRequest(document, request), request, DEFAULT_HOUSE_VALUES)
  const keys = plan.ok ? allSteps(plan.value).map(({ operation }) => operation.key) : []
  const at = (key: string) => keys.indexOf(key)

  test('the plan is proven, and lays before it closes over', () => {
    expect(plan.ok && plan.value.found.proof.proven).toBe(true)
    for (const [lay, seat] of [
      ['work:lay.A.0', 'seat:passenger-pillar'],
      ['work:lay.B.1', 'seat:right-lining'],
      ['work:lay.B.1', 'seat:passenger-sill'],
      ['work:lay.A.1', 'seat:glovebox'],
      ['work:seal.w12.kit', 'work:fuse.P'],
    ] as const)
      expect([lay, at(lay) >= 0 && at(lay) < at(seat)]).toEqual([lay, true])
  })
  test('legs are ticked one by one; done as written everything closes, with a seal forgotten it does not', () => {
    const play = (forgotten: string | null) => {
      const crew = new CrewAtWork(document, request)
      for (const step of allSteps(crew.plan)) if (step.operation.key !== forgotten) crew.does(step)
      return crew.balance()
    }
    expect(play(null).openRows).toEqual([])
    const missed = play('work:seal.w12.kit')
    expect([missed.closed, missed.openRows.map(({ id }) => id)]).toEqual([false, ['seal.w12.kit']])
  })

  test('left in the middle, the driver is told which lead lies halfway', () => {
    const crew = new CrewAtWork(document, request)
    const told = () =>
      leaveGate(
        crew.model,
        crew.state,
        liveVehicle(crew.model, crew.state, 0),
        whilePlanning(DEFAULT_HOUSE_VALUES),
        termsOf(crew.document, crew.request, crew.state),
      ).driverMustKnow.leadsHalfway
    expect(told()).toEqual([])
    for (const step of allSteps(crew.plan)) {
      crew.does(step)
      if (step.operation.key === 'work:lay.A.0') break
    }
    expect(told()).toContain('Antenna lead: behind the glovebox to behind the radio')
    expect(told()).not.toContain('Antenna lead: roof hole to behind the glovebox')
  })
})
