import type { Id } from '../base/id'
import type { Axis } from './direction'
import type { ProcedureDocument } from './document'
import type { Edit } from './edit'
import type { Part } from './part'
import type { Tether } from './tether'
import type { View } from './view'
import type { Way } from './way'

/**
 * Which view a view is drawn from: itself, or the one it is the back of, seen mirrored. Nothing is stored on a back.
 */
export function drawnFrom(document: Pick<ProcedureDocument, 'views'>, view: View): { view: View; mirrored: boolean } {
  const front = view.backOf === null ? undefined : document.views.find((other) => other.id === view.backOf)
  return front ? { view: front, mirrored: true } : { view, mirrored: false }
}

/**
 * A record as it looks on a view: on a back, what is drawn on its front stands mirrored on it. Cost: O(items), nothing
 * for a front.
 */
export function seenOn(document: ProcedureDocument, view: View): ProcedureDocument {
  const { view: front, mirrored } = drawnFrom(document, view)
  if (!mirrored) return document
  const marks = <T extends { positions: { viewId: Id; x: number; y: number }[] }>(item: T): T => ({
    ...item,
    positions: item.positions.flatMap((mark) =>
      mark.viewId === front.id ? [{ viewId: view.id, x: front.widthMm - mark.x, y: mark.y }] : [],
    ),
  })
  return {
    ...document,
    parts: document.parts.map((part) => ({
      ...part,
      outline:
        part.outline?.viewId === front.id
          ? {
              viewId: view.id,
              points: part.outline.points.map(([x, y]): [number, number] => [front.widthMm - x, y]).reverse(),
            }
          : null,
    })),
    holders: document.holders.map(marks),
    tethers: document.tethers.map(marks),
    waypoints: document.waypoints.map(marks),
    ways: document.ways.map(marks),
  }
}

/** Where a point of a view is stored: on itself, or mirrored on its front. */
export function storedAt(
  document: ProcedureDocument,
  view: View,
  [x, y]: readonly [number, number],
): { viewId: Id; x: number; y: number } {
  const { view: front, mirrored } = drawnFrom(document, view)
  return { viewId: front.id, x: mirrored ? front.widthMm - x : x, y }
}

const OTHER_AXIS: Partial<Record<Axis, Axis>> = { left: 'right', right: 'left' }
const OTHER_STATION: Record<string, string> = {
  'outside left': 'outside right',
  'outside right': 'outside left',
  'driver side': 'passenger side',
  'passenger side': 'driver side',
}
const OTHER_TAB = { 'driver side': 'passenger side', 'passenger side': 'driver side' } as const

/** Left for right in words, whole words only. */
export function otherSideWords(words: string): string {
  return words.replace(
    /\b(left|right|Left|Right)\b/g,
    (word) => ({ left: 'right', right: 'left', Left: 'Right', Right: 'Left' })[word]!,
  )
}

function mirroredMotions(part: Part): Part['release']['motions'] {
  return part.release.motions.map((motion) => ({
    ...motion,
    directions: motion.directions.map((axis) => OTHER_AXIS[axis] ?? axis),
    turn: motion.turn && {
      ...motion.turn,
      sense: motion.turn.sense === 'clockwise' ? ('anticlockwise' as const) : ('clockwise' as const),
    },
  }))
}

/**
 * A part again on the other side of its view, as edits: its outline and marks mirrored about the middle, its fasteners
 * and plugs under new ids, left for right in its words. A screw turns the same way on both sides; how the part itself
 * turns does not.
 */
export function otherSideEdits(document: ProcedureDocument, partId: Id, newId: (prefix: string) => Id): Edit[] {
  const part = document.parts.find((item) => item.id === partId)
  if (!part) return []
  const id = newId('part')
  const across = acrossViews(document)
  const marks = <T extends Marked>(item: T) => marksAcross(item, across).positions
  const holders = document.holders.filter((holder) => holder.holds.length === 1 && holder.holds[0] === partId)
  const tethers = document.tethers.filter((tether) => tether.partId === partId)
  const add = (collection: 'parts' | 'holders' | 'tethers', item: { id: Id }): Edit => ({
    kind: 'add',
    collection,
    item,
    after: null,
  })
  return [
    add('parts', twinOf(part, id, across)),
    ...holders.map((holder) => {
      const item = { ...holder, id: newId('hold'), holds: [id], positions: marks(holder) }
      return add('holders', item)
    }),
    ...tethers.map((tether) =>
      add('tethers', {
        ...tether,
        id: newId('teth'),
        partId: id,
        mixups: [],
        throughPartId: null,
        tabSide: otherTab(tether.tabSide),
        positions: marks(tether),
      } as { id: Id }),
    ),
  ]
}

/** The part as it is on the other side; what hangs on other parts of this side is left out. */
function twinOf(part: Part, id: Id, across: Across): Part {
  const name = otherSideWords(part.name)
  return {
    ...part,
    id,
    name: name === part.name ? `${part.name}, other side`.slice(0, 80) : name,
    synonyms: part.synonyms.map(otherSideWords),
    formerIds: [],
    splitFrom: null,
    ease: null,
    carriedBy: null,
    station: OTHER_STATION[part.station] ?? part.station,
    outline: part.outline && {
      viewId: part.outline.viewId,
      points: part.outline.points.map(([x, y]): [number, number] => [across(part.outline!.viewId, x), y]).reverse(),
    },
    release: {
      ...part.release,
      start: otherSideWords(part.release.start),
      mustNot: otherSideWords(part.release.mustNot),
      motions: mirroredMotions(part),
    },
    refit: {
      ...part.refit,
      first: otherSideWords(part.refit.first),
      last: otherSideWords(part.refit.last),
      align: otherSideWords(part.refit.align),
      keepInFront: [],
      tightenOrder: [],
    },
  }
}

