import { compareText } from '../base/compareText'

/**
 * Something that must be so, and the alternative sets of acts that make it so. An empty list of alternatives: nothing
 * does.
 */
export type Obligation = readonly (readonly string[])[]

/**
 * What is known of the acts themselves. `excludes`: what an act decides ("how the lever stands"); two that decide the
 * same otherwise are never both done. `isFree`: nothing has to be done for it, it is so already.
 */
export type ActsOfSet = { excludes: (act: string) => string | null; isFree: (act: string) => boolean }

const NOTHING_KNOWN: ActsOfSet = { excludes: () => null, isFree: () => false }

/**
 * The smallest set of acts that meets every obligation, or null when one can't be met. Exact: every combination of
 * alternatives that could still be smaller is tried; ties go to the smaller keys, so that every machine names the same
 * set. Cost: product of the alternatives of those obligations that have more than one.
 */
export function smallestSet(
  obligations: readonly Obligation[],
  { excludes, isFree }: ActsOfSet = NOTHING_KNOWN,
): string[] | null {
  if (obligations.some((options) => options.length === 0)) return null
  const isPossible = (acts: ReadonlySet<string>) => {
    const decided = [...acts].flatMap((act) => excludes(act) ?? [])
    return new Set(decided).size === decided.length
  }
  const toDo = (acts: ReadonlySet<string>) => [...acts].filter((act) => !isFree(act)).sort(compareText)
  const forced = new Set(obligations.filter((options) => options.length === 1).flatMap((options) => options[0]!))
  if (!isPossible(forced)) return null
  const open = obligations
    .filter((options) => options.length > 1)
    .map((options) => [...options].sort((a, b) => a.length - b.length || compareText(a.join(), b.join())))
  let best: string[] | null = null
  const visit = (at: number, acts: ReadonlySet<string>) => {
    const all = toDo(acts)
    if (best !== null && all.length > best.length) return
    if (at === open.length) {
      if (best === null || all.length < best.length || compareText(all.join(), best.join()) < 0) best = all
      return
    }
    for (const option of open[at]!) {
      const more = new Set([...acts, ...option])
      if (isPossible(more)) visit(at + 1, more)
    }
  }
  visit(0, forced)
  return best
}
