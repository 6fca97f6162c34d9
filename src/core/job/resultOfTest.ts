import type { VehicleFunction } from '../procedure/vehicleFunction'
import { readNumber } from './intake'
import { inRange } from './workSteps'

/** The number at the beginning of a reading ("12.4 V"); null where it does not begin with one. */
export function numberIn(reading: string): number | null {
  const [first] = /^-?\d+(?:[.,]\d+)?/.exec(reading.trim().replace('−', '-')) ?? []
  return first === undefined ? null : readNumber(first)
}

/** What a test came to: what somebody says, unless its reading lies outside where it has to. */
export function resultOfTest(
  item: Pick<VehicleFunction, 'least' | 'most'>,
  said: { result: 'passed' | 'failed'; reading: string },
): 'passed' | 'failed' {
  return inRange(item, numberIn(said.reading)) === false ? 'failed' : said.result
}
