import { compareText, type Id } from '../base/id'
import type { Demand, Operation } from '../order/operation'
import { methodsTo } from '../order/settingAct'
import { atLeast } from '../procedure/level'
import type { Needed } from '../procedure/need'
import type { Station } from '../procedure/station'
import { moveS } from '../shop/houseValues'
import { matches, refusals } from '../vehicle/judge'
import type { VehicleState } from '../vehicle/vehicleState'
import { judged, methodS } from './demandsOf'
import type { DerivedJob } from './derivedJob'

/** One setting act: from where, by which method, how long. */
export type Move = { settingId: Id; to: string; methodId: Id; station: Station; durationS: number }
export type Settings = ReadonlyMap<Id, string>
export type Place = { station: Station; settings: Settings }
/** The cheapest acts that bring the settings to a combination, and the walking, also to where the operation is done. */
export type WayThere = { acts: Move[]; settings: Settings; station: Station; walkS: number; costS: number }

/** One act from a combination, wherever it is done. */
type Exit = { move: Omit<Move, 'station'>; stations: readonly Station[]; settings: Settings; name: string }
type Node = { settings: Settings; name: string; station: Station; costS: number; walkS: number; via: { move: Move; from: Node } | null }

/**
 * Setting acts as moves of a state: which combination of settings can be reached from which, while what is open and off
 * stands as it does. An act is possible while its method's own needs hold and no rule refuses it. Answers are remembered
 * per combination, station and pattern of guards, since most operations change none of them.
 */
export class SettingMoves {
  private readonly relevant: Id[]
  private readonly guardTethers = new Set<Id>()
  private readonly guardParts = new Set<Id>()
  private readonly guardHolders = new Set<Id>()
  private readonly reachMemo = new Map<string, Node[]>()
  private readonly exitMemo = new Map<string, Exit[]>()
  private readonly combinationMemo = new Map<string, Map<string, Settings>>()
  private readonly names = new WeakMap<Settings, string>()
  private readonly allowMemo = new Map<string, boolean>()
  private readonly ruledMemo = new Map<string, boolean>()
  private readonly guardNames = new WeakMap<VehicleState, string>()

  constructor(
    private readonly job: DerivedJob,
    private readonly demands: ReadonlyMap<string, readonly Demand[]>,
    finish: ReadonlyMap<Id, string>,
    state: VehicleState,
  ) {
    this.relevant = this.relevantSettings(finish, state)
    this.findGuards()
  }

  /** Every accepted combination by the cheapest way to it, cheapest first. `stations`: where the operation can be done. */
  waysTo(here: Place, state: VehicleState, accepts: (settings: Settings) => boolean, stations: readonly Station[]): WayThere[] {
    const { house } = this.job.circumstances
    const best = new Map<string, WayThere>()
    for (const node of this.reach(here, state)) {
      if (!accepts(node.settings)) continue
      const station = stations.reduce((a, b) => (moveS(house, node.station, b) < moveS(house, node.station, a) ? b : a))
      const walk = moveS(house, node.station, station)
      const known = best.get(node.name)
      if (!known || node.costS + walk < known.costS) best.set(node.name, { acts: actsTo(node), settings: node.settings, station, walkS: node.walkS + walk, costS: node.costS + walk })
    }
    return [...best].sort(([a, x], [b, y]) => x.costS - y.costS || x.acts.length - y.acts.length || compareText(a, b)).map(([, way]) => way)
  }

  wayTo(here: Place, state: VehicleState, accepts: (settings: Settings) => boolean): WayThere | null {
    let best: WayThere | null = null
    for (const node of this.reach(here, state)) if (accepts(node.settings) && (!best || node.costS < best.costS)) best = { acts: actsTo(node), settings: node.settings, station: node.station, walkS: node.walkS, costS: node.costS }
    return best
  }

  /** Every combination of settings that can be reached, wherever it is done from. */
  combinations(settings: Settings, state: VehicleState): ReadonlyMap<string, Settings> {
    const key = `${this.nameOf(settings)}|${this.guardName(state)}`
    const known = this.combinationMemo.get(key)
    if (known) return known
    const found = new Map<string, Settings>([[this.nameOf(settings), settings]])
    for (const at of found.values()) for (const exit of this.exits(at, state)) if (!found.has(exit.name)) found.set(exit.name, exit.settings)
    this.combinationMemo.set(key, found)
    return found
  }

