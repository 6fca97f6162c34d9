import { compareText } from '../base/id'
import { groupS, toolFor } from '../estimate/houseTimes'
import type { Edge, Operation } from '../order/operation'
import type { ProcedureForBuild } from '../procedure/forBuild'
import { mayRestFree } from '../procedure/part'
import type { Station } from '../procedure/station'
import { moveS, type HouseValues } from '../shop/houseValues'

/** An operation in its place in an order: where, with what, how long, and the changes it took to get there. */
export type Step = {
  operation: Operation
  station: Station
  tool: string
  workS: number
  /** Walking and taking up a tool before this step. */
  setUpS: number
}

/** Where the installer stands and which tool is in hand. Bare hands never put the carried tool away. */
export type Standing = { station: Station; tool: string | null }

/** What an operation asks for: stations to choose from, tool and seconds. All seconds are house estimates. */
export function demandsOf(model: ProcedureForBuild, house: HouseValues, operation: Operation): { stations: readonly Station[]; tool: string; workS: number } {
  const { act, itemId, setting } = operation
  if (act === 'undo' || act === 'fasten') {
    const holder = model.holders.get(itemId)!
    return { stations: [stationOf(model, holder.holds[0]!)], tool: toolFor(holder), workS: groupS(house, holder) }
  }
  if (setting) {
    const { method } = model.methods.get(setting.methodId)!
    return { stations: method.stations, tool: 'hand', workS: methodS(model, house, setting.methodId) + setting.momentary.reduce((sum, moment) => sum + methodS(model, house, moment.methodId) + methodS(model, house, moment.backMethodId), 0) }
  }
  const partId = act === 'open' || act === 'close' || act === 'feed' ? model.tethers.get(itemId)!.partId : itemId
  const part = model.parts.get(partId)!
  const byTool = act === 'release' ? part.release.tool : 'hand'
  return { stations: [part.station], tool: byTool, workS: house.actS }
}

function methodS(model: ProcedureForBuild, house: HouseValues, methodId: string): number {
  return model.methods.get(methodId)?.method.durationS ?? house.actS
}

function stationOf(model: ProcedureForBuild, partId: string): Station {
  return model.parts.get(partId)!.station
}

/** What a wish may look at: the change an operation asks for, what was done last, and whether its part could now be finished. */
export type Moment = { setUpS: number; last: Operation | null; canFinishPart: boolean }

/** Lower ranks go first: how much an operation is wanted next, compared entry by entry. */
export type Wish = (operation: Operation, moment: Moment) => readonly number[]

/**
 * A valid order by taking, again and again, the most wanted operation that nothing holds back. Deterministic: ties go to
 * the smaller key. It claims nothing about being cheapest.
 * Cost: O(operations^2). Throws when the edges hold a loop: derive*() has refused those.
 */
export function schedule(
  model: ProcedureForBuild,
  house: HouseValues,
  work: { operations: ReadonlyMap<string, Operation>; edges: readonly Edge[] },
  start: Standing,
  wish: Wish,
): { steps: Step[]; end: Standing } {
  const waiting = new Map([...work.operations.keys()].map((key) => [key, 0]))
  const then = new Map<string, string[]>()
  const seen = new Set<string>()
  for (const { before, after } of work.edges) {
    const id = `${before}>${after}`
    if (seen.has(id)) continue
    seen.add(id)
    waiting.set(after, waiting.get(after)! + 1)
    const list = then.get(before)
    if (list) list.push(after)
    else then.set(before, [after])
  }
  const steps: Step[] = []
  let standing = start
  let last: Operation | null = null
  while (waiting.size > 0) {
    const ready = [...waiting].filter(([, count]) => count === 0).map(([key]) => work.operations.get(key)!)
    const block = insideBlock(model, last, ready)
    const heldUp = partsHeldUp(work, waiting)
    let best: { step: Step; rank: readonly number[]; standing: Standing } | null = null
    for (const operation of block ?? ready) {
      const next = stepFor(model, house, operation, standing)
      const rank = wish(operation, { setUpS: next.step.setUpS, last, canFinishPart: !heldUp.has(operation.partId) })
      if (!best || compareRanks(rank, best.rank) < 0 || (compareRanks(rank, best.rank) === 0 && compareText(operation.key, best.step.operation.key) < 0))
        best = { ...next, rank }
    }
    if (!best) throw new Error('An order was asked for over operations that wait for each other in a loop.')
    steps.push(best.step)
    standing = best.standing
    last = best.step.operation
    waiting.delete(last.key)
    for (const key of then.get(last.key) ?? []) waiting.set(key, waiting.get(key)! - 1)
  }
  return { steps, end: standing }
}

/** Parts of which something still waits for an operation on another part. */
function partsHeldUp(work: { operations: ReadonlyMap<string, Operation>; edges: readonly Edge[] }, waiting: ReadonlyMap<string, number>): Set<string | null> {
  const held = new Set<string | null>()
  for (const { before, after } of work.edges) {
    if (!waiting.has(before) || !waiting.has(after)) continue
    const partId = work.operations.get(after)!.partId
    if (partId !== work.operations.get(before)!.partId) held.add(partId)
  }
  return held
}

/** A part that may not rest, once released, is opened and lifted before anything else is touched. */
function insideBlock(model: ProcedureForBuild, last: Operation | null, ready: Operation[]): Operation[] | null {
  if (!last?.partId || last.phase !== 'in' || (last.act !== 'release' && last.act !== 'open')) return null
  const part = model.parts.get(last.partId)
  if (!part || mayRestFree(part)) return null
  if (ready.some((operation) => operation.act === 'release' && operation.partId === last.partId)) return null
  const rest = ready.filter((operation) => operation.partId === last.partId && (operation.act === 'open' || operation.act === 'lift'))
  return rest.length > 0 ? rest : null
}

function stepFor(model: ProcedureForBuild, house: HouseValues, operation: Operation, standing: Standing): { step: Step; standing: Standing } {
  const { stations, tool, workS } = demandsOf(model, house, operation)
  const station = stations.reduce((best, s) => (moveS(house, standing.station, s) < moveS(house, standing.station, best) ? s : best))
  const change = tool === 'hand' || tool === standing.tool ? 0 : house.toolChangeS
  const step = { operation, station, tool, workS, setUpS: moveS(house, standing.station, station) + change }
  return { step, standing: { station, tool: tool === 'hand' ? standing.tool : tool } }
}

function compareRanks(a: readonly number[], b: readonly number[]): number {
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return a[i]! - b[i]!
  return 0
}
