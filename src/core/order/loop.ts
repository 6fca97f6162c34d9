import { compareText } from '../base/id'
import type { Edge } from './operation'

/**
 * The shortest loop in a precedence graph, as its edges in order (each edge's `after` is the next one's `before`),
 * or null when the order is sound. Ties go to the smallest key, so that every machine names the same loop.
 * Cost: O(operations x edges) when there is a loop, O(operations + edges) when there is none.
 */
export function shortestLoop(keys: readonly string[], edges: readonly Edge[]): Edge[] | null {
  const left = whatWaitsForever(keys, edges)
  if (left.size === 0) return null
  const out = new Map<string, Edge[]>()
  for (const edge of edges)
    if (left.has(edge.before) && left.has(edge.after)) {
      const list = out.get(edge.before)
      if (list) list.push(edge)
      else out.set(edge.before, [edge])
    }
  let best: Edge[] | null = null
  for (const start of [...left].sort(compareText)) {
    const loop = loopThrough(start, out, best ? best.length : Infinity)
    if (loop) best = loop
  }
  return best
}

function loopThrough(start: string, out: Map<string, Edge[]>, shorterThan: number): Edge[] | null {
  const cameBy = new Map<string, Edge>()
  let frontier = [start]
  for (let depth = 1; depth < shorterThan && frontier.length > 0; depth++) {
    const next: string[] = []
    for (const key of frontier)
      for (const edge of out.get(key) ?? []) {
        if (edge.after === start) return [...pathTo(key, start, cameBy), edge]
        if (cameBy.has(edge.after)) continue
        cameBy.set(edge.after, edge)
        next.push(edge.after)
      }
    frontier = next
  }
  return null
}

function pathTo(key: string, start: string, cameBy: Map<string, Edge>): Edge[] {
  const path: Edge[] = []
  for (let at = key; at !== start; ) {
    const edge = cameBy.get(at)!
    path.unshift(edge)
    at = edge.before
  }
  return path
}

/** The operations that stay when everything that can be done has been done: empty exactly when there is no loop. */
function whatWaitsForever(keys: readonly string[], edges: readonly Edge[]): Set<string> {
  const waiting = new Map(keys.map((key) => [key, 0]))
  const out = new Map<string, string[]>()
  for (const { before, after } of edges) {
    waiting.set(after, (waiting.get(after) ?? 0) + 1)
    const list = out.get(before)
    if (list) list.push(after)
    else out.set(before, [after])
  }
  const ready = [...waiting].filter(([, count]) => count === 0).map(([key]) => key)
  const left = new Set(waiting.keys())
  for (let key = ready.pop(); key !== undefined; key = ready.pop()) {
    left.delete(key)
    for (const after of out.get(key) ?? []) {
      const count = waiting.get(after)! - 1
      waiting.set(after, count)
      if (count === 0) ready.push(after)
    }
  }
  return left
}
