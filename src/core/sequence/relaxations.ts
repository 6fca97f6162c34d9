import { withoutDetours, type SearchProblem } from './problem'
import { Relaxation } from './relaxation'

/*
 * Ways to divide a problem into relaxations whose sum is a bound: each tool is in one of them, and of the walking no
 * more is given out than there is.
 */

/** Tools of one relaxation; more couple better and take longer. */
const TOOLS_TOGETHER = 3
/** A relaxation that grows beyond this from the start is split. */
const MOST_STATES = 60_000
/**
 * So many states at most where settings, walking and tools are told together (a tenth to a fifth of a second, as seen),
 * and with one tool; fewer where there are many places, since each then takes longer.
 */
const MOST_TOGETHER = 12_000
const MOST_WITH_ONE = 5_000
const MANY_PLACES = 24
/** One tool more makes it grow by about that or more, in the seeded records. */
const GROWS_BY = 2.5

/** The tools of a problem, the most used first. */
function toolsOf(problem: SearchProblem): number[] {
  const uses = problem.toolMs.map((_, tool) => problem.operations.filter((operation) => operation.tool === tool).length)
  return uses
    .flatMap((count, tool) => (tool > 0 && count > 0 ? [tool] : []))
    .sort((a, b) => uses[b]! - uses[a]! || a - b)
}

/** Tools in groups of a few, each with its share of the walking, and the settings with a part of it. */
export function dealt(problem: SearchProblem, withSettings: number): Relaxation[] {
  const settings = problem.combinations > 1
  const tools = toolsOf(problem)
  const perTool = (settings ? 1 - withSettings : 1) / Math.max(1, tools.length)
  // The most used tools are spread over the groups.
  const groups = Array.from({ length: Math.ceil(tools.length / TOOLS_TOGETHER) }, (): number[] => [])
  tools.forEach((tool, i) => groups[i % groups.length]!.push(tool))
  const relaxations = groups.flatMap((group) => split(problem, group, perTool))
  if (settings || tools.length === 0)
    relaxations.push(
      new Relaxation(problem, {
        tools: [],
        walkMs: shareOf(problem.walkMs, tools.length === 0 ? 1 : withSettings),
        settings,
      }),
    )
  return relaxations
}

/** One relaxation for these tools, or several where one would grow too large. */
function split(problem: SearchProblem, tools: readonly number[], perTool: number): Relaxation[] {
  const one = new Relaxation(problem, {
    tools,
    walkMs: shareOf(problem.walkMs, perTool * tools.length),
    settings: false,
  })
  if (tools.length === 1 || one.solveFromStart(MOST_STATES)) return [one]
  const half = Math.ceil(tools.length / 2)
  return [tools.slice(0, half), tools.slice(half)].flatMap((part) => split(problem, part, perTool))
}

/**
 * Settings, all of the walking and as many tools as fit in one, those first that say most beside them; the other tools
 * in another, without any walking. Cost: some 40,000 states at most.
 */
export function together(problem: SearchProblem): Relaxation[] {
  const tools = toolsOf(problem)
  const settings = problem.combinations > 1
  const share = Math.min(1, MANY_PLACES / (problem.walkMs.length * problem.combinations))
  const withTools = (kept: readonly number[], most: number) => {
    const one = new Relaxation(problem, { tools: kept, walkMs: problem.walkMs, settings })
    return one.solveFromStart(most * share) ? one : null
  }
  const apart = (kept: readonly number[]) => {
    const others = tools.filter((tool) => !kept.includes(tool))
    return others.length > 0
      ? [new Relaxation(problem, { tools: others, walkMs: shareOf(problem.walkMs, 0), settings: false })]
      : []
  }
  const withOne = tools.flatMap((tool) => {
    const one = withTools([tool], MOST_WITH_ONE)
    return one
      ? [{ tool, one, saysMs: [one, ...apart([tool])].reduce((sum, relaxation) => sum + relaxation.atStart(), 0) }]
      : []
  })
  withOne.sort((a, b) => b.saysMs - a.saysMs || a.one.size - b.one.size || a.tool - b.tool)
  if (withOne.length === 0)
    return [new Relaxation(problem, { tools: [], walkMs: problem.walkMs, settings }), ...apart([])]
  let kept = [withOne[0]!.tool]
  let best = withOne[0]!.one
  for (const { tool } of withOne.slice(1)) {
    // Another tool would hardly fit.
    if (best.size * GROWS_BY > MOST_TOGETHER * share) break
    const one = withTools([...kept, tool], MOST_TOGETHER)
    if (!one) break
    kept = [...kept, tool]
    best = one
  }
  return [best, ...apart(kept)]
}

/** A part of the walking in whole milliseconds, never more than the part. */
function shareOf(walkMs: SearchProblem['walkMs'], part: number): number[][] {
  return withoutDetours(walkMs.map((row) => row.map((cost) => Math.floor(cost * part))))
}
