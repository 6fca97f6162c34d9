import { describe, expect, test } from '@jest/globals'
import { PlanRequest } from '../ask/planRequest'
import { Facet } from '../../procedure/facet'
import { checkFit } from '../../shop/checkFit'
import { Kit } from '../../shop/kit'
import { KitFit } from '../../shop/kitFit'
import { DEFAULT_HOUSE_VALUES } from '../../shop/houseValues'
import { suppliesNeeded } from '../../shop/supplies'
import { smallDash } from '../../testing/smallDash.testing'
import { NEW_UNIT, REPLACED } from '../../testing/newUnitKit.testing'
import { modelOfRequest } from '../ask/modelOfRequest'
import { planJob } from '../planJob'
import { allSteps } from '../show/planOnCards'
import { BENCH } from '../../procedure/stations'

/** A new frame takes the cover of the old one, on two screws of its own; the unit's plug goes through an adapter. */
const KIT = Kit.parse({
  id: 'frame-kit',
  name: 'New frame',
  parts: [
    { id: 'frame', name: 'New frame' },
    { id: 'adapter', name: 'Adapter' },
  ],
  holders: [{ id: 'frame-screws', kind: 'machine screw', count: 2, holds: ['frame'] }],
  plugs: [{ id: 'adapter-socket', name: 'socket side', partId: 'adapter', circuit: 'audio' }],
  works: [
    { id: 'frame-in', name: 'Frame in', steps: [{ id: 's1', act: 'fit', itemId: 'frame' }] },
    {
      id: 'adapt',
      name: 'Adapter in',
      steps: [
        { id: 's2', act: 'fit', itemId: 'adapter' },
        { id: 's3', act: 'plug', itemId: 'adapter-socket' },
      ],
    },
  ],
})
const unitOff = [{ kind: 'part', partId: 'unit', level: 'off' }] as const
const FIT = {
  procedureId: 'small-dash',
  access: { 'frame-in': unitOff, adapt: unitOff },
  endings: [{ itemId: 'cover', ending: 'moved', onto: 'frame', fastenedBy: ['frame-screws'] }],
  adapted: [{ tetherId: 'main', partId: 'adapter', plugIds: ['adapter-socket'] }],
}
const plan = (fit: object = {}, document = smallDash(), policy: object = {}) => {
  const request = PlanRequest.parse({
    kits: [{ kit: KIT, fit: KitFit.parse({ ...FIT, ...fit }) }],
    build: {},
    policy: { ...policy },
  })
  const planned = planJob(modelOfRequest(document, request), request, DEFAULT_HOUSE_VALUES)
  if (!planned.ok) throw new Error(JSON.stringify(planned.error))
  return planned.value
}
const keys = (of: ReturnType<typeof plan>) => allSteps(of).map(({ operation }) => operation.key)
const before = (list: readonly string[], a: string, b: string) =>
  list.indexOf(a) >= 0 && list.indexOf(a) < list.indexOf(b)

