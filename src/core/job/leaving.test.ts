import { describe, expect, test } from '@jest/globals'
import { DEFAULT_HOUSE_VALUES } from '../shop/houseValues'
import { crewAtDash, goOnTo, record } from '../testing/atDash.testing'
import { smallDash } from '../testing/smallDash.testing'
import { whilePlanning } from '../vehicle/circumstances'
import { powerGate } from '../vehicle/powerGate'
import { Rule } from '../vehicle/rule'
import type { CrewAtWork } from './crew.testing'
import type { Happening } from './event'
import { leaveGate } from './leaveGate'
import { liveVehicle } from './liveVehicle'
import { wheelTagOf } from './wheelTag'

const circumstances = whilePlanning(DEFAULT_HOUSE_VALUES)
const vehicleOf = (crew: CrewAtWork) => liveVehicle(crew.model, crew.state, crew.nowMs)
const gateOf = (crew: CrewAtWork) => leaveGate(crew.model, crew.state, vehicleOf(crew), circumstances)
function tagOf(crew: CrewAtWork) {
  const power = powerGate(crew.model, vehicleOf(crew), circumstances)
  const trays = [{ label: 'A', holderIds: ['screws'], notWith: [] }]
  return wheelTagOf(crew.model, crew.state, { power, mayLeave: gateOf(crew).allowed }, trays)
}
/** What forbids using it after these, and the fewest acts that would allow it. */
function after(...happenings: Happening[]) {
  const crew = crewAtDash()
  record(crew, happenings)
  const { allowed, forbids, smallest } = gateOf(crew)
  return { allowed, forbids: forbids.map(({ kind }) => kind), smallest }
}
const at = (partId: string, level: 'eased' | 'free' | 'off' | 'in place'): Happening => ({
  kind: 'part at',
  partId,
  level,
})
const opened = (tetherId: string): Happening => ({ kind: 'opened', tetherId })

describe('what keeps the power off', () => {
  const leverAt = (power: string, value: string) =>
    Rule.parse({
      ...{ id: `lever-${power}`, severity: 'WARNING', sentence: 'Lever.', origin: 'test', effect: 'refuses' },
      at: { acts: ['power'], powers: [power] },
      while: [{ kind: 'setting not', role: 'gear lever', values: [value] }],
    })
  const smallest = (...rules: Rule[]) => {
    const dash = smallDash()
    dash.settings.find(({ id }) => id === 'lever')!.values.push('neutral')
    const crew = crewAtDash(dash)
    record(crew, [{ kind: 'set', settingId: 'lever', value: 'out of park', methodId: null }])
    return leaveGate(crew.model, crew.state, vehicleOf(crew), { ...circumstances, rules }).smallest
  }
  test('is put right once for ignition and engine', () =>
    expect(smallest(leverAt('ignition', 'park'), leverAt('engine', 'park'))).toEqual([
      { kind: 'set', settingId: 'lever', value: 'park' },
    ]))
  test('where they want one setting at two values nothing puts it right', () =>
    expect(smallest(leverAt('ignition', 'park'), leverAt('engine', 'neutral'))).toBeNull())
})

