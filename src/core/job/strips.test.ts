import { expect, test } from '@jest/globals'
import { DEFAULT_HOUSE_VALUES } from '../shop/houseValues'
import { crewAtDash, goOnTo } from '../testing/atDash.testing'
import { smallDash } from '../testing/smallDash.testing'
import { whilePlanning } from '../vehicle/circumstances'
import type { CrewAtWork } from './crew.testing'
import { foldJob } from './fold'
import { stripsOf, wayInOf } from './strips'

const at = (key: string) => {
  const crew = crewAtDash()
  goOnTo(crew, key)
  return crew
}
const wayIn = (crew: CrewAtWork) => wayInOf(smallDash(), crew.events)

const IN = ['release:cover', 'lift:cover', 'undo:screws', 'release:panel', 'open:hazard', 'lift:panel']

test('the acts of the way in, each the first time it was counted; what goes back is none of them', () => {
  expect(wayIn(at('undo:bolts'))).toEqual(IN)
  expect(wayIn(at('place:cover'))).toEqual([...IN, 'undo:bolts', 'release:unit', 'open:main', 'lift:unit'])
})
test('what was off before anybody began, and what says nothing of the order, is left out', () => {
  const crew = at('undo:bolts')
  crew.add({ kind: 'already off', itemId: 'cover' } as never)
  crew.add({ kind: 'order means nothing', itemId: 'hazard' } as never)
  expect(wayIn(crew)).toEqual(['undo:screws', 'release:panel', 'lift:panel'])
})
test('what came off before the log says so stands there, with all that was done to it', () => {
  const crew = at('undo:bolts')
  crew.add({ kind: 'came before', itemId: 'panel', otherId: 'cover' } as never)
  expect(wayIn(crew)).toEqual(['release:panel', 'lift:panel', ...IN.filter((key) => !key.endsWith(':panel'))])
  // Before what never came off nothing is moved.
  const other = at('undo:bolts')
  other.add({ kind: 'came before', itemId: 'panel', otherId: 'gone' } as never)
  expect(wayIn(other)).toEqual(IN)
})
test('one act is no strip; whoever broke a rule on the way is no witness of the order', () => {
  const circumstances = whilePlanning(DEFAULT_HOUSE_VALUES)
  const strips = (crew: CrewAtWork) =>
    stripsOf(smallDash(), [{ id: 'j', label: 'Van 1', events: crew.events }], circumstances)
  expect(strips(crewAtDash())).toEqual([])
  expect(strips(at('undo:screws'))).toEqual([
    { id: 'Van 1', sequence: ['release:cover', 'lift:cover'], brokeRule: false },
  ])
  const live = at('undo:bolts')
  const dash = smallDash()
  dash.tethers.find(({ id }) => id === 'hazard')!.circuit = 'srs-firing'
  expect(stripsOf(dash, [{ id: 'j', label: 'Van 1', events: live.events }], circumstances)[0]!.brokeRule).toBe(true)
})
test('an event about a part that turned out to be another is one about that', () => {
  const dash = smallDash()
  dash.parts.find(({ id }) => id === 'panel')!.formerIds = ['old-panel']
  const crew = crewAtDash()
  crew.add({ kind: 'part at', partId: 'old-panel', level: 'free' })
  crew.add({ kind: 'came before', itemId: 'old-panel', otherId: 'cover' } as never)
  crew.add({ kind: 'came before', itemId: 'cover', otherId: 'old-panel' } as never)
  crew.add({ kind: 'already off', itemId: 'old-panel' } as never)
  const state = foldJob(dash, crew.events)
  expect([state.parts.get('panel'), state.parts.has('old-panel')]).toEqual(['free', false])
  expect(state.putRight).toEqual([
    { itemId: 'panel', otherId: 'cover' },
    { itemId: 'cover', otherId: 'panel' },
  ])
  expect([...state.alreadyOff]).toEqual(['panel'])
  // Where nothing was another, as it was written.
  expect([...foldJob(smallDash(), crew.events).alreadyOff]).toEqual(['old-panel'])
})
