import { expect, test } from '@jest/globals'
import { forBuild } from '../procedure/forBuild'
import { randomProcedure } from '../procedure/randomProcedure.testing'
import { DEFAULT_HOUSE_VALUES, moveS } from '../shop/houseValues'
import { whilePlanning } from '../vehicle/circumstances'
import { refusals } from '../vehicle/judge'
import { after, asFoundState, type VehicleState } from '../vehicle/vehicleState'
import { demandsOf, judged } from './demandsOf'
import { deriveJob } from './deriveJob'
import type { DerivedJob } from './derivedJob'
import { findPlan } from './findPlan'
import { legsOf } from './leg'
import { PlanRequest } from './planRequest'
import { guardHolds, SettingMoves } from './settingMoves'

/**
 * The soonest end of a job with its waits, by looking at every state there is in the order of time: one act or operation at a
 * time, waiting where a rule only asks for time. It knows nothing of the search, its bounds or its readings.
 */
function soonestWithWaits(job: DerivedJob, start: string, most: number): number | null {
  const { model, circumstances } = job
  const { house } = circumstances
  const legs = legsOf(job)
  const moves = new SettingMoves(job, legs.demands, legs.finish, asFoundState(model))
  const operations = [...legs.wayIn.operations.values(), ...legs.wayOut.operations.values()]
  const first = new Map(operations.map((operation) => [operation.key, new Set<string>()]))
  for (const edge of [...legs.wayIn.edges, ...legs.wayOut.edges]) if (first.has(edge.before)) first.get(edge.after)?.add(edge.before)
  for (const key of legs.wayOut.operations.keys()) for (const other of legs.wayIn.operations.keys()) first.get(key)!.add(other)
  type Moment = { atS: number; done: Set<string>; state: VehicleState; station: string; tool: string }
  const queue: Moment[][] = []
  const best = new Map<string, number>()
  const push = (moment: Moment) => {
    const battery = [...model.settings.values()].find((setting) => setting.role === 'battery')?.id ?? ''
    const off = moment.state.settings.get(battery) === 'off' ? Math.min(600, moment.atS - (moment.state.changedAtS.get(battery) ?? 0)) : ''
    const name = `${operations.map(({ key }) => (moment.done.has(key) ? 1 : 0)).join('')}|${moves.nameOf(moment.state.settings)}|${moment.station}|${moment.tool}|${off}`
    if ((best.get(name) ?? Infinity) <= moment.atS) return
    best.set(name, moment.atS)
    ;(queue[moment.atS] ??= []).push(moment)
  }
  push({ atS: 0, done: new Set(), state: asFoundState(model), station: start, tool: 'hand' })
  for (let atS = 0; atS < queue.length; atS++)
    for (const now of queue[atS] ?? []) {
      if (best.size > most) return null
      if (now.done.size === operations.length && [...legs.finish].every(([id, value]) => now.state.settings.get(id) === value)) return atS
      for (const move of moves.movesFrom(now.state.settings)) {
        if (!move.guards.every((guard) => guardHolds(guard, now.state))) continue
        for (const station of move.stations) {
          const spentS = moveS(house, now.station, station) + move.durationS
          push({ ...now, atS: atS + spentS, station, state: after(model, now.state, { act: 'set', itemId: move.settingId, setting: { settingId: move.settingId, from: move.from, to: move.to, methodId: move.methodId } }, spentS) })
        }
      }
      for (const operation of operations) {
        if (now.done.has(operation.key) || [...first.get(operation.key)!].some((key) => !now.done.has(key)) || !moves.allows(operation, now.state.settings, now.state)) continue
        const { stations, tool, workS } = demandsOf(job, operation)
        const setUpS = moveS(house, now.station, stations[0]!) + (tool === 'hand' || tool === now.tool ? 0 : house.toolChangeS)
        // A wait is judged as it is when the plan is run through: before the walk to the operation.
        let waitS = 0
        while (refusals(model, { ...now.state, nowS: now.state.nowS + waitS }, judged(job, operation), circumstances).length > 0) waitS += 1
        push({ atS: atS + waitS + setUpS + workS, done: new Set(now.done).add(operation.key), state: after(model, now.state, operation, waitS + setUpS + workS), station: stations[0]!, tool: tool === 'hand' ? now.tool : tool })
      }
    }
  return null
}

test('with a wait by the clock: never sooner than what looking at everything finds, and equal where it is called proven', () => {
  let [compared, proven, waiting] = [0, 0, 0]
  for (let seed = 1; seed <= 130 && compared < 5; seed++) {
    const document = randomProcedure(seed, { size: 1 + (seed % 2) })
    const model = forBuild(document, {})
    if (![...model.tethers.values()].some((tether) => tether.circuit === 'srs-firing')) continue
    const request = PlanRequest.parse({ goals: [{ kind: 'cavity', cavityId: 'cavity' }], build: {}, start: 'centre' })
    const found = findPlan(model, request, DEFAULT_HOUSE_VALUES)
    if (!found.ok || found.value.proof.choices > 1 || !found.value.steps.some(({ operation }) => operation.act === 'open' && model.tethers.get(operation.itemId)?.circuit === 'srs-firing')) continue
    const derived = deriveJob(model, { goals: request.goals, kits: [], endings: new Map() }, found.value.choices, whilePlanning(DEFAULT_HOUSE_VALUES))
    if (!derived.ok) continue
    const soonest = soonestWithWaits(derived.value, 'centre', 2_500)
    if (soonest === null) continue
    compared += 1
    const { totalS, gapS } = found.value.proof
    expect([seed, totalS >= soonest, soonest >= totalS - gapS - 1e-6]).toEqual([seed, true, true])
    if (found.value.proof.proven) proven += 1
    if (found.value.steps.some(({ operation }) => operation.act === 'wait')) waiting += 1
  }
  expect(compared).toBeGreaterThan(3)
  expect(waiting).toBeGreaterThan(2)
  process.stdout.write(`    ${compared} compared, ${proven} proven, ${waiting} with a wait\n`)
})
