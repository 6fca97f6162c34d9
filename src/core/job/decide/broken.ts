import type { Id } from '../../base/id'
import type { Phase } from '../../order/operation'
import type { HolderCounts } from '../account'
import type { Happening } from '../event'
import { toFasten } from '../jobActs'

/** Where a fastener was when it broke: in the hand, on its way out or back, or standing where it belongs. */
export type BrokeWhere = 'in hand' | 'standing'

/**
 * Where `count` of a group can have broken, by what this job has counted; two answers mean that it has to be asked. On
 * the way in everything breaks as it comes out. On the way back those that are in may break where they stand, and those
 * still to go in, in the hand; more than are in either place broke in both.
 */
export function mayHaveBroken(counts: HolderCounts, phase: Phase, count: number): BrokeWhere[] {
  if (phase === 'in') return ['in hand']
  const { old, fresh } = toFasten(counts)
  const answers: BrokeWhere[] = []
  if (count <= old + fresh) answers.push('in hand')
  if (count <= counts.fastenedOld + counts.fittedNew) answers.push('standing')
  return answers.length > 0 ? answers : ['in hand']
}

/**
 * What to record when some of a group broke. Each that stood leaves one empty hole; each in the hand never stood, and
 * one that was new was taken from stock all the same. Old ones count as broken before new ones.
 */
export function brokenHappenings(
  holderId: Id,
  counts: HolderCounts,
  phase: Phase,
  count: number,
  where: BrokeWhere,
): Happening[] {
  const broke = (some: number, wasFitted: 'no' | 'old' | 'new'): Happening[] =>
    some > 0 ? [{ kind: 'broken', holderId, count: some, wasFitted, note: '' }] : []
  if (phase === 'in') return broke(count, 'no')
  const { old, fresh } = toFasten(counts)
  const standing = counts.fastenedOld + counts.fittedNew
  const stood = Math.min(standing, where === 'standing' ? count : Math.max(0, count - old - fresh))
  const stoodOld = Math.min(stood, counts.fastenedOld)
  const newInHand = Math.min(fresh, Math.max(0, count - stood - old))
  const taken: Happening[] = newInHand > 0 ? [{ kind: 'new fitted', holderId, count: newInHand, insteadOf: 'old' }] : []
  return [
    ...broke(count - stood - newInHand, 'no'),
    ...broke(stoodOld, 'old'),
    ...taken,
    ...broke(stood - stoodOld + newInHand, 'new'),
  ]
}
