import type { DerivedJob } from '../plan/derive/derivedJob'
import type { WorkItem } from '../shop/workItem'
import type { Expected, WorkStep } from '../shop/workStep'
import type { KitSetting } from '../shop/kitThings'
import type { Happening } from './event'
import type { JobState } from './jobState'

/** What a job knows of its kits' work: each piece with the counts of its steps filled in, and the modules to be set. */
export type WorkOfJob = Pick<DerivedJob, 'works' | 'modules'>

export const NO_WORK: WorkOfJob = { works: new Map(), modules: new Map() }

/** Whether a tap of a piece of work is done. */
export function isStepDone(state: Pick<JobState, 'stepsDone'>, work: Pick<WorkItem, 'id'>, step: WorkStep): boolean {
  return state.stepsDone.has(`${work.id}/${step.id}`)
}

/**
 * Why a step is confirmed by itself: a plug is tried, a leg of a lead lies, a module set and read, a number read off,
 * a caution seen. What is done together otherwise is one tap.
 */
export type OwnStep = 'plug' | 'leg' | 'set' | 'read' | 'caution' | null

export function ownStep({ act, caution, reading }: WorkStep): OwnStep {
  if (act === 'set') return 'set'
  if (act === 'read' || reading !== null) return 'read'
  if (act === 'plug') return 'plug'
  if (act === 'lay') return 'leg'
  return caution !== '' ? 'caution' : null
}

/** The next tap of a piece of work: its first step that is not done, with those after it that go in the same tap. */
export function stepsInHand(
  state: Pick<JobState, 'stepsDone'>,
  work: WorkItem,
): { first: WorkStep; steps: WorkStep[]; own: OwnStep; last: boolean } | null {
  const open = work.steps.filter((step) => !isStepDone(state, work, step))
  const [first] = open
  if (!first) return null
  const own = ownStep(first)
  const end = own ? 1 : open.findIndex((step) => ownStep(step) !== null)
  const steps = end < 0 ? open : open.slice(0, end)
  return { first, steps, own, last: steps.length === open.length }
}

/** What is said of one step: `value` of a module as it was entered or read back, a number that was read off. */
export type StepSaid = { reading?: string; value?: string; how?: 'entered' | 'read back'; note?: string }

/** What a step that is done as written records: what it did to its thing, and that it is done. */
export function stepHappenings(work: Pick<WorkItem, 'id'>, step: WorkStep, said: StepSaid = {}): Happening[] {
  const { reading = '', note = '' } = said
  const done = step.itemId === null ? [] : OF_THING[step.act](step.itemId, step, said)
  return [...done, { kind: 'step done', workId: work.id, stepId: step.id, reading, note }]
}

type OfThing = (itemId: string, step: WorkStep, said: StepSaid) => Happening[]

/** What each act does to its thing, as events. */
const OF_THING: Readonly<Record<WorkStep['act'], OfThing>> = {
  // Where it stands in for a part of the vehicle, that one's place is filled.
  fit: (itemId, { count, fills }) => [
    { kind: 'fitted', itemId, count: count ?? 1 },
    ...(fills === undefined ? [] : [{ kind: 'part at', partId: fills, level: 'in place' } as const]),
  ],
  // Adjusted is between the two: they are started, and not home.
  fasten: (holderId, { count, stage }) =>
    stage === 'adjusted'
      ? []
      : [{ kind: 'fastened', holderId, count: count ?? 1, stage: stage === 'started' ? 'started' : 'final' }],
  plug: (tetherId) => [
    { kind: 'closed', tetherId },
    { kind: 'tried', tetherId },
  ],
  cap: (itemId) => [{ kind: 'ended', itemId, end: 'left open and insulated', count: 1, note: '' }],
  'lead through': (tetherId) => [{ kind: 'led through', tetherId }],
  lay: () => [],
  set: (moduleSettingId, _, { value, how = 'entered' }) =>
    value === undefined ? [] : [{ kind: 'adjusted', moduleSettingId, value, how }],
  read: () => [],
  'look at': () => [],
  do: () => [],
}

/**
 * All that is left of a piece of work, done as written, and the work itself. A module is set to what it should be where
 * that is one value; what nobody can know (a reading) is not made up.
 */
export function workHappenings(state: JobState, { works, modules }: WorkOfJob, workId: string): Happening[] {
  const work = works.get(workId)
  const left = work?.steps.filter((step) => !isStepDone(state, work, step)) ?? []
  return [
    ...left.flatMap((step) =>
      stepHappenings(work!, step, asExpected(step.itemId ? modules.get(step.itemId) : undefined)),
    ),
    { kind: 'work done', workId, reading: '', note: '' },
  ]
}

/** The value a module should have, where print and experience agree on one. */
export function asExpected(setting: KitSetting | undefined): StepSaid {
  const values = [...new Set(setting?.expected.map(({ value }) => value))]
  return values.length === 1 ? { value: values[0]! } : {}
}

/** Whether a number lies where it has to. Null = no number, or nothing is said of where. */
export function inRange(expected: Pick<Expected, 'least' | 'most'> | null, value: number | null): boolean | null {
  if (value === null || expected === null || (expected.least === null && expected.most === null)) return null
  return (expected.least === null || value >= expected.least) && (expected.most === null || value <= expected.most)
}
