import type { Operation } from '../../order/operation'
import { mayRestFree } from '../../procedure/resting'
import type { Station } from '../../procedure/station'
import { moveS } from '../../shop/houseValues'
import { demandsOf } from '../derive/demandsOf'
import { allSteps, type PlanOnCards } from '../show/planOnCards'
import { withoutDetours } from '../../sequence/problem'
import type { Step } from '../find/step'
import { fastestLanes, type LaneLimits } from '../../sequence/lanes/fastestLanes'
import { ofTheFirstWay, pairsOf } from './lanePairs'
import type { LanesProblem, LaneTask, Placed } from '../../sequence/lanes/lanesProblem'
import { keyOf } from '../../procedure/acts'

/**
 * One task of somebody, in seconds from the beginning of its leg. `with`: the number of the second person, where two do
 * it.
 */
export type LaneStep = {
  operation: Operation
  station: Station
  tool: string
  startS: number
  endS: number
  with: number | null
}

/** One way, in or out, shared out. `boundS`: nobody ends sooner, with the settings changed in the order of the plan. */
export type LegLanes = { lanes: LaneStep[][]; makespanS: number; boundS: number; proven: boolean }

/** Both ways. The way out begins when the way in is done, from where that leaves people. */
export type Lanes = { wayIn: LegLanes; wayOut: LegLanes | null }
export type LanesError = { kind: 'too few people'; keys: string[] }

/**
 * A plan for two or three people: the same operations, one at a time at a station unless the shop gives it more room,
 * each with tools of their own. What is prepared at the bench is shared out with the way in: one opens, another
 * prepares. Settings are changed in the order of the plan; while a setting stands otherwise than an operation wants it
 * nobody does that operation, so nobody works beside an airbag, or at the vehicle at all, while the ignition is on.
 *
 * `starts`: where each person stands first. `singleTools`: those the shop has one of; of all others everybody has one.
 * `done`: keys that are behind. Errors: operations that ask for more people. Cost: see fastestLanes, for each way.
 */
export function lanesOf(
  plan: PlanOnCards,
  starts: readonly Station[],
  singleTools: readonly string[] = [],
  limits?: LaneLimits,
  done: ReadonlySet<string> = new Set(),
): { ok: true; value: Lanes } | { ok: false; error: LanesError } {
  const steps = allSteps(plan).filter((step) => step.operation.act !== 'wait' && !done.has(step.operation.key))
  const together = steps
    .filter((step) => demandsOf(plan.job, step.operation).persons > starts.length)
    .map((step) => step.operation.key)
  if (together.length > 0) return { ok: false, error: { kind: 'too few people', keys: together } }
  const isFirst = ofTheFirstWay(plan)
  const wayIn = legLanes(
    plan,
    steps.filter(isFirst),
    starts.map((station) => ({ station, tool: 'hand' })),
    singleTools,
    limits,
  )
  const out = steps.filter((step) => !isFirst(step))
  return {
    ok: true,
    value: {
      wayIn: wayIn.leg,
      wayOut: out.length > 0 ? legLanes(plan, out, wayIn.ends, singleTools, limits).leg : null,
    },
  }
}

type Standing = { station: Station; tool: string }

function legLanes(
  plan: PlanOnCards,
  steps: readonly Step[],
  people: readonly Standing[],
  singleTools: readonly string[],
  limits: LaneLimits | undefined,
): { leg: LegLanes; ends: Standing[] } {
  const groups = inOneGo(plan, steps)
  const { problem, stations, tools } = problemOf(plan, groups, people, singleTools)
  const found = fastestLanes(problem, limits)
  if (found.kind === 'impossible') throw new Error('Lanes with room and people enough for every task were not found.')
  const lanes = people.map((_, person) =>
    found.placed
      .filter((item) => item.person === person || item.helper === person)
      .flatMap((item) => laneSteps(groups[item.task]!, item, person, plan)),
  )
  const ends = people.map((person, i): Standing => {
    const own = found.placed.filter((item) => item.person === i || item.helper === i)
    const last = own.at(-1)
    const held = own
      .filter((item) => item.person === i)
      .map((item) => tools[problem.tasks[item.task]!.tool]!)
      .findLast((tool) => tool !== 'hand')
    const task = last && problem.tasks[last.task]!
    return {
      station: task ? stations[last.person === i ? task.station : task.helperStation!]! : person.station,
      tool: held ?? person.tool,
    }
  })
  return {
    leg: { lanes, makespanS: found.makespanMs / 1000, boundS: found.boundMs / 1000, proven: found.proven },
    ends,
  }
}

