import type { Id } from '../../base/id'
import { reachedFrom, successors } from '../../order/graph'
import { endValue } from '../../order/settingAct'
import type { ProcedureForBuild } from '../../procedure/forBuild'
import type { DerivedJob } from './derivedJob'
import type { Legs } from './leg'
import type { Policy } from '../ask/policy'
import { keyOf } from '../../procedure/acts'

/** The model with what a policy leaves of it. */
export function underPolicy(model: ProcedureForBuild, policy: Policy): ProcedureForBuild {
  return policy.battery === 'off first' ? withoutIgnitionMethods(model) : model
}

/** Adds what a policy demands of the settings to the legs of a job. */
export function followPolicy(job: DerivedJob, legs: Legs, policy: Policy): void {
  if (policy.battery === 'off first') batteryOffFirst(job, legs)
  if (policy.lever === 'back meanwhile') leverBackMeanwhile(job, legs)
}

/** The gear levers that a job moves out and that go back while work or tests are done. */
export function leversMeanwhile({ model }: Pick<DerivedJob, 'model'>, { demands }: Pick<Legs, 'demands'>): Id[] {
  const moved = new Set(
    [...demands.values()]
      .flat()
      .filter(({ settingId, value }) => model.settings.has(settingId) && value !== endValue(model, settingId))
      .map(({ settingId }) => settingId),
  )
  return [...moved].filter(
    (id) => model.settings.get(id)!.role === 'gear lever' && model.settings.get(id)!.meanwhile === 'goes back',
  )
}

/**
 * Rule 3: back to park as soon as nothing needs it out. Whoever works or tests meanwhile does so with the lever in
 * park.
 */
function leverBackMeanwhile(job: DerivedJob, legs: Legs): void {
  const { wayOut, demands } = legs
  for (const settingId of leversMeanwhile(job, legs)) {
    const home = { settingId, value: endValue(job.model, settingId), because: { kind: 'set back' as const, settingId } }
    for (const operation of wayOut.operations.values()) {
      const list = demands.get(operation.key) ?? []
      const between = operation.act === 'work' || (operation.act === 'test' && operation.phase === 'test')
      if (between && !list.some((demand) => demand.settingId === settingId)) demands.set(operation.key, [...list, home])
    }
  }
}

/**
 * With the battery off first nothing can go by the ignition: the lever then goes by its release. What taking the
 * battery off asks for itself (media out, windows up) is done before it, by the ignition where that is its way.
 */
function withoutIgnitionMethods(model: ProcedureForBuild): ProcedureForBuild {
  const first = preparations(model)
  const byIgnition = (methodId: Id) =>
    (model.needsOf.get(keyOf('method', methodId)) ?? []).some(
      ({ needs }) =>
        needs.kind === 'setting' && model.settings.get(needs.settingId)?.role === 'ignition' && needs.value !== 'off',
    )
  return {
    ...model,
    methods: new Map([...model.methods].filter(([id, { settingId }]) => first.has(settingId) || !byIgnition(id))),
  }
}

/** Settings that have to stand at a value before the battery goes off, and what moving them asks for in turn. */
function preparations(model: ProcedureForBuild): Set<Id> {
  const battery = [...model.settings.values()].filter((setting) => setting.role === 'battery')
  const found = new Set<Id>()
  const add = (methodIds: readonly Id[]) => {
    for (const methodId of methodIds)
      for (const { needs } of model.needsOf.get(keyOf('method', methodId)) ?? []) {
        if (
          needs.kind !== 'setting' ||
          found.has(needs.settingId) ||
          model.settings.get(needs.settingId)?.role === 'battery'
        )
          continue
        found.add(needs.settingId)
        add(model.settings.get(needs.settingId)!.methods.map(({ id }) => id))
      }
  }
  add(battery.flatMap((setting) => setting.methods.filter(({ to }) => to === 'off').map(({ id }) => id)))
  return found
}

/**
 * Every operation but a powered test wants the battery off; it goes off before the first and on again after the last.
 */
function batteryOffFirst(job: DerivedJob, { wayIn, wayOut, demands, finish }: Legs): void {
  const battery = [...job.model.settings.values()].find(
    (setting) => setting.role === 'battery' && setting.values.includes('off'),
  )
  if (!battery) return
  // Once it is on for a test nothing is gained by taking it off again.
  const then = successors(wayOut.edges)
  const afterTest = new Set(
    [...demands]
      .filter(([key, list]) => key.startsWith('test:') && list.some((demand) => demand.value !== 'off'))
      .flatMap(([key]) => [...reachedFrom(then, key)]),
  )
  finish.set(battery.id, endValue(job.model, battery.id))
  for (const key of [...wayIn.operations.keys(), ...wayOut.operations.keys()]) {
    const list = demands.get(key) ?? []
    const powered = key.startsWith('test:') && list.some((demand) => demand.value !== 'off')
    if (!powered && !afterTest.has(key) && !list.some((demand) => demand.settingId === battery.id))
      demands.set(key, [
        ...list,
        { settingId: battery.id, value: 'off', because: { kind: 'only for its act', settingId: battery.id } },
      ])
  }
}
