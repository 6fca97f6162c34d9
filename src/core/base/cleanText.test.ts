import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { cleaned, cleanText } from './cleanText'

const isWhole = (text: string) => Buffer.from(text, 'utf8').toString('utf8') === text

test('NUL goes, half a character becomes the sign for one that is missing, whole ones stay', () => {
  expect(cleanText('clip\0s')).toBe('clips')
  expect(cleanText('a\ud800b')).toBe('a\ufffdb')
  expect(cleanText('\udc00')).toBe('\ufffd')
  expect(cleanText('\ud83d\udd29 bolt, grün, пять')).toBe('\ud83d\udd29 bolt, grün, пять')
})
test('what is clean comes back the same, and what was cleaned is clean', () => {
  fc.assert(
    fc.property(fc.string({ unit: 'binary' }), (text) => {
      const once = cleanText(text)
      expect(cleanText(once)).toBe(once)
      // Through Node's own UTF-8 and back, apart from the expression above: a half does not come back as it was.
      expect(isWhole(once)).toBe(true)
      expect(once).not.toContain('\0')
      if (isWhole(text) && !text.includes('\0')) expect(once).toBe(text)
    }),
  )
})
test('texts and names are cleaned however deep they lie; what is not text stays', () => {
  const at = new Date(0)
  expect(cleaned({ 'a\0': ['x\0', 3, null, true, { b: '\ud800' }], at })).toEqual({
    a: ['x', 3, null, true, { b: '\ufffd' }],
    at,
  })
  expect(cleaned(undefined)).toBeUndefined()
})
test('what nests without end is cut off, not followed until the stack is full', () => {
  const endless = JSON.parse(`${'['.repeat(5000)}${']'.repeat(5000)}`) as unknown
  let depth = 0
  for (let at = cleaned(endless); Array.isArray(at); at = at[0]) depth += 1
  expect(depth).toBe(40)
})
test('a name that means something to the language is only a name', () => {
  const odd = JSON.parse('{"__proto__": {"isLead": true}}') as object
  const clean = cleaned(odd) as { isLead?: boolean }
  expect(clean.isLead).toBeUndefined()
  expect(Object.keys(clean)).toEqual(['__proto__'])
})
