import { EVENT_VERSION } from '../src/core/job/eventVersion'
// Times the fold of a long log and plans from where a job stands: bin/bench following
import { cpus } from 'node:os'
import { panelVan } from '../src/demo/panelVan'
import { patrolMotorcycle } from '../src/demo/patrolMotorcycle'
import { roadWorksPickup } from '../src/demo/roadWorksPickup'
import { smallBus } from '../src/demo/smallBus'
import { JobEvent, type Happening } from '../src/core/job/event'
import { foldJob } from '../src/core/job/fold'
import { liveVehicle } from '../src/core/job/liveVehicle'
import { happeningsFor } from '../src/core/job/progress'
import { liveStartOf, replan } from '../src/core/job/replan'
import { nextStamp } from '../src/core/base/clock'
import type { Stamp } from '../src/core/base/stamp'
import { planJob } from '../src/core/plan/planJob'
import { PlanRequest } from '../src/core/plan/ask/planRequest'
import { forBuild } from '../src/core/procedure/forBuild'
import { DEFAULT_HOUSE_VALUES } from '../src/core/shop/houseValues'
import { rulesInForce } from '../src/core/vehicle/rulesInForce'
import { largeRecord } from './largeRecord'

const ID = '00000000-0000-4000-8000-0000000000a1'
const median = (list: number[]) => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)]!
const ms = (value: number) => (value < 10 ? value.toFixed(1) : value.toFixed(0))

class Log {
  readonly events: JobEvent[] = []
  private at: Stamp | null = null
  private nowMs = 1_764_000_000_000
  add(what: Happening): void {
    this.nowMs += 500
    this.at = nextStamp(this.at, this.nowMs)
    const n = this.events.length
    this.events.push({
      id: `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`,
      jobId: ID,
      v: EVENT_VERSION,
      deviceId: ID,
      seq: n,
      at: this.at,
      personId: ID,
      certainty: 'counted',
      corrects: null,
      what,
    })
  }
}

function foldFigures(): void {
  const document = largeRecord(60)
  const log = new Log()
  while (log.events.length < 100_000)
    for (const holder of document.holders) {
      log.add({ kind: 'undone', holderId: holder.id, count: holder.count })
      log.add({ kind: 'part at', partId: holder.holds[0]!, level: 'free' })
      log.add({ kind: 'fastened', holderId: holder.id, count: holder.count, stage: 'final' })
      log.add({ kind: 'part at', partId: holder.holds[0]!, level: 'in place' })
    }
  const events = log.events.slice(0, 100_000)
  const shuffled = [...events].sort((a, b) => (a.id.slice(-3) < b.id.slice(-3) ? -1 : 1))
  for (const [name, list] of [
    ['in order of the log', events],
    ['as they arrived from several tablets', shuffled],
  ] as const) {
    const times = Array.from({ length: 9 }, () => {
      const began = performance.now()
      foldJob(document, list)
      return performance.now() - began
    })
    console.log(
      `fold of 100,000 events, ${name}: median ${ms(median(times))} ms, slowest ${ms(Math.max(...times))} ms (wanted below 200)`,
    )
  }
}

function replanFigures(): void {
  const rules = rulesInForce()
  const times: number[] = []
  for (const [document, build] of [
    [panelVan(), { gearbox: 'automatic', starter: 'key', steering: 'left' }],
    [patrolMotorcycle(), { radio: 'no-box', windscreen: 'electric' }],
    [roadWorksPickup(), { 'beacon-switches': 'fitted', cab: 'single' }],
    [smallBus(), { 'sign-kind': 'led', gearbox: 'automatic' }],
  ] as const) {
    const model = forBuild(document, build)
    for (const cavity of document.cavities) {
      const request = PlanRequest.parse({ goals: [{ kind: 'cavity', cavityId: cavity.id }], build })
      const plan = planJob(model, request, DEFAULT_HOUSE_VALUES)
      if (!plan.ok) continue
      const steps = [...plan.value.wayIn, ...plan.value.wayOut].flatMap((card) => card.steps)
      for (const share of [0.2, 0.5, 0.8]) {
        const log = new Log()
        for (const step of steps.slice(0, Math.round(steps.length * share)))
          for (const what of happeningsFor(foldJob(document, log.events), step.operation)) log.add(what)
        const state = foldJob(document, log.events)
        const began = performance.now()
        const result = replan(
          model,
          request,
          DEFAULT_HOUSE_VALUES,
          rules,
          state,
          liveStartOf(plan.value, state, liveVehicle(model, state, 1_764_000_100_000)),
          plan.value,
        )
        if (result.ok) times.push(performance.now() - began)
      }
    }
  }
  times.sort((a, b) => a - b)
  console.log(
    `plan from where a demo job stands: ${times.length} plans, median ${ms(median(times))} ms, p95 ${ms(times[Math.floor(times.length * 0.95)]!)} ms, slowest ${ms(times.at(-1)!)} ms (wanted below 1,000)`,
  )
}

console.log(`${cpus()[0]?.model}, ${cpus().length} cores, Node ${process.version}`)
foldFigures()
replanFigures()
