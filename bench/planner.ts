// Times the planner: bin/bench planner. On any folder of bare instances: bin/bench planner --instances FOLDER --json
import { execSync } from 'node:child_process'
import { readdirSync, readFileSync } from 'node:fs'
import { cpus } from 'node:os'
import { join } from 'node:path'
import { parseArgs } from 'node:util'
import { seededRandom } from '@/core/base/random'
import { findPlan } from '@/core/plan/find/findPlan'
import { planJob } from '@/core/plan/planJob'
import { lanesOf } from '@/core/plan/lanes/lanesOf'
import type { LiveStart } from '@/core/plan/derive/liveStart'
import { PlanRequest } from '@/core/plan/ask/planRequest'
import { cheapestOrder, DEFAULT_LIMITS } from '@/core/sequence/cheapestOrder'
import { problemOf, SequencingInstance } from '@/core/sequence/instance'
import { asMixedInteger } from '@/core/sequence/mixedInteger.testing'
import { modelOfRequest } from '../src/core/plan/ask/modelOfRequest'
import { facetsThatMatter } from '../src/core/plan/derive/facetsThatMatter'
import { withKits } from '../src/core/shop/withKits'
import { demoKits } from '../src/demo/shopFacts'
import { forBuild, type ProcedureForBuild } from '@/core/procedure/forBuild'
import { randomProcedure } from '@/core/procedure/randomProcedure.testing'
import { DEFAULT_HOUSE_VALUES } from '@/core/shop/houseValues'
import { Kit } from '@/core/shop/kit'
import type { KitFit } from '@/core/shop/kitFit'
import { after, asFoundState } from '@/core/vehicle/vehicleState'
import { panelVan } from '@/demo/panelVan'
import { patrolMotorcycle } from '@/demo/patrolMotorcycle'
import { roadWorksPickup } from '@/demo/roadWorksPickup'
import { smallBus } from '@/demo/smallBus'
import type { ProcedureDocument } from '@/core/procedure/document'

const { values } = parseArgs({
  options: { instances: { type: 'string' }, json: { type: 'boolean' }, highs: { type: 'boolean' } },
})
const folder = values.instances ?? join(process.cwd(), 'bench/instances')

type Timed<T> = { answer: T; ms: number }
function timed<T>(run: () => T): Timed<T> {
  const at = performance.now()
  const answer = run()
  return { answer, ms: performance.now() - at }
}
const sorted = (list: readonly number[]) => [...list].sort((a, b) => a - b)
const quantile = (list: readonly number[], q: number) =>
  sorted(list)[Math.min(list.length - 1, Math.floor(q * list.length))] ?? NaN
const ms = (value: number) => value.toFixed(value < 10 ? 1 : 0)
const memoryMb = () => Math.round(process.memoryUsage().heapUsed / 1e6)

function readInstances(): SequencingInstance[] {
  return readdirSync(folder)
    .filter((file) => file.endsWith('.json'))
    .map((file) => SequencingInstance.parse(JSON.parse(readFileSync(join(folder, file), 'utf8'))))
}

/** Median of three runs of each instance, after one to warm up. */
function bareInstances(): void {
  const instances = readInstances()
  if (!values.json)
    console.log(
      '| instance | set-up, s | bound, s | proven | first order after, ms | median of 3, ms | expanded |\n|---|---|---|---|---|---|---|',
    )
  for (const instance of instances) {
    const problem = problemOf(instance)
    if (!values.json) cheapestOrder(problem)
    const runs = Array.from({ length: values.json ? 1 : 3 }, () => timed(() => cheapestOrder(problem)))
    const { answer } = runs[0]!
    let firstMs = Infinity
    const at = performance.now()
    cheapestOrder(problem, [], {
      ...DEFAULT_LIMITS,
      onBetter: () => (firstMs = Math.min(firstMs, performance.now() - at)),
    })
    if (answer.kind !== 'order') throw new Error(`${instance.name}: ${answer.kind}`)
    const line = {
      name: instance.name,
      setUpS: answer.setUpMs / 1000,
      boundS: answer.boundMs / 1000,
      proven: answer.proven,
      firstMs,
      ms: quantile(
        runs.map((run) => run.ms),
        0.5,
      ),
      expanded: answer.expanded,
    }
    if (values.json) console.log(JSON.stringify(line))
    else
      console.log(
        `| ${line.name} | ${line.setUpS} | ${line.boundS} | ${line.proven ? 'yes' : 'no'} | ${ms(line.firstMs)} | ${ms(line.ms)} | ${line.expanded} |`,
      )
  }
}

