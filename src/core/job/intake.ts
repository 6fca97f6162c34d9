import type { Id } from '../base/id'
import { facetsThatMatter } from '../plan/derive/facetsThatMatter'
import { allCards, allSteps, type PlanOnCards } from '../plan/show/planOnCards'
import type { SettingRole } from '../procedure/setting'
import type { ProcedureDocument } from '../procedure/document'
import { isAirbagCircuit } from '../procedure/circuits'
import { INTAKE_POINTS, type IntakePoint } from './intakePoints'
import { countedIn } from '../order/operation'
import { plugsTouched } from './fold/tethers'
import type { JobState } from './jobState'
import type { Overlay } from './overlay'

/** What is looked at before the first screw. `done`: it has been answered on this job. */
export type IntakeItem =
  | { kind: 'facet'; facetId: Id; done: boolean }
  | { kind: 'known'; holderId: Id; what: 'missing' | 'extra'; count: number; done: boolean }
  /** `tooLate`: one of its plugs has been open, so that nobody can tell any more. */
  | { kind: 'function'; functionId: Id; done: boolean; tooLate: boolean }
  /** Values the plan begins from that nobody has looked at: lever, brake, chocks, battery, in one glance. */
  | { kind: 'standing'; settings: { settingId: Id; value: string }[]; done: boolean }
  | { kind: 'point'; point: IntakePoint; done: boolean }

/**
 * `required`: it changes this plan. `later`: facets that can only be told on the way. The rest is offered, and may be
 * left.
 */
export type IntakeList = { required: IntakeItem[]; offered: IntakeItem[]; later: Id[] }

/** Comfort settings that are lost with the battery, or moved to make room: what was noted is owed back. */
const RESTORED: readonly IntakePoint[] = ['clock', 'stations', 'seat', 'mirrors', 'windows']

/**
 * The intake of one job, from its plan, its kits and what is known of the vehicle. Only what would change the plan is
 * required: facets that matter to these goals, that nobody has told, and that can be told from outside. Offered is what
 * this plan touches: the functions of its plugs, what differs on this vehicle, codes and media where the battery goes
 * off, the temperature where something brittle moves. Cost: that of facetsThatMatter.
 */
export function intakeOf(plan: PlanOnCards, document: ProcedureDocument, state: JobState, known: Overlay): IntakeList {
  const { model } = plan.job
  const told = { ...plan.request.build, ...Object.fromEntries(state.facets) }
  // What was told here stays on the list, so that it can be seen and put right.
  const matter = facetsThatMatter(
    document,
    plan.request,
    Object.fromEntries(Object.entries(told).filter(([id]) => !state.facets.has(id))),
  )
  const isOutside = (id: Id) => document.facets.find((facet) => facet.id === id)!.toldFrom === null
  const operations = [...plan.removal.operations.values()]
  const opened = operations.flatMap((operation) =>
    operation.act === 'open' ? [model.tethers.get(operation.itemId)!] : [],
  )
  const touched = new Set(opened.flatMap((tether) => tether.functions))
  const undone = new Set(operations.flatMap(countedIn))
  return {
    required: matter.filter(isOutside).map((facetId) => ({ kind: 'facet', facetId, done: state.facets.has(facetId) })),
    later: matter.filter((id) => !isOutside(id) && !state.facets.has(id)),
    offered: [
      ...standingOf(plan, state),
      ...[...known.holders].flatMap(([holderId, { missing, extra }]): IntakeItem[] => {
        const c = state.holders.get(holderId)
        const item = (what: 'missing' | 'extra', count: number): IntakeItem[] =>
          count > 0 && undone.has(holderId)
            ? [{ kind: 'known', holderId, what, count, done: (c?.[what] ?? 0) > 0 }]
            : []
        return [...item('missing', missing), ...item('extra', extra)]
      }),
      ...pointsFor(plan, document).map((point): IntakeItem => ({
        kind: 'point',
        point,
        done: state.intake.has(point),
      })),
      ...[...model.functions.values()]
        .filter(({ id }) => touched.has(id))
        .map(({ id }): IntakeItem => ({
          kind: 'function',
          functionId: id,
          done: state.workedBefore.has(id),
          tooLate: plugsTouched(document, state, id),
        })),
    ],
  }
}

const LOOKED_AT: readonly SettingRole[] = ['battery', 'ignition', 'gear lever', 'parking brake', 'wheels', 'stand']

/**
 * Where the plan moves any setting, all that safety minds (battery, ignition, lever, brake, chocks, stand): as the
 * record finds them, or as somebody said since.
 */
function standingOf(plan: PlanOnCards, state: JobState): IntakeItem[] {
  const { model } = plan.job
  const moved = allCards(plan).some((card) => card.steps.some(({ operation }) => operation.setting !== null))
  const settings = [...model.settings.values()]
    .filter(({ role }) => LOOKED_AT.includes(role))
    .map(({ id, asFound }) => ({ settingId: id, value: state.settings.get(id) ?? asFound }))
  return moved && settings.length > 0
    ? [{ kind: 'standing', settings, done: state.intake.has('settings as recorded') }]
    : []
}

/** The points that this plan gives a reason to look at, in the order in which somebody walks round and gets in. */
function pointsFor(plan: PlanOnCards, document: ProcedureDocument): IntakePoint[] {
  const { model } = plan.job
  const operations = [...plan.removal.operations.values()]
  const steps = allSteps(plan)
  const fourWheels = document.wheels === 'four'
  const batteryOff = steps.some(
    ({ operation }) =>
      operation.setting?.to === 'off' && model.settings.get(operation.setting.settingId)?.role === 'battery',
  )
  const opens = (test: (id: Id) => boolean) =>
    operations.some((operation) => operation.act === 'open' && test(operation.itemId))
  const audio = opens((id) =>
    ['audio', 'antenna', 'can', 'usb', 'video'].includes(model.tethers.get(id)!.circuit ?? ''),
  )
  const brittle = operations.some(
    (operation) => operation.partId !== null && model.parts.get(operation.partId)?.brittle,
  )
  const atDriver = steps.some((step) => step.station === 'driver side')
  const asked: Record<IntakePoint, boolean> = {
    workplace: true,
    'settings as recorded': false,
    keys: fourWheels,
    wheel: fourWheels && atDriver,
    windows: fourWheels && batteryOff,
    media: audio,
    codes: audio || batteryOff,
    clock: batteryOff || audio,
    stations: audio,
    seat: fourWheels && atDriver,
    mirrors: fourWheels && batteryOff,
    'warning lamps': fourWheels || opens((id) => isAirbagCircuit(model.tethers.get(id)!)),
    'battery voltage': true,
    temperature: brittle,
    'marks and damage': true,
    'earlier work': true,
    fasteners: operations.some((operation) => countedIn(operation).length > 0),
  }
  return INTAKE_POINTS.filter((point) => asked[point])
}

/** What was noted before and is to be as it was: asked about at hand-over, until it is said to be. */
export function toRestore(state: JobState): IntakePoint[] {
  return RESTORED.filter((point) => (state.intake.get(point)?.value ?? '') !== '' && !state.restored.has(point))
}

/** A reading as somebody types it ("3,5", "−2"); null where it is no number. */
export function readNumber(text: string): number | null {
  const plain = text.trim().replace(',', '.').replace('−', '-')
  return /^-?\d+(\.\d+)?$/.test(plain) ? Number(plain) : null
}

/** The temperature that was read, in degrees Celsius; null = nobody did. */
export function temperatureOf(state: JobState): number | null {
  return readNumber(state.intake.get('temperature')?.value ?? '')
}
