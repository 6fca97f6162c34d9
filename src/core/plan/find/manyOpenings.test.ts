import { expect, test } from '@jest/globals'
import { forBuild } from '../../procedure/forBuild'
import type { ProcedureDocument } from '../../procedure/document'
import { DEFAULT_HOUSE_VALUES } from '../../shop/houseValues'
import { smallDash } from '../../testing/smallDash.testing'
import { PlanRequest } from '../ask/planRequest'
import { findPlan } from './findPlan'

type Way = { partId: string; level: 'eased' | 'free' | 'off' }[]
/** Ways into a cavity of the small dash; two of them ask for the same in other words. */
const WAYS: Way[] = [
  [{ partId: 'cover', level: 'off' }],
  [{ partId: 'cover', level: 'free' }],
  [{ partId: 'panel', level: 'off' }],
  [
    { partId: 'cover', level: 'free' },
    { partId: 'panel', level: 'off' },
  ],
  [{ partId: 'unit', level: 'free' }],
]
/** The small dash with a cavity for each list of ways. */
function dashWith(cavities: readonly (readonly Way[])[]): ProcedureDocument {
  const dash = smallDash()
  dash.cavities = cavities.map((ways, c) => ({
    ...{ id: `cavity-${c}`, name: `Cavity ${c}`, note: '', when: {} },
    openings: ways.map((parts, o) => ({
      ...{ id: `opening-${c}-${o}`, name: '', roomier: false, saves: '', savesS: 0 },
      parts,
    })),
  }))
  return dash
}
function proofOf(dash: ProcedureDocument) {
  const goals = dash.cavities.map(({ id }) => ({ kind: 'cavity' as const, cavityId: id }))
  const found = findPlan(forBuild(dash, {}), PlanRequest.parse({ goals, build: {} }), DEFAULT_HOUSE_VALUES)
  if (!found.ok) throw new Error(found.error.kind)
  return found.value.proof
}

test('a hundred and twenty-five combinations of openings: proven, and what trying each of them by itself finds', () => {
  const cavities = [WAYS, [...WAYS].reverse(), [WAYS[2]!, WAYS[4]!, WAYS[0]!, WAYS[3]!, WAYS[1]!]]
  // Where the cheapest way is not the first of its list, and the unit has to come free in any case.
  for (const lists of [cavities, [...cavities.slice(0, 2), [WAYS[4]!], cavities[2]!]]) {
    const tried = lists
      .reduce<Way[][]>((all, ways) => all.flatMap((one) => ways.map((way) => [...one, way])), [[]])
      .map((one) => proofOf(dashWith(one.map((way) => [way]))))
    expect(tried).toHaveLength(125)
    expect(tried.every(({ proven }) => proven)).toBe(true)
    expect(proofOf(dashWith(lists))).toMatchObject({
      proven: true,
      allChoices: true,
      totalS: Math.min(...tried.map(({ totalS }) => totalS)),
    })
  }
})
