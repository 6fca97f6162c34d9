import { wrap, type Remote } from 'comlink'
import type { GraphInput, GraphPlaces, LayoutApi } from '../workers/layoutGraph'

export type { GraphInput, GraphPlaces } from '../workers/layoutGraph'

let remote: Remote<LayoutApi> | null = null

/**
 * Where the boxes of a graph go, worked out in one worker for the page, so that a large record does not hold up typing.
 */
export function layoutGraph(graph: GraphInput): Promise<GraphPlaces> {
  remote ??= wrap<LayoutApi>(new Worker(new URL('../workers/layoutGraph.ts', import.meta.url), { type: 'module' }))
  return remote.layout(graph)
}
