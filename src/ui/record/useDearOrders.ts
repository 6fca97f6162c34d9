import { useEffect, useRef, useState } from 'react'
import { startDearOrders } from '@/client/planning'
import type { Question } from '@/core/strip/questions'
import type { JobData, LiveJob } from '../job/useJob'

/** Nothing is worked out while somebody is still telling: only once they have been quiet for so long. */
const QUIET_MS = 4000

/** Orders of a strip that cost time and that nobody has explained, worked out in a worker whenever there is a pause. */
export function useDearOrders(job: LiveJob, data: JobData): readonly Question[] {
  const [dear, setDear] = useState<readonly Question[]>([])
  const told = job.state.history.length
  const latest = useRef({ job, data })
  useEffect(() => {
    latest.current = { job, data }
  })
  useEffect(() => {
    let cancel = () => undefined as void
    const timer = setTimeout(() => {
      const { job: now, data: from } = latest.current
      const planning = startDearOrders(now.document, now.state.history, from.house, from.rules)
      cancel = planning.cancel
      // What can't be worked out is not asked.
      void planning.answer.then(setDear, () => undefined)
    }, QUIET_MS)
    return () => {
      clearTimeout(timer)
      cancel()
    }
  }, [told])
  return dear
}
