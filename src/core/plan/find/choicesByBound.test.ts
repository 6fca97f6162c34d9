import { expect, test } from '@jest/globals'
import { seededRandom } from '../../base/random'
import type { ProcedureDocument } from '../../procedure/document'
import { forBuild } from '../../procedure/forBuild'
import { Need } from '../../procedure/need'
import { randomProcedure } from '../../procedure/randomProcedure.testing'
import { DEFAULT_HOUSE_VALUES } from '../../shop/houseValues'
import { Kit } from '../../shop/kit'
import { KitFit } from '../../shop/kitFit'
import { seeds } from '../../testing/seeds.testing'
import { withCavities } from '../../testing/withCavities.testing'
import { whilePlanning } from '../../vehicle/circumstances'
import { below, everyChoice } from '../ask/everyChoice.testing'
import { branches, nothingChosen } from '../ask/planChoices'
import { PlanRequest } from '../ask/planRequest'
import { goalFrom } from '../derive/liveStart'
import { leastWorkS } from '../derive/openedSoFar'
import { prepare } from './candidate'
import { ChoicesByBound, type ChoiceLimits } from './choicesByBound'
import { findPlan } from './findPlan'

const PLENTY: ChoiceLimits = { choices: 100_000, ordered: 100_000 }

/** A question with what the search is asked with. */
function asked(document: ProcedureDocument, more: object = {}, build: Record<string, string> = {}) {
  const goals = document.cavities.map(({ id }) => ({ kind: 'cavity' as const, cavityId: id }))
  const request = PlanRequest.parse({ goals, build, ...more })
  const [model, goal] = [forBuild(document, build), goalFrom(request, request.build, null)]
  const circumstances = whilePlanning(DEFAULT_HOUSE_VALUES)
  const nothing = nothingChosen(request.policy)
  const asking = { model, goal, circumstances, scope: request.scope, from: undefined }
  const candidate = (choice: typeof nothing) => prepare(model, request, goal, choice, circumstances, undefined)
  const search = (limits = PLENTY) => new ChoicesByBound(asking, nothing, candidate, limits)
  return { request, model, goal, asking, nothing, candidate, search }
}

/**
 * A drawn record with so many cavities, each opened in several ways by parts drawn anew. In every third the lever goes
 * by the ignition only where a part is off first.
 */
function drawn(seed: number, cavities: number, ways: number): ProcedureDocument {
  const document = randomProcedure(seed, { size: 7, facets: seed % 2 === 0 })
  const random = seededRandom(seed + 900)
  const levels = ['eased', 'free', 'off'] as const
  const like = document.cavities[0]!
  if (seed % 3 === 0)
    document.needs.push(
      Need.parse({
        id: 'behind',
        dependent: { act: 'method', id: 'by-ignition' },
        needs: { kind: 'part', partId: `p${random.below(7)}`, level: 'off' },
        reason: 'reaches',
      }),
    )
  document.cavities = Array.from({ length: cavities }, (_, c) => ({
    ...{ ...like, id: `cavity-${c}`, name: `Cavity ${c}` },
    openings: Array.from({ length: ways }, (_, o) => ({
      ...{ ...like.openings[0]!, id: `opening-${c}-${o}`, roomier: o === 1, savesS: o === 1 ? random.below(90) : 0 },
      parts: Array.from({ length: 1 + random.below(2) }, () => ({
        ...{ partId: `p${random.below(7)}`, level: levels[random.below(3)]! },
      })).filter(({ partId }, i, all) => all.findIndex((other) => other.partId === partId) === i),
    })),
  }))
  return document
}

const glue = (document: ProcedureDocument) => {
  const mounts = document.cavities.map(({ id }) => ({ id, name: 'Mount', tool: 'hand', durationS: 120 }))
  // What is prepared at the bench is no work of the search, and no bound may count it.
  const prepared = { id: 'prepare', name: 'Prepare', tool: 'hand', durationS: 900, station: 'bench' }
  const works = mounts.length < 40 ? [prepared, ...mounts.map((work) => ({ ...work, afterWork: ['prepare'] }))] : mounts
  const access = Object.fromEntries(mounts.map(({ id }) => [id, [{ kind: 'cavity', cavityId: id }]]))
  return { kit: Kit.parse({ id: 'k', name: 'Recorder', works }), fit: KitFit.parse({ procedureId: 'p', access }) }
}

test('no whole choice takes less work than the bound of any choice above it, with kits, without, for the way in alone, and with parts that go', () => {
  let [bounds, tight, above] = [0, 0, 0]
  for (let seed = 1; seed <= seeds(40); seed++) {
    const document = drawn(seed, 2, 3)
    const gone = { endings: { p0: 'scrapped', p1: 'scrapped', p2: 'scrapped' } }
    for (const more of [{}, { kits: [glue(document)] }, { scope: 'opened' }, gone]) {
      const { model, goal, asking, nothing, candidate } = asked(document, more)
      const walk = (choice: typeof nothing) => {
        const least = leastWorkS(asking, choice)
        const works = below(model, goal, choice).flatMap((whole) => {
          const prepared = candidate(whole)
          return prepared.ok ? [prepared.value.workS] : []
        })
        if (least !== null && works.length > 0) {
          expect([seed, least <= Math.min(...works) + 1e-9]).toEqual([seed, true])
          bounds += 1
          if (least > Math.min(...works) * 0.8) tight += 1
          if (least > 0) above += 1
        }
        branches(model, goal, choice)?.choices.forEach(walk)
      }
      walk(nothing)
    }
  }
  expect(bounds).toBeGreaterThan(seeds(40) * 15)
  // They say something: most are within a fifth of what they bound.
  expect([tight / bounds > 0.5, above / bounds > 0.8]).toEqual([true, true])
})

