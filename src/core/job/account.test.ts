import { describe, expect, test } from '@jest/globals'
import { openAccount, settleAccount, type HolderCounts } from './account'

// Statement 13 of the worked example: balance rows of a group of four (D 4).
const row = (counts: Partial<HolderCounts>) => settleAccount({ ...openAccount(4), ...counts })
const closed = (counts: Partial<HolderCounts>) => row(counts).open.length === 0

describe('balance rows (D 4)', () => {
  test.each<[string, Partial<HolderCounts>]>([
    ['plain', { undone: 4, fastenedOld: 4 }],
    ['one missing, accepted', { missing: 1, undone: 3, fastenedOld: 3 }],
    ['one missing, made good', { missing: 1, undone: 3, fastenedOld: 3, takenNew: 1, fittedNew: 1, madeGood: 1 }],
    ['five found', { extra: 1, undone: 5, fastenedOld: 5 }],
    ['single-use, replaced', { undone: 4, ended: 4, takenNew: 4, fittedNew: 4 }],
    [
      'lost, replaced, found again and put to stock',
      { undone: 4, fastenedOld: 3, ended: 1, takenNew: 1, fittedNew: 1 },
    ],
    [
      'clip broke after refit, pieces recovered',
      { undone: 4, fastenedOld: 3, broken: 1, takenNew: 1, fittedNew: 1, piecesRecovered: 1 },
    ],
  ])('%s is closed', (_, counts) => expect(row(counts).open).toEqual([]))

  test('one lost and replaced stays open until a named person has searched and signed', () => {
    const counts = { undone: 4, fastenedOld: 3, lost: 1, takenNew: 1, fittedNew: 1 }
    expect(row(counts).open).toEqual([{ kind: 'lost', count: 1 }])
    expect(closed({ ...counts, searchSigned: true })).toBe(true)
  })
  test('a new one dropped and lost stays open', () => {
    expect(
      row({ undone: 4, fastenedOld: 3, broken: 1, takenNew: 2, fittedNew: 1, lost: 1, piecesRecovered: 1 }).open,
    ).toEqual([{ kind: 'lost', count: 1 }])
  })
  test('a clip broken after refit and replaced waits for its pieces', () => {
    expect(row({ undone: 4, fastenedOld: 3, broken: 1, takenNew: 1, fittedNew: 1 }).open).toEqual([
      { kind: 'pieces', count: 1 },
    ])
  })
  test('one left out: three of four stand, one in hand', () => {
    expect(row({ undone: 4, fastenedOld: 3 })).toMatchObject({
      inHand: 1,
      standing: 3,
      owed: 4,
      open: [{ kind: 'short', count: 1, loose: 1 }],
    })
  })
  test('all stand and one more lies in hand: a fastener too many is open too', () => {
    expect(row({ undone: 4, fastenedOld: 3, takenNew: 1, fittedNew: 1 }).open).toEqual([{ kind: 'in hand', count: 1 }])
  })
  test('more put back than came out is open', () => {
    expect(row({ undone: 3, fastenedOld: 4 }).open).toEqual([{ kind: 'more back than out', count: 1 }])
  })
  test('exactly the rows that account for everything are closed (brute force over small counts)', () => {
    const upTo = (n: number) => Array.from({ length: n + 1 }, (_, i) => i)
    let closedRows = 0
    for (const undone of upTo(4))
      for (const fastenedOld of upTo(4))
        for (const fittedNew of upTo(2))
          for (const takenNew of upTo(2))
            for (const broken of upTo(2))
              for (const piecesRecovered of upTo(2))
                for (const lost of upTo(1))
                  for (const ended of upTo(1)) {
                    const standing = 4 - undone + fastenedOld + fittedNew
                    const loose = undone + takenNew - fastenedOld - fittedNew - broken - lost - ended
                    const accounted = standing === 4 && loose === 0 && piecesRecovered >= broken && lost === 0
                    if (accounted) closedRows++
                    expect(
                      closed({ undone, fastenedOld, fittedNew, takenNew, broken, piecesRecovered, lost, ended }),
                    ).toBe(accounted)
                  }
    expect(closedRows).toBeGreaterThan(20)
  })
})