  /** Whether an operation may be done under these settings: what it demands, and what the rules say. A wait alone is no refusal. */
  allows(operation: Operation, settings: Settings, state: VehicleState): boolean {
    if (!(this.demands.get(operation.key) ?? []).every((demand) => settings.get(demand.settingId) === demand.value)) return false
    if (!this.isRuled(operation)) return true
    const key = `${operation.key}|${this.nameOf(settings)}|${this.guardName(state)}`
    const known = this.allowMemo.get(key)
    if (known !== undefined) return known
    const answer = refusals(this.job.model, { ...state, settings }, judged(this.job, operation), this.job.circumstances).every((breach) => breach.rule.while.some((c) => c.kind === 'waited too short'))
    this.allowMemo.set(key, answer)
    return answer
  }

  /** Whether any rule could refuse this operation: one of its own act, or an invariant about open plugs. */
  private isRuled(operation: Operation): boolean {
    const known = this.ruledMemo.get(operation.key)
    if (known !== undefined) return known
    const { model, circumstances } = this.job
    const act = judged(this.job, operation)
    const answer = operation.act === 'open' || circumstances.rules.some((rule) => rule.effect === 'refuses' && rule.at !== null && matches(model, rule.at, act, circumstances))
    this.ruledMemo.set(operation.key, answer)
    return answer
  }

  /** Whether doing an operation can change which setting acts are possible: only then may the rest become impossible. */
  closesADoor(operation: Operation): boolean {
    if (operation.act === 'open' || operation.act === 'close') return this.guardTethers.has(operation.itemId)
    if (operation.act === 'undo' || operation.act === 'fasten') return this.guardHolders.has(operation.itemId)
    // A part that may not rest opens its plugs in the same go.
    if (operation.act === 'release' && !this.mayRest(operation.itemId) && (this.job.model.tyingOf.get(operation.itemId) ?? []).some((tether) => this.guardTethers.has(tether.id))) return true
    return this.guardParts.has(operation.itemId)
  }

  private mayRest(partId: Id): boolean {
    return this.job.model.parts.get(partId)?.rests.some((rest) => rest.level === 'free') ?? true
  }

  private reach(here: Place, state: VehicleState): Node[] {
    const key = `${this.nameOf(here.settings)}|${here.station}|${this.guardName(state)}`
    const known = this.reachMemo.get(key)
    if (known) return known
    const { house } = this.job.circumstances
    const settled = new Map<string, Node>()
    const best = new Map<string, Node>()
    const begin: Node = { settings: here.settings, name: this.nameOf(here.settings), station: here.station, costS: 0, walkS: 0, via: null }
    best.set(`${begin.name}|${begin.station}`, begin)
    while (best.size > 0) {
      let place = ''
      let node: Node | null = null
      for (const [other, candidate] of best) if (!node || candidate.costS < node.costS || (candidate.costS === node.costS && compareText(other, place) < 0)) [place, node] = [other, candidate]
      best.delete(place)
      settled.set(place, node!)
      for (const exit of this.exits(node!.settings, state))
        for (const station of exit.stations) {
          const next = `${exit.name}|${station}`
          if (settled.has(next)) continue
          const walk = moveS(house, node!.station, station)
          const costS = node!.costS + walk + exit.move.durationS
          const before = best.get(next)
          if (!before || costS < before.costS) best.set(next, { settings: exit.settings, name: exit.name, station, costS, walkS: node!.walkS + walk, via: { move: { ...exit.move, station }, from: node! } })
        }
    }
    const found = [...settled.values()]
    this.reachMemo.set(key, found)
    return found
  }

  /** The setting acts that are possible in a combination, as what is open and off stands. */
  private exits(settings: Settings, state: VehicleState): Exit[] {
    const name = this.nameOf(settings)
    const key = `${name}|${this.guardName(state)}`
    const known = this.exitMemo.get(key)
    if (known) return known
    const { model, circumstances, removal } = this.job
    const found: Exit[] = []
    const now = { ...state, settings }
    for (const settingId of this.relevant) {
      const from = settings.get(settingId)!
      for (const to of model.settings.get(settingId)!.values) {
        if (to === from) continue
        const chosen = removal.choices.methods[`${settingId}=${to}`]
        for (const methodId of methodsTo(model, settingId, to)) {
          if (chosen && chosen !== methodId) continue
          if (!(model.needsOf.get(`method:${methodId}`) ?? []).every((need) => this.guardHolds(need.needs, now))) continue
          if (refusals(model, now, { act: 'set', itemId: settingId, setting: { settingId, from, to, methodId } }, circumstances).length > 0) continue
          const next = new Map(settings).set(settingId, to)
          found.push({ move: { settingId, to, methodId, durationS: methodS(model, circumstances.house, methodId) }, stations: model.methods.get(methodId)!.method.stations, settings: next, name: this.nameOf(next) })
        }
      }
    }
    this.exitMemo.set(key, found)
    return found
  }

