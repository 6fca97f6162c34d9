import { expect, test } from '@jest/globals'
import { PlanRequest } from '../../plan/ask/planRequest'
import { Kit } from '../../shop/kit'
import { KitFit } from '../../shop/kitFit'
import { crewAtDash, record } from '../../testing/atDash.testing'
import { smallDash } from '../../testing/smallDash.testing'
import { termsOf } from '../terms'
import { changesOwed, testAsked } from './owedHere'

const change = (id: string, what: 'file' | 'drill') => ({ id, what, where: `the ${id}` })
const kit = Kit.parse({
  id: 'kit',
  name: 'Larger unit',
  works: [
    { id: 'file', name: 'File it', kind: 'file' },
    { id: 'mount', name: 'Mount it', kind: 'mount' },
  ],
  functions: [{ id: 'added', name: 'Supply', readingUnit: 'V', afterWork: ['mount'] }],
  changes: [change('edge', 'file'), change('rim', 'file'), change('hole', 'drill')],
})
const fit = KitFit.parse({
  procedureId: 'p',
  access: { file: [{ kind: 'part', partId: 'unit', level: 'off' }], mount: [] },
})
const request = PlanRequest.parse({
  goals: [{ kind: 'part', partId: 'unit', level: 'off' }],
  build: {},
  kits: [{ kit, fit }],
})

function crew() {
  const dash = smallDash()
  dash.functions[0]!.readingUnit = 'dB'
  return crewAtDash(dash, request)
}
const step = (of: ReturnType<typeof crew>, key: string) =>
  of.steps.find(({ operation }) => operation.key === key)!.operation

test('work owes the changes of its own kind that nobody has noted; other work and other acts owe none', () => {
  const c = crew()
  const owed = (key: string) =>
    changesOwed(c.plan, termsOf(c.document, request), c.state, step(c, key)).map(({ id }) => id)
  expect(owed('work:file')).toEqual(['edge', 'rim'])
  expect([owed('work:mount'), owed('undo:screws')]).toEqual([[], []])
  record(c, [
    {
      kind: 'changed for good',
      changeId: 'edge',
      what: 'file',
      where: 'the edge',
      how: '',
      consentBy: 'Ms Reed',
      edgeTreated: true,
    },
  ])
  expect(owed('work:file')).toEqual(['rim'])
})
test('a reading is asked in the unit of the record’s function or of the kit’s, and only at a test', () => {
  const c = crew()
  const unit = (itemId: string) => testAsked(c.model, c.plan, { ...step(c, 'test:sound'), itemId }).readingUnit
  expect(['sound', 'added', 'test-of-hazard', 'gone'].map(unit)).toEqual(['dB', 'V', '', ''])
  expect(testAsked(c.model, c.plan, { ...step(c, 'undo:screws'), itemId: 'sound' }).readingUnit).toBe('')
})
