import type { Id } from '../base/id'
import { levelNow } from '../job/fold'
import type { JobState } from '../job/jobState'
import type { Access } from '../procedure/access'
import type { ProcedureDocument } from '../procedure/document'
import type { Edit } from '../procedure/edit'
import type { Station } from '../procedure/station'
import { Way, type Passed } from '../procedure/way'
import { Waypoint } from '../procedure/waypoint'

/** A point as it is said: one the record has, or a new one by its name. */
export type SaidPoint = { id: Id } | { name: string }

/** What was said of a way for a lead. `beside`: what it goes by; `looked`: somebody looked all along it. */
export type SaidWay = {
  from: SaidPoint
  to: SaidPoint
  along: string
  lengthMm: number
  lengthKnown: Way['lengthKnown']
  how: Way['layings'][number]['how']
  access: Access[]
  beside: Pick<Passed, 'kind' | 'how' | 'distanceMm'>[]
  looked: boolean
}

/** What is open at the moment, as the access a way may need: each part at the level it is at. */
export function openNow(document: ProcedureDocument, state: JobState): Access[] {
  return document.parts.flatMap((part): Access[] => {
    const level = levelNow(state, part.id)
    return level === 'in place' ? [] : [{ kind: 'part', partId: part.id, level }]
  })
}

/** Names offered for a point: behind whatever is out of the way now. */
export function pointNames(document: ProcedureDocument, state: JobState): string[] {
  const known = new Set(document.waypoints.map(({ name }) => name.toLowerCase()))
  return openNow(document, state).flatMap((item) => {
    const part = item.kind === 'part' && document.parts.find(({ id }) => id === item.partId)
    const name = part ? `behind the ${part.name.toLowerCase()}`.slice(0, 80) : ''
    return part && !known.has(name) ? [name] : []
  })
}

/**
 * A way as edits: its points where they are new, then the way itself. Two points of one name are one point. Nothing
 * where both ends are the same.
 */
export function wayEdits(
  document: ProcedureDocument,
  said: SaidWay,
  station: Station,
  newId: (prefix: string) => Id,
): Edit[] {
  const added: Waypoint[] = []
  const idOf = (point: SaidPoint): Id => {
    if ('id' in point) return point.id
    const name = point.name.trim()
    const known = [...document.waypoints, ...added].find((item) => item.name.toLowerCase() === name.toLowerCase())
    if (known) return known.id
    const fresh = Waypoint.parse({ id: newId('point'), name, station })
    added.push(fresh)
    return fresh.id
  }
  const [from, to] = [idOf(said.from), idOf(said.to)]
  if (from === to) return []
  const nameOf = (id: Id) => [...document.waypoints, ...added].find((item) => item.id === id)!.name
  const way = Way.parse({
    ...{
      id: newId('way'),
      name: said.along.trim() || `${nameOf(from)} to ${nameOf(to)}`.slice(0, 80),
      from,
      to,
      station,
    },
    ...{ lengthMm: said.lengthMm, lengthKnown: said.lengthKnown, looked: said.looked },
    passes: said.beside,
    layings: [{ id: newId('laying'), how: said.how, access: said.access }],
  })
  const add = (collection: 'waypoints' | 'ways', item: { id: Id }): Edit => ({
    ...{ kind: 'add', collection, item, after: null },
  })
  return [...added.map((point) => add('waypoints', point)), add('ways', way)]
}
