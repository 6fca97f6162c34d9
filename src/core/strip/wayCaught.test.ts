import { describe, expect, test } from '@jest/globals'
import { danglingReferences } from '../procedure/references'
import { Recorder } from './recorder.testing'
import { blankModel } from './stripDocument'
import { openNow, pointNames, wayEdits, type SaidWay } from './wayCaught'

function atKnee() {
  const r = new Recorder(blankModel('Gritter'))
  r.say('knee panel: 2 hex 10, pull toward you')
  r.say('knee panel off')
  return r
}
const said = (more: Partial<SaidWay>): SaidWay => ({
  ...{ from: { name: 'behind the radio' }, to: { name: 'Behind the knee panel' }, along: '', lengthMm: 600 },
  ...{ lengthKnown: 'estimated', how: 'laid in', access: [], beside: [], looked: false },
  ...more,
})

describe('a way caught in a strip', () => {
  test('what is out of the way now is offered, as access and as names of points', () => {
    const r = atKnee()
    expect(openNow(r.document, r.state)).toEqual([
      { kind: 'part', partId: r.document.parts[0]!.id, level: expect.stringMatching(/free|off/) },
    ])
    expect(pointNames(r.document, r.state)).toEqual([`behind the ${r.document.parts[0]!.name.toLowerCase()}`])
  })
  test('becomes its points and the way, in the record and in no other place', () => {
    const r = atKnee()
    const access = openNow(r.document, r.state)
    const edits = wayEdits(r.document, said({ access }), 'driver side', r.newId)
    r.happen({ kind: 'stated', said: '', edits })
    expect(r.document.waypoints.map(({ name, station }) => [name, station])).toEqual([
      ['behind the radio', 'driver side'],
      ['Behind the knee panel', 'driver side'],
    ])
    expect(r.document.ways).toMatchObject([
      { name: 'behind the radio to Behind the knee panel', lengthMm: 600, looked: false, layings: [{ access }] },
    ])
    expect(danglingReferences(r.document)).toEqual([])
  })
  test('a second way meets the first at a point of the same name, whatever its capitals', () => {
    const r = atKnee()
    r.happen({ kind: 'stated', said: '', edits: wayEdits(r.document, said({}), 'centre', r.newId) })
    const next = said({
      from: { name: 'behind the KNEE panel' },
      to: { name: 'pillar foot' },
      along: 'down the pillar',
    })
    r.happen({ kind: 'stated', said: '', edits: wayEdits(r.document, next, 'centre', r.newId) })
    expect(r.document.waypoints).toHaveLength(3)
    expect(r.document.ways[1]).toMatchObject({ from: r.document.ways[0]!.to, name: 'down the pillar' })
  })
  test('from a point to itself is nothing', () =>
    expect(wayEdits(atKnee().document, said({ to: { name: 'Behind the radio' } }), 'centre', (p) => p)).toEqual([]))
  test('what hurts is kept as it was said', () => {
    const beside = [{ kind: 'airbag path', how: 'crosses', distanceMm: null }] as const
    const edits = wayEdits(atKnee().document, said({ beside: [...beside], looked: true }), 'centre', (p) => `${p}-1${Math.random()}`) // prettier-ignore
    expect(edits.at(-1)).toMatchObject({ item: { passes: beside, looked: true } })
  })
})
