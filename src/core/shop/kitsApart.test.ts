import { expect, test } from '@jest/globals'
import { RADIO, RADIO_KIT } from '../testing/radioKit.testing'
import { smallDash } from '../testing/smallDash.testing'
import { copyKit } from './copyKit'
import { Kit } from './kit'
import { kitsApart } from './kitsApart'

const numbered = () => {
  let next = 0
  return (prefix: string) => `${prefix}-new-${(next += 1)}`
}

test('a kit beside its copy, on a model, is apart', () => {
  const copy = copyKit(RADIO_KIT, 'another', numbered())
  expect(kitsApart([RADIO, { kit: copy }], smallDash())).toBe(true)
  expect(kitsApart([], smallDash())).toBe(true)
})
test('the same kit twice is not, nor is a part with the id of one of the model', () => {
  expect(kitsApart([RADIO, RADIO], smallDash())).toBe(false)
  const kit = Kit.parse({ id: 'k', name: 'Kit', parts: [{ id: 'unit', name: 'Unit' }] })
  expect(kitsApart([{ kit }], smallDash())).toBe(false)
})