/** The same small instances with a general mixed-integer solver, in the same run. */
async function besideHighs(): Promise<void> {
  const { default: loadHighs } = await import('highs')
  const highs = await loadHighs()
  console.log('\n| instance | this planner, ms | HiGHS, s | times faster, at least |\n|---|---|---|---|')
  for (const instance of readInstances().filter((item) => item.ops.length <= 25)) {
    const problem = problemOf(instance)
    cheapestOrder(problem)
    const own = timed(() => cheapestOrder(problem))
    const other = timed(() => highs.solve(asMixedInteger(problem), { time_limit: 60 }))
    const solved = other.answer.Status === 'Optimal'
    console.log(
      `| ${instance.name} | ${ms(own.ms)} | ${(other.ms / 1000).toFixed(1)}${solved ? '' : ' (no proof within 60 s)'} | ${Math.floor(other.ms / own.ms)} |`,
    )
  }
}

type Row = { ms: number; proven: boolean; gapS: number; totalS: number; inOps: number; allOps: number; waits: boolean }

function plan(model: ProcedureForBuild, request: object, from?: LiveStart): Row | null {
  const { answer, ms } = timed(() =>
    findPlan(
      model,
      PlanRequest.parse({ build: model.build, ...request }),
      DEFAULT_HOUSE_VALUES,
      undefined,
      from && { from },
    ),
  )
  if (!answer.ok) return null
  const { steps, proof } = answer.value
  const count = (phase: string) =>
    steps.filter(({ operation }) => operation.phase === phase && !operation.setting).length
  return {
    ms,
    proven: proof.proven,
    gapS: proof.gapS,
    totalS: proof.totalS,
    inOps: count('in'),
    allOps: steps.filter(({ operation }) => !operation.setting).length,
    waits: steps.some(
      ({ operation }) =>
        operation.act === 'wait' ||
        (operation.act === 'open' && model.tethers.get(operation.itemId)?.circuit === 'srs-firing'),
    ),
  }
}

function report(what: string, rows: readonly Row[], wanted: string): void {
  const times = rows.map((row) => row.ms)
  const unproven = rows.filter((row) => !row.proven)
  const gap =
    unproven.length === 0
      ? ''
      : `${Math.round(
          quantile(
            unproven.map((row) => row.gapS),
            0.5,
          ),
        )} / ${Math.round(Math.max(...unproven.map((row) => row.gapS)))}`
  console.log(
    `| ${what} | ${rows.length} | ${ms(quantile(times, 0.5))} | ${ms(quantile(times, 0.95))} | ${ms(Math.max(...times))} | ${rows.length - unproven.length} of ${rows.length} | ${gap} | ${wanted} |`,
  )
}

const CAVITY = { kind: 'cavity', cavityId: 'cavity' } as const
const HEAD =
  '| what | plans | median, ms | p95, ms | worst, ms | proven | gap where not, s (median / most) | wanted |\n|---|---|---|---|---|---|---|---|'

/**
 * Whole plans of seeded records of 12 to 45 panels: every choice, both ways. Those with a wait by the clock stand
 * apart.
 */
