import type { Id } from '../base/id'
import type { Access } from './access'
import type { Cavity } from './cavity'
import type { ProcedureDocument } from './document'
import type { Need } from './need'
import { editsBetween, type Edit } from './edit'
import type { Facet, SeenFrom } from './facet'
import { atLeast } from './levels'
import type { Part } from './part'
import type { Way } from './way'

/**
 * Two parts that turned out to be one, as edits: everything of the second goes to the first, its names become synonyms,
 * and its id is kept as a former one, so that what happened to it goes on meaning this part. What the first says itself
 * stays; what it leaves open the second fills. Needs of the one on the other vanish. Cost: O(items).
 */
export function mergeEdits(document: ProcedureDocument, keepId: Id, goneId: Id): Edit[] {
  const keep = document.parts.find((part) => part.id === keepId)
  const gone = document.parts.find((part) => part.id === goneId)
  if (!keep || !gone || keepId === goneId) return []
  const now: Renamed = (id) => (id === goneId ? keepId : id)
  const key = (text: string) => text.replace(new RegExp(`:${goneId.replace(/[.]/g, '\\.')}$`), `:${keepId}`)
  const merged: ProcedureDocument = {
    ...document,
    parts: document.parts
      .filter((part) => part.id !== goneId)
      .map((part) => (part.id === keepId ? filled(part, gone) : carriedAnew(part, now))),
    holders: document.holders.map((holder) => ({ ...holder, holds: [...new Set(holder.holds.map(now))] })),
    tethers: document.tethers.map((tether) => ({
      ...tether,
      partId: tether.partId && now(tether.partId),
      throughPartId: tether.throughPartId && now(tether.throughPartId),
    })),
    needs: needsAnew(document.needs, now),
    cavities: document.cavities.map((cavity) => cavityAnew(cavity, now)),
    facets: document.facets.map((facet) => facetAnew(facet, now)),
    waypoints: document.waypoints.map((point) => ({ ...point, access: accessAnew(point.access, now) })),
    ways: document.ways.map((way) => wayAnew(way, now)),
    cautions: document.cautions.map((caution) => ({
      ...caution,
      at: { ...caution.at, itemId: now(caution.at.itemId) },
    })),
    strips: document.strips.map((strip) => ({ ...strip, sequence: [...new Set(strip.sequence.map(key))] })),
  }
  return editsBetween(document, merged)
}

/** An id as it is called from now on. */
type Renamed = (id: Id) => Id

function facetAnew(facet: Facet, now: Renamed): Facet {
  const anew = (from: SeenFrom): SeenFrom => from && { ...from, partId: now(from.partId) }
  return {
    ...facet,
    toldFrom: anew(facet.toldFrom),
    choices: facet.choices.map((choice) => ({
      ...choice,
      tells: choice.tells.map((tell) => ({ ...tell, from: anew(tell.from) })),
    })),
  }
}

/** Access under the new names, each part once, at the furthest level asked for. */
function accessAnew(access: readonly Access[], now: Renamed): Access[] {
  const anew = access.map((item) => (item.kind === 'part' ? { ...item, partId: now(item.partId) } : item))
  return anew.filter(
    (item, i) =>
      item.kind !== 'part' ||
      !anew.some(
        (other, j) =>
          other.kind === 'part' &&
          other.partId === item.partId &&
          j !== i &&
          (item.level === other.level ? j < i : atLeast(other.level, item.level)),
      ),
  )
}

function wayAnew(way: Way, now: Renamed): Way {
  return {
    ...way,
    throughPartId: way.throughPartId && now(way.throughPartId),
    passes: way.passes.map((passed) => ({ ...passed, itemId: passed.itemId && now(passed.itemId) })),
    layings: way.layings.map((laying) => ({ ...laying, access: accessAnew(laying.access, now) })),
  }
}

function carriedAnew(part: Part, now: Renamed): Part {
  return {
    ...part,
    carriedBy: part.carriedBy && (now(part.carriedBy) === part.id ? null : now(part.carriedBy)),
    splitFrom: part.splitFrom && now(part.splitFrom),
  }
}

