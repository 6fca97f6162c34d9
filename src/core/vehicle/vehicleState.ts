import type { Id } from '../base/id'
import type { Operation } from '../order/operation'
import type { ProcedureForBuild } from '../procedure/forBuild'
import type { Level } from '../procedure/level'
import type { SettingRole } from '../procedure/setting'

/**
 * What the rules look at: how the settings stand and since when, which tethers are open, how far each part has come.
 */
export type VehicleState = {
  settings: ReadonlyMap<Id, string>
  open: ReadonlySet<Id>
  levels: ReadonlyMap<Id, Level>
  /** Holder groups that are undone. */
  undone: ReadonlySet<Id>
  /** Seconds on one clock: now, and when each setting was last changed. One that never was counts from the start. */
  nowS: number
  startedS: number
  changedAtS: ReadonlyMap<Id, number>
}

export function asFoundState(model: ProcedureForBuild): VehicleState {
  return {
    settings: new Map([...model.settings.values()].map((setting) => [setting.id, setting.asFound])),
    open: new Set(),
    levels: new Map(),
    undone: new Set(),
    nowS: 0,
    startedS: 0,
    changedAtS: new Map(),
  }
}

/** The setting with a role and its value now; null where the record has none. */
export function settingOf(
  model: ProcedureForBuild,
  state: Pick<VehicleState, 'settings'>,
  role: SettingRole,
): { id: Id; value: string } | null {
  for (const setting of model.settings.values())
    if (setting.role === role) return { id: setting.id, value: state.settings.get(setting.id) ?? setting.asFound }
  return null
}

/** The state once an operation is done, `tookS` seconds later. Pure. */
export function after(
  model: ProcedureForBuild,
  state: VehicleState,
  operation: Pick<Operation, 'act' | 'itemId' | 'setting' | 'pulled'>,
  tookS = 0,
): VehicleState {
  const nowS = state.nowS + tookS
  const id = operation.itemId
  switch (operation.act) {
    case 'open':
      return { ...state, nowS, open: new Set(state.open).add(id) }
    case 'close':
      return { ...state, nowS, open: without(state.open, id) }
    case 'undo':
      return { ...state, nowS, undone: new Set(state.undone).add(id) }
    case 'fasten':
      return { ...state, nowS, undone: without(state.undone, id) }
    case 'set':
    case 'restore': {
      const { settingId, to } = operation.setting!
      return {
        ...state,
        nowS,
        settings: new Map(state.settings).set(settingId, to),
        changedAtS: new Map(state.changedAtS).set(settingId, nowS),
      }
    }
    case 'ease':
      return {
        ...state,
        nowS,
        levels: new Map(state.levels).set(id, 'eased'),
        undone: withAll(state.undone, operation.pulled),
      }
    case 'release':
      return {
        ...state,
        nowS,
        levels: new Map(state.levels).set(id, 'free'),
        undone: withAll(state.undone, operation.pulled),
      }
    case 'place':
      return { ...state, nowS, levels: new Map(state.levels).set(id, 'free') }
    case 'lift':
      return { ...state, nowS, levels: new Map(state.levels).set(id, 'off') }
    case 'seat':
      return {
        ...state,
        nowS,
        levels: new Map(state.levels).set(id, 'in place'),
        undone: withoutAll(state.undone, operation.pulled),
      }
    default:
      return { ...state, nowS }
  }
}

function withAll(set: ReadonlySet<Id>, ids: readonly Id[] = []): ReadonlySet<Id> {
  return ids.length === 0 ? set : new Set([...set, ...ids])
}

function withoutAll(set: ReadonlySet<Id>, ids: readonly Id[] = []): ReadonlySet<Id> {
  return ids.length === 0 ? set : new Set([...set].filter((id) => !ids.includes(id)))
}

function without(set: ReadonlySet<Id>, id: Id): Set<Id> {
  const rest = new Set(set)
  rest.delete(id)
  return rest
}
