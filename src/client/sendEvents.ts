import type { ReadEvents } from '@/core/job/readEvents'
import type { Send } from './outbox'

/** The door is loaded when it is first needed, and kept by the browser. */
const door = () => import('./eventDoor')

/**
 * Posts events to the shop. No answer at all counts as offline; an answer that says the shop's machine can't work, as
 * out of order; one that says something is wrong with this, or that it was too much at once, as failed: all are tried
 * again.
 */
export function sendTo(jobId: string): Send {
  return async (events) => {
    try {
      const response = await fetch(`/api/jobs/${jobId}/events`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ events, each: true }),
        signal: AbortSignal.timeout(10_000),
      })
      if (response.status === 401)
        return {
          kind: 'held',
          sentence: 'This tablet is signed out. Sign in again: everything is kept here until then.',
        }
      if (response.status === 500 || response.status === 413) return { kind: 'failed' }
      const { Answer } = await door()
      const answer = Answer.safeParse(await response.json())
      if (!answer.success) return { kind: 'failed' }
      const { stored, refused, sentence } = answer.data
      if (response.status === 503 && sentence) return { kind: 'out of order', sentence }
      if (stored) return { kind: 'answered', stored, refused }
      return sentence ? { kind: 'held', sentence } : { kind: 'failed' }
    } catch {
      return { kind: 'offline' }
    }
  }
}

/** What the shop got after a place (0 = everything), and the place reached; null when it can't be reached. */
export async function fetchEvents(jobId: string, after: number): Promise<(ReadEvents & { upTo: number }) | null> {
  try {
    const response = await fetch(`/api/jobs/${jobId}/events?after=${after}`, { signal: AbortSignal.timeout(10_000) })
    if (!response.ok) return null
    const { Events, readEvents } = await door()
    const parsed = Events.safeParse(await response.json())
    if (!parsed.success) return null
    const read = readEvents(parsed.data.events)
    return {
      events: read.events,
      notUnderstood: [...parsed.data.notUnderstood, ...read.notUnderstood],
      upTo: parsed.data.upTo,
    }
  } catch {
    return null
  }
}
