/** Sets of operations as bits, 32 a word. */

export function addTo(words: Int32Array, operation: number): void {
  words[operation >> 5]! |= 1 << (operation & 31)
}

export function removeFrom(words: Int32Array, operation: number): void {
  words[operation >> 5]! &= ~(1 << (operation & 31))
}

export function isIn(words: Int32Array, operation: number): boolean {
  return ((words[operation >> 5]! >>> (operation & 31)) & 1) === 1
}

export function haveCommon(a: Int32Array, b: Int32Array): boolean {
  for (let word = 0; word < a.length; word++) if ((a[word]! & b[word]!) !== 0) return true
  return false
}

export function isEmpty(words: Int32Array): boolean {
  for (let word = 0; word < words.length; word++) if (words[word] !== 0) return false
  return true
}
