/** A number of zero or more for each state, once it was worked out; -1 before. */
export class Memo {
  private values = new Float64Array(1024).fill(-1)

  get(id: number): number {
    return id < this.values.length ? this.values[id]! : -1
  }

  /** Answers what it was given. */
  set(id: number, value: number): number {
    if (id >= this.values.length) {
      const longer = new Float64Array(Math.max(id + 1, this.values.length * 2)).fill(-1)
      longer.set(this.values)
      this.values = longer
    }
    this.values[id] = value
    return value
  }
}
