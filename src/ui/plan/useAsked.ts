import { useCallback, useMemo } from 'react'
import type { PlanningInput } from '@/client/planning'
import type { Goal } from '@/core/order/wish'
import { PlanRequest } from '@/core/plan/ask/planRequest'
import type { Policy } from '@/core/plan/ask/policy'
import type { Station } from '@/core/procedure/station'
import type { Build } from '@/core/procedure/when'
import type { FittedKit } from '@/core/shop/kitHere'
import type { PlanData } from './planData'
import { useLaying, type Laying } from './useLaying'

/** What was chosen on the page. `ready`: enough is known to ask. Each keeps its identity while it stays the same. */
type Chosen = {
  goals: Goal[]
  kits: readonly FittedKit[]
  build: Build
  tells: Readonly<Record<string, readonly string[]>>
  policy: Policy
  start: Station
  ready: boolean
}

export type Asked = {
  /** Whether anything is asked at all; its leads may still be being laid. */
  asked: boolean
  laying: Laying
  /** The same with another way of working, its leads as they lie. */
  ask: ((policy: Policy) => PlanningInput) | null
  /** The same with other kits. */
  askWith: (kits: readonly FittedKit[]) => PlanningInput
}

/** What is asked of the planner by what was chosen: leads are laid first, then the plan is looked for. */
export function useAsked(
  { document, heads, house, rules }: Pick<PlanData, 'document' | 'heads' | 'house' | 'rules'>,
  { goals, kits, build, tells, policy, start, ready }: Chosen,
): Asked {
  const askWith = useCallback(
    (kits: readonly FittedKit[]): PlanningInput => ({
      document,
      request: PlanRequest.parse({ goals, kits, build, tells, heads, policy, start }),
      ...{ house, rules },
    }),
    [document, goals, build, tells, heads, policy, start, house, rules],
  )
  const bare = useMemo(() => (ready ? askWith(kits) : null), [askWith, kits, ready])
  const laying = useLaying(bare)
  const { input } = laying
  const ask = useMemo(
    () => input && ((other: Policy) => ({ ...input, request: { ...input.request, policy: other } })),
    [input],
  )
  return { asked: bare !== null, laying, ask, askWith }
}
