import { expect, test } from '@jest/globals'
import { crewAtDash } from '../testing/atDash.testing'
import { closingActs } from './decide/closingActs'
import { mayBeAccepted } from './balance'
import type { Happening } from './event'

/** The one row that a happening leaves, and the balance once its act was tapped. */
function afterLooking(...happenings: Happening[]) {
  const crew = crewAtDash()
  for (const what of happenings) crew.add(what)
  const before = crew.balance()
  const [row] = before.openRows
  for (const what of row ? closingActs(row, {} as never).acts[0]!.happenings : []) crew.add(what)
  return { row, mayStand: row && mayBeAccepted(crew.document, row), closed: crew.balance().closed }
}

// By hand: what an event leaves that names something the record does not have. Somebody looks, and it is closed.
test.each<[string, Happening[], object]>([
  ['a group', [{ kind: 'undone', holderId: 'x', count: 3 }], { of: 'holder', out: 3, back: 0 }],
  [
    'a group, some of it back',
    [
      { kind: 'undone', holderId: 'x', count: 3 },
      { kind: 'fastened', holderId: 'x', count: 2, stage: 'final' },
    ],
    { of: 'holder', out: 3, back: 2 },
  ],
  ['a part', [{ kind: 'part at', partId: 'x', level: 'off' }], { of: 'part', out: 1, back: 0 }],
  ['a plug', [{ kind: 'opened', tetherId: 'x' }], { of: 'tether', out: 1, back: 0 }],
  ['a setting', [{ kind: 'set', settingId: 'x', value: 'on', methodId: null }], { of: 'setting', out: 1, back: 0 }],
])('%s that the record does not have is owed until somebody has looked', (_, happenings, row) => {
  const found = afterLooking(...happenings)
  expect(found.row).toMatchObject({ account: 'unresolved', id: 'x', open: true, ...row })
  // What nobody can look up may be an airbag plug: no lead lets it stand.
  expect(found).toMatchObject({ mayStand: false, closed: true })
})

test('a plug opened twice and closed once is closed: there is one of it', () => {
  const opened: Happening = { kind: 'opened', tetherId: 'x' }
  expect(afterLooking(opened, opened, { kind: 'closed', tetherId: 'x' })).toMatchObject({
    row: undefined,
    closed: true,
  })
})

test('what was told of a facet, or noted of a thing, that is not there owes nothing', () => {
  const told: Happening = { kind: 'facet told', facetId: 'x', choiceId: 'y' }
  expect(afterLooking(told, { kind: 'lost', holderId: 'x', count: 1, from: 'vehicle' })).toMatchObject({ closed: true })
})
