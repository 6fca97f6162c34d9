import type { Id } from '../../base/id'
import { layRules } from '../../leads/allowed'
import { layS, readyS, sealS } from '../../leads/layTimes'
import { leaveMm, marksMm } from '../../leads/length'
import type { ProcedureForBuild } from '../../procedure/forBuild'
import type { Laying, Way } from '../../procedure/way'
import type { FittedKit } from '../../shop/kitHere'
import type { KitLead } from '../../shop/lead'
import { leadTaskId } from '../../shop/leadTask'
import type { Circumstances } from '../../vehicle/circumstances'
import type { Rule } from '../../vehicle/rule'
import { fusedWith } from '../../leads/electric'
import type { PartAccess } from './accessChoices'
import type { FoundRun } from './leadLayout'

/** One leg as it is laid: from point to point the way the lead travels. `markMm`: the tape that sits at `toId` then. */
export type LaidLeg = {
  way: Way
  laying: Laying
  fromId: Id
  toId: Id
  markMm: number
  /** What the rules say of what it goes by. */
  cautions: Rule[]
  /** Nobody has said what lies beside it. */
  lookFirst: boolean
}

type Common = {
  id: Id
  kitId: Id
  station: string
  helperStation: string | null
  tool: string
  durationS: number
  /** Tasks and pieces of work that come first. */
  afterWork: Id[]
  access: PartAccess[]
}

/**
 * What is done for leads, as pieces of work of their kit: each is ordered, shown, ticked and accounted for as any other
 * piece of work. `sight`: the record has no points for it: its kit's own access, and a hand that looks.
 */
export type LeadTask =
  | (Common & { kind: 'ready'; way: Way; laying: Laying })
  | (Common & { kind: 'lay'; lead: KitLead; run: FoundRun; legs: LaidLeg[]; first: boolean; last: boolean })
  | (Common & { kind: 'seal'; way: Way })
  | (Common & { kind: 'fuse'; lead: KitLead; fuseA: number | null; conductorMm2: number | null; sourceId: Id })
  | (Common & { kind: 'sight'; lead: KitLead })

/** Seconds of fitting a fuse, and of laying a lead nobody knows a way for: house estimates, no source. */
const [FUSE_S, BY_SIGHT_S] = [10, 180]
/** The tasks of all leads of a request, kit by kit. Cost: O(legs x rules). */
export function leadTasks(
  model: ProcedureForBuild,
  kits: readonly FittedKit[],
  runs: readonly FoundRun[],
  bySight: readonly Id[],
  circumstances: Circumstances,
): LeadTask[] {
  return kits.flatMap(({ kit, fit }) => {
    const mine = runs.filter(({ kitId }) => kitId === kit.id)
    const leadOf = (id: Id) => kit.leads.find((lead) => lead.id === id)!
    const ready = readyTasks(model, kit.id, mine)
    const laid = mine.map((run) => layTasks(model, leadOf(run.leadId), run, ready, circumstances))
    const seals = sealTasks(model, kit.id, laid.flat())
    const fuses = mine.flatMap((run) => fuseTask(model, kit.works, leadOf(run.leadId), run, [...laid.flat(), ...seals]))
    const sight = kit.leads
      .filter(({ id }) => bySight.includes(id))
      .map((lead): LeadTask => ({
        ...{
          ...AT_HAND,
          kind: 'sight',
          id: leadTaskId('sight', lead.id),
          kitId: kit.id,
          lead,
          afterWork: lead.afterWork,
        },
        ...{ station: 'centre', durationS: BY_SIGHT_S },
        access: (fit.access[lead.id] ?? []).flatMap((item) => (item.kind === 'part' ? [item] : [])),
      }))
    return [...ready, ...laid.flat(), ...seals, ...fuses, ...sight]
  })
}

const AT_HAND = { helperStation: null, tool: 'hand' } as const

type Leg = { way: Way; laying: Laying; access: PartAccess[] }

