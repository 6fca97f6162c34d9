import type { Id } from '../base/id'
import type { Access } from './access'
import type { Caution } from './caution'
import type { Cavity } from './cavity'
import type { ProcedureDocument } from './document'
import { countsAs } from './circuits'
import { withDefaultTests } from './defaultTests'
import { withHead } from './heads'
import type { Holder } from './holder'
import type { Need } from './need'
import type { Part } from './part'
import type { Method, Setting } from './setting'
import type { Tether, TyingTether } from './tether'
import type { VehicleFunction } from './vehicleFunction'
import type { Way } from './way'
import type { Waypoint } from './waypoint'
import { existsOn } from './existsOn'
import type { Build, When } from './when'
import { actOf, type ActTarget, type DependentAct } from './acts'

/** By holder: the head that was found on one vehicle ("six-lobe T15"), where it is not the recorded one. */
export type Heads = Readonly<Record<Id, string>>

/** A procedure as it is on one build: what `when` excludes is gone, and what hangs in the air went with it. */
export type ProcedureForBuild = {
  document: ProcedureDocument
  build: Build
  wheels: ProcedureDocument['wheels']
  parts: Map<Id, Part>
  holders: Map<Id, Holder>
  tethers: Map<Id, TyingTether>
  settings: Map<Id, Setting>
  methods: Map<Id, { method: Method; settingId: Id }>
  cavities: Map<Id, Cavity>
  functions: Map<Id, VehicleFunction>
  waypoints: Map<Id, Waypoint>
  ways: Map<Id, Way>
  cautions: Caution[]
  needs: Need[]
  needOf: Map<Id, Need>
  holdersOf: Map<Id, Holder[]>
  tethersOf: Map<Id, TyingTether[]>
  /** Parts that come along inside another. */
  carriedIn: Map<Id, Part[]>
  needsOf: Map<string, Need[]>
  /**
   * What ties a part to the vehicle: its own tethers and those of the parts it carries. A carried part has none of its
   * own.
   */
  tyingOf: Map<Id, TyingTether[]>
  /** The part that moves when this one does: itself, or the outermost part it is carried by. */
  hostOf: (partId: Id) => Id
  /** Facets that some condition asks about and the build leaves open: those items are taken as present. */
  openFacets: Set<Id>
}

/**
 * Restricts a document to a build. A facet not told yet keeps its items in (the widest reading: more is counted
 * and guarded, never less) and is named in `openFacets`. A need whose other end is absent vanishes, except that
 * a method whose need is absent is unavailable. `heads`: fasteners that have another head on this very vehicle. Cost:
 * O(items).
 */
export function forBuild(recorded: ProcedureDocument, build: Build, heads: Heads = {}): ProcedureForBuild {
  const document = withDefaultTests(recorded)
  const openFacets = new Set<Id>()
  const here = presentOn(build, openFacets)
  const parts = byId(here(document.parts))
  const functions = byId(here(document.functions))
  const holders = holdersHere(here(document.holders), parts, heads)
  const tethers = tethersHere(here(document.tethers), parts, functions)
  const settings = byId(here(document.settings))
  const collections = { parts, holders, tethers, settings, functions }
  const { methods, needs } = needsHere(here(document.needs), collections)
  const cavities = cavitiesHere(here(document.cavities), parts)
  const hostOf = hostIn(parts)
  const waypoints = byId(
    here(document.waypoints).map((point) => ({ ...point, access: accessHere(point.access, parts) })),
  )
  const ways = waysHere(here(document.ways), waypoints, parts)
  const things = [parts, holders, tethers, settings, methods, cavities, functions, waypoints, ways]
  return {
    ...collections,
    document: recorded,
    build,
    wheels: document.wheels,
    methods,
    cavities,
    waypoints,
    ways,
    cautions: here(document.cautions).filter(({ at }) => things.some((map) => map.has(at.itemId))),
    needs,
    needOf: byId(needs),
    carriedIn: groupBy(
      [...parts.values()].filter((part) => part.carriedBy !== null && parts.has(part.carriedBy)),
      (part) => [part.carriedBy!],
    ),
    holdersOf: groupBy([...holders.values()], (holder) => holder.holds),
    tethersOf: groupBy([...tethers.values()], (tether) => [tether.partId]),
    tyingOf: groupBy([...tethers.values()], (tether) => [hostOf(tether.partId)]),
    hostOf,
    needsOf: groupBy(needs, (need) => [`${need.dependent.act}:${need.dependent.id}`]),
    openFacets,
  }
}

type Conditional = { when: When }

/** Keeps what is on the build; what nobody has told is kept too, and its facet noted. */
function presentOn(build: Build, openFacets: Set<Id>): <T extends Conditional>(items: readonly T[]) => T[] {
  return (items) =>
    items.filter((item) => {
      const exists = existsOn(item.when, build)
      if (exists === 'unknown')
        for (const facetId of Object.keys(item.when)) if (build[facetId] === undefined) openFacets.add(facetId)
      return exists !== 'no'
    })
}

