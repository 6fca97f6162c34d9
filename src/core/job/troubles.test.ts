import { expect, test } from '@jest/globals'
import { crewAtDash, record } from '../testing/atDash.testing'
import { smallDash } from '../testing/smallDash.testing'
import { CIRCUITS } from '../procedure/circuits'
import type { Tether } from '../procedure/tether'
import type { Happening } from './event'
import { suspectsFor } from './troubles'

const closed: Happening[] = [
  { kind: 'opened', tetherId: 'main' },
  { kind: 'closed', tetherId: 'main' },
]
/** The causes named, in order, when the radio's test fails after these; `main`: its plug otherwise. */
function causes(happenings: Happening[], main: Partial<Tether> = {}, certainty: 'counted' | 'assumed' = 'counted') {
  const dash = smallDash()
  dash.tethers[0] = { ...dash.tethers[0]!, ...main }
  dash.functions[0]!.troubles = [{ symptom: 'silent', check: '', cause: 'Fuse 12 blown', cure: 'a new one' }]
  const crew = crewAtDash(dash)
  for (const what of happenings) crew.add(what, undefined, { certainty })
  return suspectsFor(crew.model, crew.state, 'sound').map(({ cause, from }) => `${from}: ${cause}`)
}

// Common practice, no source: first what the log shows, then what the record learnt, then what the trade knows.
test('a plug that is open by the log comes first, and only its own', () => {
  expect(causes([{ kind: 'opened', tetherId: 'main' }])[0]).toBe('this job: plug main is open by the log')
  expect(causes([{ kind: 'opened', tetherId: 'hazard' }]).join()).not.toContain('open by the log')
})
test('one that was only assumed to be closed comes before what the record knows', () => {
  const found = causes(closed, {}, 'assumed')
  expect(found.slice(0, 2)).toEqual(['this job: plug main was only assumed to be closed', 'record: Fuse 12 blown'])
  expect(causes(closed).join()).not.toContain('assumed')
})
test('untouched: only what the record has learnt', () => expect(causes([])).toEqual(['record: Fuse 12 blown']))
test('a plug with a lever: the lever first, and no “not home”', () => {
  expect(causes(closed, { latch: 'lever', circuit: 'usb' })).toEqual([
    'record: Fuse 12 blown',
    'practice: lever not closed',
    'practice: pin pushed back in main',
    'practice: fuse blown',
  ])
})
test('a plug with a tab and a lookalike: not home, pin, wrong socket, fuse', () => {
  expect(causes(closed, { latch: 'press tab', circuit: 'usb', mixups: ['hazard'] })).toEqual([
    'record: Fuse 12 blown',
    'practice: plug main not home',
    'practice: pin pushed back in main',
    'practice: wrong plug in the socket',
    'practice: fuse blown',
  ])
})
test('a coax lead has neither pins nor a fuse', () => {
  expect(causes(closed, { kind: 'coax', circuit: 'antenna' })).toEqual([
    'record: Fuse 12 blown',
    'practice: plug main not home',
  ])
})
test('a part that is out counts as touched, whatever its plug', () => {
  expect(causes([{ kind: 'part at', partId: 'unit', level: 'off' }]).length).toBeGreaterThan(1)
})
test.each([
  ['start', 'start control unplugged'],
  ['srs-indicator', 'fault stored'],
  ['srs-firing', 'fault stored'],
  ['audio', 'fed from the rear outputs'],
  ['lighting', 'bulb holder loose'],
  ['courtesy-lamp', 'bulb holder loose'],
] as const)('of %s the trade knows: %s', (circuit, cause) =>
  expect(causes(closed, { circuit })).toContain(`practice: ${cause}`),
)
test('of the other circuits it knows nothing more', () => {
  // High voltage is never opened here: no plan leads to it.
  const known = ['high-voltage', 'start', 'srs-indicator', 'srs-firing', 'audio', 'lighting', 'courtesy-lamp']
  for (const circuit of CIRCUITS.filter((name) => !known.includes(name)))
    expect([circuit, causes(closed, { circuit }).length]).toEqual([circuit, 4])
})
test('the same cause is named once, however it is written', () => {
  const crew = crewAtDash(
    (() => {
      const dash = smallDash()
      dash.functions[0]!.troubles = [{ symptom: '', check: '', cause: 'FUSE BLOWN', cure: '' }]
      return dash
    })(),
  )
  record(crew, closed)
  const found = suspectsFor(crew.model, crew.state, 'sound').filter(({ cause }) => cause.toLowerCase() === 'fuse blown')
  expect(found.map(({ from }) => from)).toEqual(['record'])
})
