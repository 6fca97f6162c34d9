import { expect, test } from '@jest/globals'
import { applyEdits } from '../procedure/edit'
import { checkFacts } from '../procedure/checkFacts'
import { cleanUpOf, edited } from './cleanUp'
import { Recorder } from './recorder.testing'
import { blankModel } from './stripDocument'

const record = () => {
  const r = new Recorder(blankModel('Gritter'))
  r.say('surround: 9 spring clips, pull toward you')
  return r.document
}
function second(): Recorder {
  const r = new Recorder(record(), 'b')
  r.turnTo('surround')
  r.say('8 spring clips')
  return r
}
const look = (r: Recorder, document = r.base) =>
  cleanUpOf(document, [{ id: 'j', label: 'Gritter 2', base: r.base, events: r.events }])

test('what a strip found otherwise waits until it is taken over or declined', () => {
  const r = second()
  const [found] = look(r).contradictions
  expect(found).toMatchObject({ collection: 'holders', field: 'count', recorded: 9, found: 8, label: 'Gritter 2' })
  const taken = applyEdits(r.base, [edited(r.base, found!)!])
  expect(taken.ok && look(r, taken.value.document).contradictions).toEqual([])
  r.happen({ kind: 'proposal declined', collection: 'holders', itemId: found!.itemId, field: 'count' })
  expect(look(r).contradictions).toEqual([])
})

test('what the desk has changed since is taken over from the value it has now', () => {
  const r = second()
  const changed = { ...r.base, holders: r.base.holders.map((holder) => ({ ...holder, count: 7 })) }
  const [found] = look(r, changed).contradictions
  expect(edited(changed, found!)).toMatchObject({ from: 7, to: 8 })
})

test('notes, written and spoken, wait until they are worked in; photos stay', () => {
  const r = second()
  const photoId = crypto.randomUUID()
  const [written] = r.happen({ kind: 'noted', itemId: null, text: 'a hook hides behind the vent' })
  r.happen(
    { kind: 'voice noted', voiceId: crypto.randomUUID(), seconds: 12, itemId: r.inHand },
    { kind: 'photographed', photoId, itemId: null },
  )
  expect(look(r).notes.map((note) => note.text || `${note.voice!.seconds} s`)).toEqual([
    'a hook hides behind the vent',
    '12 s',
  ])
  r.happen({ kind: 'note settled', noteId: written!.id })
  expect(look(r).notes).toHaveLength(1)
  expect(look(r).photos).toEqual([{ photoId, itemId: null, label: 'Gritter 2' }])
})

test('a loose end is a problem of the record until somebody says what it holds', () => {
  const r = new Recorder(blankModel('Gritter'))
  r.say('2 T20')
  r.say('unplug main')
  expect(checkFacts(r.document).filter((problem) => problem.kind === 'loose end')).toHaveLength(2)
})
