import type { Id } from '../base/id'
import type { Circuit } from '../procedure/circuits'
import type { ProcedureForBuild } from '../procedure/forBuild'
import type { Tether } from '../procedure/tether'
import type { AddedFunction } from '../shop/addedFunction'
import type { Trouble } from '../procedure/vehicleFunction'
import { levelNow } from './fold'
import type { JobState } from './jobState'

/** One thing to look at when a test fails. `from`: what this job shows, what the record says, what the trade knows. */
export type Suspect = Trouble & { from: 'this job' | 'record' | 'practice'; tetherId: Id | null }

type Practice = { fits: (tether: Tether) => boolean; trouble: (tether: Tether) => Trouble }

/** Of every plug that was touched, in the order in which the trade looks. Common practice, no source. */
const OF_THE_PLUG: readonly Practice[] = [
  {
    fits: (tether) => tether.latch === 'lever',
    trouble: () => ({
      symptom: 'dead, or some of it works',
      check: 'look at the lever from the side: is it swung home?',
      cause: 'lever not closed',
      cure: 'open it fully, push the plug home, swing the lever until it clicks',
    }),
  },
  {
    fits: (tether) => tether.latch !== 'lever',
    trouble: (tether) => ({
      symptom: 'dead, or it comes and goes',
      check: 'push it home and tug its housing',
      cause: `plug ${tether.name} not home`,
      cure: 'push until it clicks',
    }),
  },
  {
    fits: (tether) => tether.kind === 'electrical',
    trouble: (tether) => ({
      symptom: 'one of its functions is dead',
      check: 'look into the plug: does a pin stand back?',
      cause: `pin pushed back in ${tether.name}`,
      cure: 'push it forward until it locks, plug again',
    }),
  },
  {
    fits: (tether) => tether.mixups.length > 0,
    trouble: () => ({
      symptom: 'dead, or no sound',
      check: 'compare the plug with the one it is taken for',
      cause: 'wrong plug in the socket',
      cure: 'swap them',
    }),
  },
  {
    fits: (tether) => tether.kind === 'electrical',
    trouble: () => ({
      symptom: 'everything on that circuit is dead',
      check: 'measure the fuse of that circuit, do not only look at it',
      cause: 'fuse blown',
      cure: 'find what shorted it, then a new one of the same value',
    }),
  },
]

/** What else it can be, by circuit. Common practice, no source. */
const OF_THE_CIRCUIT: Partial<Record<Circuit, Trouble>> = {
  start: {
    symptom: 'nothing comes on, no crank',
    check: 'is the start control plugged?',
    cause: 'start control unplugged',
    cure: 'plug it, lever in park',
  },
  'srs-indicator': {
    symptom: 'the lamp stays on',
    check: 'was the ignition on while it was open? Then a fault is stored',
    cause: 'fault stored',
    cure: 'a tester, in the hands of somebody authorised',
  },
  'srs-firing': {
    symptom: 'the lamp stays on',
    check: 'was the ignition on while it was open? Then a fault is stored',
    cause: 'fault stored',
    cure: 'a tester, in the hands of somebody authorised',
  },
  audio: {
    symptom: 'music plays, phone and navigation are silent',
    check: 'which outputs of the unit feed the amplifier?',
    cause: 'fed from the rear outputs',
    cure: 'join the front outputs',
  },
  lighting: {
    symptom: 'dark',
    check: 'is the bulb holder turned home?',
    cause: 'bulb holder loose',
    cure: 'turn it home',
  },
  'courtesy-lamp': {
    symptom: 'dark',
    check: 'is the bulb holder turned home, and its door switch free?',
    cause: 'bulb holder loose',
    cure: 'turn it home',
  },
}

/**
 * What to look at when a test fails, likeliest first: plugs of that function that are open by this job's log, or were
 * assumed to be closed; then what the record, or the kit (`added`), has learnt; then what the trade knows of such
 * plugs. Cost: O(plugs of the function).
 */
export function suspectsFor(
  model: ProcedureForBuild,
  state: JobState,
  functionId: Id,
  added?: Pick<AddedFunction, 'needs' | 'troubles'>,
): Suspect[] {
  const item = model.functions.get(functionId)
  const needed = new Set([
    ...(item?.alsoNeeds ?? []),
    ...(added?.needs ?? []).flatMap(({ of, id }) => (of === 'plug' ? [id] : [])),
  ])
  const plugs = [...model.tethers.values()].filter(
    (tether) => tether.functions.includes(functionId) || needed.has(tether.id),
  )
  const open = plugs
    .filter((tether) => state.tethersOpen.has(tether.id))
    .map((tether): Suspect => ({
      symptom: '',
      check: '',
      cause: `plug ${tether.name} is open by the log`,
      cure: 'plug it',
      from: 'this job',
      tetherId: tether.id,
    }))
  const assumed = plugs
    .filter((tether) => !state.tethersOpen.has(tether.id) && state.assumed.has(tether.id))
    .map((tether): Suspect => ({
      symptom: '',
      check: 'look at it: nobody counted it',
      cause: `plug ${tether.name} was only assumed to be closed`,
      cure: 'plug it',
      from: 'this job',
      tetherId: tether.id,
    }))
  const touched = plugs.filter(
    (tether) => state.tethersTouched.has(tether.id) || levelNow(state, tether.partId ?? '') !== 'in place',
  )
  const practice = OF_THE_PLUG.flatMap(({ fits, trouble }) =>
    touched.filter(fits).map((plug): Suspect => ({ ...trouble(plug), from: 'practice', tetherId: plug.id })),
  )
  const byCircuit = touched.flatMap((plug): Suspect[] => {
    const trouble = plug.circuit ? OF_THE_CIRCUIT[plug.circuit] : undefined
    return trouble ? [{ ...trouble, from: 'practice', tetherId: plug.id }] : []
  })
  const recorded = (added?.troubles ?? item?.troubles ?? []).map((trouble): Suspect => ({
    ...trouble,
    from: 'record',
    tetherId: null,
  }))
  const known = new Set<string>()
  return [...open, ...assumed, ...recorded, ...practice, ...byCircuit].filter(
    ({ cause }) => !known.has(cause.toLowerCase()) && known.add(cause.toLowerCase()),
  )
}