describe('may it be used unfinished', () => {
  test('untouched it may, and nothing is owed', () =>
    expect(after()).toEqual({ allowed: true, forbids: [], smallest: [] }))
  test.each(['eased', 'free'] as const)('a part that is %s is loose trim: push it home, or take it off', (level) => {
    const { allowed, forbids, smallest } = after(at('cover', level))
    expect([allowed, forbids]).toEqual([false, ['trim loose']])
    expect(smallest).toHaveLength(1)
  })
  test('a part that is off altogether may stay away', () => expect(after(at('cover', 'off')).allowed).toBe(true))
  test('in its place and nothing holds it: not; held by one of its groups only: not either', () => {
    const off: Happening[] = [
      { kind: 'undone', holderId: 'screws', count: 4 },
      { kind: 'undone', holderId: 'panel-clips', count: 6 },
    ]
    const back = [...off, at('panel', 'free'), at('panel', 'in place')]
    expect(after(...back).forbids).toEqual(['fasteners out'])
    const clips: Happening = { kind: 'fastened', holderId: 'panel-clips', count: 6, stage: 'final' }
    expect(after(...back, clips).forbids).toEqual(['fasteners out'])
    const screw: Happening = { kind: 'fastened', holderId: 'screws', count: 1, stage: 'final' }
    expect(after(...back, clips, screw).allowed).toBe(true)
  })
  test('a lead that hangs open: plugged, tied back, or left open on purpose', () => {
    expect(after(opened('main')).forbids).toEqual(['lead loose'])
    expect(after(opened('main'), { kind: 'lead parked', tetherId: 'main' }).allowed).toBe(true)
    expect(
      after(opened('main'), { kind: 'ended', itemId: 'main', end: 'left open and insulated', count: 1, note: '' })
        .allowed,
    ).toBe(true)
    expect(after(opened('main'), { kind: 'closed', tetherId: 'main' }).allowed).toBe(true)
  })
  test('a warning circuit is never tied back: only its plug does', () => {
    expect(after(opened('hazard'), { kind: 'lead parked', tetherId: 'hazard' })).toEqual({
      allowed: false,
      forbids: ['warning circuit'],
      smallest: [{ kind: 'plug', tetherId: 'hazard' }],
    })
  })
  test('what keeps the power off keeps it from being used, with the setting that would allow it', () => {
    const { allowed, smallest } = after({ kind: 'set', settingId: 'battery', value: 'off', methodId: null })
    expect([allowed, smallest]).toEqual([false, [{ kind: 'set', settingId: 'battery', value: 'on' }]])
  })
  test('the driver is told what does not work, what is missing, what nobody has tested, and what failed', () => {
    const crew = crewAtDash()
    record(crew, [opened('main'), at('cover', 'off')])
    const told = () => gateOf(crew).driverMustKnow
    expect(told()).toEqual({
      functionsOut: ['sound'],
      partsOff: ['cover'],
      notTested: [],
      leadsParked: [],
      leadsHalfway: [],
    })
    record(crew, [{ kind: 'lead parked', tetherId: 'main' }])
    expect(told().leadsParked).toEqual(['main'])
    record(crew, [{ kind: 'closed', tetherId: 'main' }])
    expect(told()).toMatchObject({ functionsOut: [], notTested: ['sound'] })
    const tested = (result: 'passed' | 'failed'): Happening => ({
      kind: 'tested',
      functionId: 'sound',
      result,
      reading: '',
      note: '',
    })
    record(crew, [tested('failed')])
    expect(told().notTested).toEqual(['sound'])
    record(crew, [tested('passed')])
    expect(told().notTested).toEqual([])
  })
})

describe('the tag on the wheel', () => {
  test('what lies in a tray is what came off and is neither back, broken, lost nor gone elsewhere', () => {
    const crew = crewAtDash()
    goOnTo(crew, 'fasten:screws')
    const lying = () => tagOf(crew).lines.find((line) => line.kind === 'fasteners')
    expect(lying()).toEqual({ kind: 'fasteners', count: 4, tray: 'A' })
    record(crew, [{ kind: 'lost', holderId: 'screws', count: 1, from: 'vehicle' }])
    expect(lying()).toMatchObject({ count: 3 })
    record(crew, [{ kind: 'broken', holderId: 'screws', count: 1, wasFitted: 'no', note: '' }])
    expect(lying()).toMatchObject({ count: 2 })
    record(crew, [{ kind: 'ended', itemId: 'screws', end: 'stock', count: 1, note: '' }])
    expect(lying()).toMatchObject({ count: 1 })
    record(crew, [{ kind: 'fastened', holderId: 'screws', count: 1, stage: 'final' }])
    expect(lying()).toBeUndefined()
  })
  test('strictest first: an open airbag plug, then no power, no start, not driven, and else it may be used', () => {
    const dash = smallDash()
    dash.tethers.push({ ...dash.tethers[0]!, id: 'bag', name: 'knee airbag', circuit: 'srs-firing', functions: [] })
    const verdict = (...happenings: Happening[]) => {
      const crew = crewAtDash(dash)
      record(crew, happenings)
      return tagOf(crew).verdict
    }
    expect(verdict(opened('bag'))).toBe('do not switch on')
    expect(verdict({ kind: 'set', settingId: 'lever', value: 'out of park', methodId: null })).toBe('do not start')
    expect(verdict(at('cover', 'free'))).toBe('do not drive')
    expect(verdict()).toBe('may be used')
  })
  test('it says what hurts first: the airbag, then settings, plugs, parts, and what it waits for', () => {
    const dash = smallDash()
    dash.tethers.push({ ...dash.tethers[0]!, id: 'bag', name: 'knee airbag', circuit: 'srs-firing', functions: [] })
    const crew = crewAtDash(dash)
    record(crew, [
      opened('main'),
      opened('bag'),
      at('cover', 'off'),
      { kind: 'set', settingId: 'ignition', value: 'on', methodId: null },
      { kind: 'set', settingId: 'battery', value: 'off', methodId: null },
      { kind: 'paused', reason: 'parts awaited', until: '2026-03-02' },
    ])
    // The key is with a person, not on the tag.
    expect(tagOf(crew).lines).toEqual([
      { kind: 'airbag open', tetherIds: ['bag'] },
      { kind: 'setting', settingId: 'battery', value: 'off' },
      { kind: 'plugs open', tetherIds: ['main'] },
      { kind: 'parts out', partIds: ['cover'] },
      { kind: 'waits', reason: 'parts awaited', until: '2026-03-02' },
    ])
  })
})
