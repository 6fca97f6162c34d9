import type { Id } from '../base/id'
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
import type { TyingTether } from './tether'
import type { VehicleFunction } from './vehicleFunction'
import { existsOn } from './existsOn'
import type { Build } from './when'
import { actOf, type DependentAct } from './acts'

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
  const here = <T extends { when: ProcedureDocument['parts'][number]['when'] }>(items: readonly T[]): T[] =>
    items.filter((item) => {
      const exists = existsOn(item.when, build)
      if (exists === 'unknown')
        for (const facetId of Object.keys(item.when)) if (build[facetId] === undefined) openFacets.add(facetId)
      return exists !== 'no'
    })
  const parts = byId(here(document.parts))
  const holders = byId(
    here(document.holders)
      .map((holder) => (heads[holder.id] === undefined ? holder : withHead(holder, heads[holder.id]!)))
      .map((holder) => ({ ...holder, holds: holder.holds.filter((partId) => parts.has(partId)) }))
      .filter((holder) => holder.holds.length > 0),
  )
  const functions = byId(here(document.functions))
  const tethers = byId(
    here(document.tethers)
      .filter((tether): tether is TyingTether => tether.partId !== null && parts.has(tether.partId))
      // What nobody has classified counts as what it may be at worst.
      .map((tether) => ({
        ...tether,
        circuit: countsAs(tether),
        functions: tether.functions.filter((id) => functions.has(id)),
      })),
  )
  const settings = byId(here(document.settings))
  const written = here(document.needs)
  const present = (need: Need) => {
    const needed = need.needs
    if (needed.kind === 'part') return parts.has(needed.partId)
    if (needed.kind === 'setting') return settings.has(needed.settingId)
    if (needed.kind === 'tether') return tethers.has(needed.tetherId)
    if (needed.kind === 'station') return true
    return actTargets(needed.act).has(needed.id)
  }
  const actTargets = (act: DependentAct): { has(id: Id): boolean } => {
    if (act === 'method') return methods
    const { of } = actOf(act)
    return of === 'holder' ? holders : of === 'tether' ? tethers : of === 'function' ? functions : parts
  }
  const methods = new Map<Id, { method: Method; settingId: Id }>()
  for (const setting of settings.values())
    for (const method of setting.methods) {
      const lost = written.some(
        (need) => need.dependent.act === 'method' && need.dependent.id === method.id && !present(need),
      )
      if (!lost) methods.set(method.id, { method, settingId: setting.id })
    }
  const needs = written.filter((need) => present(need) && actTargets(need.dependent.act).has(need.dependent.id))
  const cavities = byId(
    here(document.cavities)
      .map((cavity) => ({
        ...cavity,
        openings: cavity.openings.filter((opening) => opening.parts.some((part) => parts.has(part.partId))),
      }))
      // A part that this build does not have can't be in the way: the opening asks for the others only.
      .map((cavity) => ({
        ...cavity,
        openings: cavity.openings.map((o) => ({ ...o, parts: o.parts.filter((part) => parts.has(part.partId)) })),
      }))
      .filter((cavity) => cavity.openings.length > 0),
  )
  const hostOf = (partId: Id): Id => {
    let at = partId
    for (let steps = 0; steps < 8; steps++) {
      const carrier = parts.get(at)?.carriedBy
      if (!carrier || !parts.has(carrier)) break
      at = carrier
    }
    return at
  }
  const itemHere = (id: Id) =>
    parts.has(id) ||
    holders.has(id) ||
    tethers.has(id) ||
    settings.has(id) ||
    methods.has(id) ||
    cavities.has(id) ||
    functions.has(id)
  return {
    document: recorded,
    build,
    wheels: document.wheels,
    parts,
    holders,
    tethers,
    settings,
    methods,
    cavities,
    functions,
    cautions: here(document.cautions).filter((caution) => itemHere(caution.at.itemId)),
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
