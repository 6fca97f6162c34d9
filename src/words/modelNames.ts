import type { Card } from '@/core/plan/show/cards'
import type { PlanRequest } from '@/core/plan/ask/planRequest'
import type { ProcedureDocument } from '@/core/procedure/document'
import type { ProcedureForBuild } from '@/core/procedure/forBuild'
import { itemWords } from './items'
import { capital } from './operations'

/** The name of a part or setting on this build, as a row of the U. */
export function itemNameIn(model: ProcedureForBuild, id: string): string {
  const name = model.parts.get(id)?.name ?? model.settings.get(id)?.name ?? model.cavities.get(id)?.name
  return name ? capital(name) : 'Something not on this build'
}

/** What a card is about: its part or setting, or the kind of thing it is. */
export function cardNameIn(model: ProcedureForBuild, card: Card): string {
  const id = card.partId ?? card.settingId
  if (id) return itemNameIn(model, id)
  return {
    work: 'Work',
    test: 'Test before it is hidden',
    decide: 'Look which one it is',
    wait: 'Wait',
    part: '',
    setting: '',
  }[card.thing]
}

/** What a job is for: its openings, its parts and its kits. */
export function goalWords(document: ProcedureDocument, request: Pick<PlanRequest, 'goals' | 'kits'>): string[] {
  return [
    ...request.kits.map(({ kit }) => kit.name),
    ...request.goals.map((goal) => itemWords(document, goal.kind === 'cavity' ? goal.cavityId : goal.partId)),
  ]
}
