import { describe, expect, test } from '@jest/globals'
import { wallMsOf } from '../../base/clock'
import { Caution } from '../../procedure/caution'
import type { ProcedureDocument } from '../../procedure/document'
import { DEFAULT_HOUSE_VALUES } from '../../shop/houseValues'
import { crewAtDash, goOnTo } from '../../testing/atDash.testing'
import { smallDash } from '../../testing/smallDash.testing'
import { rulesInForce } from '../../vehicle/rulesInForce'
import { INES, TOLU, type CrewAtWork } from '../crew.testing'
import { liveCircumstances, liveVehicle } from '../liveVehicle'
import { nextTap } from '../progress'
import { termsOf } from '../terms'
import { NO_WORK } from '../workSteps'
import { knownOfTap } from './knownOfTap'

function known(crew: CrewAtWork, authorised: string[] = [], nowMs = crew.nowMs) {
  const { model, plan, state } = crew
  const circumstances = liveCircumstances(model, state, DEFAULT_HOUSE_VALUES, rulesInForce(), { id: TOLU, authorised })
  const vehicle = liveVehicle(model, state, nowMs)
  const at = { model, plan, state, vehicle, circumstances, terms: termsOf(crew.document, crew.request), nowMs }
  return knownOfTap(at, nextTap(plan, state), TOLU)
}
const NOTHING_ASKED = { unread: [], changes: 0, readingUnit: '', buried: [], job: NO_WORK }
const dashWith = (change: (dash: ProcedureDocument) => void) => {
  const dash = smallDash()
  change(dash)
  return crewAtDash(dash)
}

test('nothing in hand: nothing stands before it', () => {
  const { model, plan, state } = crewAtDash()
  const at = { model, plan, state } as Parameters<typeof knownOfTap>[0]
  expect(knownOfTap(at, null, TOLU)).toEqual({
    ...{ refusal: null, waitS: 0, delay: null, cautions: [], asked: NOTHING_ASKED },
  })
})
test('an act that nothing minds', () => {
  expect(known(crewAtDash())).toMatchObject({ refusal: null, waitS: 0, delay: null, asked: NOTHING_ASKED })
})

describe('an airbag’s plug', () => {
  const bag = () =>
    dashWith((dash) =>
      Object.assign(
        dash.tethers.find(({ id }) => id === 'hazard')!,
        {
          circuit: 'srs-firing',
          reached: 'before the release',
        },
      ),
    )
  const MAY = ['airbag circuits']
  test('refused and waiting until its minutes are over, to the second above; then neither', () => {
    const crew = bag()
    goOnTo(crew, 'open:hazard')
    const off = crew.events.find(({ what }) => what.kind === 'set')!
    const offMs = wallMsOf(off.at)
    const waitMs = DEFAULT_HOUSE_VALUES.airbagWaitMin * 60_000
    expect(known(crew, MAY, offMs + 60_000)).toMatchObject({ waitS: waitMs / 1000 - 60 })
    expect(known(crew, MAY, offMs + 60_000).refusal).not.toBeNull()
    expect(known(crew, MAY, offMs + waitMs - 1)).toMatchObject({ waitS: 1 })
    expect(known(crew, MAY, offMs + waitMs)).toMatchObject({ waitS: 0, refusal: null })
    // Whoever may not is refused however long it waited.
    expect(known(crew, [], offMs + 2 * waitMs)).toMatchObject({ waitS: 0 })
    expect(known(crew, [], offMs + 2 * waitMs).refusal).not.toBeNull()
  })
})

describe('cautions', () => {
  const sharp = () =>
    dashWith((dash) =>
      dash.cautions.push(
        Caution.parse({
          ...{ id: 'sharp', severity: 'WARNING', sentence: 'Sharp edges.' },
          at: { act: 'release', itemId: 'cover' },
        }),
      ),
    )
  test('are asked until whoever taps has read them, and said all the same', () => {
    const crew = sharp()
    expect(known(crew).cautions.map(({ id }) => id)).toEqual(['sharp'])
    expect(known(crew).asked.unread).toHaveLength(1)
    crew.add({ kind: 'caution read', cautionId: 'sharp' }, INES)
    expect(known(crew).asked.unread).toHaveLength(1)
    crew.add({ kind: 'caution read', cautionId: 'sharp' }, TOLU)
    expect(known(crew).asked.unread).toHaveLength(0)
    expect(known(crew).cautions).toHaveLength(1)
  })
  test('of another act are not asked here', () => {
    const crew = sharp()
    goOnTo(crew, 'undo:screws')
    expect(known(crew)).toMatchObject({ cautions: [], asked: NOTHING_ASKED })
  })
})
