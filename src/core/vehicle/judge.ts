import { BENCH } from '../procedure/stations'
import { unreachable } from '../base/result'
import type { Id } from '../base/id'
import type { Demand, SettingAct } from '../order/operation'
import type { AskedByRules } from '../order/wish'
import type { ProcedureForBuild } from '../procedure/forBuild'
import type { Part } from '../procedure/part'
import type { Passed } from '../procedure/way'
import type { Circumstances } from './circumstances'
import type { ActPattern, Condition, Rule } from './rule'
import type { Power } from './powers'
import { after, settingOf, type VehicleState } from './vehicleState'
import type { Act } from '../procedure/acts'

/**
 * An act as the rules see it. `work` is the kind of a work item, `station` where it is done, `pulled` what lets go or
 * goes home with it.
 */
export type JudgedAct = {
  act: Act | 'power' | 'lay'
  itemId: Id
  setting?: SettingAct | null
  power?: Power
  work?: string
  station?: string
  pulled?: readonly Id[]
  /** Of a lead that is laid: one thing its way goes by. */
  passed?: Pick<Passed, 'kind' | 'how' | 'distanceMm'>
}

/**
 * What an act is besides its own name: a pull that lets clips go undoes them, a seat that presses them home fastens
 * them.
 */
export function actsIn(act: Pick<JudgedAct, 'act' | 'pulled'>): string[] {
  const name = act.act === 'restore' ? 'set' : act.act
  return act.pulled?.length ? [name, name === 'seat' ? 'fasten' : 'undo'] : [name]
}

/** A rule that bites, and the things it names. */
export type Breach = { rule: Rule; tetherIds: Id[]; settingIds: Id[] }

/**
 * Every invariant that this state breaks, whoever brought it about. Empty = safe as far as the record and the rules
 * know.
 */
export function breaches(model: ProcedureForBuild, state: VehicleState, circumstances: Circumstances): Breach[] {
  return circumstances.rules
    .filter((rule) => rule.at === null && rule.while.length > 0 && allHold(model, rule, state, circumstances))
    .map((rule) => witness(model, rule, state))
}

/**
 * The rules that refuse an act in this state, strongest as listed: rules of that act, and invariants that the act would
 * newly break, or break for one more plug. An invariant broken already does not refuse other acts: closing the plug or
 * moving a setting is the way out.
 */
export function refusals(
  model: ProcedureForBuild,
  state: VehicleState,
  act: JudgedAct,
  circumstances: Circumstances,
): Breach[] {
  const ofTheAct = circumstances.rules.filter(
    (rule) =>
      rule.effect === 'refuses' &&
      rule.at !== null &&
      matches(model, rule.at, act, circumstances) &&
      allHold(model, rule, state, circumstances),
  )
  const found = ofTheAct.map((rule) => witness(model, rule, state))
  if (act.act === 'power' || act.act === 'lay') return found
  const before = new Map(
    breaches(model, state, circumstances).map((breach) => [breach.rule.id, new Set(breach.tetherIds)]),
  )
  const next = after(model, state, {
    act: act.act,
    itemId: act.itemId,
    setting: act.setting ?? null,
    ...(act.pulled && { pulled: [...act.pulled] }),
  })
  return [
    ...found,
    ...breaches(model, next, circumstances).filter(
      ({ rule, tetherIds }) => !before.has(rule.id) || tetherIds.some((id) => !before.get(rule.id)!.has(id)),
    ),
  ]
}

/**
 * Whether the only thing in the way is the wait after battery off, and how long it still takes. 0 = nothing to wait
 * for.
 */
export function waitLeftS(
  model: ProcedureForBuild,
  state: VehicleState,
  act: JudgedAct,
  circumstances: Circumstances,
): number {
  const waits = circumstances.rules.some(
    (rule) =>
      rule.effect === 'refuses' &&
      rule.at !== null &&
      rule.while.some((c) => c.kind === 'waited too short') &&
      matches(model, rule.at, act, circumstances),
  )
  return waits ? leftToWaitS(model, state, circumstances) : 0
}

