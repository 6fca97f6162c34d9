import { readdirSync, readFileSync } from 'node:fs'
import { describe, expect, test } from '@jest/globals'
import { z } from 'zod'
import { seeds } from '../testing/seeds.testing'
import { costOfRuns, EveryLayout } from './everyLayout.testing'
import { layLeads } from './layLeads'
import { LAYOUT_LIMITS, LayoutProblem } from './problem'
import { LIKELY, randomLayout, SMALL } from './randomLayout.testing'

const FOLDER = 'bench/leads'
const optima = z
  .record(z.string(), z.union([z.object({ none: z.literal(true) }), z.object({ costMs: z.number() })]))
  .parse(JSON.parse(readFileSync(`${FOLDER}/optima.json`, 'utf8')))
const instance = (name: string) => LayoutProblem.parse(JSON.parse(readFileSync(`${FOLDER}/${name}.json`, 'utf8')))

describe('every proven optimum is matched, and proved again', () => {
  test('all that lie there are known', () => {
    const files = readdirSync(FOLDER).filter((file) => file.endsWith('.json') && file !== 'optima.json')
    expect(files.map((file) => file.replace('.json', '')).sort()).toEqual(Object.keys(optima).sort())
  })
  test.each(Object.entries(optima))('%s', (name, known) => {
    const problem = instance(name)
    const found = layLeads(problem)
    expect(found.proven).toBe(true)
    if ('none' in known) return expect(found.kind).toBe('none')
    if (found.kind === 'none') throw new Error('A layout was not found.')
    expect([found.costMs, found.boundMs]).toEqual([known.costMs, known.costMs])
    expect(costOfRuns(problem, found.runs)).toBe(known.costMs)
  })
})

// Written apart from the search: every path of every lead, every combination.
test('2,000 small problems: as cheap as the cheapest of all combinations, or none where there is none', () => {
  let [none, shared, limited] = [0, 0, 0]
  for (let seed = 1; seed <= seeds(2000); seed++) {
    const problem = randomLayout(seed, { ...SMALL, leads: 1 + (seed % 3) })
    const found = layLeads(problem)
    const every = new EveryLayout(problem)
    const best = every.cheapest()
    const cost = found.kind === 'none' ? null : costOfRuns(problem, found.runs)
    expect([seed, found.proven, cost]).toEqual([seed, true, best])
    if (found.kind === 'runs') expect([found.costMs, found.boundMs]).toEqual([cost, cost])
    const [free, alone] = [every.cheapest('left out'), every.eachAlone()]
    none += best === null ? 1 : 0
    limited += free !== null && free !== best ? 1 : 0
    shared += free !== null && alone !== null && free < alone ? 1 : 0
  }
  // Each kind of difficulty comes up often enough for the comparison to mean something.
  for (const met of [none, shared, limited]) expect(met).toBeGreaterThan(seeds(2000) / 40)
})

test('more units than a word has bits change nothing: 31, 32, 33, 63, 64 and 65 of them', () => {
  for (const units of [31, 32, 33, 63, 64, 65]) {
    const problem = randomLayout(units, { ...SMALL, units })
    const found = layLeads(problem)
    const cost = found.kind === 'none' ? null : found.costMs
    expect([units, cost]).toEqual([units, new EveryLayout(problem).cheapest()])
  }
})

test('where the limits end the search the bound is still a bound, and nothing is called proven', () => {
  let unproven = 0
  for (let seed = 1; seed <= seeds(24); seed++) {
    const problem = randomLayout(seed, { ...LIKELY, apart: 0.15 })
    const whole = layLeads(problem)
    const short = layLeads(problem, { ...LAYOUT_LIMITS, atFirst: 1, listed: 2, bounds: 1 })
    if (whole.kind === 'none' || short.kind === 'none') continue
    expect(short.boundMs).toBeLessThanOrEqual(whole.costMs)
    expect(short.costMs).toBeGreaterThanOrEqual(whole.costMs)
    expect(costOfRuns(problem, short.runs)).toBe(short.costMs)
    unproven += short.proven ? 0 : 1
    if (short.proven) expect(short.costMs).toBe(whole.costMs)
  }
  expect(unproven).toBeGreaterThan(0)
})

test('a lead without a run of its own is named; of those that only can’t lie together none is', () => {
  const arc = { a: 0, b: 1, way: 0, layMs: 1000, mm: 100, units: [], pass: 3 }
  const lead = { from: [0], to: [1], mostMm: null, area: 9, arcs: [arc] }
  const base = { points: 3, ways: 1, unitMs: [] }
  const of = (more: object) => layLeads(LayoutProblem.parse({ ...base, ...more }))
  expect(of({ leads: [lead, { ...lead, to: [2] }] })).toEqual({ kind: 'none', lead: 1, proven: true })
  const apart = { leads: [lead, lead], aparts: [{ way: 0, leads: [0, 1] }] }
  expect(of(apart)).toEqual({ kind: 'none', lead: null, proven: true })
  expect(of({ ...apart, aparts: [] })).toMatchObject({ kind: 'runs', costMs: 2000 })
})

test('a lead that is extended earns its length once: an arc of its own, directed', () => {
  const way = { a: 1, b: 2, way: 0, layMs: 1000, mm: 500, units: [], pass: 3 }
  const extension = { a: 0, b: 1, way: 1, layMs: 60_000, mm: -300, units: [], pass: 3, directed: true }
  const lead = { from: [0, 1], to: [2], mostMm: 400, area: 9, arcs: [way, extension] }
  const problem = LayoutProblem.parse({ points: 3, ways: 2, unitMs: [], leads: [lead] })
  expect(layLeads(problem)).toMatchObject({ kind: 'runs', costMs: 61_000, runs: [{ points: [0, 1, 2], arcs: [1, 0] }] })
  const long = { ...problem, leads: [{ ...problem.leads[0]!, mostMm: 500 }] }
  expect(layLeads(long)).toMatchObject({ costMs: 1000, runs: [{ points: [1, 2] }] })
})
