import type { Operation } from '../../order/operation'
import { demandsOf, type Demands } from '../derive/demandsOf'
import type { DerivedJob } from '../derive/derivedJob'
import type { JobStart } from '../derive/jobStart'
import type { Legs } from '../derive/leg'
import type { SettingMove } from '../derive/settingMoves'
import type { SequencedJob } from './sequenceJob'

/** Sums of the same seconds in another order differ by this at most. */
export const ROUNDING_S = 1e-6

/** An operation, or a setting act at a station, in its place. */
export type Item = { operation: Operation } | { move: SettingMove; station: string }

/** What an order is judged by. `asked`: what each operation asks for, looked up once for the many goes through it. */
export type Context = {
  job: DerivedJob
  legs: Legs
  start: JobStart
  sequenced: SequencedJob
  asked: (operation: Operation) => Demands
}

/** Looks up once what each operation asks for. */
export function askedIn(job: DerivedJob): Context['asked'] {
  const known = new Map<Operation, Demands>()
  return (operation) => {
    const demands = known.get(operation) ?? demandsOf(job, operation)
    known.set(operation, demands)
    return demands
  }
}
