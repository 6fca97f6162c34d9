import { expect, test } from '@jest/globals'
import { smallDash } from '../testing/smallDash.testing'
import { emptyDocument, FACT_COLLECTIONS, ITEM_SCHEMA } from './document'
import { blankItem, duplicateItem } from './newItem'
import { needChoices, waitChoices } from './needChoices'
import { applyEdits } from './edit'

let made = 0
const newId = (prefix: string) => `${prefix}-${++made}`

test.each(FACT_COLLECTIONS)('a blank of %s is an item once what is asked for is typed in', (collection) => {
  const blank = blankItem(smallDash(), collection, 'panel', newId) as Record<string, unknown>
  const typed = {
    ...blank,
    ...('name' in blank && { name: 'New' }),
    ...('sentence' in blank && { sentence: 'Mind it.' }),
  }
  expect(ITEM_SCHEMA[collection].safeParse(typed).success).toBe(true)
  if ('name' in blank) expect(blank.name).toBe('')
})

test('it belongs to the part that is picked, else to the first, else to nothing yet', () => {
  const of = (partId: string | null, document = smallDash()) =>
    (blankItem(document, 'holders', partId, newId) as unknown as { holds: string[] }).holds
  expect([of('unit'), of(null), of(null, emptyDocument('Empty'))]).toEqual([['unit'], ['cover'], []])
})

test('a copy has ids of its own all through, and no marks of the original', () => {
  const document = smallDash()
  const setting = document.settings[0]!
  const copy = duplicateItem('settings', setting, newId) as typeof setting
  const ids = [copy.id, ...copy.methods.map(({ id }) => id)]
  expect(new Set([...ids, setting.id, ...setting.methods.map(({ id }) => id)]).size).toBe(ids.length * 2)
  expect(copy.name).toBe(`${setting.name} (copy)`)
  const marked = { ...document.holders[0]!, positions: [{ viewId: 'v', x: 1, y: 2 }] }
  expect((duplicateItem('holders', marked, newId) as typeof marked).positions).toEqual([])
})

test('every need that is offered can be stated, and is offered once', () => {
  const document = smallDash()
  const waits = waitChoices(document)
  const needs = needChoices(document)
  for (const list of [waits, needs]) {
    const keys = list.map((choice) => JSON.stringify(choice))
    expect(new Set(keys).size).toBe(keys.length)
  }
  // By hand: 3 parts by 2 levels, the settings' values, 2 plugs by 2 states, one station, and every act.
  const values = document.settings.reduce((sum, { values }) => sum + values.length, 0)
  expect(needs.length).toBe(3 * 2 + values + 2 * 2 + 1 + waits.length)
  for (const [i, needed] of needs.entries()) {
    const item = { ...blankItem(document, 'needs', null, newId), dependent: waits[i % waits.length]!, needs: needed }
    expect(applyEdits(document, [{ kind: 'add', collection: 'needs', item, after: null }]).ok).toBe(true)
  }
})

test('a part is offered eased only where the record says how it is eased', () => {
  const document = smallDash()
  const levels = () =>
    needChoices(document).flatMap((needed) =>
      needed.kind === 'part' && needed.partId === 'panel' ? [needed.level] : [],
    )
  expect(levels()).toEqual(['off', 'free'])
  document.parts.find(({ id }) => id === 'panel')!.ease = {
    gapMm: 10,
    holderIds: ['panel-clips'],
    mustNot: '',
  } as never
  expect(levels()).toEqual(['off', 'free', 'eased'])
})
