import { compareText, type Id } from '../base/id'
import { fail, ok, type Result } from '../base/result'
import type { ProcedureForBuild } from '../procedure/forBuild'
import type { Level } from '../procedure/level'
import { ORDER_ONLY, type Need } from '../procedure/need'
import { mayRestFree } from '../procedure/part'
import { isAirbagCircuit, type Tether } from '../procedure/tether'
import { shortestLoop } from './loop'
import { liftKey, openKey, releaseKey, undoKey, type Because, type Edge, type Operation } from './operation'
import { settingAct, type SettingError } from './settingAct'

export type Goal = { kind: 'cavity'; cavityId: Id } | { kind: 'part'; partId: Id; level: 'free' | 'off' }

/** What was chosen where the facts leave a choice. Keys of `methods`: "settingId=value". */
export type Choices = { openings: Record<Id, Id>; methods: Record<string, Id>; resting: 'rest' | 'set aside' }

/** Why an operation is there: asked for by another operation, or by a goal. */
export type BroughtIn = { by: string; because: Because } | { by: null; goal: Goal }

export type Removal = {
  model: ProcedureForBuild
  goals: readonly Goal[]
  choices: Choices
  operations: Map<string, Operation>
  edges: Edge[]
  /** The level each part that moves is brought to. */
  levels: Map<Id, Level>
  broughtIn: Map<string, BroughtIn>
}

export type RemovalError =
  | { kind: 'unknown-goal'; goal: Goal }
  | { kind: 'contradiction'; loop: Edge[] }
  | { kind: 'high-voltage'; tetherId: Id }
  | { kind: 'no-battery-setting'; tetherId: Id }
  | SettingError

/**
 * Everything that has to come off, and no more, to reach every goal under these choices, with the reason for each
 * operation and for each "before".
 *
 * Errors: returned; a contradiction carries the shortest loop of facts. Cost: O(operations + edges) without a loop.
 */
export function deriveRemoval(model: ProcedureForBuild, goals: readonly Goal[], choices: Choices): Result<Removal, RemovalError> {
  const draft = new RemovalDraft(model, goals, choices)
  const error = draft.reachGoals() ?? draft.obeyAirbagRules()
  if (error) return fail(error)
  draft.keepInOneGo()
  const removal = draft.finish()
  const loop = shortestLoop([...removal.operations.keys()], removal.edges)
  if (loop) return fail({ kind: 'contradiction', loop })
  return ok(removal)
}

/** Works outward from the goals, breadth first, so that `broughtIn` holds a shortest chain of reasons. */
class RemovalDraft {
  private readonly operations = new Map<string, Operation>()
  private readonly edges: Edge[] = []
  private readonly seenEdges = new Set<string>()
  private readonly levels = new Map<Id, Level>()
  private readonly broughtIn = new Map<string, BroughtIn>()
  private readonly settings = new Map<Id, { value: string; key: string | null }>()
  private readonly queue: (() => RemovalError | null)[] = []

  constructor(
    private readonly model: ProcedureForBuild,
    private readonly goals: readonly Goal[],
    private readonly choices: Choices,
  ) {}

  reachGoals(): RemovalError | null {
    for (const goal of this.goals) {
      const parts = this.partsOfGoal(goal)
      if (!parts) return { kind: 'unknown-goal', goal }
      for (const { partId, level } of parts) this.bringTo(partId, level, { by: null, goal })
    }
    for (let step = this.queue.shift(); step; step = this.queue.shift()) {
      const error = step()
      if (error) return error
    }
    return null
  }

  private partsOfGoal(goal: Goal): { partId: Id; level: Level }[] | null {
    if (goal.kind === 'part') return this.model.parts.has(goal.partId) ? [goal] : null
    const cavity = this.model.cavities.get(goal.cavityId)
    if (!cavity) return null
    const opening = cavity.openings.find((o) => o.id === this.choices.openings[cavity.id]) ?? cavity.openings[0]!
    return opening.parts
  }

  /** Asks for a part at a level; returns the operation that gets it there. */
  private bringTo(partId: Id, level: Level, why: BroughtIn): string {
    const part = this.model.parts.get(partId)!
    // "Eased" is met by "free" until eased parts are planned: a stronger level is always safe.
    const rests = level !== 'off' && mayRestFree(part) && this.choices.resting === 'rest'
    const release = this.need({ act: 'release', itemId: partId, partId }, releaseKey(partId), why)
    if (rests) {
      if (!this.levels.has(partId)) this.levels.set(partId, 'free')
      return release
    }
    if (this.levels.get(partId) !== 'off') {
      this.levels.set(partId, 'off')
      const lift = this.need({ act: 'lift', itemId: partId, partId }, liftKey(partId), why)
      // The release was asked for by the same wish; the lift is what answers it.
      this.order(release, lift, { kind: 'lifts', partId })
      for (const tether of this.model.tethersOf.get(partId) ?? [])
        this.order(this.openTether(tether, { by: lift, because: { kind: 'tethers', tetherId: tether.id, partId } }), lift, {
          kind: 'tethers',
          tetherId: tether.id,
          partId,
        })
    }
    return liftKey(partId)
  }

