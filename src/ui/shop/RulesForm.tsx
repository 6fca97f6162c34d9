'use client'
import { Pencil, Plus, Trash2 } from 'lucide-react'
import { useState } from 'react'
import { SEVERITIES, type Severity } from '@/core/procedure/severity'
import { BUILT_IN_RULES } from '@/core/vehicle/builtInRules'
import type { Rule, ShopRules } from '@/core/vehicle/rule'
import { SignalPlate } from '../marks/Signs'
import { Dialog } from '../shell/Dialog'
import { patternWords } from '@/words/rules'
import { OwnRuleForm } from './OwnRuleForm'
import { useFilledFrom, useSaving, type Saved, type SaveShared } from './useSaving'

/**
 * The rules of safety: the built-in ones, which can be raised and never weakened, and the shop's own. Saved as they are
 * changed.
 */
export function RulesForm({ rules, may, save }: { rules: ShopRules; may: boolean; save: SaveShared<ShopRules> }) {
  const [now, setNow] = useState(rules)
  const [edited, setEdited] = useState<Rule | 'new' | null>(null)
  const saving = useSaving()
  const saveFilled = useFilledFrom(rules, save)
  const change = (next: ShopRules) =>
    saving.save(
      () => saveFilled(next),
      () => setNow(next),
    )
  const raise = (rule: Rule, severity: Severity) => {
    const { [rule.id]: _, ...others } = now.raised
    change({ ...now, raised: severity === rule.severity ? others : { ...others, [rule.id]: severity } })
  }
  return (
    <div className="space-y-10">
      <p className="max-w-3xl text-second">
        Every plan and every tap is judged by these. The maker’s data, local rules and licensed people go first.{' '}
        {may ? '' : 'The owner changes them: tap the name at the top to change who acts.'}
      </p>
      <p role={saving.failed ? 'alert' : 'status'} className={`font-semibold ${saving.failed ? 'text-stop' : ''}`}>
        {saving.said}
      </p>
      <section>
        <h2 className="flex items-center justify-between border-b-2 border-ink pb-1 text-xl">
          Our own
          <button type="button" className="desk-button text-base" disabled={!may} onClick={() => setEdited('new')}>
            <Plus size={16} aria-hidden /> Add a rule
          </button>
        </h2>
        {now.added.length === 0 && (
          <p className="py-2 text-second">None yet. Add what this shop learnt the hard way.</p>
        )}
        <ul>
          {now.added.map((rule) => (
            <li
              key={rule.id}
              className="grid gap-x-4 gap-y-1 border-b border-hair py-2.5 md:grid-cols-[120px_1fr_auto]"
            >
              <span>
                <SignalPlate severity={rule.severity} small />
              </span>
              <RuleText rule={rule} />
              <span className="flex items-start gap-2">
                <button
                  type="button"
                  className="desk-button"
                  disabled={!may}
                  onClick={() => setEdited(rule)}
                  aria-label={`Change: ${rule.sentence}`}
                >
                  <Pencil size={16} aria-hidden /> Change
                </button>
                <button
                  type="button"
                  className="desk-button"
                  disabled={!may || saving.pending}
                  onClick={() => change({ ...now, added: now.added.filter((other) => other.id !== rule.id) })}
                  aria-label={`Remove: ${rule.sentence}`}
                >
                  <Trash2 size={16} aria-hidden />
                </button>
              </span>
            </li>
          ))}
        </ul>
      </section>
      <section>
        <h2 className="border-b-2 border-ink pb-1 text-xl">Built in</h2>
        <p className="py-2 text-second">
          They hold under every policy. A shop can take one more seriously; nobody can switch one off.
        </p>
        <ul>
          {BUILT_IN_RULES.map((rule) => (
            <li
              key={rule.id}
              className="grid gap-x-4 gap-y-1 border-b border-hair py-2.5 md:grid-cols-[120px_1fr_auto]"
              data-rule={rule.id}
            >
              <span>
                <SignalPlate severity={now.raised[rule.id] ?? rule.severity} small />
              </span>
              <RuleText rule={rule} />
              <label className="text-sm">
                <span className="sr-only">Severity of “{rule.sentence}”</span>
                <select
                  className="field !w-auto"
                  disabled={!may || saving.pending}
                  value={now.raised[rule.id] ?? rule.severity}
                  onChange={(event) => raise(rule, event.target.value as Severity)}
                >
                  {SEVERITIES.slice(0, SEVERITIES.indexOf(rule.severity) + 1).map((severity) => (
                    <option key={severity} value={severity}>
                      {severity === rule.severity ? `${severity} (built in)` : `raised to ${severity}`}
                    </option>
                  ))}
                </select>
              </label>
            </li>
          ))}
        </ul>
      </section>
      <Dialog
        title={edited === 'new' ? 'A rule of our own' : 'Change the rule'}
        open={edited !== null}
        onClose={() => setEdited(null)}
        wide
      >
        {edited !== null && (
          <OwnRuleForm
            rule={edited === 'new' ? null : edited}
            taken={[...BUILT_IN_RULES, ...now.added].map((rule) => rule.id)}
            close={() => setEdited(null)}
            save={async (rule) => {
              const next = {
                ...now,
                added:
                  edited === 'new'
                    ? [...now.added, rule]
                    : now.added.map((other) => (other.id === rule.id ? rule : other)),
              }
              const answer = await saveFilled(next).catch((): Saved => ({
                status: 'refused',
                sentence: 'The shop can’t be reached. What you typed is still here; try again when it can.',
              }))
              if (answer.status === 'done') setNow(next)
              return answer.status === 'refused' ? answer.sentence : null
            }}
          />
        )}
      </Dialog>
    </div>
  )
}

function RuleText({ rule }: { rule: Rule }) {
  return (
    <div className="min-w-0">
      <p className="font-semibold">{rule.sentence}</p>
      {rule.remedy && <p>{rule.remedy}</p>}
      {rule.confirm.length > 0 && <p className="text-[15px]">Confirmed by hand: {rule.confirm.join('; ')}.</p>}
      <p className="text-[15px] text-second">
        {patternWords(rule)} {rule.origin}
      </p>
    </div>
  )
}
