// Taken once: a look-up of the global for each state would show.
const { imul, floor } = Math

/**
 * States by number: what is done, the tool and the place, kept once each in flat arrays. Open addressing with linear
 * probing; the table is at most two thirds full.
 */
export class StateStore {
  count = 0
  /** Per state, `words` numbers of what is done and one for tool and place. */
  data: Int32Array
  readonly stride: number
  private slots: Int32Array

  constructor(
    private readonly words: number,
    private readonly places: number,
  ) {
    this.stride = words + 1
    this.data = new Int32Array(1024 * this.stride)
    this.slots = new Int32Array(2048).fill(-1)
  }

  /** The number of a state, and whether it is new (`count` grew). */
  intern(from: Int32Array, offset: number, tool: number, place: number): number {
    const mark = tool * this.places + place
    let slot = this.hash(from, offset, mark) & (this.slots.length - 1)
    for (let known = this.slots[slot]!; known >= 0; known = this.slots[slot]!) {
      if (this.equals(known, from, offset, mark)) return known
      slot = (slot + 1) & (this.slots.length - 1)
    }
    const id = this.count++
    if (this.count * this.stride > this.data.length) {
      const wider = new Int32Array(this.data.length * 2)
      wider.set(this.data)
      this.data = wider
    }
    const begin = id * this.stride
    for (let word = 0; word < this.words; word++) this.data[begin + word] = from[offset + word]!
    this.data[begin + this.words] = mark
    this.slots[slot] = id
    if (this.count * 3 > this.slots.length * 2) this.rehash()
    return id
  }

  toolOf(id: number): number {
    return floor(this.data[id * this.stride + this.words]! / this.places)
  }

  placeOf(id: number): number {
    return this.data[id * this.stride + this.words]! % this.places
  }

  private equals(id: number, from: Int32Array, offset: number, mark: number): boolean {
    const begin = id * this.stride
    if (this.data[begin + this.words] !== mark) return false
    for (let word = 0; word < this.words; word++) if (this.data[begin + word] !== from[offset + word]) return false
    return true
  }

  private hash(from: Int32Array, offset: number, mark: number): number {
    let hash = imul(mark + 1, 0x9e3779b1)
    for (let word = 0; word < this.words; word++) {
      hash = imul(hash ^ from[offset + word]!, 0x85ebca6b)
      hash ^= hash >>> 15
    }
    hash = imul(hash, 0xc2b2ae35)
    return hash ^ (hash >>> 16)
  }

  private rehash(): void {
    this.slots = new Int32Array(this.slots.length * 2).fill(-1)
    for (let id = 0; id < this.count; id++) {
      let slot =
        this.hash(this.data, id * this.stride, this.data[id * this.stride + this.words]!) & (this.slots.length - 1)
      while (this.slots[slot]! >= 0) slot = (slot + 1) & (this.slots.length - 1)
      this.slots[slot] = id
    }
  }
}