/** What is left of the wait after battery off; 0 while it is on. */
function leftToWaitS(model: ProcedureForBuild, state: VehicleState, circumstances: Circumstances): number {
  const battery = settingOf(model, state, 'battery')
  if (!battery || battery.value !== 'off') return 0
  const waitedS = state.nowS - (state.changedAtS.get(battery.id) ?? state.startedS)
  return Math.max(0, waitS(model, battery.id, circumstances) - waitedS)
}

const NO_DEMANDS: readonly Demand[] = []

/**
 * What the rules demand of the settings at an operation: rules of that act that refuse while a setting stands
 * elsewhere.
 */
export function askedByRules(model: ProcedureForBuild, circumstances: Circumstances): AskedByRules {
  // By act, so that the many acts no rule speaks of cost nothing.
  const ruled = new Map<string, Rule[]>()
  for (const rule of circumstances.rules)
    if (rule.effect === 'refuses' && rule.at !== null && rule.while.some((c) => c.kind === 'setting not'))
      for (const act of rule.at.acts) ruled.set(act, [...(ruled.get(act) ?? []), rule])
  return (operation) => {
    const rules = ruled.get(operation.act)
    if (!rules) return NO_DEMANDS
    const demands: Demand[] = []
    for (const rule of rules) {
      if (!matches(model, rule.at!, operation, circumstances)) continue
      const settings = rule.while.filter((c) => c.kind === 'setting not')
      // Only a rule that bites by one setting alone says which value is wanted.
      if (settings.length !== 1 || rule.while.some((c) => c.kind !== 'setting not' && !isAmbient(c))) continue
      if (!rule.while.filter(isAmbient).every((c) => holds(model, rule, c, null, circumstances))) continue
      for (const setting of model.settings.values()) {
        const value = settings[0]!.values.find((v) => setting.values.includes(v))
        if (setting.role === settings[0]!.role && value)
          demands.push({
            settingId: setting.id,
            value,
            because: { kind: 'rule', ruleId: rule.id, settingId: setting.id },
          })
      }
    }
    return demands
  }
}

/** What a pattern's fields are compared with. */
type Seen = { model: ProcedureForBuild; act: JudgedAct; circumstances: Circumstances }

const isAmong = (list: readonly string[], value: string | undefined) => value !== undefined && list.includes(value)

/** How each field of a pattern is compared with an act: asked only where the pattern has it. */
const FITS: { readonly [F in keyof ActPattern]-?: (wanted: NonNullable<ActPattern[F]>, seen: Seen) => boolean } = {
  acts: (acts, { act }) => actsIn(act).some((name) => isAmong(acts, name)),
  powers: (powers, { act }) => isAmong(powers, act.power),
  works: (works, { act }) => isAmong(works, act.work),
  hazards: (hazards, { act }) => isAmong(hazards, act.passed?.kind),
  passedHow: (how, { act }) => act.passed?.how === how,
  nearerThanMm: (mm, { act }) => act.passed !== undefined && (act.passed.distanceMm ?? 0) < mm,
  circuits: (circuits, { act, model }) => isAmong(circuits, model.tethers.get(act.itemId)?.circuit ?? undefined),
  roles: (roles, { act, model }) =>
    isAmong(roles, act.setting ? model.settings.get(act.setting.settingId)?.role : undefined),
  to: (values, { act }) => isAmong(values, act.setting?.to),
  brittle: (brittle, seen) => partOf(seen)?.brittle === brittle,
  hot: (hot, seen) => partOf(seen)?.hot === hot,
  painted: (painted, seen) => partOf(seen)?.painted === painted,
  fuel: (fuel, seen) => partOf(seen)?.fuel === fuel,
  heavy: (heavy, seen) => (partOf(seen)?.massKg ?? 0) > seen.circumstances.house.liftMassKg === heavy,
  stations: (stations, seen) => isAmong(stations, seen.act.station ?? partOf(seen)?.station),
  atVehicle: (atVehicle, seen) => ((seen.act.station ?? partOf(seen)?.station) !== BENCH) === atVehicle,
}
const FIELDS = Object.keys(FITS) as (keyof ActPattern)[]

