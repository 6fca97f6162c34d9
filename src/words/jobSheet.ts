import { z } from 'zod'
import { wallMsOf } from '@/core/base/clock'
import { balanceOf, type Balance, type BalanceRow } from '@/core/job/balance'
import { foldJob } from '@/core/job/fold'
import { JobEvent } from '@/core/job/event'
import { functionName } from '@/core/job/handover'
import type { JobState } from '@/core/job/jobState'
import { liveCircumstances } from '@/core/job/liveVehicle'
import { modelNow } from '@/core/job/modelNow'
import { termsOf, testsOwed, type JobTerms } from '@/core/job/terms'
import { uRows } from '@/core/job/uRows'
import { countedIn } from '@/core/order/operation'
import { judged } from '@/core/plan/derive/demandsOf'
import { FoundOrder } from '@/core/plan/find/foundOrder'
import { PlanRequest } from '@/core/plan/ask/planRequest'
import { keptPlan } from '@/core/plan/keptPlan'
import { allSteps, type PlanOnCards } from '@/core/plan/show/planOnCards'
import { traysFor } from '@/core/plan/show/trays'
import { isAirbagCircuit } from '@/core/procedure/circuits'
import { ProcedureDocument } from '@/core/procedure/document'
import { withKits } from '@/core/shop/withKits'
import type { ProcedureForBuild } from '@/core/procedure/forBuild'
import type { Holder } from '@/core/procedure/holder'
import { Level } from '@/core/procedure/level'
import { SEVERITIES } from '@/core/procedure/severity'
import { HouseValues } from '@/core/shop/houseValues'
import { cautionsFor } from '@/core/vehicle/cautionsFor'
import type { Circumstances } from '@/core/vehicle/circumstances'
import { ShopRules } from '@/core/vehicle/rule'
import { rulesInForce } from '@/core/vehicle/rulesInForce'
import { rowWords } from './balanceWords'
import { dateWords } from './dates'
import { INTAKE_WORDS } from './intakeWords'
import { holderWords, itemWords, ownerWords, threadWords } from './items'

/** What a sheet is made from, as plain data: it is made on another thread, and parsed there as at every door. */
export const HandoverSource = z.object({
  id: z.string(),
  title: z.string(),
  revisionNumber: z.number().int().nullable(),
  vehicle: z.object({ label: z.string(), plate: z.string(), customer: z.string() }),
  request: PlanRequest.nullable(),
  found: FoundOrder.nullable(),
  document: ProcedureDocument,
  events: z.array(JobEvent).readonly(),
})
export type HandoverSource = z.infer<typeof HandoverSource>

/** Everything the hand-over sheet says, in the words it says it in. */
export const HandoverFacts = z.object({
  shopName: z.string(),
  label: z.string(),
  vehicle: z.string(),
  customer: z.string(),
  done: z.string(),
  on: z.string(),
  by: z.string(),
  verdict: z.string(),
  counts: z.array(z.object({ words: z.string(), of: z.string() })),
  opened: z.array(z.object({ name: z.string(), level: Level, what: z.string(), back: z.boolean() })),
  work: z.array(z.string()),
  replaced: z.array(z.string()),
  changed: z.array(z.string()),
  accepted: z.array(z.string()),
  cautions: z.array(z.object({ severity: z.enum([...SEVERITIES, 'AIRBAG']), sentence: z.string() })),
  lookalikes: z.array(z.object({ words: z.string(), diameterMm: z.number(), lengthMm: z.number() })),
  tests: z.array(
    z.object({ name: z.string(), how: z.string(), reading: z.string(), who: z.string(), result: z.string() }),
  ),
  asFound: z.string(),
  asLeft: z.string(),
  withCustomer: z.object({
    shown: z
      .object({
        ...{ by: z.string(), at: z.string(), strokes: z.string() },
        ...{ what: z.array(z.string()), points: z.array(z.string()) },
      })
      .nullable(),
    ...{ missing: z.array(z.string()), later: z.array(z.string()), leftSet: z.array(z.string()) },
    places: z.array(z.string()),
  }),
  notes: z.array(z.string()),
  photos: z.array(z.object({ id: z.string(), words: z.string() })),
  signatures: z.array(z.object({ name: z.string(), as: z.string(), at: z.string() })),
  foot: z.string(),
  code: z.string(),
})
export type HandoverFacts = z.infer<typeof HandoverFacts>

export const HandoverShop = z.object({
  name: z.string(),
  house: HouseValues,
  rules: ShopRules,
  people: z.map(z.string(), z.string()).readonly(),
  /** What its devices are called. */
  devices: z.map(z.string(), z.string()).readonly(),
  origin: z.string(),
  hasOthers: z.boolean(),
})
export type HandoverShop = z.infer<typeof HandoverShop>

