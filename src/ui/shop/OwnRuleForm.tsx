'use client'
import { useState, type FormEvent } from 'react'
import { CheckList } from '../forms/CheckList'
import { SEVERITIES } from '@/core/procedure/severity'
import { SETTING_ROLES } from '@/core/procedure/setting'
import { CIRCUITS } from '@/core/procedure/circuits'
import { RULE_ACTS } from '@/core/procedure/acts'
import { Rule, type Condition } from '@/core/vehicle/rule'
import { SelectField, TextField } from '../forms/Field'
import { ACT_WORDS, patternWords } from '@/words/rules'

type Draft = {
  severity: string
  sentence: string
  remedy: string
  effect: string
  everyState: boolean
  acts: string[]
  circuits: string[]
  flag: string
  openCircuits: string[]
  role: string
  values: string
}
const FLAGS = ['', 'brittle', 'painted', 'hot', 'fuel', 'heavy'] as const

/**
 * A rule in the words of the trade: what it says, at which acts, while what. Shown as a sentence before it is saved.
 */
export function OwnRuleForm({
  rule,
  taken,
  save,
  close,
}: {
  rule: Rule | null
  taken: readonly string[]
  save: (rule: Rule) => Promise<string | null>
  close: () => void
}) {
  const [draft, setDraft] = useState<Draft>(() => draftOf(rule))
  const [problem, setProblem] = useState('')
  const [busy, setBusy] = useState(false)
  const set = (more: Partial<Draft>) => setDraft({ ...draft, ...more })
  const parsed = Rule.safeParse(ruleOf(draft, rule?.id ?? freeId(draft.sentence, taken)))
  const submit = async (event: FormEvent) => {
    event.preventDefault()
    if (!parsed.success) return setProblem(parsed.error.issues[0]!.message)
    if (parsed.data.at === null && parsed.data.while.length === 0)
      return setProblem('A rule for every state needs a condition: say while what it bites.')
    setBusy(true)
    const sentence = await save(parsed.data)
    setBusy(false)
    if (sentence) setProblem(sentence)
    else close()
  }
  return (
    <form className="space-y-4" onSubmit={submit} noValidate>
      <TextField
        label="What it says"
        value={draft.sentence}
        maxLength={300}
        onChange={(event) => set({ sentence: event.target.value })}
      />
      <TextField
        label="What to do"
        value={draft.remedy}
        maxLength={300}
        onChange={(event) => set({ remedy: event.target.value })}
      />
      <div className="grid gap-4 sm:grid-cols-2">
        <SelectField
          label="Severity"
          value={draft.severity}
          onChange={(event) => set({ severity: event.target.value })}
          help="DANGER will kill or seriously injure, WARNING could, CAUTION could injure moderately, NOTICE is damage only."
        >
          {SEVERITIES.map((severity) => (
            <option key={severity}>{severity}</option>
          ))}
        </SelectField>
        <SelectField label="It" value={draft.effect} onChange={(event) => set({ effect: event.target.value })}>
          <option value="cautions">is said when the act comes</option>
          <option value="refuses">refuses the act</option>
        </SelectField>
      </div>
      <label className="flex items-center gap-3">
        <input
          type="checkbox"
          className="size-5 accent-[var(--petrol)]"
          checked={draft.everyState}
          onChange={(event) =>
            set({ everyState: event.target.checked, effect: event.target.checked ? 'refuses' : draft.effect })
          }
        />
        It holds in every state, whatever is being done
      </label>
      {!draft.everyState && (
        <>
          <CheckList
            label="At which acts"
            options={RULE_ACTS.map((act) => [act, ACT_WORDS[act] ?? act])}
            chosen={draft.acts}
            onChange={(acts) => set({ acts })}
          />
          <CheckList
            label="Only at plugs of these circuits"
            options={CIRCUITS.map((circuit) => [circuit, circuit])}
            chosen={draft.circuits}
            onChange={(circuits) => set({ circuits })}
          />
          <SelectField
            label="Only at parts that are"
            value={draft.flag}
            onChange={(event) => set({ flag: event.target.value })}
          >
            {FLAGS.map((flag) => (
              <option key={flag} value={flag}>
                {flag === '' ? 'any part' : flag === 'fuel' ? 'a tank' : flag}
              </option>
            ))}
          </SelectField>
        </>
      )}
      <CheckList
        label="While a plug of these circuits is open"
        options={CIRCUITS.map((circuit) => [circuit, circuit])}
        chosen={draft.openCircuits}
        onChange={(openCircuits) => set({ openCircuits })}
      />
      <div className="grid gap-4 sm:grid-cols-2">
        <SelectField
          label="While this setting"
          value={draft.role}
          onChange={(event) => set({ role: event.target.value })}
        >
          <option value="">no setting</option>
          {SETTING_ROLES.filter((role) => role !== 'other').map((role) => (
            <option key={role}>{role}</option>
          ))}
        </SelectField>
        <TextField
          label="is at none of these values"
          help="Separate with commas: off, park"
          value={draft.values}
          disabled={draft.role === ''}
          onChange={(event) => set({ values: event.target.value })}
        />
      </div>
      <p className="border-l-8 border-petrol bg-sheet p-3">
        {parsed.success ? patternWords(parsed.data) : 'As a sentence it will stand here once it is complete.'}
      </p>
      <div className="flex flex-wrap items-center gap-4">
        <button className="desk-button main" disabled={busy}>
          {busy ? 'Saving…' : 'Save the rule'}
        </button>
        <p role="alert" className="font-semibold text-stop">
          {problem}
        </p>
      </div>
    </form>
  )
}

function draftOf(rule: Rule | null): Draft {
  const setting = rule?.while.find((condition) => condition.kind === 'setting not')
  const open = rule?.while.find((condition) => condition.kind === 'open')
  const flag = FLAGS.find((name) => name !== '' && rule?.at?.[name]) ?? ''
  return {
    severity: rule?.severity ?? 'CAUTION',
    sentence: rule?.sentence ?? '',
    remedy: rule?.remedy ?? '',
    effect: rule?.effect ?? 'cautions',
    everyState: rule !== null && rule.at === null,
    acts: rule?.at?.acts ?? ['release'],
    circuits: rule?.at?.circuits ?? [],
    flag,
    openCircuits: open?.circuits ?? [],
    role: setting?.role ?? '',
    values: setting?.values.join(', ') ?? '',
  }
}

function ruleOf(draft: Draft, id: string): unknown {
  const values = draft.values
    .split(',')
    .map((word) => word.trim())
    .filter(Boolean)
  const conditions: unknown[] = [
    ...(draft.openCircuits.length > 0 ? [{ kind: 'open', circuits: draft.openCircuits }] : []),
    ...(draft.role !== ''
      ? [
          { kind: 'setting not', role: draft.role, values } satisfies {
            kind: Condition['kind']
            role: string
            values: string[]
          },
        ]
      : []),
  ]
  const at = draft.everyState
    ? null
    : {
        acts: draft.acts,
        ...(draft.circuits.length > 0 && { circuits: draft.circuits }),
        ...(draft.flag !== '' && { [draft.flag]: true }),
      }
  return {
    id,
    severity: draft.severity,
    sentence: draft.sentence,
    remedy: draft.remedy,
    origin: 'This shop.',
    effect: draft.effect,
    at,
    while: conditions,
  }
}

function freeId(sentence: string, taken: readonly string[]): string {
  const base = `own-${
    sentence
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .slice(0, 24)
      .replace(/^-|-$/g, '') || 'rule'
  }`
  let id = base
  for (let n = 2; taken.includes(id); n++) id = `${base}-${n}`
  return id
}
