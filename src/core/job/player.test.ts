import { describe, expect, test } from '@jest/globals'
import { seededRandom } from '../base/random'
import { PlanRequest } from '../plan/ask/planRequest'
import type { ProcedureDocument } from '../procedure/document'
import { randomProcedure } from '../procedure/randomProcedure.testing'
import type { Build } from '../procedure/when'
import { panelVan, patrolMotorcycle, roadWorksPickup, smallBus } from '../testing/vehicles.testing'
import { planOf, Player } from './player.testing'
import { seeds } from '../testing/seeds.testing'

/** Every build of a model. */
function buildsOf({ facets }: ProcedureDocument): Build[] {
  return facets.reduce<Build[]>(
    (builds, { id, choices }) => builds.flatMap((build) => choices.map((choice) => ({ ...build, [id]: choice.id }))),
    [{}],
  )
}
/** From intake to hand-over: the balance is closed exactly when the vehicle is whole, after every tap. */
function playThrough(document: ProcedureDocument, goals: object[], build: Build, seed: number, often: number): number {
  const player = new Player(document, PlanRequest.parse({ goals, build }), seededRandom(seed), often)
  player.play((whole, balance, said) => expect([seed, said, balance.closed]).toEqual([seed, said, whole]))
  expect([seed, player.blocks()]).toEqual([seed, []])
  return player.accidents
}

describe.each(Object.entries({ panelVan, patrolMotorcycle, smallBus, roadWorksPickup }))('%s', (_, vehicle) => {
  const document = vehicle()
  const builds = buildsOf(document)
  test.each(document.cavities.map(({ id }) => id))(
    '%s, in every build that has it, without and with accidents',
    (cavityId) => {
      let accidents = 0
      builds.forEach((build, i) => {
        const when = document.cavities.find(({ id }) => id === cavityId)!.when
        if (!Object.entries(when).every(([facetId, choices]) => choices.includes(build[facetId]!))) return
        const goals = [{ kind: 'cavity', cavityId }]
        expect(playThrough(document, goals, build, i, 0)).toBe(0)
        accidents += playThrough(document, goals, build, i + 100, 25)
      })
      expect(accidents).toBeGreaterThan(0)
    },
  )
})

/** Records drawn at random, of which some have no safe order: those are the planner's to refuse. */
describe('records drawn at random', () => {
  let played = 0
  test.each(Array.from({ length: seeds(25) }, (_, batch) => batch * 10))('seeds %i to 9 more', (from) => {
    for (let seed = from; seed < from + 10; seed++) {
      const document = randomProcedure(seed, { size: 4 + (seed % 5), kind: seed % 3 === 0 ? 'fairing' : 'dash' })
      const partId = document.parts[seed % document.parts.length]!.id
      const request = PlanRequest.parse({ goals: [{ kind: 'part', partId, level: 'off' }], build: {} })
      if (!planOf(document, request)) continue
      playThrough(document, request.goals, {}, seed, seed % 2 === 0 ? 20 : 0)
      played += 1
    }
  })
  test('most of them were played', () => expect(played).toBeGreaterThanOrEqual(seeds(25) * 8))
})