type Parts = ReadonlyMap<Id, Part>

function holdersHere(holders: readonly Holder[], parts: Parts, heads: Heads): Map<Id, Holder> {
  return byId(
    holders
      .map((holder) => (heads[holder.id] === undefined ? holder : withHead(holder, heads[holder.id]!)))
      .map((holder) => ({ ...holder, holds: holder.holds.filter((partId) => parts.has(partId)) }))
      .filter((holder) => holder.holds.length > 0),
  )
}

function tethersHere(
  tethers: readonly Tether[],
  parts: Parts,
  functions: ReadonlyMap<Id, VehicleFunction>,
): Map<Id, TyingTether> {
  return byId(
    tethers
      .filter((tether): tether is TyingTether => tether.partId !== null && parts.has(tether.partId))
      // What nobody has classified counts as what it may be at worst.
      .map((tether) => ({
        ...tether,
        circuit: countsAs(tether),
        functions: tether.functions.filter((id) => functions.has(id)),
      })),
  )
}

/** A part that this build does not have can't be in the way: an opening asks for the others only. */
function cavitiesHere(cavities: readonly Cavity[], parts: Parts): Map<Id, Cavity> {
  return byId(
    cavities
      .map((cavity) => ({
        ...cavity,
        openings: cavity.openings
          .map((o) => ({ ...o, parts: o.parts.filter((part) => parts.has(part.partId)) }))
          .filter((o) => o.parts.length > 0),
      }))
      .filter((cavity) => cavity.openings.length > 0),
  )
}

/** A part that this build does not have can't be in the way. */
function accessHere(access: readonly Access[], parts: Parts): Access[] {
  return access.filter((item) => item.kind === 'cavity' || parts.has(item.partId))
}

function waysHere(ways: readonly Way[], points: ReadonlyMap<Id, Waypoint>, parts: Parts): Map<Id, Way> {
  return byId(
    ways
      .filter((way) => points.has(way.from) && points.has(way.to))
      .map((way) => ({
        ...way,
        throughPartId: way.throughPartId !== null && parts.has(way.throughPartId) ? way.throughPartId : null,
        layings: way.layings.map((laying) => ({ ...laying, access: accessHere(laying.access, parts) })),
      })),
  )
}

type Collections = Pick<ProcedureForBuild, 'parts' | 'holders' | 'tethers' | 'settings' | 'functions'>

/** Needs with both ends here, and the methods none of whose needs is lost. */
function needsHere(
  written: readonly Need[],
  { parts, holders, tethers, settings, functions }: Collections,
): Pick<ProcedureForBuild, 'methods' | 'needs'> {
  const methods: ProcedureForBuild['methods'] = new Map()
  const targets: Readonly<Record<ActTarget, { has(id: Id): boolean }>> = {
    holder: holders,
    tether: tethers,
    function: functions,
    part: parts,
    setting: settings,
    work: parts,
    facet: parts,
    wait: parts,
  }
  const stated = new Set([...settings.values()].flatMap((setting) => setting.methods.map(({ id }) => id)))
  const targetsOf = (act: DependentAct) => (act === 'method' ? stated : targets[actOf(act).of])
  const present = ({ needs: needed }: Need) => {
    if (needed.kind === 'part') return parts.has(needed.partId)
    if (needed.kind === 'setting') return settings.has(needed.settingId)
    if (needed.kind === 'tether') return tethers.has(needed.tetherId)
    return needed.kind === 'station' || targetsOf(needed.act).has(needed.id)
  }
  const lost = new Set(
    written.filter((need) => need.dependent.act === 'method' && !present(need)).map((need) => need.dependent.id),
  )
  for (const setting of settings.values())
    for (const method of setting.methods)
      if (!lost.has(method.id)) methods.set(method.id, { method, settingId: setting.id })
  return {
    methods,
    needs: written.filter((need) => {
      const { act, id } = need.dependent
      return present(need) && (act === 'method' ? methods : targetsOf(act)).has(id)
    }),
  }
}

/** The part that moves when one does: a chain of carriers is followed, as far as a hand would stack them. */
function hostIn(parts: Parts): (partId: Id) => Id {
  return (partId) => {
    let at = partId
    for (let steps = 0; steps < 8; steps++) {
      const carrier = parts.get(at)?.carriedBy
      if (!carrier || !parts.has(carrier)) break
      at = carrier
    }
    return at
  }
}

function byId<T extends { id: Id }>(items: readonly T[]): Map<Id, T> {
  return new Map(items.map((item) => [item.id, item]))
}

function groupBy<T>(items: readonly T[], keysOf: (item: T) => readonly string[]): Map<string, T[]> {
  const groups = new Map<string, T[]>()
  for (const item of items)
    for (const key of keysOf(item)) {
      const group = groups.get(key)
      if (group) group.push(item)
      else groups.set(key, [item])
    }
  return groups
}
