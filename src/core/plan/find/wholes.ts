import { reachedFrom, successors } from '../../order/graph'
import { isEarly } from '../../order/reach'
import { keyOf } from '../../procedure/acts'
import { mayRestFree } from '../../procedure/resting'
import type { SearchOperation } from '../../sequence/problem'
import { demandsOf } from '../derive/demandsOf'
import type { DerivedJob } from '../derive/derivedJob'
import type { Legs } from '../derive/leg'

/**
 * Per part that may not rest: its release, the plugs that open then, its lift, and what has to be done between them.
 */
export function wholesOf(job: DerivedJob, legs: Legs, number: ReadonlyMap<string, number>): number[][] {
  const { model } = job
  const then = successors(legs.wayIn.edges)
  return [...job.removal.levels].flatMap(([partId, level]) => {
    const part = model.parts.get(partId)!
    if (level !== 'off' || mayRestFree(part)) return []
    // What has to wait for the battery comes last: the others are opened meanwhile.
    const late = (model.tyingOf.get(partId) ?? [])
      .filter((tether) => !isEarly(tether))
      .sort((a, b) => Number(a.circuit === 'srs-firing') - Number(b.circuit === 'srs-firing'))
      .map((tether) => keyOf('open', tether.id))
    const own: string[] = [keyOf('release', partId), ...late, keyOf('lift', partId)].filter((key) => number.has(key))
    if (own.length < 2) return []
    const after = reachedFrom(then, own[0]!)
    // A look that tells a facet may come between the release and what hangs on it.
    const between = [...after].filter(
      (key) => number.has(key) && !own.includes(key) && own.slice(1).some((later) => reachedFrom(then, key).has(later)),
    )
    const whole = inOrder([...own, ...between], then)
    return isOneGo(job, legs.wayIn, whole) ? [whole.map((key) => number.get(key)!)] : []
  })
}

/** The same on the way out, where nothing in the go minds a plug that the go itself closes. */
export function wholesBack(
  job: DerivedJob,
  legs: Legs,
  number: ReadonlyMap<string, number>,
  searched: readonly SearchOperation[],
): number[][] {
  const then = successors(legs.wayOut.edges)
  return [...job.backInOneGo.values()].flatMap((go) => {
    const keys = inOrder(
      go.filter((key) => number.has(key)),
      then,
    )
    const own = keys.map((key) => number.get(key)!)
    const mindsItself = own.some((i) =>
      searched[i]!.guards.some((guard) => guard.operations.some((other) => own.includes(other))),
    )
    return own.length < 2 || mindsItself || !isOneGo(job, legs.wayOut, keys) ? [] : [own]
  })
}

/** Whether these acts can be one go: at one station and with one tool at most. */
function isOneGo(job: DerivedJob, leg: Legs['wayIn'], keys: readonly string[]): boolean {
  const asked = keys.map((key) => demandsOf(job, leg.operations.get(key)!))
  const tools = new Set(asked.map(({ tool }) => tool).filter((tool) => tool !== 'hand'))
  return tools.size <= 1 && new Set(asked.map(({ stations }) => stations[0])).size <= 1
}

/** The keys in an order that keeps what comes before what. */
function inOrder(keys: readonly string[], then: ReadonlyMap<string, readonly string[]>): string[] {
  const reach = new Map(keys.map((key) => [key, reachedFrom(then, key)]))
  const left = [...keys]
  const sorted: string[] = []
  while (left.length > 0) {
    const at = left.findIndex((key) => !left.some((other) => other !== key && reach.get(other)!.has(key)))
    sorted.push(...left.splice(Math.max(0, at), 1))
  }
  return sorted
}
