import { expect, test } from '@jest/globals'
import { PlanRequest } from '../plan/ask/planRequest'
import { crewAtDash, record } from '../testing/atDash.testing'
import { smallDash } from '../testing/smallDash.testing'
import type { Happening } from './event'
import { intakeOf, toRestore } from './intake'
import { INTAKE_POINTS, type IntakePoint } from './intakePoints'
import { overlayOf } from './overlay'

/** The points asked about on a dash; `battery`: the goal needs the battery off. */
function asked(change: (dash: ReturnType<typeof smallDash>) => void = () => undefined): IntakePoint[] {
  const dash = smallDash()
  change(dash)
  const crew = crewAtDash(
    dash,
    PlanRequest.parse({ goals: [{ kind: 'part', partId: 'unit', level: 'off' }], build: {} }),
  )
  const { offered } = intakeOf(crew.plan, dash, crew.state, overlayOf([]))
  return offered.flatMap((item) => (item.kind === 'point' ? [item.point] : []))
}
const batteryOff = (dash: ReturnType<typeof smallDash>) => {
  dash.tethers.forEach((tether) => (tether.circuit = 'sensor'))
  dash.needs.push({
    ...dash.needs[0]!,
    id: 'n-battery',
    dependent: { act: 'open', id: 'main' },
    needs: { kind: 'setting', settingId: 'battery', value: 'off' },
    reason: 'setting',
  })
}
const silent = (dash: ReturnType<typeof smallDash>) => dash.tethers.forEach((tether) => (tether.circuit = 'sensor'))

// By hand: what this plan gives a reason to look at.
test('a radio on four wheels: keys, wheel, media, codes, clock, stations, seat, lamps, voltage, fasteners', () => {
  expect(asked()).toEqual([
    ...['workplace', 'keys', 'wheel', 'media', 'codes', 'clock', 'stations', 'seat', 'warning lamps'],
    ...['battery voltage', 'marks and damage', 'earlier work', 'fasteners'],
  ])
})
test('no audio plug: nothing is ejected, no code and no clock is noted', () => {
  expect(asked(silent)).not.toEqual(expect.arrayContaining(['media']))
  for (const point of ['codes', 'clock', 'stations'] as const) expect(asked(silent)).not.toContain(point)
})
test('where the battery goes off, codes, clock, windows and mirrors are asked, whatever is unplugged', () => {
  const points = asked(batteryOff)
  for (const point of ['codes', 'clock', 'windows', 'mirrors'] as const) expect(points).toContain(point)
  for (const point of ['media', 'stations'] as const) expect(points).not.toContain(point)
})
test('the temperature is asked where something brittle moves', () => {
  expect(asked()).not.toContain('temperature')
  expect(asked((dash) => (dash.parts[1]!.brittle = true))).toContain('temperature')
})
test('a motorcycle has no doors, no seat to note and no steering wheel', () => {
  const points = asked((dash) => (dash.wheels = 'two'))
  for (const point of ['keys', 'wheel', 'windows', 'seat', 'mirrors', 'warning lamps'] as const)
    expect(points).not.toContain(point)
})
test('what was noted of comfort settings is owed back until it is said to be so again; a mark is not', () => {
  const crew = crewAtDash()
  const noted = (point: IntakePoint, value: string): Happening => ({ kind: 'checked in', point, value })
  record(
    crew,
    INTAKE_POINTS.map((point) => noted(point, 'as it is')),
  )
  expect(toRestore(crew.state)).toEqual(['clock', 'stations', 'seat', 'mirrors', 'windows'])
  record(crew, [{ kind: 'restored', point: 'clock' }, noted('seat', '')])
  expect(toRestore(crew.state)).toEqual(['stations', 'mirrors', 'windows'])
})
test('known of the vehicle: a screw missing since an earlier job is asked of the groups this plan undoes', () => {
  const earlier = crewAtDash()
  record(earlier, [
    { kind: 'as found', holderId: 'screws', what: 'missing', count: 1, note: '' },
    { kind: 'as found', holderId: 'bolts', what: 'extra', count: 2, note: '' },
  ])
  const crew = crewAtDash(
    smallDash(),
    PlanRequest.parse({ goals: [{ kind: 'part', partId: 'panel', level: 'off' }], build: {} }),
  )
  const known = () =>
    intakeOf(crew.plan, crew.document, crew.state, overlayOf([earlier.state])).offered.filter(
      ({ kind }) => kind === 'known',
    )
  expect(known()).toEqual([{ kind: 'known', holderId: 'screws', what: 'missing', count: 1, done: false }])
  record(crew, [{ kind: 'as found', holderId: 'screws', what: 'missing', count: 1, note: '' }])
  expect(known()).toMatchObject([{ done: true }])
})
test('a function is tried before its plug is touched; afterwards it is too late', () => {
  const crew = crewAtDash()
  const sound = () =>
    intakeOf(crew.plan, crew.document, crew.state, overlayOf([])).offered.find(
      (item) => item.kind === 'function' && item.functionId === 'sound',
    )
  expect(sound()).toMatchObject({ done: false, tooLate: false })
  record(crew, [
    { kind: 'opened', tetherId: 'main' },
    { kind: 'worked before', functionId: 'sound', works: true, note: '' },
  ])
  expect(sound()).toMatchObject({ done: false, tooLate: true })
})
