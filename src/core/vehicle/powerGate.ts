import type { Id } from '../base/id'
import type { ProcedureForBuild } from '../procedure/forBuild'
import type { Circumstances } from './circumstances'
import { breaches, refusals, type Breach } from './judge'
import { POWERS, type Power } from './powers'
import type { Condition } from './rule'
import { smallestSet, type ActsOfSet, type Obligation } from './smallestSet'
import { after, settingOf, type VehicleState } from './vehicleState'

/** One thing to put back. A part only where it must be held near its socket: brought to free, never seated. */
export type PutBack =
  { kind: 'plug'; tetherId: Id; bringPartId: Id | null } | { kind: 'set'; settingId: Id; value: string }

export type GateAnswer = {
  allowed: boolean
  forbiddenBy: Breach[]
  /**
   * The smallest set of plugs and settings to put back, in an order that breaks no rule; null when nothing would do.
   */
  putBack: PutBack[] | null
  /** What a person has to have seen to besides: no record can. */
  confirm: string[]
}

/**
 * May accessory, ignition or engine come on now? Judged by the rules in force, for a live job or any state. It ignores
 * the refit order: a part may be held in place for it. The set to put back is searched, not listed: for every rule that
 * bites, whatever would keep it from biting, and the fewest acts that do so for all of them.
 */
export function powerGate(
  model: ProcedureForBuild,
  state: VehicleState,
  circumstances: Circumstances,
): Record<Power, GateAnswer> {
  return Object.fromEntries(POWERS.map((power) => [power, answer(model, state, circumstances, power)])) as Record<
    Power,
    GateAnswer
  >
}

/**
 * The rules that keep a power from coming on: those of the switch itself, and invariants the powered state would break.
 */
export function forbiddenBy(
  model: ProcedureForBuild,
  state: VehicleState,
  circumstances: Circumstances,
  power: Power,
): Breach[] {
  const found = refusals(model, state, { act: 'power', itemId: '', power }, circumstances)
  const named = new Set(found.flatMap((breach) => [...breach.tetherIds, ...breach.settingIds]))
  const ignition = settingOf(model, state, 'ignition')
  const powered = ignition && model.settings.get(ignition.id)!.values.find((value) => value !== 'off')
  const hypothetical =
    ignition && powered
      ? after(model, state, {
          act: 'set',
          itemId: ignition.id,
          setting: { settingId: ignition.id, from: ignition.value, to: powered, methodId: '' },
        })
      : state
  // An invariant that says no more than a rule of the switch is not said twice.
  const more = breaches(model, hypothetical, circumstances).filter(
    (breach) => ![...breach.tetherIds, ...breach.settingIds].some((id) => id !== ignition?.id && named.has(id)),
  )
  return [...found, ...more]
}

function answer(model: ProcedureForBuild, state: VehicleState, circumstances: Circumstances, power: Power): GateAnswer {
  const found = forbiddenBy(model, state, circumstances, power)
  const confirm = circumstances.rules.flatMap((rule) => (rule.at?.powers?.includes(power) ? rule.confirm : []))
  if (found.length === 0) return { allowed: true, forbiddenBy: [], putBack: [], confirm }
  // Putting things back may wake other rules (the battery on again): those are met as well, until nothing forbids it.
  const obligations: Obligation[] = []
  let keys: string[] | null = []
  const told = new Set<string>()
  for (
    let open = found;
    open.length > 0;
    open = forbiddenBy(model, applied(model, state, keys), circumstances, power)
  ) {
    const fresh = open.filter((breach) => !told.has(nameOf(breach)))
    if (fresh.length === 0) {
      keys = null
      break
    }
    for (const breach of fresh) {
      told.add(nameOf(breach))
      obligations.push(breach.rule.while.flatMap((condition) => waysToEnd(model, state, breach, condition)))
    }
    keys = smallestSet(obligations, actsOf(model, state))
    if (keys === null) break
  }
  return {
    allowed: false,
    forbiddenBy: found,
    putBack: keys === null ? null : inSafeOrder(model, state, circumstances, keys.map(putBackOf(model, state))),
    confirm,
  }
}