function legsOf(model: ProcedureForBuild, { legs }: FoundRun): Leg[] {
  return legs.map(({ wayId, layingId, access }) => {
    const way = model.ways.get(wayId)!
    return { way, laying: way.layings.find(({ id }) => id === layingId)!, access }
  })
}

/** A way is made ready once in each manner, before anybody is laid there. */
function readyTasks(model: ProcedureForBuild, kitId: Id, runs: readonly FoundRun[]): LeadTask[] {
  const tasks = new Map<Id, LeadTask>()
  for (const { way, laying, access } of runs.flatMap((run) => legsOf(model, run))) {
    const durationS = readyS(way, laying) - sealS(way)
    if (durationS > 0 && !tasks.has(laying.id))
      tasks.set(laying.id, {
        ...{
          kind: 'ready',
          id: leadTaskId('ready', laying.id, kitId),
          kitId,
          way,
          laying,
          durationS,
          afterWork: [],
          access,
        },
        ...{ station: way.station, helperStation: laying.helperStation, tool: laying.tool },
      })
  }
  return [...tasks.values()]
}

/**
 * From the coil outward, the second end first, then the other side: legs that follow one another at one station are one
 * task. Each task waits for the one before it.
 */
function layTasks(
  model: ProcedureForBuild,
  lead: KitLead,
  run: FoundRun,
  ready: readonly LeadTask[],
  circumstances: Circumstances,
): LeadTask[] {
  const all = legsOf(model, run)
  const places = all.map((leg, i) => laidLeg(model, lead, run, leg, i, circumstances))
  const inOrder = [...places.slice(run.coilAt), ...places.slice(0, run.coilAt).reverse()]
  const stretches: (typeof inOrder)[] = []
  for (const place of inOrder) {
    const current = stretches.at(-1)
    if (current?.at(-1)!.leg.way.station === place.leg.way.station) current!.push(place)
    else stretches.push([place])
  }
  if (stretches.length === 0) stretches.push([])
  return stretches.map((stretch, i): LeadTask => {
    const ids = new Set(stretch.map(({ leg }) => leg.laying.id))
    const helper = stretch.find(({ leg }) => leg.laying.helperStation !== null)
    const before = i === 0 ? lead.afterWork : [leadTaskId('lay', lead.id, i - 1)]
    const madeReady = ready.filter((task) => task.kind === 'ready' && ids.has(task.laying.id)).map(({ id }) => id)
    return {
      ...{ kind: 'lay', id: leadTaskId('lay', lead.id, i), kitId: run.kitId, lead, run },
      ...{ legs: stretch.map(({ laid }) => laid), first: i === 0, last: i === stretches.length - 1 },
      station: stretch[0]?.leg.way.station ?? model.waypoints.get(run.pointIds[0]!)!.station,
      helperStation: helper?.leg.laying.helperStation ?? null,
      tool: stretch.find(({ leg }) => leg.laying.tool !== 'hand')?.leg.laying.tool ?? 'hand',
      durationS: stretch.reduce((sum, { leg }) => sum + layS(leg.way, leg.laying), 0),
      afterWork: [...before, ...madeReady],
      access: [...stretch.flatMap(({ access }) => access), ...(stretch.length === 0 ? run.endAccess.flat() : [])],
    }
  })
}

/** A leg as a hand lays it: outward from the coil, with its mark and what its ends need open. */
function laidLeg(
  model: ProcedureForBuild,
  lead: KitLead,
  run: FoundRun,
  leg: Leg,
  i: number,
  circumstances: Circumstances,
) {
  const { way } = leg
  const marks = marksMm(
    run.legs.map(({ wayId }) => ({ ...model.ways.get(wayId)!, known: 'measured' as const })),
    leaveMm(lead.ends[0], model.waypoints.get(run.pointIds[0]!)!),
  )
  const outward = i >= run.coilAt
  const [from, to] = outward ? [i, i + 1] : [i + 1, i]
  const laid: LaidLeg = {
    ...{ way, laying: leg.laying, fromId: run.pointIds[from]!, toId: run.pointIds[to]!, markMm: marks[to]! },
    cautions: [...new Set(way.passes.flatMap((passed) => layRules(model, way, passed, circumstances, 'cautions')))],
    lookFirst: !way.looked && way.passes.length === 0,
  }
  const ends = [...(i === 0 ? run.endAccess[0] : []), ...(i === run.legs.length - 1 ? run.endAccess[1] : [])]
  return { leg, laid, access: [...leg.access, ...ends] }
}

