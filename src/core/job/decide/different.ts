import type { Id } from '../../base/id'
import { countedIn, type Operation } from '../../order/operation'
import type { ProcedureForBuild } from '../../procedure/forBuild'
import type { Holder } from '../../procedure/holder'
import type { Happening } from '../event'
import type { JobState } from '../jobState'
import { toFasten } from '../jobActs'
import type { NextTap } from '../progress'
import { countFound } from './countFound'

/** A group that a tap would confirm, how many the log expects of it, and with which operation it is counted. */
export type CountedGroup = { holder: Holder; operation: Operation; expected: number }

/** What somebody says instead of "done as written": counts and heads by group, and words about the thing in hand. */
export type SaidDifferent = { counts: Readonly<Record<Id, number>>; heads: Readonly<Record<Id, string>>; words: string }

/** Every group that the tap would confirm: any of them may be otherwise. */
export function groupsInTap(model: ProcedureForBuild, state: JobState, tap: NextTap): CountedGroup[] {
  return tap.steps
    .map((step) => step.operation)
    .filter(({ act }) => act !== 'start')
    .flatMap((operation) =>
      countedIn(operation).map((id) => {
        const c = state.holders.get(id)!
        const expected = tap.card.phase === 'out' ? toFasten(c).old : c.design - c.missing + c.extra
        return { holder: model.holders.get(id)!, operation, expected }
      }),
    )
}

/**
 * What to record when it is otherwise than written. On the way in another count changes this vehicle's account; on the
 * way out fewer than came off may go in, a panel goes home all the same, and the rest stays open: `leave` are the
 * operations left for later. Anything else said is proposed to the record. Pure.
 */
export function foundDifferent(
  model: ProcedureForBuild,
  state: JobState,
  tap: NextTap,
  { counts, heads, words }: SaidDifferent,
): { happenings: Happening[]; leave: string[] } {
  const groups = groupsInTap(model, state, tap)
  const said = (group: CountedGroup) => counts[group.holder.id] ?? group.expected
  const isOut = tap.card.phase === 'out'
  const short = isOut ? groups.filter((group) => said(group) < group.expected) : []
  const found = isOut
    ? []
    : groups.flatMap((group) => countFound(group.holder, state.holders.get(group.holder.id)!, said(group), words))
  const fitted = short.flatMap((group): Happening[] =>
    said(group) > 0 ? [{ kind: 'fastened', holderId: group.holder.id, count: said(group), stage: 'final' }] : [],
  )
  const seated = new Set(
    short.filter(({ operation }) => operation.act === 'seat').map(({ operation }) => operation.itemId),
  )
  const home = [...seated].map((partId): Happening => ({ kind: 'part at', partId, level: 'in place' }))
  const different = (itemId: Id, field: string, value: string): Happening[] =>
    value === '' ? [] : [{ kind: 'different from the record', itemId, field, value }]
  return {
    happenings: [
      ...found,
      ...home,
      ...fitted,
      ...Object.entries(heads).flatMap(([itemId, head]) => different(itemId, 'head', head)),
      ...different(tap.step.operation.itemId, 'note', words),
    ],
    leave: [...new Set(short.map(({ operation }) => operation.key))],
  }
}