function cavityAnew(cavity: Cavity, now: Renamed): Cavity {
  return {
    ...cavity,
    openings: cavity.openings.map((opening) => ({
      ...opening,
      parts: opening.parts
        .map((part) => ({ ...part, partId: now(part.partId) }))
        .filter((part, i, all) => all.findIndex((other) => other.partId === part.partId) === i),
    })),
  }
}

/** Needs under the new name: what would wait for itself, and what is then said twice, is left out. */
function needsAnew(needs: readonly Need[], now: Renamed): Need[] {
  const stated = new Set<string>()
  return needs
    .map((need) => ({
      ...need,
      dependent: { ...need.dependent, id: now(need.dependent.id) },
      needs: neededAnew(need.needs, now),
    }))
    .filter((need) => {
      const said = JSON.stringify([need.dependent, need.needs, need.reason, need.when])
      if (isOnItself(need) || stated.has(said)) return false
      stated.add(said)
      return true
    })
}

function neededAnew(needed: Need['needs'], now: Renamed): Need['needs'] {
  if (needed.kind === 'part') return { ...needed, partId: now(needed.partId) }
  return needed.kind === 'operation' ? { ...needed, id: now(needed.id) } : needed
}

function isOnItself({ needs, dependent }: Need): boolean {
  if (needs.kind === 'part') return needs.partId === dependent.id
  return needs.kind === 'operation' && needs.id === dependent.id && needs.act === dependent.act
}

/** The kept part with what it left open filled from the other. */
function filled(keep: Part, gone: Part): Part {
  const words = [...keep.synonyms, gone.name, ...gone.synonyms].filter(
    (name, i, all) =>
      name.toLowerCase() !== keep.name.toLowerCase() &&
      all.findIndex((other) => other.toLowerCase() === name.toLowerCase()) === i,
  )
  const release =
    keep.release.motions.length > 0
      ? keep.release
      : {
          ...gone.release,
          start: keep.release.start || gone.release.start,
          mustNot: keep.release.mustNot || gone.release.mustNot,
        }
  return {
    ...keep,
    synonyms: words.slice(0, 20),
    formerIds: [...new Set([...keep.formerIds, gone.id, ...gone.formerIds])],
    carriedBy: keep.carriedBy === gone.id ? null : keep.carriedBy,
    rests: keep.rests.length > 0 ? keep.rests : gone.rests,
    outline: keep.outline ?? gone.outline,
    brittle: keep.brittle || gone.brittle,
    painted: keep.painted || gone.painted,
    persons: Math.max(keep.persons, gone.persons),
    massKg: keep.massKg ?? gone.massKg,
    release,
    note: [keep.note, gone.note].filter(Boolean).join('\n').slice(0, 1000),
  }
}

/**
 * One part that turned out to be two, as edits: a new one of that name beside it, with the fasteners and plugs that are
 * its own. What happened to the old one counts for both until the new one has a history of its own.
 */
export function splitEdits(
  document: ProcedureDocument,
  partId: Id,
  fresh: { id: Id; name: string },
  itemIds: readonly Id[],
): Edit[] {
  const part = document.parts.find((item) => item.id === partId)
  if (!part) return []
  const moves = new Set(itemIds)
  const split: Part = {
    ...part,
    id: fresh.id,
    name: fresh.name,
    synonyms: [],
    formerIds: [],
    splitFrom: partId,
    outline: null,
    ease: null,
    note: '',
  }
  const after: ProcedureDocument = {
    ...document,
    parts: document.parts.flatMap((item) => (item.id === partId ? [item, split] : [item])),
    holders: document.holders.map((holder) =>
      moves.has(holder.id)
        ? { ...holder, holds: [...new Set(holder.holds.map((id) => (id === partId ? fresh.id : id)))] }
        : holder,
    ),
    tethers: document.tethers.map((tether) => (moves.has(tether.id) ? { ...tether, partId: fresh.id } : tether)),
  }
  return editsBetween(document, after)
}
