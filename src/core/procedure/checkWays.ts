import type { Id } from '../base/id'
import type { Access } from './access'
import type { ProcedureDocument } from './document'
import type { Way } from './way'
import type { Hazard } from './wayWords'

/** What is missing or does not fit in the points and ways of a record. */
export type WayProblem =
  /** Along a pillar, roof edge, seat, knee panel or door, and nobody said a word on airbags. */
  | { kind: 'airbag not asked'; itemId: Id }
  /** It counts as touching until somebody measures. */
  | { kind: 'distance not measured'; itemId: Id; hazard: Hazard }
  /** Threaded, and nobody said how wide it is: any connector counts as passing. */
  | { kind: 'width not said'; itemId: Id }
  | { kind: 'not sealed'; itemId: Id }
  | { kind: 'drill not said'; itemId: Id }
  /** Asked for eased, and the record has no such thing of the part. */
  | { kind: 'eased not said'; itemId: Id; partId: Id }
  /** A point that nothing joins to the rest. */
  | { kind: 'island'; itemId: Id }
  | { kind: 'way stated twice'; itemId: Id; otherId: Id }

/** Where airbags usually are: common practice, no source. */
const NEAR_AIRBAGS = /pillar|roof|headliner|seat|knee|door|curtain/i

/** Every problem of the points and ways. Cost: O(ways x layings). */
export function wayProblems(document: ProcedureDocument): WayProblem[] {
  return [...document.ways.flatMap((way) => oneWay(document, way)), ...islands(document), ...twice(document.ways)]
}

function oneWay(document: ProcedureDocument, way: Way): WayProblem[] {
  const itemId = way.id
  const wet = [way.from, way.to].map((id) => document.waypoints.find((point) => point.id === id)?.wet ?? false)
  const eased = new Set(document.parts.flatMap((part) => (part.ease ? [part.id] : [])))
  return [
    ...(isUnasked(document, way) ? [{ kind: 'airbag not asked', itemId } as const] : []),
    ...way.passes.flatMap(({ kind, how, distanceMm }): WayProblem[] =>
      how === 'beside' && distanceMm === null ? [{ kind: 'distance not measured', itemId, hazard: kind }] : [],
    ),
    ...(way.bore === null && way.layings.some(({ how }) => how === 'threaded')
      ? [{ kind: 'width not said', itemId } as const]
      : []),
    ...(wet[0] !== wet[1] && (way.passage?.seal ?? 'none') === 'none' ? [{ kind: 'not sealed', itemId } as const] : []),
    ...(way.passage?.kind === 'to be drilled' && way.passage.drillMm === null
      ? [{ kind: 'drill not said', itemId } as const]
      : []),
    ...way.layings
      .flatMap(({ access }) => access)
      .flatMap((access): WayProblem[] =>
        access.kind === 'part' && access.level === 'eased' && !eased.has(access.partId)
          ? [{ kind: 'eased not said', itemId, partId: access.partId }]
          : [],
      ),
  ]
}

function isUnasked(document: ProcedureDocument, way: Way): boolean {
  if (way.looked || way.never !== '' || way.passes.some(({ kind }) => kind.startsWith('airbag'))) return false
  const ends = document.waypoints.filter(({ id }) => id === way.from || id === way.to).map(({ name }) => name)
  const parts = way.layings.flatMap(({ access }) => access.flatMap((item) => namesOf(document, item)))
  return [way.name, ...ends, ...parts].some((name) => NEAR_AIRBAGS.test(name))
}

function namesOf(document: ProcedureDocument, access: Access): string[] {
  const [list, id] =
    access.kind === 'part'
      ? ([document.parts, access.partId] as const)
      : ([document.cavities, access.cavityId] as const)
  return list.filter((item) => item.id === id).map(({ name }) => name)
}

/** Points outside the largest set that ways join, one for each such set. */
function islands({ waypoints, ways }: ProcedureDocument): WayProblem[] {
  const set = new Map(waypoints.map(({ id }) => [id, id]))
  const root = (id: Id): Id => {
    const next = set.get(id) ?? id
    return next === id ? id : root(next)
  }
  for (const { from, to } of ways) if (set.has(from) && set.has(to)) set.set(root(from), root(to))
  const sizes = new Map<Id, number>()
  for (const { id } of waypoints) sizes.set(root(id), (sizes.get(root(id)) ?? 0) + 1)
  const largest = [...sizes].reduce<[Id, number] | null>((best, one) => (best && best[1] >= one[1] ? best : one), null)
  return [...sizes.keys()]
    .filter((id) => id !== largest?.[0])
    .map((id) => ({ kind: 'island', itemId: waypoints.find((point) => root(point.id) === id)!.id }))
}

function twice(ways: readonly Way[]): WayProblem[] {
  const first = new Map<string, Id>()
  return ways.flatMap((way): WayProblem[] => {
    const key = JSON.stringify([[way.from, way.to].sort(), way.name.toLowerCase()])
    const otherId = first.get(key)
    if (otherId === undefined) first.set(key, way.id)
    return otherId === undefined ? [] : [{ kind: 'way stated twice', itemId: way.id, otherId }]
  })
}