  private openTether(tether: Tether, why: BroughtIn): string {
    const key = openKey(tether.id)
    const release = releaseKey(tether.partId)
    const because: Because = { kind: 'tethers', tetherId: tether.id, partId: tether.partId }
    const known = this.operations.has(key)
    this.need({ act: 'open', itemId: tether.id, partId: tether.partId }, key, why)
    if (known) return key
    if (tether.mustOpenFor === 'free' || tether.reached === 'before the release') {
      if (this.operations.has(release)) this.order(key, release, because)
    } else {
      // It is in reach once the part has come forward; whether the part then rests or goes off is the part's own matter.
      this.bringTo(tether.partId, 'free', { by: key, because })
      this.order(release, key, because)
    }
    return key
  }

  /** Adds an operation once, and queues what it needs in turn. */
  private need(operation: Pick<Operation, 'act' | 'itemId' | 'partId'>, key: string, why: BroughtIn): string {
    if (this.operations.has(key)) return key
    this.operations.set(key, { key, phase: 'in', setting: null, ...operation })
    this.broughtIn.set(key, why)
    this.queue.push(() => this.whatItNeeds(key))
    return key
  }

  private whatItNeeds(key: string): RemovalError | null {
    const operation = this.operations.get(key)!
    if (operation.act === 'release') {
      const partId = operation.itemId
      for (const holder of this.model.holdersOf.get(partId) ?? []) {
        const because: Because = { kind: 'holds', holderId: holder.id, partId }
        const undo = this.need({ act: 'undo', itemId: holder.id, partId }, undoKey(holder.id), { by: key, because })
        this.order(undo, key, because)
      }
      for (const tether of this.model.tethersOf.get(partId) ?? []) {
        const early: Because = { kind: 'tethers', tetherId: tether.id, partId }
        if (tether.mustOpenFor === 'free') this.openTether(tether, { by: key, because: early })
        // A tether that comes off anyway and is reachable before the release comes before it.
        if (this.operations.has(openKey(tether.id)) && (tether.mustOpenFor === 'free' || tether.reached === 'before the release'))
          this.order(openKey(tether.id), key, early)
      }
      // Seating asks for the setting again on the way back; it is set once and stays until then.
      for (const need of this.model.needsOf.get(`seat:${partId}`) ?? []) {
        const error = need.needs.kind === 'setting' ? this.bringSetting(need, null, key) : null
        if (error) return error
      }
    }
    if (operation.act === 'open' && this.model.tethers.get(operation.itemId)!.circuit === 'high-voltage')
      return { kind: 'high-voltage', tetherId: operation.itemId }
    const stated = operation.act === 'set' ? `method:${operation.setting!.methodId}` : `${operation.act}:${operation.itemId}`
    for (const need of this.model.needsOf.get(stated) ?? []) {
      if (ORDER_ONLY.includes(need.reason) && need.needs.kind === 'operation') continue
      const error = this.follow(need, key)
      if (error) return error
    }
    return null
  }

  private follow(need: Need, key: string): RemovalError | null {
    const because: Because = { kind: 'need', needId: need.id }
    const why: BroughtIn = { by: key, because }
    const needed = need.needs
    if (needed.kind === 'part') this.order(this.bringTo(needed.partId, needed.level, why), key, because)
    else if (needed.kind === 'setting') return this.bringSetting(need, key, key)
    else if (needed.kind === 'tether') {
      if (needed.state === 'open') this.order(this.openTether(this.model.tethers.get(needed.tetherId)!, why), key, because)
      else if (this.operations.has(openKey(needed.tetherId))) this.order(key, openKey(needed.tetherId), because)
    } else if (needed.act === 'undo') {
      const holder = this.model.holders.get(needed.id)!
      this.order(this.need({ act: 'undo', itemId: holder.id, partId: holder.holds[0]! }, undoKey(holder.id), why), key, because)
    } else if (needed.act === 'release' || needed.act === 'lift') {
      this.bringTo(needed.id, needed.act === 'lift' ? 'off' : 'free', why)
      this.order(`${needed.act}:${needed.id}`, key, because)
    } else if (needed.act === 'open') this.order(this.openTether(this.model.tethers.get(needed.id)!, why), key, because)
    return null
  }

  /** Asks for a setting at a value for `askedBy`; `waits` is what waits for it on the way in (null: only the way out does). */
  private bringSetting(need: Need, waits: string | null, askedBy: string): RemovalError | null {
    if (need.needs.kind !== 'setting') return null
    const { settingId, value } = need.needs
    // A method that needs another setting only for its own moment carries that in its setting act.
    if (need.dependent.act === 'method') return null
    return this.bringSettingTo(settingId, value, waits, { kind: 'need', needId: need.id }, askedBy)
  }

