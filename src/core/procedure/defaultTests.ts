import { circuitOf, isElectrical } from './circuits'
import type { ProcedureDocument } from './document'
import { suppliedIn } from './jobDocument'
import type { Tether } from './tether'
import type { VehicleFunction } from './vehicleFunction'

const known = new WeakMap<ProcedureDocument, ProcedureDocument>()

/**
 * The record with a test for every electrical plug that has none: that of its circuit or, where nobody can tell, the
 * question which. The tests are derived and stored nowhere. Worked out once a record. Cost: O(tethers).
 */
export function withDefaultTests(document: ProcedureDocument): ProcedureDocument {
  const found = known.get(document)
  if (found) return found
  // What a kit's own plug brings is tested by what the kit says.
  const supplied = suppliedIn(document)
  const untested = document.tethers.filter(
    (tether) => isElectrical(tether) && tether.functions.length === 0 && !supplied.has(tether.id),
  )
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
  return tether.functions.length > 0 || circuitOf(tether).test !== null
}

function defaultTest(tether: Tether): VehicleFunction {
  const test = circuitOf(tether).test ?? {
    name: 'no test known: which?',
    how: 'try what it feeds, and write down what that was',
    power: 'ignition' as const,
  }
  return {
    ...test,
    name: `${test.name} (${tether.name})`.slice(0, 60),
    id: `test-of-${tether.id}`.slice(0, 64),
    readingUnit: '',
    least: null,
    most: null,
    interim: 'when hidden',
    warmUpS: 0,
    alsoNeeds: [],
    troubles: [],
    when: {},
  }
}
