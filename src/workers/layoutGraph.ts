import { expose } from 'comlink'
import { z } from 'zod'
import ELK from 'elkjs/lib/elk.bundled.js'

/** Boxes and the lines between them, in millimetres of nothing: pixels of the drawing. */
const Size = z.object({ id: z.string(), width: z.number(), height: z.number() })
export const GraphInput = z.object({
  nodes: Size.extend({ layer: z.number().int() }).array(),
  edges: Size.extend({ from: z.string(), to: z.string() }).array(),
})
export type GraphInput = z.infer<typeof GraphInput>
export type GraphPlaces = { nodes: Record<string, { x: number; y: number }> }

const elk = new ELK()

/** Lays a graph out in layers from left to right, each node in the layer it is given. */
async function layout(asked: GraphInput): Promise<GraphPlaces> {
  const graph = GraphInput.parse(asked)
  const laid = await elk.layout({
    id: 'root',
    layoutOptions: {
      'elk.algorithm': 'layered',
      'elk.direction': 'RIGHT',
      // One set of layers for all of it: what comes off first stands in one column, whether it hangs together or not.
      'elk.separateConnectedComponents': 'false',
      'elk.partitioning.activate': 'true',
      'elk.layered.spacing.nodeNodeBetweenLayers': '18',
      'elk.spacing.nodeNode': '22',
      'elk.spacing.edgeLabel': '8',
      'elk.layered.nodePlacement.strategy': 'NETWORK_SIMPLEX',
    },
    children: graph.nodes.map((node) => ({
      id: node.id,
      width: node.width,
      height: node.height,
      layoutOptions: { 'elk.partitioning.partition': String(node.layer) },
    })),
    edges: graph.edges.map((edge) => ({
      id: edge.id,
      sources: [edge.from],
      targets: [edge.to],
      labels: [{ text: edge.id, width: edge.width, height: edge.height }],
    })),
  })
  return {
    nodes: Object.fromEntries((laid.children ?? []).map((node) => [node.id, { x: node.x ?? 0, y: node.y ?? 0 }])),
  }
}

export type LayoutApi = { layout: typeof layout }
expose({ layout } satisfies LayoutApi)
