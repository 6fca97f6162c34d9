import type { Id } from '../../base/id'
import type { Demand, Operation } from '../../order/operation'
import { methodsTo } from '../../order/settingAct'
import type { Station } from '../../procedure/station'
import { matches, refusals } from '../../vehicle/judge'
import { asFoundState, type VehicleState } from '../../vehicle/vehicleState'
import { judged, methodS } from './demandsOf'
import type { DerivedJob } from './derivedJob'
import { keyOf } from '../../procedure/acts'
import { guardHolds, type GuardFact } from './settingGuard'
import { guardsOf, settingsInPlay, valuesInPlay } from './settingsInPlay'

export type Settings = ReadonlyMap<Id, string>

/**
 * One setting act from a combination of settings: by which method, where, how long, what it leads to, and what guards
 * it.
 */
export type SettingMove = {
  settingId: Id
  from: string
  to: string
  methodId: Id
  stations: readonly Station[]
  durationS: number
  settings: Settings
  name: string
  guards: readonly GuardFact[]
}

/**
 * Setting acts as moves of a state: which combination of settings leads to which, and what must be open, closed or off
 * for it. An act is possible while its method's own needs hold and no rule refuses it; an open plug that a rule minds
 * is a guard.
 */
export class SettingMoves {
  private readonly relevant: Id[]
  private readonly values: ReadonlyMap<Id, readonly string[]>
  private readonly guardTethers: ReadonlySet<Id>
  private readonly guardParts: ReadonlySet<Id>
  private readonly guardHolders: ReadonlySet<Id>
  private readonly moveMemo = new Map<string, SettingMove[]>()
  private readonly combinationMemo = new Map<string, Map<string, Settings>>()
  private readonly names = new WeakMap<Settings, string>()
  private readonly allowMemo = new Map<string, boolean>()
  private readonly ruledMemo = new Map<string, boolean>()
  private readonly guardNames = new WeakMap<VehicleState, string>()
  /** One tether of each circuit that a rule minds, with the others of its circuit. */
  private readonly circuits: Id[][]

  constructor(
    private readonly job: DerivedJob,
    private readonly demands: ReadonlyMap<string, readonly Demand[]>,
    finish: ReadonlyMap<Id, string>,
    state: VehicleState,
  ) {
    this.relevant = settingsInPlay(job, demands, finish, state)
    this.values = valuesInPlay(job, this.relevant, demands, finish, state)
    const guards = guardsOf(job, this.relevant)
    this.guardTethers = guards.tethers
    this.guardParts = guards.parts
    this.guardHolders = guards.holders
    const byCircuit = new Map<string, Id[]>()
    for (const id of this.guardTethers) {
      const circuit = job.model.tethers.get(id)?.circuit ?? ''
      byCircuit.set(circuit, [...(byCircuit.get(circuit) ?? []), id])
    }
    this.circuits = [...byCircuit.values()]
  }

  /** Every combination of settings that can be reached, wherever it is done from, as what is open and off stands. */
  combinations(settings: Settings, state: VehicleState): ReadonlyMap<string, Settings> {
    const key = `${this.nameOf(settings)}|${this.guardName(state)}`
    const known = this.combinationMemo.get(key)
    if (known) return known
    const found = new Map<string, Settings>([[this.nameOf(settings), settings]])
    for (const at of found.values())
      for (const move of this.movesFrom(at))
        if (!found.has(move.name) && move.guards.every((guard) => guardHolds(guard, state)))
          found.set(move.name, move.settings)
    this.combinationMemo.set(key, found)
    return found
  }

  /**
   * Every combination that could be reached if every guard held: what an order may pass through. The present one first.
   */
  combinationsAtMost(settings: Settings): ReadonlyMap<string, Settings> {
    const found = new Map<string, Settings>([[this.nameOf(settings), settings]])
    for (const at of found.values())
      for (const move of this.movesFrom(at)) if (!found.has(move.name)) found.set(move.name, move.settings)
    return found
  }

  /** Every act from a combination, with its guards. */
  movesFrom(settings: Settings): readonly SettingMove[] {
    const known = this.moveMemo.get(this.nameOf(settings))
    if (known) return known
    const { model, circumstances, removal } = this.job
    const found: SettingMove[] = []
    for (const settingId of this.relevant) {
      const from = settings.get(settingId)!
      for (const to of this.values.get(settingId)!) {
        if (to === from) continue
        const insisted = removal.choices.insisted?.[`${settingId}=${to}`]
        for (const methodId of methodsTo(model, settingId, to)) {
          if (insisted && insisted !== methodId) continue
          const needs = (model.needsOf.get(keyOf('method', methodId)) ?? []).map((need) => need.needs)
          if (!needs.every((needed) => needed.kind !== 'setting' || settings.get(needed.settingId) === needed.value))
            continue
          const byRules = this.guardsByRules(settings, { settingId, from, to, methodId })
          if (byRules === null) continue
          const next = new Map(settings).set(settingId, to)
          const own = needs.filter(
            (needed): needed is GuardFact => needed.kind !== 'setting' && needed.kind !== 'station',
          )
          found.push({
            settingId,
            from,
            to,
            methodId,
            stations: model.methods.get(methodId)!.method.stations,
            durationS: methodS(model, circumstances.house, methodId),
            settings: next,
            name: this.nameOf(next),
            guards: [...own, ...byRules],
          })
        }
      }
    }
    this.moveMemo.set(this.nameOf(settings), found)
    return found
  }