  private bringSettingTo(settingId: Id, value: string, waits: string | null, because: Because, askedBy: string): RemovalError | null {
    const known = this.settings.get(settingId)
    if (known && known.value !== value) return { kind: 'two-values', settingId, values: [known.value, value] }
    if (!known) {
      const act = settingAct(this.model, settingId, value, this.choices.methods[`${settingId}=${value}`])
      if (!act.ok) return act.error
      if (act.value) {
        const { key: made, act: setting } = act.value
        this.operations.set(made, { key: made, phase: 'in', act: 'set', itemId: settingId, partId: null, setting })
        this.broughtIn.set(made, { by: askedBy, because })
        this.queue.push(() => this.whatItNeeds(made))
      }
      this.settings.set(settingId, { value, key: act.value?.key ?? null })
    }
    const made = this.settings.get(settingId)!.key
    if (made && waits) this.order(made, waits, because)
    return null
  }

  /**
   * Rules 1 and 2: the ignition is off, and for firing circuits the battery is off, whenever an airbag circuit is
   * opened or open. A setting act that turns the ignition on for a moment therefore comes first.
   */
  obeyAirbagRules(): RemovalError | null {
    const role = (name: string) => [...this.model.settings.values()].find((setting) => setting.role === name)
    const ignition = role('ignition')
    const battery = role('battery')
    const opened = [...this.operations.values()].filter((operation) => operation.act === 'open')
    for (const operation of opened) {
      const tether = this.model.tethers.get(operation.itemId)!
      if (!isAirbagCircuit(tether)) continue
      const because = (settingId: Id): Because => ({ kind: 'airbag', tetherId: tether.id, settingId })
      if (ignition) {
        const error = this.bringSettingTo(ignition.id, 'off', operation.key, because(ignition.id), operation.key)
        if (error) return error
      }
      if (tether.circuit === 'srs-firing') {
        if (!battery) return { kind: 'no-battery-setting', tetherId: tether.id }
        const error = this.bringSettingTo(battery.id, 'off', operation.key, because(battery.id), operation.key)
        if (error) return error
      }
      for (const other of this.operations.values())
        if (ignition && other.setting?.momentary.some((moment) => moment.settingId === ignition.id))
          this.order(other.key, operation.key, because(ignition.id))
    }
    if (battery && ignition && this.settings.get(battery.id)?.key)
      for (const other of [...this.operations.values()])
        // The ignition needs the battery: what turns it on for a moment comes before the battery goes off.
        if (other.setting?.momentary.some((moment) => moment.settingId === ignition.id))
          this.order(other.key, this.settings.get(battery.id)!.key!, { kind: 'set back', settingId: battery.id })
    for (let step = this.queue.shift(); step; step = this.queue.shift()) {
      const error = step()
      if (error) return error
    }
    return null
  }

  /** A part that may not rest does its release, openings and lift as one block: what they wait for, the release waits for. */
  keepInOneGo(): void {
    for (const [partId, level] of this.levels) {
      if (level !== 'off' || mayRestFree(this.model.parts.get(partId)!)) continue
      const release = releaseKey(partId)
      const inside = new Set([release, liftKey(partId)])
      for (const tether of this.model.tethersOf.get(partId) ?? [])
        if (tether.reached === 'after the release' && tether.mustOpenFor === 'off') inside.add(openKey(tether.id))
      for (const edge of [...this.edges])
        if (inside.has(edge.after) && edge.after !== release && !inside.has(edge.before))
          if (!this.isEarlyTether(edge.before, partId)) this.order(edge.before, release, { kind: 'in one go', partId })
    }
  }

  private isEarlyTether(key: string, partId: Id): boolean {
    const operation = this.operations.get(key)
    return operation?.act === 'open' && operation.partId === partId
  }

  finish(): Removal {
    const both = (a: string, b: string) => this.operations.has(a) && this.operations.has(b)
    for (const need of this.model.needs) {
      if (!ORDER_ONLY.includes(need.reason) || need.needs.kind !== 'operation') continue
      const before = `${need.needs.act}:${need.needs.id}`
      const after = `${need.dependent.act}:${need.dependent.id}`
      if (!both(before, after)) continue
      const because: Because = { kind: 'need', needId: need.id }
      // Nobody has said why an observed order holds: it is obeyed only as long as it contradicts nothing.
      const soft = need.reason === 'observed'
      if (soft && shortestLoop([...this.operations.keys()], [...this.edges, { before, after, because }])) continue
      this.order(before, after, because)
    }
    return {
      model: this.model,
      goals: this.goals,
      choices: this.choices,
      operations: new Map([...this.operations].sort(([a], [b]) => compareText(a, b))),
      edges: this.edges,
      levels: this.levels,
      broughtIn: this.broughtIn,
    }
  }

  private order(before: string, after: string, because: Because): void {
    const id = `${before}>${after}`
    if (this.seenEdges.has(id)) return
    this.seenEdges.add(id)
    this.edges.push({ before, after, because })
  }
}
