/**
 * A wait by the clock: the first of `waiting` may not be done before it has run for `waitMs`. It runs while the
 * settings stand at one of the combinations `running`, without a break (the battery is off); or, where an operation
 * starts it, from when that is done (glue). An order that stops the clock between two of `waiting` waits again for the
 * second; that is seen when it is run through, and no bound counts it.
 */
export type Clock = {
  running: readonly boolean[]
  /** The operation that starts it; null where settings do, or where it runs from the start. */
  startedBy: number | null
  /** Only done while it runs. */
  waiting: ReadonlySet<number>
  waitMs: number
  /** What of the wait is left where it runs already at the start. */
  leftMs: number
  /** What comes after the first of `waiting` takes so much set-up at least; 0 where that is not known. */
  afterMs: number
}

/**
 * Clocks one after another: nothing that could be done while one of them runs may be done before the wait for the one
 * before it is over. What is done meanwhile takes its time as well, which is why durations count here and nowhere else
 * in a search.
 */
export type Clocks = {
  inTurn: readonly Clock[]
  /** Per operation, how long it takes. */
  workMs: readonly number[]
  /**
   * What walking and taking up a tool really take, where the costs of the problem hold a habit's weights as well; left
   * out where they don't.
   */
  spent?: { walkMs: readonly (readonly number[])[]; toolMs: readonly (readonly number[])[] }
}

/**
 * When an operation may be done, as to one clock: before it is started for the last time, while it has to be waited,
 * after the first that waits. `waits`: it is one of those that wait; `starts`: it starts the clock.
 */
export type Phases = { before: boolean; meanwhile: boolean; after: boolean; waits: boolean; starts: boolean }
