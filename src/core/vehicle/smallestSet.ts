import { compareText } from '../base/compareText'

/**
 * Something that must be so, and the alternative sets of acts that make it so. An empty list of alternatives: nothing
 * does.
 */
export type Obligation = readonly (readonly string[])[]

/**
 * The smallest set of acts that meets every obligation, or null when one can't be met. Exact: every combination of
 * alternatives that could still be smaller is tried; ties go to the smaller keys, so that every machine names the same
 * set. Cost: product of the alternatives of those obligations that have more than one.
 */
export function smallestSet(obligations: readonly Obligation[]): string[] | null {
  if (obligations.some((options) => options.length === 0)) return null
  const forced = new Set(obligations.filter((options) => options.length === 1).flatMap((options) => options[0]!))
  const open = obligations
    .filter((options) => options.length > 1)
    .map((options) => [...options].sort((a, b) => a.length - b.length || compareText(a.join(), b.join())))
  let best: string[] | null = null
  const better = (set: ReadonlySet<string>) =>
    best === null ||
    set.size < best.length ||
    (set.size === best.length && compareText([...set].sort(compareText).join(), best.join()) < 0)
  const visit = (at: number, set: ReadonlySet<string>) => {
    if (best !== null && set.size > best.length) return
    if (at === open.length) {
      if (better(set)) best = [...set].sort(compareText)
      return
    }
    for (const option of open[at]!) visit(at + 1, new Set([...set, ...option]))
  }
  visit(0, forced)
  return best
}
