// Times the model on a 300-part record: bin/bench model. Prints the figures that docs/benchmarks.md keeps.
import { cpus } from 'node:os'
import { forBuild } from '@/core/procedure/forBuild'
import { everythingOff, largeRecord } from './largeRecord'
import { deriveRemoval } from '@/core/order/deriveRemoval'
import { checkRecord } from '@/core/plan/check/checkRecord'
import { deriveJob } from '@/core/plan/derive/deriveJob'
import { judged } from '@/core/plan/derive/demandsOf'
import { planJob, PlanRequest } from '@/core/plan/planJob'
import { DEFAULT_HOUSE_VALUES } from '@/core/shop/houseValues'
import { whilePlanning } from '@/core/vehicle/circumstances'
import { askedByRules } from '@/core/vehicle/judge'
import { simulate } from '@/core/vehicle/simulate'
import { asFoundState } from '@/core/vehicle/vehicleState'

const ROUNDS = 40
const circumstances = whilePlanning(DEFAULT_HOUSE_VALUES)

/** Milliseconds of each round after ten to warm up, sorted. */
function timed(run: () => void): { median: number; p95: number; first: number } {
  const begin = performance.now()
  run()
  const first = performance.now() - begin
  for (let i = 0; i < 10; i++) run()
  const times = Array.from({ length: ROUNDS }, () => {
    const at = performance.now()
    run()
    return performance.now() - at
  }).sort((a, b) => a - b)
  return { median: times[ROUNDS >> 1]!, p95: times[Math.floor(ROUNDS * 0.95)]!, first }
}

function row(what: string, times: ReturnType<typeof timed>, limitMs: number): void {
  console.log(
    `| ${what} | ${times.first.toFixed(1)} | ${times.median.toFixed(1)} | ${times.p95.toFixed(1)} | ${Number.isNaN(limitMs) ? '' : limitMs} |`,
  )
}

const document = largeRecord(300)
const build = Object.fromEntries(document.facets.map((facet) => [facet.id, facet.choices[0]!.id]))
const model = forBuild(document, build)
const derived = deriveJob(
  model,
  { goals: everythingOff(document), kits: [], endings: new Map() },
  { openings: {}, methods: {}, resting: 'rest' },
  circumstances,
)
if (!derived.ok) throw new Error(`The large record has no order: ${derived.error.kind}.`)
const { removal, refit } = derived.value
console.log(
  `${cpus()[0]?.model}, ${cpus().length} cores, Node ${process.version}, ${new Date().toISOString().slice(0, 10)}`,
)
console.log(
  `Record: ${document.parts.length} parts, ${document.holders.length} fastener groups, ${document.tethers.length} tethers, ${document.needs.length} needs, ${document.facets.length} facets. Everything off: ${removal.operations.size} operations in, ${refit.operations.size} after.`,
)
console.log('\n| what | first, ms | median, ms | p95, ms | wanted below, ms |\n|---|---|---|---|---|')
row(
  'derivation of the way in, all 300 parts off',
  timed(() =>
    deriveRemoval(
      model,
      everythingOff(document),
      { openings: {}, methods: {}, resting: 'rest' },
      askedByRules(model, circumstances),
    ),
  ),
  20,
)
row(
  'derivation of the whole job, all 300 parts off',
  timed(() =>
    deriveJob(
      model,
      { goals: everythingOff(document), kits: [], endings: new Map() },
      { openings: {}, methods: {}, resting: 'rest' },
      circumstances,
    ),
  ),
  20,
)
const untold = forBuild(document, {})
row(
  'derivation for one cavity',
  timed(() =>
    deriveJob(
      model,
      { goals: [{ kind: 'cavity', cavityId: 'cavity' }], kits: [], endings: new Map() },
      { openings: {}, methods: {}, resting: 'rest' },
      circumstances,
    ),
  ),
  20,
)
row(
  'everything off, with three facets not told yet',
  timed(() =>
    deriveJob(
      untold,
      { goals: everythingOff(document), kits: [], endings: new Map() },
      { openings: {}, methods: {}, resting: 'rest' },
      circumstances,
    ),
  ),
  NaN,
)
row(
  'check of the record, all builds',
  timed(() => checkRecord(document, circumstances)),
  50,
)

const dash = forBuild(largeRecord(40, 4), {})
const plan = planJob(
  dash,
  PlanRequest.parse({ goals: everythingOff(dash.document).slice(-12), build: {} }),
  DEFAULT_HOUSE_VALUES,
)
if (!plan.ok) throw new Error(`The dash has no order: ${plan.error.kind}.`)
const acts = [...plan.value.wayIn, ...plan.value.wayOut]
  .flatMap((card) => card.steps)
  .map((step) => ({
    operation: step.operation,
    judged: judged(plan.value.job, step.operation),
    tookS: step.workS + step.setUpS,
  }))
row(
  `simulation of a whole job (${acts.length} acts)`,
  timed(() => simulate(dash, asFoundState(dash), acts, circumstances)),
  10,
)
