import { expect, test } from '@jest/globals'
import { inNoFact, lineRead } from './lineRead'
import { understand } from './understand'

const read = (line: string) => lineRead(line, understand(line))

test('put together the stretches are the line, whatever it says', () => {
  for (const line of ['9 clips on the bezel', '2 T20 rearward', '', 'for t20 hold the vent', '3 clipps, cuppa brewing'])
    expect(
      read(line)
        .map(({ words }) => words)
        .join(''),
    ).toBe(line)
})
test('what a fact came from, what is asked, what is in no fact', () => {
  const of = (line: string, is: string) =>
    read(line)
      .filter((stretch) => stretch.is === is)
      .map(({ words }) => words)
  expect(of('2 T20 rearward', 'asked')).toEqual(['rearward'])
  expect(of('3 clipps, cuppa brewing', 'left')).toEqual(['cuppa', 'brewing'])
  expect(of('3 clipps, cuppa brewing', 'fact').join(' ')).toContain('clipps')
})
test('in no fact, in the words of the line', () => {
  const said = (line: string) => inNoFact(line, understand(line))
  expect(said('3 clipps, cuppa brewing')).toBe('cuppa brewing')
  expect(said('9 clips on the bezel')).toBe('')
})
