import { expect, test } from '@jest/globals'
import { emptyDocument } from '@/core/procedure/document'
import { DEFAULT_HOUSE_VALUES } from '@/core/shop/houseValues'
import { ShopRules } from '@/core/vehicle/rule'
import { handoverFacts } from './handoverFacts'
import { shortSheet } from './shortSheet'

function facts() {
  const job = {
    ...{ id: 'j', title: 'Radio', revisionNumber: null, request: null, found: null, events: [] },
    vehicle: { label: 'Van 12', plate: '', customer: '' },
    document: emptyDocument('Panel van'),
  }
  const shop = {
    ...{ name: 'Shop', house: DEFAULT_HOUSE_VALUES, rules: ShopRules.parse({}), origin: 'http://here' },
    ...{ people: new Map(), devices: new Map(), hasOthers: false },
  }
  return handoverFacts(job, shop)
}

test('an ordinary sheet is as it is, and leaves nothing out', () => {
  const whole = { ...facts(), notes: ['a hook at the top (Tolu)'] }
  expect(shortSheet(whole)).toEqual({ ...whole, leftOut: [] })
})

test('of what is too much the first is on the sheet, and the sheet says how much more there is', () => {
  const many = (count: number) => Array.from({ length: count }, (_, i) => `note ${i}`)
  const sheet = shortSheet({ ...facts(), notes: many(22_695), replaced: many(200), work: many(201) })
  expect([sheet.notes.length, sheet.notes.at(-1)]).toEqual([200, 'note 199'])
  expect([sheet.replaced.length, sheet.work.length]).toEqual([200, 200])
  expect(sheet.leftOut).toEqual(['1 more piece of work', '22,495 more notes'])
})

test('a text that fills a page is cut, with a mark', () => {
  const sheet = shortSheet({ ...facts(), notes: ['x'.repeat(5000)] })
  expect(sheet.notes).toEqual([`${'x'.repeat(1000)}…`])
})
