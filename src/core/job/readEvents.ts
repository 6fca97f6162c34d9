import { StoredEvent, type JobEvent } from './event'

/** What could be read of a log, and the ids of what a newer program than this one has written into it. */
export type ReadEvents = { events: JobEvent[]; notUnderstood: string[] }

/**
 * Reads events one by one: one that this program does not understand keeps nobody from the others. Whoever reads with
 * some left over shows what there is, says so, and hands no vehicle over by it. Cost: O(events).
 */
export function readEvents(values: readonly unknown[]): ReadEvents {
  const events: JobEvent[] = []
  const notUnderstood: string[] = []
  for (const value of values) {
    const parsed = StoredEvent.safeParse(value)
    if (parsed.success) events.push(parsed.data)
    else notUnderstood.push(idOf(value))
  }
  return { events, notUnderstood }
}

/** The id of something that was sent, as it was sent, so that its sender knows it again; empty where it has none. */
export function idOf(value: unknown): string {
  const id = typeof value === 'object' && value !== null && 'id' in value ? value.id : null
  return typeof id === 'string' ? id.slice(0, 64) : ''
}
