/**
 * A binary heap of node numbers, smallest first by bound, then the one with more done, then the earlier one: the same
 * order on every machine. The same node may stand in it several times; whoever takes one out checks whether it is still
 * current.
 */
export class OpenList {
  private readonly ids: number[] = []
  private readonly bounds: number[] = []
  private readonly depths: number[] = []

  get length(): number {
    return this.ids.length
  }

  /** The smallest bound in it; Infinity when it is empty. */
  get least(): number {
    return this.bounds[0] ?? Infinity
  }

  push(id: number, bound: number, depth: number): void {
    let at = this.ids.length
    this.ids.push(id)
    this.bounds.push(bound)
    this.depths.push(depth)
    while (at > 0) {
      const up = (at - 1) >> 1
      if (!this.goesBefore(at, up)) break
      this.swap(at, up)
      at = up
    }
  }

  pop(): { id: number; bound: number } | null {
    const id = this.ids[0]
    if (id === undefined) return null
    const bound = this.bounds[0]!
    const last = this.ids.length - 1
    this.swap(0, last)
    for (const list of [this.ids, this.bounds, this.depths]) list.pop()
    for (let at = 0; ;) {
      let least = at
      for (const down of [2 * at + 1, 2 * at + 2]) if (down < last && this.goesBefore(down, least)) least = down
      if (least === at) break
      this.swap(at, least)
      at = least
    }
    return { id, bound }
  }

  private goesBefore(a: number, b: number): boolean {
    const byBound =
      this.bounds[a]! - this.bounds[b]! || this.depths[b]! - this.depths[a]! || this.ids[a]! - this.ids[b]!
    return byBound < 0
  }

  private swap(a: number, b: number): void {
    for (const list of [this.ids, this.bounds, this.depths]) {
      const kept = list[a]!
      list[a] = list[b]!
      list[b] = kept
    }
  }
}
