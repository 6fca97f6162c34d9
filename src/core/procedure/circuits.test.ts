import { describe, expect, test } from '@jest/globals'
import {
  circuitOf,
  CIRCUITS,
  countsAs,
  isAirbagCircuit,
  isUnclassified,
  isWarningCircuit,
  mayStayOpen,
  type Circuit,
} from './circuits'
import { hasKnownTest, withDefaultTests } from './defaultTests'
import { emptyDocument } from './document'
import { forBuild } from './forBuild'
import { Part } from './part'
import { Tether } from './tether'

// Written out by hand, a row a circuit: airbag system; the vehicle is not driven while it is open; may stay open on
// purpose; tested by itself. Common practice, no source.
const TABLE: Record<Circuit, [airbag: boolean, warns: boolean, mayStay: boolean, tested: boolean]> = {
  'srs-firing': [true, true, false, true],
  'srs-indicator': [true, true, false, true],
  'high-voltage': [false, false, false, false],
  start: [false, false, false, true],
  hazard: [false, true, false, true],
  climate: [false, false, true, true],
  audio: [false, false, true, true],
  antenna: [false, false, true, true],
  can: [false, false, true, true],
  video: [false, false, true, true],
  usb: [false, false, true, true],
  'power-outlet': [false, false, true, true],
  lighting: [false, true, true, true],
  'courtesy-lamp': [false, false, true, true],
  window: [false, false, true, true],
  mirror: [false, false, true, true],
  'brake-control': [false, true, false, true],
  sensor: [false, false, true, false],
  other: [false, false, true, false],
}

test.each(CIRCUITS)('%s', (circuit) => {
  const plug = { circuit }
  expect([isAirbagCircuit(plug), isWarningCircuit(plug), mayStayOpen(plug), circuitOf(plug).test !== null]).toEqual(
    TABLE[circuit],
  )
})

describe('until somebody says what it feeds', () => {
  const plug = (more: object) => Tether.parse({ id: 't', partId: 'p', name: 'plug', ...more })
  test.each<[string, object, Circuit | null]>([
    ['an airbag plug by its name', { name: 'driver airbag' }, 'srs-firing'],
    ['its lamp by its name', { name: 'airbag lamp' }, 'srs-indicator'],
    ['a tensioner', { name: 'belt tensioner' }, 'srs-firing'],
    ['a yellow one', { colour: 'yellow' }, 'srs-firing'],
    ['one nobody has classified', {}, 'srs-indicator'],
    ['a yellow one somebody has classified', { colour: 'yellow', circuit: 'audio' }, 'audio'],
    ['a hose', { kind: 'hose' }, null],
    ['an antenna lead', { kind: 'coax' }, null],
  ])('%s counts as %3$s', (_, more, circuit) => {
    expect(countsAs(plug(more))).toBe(circuit)
    expect(isUnclassified(plug(more))).toBe(circuit !== null && !('circuit' in more))
  })
  test('a build sees it so: no ignition while it is open, and the lamp is tested', () => {
    const document = {
      ...emptyDocument('One plug'),
      parts: [Part.parse({ id: 'p', name: 'panel', station: 'centre' })],
      tethers: [plug({})],
    }
    const model = forBuild(document, {})
    expect(model.tethers.get('t')!.circuit).toBe('srs-indicator')
    expect([...model.functions.values()]).toMatchObject([
      { id: 'test-of-t', name: 'Airbag lamp (plug)', power: 'ignition' },
    ])
    expect(model.document).toBe(document)
  })
})

test('every electrical plug has a test: the record’s own, its circuit’s, or the question which', () => {
  const plug = (id: string, more: object) => Tether.parse({ id, partId: 'p', name: id, ...more })
  const document = {
    ...emptyDocument('Plugs'),
    tethers: [
      plug('window', { circuit: 'window' }),
      plug('odd', { circuit: 'other' }),
      plug('drain', { kind: 'hose' }),
    ],
  }
  const whole = withDefaultTests(document)
  expect(whole.functions.map(({ id, name }) => [id, name])).toEqual([
    ['test-of-window', 'Window (window)'],
    ['test-of-odd', 'no test known: which? (odd)'],
  ])
  expect(whole.tethers.map(({ functions }) => functions)).toEqual([['test-of-window'], ['test-of-odd'], []])
  expect(document.tethers.map((tether) => hasKnownTest(tether))).toEqual([true, false, false])
  expect(withDefaultTests(document)).toBe(whole)
})
