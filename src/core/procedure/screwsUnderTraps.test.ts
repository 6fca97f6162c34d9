import { expect, test } from '@jest/globals'
import { emptyDocument } from './document'
import { replayEdits } from './edit'
import { Holder } from './holder'
import { trapsNeed } from './need'
import { Part } from './part'
import { reachedEdits, screwsUnderTraps } from './screwsUnderTraps'

const document = {
  ...emptyDocument('Trap'),
  parts: [
    Part.parse({ id: 'lower', name: 'lower', station: 'centre' }),
    Part.parse({ id: 'upper', name: 'upper', station: 'centre' }),
  ],
  holders: [
    Holder.parse({ id: 'screws', kind: 'bolt', count: 4, holds: ['upper'] }),
    Holder.parse({ id: 'clips', kind: 'spring clip', count: 6, holds: ['upper'] }),
  ],
  needs: [trapsNeed('t', 'upper', 'lower', 'off')],
}
const newId = (prefix: string) => `${prefix}-new`

test('a trap over a part with screws is asked about; clips that let go with the pull are not', () => {
  expect(screwsUnderTraps(document)).toEqual([
    { needId: 't', coverId: 'lower', partId: 'upper', holderIds: ['screws'] },
  ])
  expect(screwsUnderTraps({ ...document, holders: document.holders.slice(1) })).toEqual([])
})

test.each([
  ['yes', null],
  ['no', { kind: 'part', partId: 'lower', level: 'off' }],
  ['eased', { kind: 'part', partId: 'lower', level: 'eased' }],
] as const)('answered %s it is not asked again', (answer, needs) => {
  const [trap] = screwsUnderTraps(document)
  const after = replayEdits(document, reachedEdits(document, trap!, answer, newId))
  expect(screwsUnderTraps(after)).toEqual([])
  const added = after.needs.find((need) => need.dependent.id === 'screws')
  if (needs === null) expect(added).toBeUndefined()
  else expect(added).toMatchObject({ reason: 'covers', needs })
})
