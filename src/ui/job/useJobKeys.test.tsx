/** @jest-environment jsdom */
import { expect, test } from '@jest/globals'
import { meantBy } from './useJobKeys'

/** A key pressed while something has the focus. */
function pressed(key: string, on = 'div', more: KeyboardEventInit = {}): KeyboardEvent {
  const element = document.createElement(on)
  document.body.append(element)
  let event!: KeyboardEvent
  element.addEventListener('keydown', (given) => (event = given))
  element.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, ...more }))
  return event
}

// By hand: what each key of a pedal or keyboard asks for.
test.each([
  ['PageDown', 'done'],
  [' ', 'done'],
  ['PageUp', 'takeBack'],
  ['Backspace', 'takeBack'],
  ['n', 'note'],
  ['D', 'different'],
  ['b', 'balance'],
  ['x', null],
  ['Enter', null],
])('%s asks for %s', (key, meant) => expect(meantBy(pressed(key), true)).toBe(meant))

test('letters can be switched off; the pedal can’t', () => {
  for (const key of ['n', 'd', 'b']) expect(meantBy(pressed(key), false)).toBeNull()
  for (const key of ['PageDown', 'PageUp']) expect(meantBy(pressed(key), false)).not.toBeNull()
})

test('what is typed into a field, pressed on a control or meant for the browser confirms nothing', () => {
  for (const field of ['input', 'textarea', 'select'])
    for (const key of [' ', 'n', 'PageDown', 'Backspace']) expect(meantBy(pressed(key, field), true)).toBeNull()
  for (const control of ['button', 'a', 'summary']) expect(meantBy(pressed(' ', control), true)).toBeNull()
  // A pedal works whatever has the focus.
  expect(meantBy(pressed('PageDown', 'button'), true)).toBe('done')
  for (const held of [{ ctrlKey: true }, { metaKey: true }, { altKey: true }])
    expect(meantBy(pressed('d', 'div', held), true)).toBeNull()
})
