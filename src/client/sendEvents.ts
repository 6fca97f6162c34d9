import { z } from 'zod'
import { JobEvent } from '@/core/job/event'
import type { Send } from './jobLog'

const Answer = z.object({ status: z.string(), stored: z.array(z.string()).optional(), sentence: z.string().optional() })

/** Posts events to the shop. Anything that is not a clear answer counts as offline: it is tried again. */
export function sendTo(jobId: string): Send {
  return async (events) => {
    try {
      const response = await fetch(`/api/jobs/${jobId}/events`, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify({ events }), signal: AbortSignal.timeout(10_000) })
      if (response.status === 401) return { kind: 'refused', sentence: 'This tablet is signed out. Sign in again: everything is kept here until then.' }
      const answer = Answer.safeParse(await response.json())
      if (answer.success && answer.data.stored) return { kind: 'stored', ids: answer.data.stored }
      if (answer.success && answer.data.sentence && response.status < 500) return { kind: 'refused', sentence: answer.data.sentence }
      return { kind: 'offline' }
    } catch {
      return { kind: 'offline' }
    }
  }
}

const Events = z.object({ events: z.array(JobEvent), upTo: z.number(), acting: z.object({ id: z.string(), name: z.string() }) })

/** What the shop got after a place (0 = everything), and the place reached; null when it can't be reached. */
export async function fetchEvents(jobId: string, after: number): Promise<z.infer<typeof Events> | null> {
  try {
    const response = await fetch(`/api/jobs/${jobId}/events?after=${after}`, { signal: AbortSignal.timeout(10_000) })
    if (!response.ok) return null
    const parsed = Events.safeParse(await response.json())
    return parsed.success ? parsed.data : null
  } catch {
    return null
  }
}