function otherTab(side: Tether['tabSide']): Tether['tabSide'] {
  return side === 'driver side' || side === 'passenger side' ? OTHER_TAB[side] : side
}

type Across = (viewId: Id, x: number) => number
type Marked = { positions: { viewId: Id; x: number; y: number }[] }

/** A place in a view, mirrored about its middle. */
function acrossViews({ views }: Pick<ProcedureDocument, 'views'>): Across {
  const width = new Map(views.map((view) => [view.id, view.widthMm]))
  return (viewId, x) => Math.round((width.get(viewId) ?? 0) - x)
}

function marksAcross<T extends Marked>(item: T, across: Across): T {
  return { ...item, positions: item.positions.map((place) => ({ ...place, x: across(place.viewId, place.x) })) }
}

/**
 * What of a record does not mirror by itself for a vehicle with the wheel on the other side, and has to be looked at.
 */
export type Unmirrored = { kind: 'turns' | 'says a side' | 'seen from the side'; itemId: Id; words: string }

/**
 * The record for the vehicle with the wheel on the other side: outlines, marks and drawings mirrored, left for right in
 * motions and words, the outside of the vehicle swapped. Driver and passenger side stay what they are called: they move
 * with the wheel. Nothing of it has been seen: it begins without strips.
 */
export function mirroredFor(name: string, like: ProcedureDocument): ProcedureDocument {
  const across = acrossViews(like)
  const marks = <T extends Marked>(item: T): T => marksAcross(item, across)
  const outside = (station: string) => (station.startsWith('outside') ? (OTHER_STATION[station] ?? station) : station)
  return {
    ...like,
    name,
    synonyms: [],
    strips: [],
    mirroredFrom: like.name,
    note: `Mirrored from ${like.name}, for the wheel on the other side. None of it has been seen on this model yet.`,
    views: like.views.map((view) => ({
      ...view,
      name: otherSideWords(view.name),
      mirrorBackdrop: !view.mirrorBackdrop,
      leftWord: view.rightWord,
      rightWord: view.leftWord,
      looking: view.looking === 'left' ? 'right' : view.looking === 'right' ? 'left' : view.looking,
    })),
    parts: like.parts.map((part) => ({
      ...part,
      name: otherSideWords(part.name),
      station: outside(part.station),
      helperStation: part.helperStation && outside(part.helperStation),
      outline: part.outline && {
        viewId: part.outline.viewId,
        points: part.outline.points.map(([x, y]): [number, number] => [across(part.outline!.viewId, x), y]).reverse(),
      },
      release: {
        ...part.release,
        start: otherSideWords(part.release.start),
        mustNot: otherSideWords(part.release.mustNot),
        motions: mirroredMotions(part),
      },
      refit: {
        ...part.refit,
        first: otherSideWords(part.refit.first),
        last: otherSideWords(part.refit.last),
        align: otherSideWords(part.refit.align),
      },
    })),
    holders: like.holders.map(marks),
    tethers: like.tethers.map(marks),
    waypoints: like.waypoints.map((point) => ({
      ...marks(point),
      name: otherSideWords(point.name),
      synonyms: point.synonyms.map(otherSideWords),
      station: outside(point.station),
    })),
    ways: like.ways.map((way) => mirroredWay(marks(way), outside)),
    settings: like.settings.map((setting) => ({
      ...setting,
      methods: setting.methods.map((method) => ({ ...method, stations: method.stations.map(outside) })),
    })),
  }
}

/** Pedals and column stay where the wheel is: nobody has looked along the mirrored way. */
function mirroredWay(way: Way, outside: (station: string) => string): Way {
  return {
    ...way,
    name: otherSideWords(way.name),
    station: outside(way.station),
    looked: false,
    layings: way.layings.map((laying) => ({
      ...laying,
      helperStation: laying.helperStation && outside(laying.helperStation),
      note: otherSideWords(laying.note),
    })),
  }
}

/**
 * What of a mirrored record has to be looked at by a person: turns, words that name a side, views seen from the side.
 */
export function unmirroredOf(document: ProcedureDocument): Unmirrored[] {
  const said = (itemId: Id, ...texts: string[]): Unmirrored[] => {
    const words = texts.find((text) => /\b(left|right)\b/i.test(text))
    return words === undefined ? [] : [{ kind: 'says a side', itemId, words }]
  }
  return [
    ...document.parts.flatMap((part): Unmirrored[] => [
      ...part.release.motions.flatMap((motion): Unmirrored[] =>
        motion.turn
          ? [{ kind: 'turns', itemId: part.id, words: `${motion.turn.sense}, seen from ${motion.turn.seenFrom}` }]
          : [],
      ),
      ...said(
        part.id,
        part.name,
        part.release.start,
        part.release.mustNot,
        part.refit.first,
        part.refit.last,
        part.refit.align,
        part.note,
      ),
    ]),
    ...document.holders.flatMap((holder) => said(holder.id, holder.note, holder.tell, holder.reach.lookFrom)),
    ...document.tethers.flatMap((tether) => said(tether.id, tether.name, tether.note, tether.pressAt, tether.tell)),
    ...document.waypoints.flatMap((point) => said(point.id, point.name, point.note)),
    ...document.ways.flatMap((way) => said(way.id, way.name, way.never, way.note)),
    ...document.cautions.flatMap((caution) => said(caution.id, caution.sentence)),
    ...document.views.flatMap((view): Unmirrored[] =>
      view.looking === 'left' || view.looking === 'right'
        ? [{ kind: 'seen from the side', itemId: view.id, words: view.name }]
        : [],
    ),
  ]
}
