import type { Id } from '../../base/id'
import { actOf, type ActTarget } from '../../procedure/acts'
import type { Step } from '../find/step'

/** One panel on its way, the settings changed in one go, one piece of work, or the tests made together. */
export type Card = {
  id: string
  phase: 'in' | 'work' | 'test' | 'out'
  thing: 'part' | 'setting' | 'work' | 'test' | 'wait' | 'decide'
  partId: Id | null
  settingId: Id | null
  steps: Step[]
}

const THING_OF: Readonly<Record<ActTarget, Card['thing']>> = {
  holder: 'part',
  part: 'part',
  tether: 'part',
  setting: 'setting',
  work: 'work',
  function: 'test',
  wait: 'wait',
  facet: 'decide',
}

function joins(card: Card, { operation: { phase, partId } }: Step, thing: Card['thing']): boolean {
  if (card.phase !== phase || card.thing !== thing) return false
  return thing === 'part' ? card.partId === partId : thing === 'setting' || thing === 'test'
}

/** Steps that follow one another on the same part make one card; so do setting acts in a row, and tests in a row. */
export function cardsOf(steps: readonly Step[]): Card[] {
  const cards: Card[] = []
  for (const step of steps) {
    const { partId, phase, act, key, setting } = step.operation
    const thing = THING_OF[actOf(act).of]
    const current = cards.at(-1)
    if (current && joins(current, step, thing)) {
      current.steps.push(step)
      if (thing === 'setting') current.settingId = settingThatStays(current.steps)
    } else
      cards.push({ id: `${phase}:${key}`, phase, thing, partId, settingId: setting?.settingId ?? null, steps: [step] })
  }
  return cards
}

/**
 * Of settings changed in one go, the one that is left changed ("ignition on, lever out, ignition off" is about the
 * lever).
 */
function settingThatStays(steps: readonly Step[]): Id {
  const first = new Map<Id, string>()
  const last = new Map<Id, string>()
  for (const { operation } of steps) {
    const act = operation.setting!
    if (!first.has(act.settingId)) first.set(act.settingId, act.from)
    last.set(act.settingId, act.to)
  }
  const stays = [...last].filter(([id, value]) => first.get(id) !== value).map(([id]) => id)
  return stays.at(-1) ?? steps.at(-1)!.operation.setting!.settingId
}
