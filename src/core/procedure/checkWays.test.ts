import { expect, test } from '@jest/globals'
import { emptyDocument, type ProcedureDocument } from './document'
import { Part } from './part'
import { Way } from './way'
import { Waypoint } from './waypoint'
import { wayProblems } from './checkWays'

const point = (id: string, more: object = {}) =>
  Waypoint.parse({ id, name: `behind ${id}`, station: 'centre', ...more })
const way = (id: string, ends: string, more: object = {}) =>
  Way.parse({
    ...{
      id: id.replaceAll(' ', '-'),
      name: id,
      from: ends[0],
      to: ends[1],
      station: 'centre',
      lengthMm: 500,
      layings: [{ id: 'l' }],
    },
    ...more,
  })
const record = (more: Partial<ProcedureDocument> = {}): ProcedureDocument => ({
  ...emptyDocument('Ways'),
  parts: [Part.parse({ id: 'knee', name: 'Knee panel', station: 'driver side' })],
  waypoints: [point('a'), point('b'), point('c', { wet: true })],
  ways: [way('across', 'ab'), way('out', 'bc', { passage: {} })],
  ...more,
})
const kinds = (document: ProcedureDocument) => wayProblems(document).map(({ kind }) => kind)

test('a record of three joined points, its wall sealed, has no problem', () => expect(kinds(record())).toEqual([]))
test.each([
  ['airbag not asked', { ways: [way('up the pillar', 'ab'), way('out', 'bc', { passage: {} })] }],
  ['distance not measured', { ways: [way('x', 'ab', { passes: [{ kind: 'pedal', how: 'beside' }] }), way('out', 'bc', { passage: {} })] }],
  ['width not said', { ways: [way('x', 'ab', { layings: [{ id: 'l', how: 'threaded' }] }), way('out', 'bc', { passage: {} })] }],
  ['not sealed', { ways: [way('across', 'ab'), way('out', 'bc')] }],
  ['not sealed', { ways: [way('across', 'ab'), way('out', 'bc', { passage: { seal: 'none' } })] }],
  ['drill not said', { ways: [way('across', 'ab'), way('out', 'bc', { passage: { kind: 'to be drilled' } })] }],
  ['eased not said', { ways: [way('across', 'ab', { looked: true, layings: [{ id: 'l', access: [{ kind: 'part', partId: 'knee', level: 'eased' }] }] }), way('out', 'bc', { passage: {} })] }],
  ['island', { ways: [way('across', 'ab')] }],
  ['way stated twice', { ways: [way('across', 'ab'), way('Across', 'ba', { name: 'Across' }), way('out', 'bc', { passage: {} })] }],
] as [string, Partial<ProcedureDocument>][])('%s is told', (kind, more) => expect(kinds(record(more))).toEqual([kind])) // prettier-ignore

test('an airbag is asked for by the name of a point, a part or the way, and by nobody who has looked or said never', () => {
  const along = (more: object) => record({ ways: [way('x', 'ab', more), way('out', 'bc', { passage: {} })] })
  const behindKnee = { layings: [{ id: 'l', access: [{ kind: 'part', partId: 'knee', level: 'off' }] }] }
  expect(kinds(along(behindKnee))).toEqual(['airbag not asked'])
  expect(kinds(along({ ...behindKnee, looked: true }))).toEqual([])
  expect(kinds(along({ ...behindKnee, never: 'an airbag' }))).toEqual([])
  expect(kinds(along({ ...behindKnee, passes: [{ kind: 'airbag lead', how: 'beside', distanceMm: 40 }] }))).toEqual([])
})
