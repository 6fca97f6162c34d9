import type { Id } from '../core/base/id'

/** A short id that is new in a document; made by the client, never reused. */
export function newId(prefix: string): Id {
  return `${prefix}-${crypto.randomUUID().slice(0, 8)}`
}
