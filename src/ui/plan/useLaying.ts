import { useEffect, useMemo, useState } from 'react'
import { startLaying, type LaidAnswer, type PlanningInput } from '@/client/planning'

export type Laying = {
  /** What is asked of the planner, with the leads as work; null while they are laid, and where they can't be. */
  input: PlanningInput | null
  /** How they lie, or why they can't; null where there are none, or while it is worked out for the first time. */
  answer: LaidAnswer | null
  working: boolean
}

/**
 * The leads of a request laid beside the page, before its plan is looked for. What has none is passed on as it is, at
 * once. What other ways would cost is asked once the layout is there.
 */
export function useLaying(input: PlanningInput | null): Laying {
  const [known, setKnown] = useState<{ input: PlanningInput; answer: LaidAnswer } | null>(null)
  const [others, setOthers] = useState<{ input: PlanningInput; answer: LaidAnswer } | null>(null)
  const asks = input !== null && input.request.kits.some(({ kit }) => kit.leads.length > 0)
  useEffect(() => {
    if (!input || !asks) return
    let live = true
    const first = startLaying(input, false)
    let second: ReturnType<typeof startLaying> | null = null
    first.answer.then((answer) => {
      if (!live) return
      setKnown({ input, answer })
      if (!answer.ok || answer.value.layout.kind !== 'laid') return
      second = startLaying(input, true)
      second.answer.then((more) => live && setOthers({ input, answer: more }))
    })
    return () => {
      live = false
      first.cancel()
      second?.cancel()
    }
  }, [input, asks])
  const current = asks && known?.input === input ? known : null
  const laid = useMemo(
    () => (current?.answer.ok && current.answer.value.layout.kind === 'laid' ? { ...current.input, request: current.answer.value.request } : null), // prettier-ignore
    [current],
  )
  if (!asks) return { input, answer: null, working: false }
  const answer = (others?.input === input ? others.answer : current?.answer) ?? null
  return { input: laid, answer, working: current === null }
}
