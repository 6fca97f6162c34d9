import { expect, test } from '@jest/globals'
import { namesOf, understand } from '../shorthand/understand'
import { Recorder } from './recorder.testing'
import { saidTwice } from './saidTwice'
import { blankModel } from './stripDocument'

/** A dash with a vent that is off, its plug open, and the unit in hand. */
function dash(): Recorder {
  const r = new Recorder(blankModel('Gritter'))
  r.say('vent: 2 clips, pull toward you')
  r.say('unplug main')
  r.off('vent')
  r.say('unit: 4 hex 7')
  return r
}
const asked = (r: Recorder, line: string) =>
  saidTwice(r.document, r.state, understand(line, namesOf(r.document)).facts, r.inHand).map(({ fact, ...rest }) => {
    expect(['holder', 'release', 'plug']).toContain(fact.fact)
    return rest
  })

test('what is off and undone once more may be another of that name', () => {
  expect(asked(dash(), 'vent: 2 clips, pull toward you')).toEqual([
    { kind: 'part', name: 'Vent', another: 'second vent' },
  ])
  // What is only told of it, and what is new, is asked about by nobody.
  for (const line of ['vent: top edge first', 'glovebox: 3 T20', '2 T20']) expect(asked(dash(), line)).toEqual([])
})
test('a plug that is open and unplugged once more: of the part in hand, or of the one named', () => {
  const r = dash()
  r.say('unplug main')
  expect(r.state.tethersOpen.size).toBe(2)
  expect(asked(r, 'unplug main')).toEqual([{ kind: 'plug', name: 'main', another: 'second main' }])
  expect(asked(r, 'unplug hazard')).toEqual([])
})
test('a second one is there already: the next is the third', () => {
  const r = dash()
  r.happen({
    kind: 'stated',
    said: '',
    edits: [{ kind: 'field', collection: 'parts', id: r.part('unit'), field: 'name', from: 'Unit', to: 'Second vent' }],
  })
  expect(asked(r, 'vent: 2 clips')).toMatchObject([{ another: 'third vent' }])
})
