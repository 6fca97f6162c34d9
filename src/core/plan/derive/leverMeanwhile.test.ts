import { expect, test } from '@jest/globals'
import type { ProcedureDocument } from '../../procedure/document'
import { forBuild } from '../../procedure/forBuild'
import { Kit } from '../../shop/kit'
import { KitFit } from '../../shop/kitFit'
import { DEFAULT_HOUSE_VALUES } from '../../shop/houseValues'
import { planJob } from '../planJob'
import { allSteps, type PlanOnCards } from '../show/planOnCards'
import { PlanRequest } from '../ask/planRequest'
import { panelVan } from '../../testing/vehicles.testing'

const build = { gearbox: 'automatic', starter: 'key', steering: 'left' }
const kit = Kit.parse({
  id: 'kit',
  name: 'Pass a lead',
  works: [{ id: 'pass', name: 'Pass the lead', kind: 'route a lead', station: 'centre', durationS: 60 }],
})
const fit = KitFit.parse({
  procedureId: '00000000-0000-4000-8000-000000000001',
  access: { pass: [{ kind: 'cavity', cavityId: 'radio-cavity' }] },
})

function plan(policy: object, document: ProcedureDocument = panelVan()): PlanOnCards {
  const result = planJob(
    forBuild(document, build),
    PlanRequest.parse({ goals: [{ kind: 'cavity', cavityId: 'radio-cavity' }], kits: [{ kit, fit }], build, policy }),
    DEFAULT_HOUSE_VALUES,
  )
  if (!result.ok) throw new Error(JSON.stringify(result.error))
  return result.value
}
/** How the lever stands when each step is done. */
function leverAt(of: PlanOnCards, key: string): string {
  let lever = 'park'
  for (const { operation } of allSteps(of)) {
    if (operation.key === key) return lever
    if (operation.setting?.settingId === 'lever') lever = operation.setting.to
  }
  throw new Error(`${key} is not in the plan`)
}

test('while work lies between the unit’s way out and its way back the lever is in park, and out again for the unit', () => {
  const back = plan({})
  expect([leverAt(back, 'release:unit'), leverAt(back, 'work:pass'), leverAt(back, 'seat:unit')]).toEqual([
    'out of park',
    'park',
    'out of park',
  ])
  // Its ignition is barred by the open airbag lamp by then: only the release under the small cover brings it out a
  // second time.
  expect(back.removal.levels.has('cover')).toBe(true)
})

test('left out where the crew says so, for less; the difference is what putting it back costs', () => {
  const [back, left] = [plan({}), plan({ lever: 'left out' })]
  expect(leverAt(left, 'work:pass')).toBe('out of park')
  expect(left.proof.totalS).toBeLessThan(back.proof.totalS)
  expect([back.proof.proven, left.proof.proven]).toEqual([true, true])
})

test('left out where the record lets it stay, and where it could not be brought out a second time', () => {
  const van = panelVan()
  const mayStay = {
    ...van,
    settings: van.settings.map((setting) =>
      setting.id === 'lever' ? { ...setting, meanwhile: 'may stay' as const } : setting,
    ),
  }
  expect(leverAt(plan({}, mayStay), 'work:pass')).toBe('out of park')
  const onlyByIgnition = plan({ methods: { 'lever=out of park': 'lever-by-ignition' } })
  expect(leverAt(onlyByIgnition, 'work:pass')).toBe('out of park')
})
