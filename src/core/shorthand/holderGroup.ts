import type { HolderKind } from '../procedure/holderKinds'
import type { AskKind, Fact } from './meaning'

/** Kinds that are turned with a driver of some size. */
const DRIVEN: readonly HolderKind[] = ['machine screw', 'self-tapping screw', 'bolt', 'nut']

/** Sides that a count for each of is multiplied by. */
const TIMES: Record<string, number> = { 'each side': 2, 'each end': 2, 'each corner': 4 }

/**
 * A group of alike fasteners while it is being said, piece by piece in any order. A piece answers false when the group
 * has such a piece already: then it belongs to the next group.
 */
export class HolderGroup {
  holds: string[] | undefined
  private count: number | null | undefined
  private isVague = false
  private isHeard = false
  /**
   * `count`: how many for each, where that was said with it ("two each side"); null where the group's own number says
   * it.
   */
  private each: { count: number | null; times: number } | undefined
  private kind: HolderKind | undefined
  private isPlural = true
  private drive: string | undefined
  private size: string | undefined
  private thread: string | undefined
  private where: string | undefined
  private behind: string[] | undefined

  get isEmpty(): boolean {
    return (
      this.count === undefined &&
      this.each === undefined &&
      this.kind === undefined &&
      this.drive === undefined &&
      this.size === undefined &&
      this.thread === undefined
    )
  }

  takeCount(count: number | null, isVague: boolean): boolean {
    if (this.count !== undefined) return false
    this.count = count
    this.isVague = isVague
    this.isHeard = count === null && !isVague
    return true
  }

  takeEach(count: number | null, where: string): boolean {
    if (this.each || this.where !== undefined) return false
    this.where = where
    this.each = { count, times: TIMES[where]! }
    return true
  }

  takeKind(said: string): boolean {
    if (this.kind !== undefined) return false
    this.kind = said.replace('*', '') as HolderKind
    this.isPlural = said.endsWith('*')
    return true
  }

  takeSize(size: string): boolean {
    if (this.size !== undefined) return false
    this.size = size
    this.drive ??= size.startsWith('T') ? 'six-lobe' : size.startsWith('P') ? 'cross' : undefined
    return true
  }

  takeDrive(drive: string, size: string | null): boolean {
    if (this.drive !== undefined) return false
    this.drive = drive
    if (size !== null)
      this.size =
        /^\d+$/.test(size) && drive === 'cross'
          ? `PH${size}`
          : /^\d+$/.test(size) && drive === 'six-lobe'
            ? `T${size}`
            : size
    return true
  }

  takeThread(thread: string): boolean {
    if (this.thread !== undefined) return false
    this.thread = thread
    return true
  }

  takeBehind(parts: string[]): boolean {
    if (this.behind !== undefined) return false
    this.behind = parts
    return true
  }

  takeWhere(where: string): boolean {
    if (this.where !== undefined) return false
    this.where = where
    return true
  }

  /**
   * The fact, with what has to be asked; no fact while it is not said what it is. `subject`: the part the line is
   * about, which it holds where nothing else is said.
   */
  fact(subject: string | null): { fact: Fact | null; asks: AskKind[] } {
    if (this.kind === undefined && this.drive === undefined && this.size === undefined && this.thread === undefined)
      return { fact: null, asks: ['kind'] }
    const asks: AskKind[] = []
    const kind = this.kind ?? 'machine screw'
    const drive = this.drive ?? (this.size !== undefined ? 'hex' : undefined)
    const isHeardSize = this.size === '?'
    const count = this.counted()
    if (count === null && !this.isHeard) asks.push('count')
    if (drive !== undefined && this.size === undefined) asks.push('size')
    if (drive === undefined && DRIVEN.includes(kind)) asks.push('drive')
    const holds = this.holds ?? (subject !== null ? [subject] : undefined)
    return {
      fact: {
        fact: 'holder',
        kind,
        count,
        ...(drive !== undefined && { drive }),
        ...(this.size !== undefined && !isHeardSize && { size: this.size }),
        ...(this.thread !== undefined && { thread: this.thread }),
        ...(this.where !== undefined && { where: this.where }),
        ...(this.behind && { behind: this.behind }),
        ...(holds && { holds }),
      } as Fact,
      asks,
    }
  }

  /** How many in all; null where that has to be asked. A total and so many for each must agree. */
  private counted(): number | null {
    if (this.isVague || this.isHeard) return null
    // "the nut" is one; nuts without a number are to be counted.
    const said = this.count ?? (this.kind !== undefined && !this.isPlural ? 1 : null)
    if (!this.each) return said
    if (this.each.count === null) return said === null ? null : said * this.each.times
    const all = this.each.count * this.each.times
    return this.count === undefined || this.count === all ? all : null
  }
}
