import type { Id } from '../base/id'
import type { AddedFunction } from '../shop/addedFunction'
import type { WorkItem } from '../shop/workItem'
import type { WorkStep } from '../shop/workStep'
import { agrees } from './kitRows'
import type { JobState } from './jobState'
import { resultOfTest } from './resultOfTest'
import type { JobTerms } from './terms'
import { isStepDone } from './workSteps'

/** One line of what brings a kit into service, in the order in which it is done. */
export type CommissioningRow =
  /** How a module is set: what it should be, how it was read back, and whether there is a photo of it. */
  | {
      of: 'module'
      id: Id
      name: string
      expected: string[]
      value: string | null
      agrees: boolean
      photographed: boolean
    }
  /** A tap of setting up: pairing, a button that is taught. */
  | { of: 'step'; id: Id; work: string; step: WorkStep; done: boolean; reading: string }
  /** Setting up that has no steps of its own: a first start. */
  | { of: 'work'; id: Id; name: string; unattendedS: number; done: boolean }
  | { of: 'test'; id: Id; name: string; test: AddedFunction; result: 'passed' | 'failed' | null; reading: string }

/** Work that brings into service what other work has fitted. */
const SETTING_UP: readonly WorkItem['kind'][] = ['set up', 'first start']

/** What brings the kits of a job into service, kit by kit: modules, then what is taught and started, then the tests. */
export function commissioningOf(
  state: JobState,
  { kits, added }: Pick<JobTerms, 'kits' | 'added'>,
): CommissioningRow[] {
  const modules = kits
    .flatMap(({ settings }) => settings)
    .map(({ id, name, expected }): CommissioningRow => {
      const value = state.adjusted.get(id)?.value ?? null
      const values = [...new Set(expected.map((item) => item.value))]
      return {
        ...{ of: 'module', id, name, expected: values, value },
        agrees: value !== null && agrees(value, values),
        photographed: state.photos.some(({ itemId }) => itemId === id),
      }
    })
  const setUp = kits
    .flatMap(({ works }) => works)
    .filter(({ kind }) => SETTING_UP.includes(kind))
    .flatMap((work): CommissioningRow[] => {
      const isOver = state.works.has(work.id)
      if (work.steps.length === 0)
        return [{ of: 'work', id: work.id, name: work.name, unattendedS: work.unattendedS, done: isOver }]
      return work.steps.map((step) => ({
        ...{ of: 'step', id: step.id, work: work.name, step },
        done: isOver || isStepDone(state, work, step),
        reading: state.stepsDone.get(`${work.id}/${step.id}`)?.reading ?? '',
      }))
    })
  const tests = added.map((test): CommissioningRow => {
    const said = state.tests.get(test.id)
    return {
      ...{ of: 'test', id: test.id, name: test.name, test },
      result: said ? resultOfTest(test, said) : null,
      reading: said?.reading ?? '',
    }
  })
  return [...modules, ...setUp, ...tests]
}

/** Whether a line is behind: as it should be, done, passed. */
export function isCommissioned(row: CommissioningRow): boolean {
  if (row.of === 'module') return row.agrees
  return row.of === 'test' ? row.result === 'passed' : row.done
}