function laneSteps(
  group: readonly Step[],
  { startMs, person, helper }: Placed,
  own: number,
  plan: PlanOnCards,
): LaneStep[] {
  const helps = own !== person
  let atS = startMs / 1000
  return group.map((step) => {
    const startS = atS
    atS += step.workS
    const station = helps ? (demandsOf(plan.job, step.operation).helperStation ?? step.station) : step.station
    return {
      operation: step.operation,
      station,
      tool: helps ? 'hand' : step.tool,
      startS,
      endS: atS,
      with: helper === null ? null : helps ? person : helper,
    }
  })
}

/**
 * A part that may not rest is one task from its release to its lift, and one from its placing to its push home;
 * everything else is a task of its own.
 */
function inOneGo(plan: PlanOnCards, steps: readonly Step[]): Step[][] {
  const { model } = plan.job
  const groups: Step[][] = []
  for (let at = 0; at < steps.length;) {
    const { act, itemId } = steps[at]!.operation
    const part = act === 'release' ? model.parts.get(itemId) : undefined
    const lift =
      part && !mayRestFree(part) ? steps.findIndex((step) => step.operation.key === keyOf('lift', itemId)) : -1
    const go = act === 'place' ? plan.job.backInOneGo.get(itemId) : undefined
    const home = go ? steps.findLastIndex((step) => go.includes(step.operation.key)) : -1
    const end = Math.max(lift, home, at) + 1
    groups.push(steps.slice(at, end))
    at = end
  }
  return groups
}

function problemOf(
  plan: PlanOnCards,
  groups: readonly Step[][],
  people: readonly Standing[],
  singleTools: readonly string[],
): { problem: LanesProblem; stations: Station[]; tools: string[] } {
  const { house } = plan.job.circumstances
  const steps = groups.flat()
  const asked = groups.map((group) =>
    group.map((step) => demandsOf(plan.job, step.operation)).reduce((a, b) => (b.persons > a.persons ? b : a)),
  )
  const stations = [
    ...new Set([
      ...people.map(({ station }) => station),
      ...steps.map(({ station }) => station),
      ...asked.flatMap(({ helperStation }) => helperStation ?? []),
    ]),
  ]
  const tools = [...new Set(['hand', ...people.map(({ tool }) => tool), ...steps.map(({ tool }) => tool)])]
  const ms = (seconds: number) => Math.round(seconds * 1000)
  const tasks = groups.map((group, i): LaneTask => {
    const { persons, helperStation } = asked[i]!
    const { station } = group[0]!
    const tool = group.map((step) => step.tool).find((name) => name !== 'hand') ?? 'hand'
    return {
      durationMs: ms(group.reduce((sum, step) => sum + step.workS, 0)),
      station: stations.indexOf(station),
      tool: tools.indexOf(tool),
      helperStation: persons > 1 ? stations.indexOf(helperStation ?? station) : null,
    }
  })
  return {
    stations,
    tools,
    problem: {
      tasks,
      pairs: pairsOf(plan, groups),
      walkMs: withoutDetours(stations.map((a) => stations.map((b) => ms(moveS(house, a, b))))),
      toolMs: tools.map((from) => tools.map((to) => (to === 'hand' || from === to ? 0 : ms(house.toolChangeS)))),
      // A task of two that names no station for the second is done side by side.
      holds: stations.map((name, station) =>
        Math.max(
          house.stations.find((own) => own.name === name)?.persons ?? 1,
          tasks.some((task) => task.station === station && task.helperStation === station) ? 2 : 1,
        ),
      ),
      single: tools.map((name) => singleTools.includes(name)),
      people: people.map(({ station, tool }) => ({ station: stations.indexOf(station), tool: tools.indexOf(tool) })),
    },
  }
}
