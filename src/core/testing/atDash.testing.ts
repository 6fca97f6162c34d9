import { CrewAtWork } from '../job/crew.testing'
import type { Happening } from '../job/event'
import { nextTap, type NextTap } from '../job/progress'
import { PlanRequest } from '../plan/ask/planRequest'
import type { ProcedureDocument } from '../procedure/document'
import { smallDash } from './smallDash.testing'

/** To have the unit of the small dash out, and back. */
export const UNIT_OUT = PlanRequest.parse({ goals: [{ kind: 'part', partId: 'unit', level: 'off' }], build: {} })

/** Somebody at the small dash, with its plan; `document`: the dash otherwise. */
export function crewAtDash(document: ProcedureDocument = smallDash(), request: PlanRequest = UNIT_OUT): CrewAtWork {
  return new CrewAtWork(document, request)
}

/** Taps "done as written" until an operation is next. */
export function goOnTo(crew: CrewAtWork, key: string): NextTap {
  for (let i = 0; i < 60; i++) {
    const tap = nextTap(crew.plan, crew.state)
    if (!tap) throw new Error(`The job ended before ${key}.`)
    if (tap.step.operation.key === key) return tap
    for (const step of tap.steps) crew.does(step)
  }
  throw new Error(`${key} did not come.`)
}

export function record(crew: CrewAtWork, happenings: readonly Happening[]): void {
  for (const what of happenings) crew.add(what)
}
