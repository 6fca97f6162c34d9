import type { Id } from '../base/id'
import { isAirbagCircuit } from '../procedure/circuits'
import type { ProcedureDocument } from '../procedure/document'
import type { Kit } from './kit'
import type { KitFit } from './kitFit'
import { isFittedIn } from './kitHere'

/** What a model does not have, or a kit asks of it in vain. */
export type FitProblem =
  | { kind: 'no such place'; workId: Id; in: string }
  | { kind: 'no such end'; itemId: Id }
  /** A lead begins, ends or never goes by a point or way that the model does not have (any more). */
  | { kind: 'no such point'; leadId: Id; in: string }
  | { kind: 'no such function'; functionId: Id }
  | { kind: 'no such facet'; facetId: Id; in: string }
  /** What is carried over, adapted or ordered names something that neither of them has. */
  | { kind: 'no such thing'; id: Id; in: 'carried over' | 'replaced' | 'adapter' | 'way out' }
  /** It stands in for a part of the vehicle, and no step of the kit's work fits it. */
  | { kind: 'nothing fits it'; partId: Id }
  /** Airbag plugs are plugged as the maker plugged them: nothing is put between. */
  | { kind: 'adapter in an airbag plug'; tetherId: Id }

/** Where a kit and a model do not meet: a place, a thing or a facet that the model does not have (any more). */
export function checkFit(kit: Kit, fit: KitFit, document: ProcedureDocument): FitProblem[] {
  const has = (items: readonly { id: Id }[], id: Id) => items.some((item) => item.id === id)
  const facets = new Set([...document.facets, ...kit.facets].map(({ id }) => id))
  const conditional = [...kit.parts, ...kit.plugs, ...kit.settings, ...kit.works, ...kit.functions]
  return [
    ...kit.works.flatMap((work) =>
      (fit.access[work.id] ?? [])
        .filter((access) =>
          access.kind === 'cavity' ? !has(document.cavities, access.cavityId) : !has(document.parts, access.partId),
        )
        .map((): FitProblem => ({ kind: 'no such place', workId: work.id, in: work.name })),
    ),
    ...kit.leads.flatMap(({ id, name }): FitProblem[] => {
      const of = fit.leads[id]
      const points = [...document.waypoints, ...document.ways]
      return [...(of?.ends.flat() ?? []), ...(of?.through ?? []), ...(of?.notThrough ?? [])].some(
        (pointId) => !has(points, pointId),
      )
        ? [{ kind: 'no such point', leadId: id, in: name }]
        : []
    }),
    ...fit.endings
      // Something stands in for parts only: what is plugged goes into the new one by itself.
      .filter(({ itemId, by }) => !has(document.parts, itemId) && (by !== null || !has(document.tethers, itemId)))
      .map(({ itemId }): FitProblem => ({ kind: 'no such end', itemId })),
    ...connected(kit, fit, document),
    ...[...fit.functionsChanged, ...fit.functionsTaken]
      .filter((id) => !has(document.functions, id))
      .map((functionId): FitProblem => ({ kind: 'no such function', functionId })),
    ...conditional.flatMap(({ when, name }) =>
      Object.keys(when)
        .filter((id) => !facets.has(id))
        .map((facetId): FitProblem => ({ kind: 'no such facet', facetId, in: name })),
    ),
  ]
}

type In = Extract<FitProblem, { kind: 'no such thing' }>['in']

/** What a fit says of things of both: carriers and their fasteners, adapters and their plugs, the way out. */
function connected(kit: Kit, fit: KitFit, document: ProcedureDocument): FitProblem[] {
  const known = {
    parts: ids(document.parts),
    tethers: ids(document.tethers),
    holders: new Set([...ids(document.holders), ...ids(kit.holders)]),
    kitParts: ids(kit.parts),
    plugs: ids(kit.plugs),
    works: ids(kit.works),
  }
  const lost = (where: In, has: ReadonlySet<Id>, wanted: readonly (Id | null)[]): FitProblem[] =>
    wanted.flatMap((id) => (id === null || has.has(id) ? [] : [{ kind: 'no such thing', id, in: where }]))
  const adapted = new Set(fit.adapted.map(({ tetherId }) => tetherId))
  return [
    ...fit.endings.flatMap(({ ending, onto, by, fastenedBy }) =>
      ending === 'replaced'
        ? // The kit's own fasteners are in the steps of its work.
          [...lost('replaced', known.kitParts, [by]), ...lost('replaced', ids(document.holders), fastenedBy)]
        : [...lost('carried over', known.kitParts, [onto]), ...lost('carried over', known.holders, fastenedBy)],
    ),
    ...fit.endings.flatMap(({ ending, by }): FitProblem[] =>
      ending !== 'replaced' || by === null || kit.works.some((work) => isFittedIn(work, by))
        ? []
        : [{ kind: 'nothing fits it', partId: by }],
    ),
    ...fit.adapted.flatMap(({ tetherId, partId, plugIds }) => [
      ...lost('adapter', known.tethers, [tetherId]),
      ...lost('adapter', known.kitParts, [partId]),
      ...lost('adapter', known.plugs, plugIds),
    ]),
    ...document.tethers
      .filter((tether) => adapted.has(tether.id) && isAirbagCircuit(tether))
      .map(({ id }): FitProblem => ({ kind: 'adapter in an airbag plug', tetherId: id })),
    ...fit.wayOut.flatMap(({ workId, partId }) => [
      ...lost('way out', known.works, [workId]),
      ...lost('way out', known.parts, [partId]),
    ]),
  ]
}

function ids(items: readonly { id: Id }[]): Set<Id> {
  return new Set(items.map(({ id }) => id))
}
