import { describe, expect, test } from '@jest/globals'
import { panelVan } from '../../demo/panelVan'
import { contradictionSentence, whySentence } from '../../ui/words/reasons'
import { trapsNeed } from '../procedure/need'
import { forBuild } from '../procedure/forBuild'
import { planJob, PlanRequest, type JobPlan } from '../plan/jobPlan'
import { summarise, traysFor } from '../plan/summary'
import { DEFAULT_HOUSE_VALUES } from '../shop/houseValues'
import type { ProcedureDocument } from '../procedure/document'

// The worked example of the design, statement by statement (1, 3, 4, 6, 7 and 10 here; 13 in job/account.test.ts).

const RADIO = { kind: 'cavity', cavityId: 'radio-cavity' } as const
const PILLAR = { kind: 'cavity', cavityId: 'pillar-cavity' } as const
const AUTO_KEY = { gearbox: 'automatic', starter: 'key', steering: 'left' }

function plan(goals: (typeof RADIO | typeof PILLAR)[], build: Record<string, string>, policy: object = {}, document = panelVan()): JobPlan {
  const result = planJob(forBuild(document, build), PlanRequest.parse({ goals, build, policy }), DEFAULT_HOUSE_VALUES)
  if (!result.ok) throw new Error(JSON.stringify(result.error))
  return result.value
}
const byIgnition = { methods: { 'lever=out of park': 'lever-by-ignition' } }
const byRelease = { methods: { 'lever=out of park': 'lever-by-release' } }
const keysOf = (cards: JobPlan['wayIn']) => cards.flatMap((card) => card.steps.map((step) => step.operation.key))
const before = (keys: string[], a: string, b: string) => {
  expect(keys).toContain(a)
  expect(keys).toContain(b)
  expect(keys.indexOf(a)).toBeLessThan(keys.indexOf(b))
}

describe('1: the radio cavity, automatic, key, by ignition, resting', () => {
  const { wayIn, removal } = plan([RADIO], AUTO_KEY, byIgnition)
  const summary = summarise(plan([RADIO], AUTO_KEY, byIgnition))

  test('off are liner, surround and unit; the climate panel only hangs; nothing of the pillar moves', () => {
    expect([...summary.partsOff].sort()).toEqual(['liner', 'surround', 'unit'])
    expect(summary.partsResting).toEqual(['climate'])
    expect(removal.operations.has('open:climate-plug')).toBe(false)
    expect(keysOf(wayIn).join()).not.toMatch(/pillar|seal|caps|handle/)
  })
  test('22 fasteners to count, 4 tethers opened', () => {
    expect(summary.fasteners).toBe(22)
    expect([...summary.tethersOpened].sort()).toEqual(['airbag-lamp', 'antenna', 'hazard', 'main'])
  })
  test('set aside instead of resting opens 5, and 6 with the starter button', () => {
    expect(summarise(plan([RADIO], AUTO_KEY, { ...byIgnition, resting: 'set aside' })).tethersOpened).toHaveLength(5)
    expect(summarise(plan([RADIO], { ...AUTO_KEY, starter: 'button' }, { ...byIgnition, resting: 'set aside' })).tethersOpened).toHaveLength(6)
  })
  test('the lever by ignition comes before the airbag lamp is opened, and the cover stays on', () => {
    before(keysOf(wayIn), 'set:lever=out of park by lever-by-ignition', 'open:airbag-lamp')
    expect(removal.levels.has('cover')).toBe(false)
  })
})

test('3: a manual gearbox has no cover and no lever operation', () => {
  const manual = plan([RADIO], { ...AUTO_KEY, gearbox: 'manual' })
  expect(keysOf([...manual.wayIn, ...manual.wayOut]).join()).not.toMatch(/cover|lever/)
})

test('4: why is the liner out?', () => {
  const { removal } = plan([RADIO], AUTO_KEY, byIgnition)
  expect(whySentence(panelVan(), removal, 'lift:liner')).toBe(
    'Rubber liner covers the 1 hex 7, which holds the Centre surround, which covers the 4 hex 7, which hold the Radio unit, which closes the Radio cavity.',
  )
})

test('4: and why is the lever out, and what is the small cover off for?', () => {
  expect(whySentence(panelVan(), plan([RADIO], AUTO_KEY, byIgnition).removal, 'set:lever=out of park by lever-by-ignition')).toBe('Gear lever frees the Radio unit, which closes the Radio cavity.')
  expect(whySentence(panelVan(), plan([RADIO], AUTO_KEY, byRelease).removal, 'lift:cover')).toBe('Small cover frees the gear lever, which frees the Radio unit, which closes the Radio cavity.')
})

test('5 (counts only): both cavities have 26 fasteners', () => {
  expect(summarise(plan([RADIO, PILLAR], AUTO_KEY)).fasteners).toBe(26)
})

test('6: the surround traps the climate panel is refused as a contradiction that names its facts', () => {
  const van = panelVan()
  const document: ProcedureDocument = { ...van, needs: [...van.needs, trapsNeed('trap-x', 'climate', 'surround', 'free')] }
  const result = planJob(forBuild(document, AUTO_KEY), PlanRequest.parse({ goals: [RADIO], build: AUTO_KEY }), DEFAULT_HOUSE_VALUES)
  expect(result.ok).toBe(false)
  if (result.ok || result.error.kind !== 'contradiction') throw new Error('A contradiction was expected.')
  expect(contradictionSentence(document, result.error.loop)).toBe(
    'Climate panel can’t move before the Centre surround is free; the Centre surround not before its 2 T20 are out; and those not before the Climate panel is free, because it covers them.',
  )
})

describe('7: the way out after both cavities', () => {
  const job = plan([RADIO, PILLAR], AUTO_KEY, byRelease)
  const out = keysOf(job.wayOut)
  const lever = 'set:lever=park by lever-to-park'
  test.each([
    ['close:main', 'seat:unit'],
    ['close:antenna', 'seat:unit'],
    ['fasten:unit-hex7', 'place:surround'],
    ['feed:airbag-lamp', 'close:airbag-lamp'],
    ['fasten:surround-hex7', 'place:liner'],
    ['fasten:surround-t20', 'seat:climate'],
    ['seat:unit', lever],
    [lever, 'place:cover'],
    ['seat:pillar', 'seat:seal'],
    ['seat:pillar', 'place:handle'],
    ['fasten:handle-hex10', 'place:caps'],
  ])('%s before %s', (a, b) => before(out, a, b))

  test('nothing of the pillar waits for the centre', () => {
    const centre = /liner|climate|surround|unit|cover|lever|hazard|airbag|main|antenna/
    const side = /caps|handle|seal|pillar/
    const crossing = job.refit.edges.filter((e) => (centre.test(e.before) && side.test(e.after)) || (side.test(e.before) && centre.test(e.after)))
    expect(crossing).toEqual([])
  })
})

test('10 (trays): the unit’s M4 x 16 and the surround’s M4 x 25 look alike and lie apart', () => {
  const trays = traysFor(plan([RADIO], AUTO_KEY))
  const unit = trays.find((tray) => tray.holderIds.includes('unit-hex7'))!
  const surround = trays.find((tray) => tray.holderIds.includes('surround-hex7'))!
  expect(unit.label).not.toBe(surround.label)
  expect(unit.notWith).toEqual([surround.label])
})
