import { describe, expect, test } from '@jest/globals'
import { Recorder } from './recorder.testing'
import { blankModel } from './stripDocument'
import { wayEdits } from './wayCaught'
import { wayLine } from './wayLine'

function recorded() {
  const r = new Recorder(blankModel('Gritter'))
  for (const line of ['sill trim: 4 spring clips, pull up', 'sill trim off', 'unit: 4 hex 7']) r.say(line)
  return r
}
const r = recorded()
const read = (line: string) => wayLine(r.document, r.state, line)
const [from, to] = [{ name: 'radio' }, { name: 'pillar foot' }]
const beside = (kind: string, how: string, distanceMm: number | null) => [{ kind, how, distanceMm }]

// Written before the reader: lines as several hands would say them.
describe('a way in one line', () => {
  test.each([
    ['way: radio to pillar foot, 60 cm, behind the cluster', { from, to, lengthMm: 600, along: 'behind the cluster' }],
    ['radio to pillar foot, half a metre', { from, to, lengthMm: 500, lengthKnown: 'estimated' }],
    ['radio to pillar foot, 1 m 50', { lengthMm: 1500 }],
    ['radio to pillar foot, 3 foot', { lengthMm: 914 }],
    ['radio to pillar foot, 1.2 m measured', { lengthMm: 1200, lengthKnown: 'measured' }],
    ['radio to pillar foot, about 40 cm, tucked, no airbag', { lengthMm: 400, how: 'tucked', looked: true }],
    ['radio to pillar foot, fish it through', { how: 'threaded' }],
    ['radio to pillar foot, keep 4 cm off the actuator', { beside: beside('actuator', 'beside', 40) }],
    ['radio to pillar foot, crosses the pedals', { beside: beside('pedal', 'crosses', null) }],
    ['radio to pillar foot, beside the steering column 60 mm', { beside: beside('steering column', 'beside', 60) }],
    ['radio to pillar foot, curtain airbag there', { beside: beside('airbag path', 'beside', null) }],
    ['radio to pillar foot, along the airbag lead', { beside: beside('airbag lead', 'beside', null) }],
    ['radio to pillar foot, past the exhaust 25 cm', { beside: beside('hot part', 'beside', 250) }],
  ])('%s', (line, said) => expect(read(line)?.said).toMatchObject(said))

  test('what is out of the way is the part of that name, at the level said, or as it stands now', () => {
    const sill = r.document.parts[0]!.id
    expect(read('radio to pillar foot, sill trim off')?.said.access).toEqual([
      { kind: 'part', partId: sill, level: 'off' },
    ])
    expect(read('radio to pillar foot, with the sill trim free')?.said.access).toMatchObject([{ level: 'free' }])
  })
  test('a second clause of free words is not thrown away: it is said that nobody read it', () =>
    expect(read('a to b, under the carpet, mind the loom')).toMatchObject({
      said: { along: 'under the carpet' },
      unread: ['mind the loom'],
    }))
  test('without two points it is no way', () => expect(read('60 cm behind the cluster')).toBeNull())
  test('20 m is the most a way is, 0 none', () => {
    expect(read('a to b, 25 m')?.said.lengthMm).toBeUndefined()
    expect(read('a to b, 0 cm')?.said.lengthMm).toBeUndefined()
  })
  test('a point of the record is that point, by its name or another word for it', () => {
    const first = read('behind unit to passenger kick, 60 cm, under the carpet edge, sill trim off')!.said
    const edits = wayEdits(r.document, { along: '', lengthMm: 1, lengthKnown: 'estimated', how: 'laid in', access: [], looked: false, ...first } as never, 'centre', r.newId) // prettier-ignore
    const again = recorded()
    again.happen({ kind: 'stated', said: '', edits })
    const second = wayLine(again.document, again.state, 'the Passenger Kick to battery, 1 m')!.said
    expect(second.from).toEqual({ id: again.document.waypoints[1]!.id })
  })
})
