import type { Id } from '../base/id'
import type { ProcedureForBuild } from '../procedure/forBuild'
import type { Level } from '../procedure/level'
import { ORDER_ONLY } from '../procedure/needReasons'
import type { Need } from '../procedure/need'
import { goesWithPull } from '../procedure/letsGo'
import { mayRestFree } from '../procedure/resting'
import type { TyingTether } from '../procedure/tether'
import { partsOfGoal } from './partsOfGoal'
import { wantedOnTheWayBack } from './wantedBack'
import type { Because, Demand, Operation } from './operation'
import { isEarly } from './reach'
import { keepInOneGo, letGoWithThePull, orderOnly, settleEased, weightLast } from './removalFinish'
import { RemovalParts } from './removalParts'
import type { Removal, RemovalError } from './removal'
import { endValue, methodFor } from './settingAct'
import type { AskedByRules, BroughtIn, Choices, Goal } from './wish'
import { type InAct, keyOf, setKey } from '../procedure/acts'

/** Works outward from the goals, breadth first, so that `broughtIn` holds a shortest chain of reasons. */
export class RemovalDraft extends RemovalParts {
  private readonly queue: { key: string; methodId: Id | null }[] = []
  private head = 0
  /** Set once the finished order was seen to have no loop. */
  sound = false
  /** What is to be done while a plug is still closed, should that plug be opened at all. */
  private readonly ifOpened: { key: string; tetherId: Id; because: Because }[] = []

  /** Settings that the way back asks for, by the act of the way in that begins it. */
  private readonly wantedBack: ReadonlyMap<string, readonly Need[]>

  constructor(
    model: ProcedureForBuild,
    private readonly goals: readonly Goal[],
    private readonly choices: Choices,
    private readonly asked: AskedByRules,
  ) {
    super(model)
    this.wantedBack = wantedOnTheWayBack(model)
  }

  /**
   * What can't be done, with the operation it stands in the way of (null: a goal). The rest is derived all the same.
   */
  readonly errors: { key: string | null; error: RemovalError }[] = []

  reachGoals(): void {
    for (const goal of this.goals) {
      const parts = partsOfGoal(this.model, goal, this.choices)
      if (!parts) this.errors.push({ key: null, error: { kind: 'unknown-goal', goal } })
      for (const { partId, level } of parts ?? []) this.bringTo(partId, level, { by: null, goal })
    }
    while (this.head < this.queue.length) {
      const { key, methodId } = this.queue[this.head++]!
      const error = methodId === null ? this.whatItNeeds(key) : this.followStated(keyOf('method', methodId), key)
      if (error) this.errors.push({ key: this.settings.has(key) ? (this.broughtIn.get(key)?.by ?? key) : key, error })
    }
  }

  /** Asks for a part at a level; returns the operation that gets it there. */
  private bringTo(partId: Id, level: Level, why: BroughtIn): string {
    const part = this.model.parts.get(partId)!
    if (level === 'eased' && part.ease) {
      if (!this.levels.has(partId)) this.levels.set(partId, 'eased')
      return this.need('ease', partId, partId, keyOf('ease', partId), why)
    }
    const rests = level !== 'off' && mayRestFree(part) && this.choices.resting === 'rest'
    const release = this.need('release', partId, partId, keyOf('release', partId), why)
    if (rests) {
      if (this.levels.get(partId) !== 'off') this.levels.set(partId, 'free')
      return release
    }
    if (this.levels.get(partId) !== 'off') {
      this.levels.set(partId, 'off')
      const lift = this.need('lift', partId, partId, keyOf('lift', partId), why)
      // The release was asked for by the same wish; the lift is what answers it.
      this.order(release, lift, { kind: 'lifts', partId })
      for (const tether of this.model.tyingOf.get(partId) ?? []) {
        const because: Because = { kind: 'tethers', tetherId: tether.id, partId }
        this.order(this.openTether(tether, { by: lift, because }), lift, because)
      }
    }
    return keyOf('lift', partId)
  }