  private guardHolds(needed: Needed, state: VehicleState): boolean {
    switch (needed.kind) {
      case 'setting':
        return state.settings.get(needed.settingId) === needed.value
      case 'part':
        return atLeast(state.levels.get(needed.partId) ?? 'in place', needed.level)
      case 'tether':
        return state.open.has(needed.tetherId) === (needed.state === 'open')
      case 'operation':
        if (needed.act === 'undo') return state.undone.has(needed.id)
        if (needed.act === 'open') return state.open.has(needed.id)
        return atLeast(state.levels.get(needed.id) ?? 'in place', needed.act === 'lift' ? 'off' : needed.act === 'release' ? 'free' : 'eased')
      case 'station':
        return true
    }
  }

  /** Settings that are demanded or have to be set back, what their methods need in turn, and what a rule wants moved first. */
  private relevantSettings(finish: ReadonlyMap<Id, string>, state: VehicleState): Id[] {
    const { model, circumstances } = this.job
    const found = new Set<Id>([...[...this.demands.values()].flat().map((demand) => demand.settingId), ...finish.keys()].filter((id) => model.settings.has(id)))
    for (const rule of circumstances.rules)
      if (rule.at === null)
        for (const condition of rule.while)
          if (condition.kind === 'setting not')
            for (const setting of model.settings.values()) if (setting.role === condition.role && !condition.values.includes(state.settings.get(setting.id) ?? setting.asFound)) found.add(setting.id)
    for (const id of found) for (const method of model.settings.get(id)!.methods) for (const need of model.needsOf.get(`method:${method.id}`) ?? []) if (need.needs.kind === 'setting') found.add(need.needs.settingId)
    return [...found].sort(compareText)
  }

  private findGuards(): void {
    const { model, circumstances } = this.job
    const circuits = new Set(circumstances.rules.filter((rule) => rule.at === null || rule.at.acts.some((act) => act !== 'power')).flatMap((rule) => rule.while.flatMap((c): string[] => (c.kind === 'open' ? c.circuits : []))))
    for (const tether of model.tethers.values()) if (circuits.has(tether.circuit ?? '')) this.guardTethers.add(tether.id)
    for (const id of this.relevant)
      for (const method of model.settings.get(id)!.methods)
        for (const { needs } of model.needsOf.get(`method:${method.id}`) ?? []) {
          if (needs.kind === 'part') this.guardParts.add(needs.partId)
          if (needs.kind === 'tether') this.guardTethers.add(needs.tetherId)
          if (needs.kind === 'operation') (needs.act === 'undo' ? this.guardHolders : needs.act === 'open' ? this.guardTethers : this.guardParts).add(needs.id)
        }
  }

  private nameOf(settings: Settings): string {
    const known = this.names.get(settings)
    if (known !== undefined) return known
    const name = this.relevant.map((id) => settings.get(id) ?? '').join(';')
    this.names.set(settings, name)
    return name
  }

  /** The part of the state that setting acts look at, as text. */
  private guardName(state: VehicleState): string {
    const known = this.guardNames.get(state)
    if (known !== undefined) return known
    const name = this.nameGuards(state)
    this.guardNames.set(state, name)
    return name
  }

  private nameGuards(state: VehicleState): string {
    const open = [...this.guardTethers].filter((id) => state.open.has(id))
    const moved = [...this.guardParts].map((id) => state.levels.get(id) ?? '')
    const undone = [...this.guardHolders].filter((id) => state.undone.has(id))
    return `${open.join()}/${moved.join()}/${undone.join()}`
  }
}

function actsTo(node: Node): Move[] {
  const acts: Move[] = []
  for (let at = node; at.via; at = at.via.from) acts.unshift(at.via.move)
  return acts
}
