import 'server-only'
import { isDeepStrictEqual } from 'node:util'
import { z } from 'zod'
import { fittedKits } from '@/core/plan/ask/jobGoal'
import { modelOfRequest } from '@/core/plan/ask/modelOfRequest'
import { PlanRequest } from '@/core/plan/ask/planRequest'
import type { PlanError } from '@/core/plan/find/findPlan'
import { optionalOf, optionTakes, withOtherWish, type OptionTakes } from '@/core/plan/show/optionTakes'
import { planOnCards } from '@/core/plan/show/planOnCards'
import type { ProcedureDocument } from '@/core/procedure/document'
import type { ProcedureForBuild } from '@/core/procedure/forBuild'
import { kitsApart } from '@/core/shop/kitsApart'
import { withKits } from '@/core/shop/withKits'
import { rulesInForce } from '@/core/vehicle/rulesInForce'
import { quotationFacts } from '@/words/quotationFacts'
import { REFUSALS } from '@/words/refusals'
import type { SheetQuestion } from '@/workers/sheetsOnServer'
import { FONTS, sheetNotMade } from './handOverSheet'
import { listKits } from './kits'
import { layOnThread, planOnThread } from './planning'
import { recordOfVehicle } from './recordOfVehicle'
import { onThread } from './threads'
import { readVehicle } from './vehicles'
import { inShop, type Crew } from './whoAsks'
import { hasLeads } from '@/words/leadsLaid'
import { withoutLeadWorks } from '@/words/leadWorks'
import type { FittedKit } from '@/core/shop/kitHere'

/** What is spent on each option. */
const GLANCE = { expandedStates: 5_000 }

/** For whom a quotation is written, and of what. */
export const QuotationQuestion = z.object({
  vehicleId: z.uuid('Say for which vehicle.'),
  request: PlanRequest,
  to: z.string().trim().max(120, 'The name is longer than 120 letters.').default(''),
  validDays: z
    .number({ error: 'Say for how many days it is valid.' })
    .int('Say for how many whole days it is valid.')
    .min(1, 'It is valid for one day at least.')
    .max(365, 'It is valid for a year at most.')
    .default(30),
  note: z.string().trim().max(400, 'The word to it is longer than 400 letters.').default(''),
})
export type QuotationQuestion = z.infer<typeof QuotationQuestion>

export type QuotationPaper =
  | { status: 'made'; pdf: Uint8Array }
  | { status: 'refused'; sentence: string }
  | { status: 'no plan'; error: PlanError; document: ProcedureDocument }

/**
 * The quotation of a job that is not opened yet, as a PDF: planned anew by the shop's own record, rules and prices, so
 * that nobody can write another sum into it. Nothing is kept.
 */
export async function quotationPaper(
  crew: Crew,
  asked: QuotationQuestion,
  nowMs: number,
  signal: AbortSignal,
): Promise<QuotationPaper> {
  const bare = withoutLeadWorks(asked.request)
  const base = await inShop(crew, (trx) => recordOfVehicle(trx, asked.vehicleId))
  if ('status' in base) return base
  const { document } = base
  if (!(await areShops(crew, bare, base.procedureId))) return { status: 'refused', sentence: REFUSALS.kitsChangedSince }
  if (!kitsApart(bare.kits, document)) return { status: 'refused', sentence: REFUSALS.kitsMeet }
  const vehicle = await readVehicle(crew, asked.vehicleId)
  const { house } = crew
  const laid = await laidAnew(crew, document, bare, signal)
  if ('status' in laid) return laid
  const request = laid
  const planned = await planOnThread(crew.shopId, () => ({ document, request, house, rules: crew.rules }), signal)
  if (planned.kind === 'not answered') return { status: 'refused', sentence: planned.sentence }
  if (!planned.answer.ok) return { status: 'no plan', error: planned.answer.error, document }
  const model = modelOfRequest(document, request)
  const rules = rulesInForce(crew.rules)
  const plan = planOnCards(model, request, house, rules, planned.answer.value)
  if (!plan.ok) throw new Error('A plan just found does not fit its own record.')
  const options = await optionsOf(crew, model, request, plan.value.proof.totalS, signal)
  const facts = quotationFacts(withKits(document, request.kits), plan.value, {
    ...{ house, nowMs, shopName: crew.shopName, options },
    ...{ to: asked.to, validDays: asked.validDays, note: asked.note },
    vehicle: { label: '', plate: '', customer: '', ...vehicle },
  })
  const question: SheetQuestion = { ask: 'quotation', facts, fonts: FONTS }
  const paper = await onThread<Uint8Array>('sheet', crew.shopId, () => question, { signal })
  if (paper.kind === 'not answered') return sheetNotMade(paper)
  return { status: 'made', pdf: new Uint8Array(paper.answer) }
}

/** The leads laid by the shop's own record and rules, whatever way somebody says they go. */
async function laidAnew(
  crew: Crew,
  document: ProcedureDocument,
  request: PlanRequest,
  signal: AbortSignal,
): Promise<PlanRequest | Exclude<QuotationPaper, { status: 'made' }>> {
  if (!hasLeads(request)) return request
  const asked = { document, request, house: crew.house, rules: crew.rules }
  const laid = await layOnThread(crew.shopId, () => asked, signal)
  if (laid.kind === 'not answered') return { status: 'refused', sentence: laid.sentence }
  if (!laid.answer.ok) return { status: 'no plan', error: laid.answer.error, document }
  return laid.answer.value ?? { status: 'refused', sentence: REFUSALS.noWayForLeads }
}

/** Whether these kits are, to the last price, what the shop has of them. Cost: one query over the shop's kits. */
async function areShops(crew: Crew, { kits }: PlanRequest, procedureId: string): Promise<boolean> {
  if (kits.length === 0) return true
  const own = fittedKits(await listKits(crew), procedureId)
  return kits.every((asked) => own.some((fitted) => isDeepStrictEqual(fitted, asKept(asked, fitted))))
}

/** A kit without the ways that the crew does without: that is theirs to say, and no other way to meet the vehicle. */
function asKept({ kit, fit }: FittedKit, own: FittedKit): FittedKit {
  const leads = Object.entries(fit.leads).flatMap(([id, asked]) => {
    const known = own.fit.leads[id]
    return known || asked.ends.flat().length + asked.through.length > 0
      ? [[id, { ...asked, notThrough: known?.notThrough ?? [] }] as const]
      : []
  })
  return { kit, fit: { ...fit, leads: Object.fromEntries(leads) } }
}

/** What each function that may be done without takes; one that can't be planned is not offered. */
async function optionsOf(
  crew: Crew,
  model: ProcedureForBuild,
  request: PlanRequest,
  nowS: number,
  signal: AbortSignal,
): Promise<OptionTakes[]> {
  const options: OptionTakes[] = []
  const { house, rules, shopId } = crew
  for (const item of optionalOf(request)) {
    const asked = { document: model.document, request: withOtherWish(request, item), house, rules, limits: GLANCE }
    const found = await planOnThread(shopId, () => asked, signal)
    if (found.kind === 'answer' && found.answer.ok)
      options.push(optionTakes(model, request, item, nowS, found.answer.value.proof.totalS))
  }
  return options
}
