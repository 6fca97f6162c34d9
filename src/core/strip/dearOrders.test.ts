import { expect, test } from '@jest/globals'
import { DEFAULT_HOUSE_VALUES } from '../shop/houseValues'
import { rulesInForce } from '../vehicle/rulesInForce'
import { dearOrders } from './dearOrders'
import { reasonEdits } from './answers'
import { Recorder } from './recorder.testing'
import { blankModel } from './stripDocument'

/** Screws of one size, then of another, then of the first again: the middle one could have waited. */
function strip(): Recorder {
  const r = new Recorder(blankModel('Gritter'))
  for (const [name, size] of [
    ['vent', 'T20'],
    ['glovebox', 'T30'],
    ['cover', 'T20'],
  ]) {
    r.say(`${name}: 2 ${size}, pull toward you`)
    r.off(name!)
  }
  return r
}
const dear = (r: Recorder) => dearOrders(r.document, r.events, DEFAULT_HOUSE_VALUES, rulesInForce())

test('an order that costs a change of tool is worth a question, with what it would save', () => {
  const r = strip()
  const [question] = dear(r)
  expect(question).toMatchObject({ kind: 'had to be' })
  // Taking up another tool: one change of the three is spared.
  expect(question?.kind === 'had to be' && question.savesS).toBe(DEFAULT_HOUSE_VALUES.toolChangeS)
})

test('called a habit it is free, and not asked again; the other pair stays as seen', () => {
  const r = strip()
  const question = dear(r)[0]!
  if (question.kind !== 'had to be') throw new Error('no question')
  r.happen({
    kind: 'stated',
    said: '',
    edits: reasonEdits(r.document, r.state, question.partId, question.nextId, 'habit', r.newId),
  })
  expect(dear(r).map(({ id }) => id)).not.toContain(question.id)
})

test('an order that costs nothing is not asked about', () => {
  const r = new Recorder(blankModel('Gritter'))
  for (const name of ['vent', 'glovebox', 'cover']) {
    r.say(`${name}: 2 T20, pull toward you`)
    r.off(name)
  }
  expect(dear(r)).toEqual([])
})