/** What a sheet is made of: the job as it stands, and whom and what its words are about. */
export type JobSheet = {
  document: ProcedureDocument
  state: JobState
  model: ProcedureForBuild
  plan: PlanOnCards | null
  terms: JobTerms
  balance: Balance
  circumstances: Circumstances
  house: HouseValues
  name: (personId: string) => string
  /** " on Bay 2 tablet" where the device has a name. */
  device: (deviceId: string) => string
  holder: (id: string) => Holder
}

/** Folds and plans a job once, for everything its sheet says. */
export function sheetOf(job: HandoverSource, shop: HandoverShop): JobSheet {
  // What comes in over a thread or a door is the vehicle's record; its kits' things are put in here.
  const document = withKits(job.document, job.request?.kits ?? [])
  const state = foldJob(document, job.events)
  const rules = rulesInForce(shop.rules)
  const model = modelNow(document, job.request, state)
  const kept = job.request && keptPlan(model, job.request, shop.house, rules, job.found)
  const terms = termsOf(document, job.request, state)
  return {
    document,
    state,
    model,
    plan: kept?.ok ? kept.value : null,
    terms,
    balance: balanceOf(document, state, terms),
    circumstances: liveCircumstances(model, state, shop.house, rules, { id: '', authorised: [] }),
    house: shop.house,
    name: (id) => shop.people.get(id) ?? 'somebody',
    device: (id) => (shop.devices.has(id) ? ` on ${shop.devices.get(id)}` : ''),
    holder: (id) => document.holders.find((item) => item.id === id)!,
  }
}

const HANDS_ON: readonly string[] = ['undone', 'part at', 'opened', 'closed', 'fastened', 'work done']

/** Who had their hands on the vehicle, first to last. */
export function workersOf({ state, name, device }: JobSheet): string[] {
  const acts = state.history.filter(({ what }) => HANDS_ON.includes(what.kind))
  return [...new Set(acts.map((event) => `${name(event.personId)}${device(event.deviceId)}`))]
}

export function countsOf({ state, balance }: JobSheet): HandoverFacts['counts'] {
  const touched = [...state.holders.values()].filter((c) => c.undone > 0)
  const undone = touched.reduce((sum, c) => sum + c.undone, 0)
  const standing = touched.reduce((sum, c) => sum + Math.min(c.undone, c.fastenedOld + c.fittedNew), 0)
  const account = (words: string, kind: BalanceRow['account']) => {
    const rows = balance.rows.filter((row) => row.account === kind)
    const closed = rows.filter((row) => !balance.openRows.includes(row) && !balance.acceptedRows.includes(row))
    return { words, of: `${closed.length} of ${rows.length}` }
  }
  return [
    { words: 'fasteners', of: `${standing} of ${undone}` },
    account('parts', 'part'),
    account('plugs', 'tether'),
    account('settings', 'setting'),
    account('tools', 'tool'),
  ]
}

/** What came forward or off, with what was undone and opened for it. */
export function openedOf({ document, state, plan, holder }: JobSheet): HandoverFacts['opened'] {
  return (plan ? uRows(plan, state) : []).flatMap((row) => {
    const was = state.setAside.has(row.id) ? 'off' : state.moved.has(row.id) ? 'free' : null
    if (row.thing !== 'part' || was === null) return []
    const operations = row.inCards.flatMap((card) => card.steps.map((step) => step.operation))
    const groups = operations.flatMap((operation) => [
      ...countedIn(operation).map((id) => holderWords(holder(id))),
      ...(operation.act === 'open' ? [`plug ${itemWords(document, operation.itemId)}`] : []),
    ])
    return [
      {
        name: itemWords(document, row.id),
        level: was,
        what: groups.join(', '),
        back: row.level === 'in place',
      } as const,
    ]
  })
}

/** New for old, what was not refitted, and what was left out. */
export function replacedOf({ document, state, terms, holder }: JobSheet): string[] {
  const renewed = [...state.holders].flatMap(([id, c]) => {
    if (c.fittedNew === 0) return []
    const what = holderWords({ ...holder(id), count: c.fittedNew }).replace(' ', ' new ')
    const pieces = c.broken > 0 && c.piecesRecovered >= c.broken ? '; all pieces of the old found' : ''
    return [`${what} of ${ownerWords(document, holder(id)).toLowerCase()}${pieces}.`]
  })
  const byWords = (id: string) => {
    const by = terms.replaced.get(id)?.byId
    return by === undefined ? '' : ` by ${itemWords(document, by)}`
  }
  const ended = [...terms.endings].flatMap(([id, end]) =>
    end !== 'refitted' && state.moved.has(id) ? [`${itemWords(document, id)}: ${end}${byWords(id)}.`] : [],
  )
  const carried = [...terms.carried].flatMap(([id, { ontoId }]) =>
    state.moved.has(id) ? [`${itemWords(document, id)}: now on ${itemWords(document, ontoId)}.`] : [],
  )
  const leftOut = state.leftOut.map(
    (item) => `${item.count} left out, ${itemWords(document, item.holderId)}: ${item.reason}.`,
  )
  return [...renewed, ...ended, ...carried, ...leftOut]
}

