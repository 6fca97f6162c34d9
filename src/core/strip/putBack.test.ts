import { describe, expect, test } from '@jest/globals'
import type { Happening } from '../job/event'
import { emptyDocument } from '../procedure/document'
import type { Need } from '../procedure/need'
import { Part } from '../procedure/part'
import { UNIT_OUT } from '../testing/atDash.testing'
import { forPuttingBack } from './putBack'
import { Recorder } from './recorder.testing'

const adopted: Happening = { kind: 'plan adopted', request: UNIT_OUT, found: null, people: [], lanes: [] }
const part = (id: string, more: object = {}) => Part.parse({ id, name: id, station: 'centre', ...more })

/** A strip in which these came off in this order, and its vehicle goes back; [first, then] is assumed of each pair. */
function assumed(
  parts: Part[],
  order: string[],
  more: { needs?: object[]; before?: Happening[]; after?: Happening[] } = {},
) {
  const base = { ...emptyDocument('Strip'), parts, needs: (more.needs ?? []) as Need[] }
  const r = new Recorder(base)
  r.happen(...order.map((partId): Happening => ({ kind: 'part at', partId, level: 'off' })), ...(more.before ?? []))
  r.happen(adopted, ...(more.after ?? []))
  return forPuttingBack(base, r.events)
    .needs.slice(base.needs.length)
    .map(({ dependent, needs, reason }) => [
      dependent.id,
      needs.kind === 'part' && `${needs.partId} ${needs.level}`,
      reason,
    ])
}
const three = [part('a'), part('b'), part('c')]

describe('nobody has said why', () => {
  test('what came off first goes back last: each later one waits for it on the way in, and so goes home before it', () => {
    expect(assumed(three, ['b', 'a', 'c'])).toEqual([
      ['c', 'a off', 'traps'],
      ['a', 'b off', 'traps'],
      ['c', 'b off', 'traps'],
    ])
  })
  test('a part that may rest need only be free', () => {
    const resting = part('a', { rests: [{ level: 'free', how: 'on a cloth' }] })
    expect(assumed([resting, part('b')], ['a', 'b'])).toEqual([['b', 'a free', 'traps']])
  })
  test('the last one off waits for nobody, and one that is home already is not spoken of', () => {
    expect(assumed([part('a')], ['a'])).toEqual([])
    expect(assumed(three, ['a', 'b'], { before: [{ kind: 'part at', partId: 'b', level: 'in place' }] })).toEqual([])
  })
  test('what is carried goes with its carrier', () => {
    expect(assumed([part('a'), part('b', { carriedBy: 'c' }), part('c')], ['a', 'b', 'c'])).toEqual([
      ['c', 'a off', 'traps'],
    ])
  })
})
test('where somebody has said what it came off for, nothing is assumed', () => {
  const need = {
    id: 'n',
    dependent: { act: 'release', id: 'b' },
    needs: { kind: 'part', partId: 'a', level: 'off' },
    reason: 'traps',
  }
  expect(
    assumed([part('a'), part('b')], ['a', 'b'], {
      needs: [{ ...need, screwsReached: 'not said', note: '', when: {} }],
    }),
  ).toEqual([])
})
test('it is fixed when the way back begins: what goes home since then changes no order', () => {
  const home: Happening = { kind: 'part at', partId: 'b', level: 'in place' }
  expect(assumed([part('a'), part('b')], ['a', 'b'], { after: [home] })).toEqual([['b', 'a off', 'traps']])
})
test('a strip whose vehicle does not go back assumes nothing', () => {
  const base = { ...emptyDocument('Strip'), parts: three }
  const r = new Recorder(base)
  r.happen({ kind: 'part at', partId: 'a', level: 'off' }, { kind: 'part at', partId: 'b', level: 'off' })
  expect(forPuttingBack(base, r.events)).toBe(base)
})
