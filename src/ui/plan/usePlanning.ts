import { useEffect, useState } from 'react'
import { startExtras, startLanes, startPlanning, type LanesAnswer, type PlanningInput } from '@/client/planning'
import type { Result } from '@/core/base/result'
import type { PlanError, PlanProgress } from '@/core/plan/findPlan'
import { planFrom, type JobPlan } from '@/core/plan/planFrom'
import type { PlanExtras } from '@/core/plan/planExtras'
import type { Station } from '@/core/procedure/station'
import { forBuild } from '@/core/procedure/forBuild'
import { rulesInForce } from '@/core/vehicle/rulesInForce'

export type Planned = {
  /** The last answer; it stays while the next one is worked out. */
  result: Result<JobPlan, PlanError> | null
  /** Set while an answer is worked out that takes longer than half a second. */
  progress: PlanProgress | null
  /** Whether the answer belongs to what is asked now. */
  current: boolean
  /** Somebody stopped the search for what is asked now. */
  stopped: boolean
  stop: () => void
}

const SHOWN_AFTER_MS = 500

/** A plan worked out beside the page. Asked anew when the input changes; null asks nothing. Keep the input's identity while it stays the same. */
export function usePlanning(input: PlanningInput | null): Planned {
  const [answered, setAnswered] = useState<{ input: PlanningInput; result: Result<JobPlan, PlanError> } | null>(null)
  const [progress, setProgress] = useState<{ input: PlanningInput; now: PlanProgress } | null>(null)
  const [stopped, setStopped] = useState<PlanningInput | null>(null)

  useEffect(() => {
    if (!input || stopped === input) return
    const begunMs = performance.now()
    let live = true
    const planning = startPlanning(input, (now) => {
      if (live && performance.now() - begunMs > SHOWN_AFTER_MS) setProgress({ input, now })
    })
    planning.answer.then((found) => {
      if (!live) return
      const plan = found.ok ? planFrom(forBuild(input.document, input.request.build, input.request.heads), input.request, input.house, rulesInForce(input.rules), found.value) : found
      if (!plan.ok && plan.error.kind === 'stale') throw new Error(`A plan just found does not fit its own record at ${plan.error.key}.`)
      setAnswered({ input, result: plan as Result<JobPlan, PlanError> })
    })
    return () => {
      live = false
      planning.cancel()
    }
  }, [input, stopped])

  const waiting = input !== null && answered?.input !== input && stopped !== input
  return {
    result: input ? (answered?.result ?? null) : null,
    progress: waiting && progress?.input === input ? progress.now : null,
    current: answered?.input === input,
    stopped: input !== null && stopped === input,
    stop: () => setStopped(input),
  }
}

/** What is worth knowing beside a plan, once the plan is there; null while it is not. */
export function useExtras(input: PlanningInput | null, planned: Planned): PlanExtras | null {
  const [known, setKnown] = useState<{ plan: JobPlan; extras: PlanExtras | null } | null>(null)
  const plan = planned.current && planned.result?.ok ? planned.result.value : null
  useEffect(() => {
    if (!plan || !input) return
    let live = true
    const asked = startExtras(input, plan.found)
    asked.answer.then((extras) => live && setKnown({ plan, extras }))
    return () => {
      live = false
      asked.cancel()
    }
  }, [plan, input])
  return known && known.plan === plan ? known.extras : null
}

export type SharedOut = { answer: LanesAnswer | null; working: boolean; stop: () => void }

/** A plan shared out, once the plan is there; nothing for one person. `starts` and `singleTools` keep their identity. */
export function useLanes(input: PlanningInput | null, planned: Planned, starts: Station[], singleTools: string[]): SharedOut {
  const [known, setKnown] = useState<{ plan: JobPlan; starts: Station[]; answer: LanesAnswer | null } | null>(null)
  const [stopped, setStopped] = useState<Station[] | null>(null)
  const plan = planned.current && planned.result?.ok ? planned.result.value : null
  useEffect(() => {
    if (!plan || !input || starts.length < 2 || stopped === starts) return
    let live = true
    const asked = startLanes(input, plan.found, starts, singleTools)
    asked.answer.then((answer) => live && setKnown({ plan, starts, answer }))
    return () => {
      live = false
      asked.cancel()
    }
  }, [plan, input, starts, singleTools, stopped])
  const answer = known && known.plan === plan && known.starts === starts ? known.answer : null
  return { answer, working: plan !== null && starts.length > 1 && answer === null && stopped !== starts, stop: () => setStopped(starts) }
}