/** Whether a rule's pattern fits an act. Every list that is given has to fit. */
export function matches(
  model: ProcedureForBuild,
  pattern: ActPattern,
  act: JudgedAct,
  circumstances: Circumstances,
): boolean {
  const seen: Seen = { model, act, circumstances }
  return FIELDS.every(
    (field) =>
      pattern[field] === undefined || (FITS[field] as (wanted: unknown, seen: Seen) => boolean)(pattern[field], seen),
  )
}

function partOf({ model, act }: Seen): Part | undefined {
  const holder = model.holders.get(act.itemId)
  return model.parts.get(holder ? holder.holds[0]! : (model.tethers.get(act.itemId)?.partId ?? act.itemId))
}

/**
 * Conditions that do not change while a job runs its course; a rule that asks only these and an act is said as a
 * caution.
 */
export function isAmbient(condition: Condition): boolean {
  return condition.kind === 'wheels' || condition.kind === 'colder than the house value'
}

function allHold(model: ProcedureForBuild, rule: Rule, state: VehicleState, circumstances: Circumstances): boolean {
  return rule.while.every((condition) => holds(model, rule, condition, state, circumstances))
}

export function holds(
  model: ProcedureForBuild,
  rule: Rule,
  condition: Condition,
  state: VehicleState | null,
  circumstances: Circumstances,
): boolean {
  switch (condition.kind) {
    case 'wheels':
      return model.wheels === condition.wheels
    case 'colder than the house value':
      return circumstances.temperatureC !== null && circumstances.temperatureC < circumstances.house.coldBrittleC
    case 'not authorised':
      return circumstances.authorised !== null && !circumstances.authorised.has(condition.what)
    case 'not confirmed':
      return circumstances.confirmed !== null && !circumstances.confirmed.has(rule.id)
    case 'open':
      return openOf(model, state!, condition.circuits).length > 0
    case 'setting not':
    case 'setting is': {
      const setting = settingOf(model, state!, condition.role)
      return setting !== null && condition.values.includes(setting.value) === (condition.kind === 'setting is')
    }
    case 'waited too short':
      return leftToWaitS(model, state!, circumstances) > 0
    default:
      return unreachable(condition)
  }
}

function waitS(model: ProcedureForBuild, batteryId: Id, circumstances: Circumstances): number {
  return (model.settings.get(batteryId)!.waitMin ?? circumstances.house.airbagWaitMin) * 60
}

function openOf(model: ProcedureForBuild, state: VehicleState, circuits: readonly string[]): Id[] {
  const found: Id[] = []
  for (const id of state.open) if (circuits.includes(circuitIn(model, id))) found.push(id)
  return found
}

/**
 * What an open plug serves. One that this build has not serves nothing here; one that the whole record has not is taken
 * for what it may be at worst, as one that nobody has classified.
 */
function circuitIn(model: ProcedureForBuild, tetherId: Id): string {
  const known = model.tethers.get(tetherId)
  if (known) return known.circuit ?? ''
  return model.document.tethers.some(({ id }) => id === tetherId) ? '' : 'srs-firing'
}

function witness(model: ProcedureForBuild, rule: Rule, state: VehicleState): Breach {
  return {
    rule,
    tetherIds: rule.while.flatMap((c) => (c.kind === 'open' ? openOf(model, state, c.circuits) : [])),
    settingIds: rule.while.flatMap((c) =>
      c.kind === 'setting not' || c.kind === 'setting is'
        ? [settingOf(model, state, c.role)!.id]
        : c.kind === 'waited too short'
          ? [settingOf(model, state, 'battery')!.id]
          : [],
    ),
  }
}