describe('what is carried over', () => {
  test('is undone, placed on its new carrier and fastened there, at the bench, before that goes in', () => {
    const planned = plan()
    const order = keys(planned)
    expect(before(order, 'release:cover', 'seat:cover')).toBe(true)
    expect(before(order, 'seat:cover', 'fasten:frame-screws')).toBe(true)
    expect(before(order, 'fasten:frame-screws', 'work:frame-in')).toBe(true)
    // The cover stands no more over the screws of the panel: they go in after it was moved.
    expect(before(order, 'seat:cover', 'fasten:screws')).toBe(true)
    const onto = allSteps(planned).filter(({ operation }) => operation.partId === 'cover' && operation.phase === 'out')
    expect(new Set(onto.map(({ station }) => station))).toEqual(new Set([BENCH]))
  })
  test('leaves its old clips behind: nothing presses them home', () => {
    const pressed = allSteps(plan()).flatMap(({ operation }) =>
      operation.phase === 'out' ? (operation.pulled ?? []) : [],
    )
    expect(pressed).not.toContain('cover-clips')
    expect(keys(plan())).not.toContain('fasten:cover-clips')
  })
  test('may be held by its own fasteners again', () => {
    const own = plan({ endings: [{ itemId: 'cover', ending: 'moved', onto: 'frame', fastenedBy: ['cover-clips'] }] })
    const seat = allSteps(own).find(({ operation }) => operation.key === 'seat:cover')!
    expect(seat.operation.pulled).toEqual(['cover-clips'])
    expect(keys(own)).not.toContain('fasten:frame-screws')
  })
  test('that goes nowhere known has no way back, as before', () => {
    const gone = keys(plan({ endings: [{ itemId: 'cover', ending: 'moved' }] }))
    expect(gone.some((key) => key === 'seat:cover' || key === 'place:cover')).toBe(false)
  })
  test('opens the place of its own carrier, and closes nothing there', () => {
    const access = { 'frame-in': [{ kind: 'part', partId: 'cover', level: 'off' }], adapt: unitOff }
    const order = keys(plan({ access }))
    expect(before(order, 'lift:cover', 'seat:cover')).toBe(true)
    expect(before(order, 'fasten:frame-screws', 'work:frame-in')).toBe(true)
  })
  test('has its plug closed once its carrier is in, however it was reached before', () => {
    const document = smallDash()
    const lamp = { ...document.tethers[0]!, id: 'lamp', name: 'lamp', partId: 'cover', functions: [] }
    document.tethers.push({ ...lamp, reached: 'before the release', mustOpenFor: 'free' })
    const order = keys(plan({}, document))
    expect(before(order, 'work:frame-in', 'close:lamp')).toBe(true)
    expect(before(order, 'close:lamp', 'seat:unit')).toBe(true)
  })
  test('counts the kit’s screws as used', () => {
    const needs = suppliesNeeded([{ kit: KIT, fit: KitFit.parse(FIT) }], {})
    expect(needs.find(({ itemId }) => itemId === 'frame-screws')).toMatchObject({ needed: 2 })
  })
})

const CAB = Facet.parse({
  ...{ id: 'cab', name: 'Cab' },
  choices: [
    { id: 'single', name: 'single' },
    { id: 'double', name: 'double' },
  ],
})

