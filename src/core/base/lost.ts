/**
 * The first place of a value that is gone from what was read of it ("parts 3, torque"), or null when nothing is: what
 * a newer program added and this one does not know. Written back, it would be lost for good. A list that was read into
 * one of another length is not looked into. Cost: O(size).
 */
export function firstLost(value: unknown, read: unknown): string | null {
  if (typeof value !== 'object' || value === null) return null
  if (typeof read !== 'object' || read === null) return null
  if (Array.isArray(value)) {
    if (!Array.isArray(read) || read.length !== value.length) return null
    for (const [i, item] of value.entries()) {
      const lost = firstLost(item, read[i])
      if (lost !== null) return `${i + 1}, ${lost}`
    }
    return null
  }
  for (const [key, item] of Object.entries(value)) {
    if (!Object.hasOwn(read, key)) return key
    const lost = firstLost(item, (read as Record<string, unknown>)[key])
    if (lost !== null) return /^\d/.test(lost) ? `${key} ${lost}` : `${key}, ${lost}`
  }
  return null
}
