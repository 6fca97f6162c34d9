import { fail, ok, type Result } from '../../base/result'
import type { Edge, Operation } from '../../order/operation'
import { keyOf } from '../../procedure/acts'
import { refusals, waitLeftS } from '../../vehicle/judge'
import { after, type VehicleState } from '../../vehicle/vehicleState'
import { judged } from '../derive/demandsOf'
import type { Context, Item } from './orderContext'
import type { Standing, Step } from './step'

export type OrderedSteps = { steps: Step[]; waitingS: number }
/** An order that a rule refuses when it is run through: a fault of the search, never shown as a plan. */
export type RefusedOrder = { kind: 'refused order'; key: string; ruleIds: string[] }

/** Runs the order through state, rules and clock, with the waits it takes. */
export function runThrough(context: Context, items: readonly Item[]): Result<OrderedSteps, RefusedOrder> {
  const run = new Run(context, items)
  for (const at of items.keys()) {
    const refused = run.take(at)
    if (refused) return fail(refused)
  }
  return ok({ steps: run.steps, waitingS: run.waitingS })
}

const isWayIn = (item: Item) => 'operation' in item && item.operation.phase === 'in'

class Run {
  readonly steps: Step[] = []
  waitingS = 0
  private state: VehicleState
  private standing: Standing
  private phase: 'in' | 'out'
  private leftIn: number
  private readonly doneAtS: Map<string, number>
  private readonly setCount = new Map<string, number>()
  /** What each operation waits for by the clock. */
  private readonly delays = new Map<string, Edge[]>()

  constructor(
    private readonly context: Context,
    private readonly items: readonly Item[],
  ) {
    const { start, legs } = context
    this.state = start.state
    this.standing = start.standing
    this.doneAtS = new Map(start.doneAtS)
    this.leftIn = items.filter(isWayIn).length
    this.phase = this.leftIn > 0 ? 'in' : 'out'
    for (const edge of legs.wayOut.edges)
      if (edge.delayS) this.delays.set(edge.after, [...(this.delays.get(edge.after) ?? []), edge])
  }

  /** Does the item at a place; what refuses it, or null. */
  take(at: number): RefusedOrder | null {
    const item = this.items[at]!
    return 'move' in item ? this.set(item) : this.operate(item.operation, at)
  }

  private set({ move, station }: Extract<Item, { move: unknown }>): RefusedOrder | null {
    const { start, legs, sequenced } = this.context
    const { settingId, from, to, methodId } = move
    const value = `${settingId}=${to}`
    const nth = (this.setCount.get(value) ?? start.setCount.get(value) ?? 0) + 1
    this.setCount.set(value, nth)
    const named = `set:${value} by ${methodId}`
    const operation: Operation = {
      key: nth > 1 ? `${named}~${nth}` : named,
      phase: this.phase,
      act: this.phase === 'out' && legs.finish.get(settingId) === to ? 'restore' : 'set',
      itemId: settingId,
      partId: null,
      setting: { settingId, from, to, methodId },
      nth,
    }
    const refused = this.refused(operation)
    if (refused) return refused
    const setUpS = sequenced.walkS(this.standing.station, station)
    this.push({ operation, station, tool: 'hand', workS: move.durationS, setUpS })
    return null
  }

  private operate(operation: Operation, at: number): RefusedOrder | null {
    const { sequenced, legs } = this.context
    const { stations, tool, workS } = this.context.asked(operation)
    const station = stations[0]!
    const setUpS = sequenced.walkS(this.standing.station, station) + this.takeUpS(tool)
    const waitS = this.waitBefore(at)
    if (waitS > 0) this.wait(operation, at, waitS, setUpS)
    const refused = this.refused(operation)
    if (refused) return refused
    if (!sequenced.moves.allows(operation, this.state.settings, this.state))
      return { kind: 'refused order', key: operation.key, ruleIds: [] }
    this.push({ operation, station, tool, workS, setUpS: waitS > 0 ? 0 : setUpS })
    this.doneAtS.set(operation.key, this.state.nowS)
    if (operation.phase === 'in' && --this.leftIn === 0 && legs.wayOut.operations.size > 0) this.phase = 'out'
    return null
  }