/** What somebody answered for: rows left open, functions lost, plugs left open on purpose. */
export function acceptedOf({ document, state, terms, balance, name }: JobSheet): string[] {
  const rows = balance.acceptedRows.map((row) => {
    const by = state.accepted.get(`${row.account}:${row.id}`)!
    return `${rowWords(document, row).heading}: ${by.reason} (${name(by.personId)}).`
  })
  const lost = state.lossAccepted
  const functions = lost?.functionIds.map((id) => functionName(document, terms, id)).join(', ')
  // What somebody left open, and what a kit leaves hanging.
  const byKit = [...terms.endings].filter(([id]) => state.tethersOpen.has(id) && !state.ends.has(id))
  const ended = [...[...state.ends].map(([id, { end }]) => [id, end] as const), ...byKit]
  const left = ended.flatMap(([id, end]) =>
    end === 'left open and insulated' ? [`Plug ${itemWords(document, id)} is left open on purpose and insulated.`] : [],
  )
  return [...rows, ...(lost ? [`Does not work any more: ${functions}. Accepted by ${lost.by}.`] : []), ...left]
}

/** Airbag plugs that were opened: those that are still open first. */
export function airbagCautions({ document, state }: JobSheet): HandoverFacts['cautions'] {
  const airbags = [...state.tethersTouched].filter((id) =>
    isAirbagCircuit(document.tethers.find((tether) => tether.id === id)!),
  )
  const said = (words: string, ids: readonly string[]) => ({
    severity: 'AIRBAG' as const,
    sentence: `${words}: ${ids.map((id) => itemWords(document, id)).join(', ')}.`,
    ids,
  })
  const open = airbags.filter((id) => state.tethersOpen.has(id))
  const closed = airbags.filter((id) => !state.tethersOpen.has(id))
  return [said('Is open', open), said('Was open and is closed again', closed)].flatMap(({ ids, ...caution }) =>
    ids.length > 0 ? [caution] : [],
  )
}

/** Cautions of the record and of the shop that bit on the way, each once. */
export function ownCautions({ model, plan, circumstances }: JobSheet): HandoverFacts['cautions'] {
  const met = (plan ? allSteps(plan) : []).flatMap((step) =>
    cautionsFor(model, judged(plan!.job, step.operation), circumstances).filter((caution) => !caution.builtIn),
  )
  return [...new Map(met.map((caution) => [caution.id, caution])).values()].map(({ severity, sentence }) => ({
    severity,
    sentence,
  }))
}

export function lookalikesOf({ document, plan, holder }: JobSheet): HandoverFacts['lookalikes'] {
  return (plan ? traysFor(plan) : [])
    .filter((tray) => tray.notWith.length > 0)
    .flatMap((tray) => tray.holderIds)
    .flatMap((id) => {
      const { thread } = holder(id)
      if (!thread) return []
      const words = `${threadWords(holder(id))}, ${ownerWords(document, holder(id)).toLowerCase()}`
      return [{ words, diameterMm: thread.diameterMm, lengthMm: thread.lengthMm }]
    })
}

export function testsOf({ document, state, terms, house, name }: JobSheet): HandoverFacts['tests'] {
  return testsOwed(document, state, terms).map((item) => {
    const test = state.tests.get(item.id)
    const before = state.workedBefore.get(item.id)?.works === false ? 'did not work before' : ''
    return {
      name: item.name,
      how: item.how,
      reading: [test?.reading, before].filter(Boolean).join(', '),
      who: test ? `${name(test.personId)}, ${dateWords(wallMsOf(test.at), 'clock', house.timeZone)}` : '',
      result: test?.result ?? 'not tested',
    }
  })
}

/** What was looked at before the first screw, as it was noted. */
export function intakeWords({ state }: JobSheet): string[] {
  return [...state.intake].flatMap(([point, { value }]) => {
    const { name, unit } = INTAKE_WORDS[point]
    return value === '' ? [] : [[name.toLowerCase(), value, unit].filter(Boolean).join(' ')]
  })
}

/** Fasteners that were missing, or too many, before anybody began. */
export function foundWords({ document, state }: JobSheet): string[] {
  return [...state.holders].flatMap(([id, c]) => [
    ...(c.missing > 0 ? [`${c.missing} missing of ${itemWords(document, id)}`] : []),
    ...(c.extra > 0 ? [`${c.extra} too many of ${itemWords(document, id)}`] : []),
  ])
}
