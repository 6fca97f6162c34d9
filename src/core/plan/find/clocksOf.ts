import type { Clock, Clocks } from '../../sequence/clock'
import { leastFromAny } from '../../sequence/leastFromAny'
import { partOf } from '../../sequence/partOf'
import { FAR } from '../../sequence/placeTables'
import type { SearchProblem } from '../../sequence/problem'
import type { JobWaits, Wait } from '../show/waits'

/** What comes after the wait is searched so far for its bound. */
const MOST_STATES = 1_000

/**
 * The waits of a job as clocks of the search; null where there is none. The longest wait of the plugs after battery off
 * is one, the longest of what sets, cools or dries another. Both are told in turn where all that could fill the second
 * comes after a plug that waits (the way out comes after the way in); else the plugs alone. What is left out is seen
 * when the order is run through, and less is called proven. Cost: a search of what comes after a wait for each that may
 * be the first of those that wait, and every way the settings may stand.
 */
export function clocksOf(job: JobWaits): Clocks | null {
  const battery = batteryClock(job)
  const setting = settingClock(job)
  const inTurn =
    battery && setting
      ? isInTurn(job, battery, setting)
        ? [battery, setting]
        : [battery]
      : [battery ?? setting].filter((clock) => clock !== null)
  if (inTurn.length === 0) return null
  const { spent } = job.sequenced
  return { inTurn, workMs: job.workS.map((workS) => Math.round(workS * 1000)), ...(spent && { spent }) }
}

function batteryClock(job: JobWaits): Clock | null {
  const plugs = job.waits.filter((wait) => wait.isPlug)
  if (plugs.length === 0) return null
  const { problem, combinations } = job.sequenced
  const running = combinations.map((settings) => settings.get(job.batteryId!) === 'off')
  // A shop's own rule may let a plug be opened under power, and then it need not wait at all.
  if (plugs.some(({ after }) => problem.operations[after]!.allowed.some((may, c) => may && !running[c]))) return null
  return clockFor(job, plugs, running, null)
}

/** What sets, cools or dries starts its clock when it is done, or has started it already, whatever the settings. */
function settingClock(job: JobWaits): Clock | null {
  const [longest] = job.waits.filter((wait) => !wait.isPlug).sort((a, b) => b.waitS - a.waitS || a.after - b.after)
  if (!longest) return null
  const alike = job.waits.filter(
    (wait) => !wait.isPlug && wait.before === longest.before && wait.waitS === longest.waitS,
  )
  return clockFor(
    job,
    alike,
    job.sequenced.combinations.map(() => true),
    typeof longest.before === 'number' ? longest.before : null,
  )
}

function clockFor(job: JobWaits, waits: readonly Wait[], running: readonly boolean[], startedBy: number | null): Clock {
  const waitMs = Math.round(Math.max(...waits.map((wait) => wait.waitS)) * 1000)
  return {
    running,
    startedBy,
    waiting: new Set(waits.map((wait) => wait.after)),
    waitMs,
    leftMs: waits.some((wait) => wait.before === 'now') ? waitMs : 0,
    afterMs: leastAfterMs(job, waits, running),
  }
}

/**
 * Whether all that could be done while the second clock runs, and what starts it, comes after something that waits for
 * the first.
 */
function isInTurn({ sequenced, ancestors, descendants }: JobWaits, first: Clock, second: Clock): boolean {
  if (second.startedBy === null) return false
  const follows = (i: number, waiting: ReadonlySet<number>) => [...waiting].some((other) => ancestors[i]!.has(other))
  const fills = [...sequenced.operations.keys()].filter(
    (i) => !descendants[i]!.has(second.startedBy!) && !second.waiting.has(i) && !follows(i, second.waiting),
  )
  return fills.every((i) => follows(i, first.waiting))
}

/**
 * The least set-up of what must come after the first of those that wait, whichever that is, with whatever is best in
 * hand and set.
 */
function leastAfterMs(job: JobWaits, waits: readonly Wait[], running: readonly boolean[]): number {
  const firsts = waits.filter(({ after }) => !waits.some((other) => job.ancestors[after]!.has(other.after)))
  return Math.min(...firsts.map(({ after }) => leastAfterOneMs(job, after, waits, running)))
}

function leastAfterOneMs(
  { sequenced, ancestors, descendants }: JobWaits,
  first: number,
  waits: readonly Wait[],
  running: readonly boolean[],
): number {
  const { problem, wholes } = sequenced
  const inOneGo = wholes.find((whole) => whole.includes(first)) ?? [first]
  const withIt = inOneGo.slice(inOneGo.indexOf(first) + 1)
  const later = new Set(
    [...waits.map(({ after }) => after), ...withIt].flatMap((operation) => [operation, ...descendants[operation]!]),
  )
  later.delete(first)
  const done = new Set([...ancestors[first]!, first])
  const whole = withFreeTool(problem)
  const { station } = problem.operations[first]!
  const tool = inOneGo.map((i) => problem.operations[i]!.tool).find((held) => held !== 0) ?? whole.freeTool
  const starts = [...running.keys()]
    .filter((c) => running[c] && inOneGo.every((i) => problem.operations[i]!.allowed[c]))
    .map((combination) => ({ tool, station, combination }))
  if (starts.length === 0) return 0
  const part = partOf(whole.problem, wholes, later, done, starts[0]!, problem.finish)
  const leastMs = leastFromAny(part.problem, part.wholes, starts, MOST_STATES)
  return leastMs < FAR ? leastMs : 0
}

/**
 * The problem with a tool more, from which every other is taken up for nothing: the same as having had the best in
 * hand.
 */
function withFreeTool(problem: SearchProblem): { problem: SearchProblem; freeTool: number } {
  const freeTool = problem.toolMs.length
  const toolMs = [...problem.toolMs.map((row) => [...row, 0]), Array.from({ length: freeTool + 1 }, () => 0)]
  return { problem: { ...problem, toolMs }, freeTool }
}