describe('what a part of the kit stands in for', () => {
  const replacing = (ending: object = {}, document = smallDash(), kit = NEW_UNIT) => {
    const fit = KitFit.parse({ procedureId: 'small-dash', endings: [{ ...REPLACED, ...ending }] })
    const request = PlanRequest.parse({ kits: [{ kit, fit }], build: {} })
    const planned = planJob(modelOfRequest(document, request), request, DEFAULT_HOUSE_VALUES)
    if (!planned.ok) throw new Error(JSON.stringify(planned.error))
    return planned.value
  }
  test('comes off though nobody asked for it, and of it nothing comes back but its plug, into the new one', () => {
    const planned = replacing()
    const order = keys(planned)
    expect(before(order, 'lift:unit', 'work:unit-in')).toBe(true)
    expect(order.filter((key) => ['place:unit', 'seat:unit', 'fasten:bolts'].includes(key))).toEqual([])
    const close = allSteps(planned).find(({ operation }) => operation.key === 'close:main')!
    expect(close.operation.ontoId).toBe('new-unit')
    // Reached only with the unit in the hand: plugged before the new one goes in.
    expect(before(order, 'close:main', 'work:unit-in')).toBe(true)
  })
  test('is in before what lay over the old one goes back', () => {
    const order = keys(replacing())
    expect(before(order, 'work:unit-in', 'place:panel') || before(order, 'work:unit-in', 'seat:panel')).toBe(true)
  })
  test('is plugged while it is in the hand: what has to be ready first is ready before the plug', () => {
    const kit = Kit.parse({
      ...NEW_UNIT,
      works: [
        { id: 'lead-in', name: 'Lead in' },
        { ...NEW_UNIT.works[0]!, afterWork: ['lead-in'] },
      ],
    })
    const order = keys(replacing({}, smallDash(), kit))
    expect(before(order, 'work:lead-in', 'close:main')).toBe(true)
    expect(before(order, 'close:main', 'work:unit-in')).toBe(true)
  })
  test('is in before what lay over the screws that stay behind goes back', () => {
    const document = smallDash()
    document.parts.push({ ...document.parts[0]!, id: 'flap', name: 'Flap' })
    document.needs.push({ ...document.needs[0]!, id: 'n-flap', dependent: { act: 'undo', id: 'bolts' } })
    Object.assign(document.needs.at(-1)!, { needs: { kind: 'part', partId: 'flap', level: 'off' } })
    expect(before(keys(replacing({}, document)), 'work:unit-in', 'seat:flap')).toBe(true)
  })
  test('takes up its place once other work there is done', () => {
    const kit = Kit.parse({ ...NEW_UNIT, works: [{ id: 'behind', name: 'Behind it' }, NEW_UNIT.works[0]!] })
    const fit = KitFit.parse({ procedureId: 'small-dash', access: { behind: unitOff }, endings: [REPLACED] })
    const request = PlanRequest.parse({ kits: [{ kit, fit }], build: {} })
    const planned = planJob(modelOfRequest(smallDash(), request), request, DEFAULT_HOUSE_VALUES)
    expect(planned.ok && before(keys(planned.value), 'work:behind', 'work:unit-in')).toBe(true)
  })
  test('has a plug that was reached before the release closed once it is in', () => {
    const document = smallDash()
    Object.assign(document.tethers[0]!, { reached: 'before the release', mustOpenFor: 'free' })
    expect(before(keys(replacing({}, document)), 'work:unit-in', 'close:main')).toBe(true)
  })
  test('is held by the old fasteners where the kit says so, and they are driven once it is in', () => {
    const order = keys(replacing({ fastenedBy: ['bolts'] }))
    expect(before(order, 'work:unit-in', 'fasten:bolts')).toBe(true)
  })
  test('old clips that let go with the pull are pressed by an act of their own', () => {
    const document = smallDash()
    document.holders.push({ ...document.holders[0]!, id: 'unit-clips', holds: ['unit'] })
    const used = replacing({ fastenedBy: ['unit-clips'] }, document)
    expect(before(keys(used), 'work:unit-in', 'fasten:unit-clips')).toBe(true)
    expect(keys(replacing({}, document))).not.toContain('fasten:unit-clips')
  })
  test('has the settings its push home asks for', () => {
    const document = smallDash()
    document.needs.push({
      ...document.needs[1]!,
      ...{ id: 'n-lever', reason: 'reaches', dependent: { act: 'release', id: 'unit' } },
      needs: { kind: 'setting', settingId: 'lever', value: 'out of park' },
    })
    const planned = replacing({}, document)
    expect(planned.job.refit.demands.get('work:unit-in')).toContainEqual(
      expect.objectContaining({ settingId: 'lever', value: 'out of park' }),
    )
  })
  test('asks for nothing on a build without the old part, nor where a record has lost it', () => {
    expect(keys(replacing({ itemId: 'not-there' }))).toContain('work:unit-in')
    const document = smallDash()
    document.facets.push(CAB)
    document.parts.find(({ id }) => id === 'unit')!.when = { cab: ['single'] }
    const fit = KitFit.parse({ procedureId: 'small-dash', endings: [REPLACED] })
    const request = PlanRequest.parse({ kits: [{ kit: NEW_UNIT, fit }], build: { cab: 'double' } })
    const planned = planJob(modelOfRequest(document, request), request, DEFAULT_HOUSE_VALUES)
    expect(planned.ok && keys(planned.value)).toEqual(['work:unit-in'])
  })
  test('goes back as the old one did where no work of the kit fits anything, and where the job says otherwise', () => {
    const plain = keys(replacing({ by: null }))
    // Nothing asks for the unit then.
    expect(plain).not.toContain('lift:unit')
    const without = Kit.parse({ ...NEW_UNIT, works: [{ id: 'unit-in', name: 'Unit in' }] })
    expect(keys(replacing({}, smallDash(), without))).not.toContain('lift:unit')
    const forAPlug = KitFit.parse({ procedureId: 'p', endings: [{ ...REPLACED, itemId: 'main' }] })
    expect(checkFit(NEW_UNIT, forAPlug, smallDash())).toEqual([{ kind: 'no such end', itemId: 'main' }])
    expect(checkFit(without, KitFit.parse({ procedureId: 'p', endings: [REPLACED] }), smallDash())).toEqual([
      { kind: 'nothing fits it', partId: 'new-unit' },
    ])
  })
})

