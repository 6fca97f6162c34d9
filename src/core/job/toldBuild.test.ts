import { expect, test } from '@jest/globals'
import { TOLU } from './crew.testing'
import { JobEvent, type Happening } from './event'
import { EVENT_VERSION } from './eventVersion'
import { toldBuild } from './toldBuild'

const ID = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`
let made = 0
const event = (atMs: number, what: Happening, corrects: string | null = null) =>
  JobEvent.parse({
    id: ID(++made),
    jobId: ID(0),
    v: EVENT_VERSION,
    deviceId: ID(0),
    seq: made,
    at: `${String(atMs).padStart(16, '0')}-0000`,
    personId: TOLU,
    corrects,
    what,
  })
const told = (atMs: number, choiceId: string, facetId = 'gearbox') =>
  event(atMs, { kind: 'facet told', facetId, choiceId })

test('the later word holds, in whichever order the two arrived', () => {
  const [early, late] = [told(200, 'manual'), told(300, 'automatic')]
  expect(toldBuild({}, 100, [early, late])).toEqual({ gearbox: 'automatic' })
  expect(toldBuild({}, 100, [late, early])).toEqual({ gearbox: 'automatic' })
})
test('what the desk says holds over what was told before it, and gives way to what is told after', () => {
  expect(toldBuild({ gearbox: 'manual' }, 250, [told(200, 'automatic')])).toEqual({ gearbox: 'manual' })
  expect(toldBuild({ gearbox: 'manual' }, 250, [told(251, 'automatic')])).toEqual({ gearbox: 'automatic' })
})
test('a facet the desk said nothing of is as it was told, though that arrived late', () => {
  expect(toldBuild({ gearbox: 'manual' }, 250, [told(200, 'left', 'steering')])).toEqual({
    gearbox: 'manual',
    steering: 'left',
  })
})
test('what was taken back is as if it had not been told', () => {
  const [first, wrong] = [told(200, 'manual'), told(300, 'automatic')]
  const back = event(310, { kind: 'taken back' }, wrong.id)
  expect(toldBuild({}, 100, [back, wrong, first])).toEqual({ gearbox: 'manual' })
  expect(toldBuild({ gearbox: 'robot' }, 100, [wrong, back])).toEqual({ gearbox: 'robot' })
})
