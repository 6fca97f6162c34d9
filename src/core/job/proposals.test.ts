import { expect, test } from '@jest/globals'
import { applyEdits } from '../procedure/edit'
import type { ProcedureDocument } from '../procedure/document'
import { crewAtDash, record } from '../testing/atDash.testing'
import { smallDash } from '../testing/smallDash.testing'
import type { Happening } from './event'
import { proposalsOf } from './proposals'

const differs = (itemId: string, field: string, value: string): Happening => ({
  kind: 'different from the record',
  itemId,
  field,
  value,
})
function proposed(document: ProcedureDocument, ...jobs: Happening[][]) {
  const told = jobs.map((happenings, i) => {
    const crew = crewAtDash()
    record(crew, happenings)
    return { id: `job-${i}`, label: `Van ${i}`, events: crew.events }
  })
  return proposalsOf(document, told)
}
const taken = (document: ProcedureDocument, ...jobs: Happening[][]) => {
  const result = applyEdits(
    document,
    proposed(document, ...jobs).flatMap(({ edits }) => edits),
  )
  if (!result.ok) throw new Error(result.error.sentence)
  return result.value.document
}

test('the same finding on several vehicles is one proposal with their evidence, the most seen first', () => {
  const found = proposed(
    smallDash(),
    [differs('screws', 'count', '3'), differs('bolts', 'head', 'hex 8')],
    [differs('screws', 'count', '3')],
  )
  expect(
    found.map(({ itemId, field, value, evidence }) => [itemId, field, value, evidence.map(({ label }) => label)]),
  ).toEqual([
    ['screws', 'count', '3', ['Van 0', 'Van 1']],
    ['bolts', 'head', 'hex 8', ['Van 0']],
  ])
})
test('a count and a head are taken over as fields; what the record says already is no proposal', () => {
  const document = taken(smallDash(), [differs('screws', 'count', '3'), differs('bolts', 'head', 'hex 8')])
  expect(document.holders.find(({ id }) => id === 'screws')!.count).toBe(3)
  expect(document.holders.find(({ id }) => id === 'bolts')!.drives).toContainEqual(
    expect.objectContaining({ drive: 'hex', size: '8' }),
  )
  expect(proposed(smallDash(), [differs('screws', 'count', '4')])).toEqual([])
  expect(proposed(smallDash(), [differs('screws', 'head', 'six-lobe T20')])).toEqual([])
})
test('a note the record has already is not proposed again, another one is', () => {
  const document = smallDash()
  document.parts[1]!.note = 'mind the edge; a hook on the left'
  expect(proposed(document, [differs('panel', 'note', 'mind the edge')])).toEqual([])
  expect(proposed(document, [differs('panel', 'note', 'a second clip')]).map(({ value }) => value)).toEqual([
    'a second clip',
  ])
  expect(taken(document, [differs('panel', 'note', 'a second clip')]).parts[1]!.note).toContain('a second clip')
})
test('why a test failed goes to that function, once', () => {
  const trouble = (functionId: string, cause: string): Happening => ({
    kind: 'trouble found',
    functionId,
    symptom: 'silent',
    cause,
    cure: '',
  })
  const document = smallDash()
  document.functions.push({ ...document.functions[0]!, id: 'other', name: 'Other' })
  const after = taken(document, [trouble('sound', 'plug half home')])
  expect(after.functions.map(({ troubles }) => troubles.map(({ cause }) => cause))).toEqual([['plug half home'], []])
  expect(proposed(after, [trouble('sound', 'plug half home')])).toEqual([])
  expect(proposed(after, [trouble('other', 'plug half home')])).toHaveLength(1)
  expect(proposed(after, [trouble('gone', 'plug half home')])).toEqual([])
})
test('settled by the desk, or about what is not there any more: nothing is proposed', () => {
  const crew = crewAtDash()
  const [said] = [crew.add(differs('screws', 'count', '3'))]
  crew.add({ kind: 'note settled', noteId: said.id })
  expect(proposalsOf(smallDash(), [{ id: 'j', label: 'Van', events: crew.events }])).toEqual([])
  expect(proposed(smallDash(), [differs('gone', 'note', 'loose')])).toEqual([])
})
