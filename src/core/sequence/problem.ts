/**
 * The bare sequencing problem of a job: operations with a tool and a station, what must come before what, and the
 * settings as combinations between which acts lead. Everything is numbered; durations are left out, since every
 * operation is done once whatever the order. Costs are whole milliseconds, so that sums are exact and the same on every
 * machine.
 */
export type SearchProblem = {
  operations: readonly SearchOperation[]
  /** Before and after, by number. Without a circle. */
  pairs: readonly (readonly [number, number])[]
  /**
   * Taking up a tool, rows from, columns to. Tool 0 is the bare hand: its operations leave the carried tool as it is.
   */
  toolMs: readonly (readonly number[])[]
  /** Walking, rows from, columns to. */
  walkMs: readonly (readonly number[])[]
  /** How many combinations of settings there are; 1 where nothing needs a setting. */
  combinations: number
  acts: readonly SearchAct[]
  /** A tool of 0: nothing is carried yet. */
  start: { tool: number; station: number; combination: number }
  /** Per combination, whether the job may end there. */
  finish: readonly boolean[]
}

export type SearchOperation = {
  /**
   * Of the first part, all of which comes before all others (the way in before the way out). Nobody needs to say so.
   */
  first?: boolean
  tool: number
  station: number
  /** Per combination, whether it may be done there. */
  allowed: readonly boolean[]
  /** All must hold at the moment it is done. */
  guards: readonly Guard[]
}

/** One setting act: from a combination to another, where it is done, what it takes, and what must hold for it. */
export type SearchAct = { from: number; to: number; station: number; costMs: number; guards: readonly Guard[] }

/**
 * A fact that operations turn over, one after another in this order ("the lamp is open": opened, closed for a test,
 * opened again, closed): true at the beginning or not, and turned by each operation that is done. It holds while it is
 * as wanted.
 */
export type Guard = { operations: readonly number[]; initially: boolean; wants: boolean }

/**
 * A matrix of costs in which no detour is cheaper (all-pairs shortest ways, Floyd 1962). Not changed in place. Cost:
 * O(n^3).
 */
export function withoutDetours(costs: readonly (readonly number[])[]): number[][] {
  const closed = costs.map((row) => [...row])
  for (let via = 0; via < closed.length; via++)
    for (const row of closed)
      for (let to = 0; to < row.length; to++) row[to] = Math.min(row[to]!, row[via]! + closed[via]![to]!)
  return closed
}

/**
 * Whether each operation can take a guard away ("disabler") or bring one about ("enabler"), of acts or of operations.
 */
export function guardRoles({ operations, acts }: Pick<SearchProblem, 'operations' | 'acts'>): {
  disables: boolean[]
  enables: boolean[]
} {
  const disables = operations.map(() => false)
  const enables = operations.map(() => false)
  for (const guard of [...acts, ...operations].flatMap((item) => item.guards)) {
    let holds = guard.initially === guard.wants
    guard.operations.forEach((operation) => {
      holds = !holds
      if (holds) enables[operation] = true
      else disables[operation] = true
    })
  }
  return { disables, enables }
}
