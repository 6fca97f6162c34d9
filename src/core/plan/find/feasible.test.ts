import { describe, expect, test } from '@jest/globals'
import { seededRandom } from '../../base/random'
import { seeds } from '../../testing/seeds.testing'
import type { ProcedureDocument } from '../../procedure/document'
import { forBuild } from '../../procedure/forBuild'
import { Need } from '../../procedure/need'
import { randomProcedure } from '../../procedure/randomProcedure.testing'
import { Tether } from '../../procedure/tether'
import { DEFAULT_HOUSE_VALUES } from '../../shop/houseValues'
import { whilePlanning } from '../../vehicle/circumstances'
import { after, asFoundState, type VehicleState } from '../../vehicle/vehicleState'
import { deriveJob } from '../derive/deriveJob'
import { canStillFinish, feasibilityOf } from './feasible'
import { legsOf } from '../derive/leg'

/**
 * A small seeded dash whose lever goes by the ignition only, behind a part that has to come off, with an airbag plug in
 * the way.
 */
function stubborn(seed: number, size: number): ProcedureDocument {
  const document = randomProcedure(seed, { size })
  const random = seededRandom(seed + 500)
  const lever = document.settings.find((setting) => setting.id === 'lever')!
  lever.methods = lever.methods.filter((method) => method.id !== 'by-release')
  document.needs = document.needs.filter((need) => need.dependent.id !== 'by-release')
  const part = () => `p${random.below(size)}`
  document.needs.push(
    Need.parse({
      id: 'behind',
      dependent: { act: 'method', id: 'by-ignition' },
      needs: { kind: 'part', partId: part(), level: 'off' },
      reason: 'reaches',
    }),
  )
  document.tethers.push(Tether.parse({ id: 'lamp', name: 'lamp', partId: part(), circuit: 'srs-indicator' }))
  return document
}

/** A job derived from it, its moves, and every demand. */
function prepare(seed: number, size: number) {
  const model = forBuild(stubborn(seed, size), {})
  const derived = deriveJob(
    model,
    { goals: [{ kind: 'cavity', cavityId: 'cavity' }], kits: [], endings: new Map() },
    { openings: {}, methods: {}, resting: 'rest' },
    whilePlanning(DEFAULT_HOUSE_VALUES),
  )
  if (!derived.ok) return null
  const job = derived.value
  const state = asFoundState(model)
  const f = feasibilityOf(job, legsOf(job), state)
  return { job, moves: f.moves, finish: f.finish, state, f }
}

/** The way in only, by trying every order of everything: what the question answers without trying them all. */
function bruteForce({ job, moves, state }: NonNullable<ReturnType<typeof prepare>>, limit: number): boolean | null {
  const keys = [...job.removal.operations.keys()]
  const seen = new Set<string>()
  let visits = 0
  const visit = (done: ReadonlySet<string>, now: VehicleState): boolean => {
    if (done.size === keys.length) return true
    const name = `${keys.filter((key) => done.has(key)).join()}|${[...now.settings.values()].join()}`
    if (seen.has(name) || ++visits > limit) return false
    seen.add(name)
    for (const key of keys) {
      if (done.has(key) || job.removal.edges.some((edge) => edge.after === key && !done.has(edge.before))) continue
      const operation = job.removal.operations.get(key)!
      for (const settings of moves.combinations(now.settings, now).values())
        if (
          moves.allows(operation, settings, now) &&
          visit(new Set(done).add(key), after(job.model, { ...now, settings }, operation))
        )
          return true
    }
    return false
  }
  const found = visit(new Set(), state)
  return visits > limit ? null : found
}

describe('whether everything can still be done', () => {
  const cases = Array.from({ length: seeds(480) }, (_, seed) => prepare(seed + 1, 3)).filter((item) => item !== null)
  test('never says yes where trying every order of the way in says no', () => {
    let [compared, refused] = [0, 0]
    for (const item of cases) {
      const brute = bruteForce(item, 6_000)
      if (brute === null) continue
      compared += 1
      const answer = canStillFinish(item.f, new Set(), item.state)
      if (answer.ok) expect(brute).toBe(true)
      // The way out may add a reason to say no; a no about the way in alone must agree.
      if (!answer.ok && answer.error.stuck.some(({ key }) => item.job.removal.operations.has(key))) {
        expect(brute).toBe(false)
        refused += 1
      }
    }
    expect(compared).toBeGreaterThan(seeds(100))
    expect(refused).toBeGreaterThan(seeds(20))
  })
  test('the same question gets the same answer twice', () => {
    for (const { f, state } of cases.slice(0, 20))
      expect(canStillFinish(f, new Set(), state).ok).toBe(canStillFinish(f, new Set(), state).ok)
  })
})
