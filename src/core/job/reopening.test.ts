import { expect, test } from '@jest/globals'
import { crewAtDash, goOnTo } from '../testing/atDash.testing'
import { reopening } from './reopening'

test('what changes the vehicle counts, what is only said of it does not', () => {
  const crew = crewAtDash()
  const note = crew.add({ kind: 'noted', itemId: null, text: 'late' })
  const opened = crew.add({ kind: 'opened', tetherId: 'main' })
  expect(reopening(crew.events, [note])).toBe(0)
  expect(reopening(crew.events, [note, opened])).toBe(1)
})
test('taking back what had changed it counts as well; taking back a note does not', () => {
  const crew = crewAtDash()
  goOnTo(crew, 'fasten:screws')
  const before = [...crew.events]
  const note = crew.add({ kind: 'noted', itemId: null, text: 'late' })
  const back = (id: string, n: number) => ({
    ...note,
    id: `00000000-0000-4000-8000-00000000010${n}`,
    corrects: id,
    what: { kind: 'taken back' } as const,
  })
  const [ofNote, ofAct] = [back(note.id, 1), back(before.find(({ what }) => what.kind === 'undone')!.id, 2)]
  expect(reopening([...crew.events, ofNote, ofAct], [ofNote])).toBe(0)
  expect(reopening([...crew.events, ofNote, ofAct], [ofNote, ofAct])).toBe(1)
})
