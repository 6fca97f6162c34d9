import { describe, expect, test } from '@jest/globals'
import { forBuild } from '../procedure/forBuild'
import type { ProcedureDocument } from '../procedure/document'
import { Holder } from '../procedure/holder'
import { Need } from '../procedure/need'
import { smallDash } from '../testing/smallDash.testing'
import { deriveRemoval } from './deriveRemoval'
import { deriveRefit } from './refit'

/** The way back of the small dash's unit, changed before it came out. */
function back(change: (dash: ProcedureDocument) => void, level: 'off' | 'free' | 'eased' = 'off') {
  const dash = smallDash()
  change(dash)
  const goals = [{ kind: 'part' as const, partId: 'unit', level }]
  const removal = deriveRemoval(forBuild(dash, {}), goals, { openings: {}, methods: {}, resting: 'rest' })
  if (!removal.ok) throw new Error(removal.error.kind)
  const refit = deriveRefit(removal.value)
  if (!refit.ok) throw new Error(refit.error.kind)
  return refit.value
}
const edges = (refit: ReturnType<typeof back>, ...kinds: string[]) =>
  refit.edges
    .filter(({ because }) => kinds.includes(because.kind))
    .map(({ before, after }) => `${before} < ${after}`)
    .sort()
const unit = (dash: ProcedureDocument) => dash.parts.find(({ id }) => id === 'unit')!
const more = (dash: ProcedureDocument, ...ids: string[]) =>
  dash.holders.push(
    ...ids.map((id) =>
      Holder.parse({ id, kind: 'bolt', count: 1, holds: ['unit'], drives: [{ drive: 'hex', size: '8' }] }),
    ),
  )

describe('all started by hand before any is made snug', () => {
  const started = (change: (dash: ProcedureDocument) => void = () => {}) =>
    back((dash) => {
      more(dash, 'left')
      unit(dash).refit.startAllFirst = true
      change(dash)
    })
  test('each group is started, and every start stands before every snug', () => {
    const refit = started()
    expect([...refit.operations.keys()].filter((key) => key.startsWith('start:')).sort()).toEqual([
      'start:bolts',
      'start:left',
    ])
    expect(edges(refit, 'started first')).toEqual([
      'start:bolts < fasten:bolts',
      'start:bolts < fasten:left',
      'start:left < fasten:bolts',
      'start:left < fasten:left',
    ])
  })
  test('what being made snug waits for, and needs, the start waits for and needs', () => {
    const refit = started((dash) =>
      dash.needs.push(
        Need.parse({
          id: 'n-off',
          dependent: { act: 'fasten', id: 'left' },
          needs: { kind: 'setting', settingId: 'battery', value: 'off' },
          reason: 'setting',
        }),
      ),
    )
    expect(edges(refit, 'holds')).toEqual(expect.arrayContaining(['seat:unit < start:left', 'seat:unit < start:bolts']))
    expect(refit.demands.get('start:left')).toMatchObject([{ settingId: 'battery', value: 'off' }])
    expect(refit.demands.get('start:bolts')).toBeUndefined()
  })
  test('the order of making snug is none of starting', () => {
    const refit = started((dash) => {
      unit(dash).refit.tightenOrder = ['left', 'bolts']
    })
    expect(edges(refit, 'tightened in order')).toEqual(['fasten:left < fasten:bolts'])
  })
  test('where nobody says so nothing is started', () => {
    const keys = [...back((dash) => more(dash, 'left')).operations.keys()]
    expect(keys.filter((key) => key.startsWith('start:'))).toEqual([])
  })
})

describe('what bears the weight goes in first', () => {
  const bearing = (change: (dash: ProcedureDocument) => void = () => {}) =>
    edges(
      back((dash) => {
        more(dash, 'left')
        dash.holders.find(({ id }) => id === 'left')!.bearsWeight = true
        change(dash)
      }),
      'bears',
    )
  test('it is fastened first', () => expect(bearing()).toEqual(['fasten:left < fasten:bolts']))
  test('or started first, where all are', () =>
    expect(
      bearing((dash) => {
        unit(dash).refit.startAllFirst = true
      }),
    ).toEqual(['start:left < start:bolts']))
  test('the order somebody has said stands above it', () =>
    expect(
      bearing((dash) => {
        unit(dash).refit.tightenOrder = ['bolts', 'left']
      }),
    ).toEqual([]))
})

