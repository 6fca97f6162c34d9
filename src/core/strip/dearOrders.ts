import type { Id } from '../base/id'
import { modelOfRequest } from '../plan/ask/modelOfRequest'
import type { JobEvent } from '../job/event'
import { foldJob, levelNow } from '../job/fold'
import { wayInOf } from '../job/strips'
import { planJob } from '../plan/planJob'
import { PlanRequest } from '../plan/ask/planRequest'
import type { ProcedureDocument } from '../procedure/document'
import { mayRestFree } from '../procedure/resting'
import type { HouseValues } from '../shop/houseValues'
import type { Rule } from '../vehicle/rule'
import type { Question } from './questions'
import { splitKey } from '../procedure/acts'

/** Less than this is not worth a question. */
const WORTH_S = 5
/** What is spent on one way round. */
const GLANCE = { limits: { expandedStates: 600 } }

/**
 * Orders that nobody has explained and that cost time: of two parts that came off one after the other, whether the
 * other way round everything that came off could be had sooner. Dearest first. Nothing where the record gives no plan
 * yet. Cost: one plan for the strip as it was seen, and one for each pair of neighbours.
 */
export function dearOrders(
  document: ProcedureDocument,
  events: readonly JobEvent[],
  house: HouseValues,
  rules: readonly Rule[],
): Question[] {
  const state = foldJob(document, events)
  const sequence = wayInOf(document, events)
  const out = document.parts.filter((part) => levelNow(state, part.id) !== 'in place')
  if (out.length < 2) return []
  const goals = out.map((part) => ({
    kind: 'part' as const,
    partId: part.id,
    level: levelNow(state, part.id) === 'free' && mayRestFree(part) ? ('free' as const) : ('off' as const),
  }))
  const request = PlanRequest.parse({
    goals,
    build: Object.fromEntries(state.facets),
    start: document.parts[0]!.station,
    scope: 'opened',
  })
  const seconds = (strips: readonly (readonly string[])[]): number | null => {
    const seen = {
      ...document,
      strips: strips.map((order, i) => ({ id: `seen-${i}`, label: `${i}`, sequence: [...order], brokeRule: false })),
    }
    const plan = planJob(modelOfRequest(seen, request), request, house, rules, GLANCE)
    return plan.ok ? plan.value.proof.totalS : null
  }
  const asSeenS = seconds([sequence])
  if (asSeenS === null) return []
  const actsOf = (partId: Id) => sequence.filter((key) => ownerOf(document, key) === partId)
  const order = [...new Set(sequence.map((key) => ownerOf(document, key)))].filter((id): id is Id => id !== null)
  return order
    .slice(1)
    .flatMap((nextId, i): Question[] => {
      const partId = order[i]!
      // A second strip of these two alone, the other way round, frees just this pair.
      const freedS = seconds([sequence, [...actsOf(nextId), ...actsOf(partId)]])
      const savesS = freedS === null ? 0 : asSeenS - freedS
      return savesS >= WORTH_S
        ? [
            {
              id: `order:${partId}>${nextId}`.slice(0, 200),
              kind: 'had to be',
              partId,
              nextId,
              savesS,
              reasons: ['habit', 'traps', 'covers', 'threads', 'reaches'],
            },
          ]
        : []
    })
    .sort((a, b) => (b.kind === 'had to be' && a.kind === 'had to be' ? b.savesS - a.savesS : 0))
}

/** The part an act belongs to. */
function ownerOf(document: ProcedureDocument, key: string): Id | null {
  const [act, id] = splitKey(key)
  if (act === 'undo') return document.holders.find((holder) => holder.id === id)?.holds[0] ?? null
  if (act === 'open') return document.tethers.find((tether) => tether.id === id)?.partId ?? null
  return id
}
