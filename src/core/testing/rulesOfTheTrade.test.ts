import { readFileSync } from 'node:fs'
import { expect, test } from '@jest/globals'

const ROWS = [...readFileSync('docs/rules-of-the-trade.md', 'utf8').matchAll(/^\| (.+?) \| `(\w+)` \| `(.+?)` \|$/gm)]

test('the page has its rules, each once', () => {
  expect(ROWS.length).toBeGreaterThan(35)
  expect(new Set(ROWS.map(([, rule]) => rule)).size).toBe(ROWS.length)
})
test.each(ROWS.map(([, rule, symbol, file]) => [rule!, symbol!, file!] as const))('%s: %s in %s', (_, symbol, file) => {
  expect(readFileSync(file, 'utf8')).toMatch(new RegExp(`export (async )?(function|const|class|type) ${symbol}\\b`))
})
