import type { Id } from '../base/id'
import { Caution } from '../procedure/caution'
import { Holder } from '../procedure/holder'
import { suppliedIn, type JobDocument } from '../procedure/jobDocument'
import { Part } from '../procedure/part'
import { Tether } from '../procedure/tether'
import type { Kit } from './kit'

/**
 * The vehicle's record with the things of these kits, as records of its own kinds, so that whatever looks one up finds
 * it. A thing that is there already stays as it is: doing it twice changes nothing. A plug out of a box that nobody has
 * classified is none of the airbag system, as one found on a vehicle may be. Cost: O(items of the kits).
 */
export function withKits(document: JobDocument, kits: readonly { kit: Kit }[]): JobDocument {
  if (kits.every(({ kit }) => ownIds(kit).length === 0)) return document
  const all = kits.map(({ kit }) => kit)
  const supplied = new Set([...suppliedIn(document), ...all.flatMap(ownIds)])
  return {
    ...document,
    views: joined(
      document.views,
      all.flatMap(({ views }) => views),
    ),
    facets: joined(
      document.facets,
      all.flatMap(({ facets }) => facets),
    ),
    parts: joined(
      document.parts,
      all.flatMap(({ parts }) =>
        parts.map((part) => Part.parse({ ...part, pieces: Math.min(20, part.count), station: 'bench' })),
      ),
    ),
    holders: joined(
      document.holders,
      all.flatMap(({ holders }) => holders.map((holder) => Holder.parse(holder))),
    ),
    tethers: joined(
      document.tethers,
      all.flatMap(({ plugs }) => plugs.map((plug) => Tether.parse({ ...plug, circuit: plug.circuit ?? 'other' }))),
    ),
    cautions: joined(
      document.cautions,
      all.flatMap(({ cautions }) => cautions.map((caution) => Caution.parse(caution))),
    ),
    supplied,
  }
}

function joined<T extends { id: Id }>(there: readonly T[], more: readonly T[]): T[] {
  const ids = new Set(there.map(({ id }) => id))
  return [...there, ...more.filter(({ id }) => !ids.has(id))]
}

/**
 * Ids of the things of a kit that a job counts and looks up. How a module is set is none of the vehicle's settings,
 * which the rules of safety read and a search moves.
 */
function ownIds({ parts, holders, plugs, facets, views, cautions }: Kit): Id[] {
  return [parts, holders, plugs, facets, views, cautions].flatMap((items) => items.map(({ id }) => id))
}