describe('a lead that goes through something', () => {
  const led = (change: (dash: ProcedureDocument) => void) => edges(back(change), 'lead through')
  const plug = (dash: ProcedureDocument, id: string) => dash.tethers.find((tether) => tether.id === id)!
  test('is led through before it is plugged, and before that part is seated', () => {
    expect(
      led((dash) => {
        plug(dash, 'hazard').throughPartId = 'unit'
      }),
    ).toEqual(['feed:hazard < close:hazard', 'feed:hazard < seat:unit', 'place:unit < feed:hazard'])
    expect(
      led((dash) => {
        plug(dash, 'main').leadThrough = 'the rear slot'
      }),
    ).toEqual(['feed:main < close:main', 'feed:main < seat:unit', 'place:unit < feed:main'])
  })
  test('a part that has to be on before its own plug is in can’t be led through', () =>
    expect(() =>
      led((dash) => {
        plug(dash, 'main').throughPartId = 'panel'
      }),
    ).toThrow('contradiction'))
  test('one that goes through nothing is only plugged', () => expect(led(() => {})).toEqual([]))
})

describe('what somebody has stated for the way back', () => {
  const stated = (dependent: string, needs: object, reason = 'reaches') => {
    const [act, id] = dependent.split(':')
    return edges(
      back((dash) => dash.needs.push(Need.parse({ id: 'n-back', dependent: { act, id }, needs, reason }))),
      'need',
    )
  }
  test.each([
    ['fasten:bolts', { kind: 'operation', act: 'close', id: 'hazard' }, 'close:hazard < fasten:bolts'],
    ['fasten:bolts', { kind: 'part', partId: 'cover', level: 'off' }, 'fasten:bolts < place:cover'],
    ['close:main', { kind: 'part', partId: 'cover', level: 'free' }, 'close:main < seat:cover'],
    ['seat:unit', { kind: 'tether', tetherId: 'hazard', state: 'open' }, 'seat:unit < close:hazard'],
    ['seat:panel', { kind: 'tether', tetherId: 'main', state: 'closed' }, 'close:main < seat:panel'],
  ])('%s needs %j: %s', (dependent, needs, edge) => {
    expect(stated(dependent, needs)).toContain(edge)
    expect(stated('undo:gone', needs)).not.toContain(edge)
  })
  test('a habit orders nothing', () =>
    expect(stated('fasten:bolts', { kind: 'operation', act: 'close', id: 'hazard' }, 'habit')).not.toContain(
      'close:hazard < fasten:bolts',
    ))
})

test('a part that was only eased is seated before it is fastened', () => {
  const refit = back(() => {}, 'eased')
  expect(edges(refit, 'holds')).toContain('seat:unit < fasten:bolts')
  expect([...refit.operations.keys()]).not.toContain('place:unit')
})

test('orders that were only seen, or are a rule of one go, are none of the way back', () => {
  const refit = back((dash) => {
    unit(dash).rests = []
    dash.strips.push({ label: 'Van 1', sequence: ['open:hazard', 'undo:bolts'], brokeRule: false } as never)
    // The plug waits for the cover, and so the release of the unit does, in one go.
    dash.needs.push(
      Need.parse({
        ...{ id: 'n-plug', dependent: { act: 'open', id: 'main' }, reason: 'covers' },
        needs: { kind: 'part', partId: 'cover', level: 'off' },
      }),
    )
  })
  expect(edges(refit, 'seen', 'in one go', 'eased first')).toEqual([])
})

