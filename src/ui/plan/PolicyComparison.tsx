'use client'
import { useMemo, useState } from 'react'
import type { PlanningInput } from '@/client/planning'
import type { PlanOnCards } from '@/core/plan/show/planOnCards'
import { planFigures, type PlanFigures } from '@/core/plan/show/planFigures'
import { Policy } from '@/core/plan/ask/policy'
import { planErrorSentence } from '@/words/problems'
import { timeWords } from './PlanAnswer'
import { usePlanning } from './usePlanning'

/** Ways of working that a crew talks about, each as what it changes. */
const WAYS: { name: string; change: Partial<Policy> }[] = [
  { name: 'quickest', change: { habit: 'quickest' } },
  { name: 'panel by panel', change: { habit: 'panel by panel' } },
  { name: 'tool in hand', change: { habit: 'tool in hand' } },
  { name: 'panels rest', change: { resting: 'rest' } },
  { name: 'lever left out meanwhile', change: { lever: 'left out' } },
  { name: 'lever back meanwhile', change: { lever: 'back meanwhile' } },
  { name: 'panels set aside', change: { resting: 'set aside' } },
  { name: 'battery stays on', change: { battery: 'stays on' } },
  { name: 'battery off first', change: { battery: 'off first' } },
  { name: 'tested before it is hidden', change: { tests: 'before it is hidden' } },
  { name: 'closed at once, tested at the end', change: { tests: 'at hand-over' } },
]

const ROWS: { name: string; value: (figures: PlanFigures) => string; number: (figures: PlanFigures) => number }[] = [
  { name: 'whole job', value: (figures) => timeWords(figures.totalS), number: (figures) => figures.totalS },
  { name: 'tool changes', value: (figures) => `${figures.toolChanges}`, number: (figures) => figures.toolChanges },
  { name: 'moves', value: (figures) => `${figures.moves}`, number: (figures) => figures.moves },
  {
    name: 'plugs opened',
    value: (figures) => `${figures.connectorsOpened}`,
    number: (figures) => figures.connectorsOpened,
  },
  { name: 'brittle clips', value: (figures) => `${figures.brittleClips}`, number: (figures) => figures.brittleClips },
]

/** The plan beside the same job worked in another way. Minutes hold no weights: they are what the steps take. */
export function PolicyComparison({
  plan,
  ask,
  onTake,
}: {
  plan: PlanOnCards
  ask: ((policy: Policy) => PlanningInput) | null
  onTake: (policy: Policy) => void
}) {
  const now = plan.request.policy
  const others = WAYS.filter(({ change }) => JSON.stringify({ ...now, ...change }) !== JSON.stringify(now))
  const [name, setName] = useState('')
  const other = others.find((way) => way.name === name) ?? null
  const policy = useMemo(() => {
    const way = WAYS.find((candidate) => candidate.name === name)
    return way ? Policy.parse({ ...now, ...way.change }) : null
  }, [name, now])
  const input = useMemo(() => (policy && ask ? ask(policy) : null), [policy, ask])
  const { result, current } = usePlanning(input)
  const compared = current && result?.ok ? planFigures(result.value) : null
  const own = planFigures(plan)
  return (
    <section className="border-t-2 border-ink pt-2" aria-label="Compare">
      <label className="flex items-center justify-between gap-3">
        <span className="font-bold">Compare with</span>
        <select className="field max-w-52" value={other?.name ?? ''} onChange={(event) => setName(event.target.value)}>
          <option value="">nothing</option>
          {others.map((way) => (
            <option key={way.name}>{way.name}</option>
          ))}
        </select>
      </label>
      {other && result && !result.ok && current && (
        <p className="mt-2">{planErrorSentence(plan.removal.model.document, result.error)}</p>
      )}
      {other && (compared || !current) && (
        <table className="mt-2 w-full text-right">
          <thead>
            <tr className="border-b-2 border-ink align-bottom">
              <th className="py-1 text-left font-normal">
                <span className="sr-only">Figure</span>
              </th>
              <th className="py-1 pl-3 font-bold">this plan</th>
              <th className="py-1 pl-3 font-bold">{other.name}</th>
            </tr>
          </thead>
          <tbody>
            {ROWS.map((row) => (
              <tr key={row.name} className="border-b border-hair">
                <th className="py-1 text-left font-normal">{row.name}</th>
                <td className="num whitespace-nowrap py-1 pl-3">
                  <Figure value={row.value(own)} better={compared !== null && row.number(own) < row.number(compared)} />
                </td>
                <td className="num whitespace-nowrap py-1 pl-3">
                  {compared ? (
                    <Figure value={row.value(compared)} better={row.number(compared) < row.number(own)} />
                  ) : (
                    '…'
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {other && compared && policy && (
        <button
          type="button"
          className="desk-button mt-2"
          onClick={() => {
            onTake(policy)
            setName('')
          }}
        >
          Work like this: {other.name}
        </button>
      )}
    </section>
  )
}

/** The better of two is told by a mark as well as by its weight. */
function Figure({ value, better }: { value: string; better: boolean }) {
  return better ? (
    <b>
      <span className="sr-only">better: </span>
      <span aria-hidden="true">◂ </span>
      {value}
    </b>
  ) : (
    <span className="font-normal">{value}</span>
  )
}
