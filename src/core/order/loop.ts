import { compareText } from '../base/compareText'
import type { Pair } from './graph'
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

/** Whether the order has a loop at all. Cost: O(operations + edges). */
export function hasLoop(keys: readonly string[], edges: readonly Pair[]): boolean {
  return whatWaitsForever(keys, edges).size > 0
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
  for (let at = key; at !== start;) {
    const edge = cameBy.get(at)!
    path.unshift(edge)
    at = edge.before
  }
  return path
}

/**
 * The operations that stay when everything that can be done has been done: empty exactly when there is no loop. Keys
 * are numbered once, since this runs on every derivation.
 */
function whatWaitsForever(keys: readonly string[], edges: readonly Pair[]): Set<string> {
  const number = new Map<string, number>()
  for (const key of keys) number.set(key, number.size)
  for (const { before, after } of edges) {
    if (!number.has(before)) number.set(before, number.size)
    if (!number.has(after)) number.set(after, number.size)
  }
  const names = [...number.keys()]
  const waiting = new Int32Array(names.length)
  const first = new Int32Array(names.length).fill(-1)
  const nextOf = new Int32Array(edges.length)
  const target = new Int32Array(edges.length)
  edges.forEach(({ before, after }, i) => {
    const [from, to] = [number.get(before)!, number.get(after)!]
    waiting[to]! += 1
    target[i] = to
    nextOf[i] = first[from]!
    first[from] = i
  })
  const ready: number[] = []
  for (let i = 0; i < names.length; i++) if (waiting[i] === 0) ready.push(i)
  const done = new Uint8Array(names.length)
  for (let at = ready.pop(); at !== undefined; at = ready.pop()) {
    done[at] = 1
    for (let edge = first[at]!; edge >= 0; edge = nextOf[edge]!) {
      const to = target[edge]!
      waiting[to]! -= 1
      if (waiting[to] === 0) ready.push(to)
    }
  }
  const left = new Set<string>()
  for (let i = 0; i < names.length; i++) if (done[i] === 0) left.add(names[i]!)
  return left
}
