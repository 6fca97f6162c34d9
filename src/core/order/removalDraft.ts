import { compareText, type Id } from '../base/id'
import type { ProcedureForBuild } from '../procedure/forBuild'
import type { Level } from '../procedure/level'
import { ORDER_ONLY, type Need } from '../procedure/need'
import { mayRestFree, type Part } from '../procedure/part'
import type { Tether } from '../procedure/tether'
import { loopGroups, reachedFrom, successors } from './graph'
import { easeKey, liftKey, openKey, releaseKey, setKey, undoKey, type Because, type Demand, type Edge, type InAct, type Operation } from './operation'
import type { Removal, RemovalError, SettingWish } from './removed'
import { endValue, methodFor } from './settingAct'
import type { AskedByRules, BroughtIn, Choices, Goal } from './wish'

/** Works outward from the goals, breadth first, so that `broughtIn` holds a shortest chain of reasons. */
export class RemovalDraft {
  private readonly operations = new Map<string, Operation>()
  private edges: Edge[] = []
  private readonly seenEdges = new Set<string>()
  private readonly levels = new Map<Id, Level>()
  private readonly broughtIn = new Map<string, BroughtIn>()
  private readonly demands = new Map<string, Demand[]>()
  private readonly settings = new Map<string, SettingWish>()
  private readonly queue: { key: string; run: () => RemovalError | null }[] = []
  private head = 0
  /** What is to be done while a plug is still closed, should that plug be opened at all. */
  private readonly ifOpened: { key: string; tetherId: Id; because: Because }[] = []

  constructor(
    private readonly model: ProcedureForBuild,
    private readonly goals: readonly Goal[],
    private readonly choices: Choices,
    private readonly asked: AskedByRules,
  ) {}

  /** What can't be done, with the operation it stands in the way of (null: a goal). The rest is derived all the same. */
  readonly errors: { key: string | null; error: RemovalError }[] = []

  reachGoals(): void {
    for (const goal of this.goals) {
      const parts = partsOfGoal(this.model, goal, this.choices)
      if (!parts) this.errors.push({ key: null, error: { kind: 'unknown-goal', goal } })
      for (const { partId, level } of parts ?? []) this.bringTo(partId, level, { by: null, goal })
    }
    while (this.head < this.queue.length) {
      const { key, run } = this.queue[this.head++]!
      const error = run()
      if (error) this.errors.push({ key, error })
    }
  }

  /** Asks for a part at a level; returns the operation that gets it there. */
  private bringTo(partId: Id, level: Level, why: BroughtIn): string {
    const part = this.model.parts.get(partId)!
    if (level === 'eased' && part.ease) {
      if (!this.levels.has(partId)) this.levels.set(partId, 'eased')
      return this.need('ease', partId, partId, easeKey(partId), why)
    }
    const rests = level !== 'off' && mayRestFree(part) && this.choices.resting === 'rest'
    const release = this.need('release', partId, partId, releaseKey(partId), why)
    if (rests) {
      if (this.levels.get(partId) !== 'off') this.levels.set(partId, 'free')
      return release
    }
    if (this.levels.get(partId) !== 'off') {
      this.levels.set(partId, 'off')
      const lift = this.need('lift', partId, partId, liftKey(partId), why)
      // The release was asked for by the same wish; the lift is what answers it.
      this.order(release, lift, { kind: 'lifts', partId })
      for (const tether of this.model.tyingOf.get(partId) ?? []) {
        const because: Because = { kind: 'tethers', tetherId: tether.id, partId }
        this.order(this.openTether(tether, { by: lift, because }), lift, because)
      }
    }
    return liftKey(partId)
  }

  private openTether(tether: Tether, why: BroughtIn): string {
    const key = openKey(tether.id)
    const host = this.model.hostOf(tether.partId)
    const because: Because = { kind: 'tethers', tetherId: tether.id, partId: host }
    const known = this.operations.has(key)
    this.need('open', tether.id, host, key, why)
    if (known) return key
    if (isEarly(tether)) {
      if (this.operations.has(releaseKey(host))) this.order(key, releaseKey(host), because)
    } else {
      // It is in reach once the part has come forward; whether the part then rests or goes off is the part's own matter.
      this.bringTo(host, 'free', { by: key, because })
      this.order(releaseKey(host), key, because)
    }
    return key
  }

