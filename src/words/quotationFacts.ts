import { z } from 'zod'
import type { OptionTakes } from '@/core/plan/show/optionTakes'
import type { PlanOnCards } from '@/core/plan/show/planOnCards'
import { quotationOf } from '@/core/plan/show/quotation'
import type { ProcedureDocument } from '@/core/procedure/document'
import { isWanted } from '@/core/shop/functionClosure'
import type { HouseValues } from '@/core/shop/houseValues'
import { dateWords } from './dates'
import { supplyName } from './kitRowWords'
import { moneyWords } from './money'
import {
  backToFactoryWords,
  blockedWords,
  changedForGoodWords,
  functionNames,
  PHASE_WORDS,
  promiseWords,
} from './quotationWords'

const Line = z.object({ words: z.string(), time: z.string(), money: z.string() })

/** What a quotation says, in words: the paper only sets it. */
export const QuotationFacts = z.object({
  shopName: z.string(),
  label: z.string(),
  vehicle: z.string(),
  to: z.string(),
  job: z.string(),
  on: z.string(),
  validUntil: z.string(),
  note: z.string(),
  gained: z.array(z.string()),
  changed: z.array(z.string()),
  kept: z.array(z.string()),
  lost: z.array(z.string()),
  blocked: z.array(z.string()),
  phases: z.array(Line),
  parts: z.array(Line),
  fasteners: z.number(),
  work: z.string(),
  partsTotal: z.string(),
  total: z.string(),
  time: z.string(),
  /** What may be taken or left, each with what it changes. */
  options: z.array(Line.extend({ isIn: z.boolean() })),
  forGood: z.array(z.string()),
  backToFactory: z.string(),
  small: z.array(z.string()),
})
export type QuotationFacts = z.infer<typeof QuotationFacts>

type Besides = {
  house: HouseValues
  nowMs: number
  shopName: string
  vehicle: { label: string; plate: string; customer: string }
  to: string
  validDays: number
  note: string
  options: OptionTakes[]
}

const DAY_MS = 86_400_000

/** The quotation of a plan as its paper says it. `document`: with the kits' things in it. Cost: O(steps + things). */
export function quotationFacts(document: ProcedureDocument, plan: PlanOnCards, besides: Besides): QuotationFacts {
  const { house, nowMs, vehicle } = besides
  const quoted = quotationOf(plan, house.labourMinorPerHour)
  const money = (minor: number | null) => (minor === null ? '' : moneyWords(minor, house.currency))
  const day = (ms: number) => dateWords(ms, 'year', house.timeZone)
  const kits = plan.request.kits.map(({ kit }) => kit)
  const names = new Map(
    kits.flatMap(({ functions, parts, plugs, settings }) =>
      [functions, parts, plugs, settings].flat().map(({ id, name }) => [id, name] as const),
    ),
  )
  const parts = quoted.parts.filter(({ of }) => of === 'part')
  return {
    shopName: besides.shopName,
    label: vehicle.label,
    vehicle: `${document.name} ${vehicle.plate}`.trim(),
    to: besides.to || vehicle.customer || '–',
    job: kits.map(({ name }) => name).join(' and ') || 'Opening',
    on: day(nowMs),
    validUntil: day(nowMs + besides.validDays * DAY_MS),
    note: besides.note,
    gained: quoted.gained.map(({ name }) => name),
    changed: functionNames(document, quoted.changed),
    kept: functionNames(document, quoted.kept),
    lost: functionNames(document, quoted.lost),
    blocked: blockedWords((id) => names.get(id) ?? id, quoted),
    phases: quoted.phases
      .filter(({ minutes }) => minutes > 0)
      .map(({ phase, minutes, minor }) => ({
        ...{ words: PHASE_WORDS[phase], time: promiseWords(minutes), money: money(minor) },
      })),
    parts: parts.map(({ itemId, count, minor }) => ({
      words: `${count > 1 ? `${count} × ` : ''}${supplyName(document, itemId)}`,
      ...{ time: '', money: money(minor) },
    })),
    fasteners: quoted.parts.reduce((sum, { of, count }) => sum + (of === 'holder' ? count : 0), 0),
    work: money(quoted.labourMinor),
    partsTotal: money(quoted.partsMinor),
    total: money(quoted.totalMinor),
    time: `${promiseWords(quoted.minutes.vehicle)} at the vehicle, ${promiseWords(quoted.minutes.bench)} at the bench`,
    options: besides.options.map(({ functionId, extraS, partsMinor }) => {
      const work = house.labourMinorPerHour === null ? 0 : Math.round((extraS * house.labourMinorPerHour) / 3600)
      const item = kits.flatMap(({ functions }) => functions).find(({ id }) => id === functionId)!
      return {
        words: names.get(functionId)!,
        time: extraS < 30 ? '' : promiseWords(Math.ceil(extraS / 60)),
        money: money(work + partsMinor),
        isIn: isWanted(item, plan.job.model.build),
      }
    }),
    forGood: changedForGoodWords(quoted),
    backToFactory: backToFactoryWords(quoted),
    small: smallPrint(plan, quoted.unpriced, house),
  }
}

/** What a reader has to know of these figures. */
function smallPrint({ proof }: PlanOnCards, unpriced: number, { labourMinorPerHour }: HouseValues): string[] {
  return [
    `Times are the shop’s own estimates${proof.proven ? ', in the quickest safe order' : ', in a safe order'}.`,
    ...(unpriced > 0 ? [`${unpriced} of the parts have no price yet: they are not in the sum.`] : []),
    ...(labourMinorPerHour === null ? ['Work has no price yet: it is not in the sum.'] : []),
    'What is found different once it is open is told before it is done. Taxes as the law says.',
    'Work on safety systems follows the maker’s data and local rules, by people licensed for it.',
  ]
}
