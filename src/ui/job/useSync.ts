import { useEffect, useRef } from 'react'
import type { JobLog } from '@/client/jobLog'
import { fetchEvents } from '@/client/sendEvents'

const POLL_MS = 4000
/**
 * Where several people work, what one does is seen by the others at once: nobody may be told to sit where another sits.
 */
const POLL_TOGETHER_MS = 1000
const RETRY_MS = 3000
const DOOR_AFTER_MS = 1000

/** Keeps what is on this device and what the shop has together: opens, sends again, asks for what is new. */
export function useSync(log: JobLog, jobId: string, isTogether: boolean): void {
  const opened = useRef(false)
  useEffect(() => {
    if (!opened.current) void log.open()
    opened.current = true
    // The parser is no part of the first load: a tap has no words in it that would have to be trimmed.
    const door = setTimeout(
      () =>
        void import('@/client/eventDoor').then(
          ({ JobEvent }) => log.checkBy((event) => JobEvent.parse(event)),
          () => undefined,
        ),
      DOOR_AFTER_MS,
    )
    const retry = setInterval(() => void log.flush(), RETRY_MS)
    const online = () => void log.flush()
    window.addEventListener('online', online)
    return () => {
      clearTimeout(door)
      clearInterval(retry)
      window.removeEventListener('online', online)
    }
  }, [log, jobId])
  const upTo = useRef(0)
  useEffect(() => {
    let asking = false
    const poll = setInterval(
      async () => {
        if (window.document.hidden || asking) return
        asking = true
        const fresh = await fetchEvents(jobId, upTo.current)
        asking = false
        if (!fresh) return
        upTo.current = fresh.upTo
        log.receive(fresh.events, fresh.notUnderstood)
      },
      isTogether ? POLL_TOGETHER_MS : POLL_MS,
    )
    return () => clearInterval(poll)
  }, [log, jobId, isTogether])
}
