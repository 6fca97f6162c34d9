import type { Clock } from './search/clock'
import { leastFromAny } from './search/leastFromAny'
import { partOf } from './search/partOf'
import { FAR } from './search/placeTables'
import type { SearchProblem } from './search/problem'
import type { JobWaits, Wait } from './waits'

/** What comes after the wait is searched so far for its bound. */
const MOST_STATES = 1_000

/**
 * The wait after battery off as a clock of the search; null where no plug waits for it. Of several waits the longest.
 * Cost: a search of what comes after the wait for every plug that may be the first and every way the settings may stand.
 */
export function batteryClock(job: JobWaits): Clock | null {
  const plugs = job.waits.filter((wait) => wait.isPlug)
  if (plugs.length === 0) return null
  const { problem, combinations } = job.sequenced
  const running = combinations.map((settings) => settings.get(job.batteryId!) === 'off')
  // A shop's own rule may let a plug be opened under power, and then it need not wait at all.
  if (plugs.some(({ after }) => problem.operations[after]!.allowed.some((may, c) => may && !running[c]))) return null
  // Every plug waits as long as any other: the rule knows one wait.
  const waitMs = Math.max(...plugs.map((wait) => wait.waitS)) * 1000
  return {
    running,
    waiting: new Set(plugs.map((wait) => wait.after)),
    waitMs,
    leftMs: plugs.some((wait) => wait.before === 'now') ? waitMs : 0,
    workMs: job.workS.map((workS) => Math.round(workS * 1000)),
    afterMs: leastAfterMs(job, plugs),
    ...(job.sequenced.spent && { spent: job.sequenced.spent }),
  }
}

/** The least set-up of what must come after the first of the plugs, whichever that is, with whatever is best in hand and set. */
function leastAfterMs(job: JobWaits, plugs: readonly Wait[]): number {
  const firsts = plugs.filter(({ after }) => !plugs.some((other) => job.ancestors[after]!.has(other.after)))
  return Math.min(...firsts.map(({ after }) => leastAfterPlugMs(job, after, plugs)))
}

function leastAfterPlugMs({ sequenced, ancestors, descendants, batteryId }: JobWaits, first: number, plugs: readonly Wait[]): number {
  const { problem, wholes, combinations } = sequenced
  const inOneGo = wholes.find((whole) => whole.includes(first)) ?? [first]
  const withIt = inOneGo.slice(inOneGo.indexOf(first) + 1)
  const later = new Set([...plugs.map(({ after }) => after), ...withIt].flatMap((operation) => [operation, ...descendants[operation]!]))
  later.delete(first)
  const done = new Set([...ancestors[first]!, first])
  const whole = withFreeTool(problem)
  const { station } = problem.operations[first]!
  const tool = inOneGo.map((i) => problem.operations[i]!.tool).find((held) => held !== 0) ?? whole.freeTool
  const starts = combinations.flatMap((settings, combination) => (settings.get(batteryId!) === 'off' && inOneGo.every((i) => problem.operations[i]!.allowed[combination]) ? [{ tool, station, combination }] : []))
  if (starts.length === 0) return 0
  const part = partOf(whole.problem, wholes, later, done, starts[0]!, problem.finish)
  const leastMs = leastFromAny(part.problem, part.wholes, starts, MOST_STATES)
  return leastMs < FAR ? leastMs : 0
}

/** The problem with a tool more, from which every other is taken up for nothing: the same as having had the best in hand. */
function withFreeTool(problem: SearchProblem): { problem: SearchProblem; freeTool: number } {
  const freeTool = problem.toolMs.length
  const toolMs = [...problem.toolMs.map((row) => [...row, 0]), Array.from({ length: freeTool + 1 }, () => 0)]
  return { problem: { ...problem, toolMs }, freeTool }
}
