import type { Id } from '../base/id'
import type { Facet, Tell } from './facet'
import type { Build } from './when'

/** How likely one choice of a facet is, by the tells that were seen. */
export type Likely = { choiceId: Id; p: number }

/**
 * How far a tell is to be believed: as often as it was right, and never as certain. One that was right n of n times
 * may be wrong at the next vehicle: it counts as n of n + 1.
 */
export function trustIn({ seen, right }: Pick<Tell, 'seen' | 'right'>): number {
  return Math.min(right / seen, seen / (seen + 1))
}

/**
 * Bayes over the counts. Before any tell every choice is as likely as another. A tell speaks for its choice as often as
 * it was right, and in equal shares for the others; several are taken as independent of each other. Sums to 1; null
 * where tells exclude every choice.
 *
 * Source: Bayes' theorem. Cost: O(choices x tells).
 */
export function likelyChoices(facet: Pick<Facet, 'choices'>, seenTells: ReadonlySet<Id>): Likely[] | null {
  const { choices } = facet
  const told = choices.flatMap(({ id, tells }) =>
    tells.filter((tell) => seenTells.has(tell.id)).map((tell) => ({ speaksFor: id, trust: trustIn(tell) })),
  )
  const weights = choices.map(({ id }) =>
    told.reduce((p, { speaksFor, trust }) => p * (speaksFor === id ? trust : (1 - trust) / (choices.length - 1)), 1),
  )
  const sum = weights.reduce((a, b) => a + b, 0)
  return sum === 0 ? null : choices.map(({ id }, i) => ({ choiceId: id, p: weights[i]! / sum }))
}

/** What tells make of a facet: `settled` from the threshold on, below it the likeliest is to be verified. */
export type ToldByTells =
  | { kind: 'none seen' }
  /** Tells of different choices were seen: at least one of them is wrong here. */
  | { kind: 'contradict'; tellIds: Id[] }
  | { kind: 'settled' | 'to be verified'; choiceId: Id; p: number }

/** Whether the tells seen are enough. `threshold`: the house's, 0.99 by default. */
export function toldByTells(facet: Facet, seenTells: ReadonlySet<Id>, threshold: number): ToldByTells {
  const speaking = facet.choices.map(({ tells }) => tells.filter(({ id }) => seenTells.has(id)))
  const seen = speaking.flat()
  if (seen.length === 0) return { kind: 'none seen' }
  if (speaking.filter((tells) => tells.length > 0).length > 1)
    return { kind: 'contradict', tellIds: seen.map(({ id }) => id) }
  const likely = likelyChoices(facet, seenTells)
  const best = likely?.reduce((a, b) => (b.p > a.p ? b : a))
  if (!best) return { kind: 'contradict', tellIds: seen.map(({ id }) => id) }
  return { kind: best.p >= threshold ? 'settled' : 'to be verified', ...best }
}

/** The build with what tells settle: a facet somebody has told stays as it was told. Cost: O(facets x tells). */
export function buildByTells(
  facets: readonly Facet[],
  build: Build,
  seen: Readonly<Record<Id, readonly Id[]>>,
  threshold: number,
): Build {
  const settled = facets.flatMap((facet): [Id, Id][] => {
    if (build[facet.id] !== undefined) return []
    const told = toldByTells(facet, new Set(seen[facet.id]), threshold)
    return told.kind === 'settled' ? [[facet.id, told.choiceId]] : []
  })
  return settled.length === 0 ? build : { ...build, ...Object.fromEntries(settled) }
}
