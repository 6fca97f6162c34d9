import { useEffect, useRef, useState } from 'react'
import type { ReplanAnswer } from '@/client/planning'
import type { Hand } from '@/core/job/event'
import type { PlanError } from '@/core/plan/find/findPlan'
import type { PlanRequest } from '@/core/plan/ask/planRequest'
import type { JobData, PlannedJob } from './useJob'

type Offer = Extract<ReplanAnswer, { ok: true }>['value']
/** `quiet`: it is adopted as soon as it is there; nothing opens over what somebody is typing. */
export type Replanning =
  | { state: 'idle' }
  | { state: 'quiet' }
  | { state: 'working' }
  | { state: 'offer'; offer: Offer; request: PlanRequest; people: readonly Hand[] }
  | { state: 'refused'; error: PlanError; request: PlanRequest }

/**
 * A plan from where a job stands, worked out beside the page. `adopt` makes it the job's plan; `atOnce` adopts without
 * asking.
 */
export function useReplan(data: JobData, job: PlannedJob) {
  const [replanning, setReplanning] = useState<Replanning>({ state: 'idle' })
  const asked = useRef<{ cancel: () => void } | null>(null)
  useEffect(() => () => asked.current?.cancel(), [])
  const adopt = (offer: Offer, request: PlanRequest, people: readonly Hand[]) => {
    job.record([{ kind: 'plan adopted', request, found: offer.found, people: [...people], lanes: offer.lanes }])
    setReplanning({ state: 'idle' })
  }
  const ask = (
    request: PlanRequest = job.request,
    people: readonly Hand[] = job.state.people,
    { atOnce = false, also = [] as typeof job.log.events } = {},
  ) => {
    asked.current?.cancel()
    setReplanning({ state: atOnce ? 'quiet' : 'working' })
    const input = {
      document: job.document,
      events: [...job.log.events, ...also],
      request,
      house: data.house,
      rules: data.rules,
      found: data.found,
      people: [...people],
      singleTools: data.singleTools,
      nowMs: Date.now(),
    }
    const asking = { live: true }
    asked.current = { cancel: () => (asking.live = false) }
    // The worker and the way to it are loaded when they are first asked.
    void import('@/client/planning').then(({ startReplan }) => {
      if (!asking.live) return
      const planning = startReplan(input, () => undefined)
      asked.current = { cancel: () => ((asking.live = false), planning.cancel()) }
      return planning.answer.then((answer) => asking.live && show(answer))
    })
    const show = (answer: ReplanAnswer) => {
      if (!answer.ok) setReplanning({ state: 'refused', error: answer.error, request })
      else if (atOnce) adopt(answer.value, request, people)
      else setReplanning({ state: 'offer', offer: answer.value, request, people })
    }
  }
  const drop = () => {
    asked.current?.cancel()
    setReplanning({ state: 'idle' })
  }
  return { replanning, ask, adopt, drop }
}
export type Replan = ReturnType<typeof useReplan>
