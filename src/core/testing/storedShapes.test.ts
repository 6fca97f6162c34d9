import { readFileSync } from 'node:fs'
import { expect, test } from '@jest/globals'
import { PlanRequest } from '../plan/ask/planRequest'
import { FoundOrder } from '../plan/find/foundOrder'
import { keptPlan } from '../plan/keptPlan'
import { forBuild } from '../procedure/forBuild'
import { HouseValues } from '../shop/houseValues'
import { Kit } from '../shop/kit'
import { ShopRules } from '../vehicle/rule'
import { rulesInForce } from '../vehicle/rulesInForce'
import { panelVan } from './vehicles.testing'

/**
 * What a shop's database holds beside events and records, as version 1 stored it: a file never changes once its version
 * is out. A changed meaning needs a version field, a step that brings this up, and a file of its own beside these.
 */
const stored = (name: string): unknown => JSON.parse(readFileSync(`src/core/testing/stored/${name}.v1.json`, 'utf8'))

test.each([
  ['planRequest', PlanRequest],
  ['foundPlan', FoundOrder],
  ['kit', Kit],
  ['houseValues', HouseValues],
  ['shopRules', ShopRules],
] as const)('a stored %s is read, and nothing of it is lost', (name, shape) => {
  expect(shape.parse(stored(name))).toMatchObject(stored(name) as object)
})
test('an order kept with a job of version 1 still leads through it', () => {
  const request = PlanRequest.parse(stored('planRequest'))
  const model = forBuild(panelVan(), request.build, request.heads)
  const rules = rulesInForce(ShopRules.parse({}))
  const plan = keptPlan(model, request, HouseValues.parse({}), rules, FoundOrder.parse(stored('foundPlan')))
  expect(plan.ok && !plan.value.anew && plan.value.wayIn.length > 0).toBe(true)
})
