import type { Id } from '../base/id'
import { openAccount, settleAccount, type OpenReason } from './account'
import { NOT_COUNTED, type JobState } from './jobState'
import type { KitTerms } from './kitTerms'
import { leadTaskOf, type LeadTaskKind } from '../shop/leadTask'
import type { SupplyNeed } from '../shop/supplies'
import type { WorkItem } from '../shop/workItem'

export type KitRow =
  /** A thing of a kit: what was there, what is fitted, what is left over by that. */
  | {
      account: 'supply'
      id: Id
      of: SupplyNeed['of']
      /** In the box, as counted or as listed; `there`: with what came from the shelf and what arrived. */
      box: number
      there: number
      wanted: number
      fitted: number
      left: number
      open: OpenReason[]
    }
  /** A plug of a kit: closed, and tried; or capped on purpose. */
  | { account: 'plug'; id: Id; open: boolean; closed: boolean; capped: boolean }
  /** A module of a kit: how it stands, against what it should be on this build. */
  /** What is done for a lead: legs laid, a wall sealed, a fuse in. `left`: its steps that are not done. */
  | {
      account: 'lead'
      id: Id
      of: LeadTaskKind
      name: string
      done: number
      steps: number
      left: Id[]
      open: boolean
    }
  | { account: 'module'; id: Id; name: string; open: boolean; value: string | null; expected: string[] }

/**
 * What is owed of the kits. A kit of which nothing was fitted, plugged, set or done owes nothing: it goes back whole.
 * What is used up is not counted. Cost: O(things).
 */
export function kitRows(state: JobState, kits: readonly KitTerms[]): KitRow[] {
  return kits
    .filter((kit) => isBegun(state, kit))
    .flatMap((kit): KitRow[] => [
      ...kit.needs.flatMap((need) => supplyRow(state, need)),
      ...kit.plugs.map(({ id }): KitRow => {
        const closed = (state.tetherTimes.get(id)?.closed ?? 0) > 0 && !state.tethersOpen.has(id)
        const capped = !closed && state.ends.get(id)?.end === 'left open and insulated'
        return { account: 'plug', id, closed, capped, open: !capped && (!closed || !state.plugsTried.has(id)) }
      }),
      ...kit.works.flatMap((work) => leadRow(state, work)),
      ...kit.settings.map(({ id, name, expected }): KitRow => {
        const value = state.adjusted.get(id)?.value ?? null
        const values = [...new Set(expected.map((item) => item.value))]
        return { account: 'module', id, name, value, expected: values, open: value === null || !agrees(value, values) }
      }),
    ])
}

/** A lead is accounted for when every piece of its work is: a seal that was forgotten is water on the seat. */
function leadRow(state: JobState, { id, name, steps }: WorkItem): KitRow[] {
  const of = leadTaskOf(id)
  if (of === null) return []
  const left = steps.filter((step) => !state.stepsDone.has(`${id}/${step.id}`)).map((step) => step.id)
  const open = !state.works.has(id)
  return [{ account: 'lead', id, of, name, done: steps.length - left.length, steps: steps.length, left, open }]
}

/** Print and experience may disagree: either will do, and which it was is kept. */
export function agrees(value: string, expected: readonly string[]): boolean {
  const plain = (text: string) => text.replace(/[\s.,-]+/g, '').toLowerCase()
  return expected.length === 0 || expected.some((other) => plain(other) === plain(value))
}

/** Whether anything of a kit has been done on this job. */
export function isBegun(state: JobState, { needs, plugs, settings, works }: KitTerms): boolean {
  return (
    works.some(
      ({ id, steps }) => state.works.has(id) || steps.some((step) => state.stepsDone.has(`${id}/${step.id}`)),
    ) ||
    needs.some(({ itemId }) => standing(state, itemId) > 0) ||
    plugs.some(({ id }) => state.tethersTouched.has(id)) ||
    settings.some(({ id }) => state.adjusted.has(id))
  )
}

function standing(state: JobState, itemId: Id): number {
  const c = state.holders.get(itemId)
  return c ? c.fastenedOld + c.fittedNew - c.undone : 0
}

function supplyRow(state: JobState, need: SupplyNeed): KitRow[] {
  const { box: counted, stock, arrived } = state.supplies.get(need.itemId) ?? NOT_COUNTED
  const box = counted ?? need.listed
  const there = box + stock + arrived
  if (need.supply.consumable || (need.needed === 0 && there === 0 && standing(state, need.itemId) === 0)) return []
  const counts = state.holders.get(need.itemId) ?? openAccount(0)
  const leftOver = state.leftOver.get(need.itemId) ?? null
  const { inHand, open } = settleAccount(counts, { there, wanted: need.needed, leftOver })
  return [
    {
      ...{ account: 'supply', id: need.itemId, of: need.of, box, there, wanted: need.needed },
      ...{ fitted: standing(state, need.itemId), left: inHand, open },
    },
  ]
}
