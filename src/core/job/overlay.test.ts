import { describe, expect, test } from '@jest/globals'
import { crewAtDash, record } from '../testing/atDash.testing'
import type { Happening } from './event'
import { overlayOf } from './overlay'

const after = (...jobs: Happening[][]) =>
  overlayOf(
    jobs.map((happenings) => {
      const crew = crewAtDash()
      record(crew, happenings)
      return crew.state
    }),
  )
const missing = (count: number): Happening => ({
  kind: 'as found',
  holderId: 'screws',
  what: 'missing',
  count,
  note: '',
})
const screws = () => (overlay: ReturnType<typeof overlayOf>) => overlay.holders.get('screws')

describe('what the next job knows of this vehicle', () => {
  test('what was missing is missing, unless it was made good', () => {
    expect(screws()(after([missing(2)]))).toEqual({ missing: 2, extra: 0 })
    const good: Happening = { kind: 'new fitted', holderId: 'screws', count: 2, insteadOf: 'missing' }
    expect(screws()(after([missing(2), good]))).toBeUndefined()
  })
  test('what was left out with a reason is missing from then on', () => {
    const leftOut: Happening = { kind: 'left out', holderId: 'screws', count: 1, reason: 'its hole is torn' }
    expect(screws()(after([{ kind: 'undone', holderId: 'screws', count: 4 }, leftOut]))).toEqual({
      missing: 1,
      extra: 0,
    })
    expect(screws()(after([missing(1), leftOut]))).toEqual({ missing: 2, extra: 0 })
  })
  test('the latest job that touched a group says how it is; one that did not says nothing', () => {
    const whole: Happening[] = [
      { kind: 'undone', holderId: 'screws', count: 4 },
      { kind: 'fastened', holderId: 'screws', count: 4, stage: 'final' },
    ]
    expect(screws()(after([missing(2)], whole))).toBeUndefined()
    expect(screws()(after([missing(2)], [{ kind: 'undone', holderId: 'bolts', count: 2 }]))).toEqual({
      missing: 2,
      extra: 0,
    })
    const extra: Happening = { kind: 'as found', holderId: 'screws', what: 'extra', count: 1, note: '' }
    expect(screws()(after([extra]))).toEqual({ missing: 0, extra: 1 })
  })
  test('what ended otherwise stays so until somebody touches it again', () => {
    const left: Happening = { kind: 'ended', itemId: 'main', end: 'left open and insulated', count: 1, note: '' }
    expect([...after([{ kind: 'opened', tetherId: 'main' }, left]).ends]).toEqual([['main', 'left open and insulated']])
    expect(after([{ kind: 'opened', tetherId: 'main' }, left], [{ kind: 'closed', tetherId: 'main' }]).ends.size).toBe(
      0,
    )
    expect(after([{ kind: 'ended', itemId: 'unit', end: 'refitted', count: 1, note: '' }]).ends.size).toBe(0)
  })
  test('marks and earlier work are told again, heads are known; counts are kept as counts', () => {
    const overlay = after([
      { kind: 'checked in', point: 'marks and damage', value: 'scratch at the vent' },
      { kind: 'checked in', point: 'keys', value: 'hook 4' },
      { kind: 'different from the record', itemId: 'screws', field: 'head', value: 'six-lobe T25' },
      { kind: 'different from the record', itemId: 'screws', field: 'count', value: '3' },
    ])
    expect([...overlay.noted]).toEqual([['marks and damage', 'scratch at the vent']])
    expect(overlay.found).toEqual([{ itemId: 'screws', field: 'head', value: 'six-lobe T25' }])
  })
})
