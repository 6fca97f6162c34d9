'use client'
import type { PlanOnCards } from '@/core/plan/show/planOnCards'
import { Policy } from '@/core/plan/ask/policy'
import { methodsTo } from '@/core/order/settingAct'
import type { ProcedureForBuild } from '@/core/procedure/forBuild'

/**
 * Where a setting of this plan can be reached in more ways than one, the crew picks; "cheapest" leaves it to the plan.
 */
export function MethodChoice({
  model,
  plan,
  policy,
  onChange,
}: {
  model: ProcedureForBuild
  plan: PlanOnCards
  policy: Policy
  onChange: (policy: Policy) => void
}) {
  return [...plan.removal.settings.values()].flatMap((act) => {
    const options = methodsTo(model, act.settingId, act.value)
    if (options.length < 2) return []
    const key = `${act.settingId}=${act.value}`
    return (
      <label key={key} className="block">
        <span className="text-[15px] text-second">
          {model.settings.get(act.settingId)!.name} {act.value}
        </span>
        <select
          className="field"
          value={policy.methods[key] ?? ''}
          onChange={(event) => {
            const { [key]: _, ...others } = policy.methods
            onChange({ ...policy, methods: event.target.value ? { ...others, [key]: event.target.value } : others })
          }}
        >
          <option value="">whichever is quicker</option>
          {options.map((id) => (
            <option key={id} value={id}>
              {model.methods.get(id)!.method.name}
            </option>
          ))}
        </select>
        {!policy.methods[key] && (
          <span className="text-[14px] text-second">now: {model.methods.get(act.methodId)!.method.name}</span>
        )}
      </label>
    )
  })
}
