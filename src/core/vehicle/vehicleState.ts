import type { Id } from '../base/id'
import type { ProcedureForBuild } from '../procedure/forBuild'
import type { Operation } from '../order/operation'
import { isAirbagCircuit } from '../procedure/tether'
import type { RuleId } from './rules'

/** What the rules look at: how the settings stand and which tethers are open. */
export type VehicleState = { settings: ReadonlyMap<Id, string>; open: ReadonlySet<Id> }

export type Breach = { rule: RuleId; tetherId: Id | null; settingId: Id | null }

export function asFoundState(model: ProcedureForBuild): VehicleState {
  return { settings: new Map([...model.settings.values()].map((setting) => [setting.id, setting.asFound])), open: new Set() }
}

/** Every rule that this state breaks, whoever brought it about. Empty = safe as far as the record knows. */
export function breaches(model: ProcedureForBuild, state: VehicleState): Breach[] {
  const found: Breach[] = []
  const at = (role: string) => {
    const setting = [...model.settings.values()].find((item) => item.role === role)
    return setting ? { id: setting.id, value: state.settings.get(setting.id) } : null
  }
  const ignition = at('ignition')
  const battery = at('battery')
  for (const tetherId of state.open) {
    const tether = model.tethers.get(tetherId)
    if (!tether) continue
    if (tether.circuit === 'high-voltage') found.push({ rule: 'high-voltage', tetherId, settingId: null })
    if (isAirbagCircuit(tether) && ignition && ignition.value !== 'off') found.push({ rule: 'srs-ignition', tetherId, settingId: ignition.id })
    if (tether.circuit === 'srs-firing' && battery && battery.value !== 'off')
      found.push({ rule: 'srs-firing-power', tetherId, settingId: battery.id })
  }
  const lever = at('gear lever')
  if (lever && lever.value !== 'park' && lever.value !== 'neutral')
    for (const [role, safe] of [['parking brake', 'on'], ['wheels', 'chocked']] as const) {
      const setting = at(role)
      if (setting && setting.value !== safe) found.push({ rule: 'lever-out', tetherId: null, settingId: setting.id })
    }
  if (battery && ignition && battery.value === 'off' && ignition.value !== 'off')
    found.push({ rule: 'battery-ignition', tetherId: null, settingId: ignition.id })
  return found
}

/** The states an operation passes through, in order: a setting act may hold another setting for a moment. */
export function statesThrough(state: VehicleState, operation: Operation): VehicleState[] {
  const open = new Set(state.open)
  if (operation.act === 'open') open.add(operation.itemId)
  // A plug being closed is still open while it is: the rules hold until it has clicked.
  if (operation.act === 'close') return [state, { settings: state.settings, open: without(open, operation.itemId) }]
  const act = operation.setting
  if (!act) return [{ settings: state.settings, open }]
  const states: VehicleState[] = []
  const settings = new Map(state.settings)
  const step = (id: Id, value: string) => {
    settings.set(id, value)
    states.push({ settings: new Map(settings), open })
  }
  for (const moment of act.momentary) step(moment.settingId, moment.value)
  step(act.settingId, act.to)
  for (const moment of [...act.momentary].reverse()) step(moment.settingId, moment.back)
  return states
}

/**
 * The rule that refuses an operation in this state: one it would break on its way, whoever proposes it. A rule that is
 * broken already does not refuse the act that leaves it no worse (closing the plug is the way out of it).
 */
export function refusedBy(model: ProcedureForBuild, state: VehicleState, operation: Operation): RuleId | null {
  const before = new Set(breaches(model, state).map((breach) => breach.rule))
  const ignitionOn = [...model.settings.values()].some((setting) => setting.role === 'ignition' && state.settings.get(setting.id) !== 'off')
  // Closing an airbag plug with the ignition on is refused too: off first, then close.
  if (operation.act === 'close' && ignitionOn && before.has('srs-ignition')) return 'srs-ignition'
  for (const next of statesThrough(state, operation)) for (const breach of breaches(model, next)) if (!before.has(breach.rule)) return breach.rule
  return null
}

/** The rule that refuses bringing a setting to a value now. */
export function refusedSetting(model: ProcedureForBuild, state: VehicleState, settingId: Id, value: string): RuleId | null {
  const before = new Set(breaches(model, state).map((breach) => breach.rule))
  const next = { settings: new Map(state.settings).set(settingId, value), open: state.open }
  return breaches(model, next).find((breach) => !before.has(breach.rule))?.rule ?? null
}

function without(set: ReadonlySet<Id>, id: Id): Set<Id> {
  const rest = new Set(set)
  rest.delete(id)
  return rest
}