function wholePlans(): void {
  console.log(`\n${HEAD}`)
  const rows: Row[] = []
  const replans: Row[] = []
  for (const [size, seeds] of [
    [12, 24],
    [16, 24],
    [20, 24],
    [25, 24],
    [30, 24],
    [45, 40],
  ] as const)
    for (let seed = 1; seed <= seeds; seed++) {
      const model = forBuild(randomProcedure(seed, { size }), {})
      const row = plan(model, { goals: [CAVITY] })
      if (!row) continue
      rows.push(row)
      const again = replan(model, seed)
      if (again) replans.push(again)
    }
  const dry = rows.filter((row) => !row.waits)
  report(
    'seeded records, up to 60 operations in',
    dry.filter((row) => row.inOps <= 60),
    'median 150, worst 1,000, all proven',
  )
  report(
    'seeded records, 61 to 90 operations in',
    dry.filter((row) => row.inOps > 60),
    'worst 2,000',
  )
  const wet = rows.filter((row) => row.waits)
  report(
    'with a firing circuit, whose wait runs by the clock, up to 60',
    wet.filter((row) => row.inOps <= 60),
    'worst 1,000',
  )
  report(
    'with a firing circuit, 61 to 90',
    wet.filter((row) => row.inOps > 60 && row.inOps <= 90),
    'worst 2,000',
  )
  report(
    'with a firing circuit, 91 and more',
    wet.filter((row) => row.inOps > 90),
    '',
  )
  report(
    'the rest, from half-way',
    replans.filter((row) => !row.waits),
    'below 300',
  )
  report(
    'the rest, from half-way, firing circuit ahead',
    replans.filter((row) => row.waits),
    'below 300',
  )
}

/** From the middle of the quickest order, as a live job would ask. */
function replan(model: ProcedureForBuild, seed: number): Row | null {
  const found = findPlan(model, PlanRequest.parse({ goals: [CAVITY], build: {} }), DEFAULT_HOUSE_VALUES)
  if (!found.ok) return null
  const { steps } = found.value
  const count = Math.floor(steps.length * (0.2 + 0.6 * seededRandom(seed).next()))
  const done = steps.slice(0, count)
  let state = asFoundState(model)
  for (const step of done) state = after(model, state, step.operation, step.workS + step.setUpS)
  const of = (act: string) =>
    new Set(done.flatMap(({ operation }) => (operation.act === act ? [operation.itemId] : [])))
  const last = done.at(-1)
  if (!last) return null
  const from: LiveStart = {
    state,
    standing: { station: last.station, tool: done.findLast((step) => step.tool !== 'hand')?.tool ?? null },
    reached: steps.slice(count).every(({ operation }) => operation.phase !== 'in'),
    worksDone: new Map(),
    testsPassed: of('test'),
    ledThrough: of('feed'),
    setCount: new Map(),
  }
  return plan(model, { goals: [CAVITY] }, from)
}

/** A bracket that sets for ten minutes before anything is mounted on it or closed over it. */
function gluedBracket(cavityId: string): { kit: Kit; fit: KitFit } {
  const kit = Kit.parse({
    id: 'glue',
    name: 'Bracket',
    works: [
      { id: 'bracket', name: 'Glue the bracket', kind: 'glue', tool: 'adhesive', durationS: 90, unattendedS: 600 },
      { id: 'mount', name: 'Mount', tool: 'hex 7', durationS: 60, afterWork: ['bracket'] },
    ],
  })
  const access = [{ kind: 'cavity' as const, cavityId }]
  return {
    kit,
    fit: {
      procedureId: 'any',
      access: { bracket: access, mount: access },
      stations: {},
      endings: [],
      functionsChanged: [],
    },
  }
}

/** Every demo procedure, every pair of goals, every build; and a comparison of two policies. */
function demoPlans(): void {
  const rows: Row[] = []
  const compared: Row[] = []
  const glued: Row[] = []
  for (const make of [panelVan, patrolMotorcycle, roadWorksPickup, smallBus]) {
    const document = make()
    for (const build of buildsOf(document)) {
      const model = forBuild(document, build)
      const cavities = [...model.cavities.keys()]
      for (const cavityId of cavities) {
        const row = plan(model, { kits: [gluedBracket(cavityId)] })
        if (row) glued.push(row)
      }
      for (const [i, a] of cavities.entries())
        for (const b of cavities.slice(i)) {
          const goals = [...new Set([a, b])].map((cavityId) => ({ kind: 'cavity', cavityId }))
          const row = plan(model, { goals })
          if (row) rows.push(row)
          const habit = row && plan(model, { goals, policy: { habit: 'panel by panel' } })
          if (row && habit) compared.push({ ...habit, ms: row.ms + habit.ms })
        }
    }
  }
  report(
    'demo procedures, every pair of goals, every build',
    rows.filter((row) => !row.waits),
    'median 100',
  )
  report(
    'demo procedures, with a firing circuit',
    rows.filter((row) => row.waits),
    'median 100',
  )
  report('demo procedures, a bracket glued behind each cavity, every build', glued, '')
  report('the same beside "panel by panel", both together', compared, 'below 1,000')
}

