import { Visits } from './visits'
import { FAR } from './placeTables'
import { withoutDetours, type SearchProblem } from './problem'
import { Relaxation } from './relaxation'

/** Tools of one relaxation; more couple better and take longer. */
const TOOLS_TOGETHER = 3
/** Parts of the walking that may go with the settings, where there are any: little where they are set at hand, all where one walks to the battery. */
const WALKING_WITH_SETTINGS = [0.2, 1]
/** Up to so many spots the relaxations see the walking whole; beyond (a habit makes a spot of each panel) leaving is counted apart. */
const FEW_SPOTS = 8
/** A relaxation that grows beyond this from the start is split. */
const MOST_STATES = 60_000

/**
 * What the rest of a job takes at least: the sum of relaxations, each with tools, settings and a share of the walking of
 * its own, so that no cost is counted twice. Where there are many spots, leaving them is counted apart.
 */
export class LowerBound {
  private readonly relaxations: Relaxation[]
  private readonly visits: Visits | null

  /** `withSettings`: the part of the walking that goes with the settings. Any part gives a bound; which is best depends. */
  constructor(whole: SearchProblem, withSettings: number) {
    this.visits = whole.walkMs.length > FEW_SPOTS ? new Visits(whole) : null
    const problem = this.visits ? { ...whole, walkMs: this.visits.restMs } : whole
    const settings = problem.combinations > 1
    const uses = problem.toolMs.map((_, tool) => problem.operations.filter((operation) => operation.tool === tool).length)
    const tools = uses.flatMap((count, tool) => (tool > 0 && count > 0 ? [tool] : [])).sort((a, b) => uses[b]! - uses[a]! || a - b)
    const perTool = (settings ? 1 - withSettings : 1) / Math.max(1, tools.length)
    this.relaxations = this.dealt(tools).flatMap((group) => this.relaxed(problem, group, perTool))
    if (settings || tools.length === 0) this.relaxations.push(new Relaxation(problem, { tools: [], walkMs: shareOf(problem.walkMs, tools.length === 0 ? 1 : withSettings), settings }))
  }

  /** With the part of the walking that says most at the start. Cost: the relaxations of each part, from the start. */
  static bestFor(problem: SearchProblem): LowerBound {
    const words = new Int32Array(Math.max(1, Math.ceil(problem.operations.length / 32)))
    const { tool, station, combination } = problem.start
    const parts = problem.combinations > 1 ? WALKING_WITH_SETTINGS : [0]
    let best: LowerBound | null = null
    let most = -1
    for (const part of parts) {
      const bound = new LowerBound(problem, part)
      const value = bound.value(words, 0, tool, station * problem.combinations + combination)
      if (value > most) {
        best = bound
        most = value
      }
    }
    return best!
  }

  /** At least this much from here on; FAR or more when the rest can't be done at all. */
  value(words: Int32Array, offset: number, tool: number, place: number): number {
    let sum = this.visits?.value(words, offset, place) ?? 0
    for (const relaxation of this.relaxations) {
      sum += relaxation.value(words, offset, tool, place)
      if (sum >= FAR) return FAR
    }
    return sum
  }

  /** The most used tools spread over the groups. */
  private dealt(tools: readonly number[]): number[][] {
    const groups = Array.from({ length: Math.ceil(tools.length / TOOLS_TOGETHER) }, (): number[] => [])
    tools.forEach((tool, i) => groups[i % groups.length]!.push(tool))
    return groups
  }

  /** One relaxation for these tools, or several where one would grow too large. */
  private relaxed(problem: SearchProblem, tools: readonly number[], perTool: number): Relaxation[] {
    const one = new Relaxation(problem, { tools, walkMs: shareOf(problem.walkMs, perTool * tools.length), settings: false })
    if (tools.length === 1 || one.solveFromStart(MOST_STATES)) return [one]
    const half = Math.ceil(tools.length / 2)
    return [tools.slice(0, half), tools.slice(half)].flatMap((part) => this.relaxed(problem, part, perTool))
  }
}

/** A part of the walking in whole milliseconds, never more than the part. */
function shareOf(walkMs: SearchProblem['walkMs'], part: number): number[][] {
  return withoutDetours(walkMs.map((row) => row.map((cost) => Math.floor(cost * part))))
}
