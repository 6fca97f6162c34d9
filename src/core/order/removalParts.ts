import type { Id } from '../base/id'
import type { ProcedureForBuild } from '../procedure/forBuild'
import type { Level } from '../procedure/level'
import type { Because, Demand, Edge, Operation } from './operation'
import type { SettingWish } from './removal'
import type { BroughtIn } from './wish'

/** A way in while it is being worked out: what it holds so far, and how an order or a demand is added to it once. */
export class RemovalParts {
  readonly operations = new Map<string, Operation>()
  edges: Edge[] = []
  readonly levels = new Map<Id, Level>()
  readonly broughtIn = new Map<string, BroughtIn>()
  readonly demands = new Map<string, Demand[]>()
  readonly settings = new Map<string, SettingWish>()
  /**
   * Groups that let go with a pull, and the operations (release or ease of what they hold) any of which may be that
   * pull.
   */
  readonly pulledBy = new Map<Id, { key: string; partId: Id }[]>()
  private readonly seenEdges = new Map<string, Set<string>>()

  constructor(readonly model: ProcedureForBuild) {}

  addDemand(key: string, demand: Demand): void {
    const list = this.demands.get(key) ?? []
    if (!list.some((known) => known.settingId === demand.settingId && known.value === demand.value)) list.push(demand)
    this.demands.set(key, list)
  }

  order(before: string, after: string, because: Because): void {
    // What a setting's method waits for is a guard of that act, checked when the act is made; it is no edge between
    // operations.
    if (this.settings.has(after) || before === after) return
    const seen = this.seenEdges.get(before)
    if (seen?.has(after)) return
    if (seen) seen.add(after)
    else this.seenEdges.set(before, new Set([after]))
    this.edges.push({ before, after, because })
  }
}