  private openTether(tether: TyingTether, why: BroughtIn): string {
    const key = keyOf('open', tether.id)
    const host = this.model.hostOf(tether.partId)
    const because: Because = { kind: 'tethers', tetherId: tether.id, partId: host }
    const known = this.operations.has(key)
    this.need('open', tether.id, host, key, why)
    if (known) return key
    if (isEarly(tether)) {
      if (this.operations.has(keyOf('release', host))) this.order(key, keyOf('release', host), because)
    } else {
      // It is in reach once the part has come forward; whether the part then rests or goes off is the part's own
      // matter.
      this.bringTo(host, 'free', { by: key, because })
      this.order(keyOf('release', host), key, because)
    }
    return key
  }

  /** Adds an operation once, and queues what it needs in turn. */
  private need(act: InAct, itemId: Id, partId: Id, key: string, why: BroughtIn): string {
    if (this.operations.has(key)) return key
    this.operations.set(key, { key, phase: 'in', act, itemId, partId, setting: null, nth: 1 })
    this.broughtIn.set(key, why)
    this.queue.push({ key, methodId: null })
    return key
  }

  private whatItNeeds(key: string): RemovalError | null {
    const operation = this.operations.get(key)!
    const { act, itemId } = operation
    const error = this.undoneFirst(act, itemId, key)
    if (error) return error
    this.atTheBench(operation)
    if (act === 'open') {
      const { circuit } = this.model.tethers.get(itemId)!
      if (circuit === 'high-voltage') return { kind: 'high-voltage', tetherId: itemId }
      if (circuit === 'srs-firing' && ![...this.model.settings.values()].some((setting) => setting.role === 'battery'))
        return { kind: 'no-battery-setting', tetherId: itemId }
    }
    return this.askedOf(operation, key)
  }

  /**
   * What the rules ask of an act, what its way back wants, and what the record states of it, on behalf of operation
   * `key`.
   */
  private askedOf(act: Pick<Operation, 'act' | 'itemId'>, key: string): RemovalError | null {
    for (const demand of this.asked(act)) {
      const error = this.demand(key, demand)
      if (error) return error
    }
    const stated = `${act.act}:${act.itemId}`
    // The way back may want a setting that the way in does not: what its method moves has to come off all the same.
    for (const { id, needs } of this.wantedBack.get(stated) ?? []) {
      const why: BroughtIn = { by: key, because: { kind: 'need', needId: id } }
      const error = needs.kind === 'setting' ? this.wishSetting(needs.settingId, needs.value, why) : null
      if (error) return error
    }
    // A need is stated on the act and the thing, which is how an operation's key is made.
    return this.followStated(stated, key)
  }

  private followStated(stated: string, key: string): RemovalError | null {
    for (const need of this.model.needsOf.get(stated) ?? []) {
      if (ORDER_ONLY.includes(need.reason) && need.needs.kind === 'operation') continue
      const error = need.reason === 'habit' ? null : this.follow(need, key)
      if (error) return error
    }
    return null
  }

  /** What holds a part is undone before it is pulled or eased. */
  private undoneFirst(act: Operation['act'], itemId: Id, key: string): RemovalError | null {
    if (act === 'release') return this.holdersAndShortLeads(itemId, key)
    return act === 'ease' ? this.holdersOfEase(itemId, key) : null
  }

  private holdersAndShortLeads(partId: Id, key: string): RemovalError | null {
    let error: RemovalError | null = null
    for (const holder of this.model.holdersOf.get(partId) ?? []) error ??= this.undo(holder.id, partId, key)
    for (const tether of this.model.tyingOf.get(partId) ?? []) {
      const early: Because = { kind: 'tethers', tetherId: tether.id, partId }
      if (tether.mustOpenFor === 'free') this.openTether(tether, { by: key, because: early })
      // A tether that comes off anyway and is reachable before the release comes before it.
      if (isEarly(tether) && this.operations.has(keyOf('open', tether.id)))
        this.order(keyOf('open', tether.id), key, early)
    }
    return error
  }