  /** Adds an operation once, and queues what it needs in turn. */
  private need(act: InAct, itemId: Id, partId: Id, key: string, why: BroughtIn): string {
    if (this.operations.has(key)) return key
    this.operations.set(key, { key, phase: 'in', act, itemId, partId, setting: null, nth: 1 })
    this.broughtIn.set(key, why)
    this.queue.push({ key, run: () => this.whatItNeeds(key) })
    return key
  }

  private whatItNeeds(key: string): RemovalError | null {
    const operation = this.operations.get(key)!
    const { act, itemId } = operation
    if (act === 'release') this.holdersAndShortLeads(itemId, key)
    if (act === 'ease')
      for (const holderId of this.model.parts.get(itemId)!.ease!.holderIds) if (this.model.holders.has(holderId)) this.undo(holderId, itemId, key)
    this.atTheBench(operation)
    if (act === 'open') {
      const { circuit } = this.model.tethers.get(itemId)!
      if (circuit === 'high-voltage') return { kind: 'high-voltage', tetherId: itemId }
      if (circuit === 'srs-firing' && ![...this.model.settings.values()].some((setting) => setting.role === 'battery')) return { kind: 'no-battery-setting', tetherId: itemId }
    }
    for (const demand of this.asked(operation)) {
      const error = this.demand(key, demand)
      if (error) return error
    }
    // The way back may want a setting that the way in does not: what its method moves has to come off all the same.
    if (act === 'release' || act === 'undo' || act === 'open')
      for (const stated of act === 'release' ? ['seat', 'place'] : act === 'undo' ? ['fasten'] : ['close'])
        for (const need of this.model.needsOf.get(`${stated}:${itemId}`) ?? []) {
          const error = need.needs.kind === 'setting' ? this.wishSetting(need.needs.settingId, need.needs.value, { by: key, because: { kind: 'need', needId: need.id } }) : null
          if (error) return error
        }
    return this.followStated(`${act}:${itemId}`, key)
  }

  private followStated(stated: string, key: string): RemovalError | null {
    for (const need of this.model.needsOf.get(stated) ?? []) {
      if (ORDER_ONLY.includes(need.reason) && need.needs.kind === 'operation') continue
      const error = need.reason === 'habit' ? null : this.follow(need, key)
      if (error) return error
    }
    return null
  }

  private holdersAndShortLeads(partId: Id, key: string): void {
    for (const holder of this.model.holdersOf.get(partId) ?? []) this.undo(holder.id, partId, key)
    for (const tether of this.model.tyingOf.get(partId) ?? []) {
      const early: Because = { kind: 'tethers', tetherId: tether.id, partId }
      if (tether.mustOpenFor === 'free') this.openTether(tether, { by: key, because: early })
      // A tether that comes off anyway and is reachable before the release comes before it.
      if (isEarly(tether) && this.operations.has(openKey(tether.id))) this.order(openKey(tether.id), key, early)
    }
  }

  private undo(holderId: Id, partId: Id, key: string): void {
    const because: Because = { kind: 'holds', holderId, partId }
    this.order(this.need('undo', holderId, partId, undoKey(holderId), { by: key, because }), key, because)
  }

  /** What a part carries is taken out once the carrier lies on the bench. */
  private atTheBench(operation: Operation): void {
    const held = operation.act === 'undo' ? this.model.holders.get(operation.itemId)!.holds : operation.act === 'release' || operation.act === 'ease' ? [operation.itemId] : []
    const carriers = held.map((partId) => this.model.parts.get(partId)?.carriedBy ?? null)
    // A holder that also holds something still in the vehicle is undone there.
    if (carriers.length === 0 || carriers.some((carrier) => carrier === null || !this.model.parts.has(carrier))) return
    const because: Because = { kind: 'carried', partId: held[0]!, carrierId: carriers[0]! }
    this.order(this.bringTo(carriers[0]!, 'off', { by: operation.key, because }), operation.key, because)
  }

