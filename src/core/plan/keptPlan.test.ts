import { expect, test } from '@jest/globals'
import { emptyDocument, type ProcedureDocument } from '../procedure/document'
import { forBuild } from '../procedure/forBuild'
import { Holder } from '../procedure/holder'
import { Part } from '../procedure/part'
import { DEFAULT_HOUSE_VALUES } from '../shop/houseValues'
import { Rule, ShopRules } from '../vehicle/rule'
import { rulesInForce } from '../vehicle/rulesInForce'
import { keptPlan } from './keptPlan'
import { planJob } from './planJob'
import { PlanRequest } from './ask/planRequest'

const request = PlanRequest.parse({
  goals: [{ kind: 'part', partId: 'panel', level: 'off' }],
  build: {},
  start: 'centre',
})
function panel(letsGo: Holder['letsGo']): ProcedureDocument {
  const document = emptyDocument('Bench model')
  document.parts.push(Part.parse({ id: 'panel', name: 'Panel', station: 'centre' }))
  document.holders.push(
    Holder.parse({ id: 'clips', kind: 'spring clip', count: 4, holds: ['panel'], letsGo }),
    Holder.parse({
      id: 'screws',
      kind: 'machine screw',
      drives: [{ drive: 'hex', size: '7' }],
      count: 2,
      holds: ['panel'],
    }),
  )
  return document
}
/** What a job whose plan was made with one record is shown once the record says this. */
function shown(madeWith: ProcedureDocument, now: ProcedureDocument) {
  const made = planJob(forBuild(madeWith, {}), request, DEFAULT_HOUSE_VALUES)
  if (!made.ok) throw new Error(made.error.kind)
  const kept = keptPlan(forBuild(now, {}), request, DEFAULT_HOUSE_VALUES, rulesInForce(), made.value.found)
  if (!kept.ok) throw new Error(kept.error.kind)
  return {
    anew: kept.value.anew,
    keys: kept.value.wayIn.flatMap((card) => card.steps.map((step) => step.operation.key)),
    made: made.value.wayIn.flatMap((card) => card.steps.map((step) => step.operation.key)),
  }
}

test('an order that still fits is shown as it was kept', () => {
  const { anew, keys, made } = shown(panel('by itself'), panel('by itself'))
  expect(anew).toBe(false)
  expect(keys).toEqual(made)
})
test('one made while clips were undone by themselves is planned anew, and says so', () => {
  const { anew, keys, made } = shown(panel('by itself'), panel('with the pull'))
  expect(made).toContain('undo:clips')
  expect(anew).toBe(true)
  expect(keys).toEqual(['undo:screws', 'release:panel', 'lift:panel'])
})

test('a rule added later may forbid every order: the job goes on, and the rule refuses the act when it comes', () => {
  const own = Rule.parse({
    id: 'own',
    severity: 'WARNING',
    sentence: 'Panels stay where they are.',
    remedy: 'Call a lead.',
    origin: 'this shop',
    effect: 'refuses',
    at: { acts: ['release'] },
  })
  const rules = rulesInForce(ShopRules.parse({ added: [own] }))
  const model = forBuild(panel('with the pull'), {})
  expect(planJob(model, request, DEFAULT_HOUSE_VALUES, rules).ok).toBe(false)
  const kept = keptPlan(model, request, DEFAULT_HOUSE_VALUES, rules, null)
  expect(kept.ok && kept.value.wayIn.length).toBe(1)
})
