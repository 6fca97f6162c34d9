'use client'
import '@xyflow/react/dist/base.css'
import {
  BaseEdge,
  Controls,
  EdgeLabelRenderer,
  getBezierPath,
  Handle,
  Position,
  ReactFlow,
  type Edge as FlowEdge,
  type EdgeProps,
  type Node as FlowNode,
  type NodeProps,
} from '@xyflow/react'
import { useEffect, useMemo, useRef } from 'react'
import type { Level } from '@/core/procedure/level'
import type { ProcedureDocument } from '@/core/procedure/document'
import { LevelMark } from '../marks/LevelMark'
import { itemWords } from '@/words/items'
import { linkWords } from '@/words/reasons'
import type { OrderView, ShownLink } from './orderModel'
import { useLayout } from './useLayout'

const NODE = { width: 150, height: 48 }
const LABEL = { width: 122, height: 40 }
/** The smallest words of the drawing are 14 px; none is shown below 12. */
const LEAST_ZOOM = 12 / 14
const FIT = 0.98
type PartNode = FlowNode<{ name: string; level: Level; picked: boolean; onPick: () => void }, 'part'>
type HeadNode = FlowNode<{ words: string }, 'head'>
type LinkEdge = FlowEdge<{ words: string; agreed: string }, 'link'>

/**
 * The order as a drawing, layers from left to right: what can come off first stands on the left. The layout is worked
 * out in a worker. Everything in it is also in the list, which is what a keyboard and a screen reader use.
 */
export function OrderGraph({
  document,
  view,
  pickedId,
  onPick,
  onTooSmall,
}: {
  document: ProcedureDocument
  view: OrderView
  pickedId: string | null
  onPick: (id: string) => void
  onTooSmall: () => void
}) {
  const pane = useRef<HTMLDivElement>(null)
  const input = useMemo(
    () => ({
      nodes: view.layers.map(({ partId, layer }) => ({ id: partId, ...NODE, layer })),
      edges: view.links.map((link) => ({
        id: `${link.before}>${link.after}`,
        from: link.before,
        to: link.after,
        ...LABEL,
      })),
    }),
    [view],
  )
  const places = useLayout(input)
  const nodes = useMemo<(PartNode | HeadNode)[]>(() => {
    if (places === null || places === 'failed') return []
    const parts = view.layers.map(({ partId }): PartNode => ({
      id: partId,
      type: 'part',
      position: places.nodes[partId] ?? { x: 0, y: 0 },
      ...NODE,
      data: {
        name: itemWords(document, partId),
        level: view.removal.levels.get(partId) ?? 'off',
        picked: partId === pickedId,
        onPick: () => onPick(partId),
      },
    }))
    return [...headsOf(view, places.nodes), ...parts]
  }, [places, view, document, pickedId, onPick])
  const edges = useMemo<LinkEdge[]>(
    () =>
      view.links.map((link) => ({
        id: `${link.before}>${link.after}`,
        source: link.before,
        target: link.after,
        type: 'link',
        data: { words: reasonWords(document, link), agreed: agreedWords(link) },
      })),
    [view, document],
  )
  // Fitted into its pane no word may be smaller than can be read; else the list says the same.
  useEffect(() => {
    if (places === null || places === 'failed' || !pane.current) return
    const xs = Object.values(places.nodes)
    const [width, height] = [
      Math.max(...xs.map(({ x }) => x)) - Math.min(...xs.map(({ x }) => x)) + NODE.width,
      Math.max(...xs.map(({ y }) => y)) - Math.min(...xs.map(({ y }) => y)) + NODE.height + 34,
    ]
    if (
      xs.length > 0 &&
      Math.min(pane.current.clientWidth / width, pane.current.clientHeight / height) * FIT < LEAST_ZOOM
    )
      onTooSmall()
  }, [places, onTooSmall])
  if (places === 'failed')
    return <p className="p-4">The drawing can’t be made in this browser. The list says the same.</p>
  if (places === null)
    return (
      <p className="p-4 text-second" role="status">
        Laying out {view.layers.length} parts…
      </p>
    )
  return (
    <div ref={pane} className="h-full" data-testid="order-graph" aria-hidden="true">
      <ReactFlow
        nodes={nodes}
        edges={edges}
        nodeTypes={NODE_TYPES}
        edgeTypes={EDGE_TYPES}
        nodesDraggable={false}
        nodesConnectable={false}
        nodesFocusable={false}
        edgesFocusable={false}
        minZoom={0.15}
        maxZoom={1.6}
        fitView
        fitViewOptions={{ padding: 0.03, maxZoom: 1, minZoom: LEAST_ZOOM }}
        proOptions={{ hideAttribution: true }}
      >
        <Controls showInteractive={false} position="bottom-right" />
      </ReactFlow>
    </div>
  )
}

