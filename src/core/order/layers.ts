import type { Id } from '../base/id'
import type { Removal } from './removal'

/** A part in its layer: 1 = nothing comes before it. `after` are the parts that have to move first, nearest layer last. */
export type Layered = { partId: Id; layer: number; after: Id[] }

/**
 * The parts of a removal from the outside in: a part's layer is one more than the deepest part that must move before it.
 * Parts of one layer don't wait for each other. Cost: O(parts x edges).
 */
export function layersOf(removal: Removal): Layered[] {
  const before = new Map<Id, Set<Id>>()
  const partOf = (key: string) => removal.operations.get(key)?.partId ?? null
  for (const id of removal.levels.keys()) before.set(id, new Set())
  for (const edge of removal.edges) {
    const [first, second] = [partOf(edge.before), partOf(edge.after)]
    if (first && second && first !== second) before.get(second)?.add(first)
  }
  // A setting between two parts (the cover over the lever's release) joins them as well.
  for (const edge of removal.edges)
    if (partOf(edge.before) !== null && partOf(edge.after) === null)
      for (const next of removal.edges) if (next.before === edge.after && partOf(next.after)) before.get(partOf(next.after)!)?.add(partOf(edge.before)!)
  const layer = new Map<Id, number>()
  // Longest chains settle after at most as many rounds as there are parts; two parts that hold each other up in turns stop there.
  for (let round = 0; round <= before.size; round++)
    for (const [id, first] of before) layer.set(id, Math.min(before.size, 1 + Math.max(0, ...[...first].map((other) => layer.get(other) ?? 1))))
  return [...before].map(([partId, first]) => ({ partId, layer: layer.get(partId)!, after: [...first].sort((a, b) => layer.get(a)! - layer.get(b)!) })).sort((a, b) => a.layer - b.layer)
}