  private follow(need: Need, key: string): RemovalError | null {
    const because: Because = { kind: 'need', needId: need.id }
    const why: BroughtIn = { by: key, because }
    const needed = need.needs
    if (needed.kind === 'part') this.order(this.bringTo(needed.partId, needed.level, why), key, because)
    else if (needed.kind === 'setting') return this.demand(key, { settingId: needed.settingId, value: needed.value, because })
    else if (needed.kind === 'tether') {
      if (needed.state === 'open') this.order(this.openTether(this.model.tethers.get(needed.tetherId)!, why), key, because)
      else if (this.operations.has(openKey(needed.tetherId))) this.order(key, openKey(needed.tetherId), because)
      else this.ifOpened.push({ key, tetherId: needed.tetherId, because })
    } else if (needed.kind === 'operation') {
      if (needed.act === 'undo') {
        const holder = this.model.holders.get(needed.id)!
        this.order(this.need('undo', holder.id, holder.holds[0]!, undoKey(holder.id), why), key, because)
      } else if (needed.act === 'ease') this.order(this.bringTo(needed.id, 'eased', why), key, because)
      else if (needed.act === 'release' || needed.act === 'lift') {
        this.bringTo(needed.id, needed.act === 'lift' ? 'off' : 'free', why)
        this.order(`${needed.act}:${needed.id}`, key, because)
      } else if (needed.act === 'open') this.order(this.openTether(this.model.tethers.get(needed.id)!, why), key, because)
    }
    // "Nobody else there" is a matter of who works where, not of order.
    return null
  }

  /** An operation wants a setting at a value; what the method for it moves is brought in. */
  private demand(key: string, demand: Demand): RemovalError | null {
    if (!this.settings.has(key)) this.addDemand(key, demand)
    return this.wishSetting(demand.settingId, demand.value, { by: key, because: demand.because })
  }

  private addDemand(key: string, demand: Demand): void {
    const list = this.demands.get(key) ?? []
    if (!list.some((known) => known.settingId === demand.settingId && known.value === demand.value)) list.push(demand)
    this.demands.set(key, list)
  }

  private wishSetting(settingId: Id, value: string, why: BroughtIn): RemovalError | null {
    const setting = this.model.settings.get(settingId)!
    const known = [...this.settings.values()].filter((wish) => wish.settingId === settingId)
    if (known.some((wish) => wish.value === value)) return null
    // As found it stands there already, as long as nothing else moves it.
    if (value === setting.asFound && known.length === 0) return null
    const methodId = methodFor(this.model, settingId, value, this.choices.methods)
    if (methodId === null) return { kind: 'no-method', settingId, value }
    const key = setKey(settingId, value, methodId)
    this.settings.set(key, { key, settingId, value, methodId })
    this.broughtIn.set(key, why)
    this.queue.push({ key: why.by ?? key, run: () => this.followStated(`method:${methodId}`, key) })
    if (known.length > 0) return null
    // Once moved it has to come back, by a method of its own.
    return this.wishSetting(settingId, endValue(this.model, settingId), { by: key, because: { kind: 'set back', settingId } })
  }

  /** A part that may not rest does its release, openings and lift as one block: what they wait for, the release waits for. */
  private keepInOneGo(): void {
    for (const [partId, level] of this.levels) {
      if (level !== 'off' || mayRestFree(this.model.parts.get(partId)!)) continue
      const release = releaseKey(partId)
      const inside = new Set([release, liftKey(partId)])
      const early = new Set<string>()
      for (const tether of this.model.tyingOf.get(partId) ?? []) (isEarly(tether) ? early : inside).add(openKey(tether.id))
      for (const edge of [...this.edges])
        if (inside.has(edge.after) && edge.after !== release && !inside.has(edge.before) && !early.has(edge.before)) this.order(edge.before, release, { kind: 'in one go', partId })
      // No setting is touched in between: what any act of the block demands, the release demands.
      for (const key of inside) for (const demand of this.demands.get(key) ?? []) this.addDemand(release, demand)
    }
  }

