import { wallMsOf } from '@/core/base/clock'
import { balanceOf } from '@/core/job/balance'
import type { JobEvent } from '@/core/job/event'
import { foldJob, levelNow } from '@/core/job/fold'
import { nextTap } from '@/core/job/progress'
import { termsOf } from '@/core/job/terms'
import { uRows, type URow } from '@/core/job/uRows'
import type { FoundPlan } from '@/core/plan/find/foundPlan'
import { keptPlan } from '@/core/plan/keptPlan'
import type { PlanRequest } from '@/core/plan/ask/planRequest'
import type { ProcedureDocument } from '@/core/procedure/document'
import { forPuttingBack } from '@/core/strip/putBack'
import { modelNow } from '@/core/job/modelNow'
import type { ProcedureForBuild } from '@/core/procedure/forBuild'
import type { HouseValues } from '@/core/shop/houseValues'
import { liveCircumstances, liveVehicle } from '@/core/job/liveVehicle'
import { powerGate, type GateAnswer } from '@/core/vehicle/powerGate'
import type { ShopRules } from '@/core/vehicle/rule'
import { rulesInForce } from '@/core/vehicle/rulesInForce'
import { isAirbagCircuit } from '@/core/procedure/circuits'
import { shapeOf, type MarkShape } from '../marks/FastenerMark'
import { forbidsWords } from '@/words/balanceWords'
import { holderKindWords, itemWords, ownerWords } from '@/words/items'
import { stepWords } from '@/words/operations'
import { cardNameIn, goalWords } from '@/words/modelNames'

/** A job as Today shows it: how deep, what is next, and what is left open that matters. */
export type BayJob = {
  id: string
  label: string
  bay: string
  title: string
  promisedAt: Date | null
  late: boolean
  begun: boolean
  lastPersonId: string | null
  next: { title: string; where: string }
  model: ProcedureForBuild
  rows: URow[]
  reached: boolean
  goals: string[]
  power: { allowed: boolean; words: string }
  /** A strip that is still coming apart: what it has told so far. Its way is shown by no plan. */
  strip: { facts: number; out: string[] } | null
  href: string
  open: { kind: 'airbag' | 'holder' | 'tether'; words: string; shape: MarkShape | null }[]
  sinceMs: number | null
  paused: { reason: string; until: string } | null
  /** What it waits for from a shelf or a supplier. */
  awaited: { words: string; count: number }[]
}

type Source = {
  id: string
  title: string
  bay: string
  promisedAt: Date | null
  vehicle: { label: string }
  kind: 'job' | 'strip'
  request: PlanRequest | null
  found: FoundPlan | null
  document: ProcedureDocument
  events: JobEvent[]
}

/** Null when the job's plan no longer comes out of its record; its own page says why. */
export function bayJob(job: Source, house: HouseValues, shopRules: ShopRules): BayJob | null {
  const state = foldJob(job.document, job.events)
  const model = modelNow(
    job.kind === 'strip' ? forPuttingBack(job.document, job.events) : job.document,
    job.request,
    state,
  )
  const rules = rulesInForce(shopRules)
  const result = job.request && keptPlan(model, job.request, house, rules, job.found)
  const plan = result?.ok ? result.value : null
  if (!plan && job.kind === 'job') return null
  const tap = plan && nextTap(plan, state)
  const rows = plan ? uRows(plan, state) : []
  const gate = powerGate(
    model,
    liveVehicle(model, state, Date.now()),
    liveCircumstances(model, state, house, rules, { id: '', authorised: [] }),
  )
  const forbid = (answer: GateAnswer) => forbidsWords(job.document, answer.forbiddenBy[0]!, state.settings)
  const openRows = balanceOf(job.document, state, termsOf(job.document, job.request)).openRows
  const open = openRows.flatMap((row): BayJob['open'] => {
    if (row.account === 'tether') {
      const airbag = isAirbagCircuit(job.document.tethers.find((tether) => tether.id === row.id)!)
      return [
        { kind: airbag ? 'airbag' : 'tether', words: `${itemWords(job.document, row.id)} plug open`, shape: null },
      ]
    }
    if (row.account !== 'holder') return []
    const holder = job.document.holders.find((item) => item.id === row.id)!
    return [
      {
        kind: 'holder',
        words: `${row.out - row.back} ${holderKindWords(holder)} ${holder.holds.length > 0 ? `of the ${ownerWords(job.document, holder).toLowerCase()} out` : 'out, a loose end'}`,
        shape: shapeOf(holder),
      },
    ]
  })
  return {
    id: job.id,
    label: job.vehicle.label,
    bay: job.bay,
    title: job.title,
    promisedAt: job.promisedAt,
    late: job.promisedAt !== null && job.promisedAt.getTime() < Date.now(),
    begun: state.history.length > 0,
    lastPersonId: state.history.at(-1)?.personId ?? null,
    strip: plan
      ? null
      : {
          facts: state.history.reduce((sum, { what }) => sum + (what.kind === 'stated' ? what.edits.length : 0), 0),
          out: job.document.parts.filter((part) => levelNow(state, part.id) !== 'in place').map((part) => part.name),
        },
    href: plan ? `/jobs/${job.id}` : `/jobs/${job.id}/record`,
    next: !plan
      ? { title: 'Record what comes off', where: job.request ? 'the record gives no order yet' : '' }
      : tap
        ? { title: stepWords(model, tap.step.operation).title, where: cardNameIn(model, tap.card) }
        : { title: openRows.length > 0 ? 'Close the balance' : 'Test and hand over', where: '' },
    model,
    rows,
    reached: rows.every((row) => row.wayIn === 'done'),
    goals: job.kind === 'strip' || !job.request ? ['Recorded'] : goalWords(job.document, job.request),
    power: !gate.ignition.allowed
      ? { allowed: false, words: `Ignition stays off: ${forbid(gate.ignition)}` }
      : !gate.engine.allowed
        ? { allowed: false, words: `No engine: ${forbid(gate.engine)}` }
        : { allowed: true, words: 'Ignition may come on' },
    open: [...open.filter((item) => item.kind === 'airbag'), ...open.filter((item) => item.kind !== 'airbag')],
    paused: state.paused && { reason: state.paused.reason, until: state.paused.until },
    awaited: [...state.awaited].map(([id, count]) => ({ count, words: itemWords(job.document, id) })),
    sinceMs: state.history[0] ? wallMsOf(state.history[0].at) : null,
  }
}
