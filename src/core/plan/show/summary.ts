import { compareText } from '../../base/compareText'
import type { Id } from '../../base/id'
import { areLookalikes } from '../../procedure/lookalikes'
import { headsOf } from '../../procedure/heads'
import { toolFor } from '../../estimate/houseTimes'
import { reachTools } from '../../procedure/reach'
import type { Holder } from '../../procedure/holder'
import type { ProcedureForBuild } from '../../procedure/forBuild'
import { cautionsFor, type CautionAt } from '../../vehicle/cautionsFor'
import { countedIn, type Operation } from '../../order/operation'
import type { Removal } from '../../order/removal'
import { demandsOf, judged } from '../derive/demandsOf'
import type { DerivedJob } from '../derive/derivedJob'
import { allSteps, type PlanOnCards } from './planOnCards'
import type { Step } from '../find/step'
import { traysFor, type Tray } from './trays'
import { keyOf } from '../../procedure/acts'

/** What a lead wants to know before saying yes: what is counted, opened, moved, carried and minded. */
export type PlanSummary = {
  fasteners: number
  tethersOpened: Id[]
  partsOff: Id[]
  partsResting: Id[]
  /**
   * Waiting by the clock that nothing is done in: for the battery to be off long enough, for something to set, dry or
   * cool.
   */
  waitingS: { battery: number; setting: number }
  tools: { tool: string; holderIds: Id[]; partIds: Id[] }[]
  /** What the kits' work uses up that is no part of them: tape, cleaner. */
  consumables: string[]
  cautions: CautionAt[]
  trays: Tray[]
  /** Steps that take more than one person. */
  together: string[]
  /** What the vehicle can do afterwards that it could not, does differently, or can't do any more. */
  functions: { added: string[]; changed: Id[]; taken: Id[] }
  /** Built-in and the shop's changes for good, each with its kit. */
  changesForGood: { what: string; where: string; how: string; consent: boolean; edgeTreated: boolean }[]
}

/** On the way in only the battery is waited for; what sets, dries or cools was put there by the work. */
function waitingOf(plan: PlanOnCards): PlanSummary['waitingS'] {
  const waiting = { battery: 0, setting: 0 }
  for (const { operation, workS } of allSteps(plan))
    if (operation.act === 'wait') waiting[operation.phase === 'in' ? 'battery' : 'setting'] += workS
  return waiting
}

export function summarise(plan: PlanOnCards): PlanSummary {
  const { removal } = plan
  const { model } = removal
  const operations = [...removal.operations.values()]
  const undone = operations.flatMap((o) => countedIn(o).map((id) => model.holders.get(id)!))
  const tools = new Map<string, { tool: string; holderIds: Id[]; partIds: Id[] }>()
  const cautions = new Map<string, CautionAt>()
  for (const step of allSteps(plan)) {
    const { act, itemId } = step.operation
    const wayIn = step.operation.phase === 'in'
    const pulled = wayIn ? (step.operation.pulled ?? []) : []
    for (const tool of [...toolsOfStep(model, step), ...toolsOfWork(plan.job, step)]) {
      if (tool === 'hand') continue
      const entry = tools.get(tool) ?? { tool, holderIds: [], partIds: [] }
      tools.set(tool, entry)
      if (act === 'undo') entry.holderIds.push(itemId)
      entry.holderIds.push(...pulled.filter((id) => toolFor(model.holders.get(id)!) === tool))
      if (act === 'release') entry.partIds.push(itemId)
    }
    for (const caution of cautionsFor(model, judged(plan.job, step.operation), plan.job.circumstances))
      cautions.set(caution.id, caution)
  }
  return {
    fasteners: undone.reduce((sum, holder) => sum + holder.count, 0),
    tethersOpened: operations.flatMap((o) => (o.act === 'open' ? [o.itemId] : [])),
    partsOff: [...removal.levels].flatMap(([id, level]) => (level === 'off' ? [id] : [])),
    partsResting: [...removal.levels].flatMap(([id, level]) => (level === 'off' ? [] : [id])),
    waitingS: waitingOf(plan),
    tools: [...tools.values()],
    consumables: [...new Set([...plan.job.works.values()].flatMap(({ consumables }) => consumables))],
    cautions: [...cautions.values()],
    trays: traysFor(plan),
    together: allSteps(plan)
      .filter((step) => demandsOf(plan.job, step.operation).persons > 1)
      .map((step) => step.operation.key),
    functions: {
      added: [...plan.job.added.values()].map((item) => item.name),
      changed: plan.job.goal.kits.flatMap(({ fit }) => fit.functionsChanged),
      taken: plan.job.goal.kits.flatMap(({ fit }) => fit.functionsTaken),
    },
    changesForGood: plan.job.goal.kits.flatMap(({ kit }) => kit.changes),
  }
}