  /**
   * A part that was to be eased and comes free anyway: its release answers for both, unless something that comes before the
   * release needs it eased; then it is eased first.
   */
  private settleEased(): void {
    for (const operation of [...this.operations.values()]) {
      if (operation.act !== 'ease') continue
      const { key, itemId: partId } = operation
      const release = releaseKey(partId)
      if (!this.operations.has(release)) continue
      const waiting = this.edges.filter((edge) => edge.before === key)
      const then = successors(this.edges)
      if (waiting.some((edge) => edge.after !== release && reachedFrom(then, edge.after).has(release))) {
        this.order(key, release, { kind: 'eased first', partId })
        continue
      }
      this.operations.delete(key)
      this.demands.delete(key)
      this.edges = this.edges.flatMap((edge) => (edge.after === key ? [] : edge.before === key ? [{ ...edge, before: release }] : [edge]))
      for (const [other, why] of this.broughtIn) if (why.by === key) this.broughtIn.set(other, { ...why, by: release })
    }
  }

  /** Orders that bring nothing in. What nobody has explained is dropped where it runs in a circle, with the facts or with its like. */
  private orderOnly(): Id[] {
    const soft: (Edge & { needId: Id })[] = []
    for (const need of this.model.needs) {
      if (!ORDER_ONLY.includes(need.reason) || need.reason === 'habit' || need.needs.kind !== 'operation') continue
      const before = `${need.needs.act}:${need.needs.id}`
      const after = `${need.dependent.act}:${need.dependent.id}`
      if (!this.operations.has(before) || !this.operations.has(after)) continue
      if (need.reason === 'method') this.order(before, after, { kind: 'need', needId: need.id })
      else soft.push({ before, after, because: { kind: 'need', needId: need.id }, needId: need.id })
    }
    if (soft.length === 0) return []
    const group = loopGroups([...this.operations.keys()], [...this.edges, ...soft])
    const kept = soft.filter((edge) => group.get(edge.before) !== group.get(edge.after))
    for (const edge of kept) this.order(edge.before, edge.after, edge.because)
    return soft.filter((edge) => !kept.includes(edge)).map((edge) => edge.needId)
  }

  finish(): Removal {
    for (const { key, tetherId, because } of this.ifOpened) if (this.operations.has(openKey(tetherId))) this.order(key, openKey(tetherId), because)
    this.settleEased()
    this.keepInOneGo()
    const droppedNeeds = this.orderOnly()
    return {
      model: this.model,
      goals: this.goals,
      choices: this.choices,
      operations: new Map([...this.operations].sort(([a], [b]) => compareText(a, b))),
      edges: this.edges,
      demands: this.demands,
      settings: this.settings,
      levels: this.levels,
      broughtIn: this.broughtIn,
      droppedNeeds,
    }
  }

  private order(before: string, after: string, because: Because): void {
    // What a setting's method waits for is a guard of that act, checked when the act is made; it is no edge between operations.
    if (this.settings.has(after) || before === after) return
    const id = `${before}>${after}`
    if (this.seenEdges.has(id)) return
    this.seenEdges.add(id)
    this.edges.push({ before, after, because })
  }
}

/** Reached before the part has come forward, or so short that it must be. */
export function isEarly(tether: Tether): boolean {
  return tether.mustOpenFor === 'free' || tether.reached === 'before the release'
}

/** The parts a goal asks for under these choices; null when the model has no such thing. */
export function partsOfGoal(model: ProcedureForBuild, goal: Goal, choices: Choices): { partId: Part['id']; level: Level }[] | null {
  if (goal.kind === 'part') return model.parts.has(goal.partId) ? [goal] : null
  const cavity = model.cavities.get(goal.cavityId)
  if (!cavity) return null
  const opening = cavity.openings.find((o) => o.id === choices.openings[cavity.id]) ?? cavity.openings[0]!
  return opening.parts
}
