import { describe, expect, test } from '@jest/globals'
import { foldJob } from '../job/fold'
import { wayInOf } from '../job/strips'
import { Recorder } from '../strip/recorder.testing'
import { blankModel } from '../strip/stripDocument'
import { applyEdits, inverseOf, type Edit } from './edit'
import type { ProcedureDocument } from './document'
import { mergeEdits, splitEdits } from './onePart'
import { danglingReferences } from './references'

function recorded(): Recorder {
  const r = new Recorder(blankModel('Gritter'))
  r.say('bezel: 9 spring clips, start lower left')
  r.say('centre trim: 2 T20 behind bezel, pull toward you')
  r.say('unplug hazard')
  r.say('unit: 4 hex 7 behind centre trim')
  return r
}
const after = (document: ProcedureDocument, edits: Edit[]): ProcedureDocument => {
  const applied = applyEdits(document, edits)
  if (!applied.ok || applied.value.conflicts.length > 0) throw new Error('the edits do not fit their own document')
  return applied.value.document
}

describe('two parts that turned out to be one', () => {
  const r = recorded()
  const [keep, gone] = [r.part('surround'), r.part('centre trim')]
  const merged = after(r.document, mergeEdits(r.document, keep, gone))
  test('everything of the second is the first’s, its name a synonym, and nothing points nowhere', () => {
    expect(merged.parts.map((part) => part.name)).toEqual(['Surround', 'Unit'])
    expect(merged.parts[0]).toMatchObject({
      synonyms: ['bezel', 'Centre trim'],
      formerIds: [gone],
      release: { start: 'lower left' },
    })
    expect(merged.parts[0]!.release.motions).toHaveLength(1)
    expect(merged.holders.filter((holder) => holder.holds.includes(keep)).map((holder) => holder.count)).toEqual([9, 2])
    expect(merged.tethers[0]!.partId).toBe(keep)
    expect(danglingReferences(merged)).toEqual([])
  })
  test('what the one needed of the other is gone, what a third needed of either stays', () => {
    expect(merged.needs.map((need) => [need.dependent.id, need.needs.kind === 'part' && need.needs.partId])).toEqual(
      expect.arrayContaining([[r.holder('unit', 'machine screw'), keep]]),
    )
    expect(merged.needs.some((need) => need.needs.kind === 'part' && need.needs.partId === gone)).toBe(false)
  })
  test('what happened to the second goes on meaning the part', () => {
    const state = foldJob(merged, r.events)
    expect([state.moved.has(keep), state.moved.has(gone)]).toEqual([true, false])
    const way = wayInOf(merged, r.events)
    expect(way.filter((key) => key.startsWith('release:'))).toEqual([`release:${keep}`])
    expect(way.some((key) => key.includes(gone))).toBe(false)
  })
  test('undo brings both back', () => {
    const undone = after(merged, inverseOf(mergeEdits(r.document, keep, gone), r.document))
    expect(undone).toEqual(r.document)
  })
  test('a part is not merged with itself', () => expect(mergeEdits(r.document, keep, keep)).toEqual([]))
})

describe('one part that turned out to be two', () => {
  const r = recorded()
  const screws = r.holder('centre trim', 'machine screw')
  const split = after(
    r.document,
    splitEdits(r.document, r.part('centre trim'), { id: 'part-new', name: 'Lower trim' }, [screws]),
  )
  test('the second one has what is its own; the rest stays', () => {
    expect(split.parts.map((part) => part.name)).toEqual(['Surround', 'Centre trim', 'Lower trim', 'Unit'])
    expect(split.holders.find((holder) => holder.id === screws)!.holds).toEqual(['part-new'])
    expect(split.tethers[0]!.partId).toBe(r.part('centre trim'))
    expect(danglingReferences(split)).toEqual([])
  })
  test('what happened to the old one counts for both', () => {
    const state = foldJob(split, r.events)
    expect([state.moved.has(r.part('centre trim')), state.moved.has('part-new')]).toEqual([true, true])
    expect(wayInOf(split, r.events)).toEqual(
      expect.arrayContaining([`release:${r.part('centre trim')}`, 'release:part-new']),
    )
  })
})
