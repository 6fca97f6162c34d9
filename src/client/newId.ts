import type { Id } from '../core/base/id'

/**
 * A new id of 128 random bits (UUID version 4, RFC 9562). A page that is not served over HTTPS has no
 * `crypto.randomUUID`; its random bits it has all the same.
 */
export function newUuid(): string {
  if (typeof crypto.randomUUID === 'function') return crypto.randomUUID()
  const bytes = crypto.getRandomValues(new Uint8Array(16))
  bytes[6] = (bytes[6]! & 0x0f) | 0x40
  bytes[8] = (bytes[8]! & 0x3f) | 0x80
  const hex = Array.from(bytes, (byte) => byte.toString(16).padStart(2, '0')).join('')
  return [hex.slice(0, 8), hex.slice(8, 12), hex.slice(12, 16), hex.slice(16, 20), hex.slice(20)].join('-')
}

/** A short id that is new in a document; made by the client, never reused. */
export function newId(prefix: string): Id {
  return `${prefix}-${newUuid().slice(0, 8)}`
}