/** Groups that an undone group could be confused with in this job. */
export function lookalikesIn(removal: Removal, holderId: Id): Holder[] {
  const { model } = removal
  const holder = model.holders.get(holderId)
  if (!holder) return []
  return [...removal.operations.values()]
    .flatMap((o) =>
      o.act === 'undo' && areLookalikes(holder, model.holders.get(o.itemId)!) ? [model.holders.get(o.itemId)!] : [],
    )
    .sort((a, b) => compareText(a.id, b.id))
}

/** What hides a group: the parts its covers needs name. */
export function hiddenBy(model: ProcedureForBuild, holderId: Id): Id[] {
  return (model.needsOf.get(keyOf('undo', holderId)) ?? []).flatMap((need) =>
    need.reason === 'covers' && need.needs.kind === 'part' ? [need.needs.partId] : [],
  )
}

export type OwnTap = 'hidden' | 'lookalike' | 'safety' | 'result'

/**
 * Why a step is confirmed by itself and not with its card: hidden, easily confused, a rule of safety bites, or it has a
 * result.
 */
export function ownTapFor(job: DerivedJob, operation: Operation): OwnTap | null {
  const { model } = job
  if (operation.act === 'test' || operation.act === 'work' || operation.act === 'decide') return 'result'
  if (cautionsFor(model, judged(job, operation), job.circumstances).some((caution) => caution.severity !== 'NOTICE'))
    return 'safety'
  const counted = operation.act === 'start' ? [] : countedIn(operation)
  if (counted.some((id) => lookalikesIn(job.removal, id).length > 0)) return 'lookalike'
  return counted.some((id) => hiddenBy(model, id).length > 0) ? 'hidden' : null
}

/**
 * Every tool a step may ask for: other drives that were seen, what its clips take beside the pull, what gets there,
 * what moves a setting.
 */
function toolsOfStep(model: ProcedureForBuild, step: Step): Set<string> {
  const { act, itemId, pulled = [], setting, phase } = step.operation
  const groups = countedIn(step.operation).map((id) => model.holders.get(id)!)
  const heads = act === 'undo' || act === 'fasten' ? otherTools(model.holders.get(itemId)!, step.tool) : [step.tool]
  const reach = [
    ...groups.map((holder) => holder.reach),
    ...(act === 'open' || act === 'close' ? [model.tethers.get(itemId)!.reach] : []),
  ]
  const bySetting = setting ? model.methods.get(setting.methodId)?.method.tool : ''
  return new Set([
    ...heads,
    ...(phase === 'in' ? pulled.map((id) => toolFor(model.holders.get(id)!)) : []),
    ...reach.flatMap(reachTools),
    ...(bySetting ? [bySetting] : []),
  ])
}

/** What a piece of work takes besides the tool that is in hand for most of it. */
function toolsOfWork({ works }: DerivedJob, { operation: { act, itemId } }: Step): string[] {
  const work = act === 'work' ? works.get(itemId) : undefined
  return work ? [...work.alsoTools, ...work.steps.map(({ tool }) => tool)].filter((tool) => tool !== '') : []
}

/** The tool in hand and the ones for the other drives that were seen. */
function otherTools(holder: Holder, inHand: string): string[] {
  const heads = headsOf(holder)
  return heads.length > 1 ? heads : [inHand]
}
