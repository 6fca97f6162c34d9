import type { JobEvent } from '@/core/job/event'
import type { Send } from './jobLog'

/** The door is loaded when it is first needed, and kept by the browser. */
const door = () => import('./eventDoor')

/** Posts events to the shop. Anything that is not a clear answer counts as offline: it is tried again. */
export function sendTo(jobId: string): Send {
  return async (events) => {
    try {
      const response = await fetch(`/api/jobs/${jobId}/events`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ events }),
        signal: AbortSignal.timeout(10_000),
      })
      if (response.status === 401)
        return {
          kind: 'refused',
          sentence: 'This tablet is signed out. Sign in again: everything is kept here until then.',
        }
      const { Answer } = await door()
      const answer = Answer.safeParse(await response.json())
      if (answer.success && answer.data.stored) return { kind: 'stored', ids: answer.data.stored }
      if (answer.success && answer.data.sentence && response.status < 500)
        return { kind: 'refused', sentence: answer.data.sentence }
      return { kind: 'offline' }
    } catch {
      return { kind: 'offline' }
    }
  }
}

/** What the shop got after a place (0 = everything), and the place reached; null when it can't be reached. */
export async function fetchEvents(jobId: string, after: number): Promise<{ events: JobEvent[]; upTo: number } | null> {
  try {
    const response = await fetch(`/api/jobs/${jobId}/events?after=${after}`, { signal: AbortSignal.timeout(10_000) })
    if (!response.ok) return null
    const { Events } = await door()
    const parsed = Events.safeParse(await response.json())
    return parsed.success ? parsed.data : null
  } catch {
    return null
  }
}