describe('an adapter in a connection', () => {
  test('is there before the vehicle’s plug goes into it; the plug is closed once, and the adapter’s own besides', () => {
    const order = keys(plan())
    expect(before(order, 'work:adapt', 'close:main')).toBe(true)
    expect(order.filter((key) => key === 'close:main')).toHaveLength(1)
  })
  test('a function of that plug is tested only once the adapter is plugged', () => {
    const document = smallDash()
    document.parts.push({ ...document.parts[1]!, id: 'lid', name: 'Lid' })
    document.needs.push({
      ...document.needs[1]!,
      id: 'n-lid',
      dependent: { act: 'release', id: 'panel' },
      needs: { kind: 'part', partId: 'lid', level: 'off' },
    })
    const order = keys(plan({}, document))
    expect(before(order, 'work:adapt', 'test:sound')).toBe(true)
    expect(before(order, 'test:sound', 'seat:panel')).toBe(true)
  })
})

test('a kit may say what goes home before, and what after, a piece of its work', () => {
  const first = { access: { 'frame-in': [], adapt: unitOff } }
  const after = keys(plan({ ...first, wayOut: [{ workId: 'frame-in', is: 'after', partId: 'panel' }] }))
  expect(before(after, 'seat:panel', 'work:frame-in')).toBe(true)
  const ahead = keys(plan({ ...first, wayOut: [{ workId: 'frame-in', is: 'before', partId: 'panel' }] }))
  expect(before(ahead, 'work:frame-in', 'seat:panel')).toBe(true)
})

test('closed at once: nothing is tried before, what lies over it is named, and the plan is no longer', () => {
  const safe = plan()
  const fast = plan({}, smallDash(), { tests: 'at hand-over' })
  expect(safe.job.tests.map(({ functionId }) => functionId)).toEqual(['sound'])
  expect(fast.job.tests).toEqual([])
  expect(fast.job.notTriedBefore).toMatchObject([{ functionId: 'sound', hiders: ['panel'] }])
  expect(fast.proof.totalS).toBeLessThan(safe.proof.totalS)
})

test('what neither of them has, and an adapter in an airbag plug, are named', () => {
  const document = smallDash()
  document.tethers.push({ ...document.tethers[0]!, id: 'bag', name: 'bag', circuit: 'srs-firing' })
  const said = (fit: object) => checkFit(KIT, KitFit.parse({ ...FIT, ...fit }), document)
  expect(said({})).toEqual([])
  expect(said({ endings: [{ itemId: 'cover', ending: 'moved', onto: 'x', fastenedBy: ['y'] }] })).toMatchObject([
    { kind: 'no such thing', id: 'x', in: 'carried over' },
    { kind: 'no such thing', id: 'y', in: 'carried over' },
  ])
  expect(said({ adapted: [{ tetherId: 'bag', partId: 'adapter', plugIds: ['z'] }] })).toMatchObject([
    { kind: 'no such thing', id: 'z', in: 'adapter' },
    { kind: 'adapter in an airbag plug', tetherId: 'bag' },
  ])
  expect(said({ wayOut: [{ workId: 'w', is: 'after', partId: 'p' }] }).map(({ kind }) => kind)).toEqual([
    'no such thing',
    'no such thing',
  ])
})
