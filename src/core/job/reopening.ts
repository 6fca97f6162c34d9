import type { JobEvent } from './event'
import { HAPPENINGS } from './happenings'

/**
 * How many of the events that arrived after a hand-over change what was signed for: those that reopen, and those that
 * take such a one back or put it right. Zero = the hand-over stands. `all`: the log with them in it.
 */
export function reopening(all: readonly JobEvent[], arrived: readonly JobEvent[]): number {
  const kinds = new Map(all.map((event) => [event.id, event.what.kind]))
  const reopens = (id: string | null) => {
    const kind = id === null ? undefined : kinds.get(id)
    return kind !== undefined && HAPPENINGS[kind].reopens
  }
  return arrived.filter((event) => reopens(event.id) || reopens(event.corrects)).length
}
