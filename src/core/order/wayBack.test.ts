import { describe, expect, test } from '@jest/globals'
import { Holder } from '../procedure/holder'
import { crewAtDash } from '../testing/atDash.testing'
import { smallDash } from '../testing/smallDash.testing'
import { whyChain } from './why'

describe('the order of tightening', () => {
  /** The unit held by three groups, of which an order is said of two. */
  function unit(said: string[]) {
    const dash = smallDash()
    for (const id of ['lower', 'upper'])
      dash.holders.push(
        Holder.parse({ id, kind: 'machine screw', count: 1, holds: ['unit'], drives: [{ drive: 'hex', size: '8' }] }),
      )
    dash.parts.find(({ id }) => id === 'unit')!.refit.tightenOrder = said
    const { edges } = crewAtDash(dash).plan.refit
    return edges
      .filter(({ because }) => because.kind === 'tightened in order')
      .map(({ before, after }) => `${before} ${after}`)
  }
  test('as it is said, and what nobody has spoken of after the last of them', () => {
    expect(unit(['upper', 'lower'])).toEqual(['fasten:upper fasten:lower', 'fasten:lower fasten:bolts'])
  })
  test('where nothing is said nothing is ordered', () => expect(unit([])).toEqual([]))
})

test('why is this here: a screw holds, a plug ties, a cover covers, down to the goal', () => {
  const { removal } = crewAtDash().plan
  const chain = (key: string) =>
    whyChain(removal, key)!.map((link) => ('relation' in link ? `${link.id} ${link.relation}` : 'goal'))
  expect(chain('undo:bolts')).toEqual(['bolts holds', 'unit closes', 'goal'])
  expect(chain('open:main')).toEqual(['main ties', 'unit closes', 'goal'])
  expect(chain('release:cover').slice(0, 2)).toEqual(['cover covers', 'screws holds'])
  expect(chain('release:panel')).toEqual(['panel traps', 'unit closes', 'goal'])
  expect(whyChain(removal, 'undo:gone')).toBeNull()
})
