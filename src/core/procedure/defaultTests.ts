import { countsAs, isElectrical, type Circuit } from './circuits'
import type { ProcedureDocument } from './document'
import type { Tether } from './tether'
import type { VehicleFunction } from './vehicleFunction'

type DefaultTest = Pick<VehicleFunction, 'name' | 'how' | 'power'>

/**
 * What is tried after a plug of a circuit was open, where the record says nothing else; null where nobody can tell.
 * Common practice, no source.
 */
export const DEFAULT_TESTS: Record<Circuit, DefaultTest | null> = {
  'srs-firing': {
    name: 'Airbag lamp',
    how: 'lights with the ignition, goes out within ten seconds',
    power: 'ignition',
  },
  'srs-indicator': {
    name: 'Airbag lamp',
    how: 'lights with the ignition, goes out within ten seconds',
    power: 'ignition',
  },
  'high-voltage': null,
  start: { name: 'Starter', how: 'the engine starts, lever in park', power: 'engine' },
  hazard: { name: 'Hazard lights', how: 'all four flash', power: 'battery' },
  climate: { name: 'Climate', how: 'fan at all speeds, warm and cold, every outlet', power: 'ignition' },
  audio: { name: 'Sound', how: 'from all four corners; phone and navigation heard', power: 'accessory' },
  antenna: { name: 'Reception', how: 'stations found', power: 'accessory' },
  can: { name: 'Data line', how: 'no warning lamp more than before', power: 'ignition' },
  video: { name: 'Picture', how: 'the camera or display shows its picture', power: 'ignition' },
  usb: { name: 'USB socket', how: 'charges and is recognised', power: 'accessory' },
  'power-outlet': { name: 'Power outlet', how: 'supplies', power: 'accessory' },
  lighting: { name: 'Lamps', how: 'each lights and goes out', power: 'ignition' },
  'courtesy-lamp': { name: 'Courtesy lamp', how: 'lights and goes out', power: 'battery' },
  window: { name: 'Window', how: 'up and down, stops at the top', power: 'ignition' },
  mirror: { name: 'Mirror', how: 'all four ways, folds', power: 'ignition' },
  'brake-control': { name: 'Brake control', how: 'sets and releases, its lamp goes out', power: 'ignition' },
  sensor: null,
  other: null,
}

const known = new WeakMap<ProcedureDocument, ProcedureDocument>()

/**
 * The record with a test for every electrical plug that has none: that of its circuit or, where nobody can tell, the
 * question which. The tests are derived and stored nowhere. Worked out once a record. Cost: O(tethers).
 */
export function withDefaultTests(document: ProcedureDocument): ProcedureDocument {
  const found = known.get(document)
  if (found) return found
  const untested = document.tethers.filter((tether) => isElectrical(tether) && tether.functions.length === 0)
  const tests = new Map(untested.map((tether) => [tether.id, defaultTest(tether)]))
  const functions = [...tests.values()].filter(({ id }) => !document.functions.some((item) => item.id === id))
  const whole =
    untested.length === 0
      ? document
      : {
          ...document,
          functions: [...document.functions, ...functions],
          tethers: document.tethers.map((tether) =>
            tests.has(tether.id) ? { ...tether, functions: [tests.get(tether.id)!.id] } : tether,
          ),
        }
  known.set(document, whole)
  return whole
}

/** Whether a plug can be tested at all by what is known of it. */
export function hasKnownTest(tether: Tether): boolean {
  return tether.functions.length > 0 || DEFAULT_TESTS[countsAs(tether) ?? 'other'] !== null
}

function defaultTest(tether: Tether): VehicleFunction {
  const test = DEFAULT_TESTS[countsAs(tether) ?? 'other'] ?? {
    name: 'no test known: which?',
    how: 'try what it feeds, and write down what that was',
    power: 'ignition' as const,
  }
  return {
    ...test,
    name: `${test.name} (${tether.name})`.slice(0, 60),
    id: `test-of-${tether.id}`.slice(0, 64),
    readingUnit: '',
    interim: 'when hidden',
    warmUpS: 0,
    alsoNeeds: [],
    troubles: [],
    when: {},
  }
}
