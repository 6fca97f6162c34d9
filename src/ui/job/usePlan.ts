import { useEffect, useMemo, useState } from 'react'
import type { Result } from '@/core/base/result'
import type { PlanError } from '@/core/plan/find/findPlan'
import type { FoundOrder } from '@/core/plan/find/foundOrder'
import { planOnCards, type PlanOnCards } from '@/core/plan/show/planOnCards'
import type { PlanRequest } from '@/core/plan/ask/planRequest'
import type { ProcedureForBuild } from '@/core/procedure/forBuild'
import type { HouseValues } from '@/core/shop/houseValues'
import type { Rule } from '@/core/vehicle/rule'

/**
 * The plan a job goes on with, and the model it is of. `planned` null: nothing is asked for, or it is being worked out
 * (`working`).
 */
export type PlanInUse = { model: ProcedureForBuild; planned: Result<PlanOnCards, PlanError> | null; working: boolean }

/**
 * The order kept with a job costs one derivation. Where it no longer fits its record (a facet told on the way, a strip
 * that goes on), another is looked for; the search is loaded only then, and until it answers the last plan stays, with
 * the model it is of.
 */
export function usePlan(
  model: ProcedureForBuild,
  request: PlanRequest | null,
  house: HouseValues,
  rules: readonly Rule[],
  found: FoundOrder | null,
): PlanInUse {
  const kept = useMemo(() => {
    const result = request && found ? planOnCards(model, request, house, rules, found) : null
    return result?.ok ? result : null
  }, [model, request, house, rules, found])
  const [looked, setLooked] = useState<{
    model: ProcedureForBuild
    request: PlanRequest
    planned: Result<PlanOnCards, PlanError>
  } | null>(null)
  const search = request !== null && kept === null
  const [last, setLast] = useState<{ model: ProcedureForBuild; planned: Result<PlanOnCards, PlanError> } | null>(null)
  // What is shown stays shown while another order is looked for: nothing that is being typed is lost.
  if (kept !== null && last?.planned !== kept) {
    setLast({ model, planned: kept })
    setLooked(null)
  }
  useEffect(() => {
    if (!search) return
    let live = true
    void import('@/core/plan/keptPlan').then(({ keptPlan }) => {
      if (live) setLooked({ model, request, planned: keptPlan(model, request, house, rules, found) })
    })
    return () => {
      live = false
    }
  }, [search, model, request, house, rules, found])
  if (!search) return { model, planned: kept, working: false }
  if (looked?.model === model && looked.request === request) return { ...looked, working: false }
  const shown = looked ?? last
  return { model: shown?.model ?? model, planned: shown?.planned ?? null, working: true }
}