const nameOf = (breach: Breach) => `${breach.rule.id} ${breach.tetherIds.join()} ${breach.settingIds.join()}`

/**
 * The alternative sets of acts that make a condition false. The ignition itself is what is asked for: it is not among
 * them.
 */
function waysToEnd(model: ProcedureForBuild, state: VehicleState, breach: Breach, condition: Condition): string[][] {
  // A high-voltage plug is nothing a crew puts back.
  if (condition.kind === 'open')
    return condition.circuits.includes('high-voltage')
      ? []
      : [
          breach.tetherIds
            .filter((id) => condition.circuits.includes(model.tethers.get(id)?.circuit ?? 'other'))
            .map((id) => `plug:${id}`),
        ]
  if (condition.kind !== 'setting not' && condition.kind !== 'setting is') return []
  const setting = settingOf(model, state, condition.role)
  if (!setting || condition.role === 'ignition') return []
  const values = model.settings.get(setting.id)!.values
  const wanted =
    condition.kind === 'setting not'
      ? condition.values.filter((value) => values.includes(value))
      : values.filter((value) => !condition.values.includes(value))
  return wanted.map((value) => [setKey(setting.id, value)])
}

const SET = 'set:'
const setKey = (settingId: Id, value: string) => `${SET}${settingId}=${value}`

/** The setting an act sets; null for any other act. */
export function settingSet(key: string): Id | null {
  return key.startsWith(SET) ? key.slice(SET.length, key.indexOf('=')) : null
}

/** A setting stands at one value, and at the one it has without anybody's doing. */
function actsOf(model: ProcedureForBuild, state: VehicleState): ActsOfSet {
  const asItIs = new Set(
    [...model.settings.values()].map(({ id, asFound }) => setKey(id, state.settings.get(id) ?? asFound)),
  )
  return {
    excludes: settingSet,
    isFree: (key) => asItIs.has(key),
  }
}

function putBackOf(model: ProcedureForBuild, state: VehicleState): (key: string) => PutBack {
  return (key) => {
    if (key.startsWith('plug:')) {
      const tetherId = key.slice(5)
      const host = model.hostOf(model.tethers.get(tetherId)!.partId)
      return { kind: 'plug', tetherId, bringPartId: state.levels.get(host) === 'off' ? host : null }
    }
    const [settingId, value] = key.slice(SET.length).split('=') as [Id, string]
    return { kind: 'set', settingId, value }
  }
}

function applied(model: ProcedureForBuild, state: VehicleState, keys: readonly string[]): VehicleState {
  return keys.map(putBackOf(model, state)).reduce((s, item) => afterPutBack(model, s, item), state)
}

export function afterPutBack(model: ProcedureForBuild, state: VehicleState, item: PutBack): VehicleState {
  if (item.kind === 'plug') return after(model, state, { act: 'close', itemId: item.tetherId, setting: null })
  return after(model, state, {
    act: 'set',
    itemId: item.settingId,
    setting: {
      settingId: item.settingId,
      from: state.settings.get(item.settingId) ?? '',
      to: item.value,
      methodId: '',
    },
  })
}

/** Plugs first, then settings; whatever a rule refuses in the state then reached waits for the others. */
function inSafeOrder(
  model: ProcedureForBuild,
  state: VehicleState,
  circumstances: Circumstances,
  items: PutBack[],
): PutBack[] {
  const left = [...items].sort((a, b) => (a.kind === b.kind ? 0 : a.kind === 'plug' ? -1 : 1))
  const ordered: PutBack[] = []
  let now = state
  while (left.length > 0) {
    const next = left.findIndex((item) => refusals(model, now, actOf(model, now, item), circumstances).length === 0)
    const item = left.splice(Math.max(0, next), 1)[0]!
    ordered.push(item)
    now = afterPutBack(model, now, item)
  }
  return ordered
}

function actOf(model: ProcedureForBuild, state: VehicleState, item: PutBack) {
  return item.kind === 'plug'
    ? { act: 'close' as const, itemId: item.tetherId }
    : {
        act: 'set' as const,
        itemId: item.settingId,
        setting: {
          settingId: item.settingId,
          from: state.settings.get(item.settingId) ?? '',
          to: item.value,
          methodId: '',
        },
      }
}
