import { Visits } from './visits'
import { FAR } from './placeTables'
import type { SearchProblem } from './problem'
import type { Relaxation } from './relaxation'
import { dealt, together } from './relaxations'

/**
 * Parts of the walking that may go with the settings, where there are any: little where they are set at hand, all where
 * one walks to the battery.
 */
const WALKING_WITH_SETTINGS = [0.2, 1]
/**
 * Up to so many spots the relaxations see the walking whole; beyond (a habit makes a spot of each panel) leaving is
 * counted apart.
 */
const FEW_SPOTS = 8

/**
 * What the rest of a job takes at least: the sum of relaxations, each with tools, settings and a share of the walking
 * of its own, so that no cost is counted twice. Where there are many spots, leaving them is counted apart.
 */
export class LowerBound {
  private constructor(
    private readonly relaxations: readonly Relaxation[],
    private readonly visits: Visits | null,
  ) {}

  /**
   * With the part of the walking beside the settings that says most at the start. Cost: the relaxations of each part,
   * from the start.
   */
  static bestFor(whole: SearchProblem): LowerBound {
    const { problem, visits } = walkingApart(whole)
    const parts = problem.combinations > 1 ? WALKING_WITH_SETTINGS : [0]
    return mostAtStart(
      parts.map((part) => new LowerBound(dealt(problem, part), visits)),
      whole,
    )
  }

  /**
   * Says more, and takes longer to work out: the settings, all of the walking and as many tools as can be told whole
   * together; the other tools apart. With all tools it is what the rest really takes. `quick`: what `bestFor` made of
   * the same problem.
   */
  static strongFor(whole: SearchProblem, quick = LowerBound.bestFor(whole)): LowerBound {
    const { problem, visits } = walkingApart(whole)
    return mostAtStart([new LowerBound(together(problem), visits), quick], whole)
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
}

/** The bounds of a problem for one look at it after another; each is worked out when it is first asked for. */
export class Bounds {
  private known: LowerBound | null = null

  constructor(private readonly problem: SearchProblem) {}

  readonly quick = (): LowerBound => (this.known ??= LowerBound.bestFor(this.problem))
  readonly strong = (): LowerBound => LowerBound.strongFor(this.problem, this.quick())
}

/** Beyond a few spots the relaxations get what is left of the walking once leaving each is counted. */
function walkingApart(whole: SearchProblem): { problem: SearchProblem; visits: Visits | null } {
  const visits = whole.walkMs.length > FEW_SPOTS ? new Visits(whole) : null
  return { problem: visits ? { ...whole, walkMs: visits.restMs } : whole, visits }
}

/** Of some bounds the one that says most at the start; of equal ones the first. */
function mostAtStart(bounds: readonly LowerBound[], { operations, start, combinations }: SearchProblem): LowerBound {
  const words = new Int32Array(Math.max(1, Math.ceil(operations.length / 32)))
  const values = bounds.map((bound) =>
    bound.value(words, 0, start.tool, start.station * combinations + start.combination),
  )
  return bounds[values.indexOf(Math.max(...values))]!
}
