import type { Clock, Phases } from './clock'
import type { Guard, SearchOperation, SearchProblem } from './problem'
import { factsOf, followsForFree, mayBeEarlier, mayBeLater, waitsForFree, type Facts } from './rules'

/**
 * A problem with fewer operations; per operation what it stands for, in the order that is done one right after the
 * other, and when it may be done as to each clock.
 */
export type Reduced = { problem: SearchProblem; members: number[][]; phases: (readonly Phases[])[] }

type Group = Facts & { members: number[]; before: Set<Group>; after: Set<Group>; alive: boolean }

/**
 * Joins operations that some cheapest order does one right after the other, so that fewer have to be ordered, and
 * numbers what is left in an order that keeps the pairs. docs/planner.md says why each way of joining loses nothing.
 * `wholes`: operations that have to be done in one go anyway, each in its order. `joining` false: nothing else is
 * joined. Cost: O(operations^2) a round.
 */
export function reduce(
  problem: SearchProblem,
  wholes: readonly (readonly number[])[] = [],
  { joining = true, clocks = [] }: { joining?: boolean; clocks?: readonly Clock[] } = {},
): Reduced {
  const groups = groupsOf(problem)
  for (const whole of wholes) joinWhole(whole.map((i) => groups[i]!))
  dropImplied(groups)
  tellPhases(groups, clocks)
  for (let changed = joining; changed;) {
    changed = false
    for (const group of groups) while (group.alive && joinForward(group)) changed = true
    for (const group of groups) while (group.alive && joinBackward(group)) changed = true
    if (joinTwins(groups)) changed = true
    if (changed) dropImplied(groups)
  }
  return renumber(problem, groups)
}

function groupsOf(problem: SearchProblem): Group[] {
  const groups = factsOf(problem).map((facts, i): Group => ({
    ...facts,
    members: [i],
    before: new Set(),
    after: new Set(),
    alive: true,
  }))
  for (const [first, then] of problem.pairs) {
    groups[first]!.after.add(groups[then]!)
    groups[then]!.before.add(groups[first]!)
  }
  return groups
}

/** When each group may be done, as to each clock. */
function tellPhases(groups: readonly Group[], clocks: readonly Clock[]): void {
  const alive = groups.filter((group) => group.alive)
  const phases = clocks.map((clock) => phasesAsTo(alive, clock))
  for (const group of alive) group.phases = phases.map((of) => of.get(group)!)
}

/**
 * What is not said to wait and does not follow what waits may be done meanwhile if the clock can run where it is done.
 */
function phasesAsTo(alive: readonly Group[], { running, startedBy, waiting }: Clock): Map<Group, Phases> {
  const waits = alive.filter((group) => group.members.some((member) => waiting.has(member)))
  const start = startedBy === null ? null : alive.find((group) => group.members.includes(startedBy))!
  const follow = new Set(waits.flatMap((group) => [...reach(group, 'after')]))
  const precede = waits.map((group) => reach(group, 'before'))
  const [beforeStart, afterStart] = [
    start ? reach(start, 'before') : new Set(),
    start ? reach(start, 'after') : new Set(),
  ]
  return new Map(
    alive.map((group): [Group, Phases] => {
      if (group === start) return [group, { before: true, meanwhile: false, after: false, waits: false, starts: true }]
      const isWaiting = waits.includes(group)
      const follows = isWaiting || follow.has(group)
      return [
        group,
        {
          before: !follows && !afterStart.has(group),
          meanwhile: !follows && !beforeStart.has(group) && group.allowed.some((may, c) => may && running[c]!),
          after: !precede.every((before) => before.has(group)),
          waits: isWaiting,
          starts: false,
        },
      ]
    }),
  )
}

function reach(from: Group, side: 'before' | 'after'): Set<Group> {
  const found = new Set<Group>()
  for (const stack = [...from[side]]; stack.length > 0;) {
    const at = stack.pop()!
    if (found.has(at)) continue
    found.add(at)
    stack.push(...at[side])
  }
  return found
}

/** v right after u, where v waits for u alone. */
function joinForward(u: Group): boolean {
  for (const v of u.after) {
    if (v.before.size !== 1 || v.first !== u.first || !followsForFree(u, v)) continue
    absorb(u, v, [...u.members, ...v.members])
    return true
  }
  return false
}

/** u right before v, where only v waits for u. */
function joinBackward(v: Group): boolean {
  for (const u of v.before) {
    if (u.after.size !== 1 || v.first !== u.first || !waitsForFree(u, v)) continue
    absorb(v, u, [...u.members, ...v.members])
    return true
  }
  return false
}

/**
 * Alike and waiting for the same (the later right after the earlier), or waited for by the same (the earlier right
 * before the later).
 */
