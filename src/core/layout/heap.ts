/** The number with the least key first; of equal keys the one that came first. */
export class Heap {
  private readonly items: number[] = []
  private readonly keys: number[] = []

  get size(): number {
    return this.items.length
  }

  push(item: number, key: number): void {
    const { items, keys } = this
    let at = items.length
    items.push(item)
    keys.push(key)
    while (at > 0) {
      const up = (at - 1) >> 1
      if (keys[up]! < key || (keys[up] === key && items[up]! < item)) break
      items[at] = items[up]!
      keys[at] = keys[up]!
      at = up
    }
    items[at] = item
    keys[at] = key
  }

  pop(): number {
    const { items, keys } = this
    const first = items[0]!
    const item = items.pop()!
    const key = keys.pop()!
    const size = items.length
    if (size === 0) return first
    let at = 0
    for (;;) {
      let down = at * 2 + 1
      if (down >= size) break
      const right = down + 1
      if (right < size && this.isBefore(right, down)) down = right
      if (keys[down]! > key || (keys[down] === key && items[down]! > item)) break
      items[at] = items[down]!
      keys[at] = keys[down]!
      at = down
    }
    items[at] = item
    keys[at] = key
    return first
  }

  private isBefore(a: number, b: number): boolean {
    const { items, keys } = this
    return keys[a]! < keys[b]! || (keys[a] === keys[b] && items[a]! < items[b]!)
  }
}
