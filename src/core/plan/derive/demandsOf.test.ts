import { expect, test } from '@jest/globals'
import { crewAtDash } from '../../testing/atDash.testing'
import { smallDash } from '../../testing/smallDash.testing'
import type { Act } from '../../procedure/acts'
import { demandsOf } from './demandsOf'

/** What an act on the small dash takes, its panel pulled with the pry tool and its main plug turned with a spanner. */
function takes(act: Act, itemId: string) {
  const dash = smallDash()
  dash.parts.find(({ id }) => id === 'panel')!.release.tool = 'pry tool'
  dash.tethers[0]!.tool = 'spanner 10'
  const { job } = crewAtDash(dash).plan
  const operation = { key: '', phase: 'in' as const, act, itemId, partId: null, setting: null, nth: 1 }
  return demandsOf(job, operation).tool
}

// By hand: the tool each act is done with.
test.each<[Act, string, string]>([
  ['undo', 'screws', 'six-lobe T20'],
  ['fasten', 'screws', 'six-lobe T20'],
  ['start', 'screws', 'hand'],
  ['release', 'panel', 'pry tool'],
  ['ease', 'panel', 'pry tool'],
  ['lift', 'panel', 'hand'],
  ['place', 'panel', 'hand'],
  ['seat', 'panel', 'hand'],
  ['open', 'main', 'spanner 10'],
  ['close', 'main', 'spanner 10'],
  ['feed', 'main', 'hand'],
  ['open', 'hazard', 'hand'],
])('%s %s: %s', (act, itemId, tool) => expect(takes(act, itemId)).toBe(tool))
