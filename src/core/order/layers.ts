import type { Id } from '../base/id'
import type { Edge } from './operation'
import type { Removal } from './removal'
import { keyOf } from '../procedure/acts'

/**
 * A part in its layer: 1 = nothing comes before it. `after` are the parts that have to move first, nearest layer last.
 */
export type Layered = { partId: Id; layer: number; after: Id[] }

/** One part before another, with every reason for it. `via` is the setting between them, where there is one. */
export type PartLink = { before: Id; after: Id; reasons: Edge['because'][]; via: Id | null }

/**
 * Which part has to move before which, with the reasons, over all operations and over the settings between them. Cost:
 * O(edges).
 */
export function partLinks(removal: Removal): PartLink[] {
  const links = new Map<string, PartLink>()
  const add = (
    before: Id | null | undefined,
    after: Id | null | undefined,
    because: Edge['because'],
    via: Id | null,
  ) => {
    if (!before || !after || before === after) return
    const key = `${before}>${after}`
    const link = links.get(key) ?? { before, after, reasons: [], via }
    if (
      because.kind !== 'in one go' &&
      !link.reasons.some((known) => JSON.stringify(known) === JSON.stringify(because))
    )
      link.reasons.push(because)
    links.set(key, link)
  }
  const partOf = (key: string) => removal.operations.get(key)?.partId
  for (const edge of removal.edges) add(partOf(edge.before), partOf(edge.after), edge.because, null)
  // What a setting's method moves lies outside of what the setting frees.
  for (const wish of removal.settings.values())
    for (const need of removal.model.needsOf.get(keyOf('method', wish.methodId)) ?? [])
      if (need.needs.kind === 'part')
        for (const [key, demands] of removal.demands)
          if (demands.some((demand) => demand.settingId === wish.settingId && demand.value === wish.value))
            add(need.needs.partId, partOf(key), { kind: 'need', needId: need.id }, wish.settingId)
  return [...links.values()].filter((link) => link.reasons.length > 0)
}

/**
 * The parts of a removal from the outside in: a part's layer is one more than the deepest part that must move before
 * it. Parts of one layer don't wait for each other. Cost: O(parts x links).
 */
export function layersOf(removal: Removal, links: readonly PartLink[] = partLinks(removal)): Layered[] {
  const before = new Map<Id, Set<Id>>([...removal.levels.keys()].map((id) => [id, new Set()]))
  for (const link of links) before.get(link.after)?.add(link.before)
  const layer = new Map<Id, number>()
  // Longest chains settle after at most as many rounds as there are parts; two parts that hold each other up in turns
  // stop there.
  for (let round = 0; round <= before.size; round++) {
    let changed = false
    for (const [id, first] of before) {
      const next = Math.min(before.size, 1 + Math.max(0, ...[...first].map((other) => layer.get(other) ?? 1)))
      if (layer.get(id) !== next) changed = true
      layer.set(id, next)
    }
    if (!changed) break
  }
  return [...before]
    .map(([partId, first]) => ({
      partId,
      layer: layer.get(partId)!,
      after: [...first].sort((a, b) => layer.get(a)! - layer.get(b)!),
    }))
    .sort((a, b) => a.layer - b.layer)
}
