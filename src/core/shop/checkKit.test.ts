import { expect, test } from '@jest/globals'
import { checkKit } from './checkKit'
import { Kit } from './kit'

const kit = (works: [id: string, ...after: string[]][], more: object = {}) =>
  Kit.parse({ id: 'k', name: 'Kit', works: works.map(([id, ...afterWork]) => ({ id, name: id, afterWork })), ...more })
const kinds = (of: Kit) =>
  checkKit(of).map((problem) => `${problem.kind} ${'workId' in problem ? problem.workId : ''}`.trim())

test('work in a line, or coming together, is sound', () => {
  expect(kinds(kit([['a'], ['b', 'a'], ['c', 'a', 'b']]))).toEqual([])
})
test('work that waits for itself is found, directly and round a circle; what only hangs on a circle is not in it', () => {
  expect(kinds(kit([['a', 'a']]))).toEqual(['work after itself a'])
  expect(
    kinds(
      kit([
        ['a', 'c'],
        ['b', 'a'],
        ['c', 'b'],
        ['d', 'a'],
      ]),
    ),
  ).toEqual(['work after itself a', 'work after itself b', 'work after itself c'])
})
test('what it comes after has to be in the kit, for work and for what is tested', () => {
  expect(checkKit(kit([['a', 'gone']]))).toEqual([{ kind: 'no such work', workId: 'gone', in: 'a' }])
  const functions = [{ id: 'f', name: 'Recorder', afterWork: ['a', 'gone'] }]
  expect(checkKit(kit([['a']], { functions }))).toEqual([{ kind: 'no such work', workId: 'gone', in: 'Recorder' }])
})
test('a signal is never bypassed', () => {
  const works = [
    { id: 'a', name: 'Bypass', kind: 'bypass a signal' },
    { id: 'b', name: 'Mount', kind: 'mount' },
  ]
  expect(checkKit(Kit.parse({ id: 'k', name: 'Kit', works }))).toEqual([{ kind: 'bypass', workId: 'a' }])
})
