import type { Id } from '../base/id'
import type { Holder } from '../procedure/holder'
import { suppliedIn, type JobDocument } from '../procedure/jobDocument'
import type { Part } from '../procedure/part'
import type { Tether } from '../procedure/tether'
import type { Kit } from './kit'
import type { KitHolder, KitPart, KitPlug } from './kitThings'

/**
 * The vehicle's record with the things of these kits, as records of its own kinds, so that whatever looks one up finds
 * it. A thing that is there already stays as it is: doing it twice changes nothing. A plug out of a box that nobody has
 * classified is none of the airbag system, as one found on a vehicle may be. Cost: O(items of the kits).
 */
export function withKits(document: JobDocument, kits: readonly { kit: Kit }[]): JobDocument {
  if (kits.every(({ kit }) => ownIds(kit).length + wishesOf(kit).length === 0)) return document
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
      all.flatMap(({ parts }) => parts.map(asPart)),
    ),
    holders: joined(
      document.holders,
      all.flatMap(({ holders }) => holders.map(asHolder)),
    ),
    tethers: joined(
      document.tethers,
      all.flatMap(({ plugs }) => plugs.map(asTether)),
    ),
    cautions: joined(
      document.cautions,
      all.flatMap(({ cautions }) => cautions),
    ),
    supplied,
    wishes: new Set([...(document.wishes ?? []), ...all.flatMap(wishesOf)]),
  }
}

/*
 * What means nothing of a thing in a box, as the records have it by default; the compiler sees that nothing is missing.
 * Written out, so that a tablet that only counts needs no parser.
 */
const OF_PART: Omit<Part, keyof KitPart> = {
  formerIds: [],
  splitFrom: null,
  zone: '',
  station: 'bench',
  helperStation: null,
  pieces: 1,
  fixing: 'fastened',
  hot: false,
  fuel: false,
  rests: [],
  ease: null,
  carriedBy: null,
  usualEnd: 'refitted',
  outline: null,
  release: { start: '', motions: [], tool: 'hand', effort: 'light', protect: '', mustNot: '' },
  refit: {
    ...{ first: '', last: '', before: '', align: '', confirm: '', keepInFront: [], startAllFirst: false },
    ...{ tightenOrder: [], hardToUndo: false },
  },
}
const OF_HOLDER: Omit<Holder, keyof KitHolder> = {
  howMany: 'counted',
  countMost: null,
  captive: false,
  letsGo: 'as its kind',
  turn: null,
  bearsWeight: false,
  sameAs: [],
  reach: { by: 'sight', lookFrom: '', depthMm: null, headroomMm: null, powerTool: 'not said' },
}
const OF_TETHER: Omit<Tether, keyof KitPlug> = {
  mustOpenFor: 'off',
  reached: 'after the release',
  mixups: [],
  functions: [],
  throughPartId: null,
  effort: 'light',
  reach: OF_HOLDER.reach,
}

function asPart({ count, photoId: _photo, supply: _supply, ...part }: KitPart): Part {
  return { ...OF_PART, ...part, pieces: Math.min(20, count) }
}
function asHolder({ supply: _supply, ...holder }: KitHolder): Holder {
  return { ...OF_HOLDER, ...holder }
}
function asTether({ into: _into, ...plug }: KitPlug): Tether {
  return { ...OF_TETHER, ...plug, circuit: plug.circuit ?? 'other' }
}

function joined<T extends { id: Id }>(there: readonly T[], more: readonly T[]): T[] {
  const ids = new Set(there.map(({ id }) => id))
  return [...there, ...more.filter(({ id }) => !ids.has(id))]
}

/** Functions the customer may do without. */
function wishesOf({ functions }: Kit): Id[] {
  return functions.filter(({ optional }) => optional).map(({ id }) => id)
}

/**
 * Ids of the things of a kit that a job counts and looks up. How a module is set is none of the vehicle's settings,
 * which the rules of safety read and a search moves.
 */
function ownIds({ parts, holders, plugs, facets, views, cautions }: Kit): Id[] {
  return [parts, holders, plugs, facets, views, cautions].flatMap((items) => items.map(({ id }) => id))
}
