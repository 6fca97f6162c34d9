import { describe, expect, test } from '@jest/globals'
import { Holder, Thread } from './holder'
import { areIdentical, areLookalikes, isUntoldApart } from './lookalikes'

const hex7 = (id: string, more: object = {}) =>
  Holder.parse({
    id,
    kind: 'machine screw',
    count: 2,
    holds: ['p'],
    drives: [{ drive: 'hex', size: '7', seen: 1 }],
    ...more,
  })
const m4 = (lengthMm: number, pitchMm: number | null = null) => Thread.parse({ diameterMm: 4, lengthMm, pitchMm })

describe('two groups with one head', () => {
  test.each<[string, object, object, boolean]>([
    ['the same thread', { thread: m4(16) }, { thread: m4(16) }, true],
    ['another length', { thread: m4(16) }, { thread: m4(25) }, false],
    ['another pitch', { thread: m4(16, 0.7) }, { thread: m4(16, 0.5) }, false],
    ['one thread unknown', { thread: m4(16) }, {}, false],
    ['both threads unknown', {}, {}, false],
    ['both unknown, and said to be the same', { sameAs: ['b'] }, {}, true],
    ['the same thread, but somebody tells them apart', { thread: m4(16), tell: 'black' }, { thread: m4(16) }, false],
  ])('%s', (_, more, other, identical) => {
    const [a, b] = [hex7('a', more), hex7('b', other)]
    expect([areIdentical(a, b), areIdentical(b, a)]).toEqual([identical, identical])
    expect([areLookalikes(a, b), areLookalikes(b, a)]).toEqual([!identical, !identical])
  })
  test('one question where nobody has said anything: not once a thread or a word tells', () => {
    expect(isUntoldApart(hex7('a'), hex7('b'))).toBe(true)
    expect(isUntoldApart(hex7('a', { tell: 'the long one' }), hex7('b'))).toBe(false)
    expect(isUntoldApart(hex7('a', { thread: m4(16) }), hex7('b', { thread: m4(25) }))).toBe(false)
  })
  test('a nut is never taken for a screw, nor a clip for anything', () => {
    expect(areLookalikes(hex7('a'), hex7('b', { kind: 'nut' }))).toBe(false)
    expect(areLookalikes(hex7('a', { kind: 'spring clip' }), hex7('b', { kind: 'spring clip' }))).toBe(false)
  })
})
