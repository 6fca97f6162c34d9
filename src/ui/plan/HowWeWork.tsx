'use client'
import type { ProcedureForBuild } from '@/core/procedure/forBuild'
import type { PlanOnCards } from '@/core/plan/show/planOnCards'
import { closedAtOnce } from '@/core/plan/show/closedAtOnce'
import { itemWords } from '@/words/items'
import { kitMinutesWords } from '@/words/kitWords'
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
        <Choice
          label="Tests"
          value={policy.tests}
          options={['before it is hidden', 'at hand-over']}
          words={{ 'before it is hidden': 'test, then close', 'at hand-over': 'close at once' }}
          onChange={(tests) => onPolicy({ ...policy, tests })}
        />
        {plan && <RiskOfClosing plan={plan} />}
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

/** What it costs if a test at the end fails. */
function RiskOfClosing({ plan }: { plan: PlanOnCards }) {
  const risk = closedAtOnce(plan)
  if (!risk) return null
  const { document } = plan.job.model
  const names = risk.functionIds.map((id) => plan.job.added.get(id)?.name ?? itemWords(document, id))
  return (
    <p role="status" className="border-l-4 border-ink pl-2 text-[15px]" data-risk>
      <b>Not tried before it is closed over: {names.join(', ')}.</b> If one fails at the end,{' '}
      {risk.partIds.map((id) => itemWords(document, id)).join(', ')} {risk.partIds.length === 1 ? 'comes' : 'come'} off
      again: about {kitMinutesWords(risk.againS)}.
    </p>
  )
}
