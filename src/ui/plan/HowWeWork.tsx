'use client'
import type { ProcedureForBuild } from '@/core/procedure/forBuild'
import type { PlanOnCards } from '@/core/plan/show/planOnCards'
import { Policy } from '@/core/plan/ask/policy'
import type { Station } from '@/core/procedure/station'
import { Choice, Section } from './PlanChoices'
import { MethodChoice } from './MethodChoice'

/** Habits, battery, methods and people: what an answer is asked under. */
export function HowWeWork({
  model,
  plan,
  policy,
  onPolicy,
  starts,
  onStarts,
  stations,
}: {
  model: ProcedureForBuild
  plan: PlanOnCards | null
  policy: Policy
  onPolicy: (policy: Policy) => void
  starts: Station[]
  onStarts: (starts: Station[]) => void
  stations: readonly Station[]
}) {
  return (
    <Section title="How we work">
      <div className="space-y-2">
        <Choice
          label="Panels"
          value={policy.resting}
          options={['rest', 'set aside']}
          onChange={(resting) => onPolicy({ ...policy, resting })}
        />
        <Choice
          label="Habit"
          value={policy.habit}
          options={['quickest', 'panel by panel', 'tool in hand']}
          onChange={(habit) => onPolicy({ ...policy, habit })}
        />
        {[...model.settings.values()].some((setting) => setting.role === 'battery') && (
          <Choice
            label="Battery"
            value={policy.battery}
            options={['stays on', 'off first']}
            words={{ 'stays on': 'battery stays on', 'off first': 'battery off first' }}
            onChange={(battery) => onPolicy({ ...policy, battery })}
          />
        )}
        {plan && <MethodChoice model={model} plan={plan} policy={policy} onChange={onPolicy} />}
        <Choice
          label="People"
          value={`${starts.length}`}
          options={['1', '2', '3']}
          words={{ '1': 'alone', '2': 'two', '3': 'three' }}
          onChange={(count) => onStarts(Array.from({ length: Number(count) }, (_, i) => starts[i] ?? starts.at(-1)!))}
        />
        {starts.map((station, person) => (
          <label key={person} className="block">
            <span className="text-[15px] text-second">
              {starts.length === 1 ? 'Starting at' : `Person ${person + 1} starts at`}
            </span>
            <select
              className="field"
              value={station}
              onChange={(event) => onStarts(starts.map((other, i) => (i === person ? event.target.value : other)))}
            >
              {stations.map((name) => (
                <option key={name}>{name}</option>
              ))}
            </select>
          </label>
        ))}
      </div>
    </Section>
  )
}