describe('a setting that an act of the way back wants', () => {
  const lever = (id: string, dependent: string, reason: string, value = 'out of park') => {
    const [act, of] = dependent.split(':')
    const needs = { kind: 'setting', settingId: 'lever', value }
    return Need.parse({ id, dependent: { act, id: of }, needs, reason })
  }
  const demands = (...needs: Need[]) =>
    [...back((dash) => dash.needs.push(...needs)).demands].flatMap(([key, list]) =>
      list.map(({ settingId, value, because }) => `${key} ${settingId}=${value} ${because.kind}`),
    )
  test('as it is stated; the same stated twice is one', () => {
    expect(demands(lever('n', 'seat:unit', 'setting'))).toEqual(['seat:unit lever=out of park need'])
    expect(demands(lever('n', 'seat:unit', 'setting'), lever('m', 'seat:unit', 'setting'))).toHaveLength(1)
    expect(demands(lever('n', 'seat:unit', 'setting'), lever('m', 'seat:unit', 'setting', 'park'))).toHaveLength(2)
    expect(demands(lever('n', 'seat:unit', 'habit'))).toEqual([])
    expect(demands(lever('n', 'seat:gone', 'setting'))).toEqual([])
  })
  test('what stood in the hand’s way on the way in stands there on the way back; what was only asked for does not', () => {
    expect(demands(lever('n', 'undo:bolts', 'reaches'))).toEqual(['fasten:bolts lever=out of park need'])
    expect(demands(lever('n', 'undo:bolts', 'setting'))).toEqual([])
  })
  test('what a method moved out of the way goes back once the setting stands as it is to be', () => {
    const reach = (level: 'off' | 'free', partId = 'cover') =>
      Need.parse({
        ...{ id: 'm', dependent: { act: 'method', id: 'lever-to-out-of-park' }, reason: 'reaches' },
        needs: { kind: 'part', partId, level },
      })
    const wanted = lever('n', 'undo:bolts', 'setting')
    expect(demands(wanted, reach('off'))).toEqual(['place:cover lever=park set back'])
    // One that only came free is seated.
    expect(demands(wanted, reach('free', 'unit')).filter((demand) => demand.startsWith('place:unit'))).toEqual([
      'place:unit lever=park set back',
    ])
    // What the method back to that value moves has no such setting to wait for.
    const byTheWayBack = Need.parse({
      ...{ id: 'm', dependent: { act: 'method', id: 'lever-to-park' }, reason: 'reaches' },
      needs: { kind: 'part', partId: 'cover', level: 'off' },
    })
    expect(demands(wanted, byTheWayBack)).toEqual([])
    // The method of the way back asks for nothing more.
    expect(demands(lever('n', 'undo:bolts', 'setting', 'park'), reach('off'))).toEqual([])
  })
})

test('with what a pull let go is pressed home, at the seat of its part or of another that it holds', () => {
  const pressed = (change: (dash: ProcedureDocument) => void) =>
    [...back(change).operations.values()].flatMap(({ key, pulled }) =>
      pulled?.length ? [`${key} ${pulled.join()}`] : [],
    )
  expect(pressed(() => {})).toEqual(['seat:panel panel-clips', 'seat:cover cover-clips'])
  const joint = Holder.parse({ id: 'joint', kind: 'spring clip', count: 2, holds: ['unit', 'panel'] })
  expect(pressed((dash) => dash.holders.push(joint)).filter((each) => each.includes('joint'))).toEqual([
    expect.stringMatching(/^seat:(panel|unit) .*joint/),
  ])
})

test('a part that was eased before it came free is seated once', () => {
  const dash = smallDash()
  const reach = (id: string, dependent: string, needs: object, reason: string) =>
    Need.parse({ id, dependent: { act: 'release', id: dependent }, needs, reason })
  dash.needs = [
    reach('n-eased', 'cover', { kind: 'part', partId: 'unit', level: 'eased' }, 'reaches'),
    reach('n-trap', 'unit', { kind: 'part', partId: 'cover', level: 'off' }, 'traps'),
  ]
  unit(dash).ease = { holderIds: ['bolts'], gapMm: null, mustNot: '' }
  const goals = ['cover', 'unit'].map((partId) => ({ kind: 'part' as const, partId, level: 'off' as const }))
  const removal = deriveRemoval(forBuild(dash, {}), goals, { openings: {}, methods: {}, resting: 'rest' })
  const refit = removal.ok ? deriveRefit(removal.value) : removal
  if (!removal.ok || !refit.ok) throw new Error('It has a way in and a way back.')
  expect(removal.value.operations.has('ease:unit')).toBe(true)
  expect(refit.value.outKeyOf.has('ease:unit')).toBe(false)
  expect(refit.value.outKeyOf.get('release:unit')).toBe('seat:unit')
})
