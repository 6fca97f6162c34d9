import { readFileSync } from 'node:fs'
import { describe, expect, test } from '@jest/globals'

// Published: WCAG 2 contrast ratio from relative luminance (from memory).
const luminance = (hex: string) => {
  const [r, g, b] = [1, 3, 5]
    .map((i) => parseInt(hex.slice(i, i + 2), 16) / 255)
    .map((c) => (c <= 0.03928 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4))
  return 0.2126 * r! + 0.7152 * g! + 0.0722 * b!
}
const ratio = (a: string, b: string) => {
  const [x, y] = [luminance(a), luminance(b)].sort((m, n) => n - m)
  return (x! + 0.05) / (y! + 0.05)
}
const css = readFileSync('src/app/globals.css', 'utf8')
const theme = (name: string) =>
  Object.fromEntries(
    [
      ...css
        .match(new RegExp(`\\[data-theme="${name}"\\] \\{\\n  --ground[^}]*`))![0]
        .matchAll(/--([\w-]+): (#[0-9a-f]{6})/g),
    ].map(([, key, value]) => [key!, value!]),
  )

test('the ratio itself: black on white is 21, a colour on itself 1', () => {
  expect(ratio('#000000', '#ffffff')).toBeCloseTo(21, 5)
  expect(ratio('#0a5562', '#0a5562')).toBe(1)
})

describe.each(['desk', 'bay'])('%s', (name) => {
  const t = theme(name)
  test.each([
    ['ink', 'ground', 7],
    ['ink', 'sheet', 7],
    ['ink', 'tint', 7],
    ['second', 'ground', 4.5],
    ['second', 'sheet', 4.5],
    ['petrol', 'ground', 4.5],
    ['petrol', 'sheet', 4.5],
    ['sign-ink', 'sign', 7],
    ['slab-ink', 'slab', 7],
    ['stop', 'ground', 3],
    ['closed', 'ground', 3],
    ['untravelled', 'ground', 3],
  ])('%s on %s is at least %d', (a, b, least) => {
    expect(ratio(t[a]!, t[b]!)).toBeGreaterThanOrEqual(least)
  })
})

test('the airbag’s ink on its yellow', () => {
  expect(ratio('#ffc917', '#172023')).toBeGreaterThanOrEqual(7)
})
