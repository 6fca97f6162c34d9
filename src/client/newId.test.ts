import { afterEach, expect, test } from '@jest/globals'
import { z } from 'zod'
import { newId, newUuid } from './newId'

const { randomUUID } = globalThis.crypto
afterEach(() => void Object.defineProperty(globalThis.crypto, 'randomUUID', { configurable: true, value: randomUUID }))
/** As on a page over plain http from another machine. */
const withoutRandomUuid = () =>
  Object.defineProperty(globalThis.crypto, 'randomUUID', { configurable: true, value: undefined })

test('an id is made on a page over plain http too, of version 4 and never twice', () => {
  withoutRandomUuid()
  const made = Array.from({ length: 2_000 }, newUuid)
  expect(new Set(made).size).toBe(made.length)
  // RFC 9562, from memory: the version in the thirteenth digit, the variant 8 to b in the seventeenth.
  for (const id of made) expect(id).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-4[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/)
  for (const id of made) expect(z.uuid().safeParse(id).success).toBe(true)
  // Every digit that is random takes every value.
  const seen = made.map((id) => id.replaceAll('-', ''))
  for (const at of [0, 11, 13, 19, 31]) expect(new Set(seen.map((id) => id[at])).size).toBe(16)
})

test('a document’s id says what it is of', () => {
  withoutRandomUuid()
  expect(newId('part')).toMatch(/^part-[0-9a-f]{8}$/)
})
