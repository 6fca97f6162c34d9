import { wallMsOf } from '@/core/base/clock'
import type { BayJobSource, NextAtBay, OpenAtBay } from '@/core/job/bayStanding'
import { bayStanding } from '@/core/job/bayStanding'
import type { JobEvent } from '@/core/job/event'
import type { URow } from '@/core/job/uRows'
import type { ProcedureDocument } from '@/core/procedure/document'
import type { ProcedureForBuild } from '@/core/procedure/forBuild'
import type { HouseValues } from '@/core/shop/houseValues'
import { forPuttingBack } from '@/core/strip/putBack'
import type { ShopRules } from '@/core/vehicle/rule'
import { rulesInForce } from '@/core/vehicle/rulesInForce'
import { forbidsWords, unresolvedWords } from '@/words/balanceWords'
import { withKits } from '@/core/shop/withKits'
import { supplyName } from '@/words/kitRowWords'
import { holderKindWords, itemWords, ownerWords } from '@/words/items'
import { cardNameIn, goalWords } from '@/words/modelNames'
import { stepWords } from '@/words/operations'
import { shapeOf, type MarkShape } from '../marks/FastenerMark'

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
  /** It was handed over then, and is open again. */
  handedOverBeforeMs: number | null
  /** What it waits for from a shelf or a supplier. */
  awaited: { words: string; count: number }[]
}

type Source = BayJobSource & {
  id: string
  title: string
  bay: string
  promisedAt: Date | null
  vehicle: { label: string }
  events: JobEvent[]
}

/** Null when the job's plan no longer comes out of its record; its own page says why. */
export function bayJob(job: Source, house: HouseValues, shopRules: ShopRules, nowMs: number): BayJob | null {
  const { document } = job
  const byWhat = job.kind === 'strip' ? forPuttingBack(document, job.events) : document
  const standing = bayStanding(job, byWhat, house, rulesInForce(shopRules), nowMs)
  if (!standing) return null
  const { state, model, plan, rows, reached, told } = standing
  const withThings = withKits(document, job.request?.kits ?? [])
  const outNames = told.outIds.map((id) => itemWords(document, id))
  return {
    id: job.id,
    label: job.vehicle.label,
    bay: job.bay,
    title: job.title,
    promisedAt: job.promisedAt,
    late: job.promisedAt !== null && job.promisedAt.getTime() < nowMs,
    begun: state.history.length > 0,
    lastPersonId: state.history.at(-1)?.personId ?? null,
    strip: plan ? null : { facts: told.facts, out: outNames },
    href: plan ? `/jobs/${job.id}` : `/jobs/${job.id}/record`,
    next: nextWords(model, standing.next),
    model,
    rows,
    reached,
    goals: job.kind === 'strip' || !job.request ? ['Recorded'] : goalWords(document, job.request),
    power: powerWords(document, standing.forbids, state.settings),
    open: standing.open.map((item) => openWords(document, item)),
    handedOverBeforeMs: state.handedOverBefore && wallMsOf(state.handedOverBefore.at),
    paused: state.paused && { reason: state.paused.reason, until: state.paused.until },
    awaited: [
      ...[...state.awaited].map(([id, count]) => ({ count, words: itemWords(document, id) })),
      // Of a kit: what was ordered and has not arrived.
      ...[...state.supplies].flatMap(([id, { ordered, arrived }]) =>
        ordered > arrived ? [{ count: ordered - arrived, words: supplyName(withThings, id) }] : [],
      ),
    ],
    sinceMs: standing.sinceMs,
  }
}

function nextWords(model: ProcedureForBuild, next: NextAtBay): BayJob['next'] {
  switch (next.kind) {
    case 'record':
      return { title: 'Record what comes off', where: next.isAsked ? 'the record gives no order yet' : '' }
    case 'tap':
      return { title: stepWords(model, next.tap.step.operation).title, where: cardNameIn(model, next.tap.card) }
    case 'close the balance':
      return { title: 'Close the balance', where: '' }
    case 'test and hand over':
      return { title: 'Test and hand over', where: '' }
  }
}

function powerWords(
  document: ProcedureDocument,
  forbids: NonNullable<ReturnType<typeof bayStanding>>['forbids'],
  settings: ReadonlyMap<string, string>,
): BayJob['power'] {
  if (!forbids) return { allowed: true, words: 'Ignition may come on' }
  const why = forbidsWords(document, forbids.breach, settings)
  return { allowed: false, words: `${forbids.power === 'ignition' ? 'Ignition stays off' : 'No engine'}: ${why}` }
}

function openWords(document: ProcedureDocument, item: OpenAtBay): BayJob['open'][number] {
  // Taken for an airbag plug until somebody has looked.
  if (item.kind === 'unresolved') return { kind: 'airbag', words: unresolvedWords(item.of), shape: null }
  if (item.kind !== 'holder')
    return { kind: item.kind, words: `${itemWords(document, item.tetherId)} plug open`, shape: null }
  const holder = document.holders.find(({ id }) => id === item.holderId)!
  const where =
    holder.holds.length > 0 ? `of the ${ownerWords(document, holder).toLowerCase()} out` : 'out, a loose end'
  return { kind: 'holder', words: `${item.count} ${holderKindWords(holder)} ${where}`, shape: shapeOf(holder) }
}