  private holdersOfEase(partId: Id, key: string): RemovalError | null {
    let error: RemovalError | null = null
    for (const holderId of this.model.parts.get(partId)!.ease!.holderIds)
      if (this.model.holders.has(holderId)) error ??= this.undo(holderId, partId, key)
    return error
  }

  private undo(holderId: Id, partId: Id, key: string): RemovalError | null {
    if (goesWithPull(this.model.holders.get(holderId)!)) {
      // It lets go with the pull: what covers it keeps the pull waiting.
      this.pulledBy.set(holderId, [...(this.pulledBy.get(holderId) ?? []), { key, partId }])
      return this.askedOf({ act: 'undo', itemId: holderId }, key)
    }
    const because: Because = { kind: 'holds', holderId, partId }
    this.order(this.need('undo', holderId, partId, keyOf('undo', holderId), { by: key, because }), key, because)
    return null
  }

  /** What a part carries is taken out once the carrier lies on the bench. */
  private atTheBench(operation: Operation): void {
    const held =
      operation.act === 'undo'
        ? this.model.holders.get(operation.itemId)!.holds
        : operation.act === 'release' || operation.act === 'ease'
          ? [operation.itemId]
          : []
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
    else if (needed.kind === 'setting')
      return this.demand(key, { settingId: needed.settingId, value: needed.value, because })
    else if (needed.kind === 'operation') this.followAct(needed, key, why, because)
    else if (needed.kind === 'tether') {
      if (needed.state === 'open')
        this.order(this.openTether(this.model.tethers.get(needed.tetherId)!, why), key, because)
      else if (this.operations.has(keyOf('open', needed.tetherId)))
        this.order(key, keyOf('open', needed.tetherId), because)
      else this.ifOpened.push({ key, tetherId: needed.tetherId, because })
    }
    // "Nobody else there" is a matter of who works where, not of order.
    return null
  }

  /** Another act is needed first: it is brought in and comes before. */
  private followAct(
    { act, id }: Extract<Need['needs'], { kind: 'operation' }>,
    key: string,
    why: BroughtIn,
    because: Because,
  ): void {
    if (act === 'ease') this.order(this.bringTo(id, 'eased', why), key, because)
    else if (act === 'open') this.order(this.openTether(this.model.tethers.get(id)!, why), key, because)
    else if (act === 'release' || act === 'lift') {
      this.bringTo(id, act === 'lift' ? 'off' : 'free', why)
      this.order(keyOf(act, id), key, because)
    } else if (act === 'undo') {
      const holder = this.model.holders.get(id)!
      const partId = holder.holds[0]!
      if (goesWithPull(holder)) {
        this.bringTo(partId, 'free', why)
        this.order(keyOf('release', partId), key, because)
      } else this.order(this.need('undo', holder.id, partId, keyOf('undo', holder.id), why), key, because)
    }
  }

  /** An operation wants a setting at a value; what the method for it moves is brought in. */
  private demand(key: string, demand: Demand): RemovalError | null {
    if (!this.settings.has(key)) this.addDemand(key, demand)
    return this.wishSetting(demand.settingId, demand.value, { by: key, because: demand.because })
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
    this.queue.push({ key, methodId })
    if (known.length > 0) return null
    // Once moved it has to come back, by a method of its own.
    return this.wishSetting(settingId, endValue(this.model, settingId), {
      by: key,
      because: { kind: 'set back', settingId },
    })
  }

  finish(): Removal {
    for (const { key, tetherId, because } of this.ifOpened)
      if (this.operations.has(keyOf('open', tetherId))) this.order(key, keyOf('open', tetherId), because)
    settleEased(this)
    letGoWithThePull(this)
    weightLast(this)
    keepInOneGo(this)
    const { dropped: droppedNeeds, sound } = orderOnly(this)
    this.sound = sound
    return {
      model: this.model,
      goals: this.goals,
      choices: this.choices,
      operations: this.operations,
      edges: this.edges,
      demands: this.demands,
      settings: this.settings,
      levels: this.levels,
      broughtIn: this.broughtIn,
      droppedNeeds,
    }
  }
}
