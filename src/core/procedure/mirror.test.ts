import { describe, expect, test } from '@jest/globals'
import { Recorder } from '../strip/recorder.testing'
import { blankModel } from '../strip/stripDocument'
import { applyEdits } from './edit'
import type { ProcedureDocument } from './document'
import { mirroredFor, otherSideEdits, seenOn, storedAt, unmirroredOf } from './mirror'
import { danglingReferences } from './references'
import { newView } from './view'

function drawn(): ProcedureDocument {
  const r = new Recorder(blankModel('Patroller'))
  r.say('left fairing: 3 quarter-turn fasteners, start upper right, pull rearward')
  r.say('unplug hazard, tab driver side')
  const { document } = r
  const view = {
    ...newView('side', 'left side'),
    widthMm: 1000,
    heightMm: 600,
    looking: 'right' as const,
    leftWord: 'front',
    rightWord: 'rear',
  }
  return {
    ...document,
    views: [view, { ...newView('back', 'fairing from inside'), widthMm: 1000, heightMm: 600, backOf: 'side' }],
    parts: document.parts.map((part) => ({
      ...part,
      station: 'outside left',
      outline: {
        viewId: 'side',
        points: [
          [100, 100],
          [300, 100],
          [300, 400],
        ] as [number, number][],
      },
      release: {
        ...part.release,
        motions: [
          {
            move: 'turn' as const,
            directions: ['left' as const],
            turn: { sense: 'clockwise' as const, seenFrom: 'the left' },
            note: '',
          },
        ],
      },
    })),
    holders: document.holders.map((holder) => ({ ...holder, positions: [{ viewId: 'side', x: 120, y: 110 }] })),
  }
}
const document = drawn()
const back = document.views[1]!

describe('front and back of a panel', () => {
  test('what is drawn on the front stands mirrored on the back, and is stored once', () => {
    const seen = seenOn(document, back)
    expect(seen.parts[0]!.outline).toEqual({
      viewId: 'back',
      points: [
        [700, 400],
        [700, 100],
        [900, 100],
      ],
    })
    expect(seen.holders[0]!.positions).toEqual([{ viewId: 'back', x: 880, y: 110 }])
    expect(document.holders[0]!.positions).toEqual([{ viewId: 'side', x: 120, y: 110 }])
  })
  test('a mark dropped on the back lands on the front where it is seen', () => {
    const mark = storedAt(document, back, [880, 110])
    expect(mark).toEqual({ viewId: 'side', x: 120, y: 110 })
    expect(storedAt(document, document.views[0]!, [880, 110])).toEqual({ viewId: 'side', x: 880, y: 110 })
  })
})

describe('a part again on the other side', () => {
  const r = new Recorder(document, 'x')
  const applied = applyEdits(document, otherSideEdits(document, document.parts[0]!.id, r.newId))
  const copied = applied.ok ? applied.value.document : document
  const [, twin] = copied.parts
  test('outline and marks lie mirrored about the middle, words and station are the other side’s', () => {
    expect(twin).toMatchObject({
      name: 'Right fairing',
      station: 'outside right',
      outline: {
        viewId: 'side',
        points: [
          [700, 400],
          [700, 100],
          [900, 100],
        ],
      },
      release: { start: 'upper left' },
    })
    expect(twin!.release.motions[0]).toMatchObject({ directions: ['right'], turn: { sense: 'anticlockwise' } })
  })
  test('its fasteners and plugs are its own, the first side keeps its', () => {
    expect(copied.holders.map((holder) => [holder.count, holder.holds.length, holder.positions[0]?.x])).toEqual([
      [3, 1, 120],
      [3, 1, 880],
    ])
    expect(copied.tethers.map((tether) => tether.tabSide)).toEqual(['driver side', 'passenger side'])
    expect(danglingReferences(copied)).toEqual([])
  })
})

describe('the record for the vehicle with the wheel on the other side', () => {
  const other = mirroredFor('Patroller, other hand', document)
  test('mirrored twice it lies where it lay', () => {
    const again = mirroredFor('x', other)
    expect(again.parts.map(({ outline, station, name, release }) => ({ outline, station, name, release }))).toEqual(
      document.parts.map(({ outline, station, name, release }) => ({ outline, station, name, release })),
    )
    expect(again.holders).toEqual(document.holders)
    expect(again.views.map(({ looking, leftWord, mirrorBackdrop }) => [looking, leftWord, mirrorBackdrop])).toEqual(
      document.views.map(({ looking, leftWord, mirrorBackdrop }) => [looking, leftWord, mirrorBackdrop]),
    )
  })
  test('nothing of it counts as seen, and what does not mirror by itself is named', () => {
    expect([other.strips, other.mirroredFrom, danglingReferences(other)]).toEqual([[], 'Patroller', []])
    expect(unmirroredOf(other).map(({ kind }) => kind)).toEqual(['turns', 'says a side', 'seen from the side'])
  })
  test('driver and passenger side move with the wheel: their words stay', () =>
    expect(other.tethers[0]!.tabSide).toBe('driver side'))
})