/** Each kit of the demo on each model it meets, every build that anything of the job differs by. */
function kitPlans(): void {
  const models = { van: panelVan(), moto: patrolMotorcycle(), pickup: roadWorksPickup(), bus: smallBus() }
  const rows: Row[] = []
  for (const kit of demoKits({ van: 'van', moto: 'moto', pickup: 'pickup', bus: 'bus' }))
    for (const fit of kit.fits) {
      const document = models[fit.procedureId as keyof typeof models]
      const asked = PlanRequest.parse({ kits: [{ kit, fit }], build: {} })
      const matter = facetsThatMatter(document, asked, {})
      const whole = withKits(document, asked.kits)
      for (const build of buildsOf({ ...whole, facets: whole.facets.filter(({ id }) => matter.includes(id)) })) {
        const request = { ...asked, build }
        const row = plan(modelOfRequest(document, request), request)
        if (row) rows.push(row)
      }
    }
  report('kits of the demo on their models, every build', rows, 'median 100')
}

/** The way in of seeded records for two, by the number of its operations. */
function lanesForTwo(): void {
  console.log(
    '\n| two people, the way in | ways | median, ms | worst, ms | proven | gap, % (median / most) | wanted |\n|---|---|---|---|---|---|---|',
  )
  const rows: { operations: number; ms: number; proven: boolean; gap: number }[] = []
  for (const [size, seeds] of [
    [4, 20],
    [8, 20],
    [14, 16],
    [20, 16],
    [30, 12],
  ] as const)
    for (let seed = 1; seed <= seeds; seed++) {
      const found = planJob(
        forBuild(randomProcedure(seed, { size }), {}),
        PlanRequest.parse({ goals: [CAVITY], build: {}, start: 'centre', scope: 'opened' }),
        DEFAULT_HOUSE_VALUES,
      )
      if (!found.ok) continue
      const { answer, ms } = timed(() => lanesOf(found.value, ['centre', 'driver side']))
      if (answer.ok)
        rows.push({
          operations: found.value.removal.operations.size,
          ms,
          proven: answer.value.wayIn.proven,
          gap: 100 * (answer.value.wayIn.makespanS / answer.value.wayIn.boundS - 1),
        })
    }
  for (const [from, to, wanted] of [
    [1, 12, 'all proven'],
    [13, 20, 'mostly proven'],
    [21, 40, ''],
    [41, 70, 'gap at most 15 % within 1,000 ms'],
    [71, 200, ''],
  ] as const) {
    const group = rows.filter((row) => row.operations >= from && row.operations <= to)
    if (group.length === 0) continue
    console.log(
      `| ${from} to ${to} operations | ${group.length} | ${ms(
        quantile(
          group.map((row) => row.ms),
          0.5,
        ),
      )} | ${ms(Math.max(...group.map((row) => row.ms)))} | ${group.filter((row) => row.proven).length} of ${group.length} | ${quantile(
        group.map((row) => row.gap),
        0.5,
      ).toFixed(1)} / ${Math.max(...group.map((row) => row.gap)).toFixed(1)} | ${wanted} |`,
    )
  }
}

function buildsOf(document: ProcedureDocument): Record<string, string>[] {
  return document.facets.reduce<Record<string, string>[]>(
    (builds, facet) => builds.flatMap((build) => facet.choices.map((choice) => ({ ...build, [facet.id]: choice.id }))),
    [{}],
  )
}

if (!values.json)
  console.log(
    `${cpus()[0]?.model}, ${cpus().length} cores, Node ${process.version}, ${new Date().toISOString().slice(0, 10)}, commit ${execSync('git rev-parse --short HEAD').toString().trim()}\n`,
  )
bareInstances()
if (!values.json) {
  wholePlans()
  demoPlans()
  kitPlans()
  lanesForTwo()
  if (values.highs) await besideHighs()
  console.log(`\nHeap at the end: ${memoryMb()} MB.`)
}
