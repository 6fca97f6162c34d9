import { expect, test } from '@jest/globals'
import { moneyWords } from './money'

// ISO 4217 (from memory): two digits after the point, none for the yen, three for the dinar of Kuwait.
test.each([
  [19_500, 'EUR', '€195.00'],
  [5, 'EUR', '€0.05'],
  [350, 'JPY', 'JP¥350'],
  [1_500, 'KWD', 'KWD 1.500'],
  [0, 'EUR', '€0.00'],
])('%i of %s is %s', (minor, currency, words) => {
  expect(moneyWords(minor, currency).replace(/\s/g, ' ')).toBe(words)
})