  /**
   * Whether an operation may be done under these settings: what it demands, and what the rules say. A wait alone is no
   * refusal.
   */
  allows(operation: Operation, settings: Settings, state: VehicleState): boolean {
    if (!(this.demands.get(operation.key) ?? []).every((demand) => settings.get(demand.settingId) === demand.value))
      return false
    if (!this.isRuled(operation)) return true
    const key = `${operation.key}|${this.nameOf(settings)}|${this.guardName(state)}`
    const known = this.allowMemo.get(key)
    if (known !== undefined) return known
    const answer = refusals(
      this.job.model,
      { ...state, settings },
      judged(this.job, operation),
      this.job.circumstances,
    ).every((breach) => breach.rule.while.some((c) => c.kind === 'waited too short'))
    this.allowMemo.set(key, answer)
    return answer
  }

  /** The plugs that, open, keep an operation from being done where it could be done with all of them closed. */
  mindedBy(operation: Operation, settings: Settings): Id[] {
    if (!this.isRuled(operation)) return []
    const closed = asFoundState(this.job.model)
    return this.circuits.flatMap((tethers) => {
      const others = tethers.filter((id) => id !== operation.itemId)
      return others.length === 0 || this.allows(operation, settings, { ...closed, open: new Set(others.slice(0, 1)) })
        ? []
        : others
    })
  }

  /** Whether any rule could refuse this operation: one of its own act, or an invariant about open plugs. */
  private isRuled(operation: Operation): boolean {
    const known = this.ruledMemo.get(operation.key)
    if (known !== undefined) return known
    const { model, circumstances } = this.job
    const act = judged(this.job, operation)
    const answer =
      operation.act === 'open' ||
      circumstances.rules.some(
        (rule) => rule.effect === 'refuses' && rule.at !== null && matches(model, rule.at, act, circumstances),
      )
    this.ruledMemo.set(operation.key, answer)
    return answer
  }

  /**
   * Whether doing an operation can change which setting acts are possible: only then may the rest become impossible.
   */
  closesADoor(operation: Operation): boolean {
    if (operation.act === 'open' || operation.act === 'close') return this.guardTethers.has(operation.itemId)
    if (operation.act === 'undo' || operation.act === 'fasten') return this.guardHolders.has(operation.itemId)
    if (operation.pulled?.some((id) => this.guardHolders.has(id))) return true
    // A part that may not rest opens its plugs in the same go.
    if (
      operation.act === 'release' &&
      !this.mayRest(operation.itemId) &&
      (this.job.model.tyingOf.get(operation.itemId) ?? []).some((tether) => this.guardTethers.has(tether.id))
    )
      return true
    return this.guardParts.has(operation.itemId)
  }

  /**
   * Whether it matters on which side of a setting act an operation is done: it asks for a value of that setting, it
   * turns over what guards the act, or a rule allows it on one side only. `settings`: before the act.
   */
  minds(
    operation: Operation,
    act: { settingId: Id; from: string; to: string; methodId: Id },
    settings: Settings,
  ): boolean {
    if ((this.demands.get(operation.key) ?? []).some((demand) => demand.settingId === act.settingId)) return true
    const move = this.movesFrom(settings).find(
      (other) => other.settingId === act.settingId && other.to === act.to && other.methodId === act.methodId,
    )
    // An act that is no move of this plan is read strictly.
    if (!move) return this.closesADoor(operation)
    if (this.closesADoor(operation) && move.guards.some((guard) => this.turnsOver(operation, guard))) return true
    const closed = asFoundState(this.job.model)
    return this.allows(operation, settings, closed) !== this.allows(operation, move.settings, closed)
  }

  private turnsOver(operation: Operation, guard: GuardFact): boolean {
    const id = guard.kind === 'part' ? guard.partId : guard.kind === 'tether' ? guard.tetherId : guard.id
    const together =
      operation.act === 'release' && !this.mayRest(operation.itemId)
        ? (this.job.model.tyingOf.get(operation.itemId) ?? []).map((tether) => tether.id)
        : []
    return [operation.itemId, ...(operation.pulled ?? []), ...together].includes(id)
  }

  nameOf(settings: Settings): string {
    const known = this.names.get(settings)
    if (known !== undefined) return known
    const name = this.relevant.map((id) => settings.get(id) ?? '').join(';')
    this.names.set(settings, name)
    return name
  }

  /** The plugs that must be closed for an act; null when it is refused with all of them closed. */
  private guardsByRules(
    settings: Settings,
    act: { settingId: Id; from: string; to: string; methodId: Id },
  ): GuardFact[] | null {
    const { model, circumstances } = this.job
    const refused = (open: readonly Id[]) =>
      refusals(
        model,
        { ...asFoundState(model), settings, open: new Set(open) },
        { act: 'set', itemId: act.settingId, setting: act },
        circumstances,
      ).length > 0
    if (refused([])) return null
    const minded = this.circuits.filter((tethers) => refused(tethers.slice(0, 1)))
    // A rule that minds only several circuits together is read strictly: none of them may be open.
    const strictly =
      minded.length === 0 && this.circuits.length > 1 && refused(this.circuits.flat()) ? this.circuits : minded
    return strictly.flat().map((tetherId) => ({ kind: 'tether', tetherId, state: 'closed' }))
  }

  private mayRest(partId: Id): boolean {
    return this.job.model.parts.get(partId)?.rests.some((rest) => rest.level === 'free') ?? true
  }

  /** The part of the state that setting acts look at, as text. */
  private guardName(state: VehicleState): string {
    const known = this.guardNames.get(state)
    if (known !== undefined) return known
    const open = [...this.guardTethers].filter((id) => state.open.has(id))
    const moved = [...this.guardParts].map((id) => state.levels.get(id) ?? '')
    const undone = [...this.guardHolders].filter((id) => state.undone.has(id))
    const name = `${open.join()}/${moved.join()}/${undone.join()}`
    this.guardNames.set(state, name)
    return name
  }
}
