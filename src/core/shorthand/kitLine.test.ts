import { expect, test } from '@jest/globals'
import { readKitLine, readKitLines } from './kitLine'

const numbered = () => {
  let next = 0
  return (prefix: string) => `${prefix}-${(next += 1)}`
}
const read = (line: string) => {
  const { parts, holders, plugs, unclear } = readKitLine(line, numbered())
  return {
    parts: parts.map(({ name, count }) => `${count} ${name}`),
    holders: holders.map(({ kind, count, drives, thread, holds }) => {
      expect(holds).toEqual([parts[0]!.id])
      return [count, kind, drives[0]?.size, thread && `M${thread.diameterMm}x${thread.lengthMm}`]
        .filter(Boolean)
        .join(' ')
    }),
    plugs: plugs.map(({ name, latch }) => [name, latch].filter(Boolean).join(' ')),
    unclear,
  }
}

test.each([
  [
    'Display: 4 PH2, 6 clips',
    { parts: ['1 Display'], holders: ['4 machine screw PH2', '6 spring clip'], plugs: [], unclear: [] },
  ],
  [
    '2 x bracket: 2 PH2 M3x8 each',
    { parts: ['2 bracket'], holders: ['4 machine screw PH2 M3x8'], plugs: [], unclear: [] },
  ],
  [
    'recorder: 4 hex 7 M4x12; plug main, lever',
    { parts: ['1 recorder'], holders: ['4 machine screw 7 M4x12'], plugs: ['main lever'], unclear: [] },
  ],
  ['GPS antenna', { parts: ['1 GPS antenna'], holders: [], plugs: [], unclear: [] }],
  ['3 × cable tie', { parts: ['3 cable tie'], holders: [], plugs: [], unclear: [] }],
  ['', { parts: [], holders: [], plugs: [], unclear: [] }],
])('%s', (line, said) => {
  expect(read(line)).toEqual(said)
})
test.each([
  'display: 4 PH2 and a wobbly frobnicator',
  'display: some screws',
  ': 4 PH2',
  'display: 4 PH2 behind the liner',
])('what is unclear is said, and nothing is guessed: %s', (line) => {
  expect(read(line).unclear.length).toBeGreaterThan(0)
})
test('of two brackets it is said whether so many screws are meant each or in all', () => {
  expect(read('2 x bracket: 2 PH2').unclear).toEqual(['so many each, or in all?'])
  expect(read('2 x bracket: 4 PH2 in all')).toMatchObject({ holders: ['4 machine screw PH2'], unclear: [] })
  expect(read('1 x bracket: 2 PH2')).toMatchObject({ holders: ['2 machine screw PH2'], unclear: [] })
})
test('of several lines the clear ones are taken, the others stay as they were typed', () => {
  const { parts, kept } = readKitLines('Display: 4 PH2\n\nbox: blue cheese\nAntenna', numbered())
  expect(parts.map(({ name }) => name)).toEqual(['Display', 'Antenna'])
  expect(kept).toMatchObject([{ line: 'box: blue cheese' }])
})