/** Each passage that is used is sealed once everything of this kit is through. */
function sealTasks(model: ProcedureForBuild, kitId: Id, laid: readonly LeadTask[]): LeadTask[] {
  const through = new Map<Id, { way: Way; access: PartAccess[]; afterWork: Id[] }>()
  for (const task of laid)
    if (task.kind === 'lay')
      for (const { way, laying } of task.legs) {
        if (sealS(way) === 0) continue
        const access = task.run.legs.find(({ layingId }) => layingId === laying.id)!.access
        const known = through.get(way.id) ?? { way, access, afterWork: [] }
        through.set(way.id, { ...known, afterWork: [...new Set([...known.afterWork, task.id])] })
      }
  return [...through.values()].map(({ way, access, afterWork }): LeadTask => ({
    ...{ ...AT_HAND, kind: 'seal', id: leadTaskId('seal', way.id, kitId), kitId, way, access, afterWork },
    ...{ station: way.station, durationS: sealS(way) },
  }))
}

/** The fuse of a supply lead, last: once it lies, is sealed, and what joins it is done. A fused source has its own. */
function fuseTask(
  model: ProcedureForBuild,
  works: FittedKit['kit']['works'],
  lead: KitLead,
  run: FoundRun,
  tasks: readonly LeadTask[],
): LeadTask[] {
  const sourceId = run.pointIds.find((id) => model.waypoints.get(id)!.supply !== null)
  const source = sourceId === undefined ? null : model.waypoints.get(sourceId)!
  if (lead.class !== 'supply' || !lead.electric || !source || source.supply!.fuseA !== null) return []
  const ways = new Set(run.legs.map(({ wayId }) => wayId))
  const mine = tasks.filter((task) =>
    task.kind === 'lay' ? task.lead.id === lead.id && task.last : task.kind === 'seal' && ways.has(task.way.id),
  )
  const chosen = fusedWith(lead.electric, run.cutMm ?? lead.suppliedMm ?? run.needMm)
  return [
    {
      ...{ ...AT_HAND, kind: 'fuse', id: leadTaskId('fuse', lead.id), kitId: run.kitId, lead, sourceId: source.id },
      ...{ fuseA: chosen?.fuseA ?? lead.electric.fuseA, conductorMm2: chosen?.mm2 ?? null },
      ...{ station: source.station, durationS: FUSE_S, access: run.endAccess[run.pointIds[0] === sourceId ? 0 : 1] },
      afterWork: [...mine.map(({ id }) => id), ...joins(works, lead.id)],
    },
  ]
}

/** Pieces of work that come after a lead, at once or by way of others: its joints and plugs. */
function joins(works: FittedKit['kit']['works'], leadId: Id): Id[] {
  const after = new Set<Id>([leadId])
  for (let grown = true; grown;) {
    grown = false
    for (const { id, afterWork } of works)
      if (!after.has(id) && afterWork.some((first) => after.has(first))) {
        after.add(id)
        grown = true
      }
  }
  after.delete(leadId)
  return [...after]
}

/** What stands for a lead where other work or a test comes after it: the task with which it lies. */
export function lastTaskOf(tasks: readonly LeadTask[], leadId: Id): Id | null {
  const task = tasks.findLast(
    (item) => (item.kind === 'lay' && item.last && item.lead.id === leadId) || (item.kind === 'sight' && item.lead.id === leadId), // prettier-ignore
  )
  return task?.id ?? null
}