  /** How long the next go still waits: what is done in one go is waited for before it begins. */
  private waitBefore(at: number): number {
    const { job } = this.context
    return Math.max(
      0,
      ...inOneGoFrom(this.context, this.items, at).map(
        ({ operation, afterS }) =>
          Math.max(
            this.delayLeftS(operation.key),
            waitLeftS(job.model, this.state, judged(job, operation), job.circumstances),
          ) - afterS,
      ),
    )
  }

  /** One goes where it has to be waited, with the tool that is needed next in hand: that takes part of the time. */
  private wait({ key, itemId }: Operation, at: number, waitS: number, setUpS: number): void {
    const { stations, tool } = this.context.asked((this.items[at] as { operation: Operation }).operation)
    const next = waitS > setUpS ? nextTool(this.context, this.items, at) : tool
    // Whoever waits takes up what is needed next; the tool of the act itself is in the set-up already.
    const takeUpS = next === tool || (tool === 'hand' && next === this.standing.tool) ? 0 : this.toolChangeS(next)
    const left = Math.max(0, Math.ceil(waitS - setUpS - takeUpS))
    this.waitingS += left
    this.push({
      operation: {
        key: keyOf('wait', key),
        phase: this.phase,
        act: 'wait',
        itemId,
        partId: null,
        setting: null,
        nth: 1,
      },
      station: stations[0]!,
      tool: next,
      workS: left,
      setUpS: setUpS + takeUpS,
    })
  }

  private push(step: Step): void {
    this.steps.push(step)
    this.state = after(this.context.job.model, this.state, step.operation, step.workS + step.setUpS)
    this.standing = { station: step.station, tool: step.tool === 'hand' ? this.standing.tool : step.tool }
  }

  private refused(operation: Operation): RefusedOrder | null {
    const { job } = this.context
    const found = refusals(job.model, this.state, judged(job, operation), job.circumstances)
    if (found.length === 0) return null
    return { kind: 'refused order', key: operation.key, ruleIds: found.map((breach) => breach.rule.id) }
  }

  private delayLeftS(key: string): number {
    return (this.delays.get(key) ?? []).reduce(
      (most, edge) => Math.max(most, (this.doneAtS.get(edge.before) ?? -Infinity) + edge.delayS! - this.state.nowS),
      0,
    )
  }

  private takeUpS(tool: string): number {
    return tool === this.standing.tool ? 0 : this.toolChangeS(tool)
  }

  private toolChangeS(tool: string): number {
    return tool === 'hand' ? 0 : this.context.job.circumstances.house.toolChangeS
  }
}

/**
 * The operation at a place in the order, with those done in one go with it from there on: each with the seconds of what
 * comes before it in that go.
 */
function inOneGoFrom(
  { sequenced, asked }: Context,
  items: readonly Item[],
  at: number,
): { operation: Operation; afterS: number }[] {
  const first = (items[at] as { operation: Operation }).operation
  const whole = sequenced.wholes.find((members) => members.includes(sequenced.number.get(first.key)!)) ?? []
  const found = [{ operation: first, afterS: 0 }]
  let afterS = asked(first).workS
  for (let next = at + 1; next < items.length; next++) {
    const item = items[next]!
    if (!('operation' in item) || !whole.includes(sequenced.number.get(item.operation.key)!)) break
    found.push({ operation: item.operation, afterS })
    afterS += asked(item.operation).workS
  }
  return found
}

/** The tool in hand for an operation or, where that is done by bare hands, the first one needed after it. */
function nextTool({ asked }: Context, items: readonly Item[], at: number): string {
  const tools = items.slice(at).map((item) => ('operation' in item ? asked(item.operation).tool : 'hand'))
  return tools.find((tool) => tool !== 'hand') ?? 'hand'
}
