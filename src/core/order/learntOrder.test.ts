import { emptyDocument } from '../procedure/document'
import { Holder } from '../procedure/holder'
import { Part } from '../procedure/part'
import { StripSeen } from '../procedure/stripSeen'
import { seenOrders } from './seenOrders'
import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { forBuild } from '../procedure/forBuild'
import { Need } from '../procedure/need'
import { agreement, learnOrder, type Strip } from './learntOrder'
import { deriveRemoval } from './deriveRemoval'
import { standingOrders } from './standingOfOrder'
import { panelVan } from '../testing/vehicles.testing'

const strips = (...sequences: string[][]): Strip[] => sequences.map((sequence, i) => ({ id: `s${i}`, sequence }))
const keeps = (sequence: readonly string[], pairs: readonly { before: string; after: string }[]) =>
  pairs.every(
    ({ before, after }) =>
      !sequence.includes(before) || !sequence.includes(after) || sequence.indexOf(before) < sequence.indexOf(after),
  )
const LETTERS = ['A', 'B', 'C', 'D', 'E', 'F', 'G']
const arrangement = fc.shuffledSubarray(LETTERS, { minLength: LETTERS.length })

describe('properties', () => {
  test('where all strips hold the same operations, each stays a valid order', () => {
    fc.assert(
      fc.property(fc.array(arrangement, { minLength: 1, maxLength: 5 }), (all) => {
        const { kept, shown } = learnOrder(strips(...all))
        return all.every((sequence) => keeps(sequence, kept) && keeps(sequence, shown))
      }),
      { seed: 3, numRuns: 200 },
    )
  })
  test('partial strips never leave a circle behind, and every kept order is agreed by every strip that has both', () => {
    fc.assert(
      fc.property(fc.array(fc.shuffledSubarray(LETTERS, { minLength: 2 }), { minLength: 1, maxLength: 6 }), (all) => {
        const learnt = strips(...all)
        const { kept } = learnOrder(learnt)
        const left = new Set(LETTERS)
        for (let more = true; more;) {
          const free = [...left].filter((key) => !kept.some((pair) => pair.after === key && left.has(pair.before)))
          more = free.length > 0
          for (const key of free) left.delete(key)
        }
        return (
          left.size === 0 &&
          kept.every((pair) => {
            const { agree, of } = agreement(learnt, pair.before, pair.after)
            return agree === of && of === pair.strips.length
          })
        )
      }),
      { seed: 4, numRuns: 200 },
    )
  })
})

test('only the operations in hand count, before anything is closed transitively', () => {
  // A before B in one strip, B before C in another: nobody has seen A before C.
  const learnt = learnOrder(strips(['A', 'B'], ['B', 'C']), new Set(['A', 'C']))
  expect(learnt.kept).toEqual([])
})
test('a strip that broke a rule gives no order', () => {
  expect(learnOrder([{ id: 's', sequence: ['A', 'B'], brokeRule: true }]).kept).toEqual([])
})

describe('where an order stands in the record', () => {
  const removal = deriveRemoval(
    forBuild(panelVan(), { gearbox: 'manual', starter: 'key', steering: 'left' }),
    [{ kind: 'cavity', cavityId: 'radio-cavity' }],
    { openings: {}, methods: {}, resting: 'rest' },
  )
  if (!removal.ok) throw new Error('The van has an order.')
  const seen = [
    ['release:liner', 'release:climate', 'release:surround'],
    ['release:liner', 'release:climate', 'release:surround'],
  ]
  const observed = (reason: string) =>
    Need.parse({
      id: 'o',
      dependent: { act: 'release', id: 'climate' },
      needs: { kind: 'operation', act: 'release', id: 'liner' },
      reason,
    })
  const standing = (needs: Need[], more: string[][] = []) =>
    standingOrders(
      { ...panelVan(), needs: [...panelVan().needs, ...needs] },
      learnOrder(strips(...seen, ...more)),
      removal.value.edges,
    ).map((order) => `${order.before}<${order.after} ${order.standing} ${order.strips.length}`)

  test('what the facts ask for anyway is not said; what they do not is new', () => {
    expect(standing([])).toEqual(['release:liner<release:climate new 2'])
  })
  test('stated without a reason it is observed, with the strips behind it; called a habit it stays one', () => {
    expect(standing([observed('observed')])).toEqual(['release:liner<release:climate observed 2'])
    expect(standing([observed('habit')])).toEqual(['release:liner<release:climate habit 2'])
  })
  test('a later strip the other way contradicts it', () => {
    expect(standing([observed('observed')], [['release:climate', 'release:liner', 'release:surround']])).toEqual([
      'release:liner<release:climate contradicted 2',
    ])
  })
})