function joinTwins(groups: readonly Group[]): boolean {
  let joined = false
  const numbers = new Map(groups.map((group, i) => [group, i]))
  const nameOf = (set: ReadonlySet<Group>) =>
    [...set]
      .map((group) => numbers.get(group)!)
      .sort((a, b) => a - b)
      .join()
  for (const side of ['before', 'after'] as const) {
    const first = new Map<string, Group>()
    for (const group of groups) {
      if (!group.alive || !(side === 'before' ? mayBeEarlier(group) : mayBeLater(group))) continue
      const name = `${group.first}/${group.station}/${group.tool}/${group.allowed.map(Number).join('')}/${nameOf(group[side])}`
      const twin = first.get(name)
      if (!twin) first.set(name, group)
      else {
        absorb(twin, group, [...twin.members, ...group.members])
        joined = true
      }
    }
  }
  return joined
}

function absorb(into: Group, gone: Group, members: number[]): void {
  into.members = members
  into.disables ||= gone.disables
  into.enables ||= gone.enables
  const gonePhases = gone.phases
  if (into.phases && gonePhases) into.phases = into.phases.map((phase, clock) => bothOf(phase, gonePhases[clock]!))
  gone.alive = false
  for (const group of gone.before) {
    group.after.delete(gone)
    if (group !== into) {
      group.after.add(into)
      into.before.add(group)
    }
  }
  for (const group of gone.after) {
    group.before.delete(gone)
    if (group !== into) {
      group.before.add(into)
      into.after.add(group)
    }
  }
  into.before.delete(gone)
  into.after.delete(gone)
}

/** When two operations joined in one may be done. */
function bothOf(a: Phases, b: Phases): Phases {
  return {
    before: a.before && b.before,
    meanwhile: a.meanwhile && b.meanwhile,
    after: a.after && b.after,
    waits: a.waits || b.waits,
    starts: a.starts || b.starts,
  }
}

/** Done in one go, in this order: the tool of the one that has one, the settings that all of them allow. */
function joinWhole(whole: readonly Group[]): void {
  const [first, ...rest] = whole
  if (!first) return
  const tools = new Set(whole.map((group) => group.tool).filter((tool) => tool !== 0))
  if (tools.size > 1 || whole.some((group) => group.station !== first.station))
    throw new Error('What is done in one go takes one tool at one station: split it, or give its operations the same.')
  for (const group of rest) {
    first.allowed = first.allowed.map((may, i) => may && group.allowed[i]!)
    first.guards = [...first.guards, ...group.guards]
    absorb(first, group, [...first.members, ...group.members])
  }
  first.tool = [...tools][0] ?? 0
}

/** Leaves out what follows from other pairs, so that "waits for it alone" can be seen. */
function dropImplied(groups: readonly Group[]): void {
  const order = sorted(groups)
  const reach = new Map<Group, Set<Group>>()
  for (const group of [...order].reverse()) {
    const below = new Set<Group>()
    for (const next of group.after) for (const far of reach.get(next)!) below.add(far)
    for (const next of [...group.after])
      if (below.has(next)) {
        group.after.delete(next)
        next.before.delete(group)
      }
    for (const next of group.after) below.add(next)
    reach.set(group, below)
  }
}

/** The living groups in an order that keeps the pairs; the earlier number first. */
function sorted(groups: readonly Group[]): Group[] {
  const waiting = new Map(groups.filter((group) => group.alive).map((group) => [group, group.before.size]))
  const order: Group[] = []
  const ready = [...waiting.keys()].filter((group) => group.before.size === 0).reverse()
  for (let group = ready.pop(); group; group = ready.pop()) {
    order.push(group)
    for (const next of group.after) {
      const left = waiting.get(next)! - 1
      waiting.set(next, left)
      if (left === 0) ready.push(next)
    }
  }
  if (order.length < waiting.size)
    throw new Error('The pairs run in a circle: look for the contradiction before ordering.')
  return order
}

function renumber(problem: SearchProblem, groups: readonly Group[]): Reduced {
  const order = sorted(groups)
  const numberOf = new Map<number, number>()
  order.forEach((group, i) => group.members.forEach((member) => numberOf.set(member, i)))
  // Turned over twice in one go is not turned at all.
  const guard = (old: Guard): Guard => {
    const operations: number[] = []
    for (const operation of old.operations) {
      const number = numberOf.get(operation)!
      if (operations.at(-1) === number) operations.pop()
      else operations.push(number)
    }
    return { ...old, operations }
  }
  const operations = order.map(({ first, tool, station, allowed, guards }): SearchOperation => ({
    ...(first !== undefined && { first }),
    tool,
    station,
    allowed,
    guards: guards.map(guard),
  }))
  const place = new Map(order.map((group, i) => [group, i]))
  return {
    members: order.map((group) => group.members),
    phases: order.map((group) => group.phases ?? []),
    problem: {
      ...problem,
      operations,
      pairs: order.flatMap((group, i) => [...group.after].map((next): [number, number] => [i, place.get(next)!])),
      acts: problem.acts.map((act) => ({ ...act, guards: act.guards.map(guard) })),
    },
  }
}
