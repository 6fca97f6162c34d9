/**
 * A job for several people as a bare problem: tasks that are done once each, by one or two people, one task at a time
 * at a station (or as many as it holds), each person with tools of their own. Everything is numbered; times are whole
 * milliseconds.
 */
export type LanesProblem = {
  tasks: readonly LaneTask[]
  /**
   * Before, after, and how long `after` waits once `before` is done. Without a circle; the number of `before` is the
   * smaller.
   */
  pairs: readonly LanePair[]
  /** Walking, rows from, columns to, closed under detours. */
  walkMs: readonly (readonly number[])[]
  /** Taking up a tool; tool 0 is the bare hand, which leaves what is carried as it is. */
  toolMs: readonly (readonly number[])[]
  /** How many tasks each station holds at a time. */
  holds: readonly number[]
  /** Tools of which there is one for everybody. */
  single: readonly boolean[]
  /** Where each person stands at first and what is in hand. */
  people: readonly { station: number; tool: number }[]
}

/** `helperStation`: where a second person stands while it is done; null for a task of one. */
export type LaneTask = { durationMs: number; station: number; tool: number; helperStation: number | null }
export type LanePair = { before: number; after: number; delayMs: number }

/** One task in its lane. `helper` is the second person, or null. */
export type Placed = { task: number; person: number; helper: number | null; startMs: number; endMs: number }