test('three strips by three people on one vehicle leave no order among its three branches, whichever screw was loosened when', () => {
  const document = emptyDocument('Three branches')
  for (const id of ['a', 'b', 'c']) {
    document.parts.push(Part.parse({ id, name: id, station: 'centre' }))
    document.holders.push(Holder.parse({ id: `${id}1`, kind: 'bolt', count: 2, holds: [id] }))
  }
  // Each panel in one go, but the third person had loosened the bolts of c in passing.
  const go = (id: string) => [`undo:${id}1`, `release:${id}`, `lift:${id}`]
  const sequences = [
    ['a', 'b', 'c'].flatMap(go),
    ['b', 'c', 'a'].flatMap(go),
    ['undo:c1', 'undo:a1', 'undo:c1', 'release:c', 'lift:c', 'release:a', 'lift:a', ...go('b')],
  ]
  const seen = seenOrders({
    ...document,
    strips: sequences.map((sequence, i) =>
      StripSeen.parse({ id: `s${i}`, label: `strip ${i}`, sequence: [...new Set(sequence)], brokeRule: false }),
    ),
  })
  const owner = (key: string) => key.split(':')[1]![0]
  expect(seen.filter(({ before, after }) => owner(before) !== owner(after))).toEqual([])
  expect(seen.some(({ before, after }) => before === 'undo:a1' && after === 'release:a')).toBe(true)
})

describe('what somebody has called a habit no strip orders', () => {
  const seen = (...needs: Need[]) => {
    const document = emptyDocument('Two branches')
    for (const id of ['a', 'b']) document.parts.push(Part.parse({ id, name: id, station: 'centre' }))
    const strip = (i: number) =>
      StripSeen.parse({ id: `s${i}`, label: `strip ${i}`, sequence: ['release:a', 'release:b'], brokeRule: false })
    return seenOrders({ ...document, needs, strips: [strip(1), strip(2)] }).map(
      ({ before, after }) => `${before} < ${after}`,
    )
  }
  const said = (reason: string, needs: object, dependent = { act: 'release', id: 'b' }) =>
    Need.parse({ id: 'n', dependent, needs, reason })
  const first = { kind: 'operation', act: 'release', id: 'a' }
  test('as they agree, where nobody has said anything', () => expect(seen()).toEqual(['release:a < release:b']))
  test('but for the very pair that was called a habit', () => {
    expect(seen(said('habit', first))).toEqual([])
    expect(seen(said('observed', first))).toEqual(['release:a < release:b'])
    expect(seen(said('method', first))).toEqual(['release:a < release:b'])
    // The other way round it is another pair, and a part that has to be off is none.
    const turned = said('habit', { ...first, id: 'b' }, { act: 'release', id: 'a' })
    expect(seen(turned)).toEqual(['release:a < release:b'])
    expect(seen(said('habit', { kind: 'part', partId: 'a', level: 'off' }))).toEqual(['release:a < release:b'])
  })
  test('without strips nothing was seen', () => expect(seenOrders(emptyDocument('None'))).toEqual([]))
})
