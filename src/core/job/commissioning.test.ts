import { describe, expect, test } from '@jest/globals'
import { PlanRequest } from '../plan/ask/planRequest'
import { Kit } from '../shop/kit'
import { KitFit } from '../shop/kitFit'
import { crewAtDash } from '../testing/atDash.testing'
import { smallDash } from '../testing/smallDash.testing'
import { commissioningOf, isCommissioned } from './commissioning'
import type { CrewAtWork } from './crew.testing'
import { termsOf } from './terms'

const PHOTO = '00000000-0000-4000-8000-0000000000f1'
const KIT = Kit.parse({
  id: 'k',
  name: 'Module',
  parts: [{ id: 'module', name: 'Module' }],
  settings: [{ id: 'switches', name: 'Switches', partId: 'module', expected: [{ id: 'e', value: '0110' }] }],
  works: [
    { id: 'in', name: 'In', steps: [{ id: 's1', act: 'fit', itemId: 'module' }] },
    {
      ...{ id: 'teach', name: 'Teach', kind: 'set up', afterWork: ['in'] },
      steps: [{ id: 't', act: 'do', words: 'hold it', count: 5 }],
    },
    { id: 'start', name: 'First start', kind: 'first start', unattendedS: 60, afterWork: ['in'] },
  ],
  functions: [{ id: 'works', name: 'Wheel buttons', afterWork: ['teach'], readingUnit: 'V', least: 11, most: 15 }],
})
const crew = () => {
  const fit = KitFit.parse({ procedureId: 'p' })
  return crewAtDash(smallDash(), PlanRequest.parse({ kits: [{ kit: KIT, fit }], build: {} }))
}
const rows = (at: CrewAtWork) => commissioningOf(at.state, termsOf(at.document, at.request, at.state))

describe('what brings a kit into service', () => {
  test('is its modules, five buttons one by one, the first start and the test; fitting is none of it', () => {
    const list = rows(crew())
    expect(list.map(({ of }) => of)).toEqual(['module', 'step', 'step', 'step', 'step', 'step', 'work', 'test'])
    expect(list.some(isCommissioned)).toBe(false)
    expect(list.find(({ of }) => of === 'work')).toMatchObject({ unattendedS: 60 })
  })
  test('a module is behind once it was read back as it should be; otherwise it stays, and a photo is named', () => {
    const at = crew()
    at.add({ kind: 'adjusted', moduleSettingId: 'switches', value: '0111', how: 'read back' })
    expect(rows(at)[0]).toMatchObject({ value: '0111', agrees: false, photographed: false })
    at.add({ kind: 'adjusted', moduleSettingId: 'switches', value: '0110', how: 'read back' })
    at.add({ kind: 'photographed', photoId: PHOTO, itemId: 'switches' })
    expect(rows(at)[0]).toMatchObject({ value: '0110', agrees: true, photographed: true })
    expect(isCommissioned(rows(at)[0]!)).toBe(true)
  })
  test('each button is behind by itself, and all of them once the work is done', () => {
    const at = crew()
    const taught = () => rows(at).flatMap((row) => (row.of === 'step' ? [row.done] : []))
    const first = at.plan.job.works.get('teach')!.steps[0]!
    at.add({ kind: 'step done', workId: 'teach', stepId: first.id, reading: '', note: '' })
    expect(taught()).toEqual([true, false, false, false, false])
    at.add({ kind: 'work done', workId: 'teach', reading: '', note: '' })
    expect(taught()).toEqual([true, true, true, true, true])
  })
  test('a test whose reading is out of range is not passed, whatever was said', () => {
    const at = crew()
    const said = (reading: string) => {
      at.add({ kind: 'tested', functionId: 'works', result: 'passed', reading, note: '' })
      return rows(at).at(-1)
    }
    expect(said('9.1 V')).toMatchObject({ result: 'failed' })
    expect(said('12.4 V')).toMatchObject({ result: 'passed', reading: '12.4 V' })
  })
})