test('handed out: what the list of all choices holds, the least work first, of those that ask for the same one', () => {
  for (let seed = 1; seed <= seeds(40); seed++) {
    const { model, request, goal, candidate, search } = asked(drawn(seed, 3, 3))
    const works = everyChoice(model, request.policy, goal).flatMap((choice) => {
      const prepared = candidate(choice)
      return prepared.ok ? [prepared.value.workS] : []
    })
    const choices = search()
    const handed: number[] = []
    for (let next = choices.next(Infinity); next; next = choices.next(Infinity)) handed.push(next.workS)
    expect(handed).toEqual([...handed].sort((a, b) => a - b))
    expect([seed, new Set(handed)]).toEqual([seed, new Set(works)])
    expect(handed.length).toBeLessThanOrEqual(works.length)
  }
})

test('the plan of the search is as quick as the quickest of all choices, each planned by itself', () => {
  let [compared, proved] = [0, 0]
  for (let seed = 1; seed <= seeds(20); seed++) {
    const document = drawn(seed, 2, 2)
    const { request, model } = asked(document)
    const found = findPlan(model, request, DEFAULT_HOUSE_VALUES)
    const singly = everyChoice(model, request.policy, goalFrom(request, request.build, null)).flatMap(
      ({ openings, methods }) => {
        const alone = structuredClone(document)
        for (const cavity of alone.cavities)
          cavity.openings = cavity.openings.filter(({ id }) => id === openings[cavity.id])
        const policy = { ...request.policy, methods }
        const one = findPlan(forBuild(alone, {}), { ...request, policy }, DEFAULT_HOUSE_VALUES)
        return one.ok ? [one.value.proof] : []
      },
    )
    if (!found.ok || singly.some(({ proven }) => !proven)) continue
    // Two ways to move the lever that each ask for a part: taking both off was not looked at, and nothing is claimed.
    const { proven, allChoices, totalS } = found.value.proof
    expect([seed, proven]).toEqual([seed, allChoices])
    expect([seed, totalS]).toEqual([seed, Math.min(...singly.map((proof) => proof.totalS))])
    if (proven) proved += 1
    compared += 1
  }
  expect([compared > seeds(20) / 2, proved > seeds(20) / 3]).toEqual([true, true])
})

test('alike openings in eight, ten and forty cavities are one choice, also where a kit works in each', () => {
  const build = { gearbox: 'manual', steering: 'left', starter: 'key' }
  for (const cavities of [8, 10, 40]) {
    const dash = withCavities(cavities, 6)
    for (const kits of [[], [glue(dash)]]) {
      const choices = asked(dash, { kits }, build).search()
      expect(Object.keys(choices.next(Infinity)!.job.removal.choices.openings)).toHaveLength(cavities)
      expect([choices.next(Infinity), choices.whole, choices.all]).toEqual([null, 1, true])
    }
  }
})

test('sixty million ways that differ: one is reached at once, and what is left is bounded, not denied', () => {
  const build = { gearbox: 'manual', steering: 'left', starter: 'key' }
  const choices = asked(withCavities(10, 6, true), {}, build).search({ choices: 2_000, ordered: 2 })
  const [first, second] = [choices.next(Infinity)!, choices.next(Infinity)!]
  for (const { job } of [first, second]) expect(Object.keys(job.removal.choices.openings)).toHaveLength(10)
  // The first is the one straight down; from then on the least comes first.
  expect(second.workS).toBeLessThanOrEqual(first.workS)
  expect(choices.next(Infinity)).toBeNull()
  expect([choices.all, choices.whole < 100]).toEqual([true, true])
  // What is left is no cheaper than what was handed out in order.
  expect(choices.leastLeftS).toBeGreaterThanOrEqual(second.workS)
  // After so few choices only the way straight down is whole, and the bound of the rest is told.
  const few = asked(withCavities(10, 6, true), {}, build).search({ choices: 50, ordered: 2 })
  expect(few.next(Infinity)).not.toBeNull()
  expect(few.next(Infinity)).toBeNull()
  expect(few.leastLeftS).toBeLessThan(first.workS)
})

test('nothing below what is asked for: nothing is made ready that can’t be better', () => {
  const { search } = asked(drawn(4, 3, 3))
  const choices = search()
  const least = choices.next(Infinity)!.workS
  expect(choices.next(least)).toBeNull()
  expect(choices.leastLeftS).toBeGreaterThanOrEqual(least)
})