/** A word over each layer, at its leftmost box. */
function headsOf(view: OrderView, places: Record<string, { x: number; y: number }>): HeadNode[] {
  const top = Math.min(...Object.values(places).map(({ y }) => y))
  const layers = [...new Set(view.layers.map(({ layer }) => layer))]
  return layers.map((layer) => {
    const left = Math.min(
      ...view.layers.filter((item) => item.layer === layer).map(({ partId }) => places[partId]?.x ?? 0),
    )
    return {
      id: `layer ${layer}`,
      type: 'head',
      position: { x: left, y: top - 34 },
      selectable: false,
      data: { words: layer === 1 ? 'outermost' : `layer ${layer}` },
    }
  })
}

export function reasonWords(document: ProcedureDocument, link: ShownLink): string {
  return [...new Set(link.reasons.map((because) => linkWords(document, because)))].slice(0, 2).join('; ')
}

/** "3 of 3 strips", once there are any that have both. */
export function agreedWords(link: { agree: number; of: number }): string {
  return link.of === 0 ? '' : `${link.agree} of ${link.of} ${link.of === 1 ? 'strip' : 'strips'}`
}

function PartBox({ data }: NodeProps<PartNode>) {
  return (
    <div
      onClick={data.onPick}
      className={`flex h-full cursor-pointer items-center gap-2 border-2 bg-sheet px-2 text-[15.5px] leading-tight ${data.picked ? 'border-petrol bg-tint font-bold' : 'border-ink'}`}
    >
      <Handle type="target" position={Position.Left} className="!size-1 !min-h-0 !min-w-0 !border-0 !bg-ink" />
      <LevelMark level={data.level} size={22} className="shrink-0" />
      <span className="min-w-0">{data.name}</span>
      <Handle type="source" position={Position.Right} className="!size-1 !min-h-0 !min-w-0 !border-0 !bg-ink" />
    </div>
  )
}

function LayerHead({ data }: NodeProps<HeadNode>) {
  return <span className="text-[14px] font-bold text-second">{data.words}</span>
}

function LinkLine({ sourceX, sourceY, targetX, targetY, data, id }: EdgeProps<LinkEdge>) {
  const [path] = getBezierPath({
    sourceX,
    sourceY,
    targetX,
    targetY,
    sourcePosition: Position.Right,
    targetPosition: Position.Left,
  })
  // Near its beginning, where links that meet later are still apart.
  const [labelX, labelY] = [sourceX + 8 + LABEL.width / 2, sourceY + (targetY - sourceY) * 0.12]
  return (
    <>
      <BaseEdge id={id} path={path} style={{ stroke: 'var(--petrol)', strokeWidth: 1.8, fill: 'none' }} />
      <EdgeLabelRenderer>
        <div
          className="pointer-events-none absolute bg-ground/90 px-1 text-center text-[14.5px] leading-tight"
          style={{ width: LABEL.width, transform: `translate(-50%, -50%) translate(${labelX}px, ${labelY}px)` }}
        >
          {data?.words}
          {data?.agreed && <span className="num block text-[14px] text-second">{data.agreed}</span>}
        </div>
      </EdgeLabelRenderer>
    </>
  )
}

const NODE_TYPES = { part: PartBox, head: LayerHead }
const EDGE_TYPES = { link: LinkLine }
