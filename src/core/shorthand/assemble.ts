import type { Item } from './grammar'
import type { AskKind, Fact, Motion } from './meaning'
import { HolderGroup } from './holderGroup'

/** What items say together. `unread`: items that say nothing here. */
export type Assembled = { facts: Fact[]; asks: AskKind[]; unread: Item[] }

type Release = { start?: string; motions?: Motion[]; tool?: string; effort?: string; protect?: string }
type Plug = {
  name?: string
  noun?: string
  latch?: string
  tab?: string
  colour?: string
  of?: string
  behind?: string[]
  leave?: true
  isOpened: boolean
  isPlug: boolean
  items: Item[]
}
type Refit = { first?: string; leadsFirst?: true; startAll?: true; snug?: true; align?: string; listen?: string }

/**
 * Puts the items of a line together: counts, heads and kinds to groups of fasteners, motions to one release, what is
 * said of a plug to that plug. The part a line is about is the one that stands by itself, or that a motion moves.
 */
export function assemble(items: readonly Item[]): Assembled {
  return new Line(items).read()
}

/** Names of plugs that are no parts by themselves. */
const NO_PARTS: readonly string[] = ['other', 'second', 'main']

/** Facts that name their parts themselves, or none. */
const ABOUT_NO_PART: readonly Fact['fact'][] = ['traps', 'part', 'mirrored']

function isObject(before: Item | undefined): boolean {
  return before?.is === 'move'
}

class Line {
  private readonly facts: Fact[] = []
  private readonly asks = new Set<AskKind>()
  private readonly unread: Item[] = []
  private readonly groups: HolderGroup[] = []
  private readonly release: Release = {}
  private readonly refit: Refit = {}
  private readonly others: Fact[] = []
  private group: HolderGroup | null = null
  private plug: Plug | null = null
  private subject: string | null = null
  private when: string | null = null
  private covering: string | null = null
  private heardOnly = false

  constructor(private readonly items: readonly Item[]) {}

  read(): Assembled {
    this.items.forEach((item, i) => this.take(item, this.items[i - 1], this.items[i + 1]))
    this.finish()
    const when = this.when
    return {
      facts: when === null ? this.facts : this.facts.map((fact) => ({ ...fact, when })),
      asks: [...this.asks],
      unread: this.unread,
    }
  }

  private take(item: Item, before: Item | undefined, next: Item | undefined): void {
    switch (item.is) {
      case 'count':
        // "unplug the two connectors": which two, not how many screws.
        if (this.plug?.isOpened && this.plug.name === undefined) return void this.plug.items.push(item)
        return this.toGroup((group) => group.takeCount(item.count, item.count === null))
      case 'each':
        return this.toGroup((group) => group.takeEach(item.count, item.where))
      case 'size':
        return this.toGroup((group) => group.takeSize(item.size))
      case 'drive':
        return this.toGroup((group) => group.takeDrive(item.drive, item.size))
      case 'thread':
        return this.toGroup((group) => group.takeThread(item.value))
      case 'kind':
        return this.toGroup((group) => group.takeKind(item.value))
      case 'holds':
        // "2 T20, 2 T25 hold the console": all that nothing was said of yet.
        for (const group of [...this.groups, ...(this.group ? [this.group] : [])]) group.holds ??= item.parts
        if (!this.group) this.unread.push(item)
        return
      case 'behind':
        if (this.plug && !this.group) this.plug.behind = item.parts
        else this.toGroup((group) => group.takeBehind(item.parts))
        return
      case 'covers':
        if (this.subject === null) this.unread.push(item)
        this.covering = this.subject
        this.subject = null
        return
      case 'on':
        if (this.group && this.group.holds === undefined) this.group.holds = [item.value]
        else if (!this.group && this.plug && this.plug.of === undefined) this.plug.of = item.value
        else if (!this.group && !this.plug && this.subject === null) this.subject = item.value
        else this.unread.push(item)
        return
      case 'part':
        return this.takePart(item.value, before)
      case 'part off':
      case 'part free':
        if (isObject(before)) this.subject = item.value
        else this.others.push({ fact: 'part', part: item.value, level: item.is === 'part off' ? 'off' : 'free' })
        return
      case 'unplug':
        this.closePlug()
        this.plug = { isOpened: true, isPlug: true, items: [] }
        return
      case 'plug noun':
      case 'plug name':
        return this.takePlugWord(item)
      case 'tab':
        this.plugSaid(item)
        if (item.side !== null) this.plug!.tab = item.side
        return
      case 'latch':
        this.plugSaid(item).latch = item.value
        return
      case 'colour':
        this.plugSaid(item).colour = item.value
        return
      case 'leave':
        if (this.plug) this.plugSaid(item).leave = true
        else this.unread.push(item)
        return
      case 'where':
        // "bottom clip": what is named next is there.
        if (this.group || next?.is === 'kind' || next?.is === 'size' || next?.is === 'drive')
          this.toGroup((group) => group.takeWhere(item.value))
        else this.once(this.release, 'start', item)
        return
      case 'start':
        this.closeGroup()
        this.once(this.release, 'start', item)
        return
      case 'move':
        // "squeeze the tab and pull": of a plug that goes without saying. A direction does not.
        if (this.plug && next === undefined && item.to === null && !item.ask) return
        this.closeGroup()
        this.addMotion({ move: item.move, ...(item.to !== null && { to: item.to }) })
        if (item.ask) this.asks.add(item.ask)
        return
      case 'turn':
        return this.takeTurn(item)
      case 'must not':
        this.closeGroup()
        this.others.push({ fact: 'must not', what: item.what })
        return
      case 'tool':
      case 'effort':
      case 'protect':
        this.once(this.release, item.is, item)
        return
      case 'rest':
        this.others.push({ fact: 'rests', how: item.value } as Fact)
        return
      case 'persons':
        this.others.push({ fact: 'persons', count: item.count })
        return
      case 'fixing':
        this.others.push({ fact: 'fixing', fixing: item.value } as Fact)
        return
      case 'brittle':
        this.others.push({ fact: 'brittle' })
        return
      case 'mirrored':
        this.others.push({ fact: 'mirrored' })
        return
      case 'first':
      case 'align':
      case 'listen':
        this.closeGroup()
        this.once(this.refit, item.is, item)
        return
      case 'leads first':
        this.refit.leadsFirst = true
        return
      case 'start all':
        this.refit.startAll = true
        return
      case 'snug':
        this.refit.snug = true
        return
      case 'setting':
        if (item.value === null) this.unread.push(item)
        else this.others.push({ fact: 'setting', setting: item.setting, value: item.value })
        return
      case 'traps':
        if (item.by === null || item.of === null) this.asks.add('part')
        else this.others.push({ fact: 'traps', of: item.of, by: item.by })
        return
      case 'when':
        if (this.when !== null && this.when !== item.value) this.unread.push(item)
        this.when ??= item.value
        return
      case 'to':
        return this.takeDirection(item)
      case 'forward':
        this.asks.add('forward')
        return
      case 'one of two':
        this.asks.add('part')
        return
      case 'left or right':
        this.asks.add('whose left')
        return
      case 'heard':
        return this.takeHeard(item.value)
      case 'unknown':
        this.unread.push(item)
        return
      case 'separator':
      case 'stray':
        return
    }
  }

  /** What was said otherwise before is not said twice: the second one is not understood. */
  private once<K extends string>(of: Partial<Record<K, string>>, key: K, item: Extract<Item, { value: string }>): void {
    if (of[key] !== undefined && of[key] !== item.value) this.unread.push(item)
    else of[key] = item.value
  }

  private toGroup(take: (group: HolderGroup) => boolean): void {
    this.group ??= this.newGroup()
    if (take(this.group)) return
    // It says the same thing otherwise: another group begins.
    this.closeGroup()
    this.group = this.newGroup()
    take(this.group)
  }

  private newGroup(): HolderGroup {
    const group = new HolderGroup()
    if (this.covering !== null) group.takeBehind([this.covering])
    return group
  }

  private closeGroup(): void {
    if (this.group) this.groups.push(this.group)
    this.group = null
  }

  /** A part by itself: what a motion just said moves, or what the line is about. */
  private takePart(name: string, before: Item | undefined): void {
    if (isObject(before)) return void (this.subject = name)
    if (this.plug?.isOpened && this.plug.name === undefined) {
      this.plug.name = name
      return
    }
    if (this.group && !this.group.isEmpty && this.subject !== null) this.closeGroup()
    if (this.group && !this.group.isEmpty && this.group.holds === undefined && this.subject === null)
      this.group.holds = [name]
    else this.subject = name
  }

  private takePlugWord(item: Extract<Item, { value: string }>): void {
    const plug = (this.plug ??= { isOpened: false, isPlug: false, items: [] })
    plug.items.push(item)
    if (item.is === 'plug name') plug.name = item.value
    else if (item.value === '') plug.isPlug = true
    else plug.noun = item.value
  }

  /** Something that only a plug has. */
  private plugSaid(item: Item): Plug {
    const plug = (this.plug ??= { isOpened: false, isPlug: true, items: [] })
    plug.isPlug = true
    plug.items.push(item)
    return plug
  }

  private takeTurn({ turn, sense, seenFrom, side }: Extract<Item, { is: 'turn' }>): void {
    this.closeGroup()
    this.addMotion({
      move: 'turn',
      ...(turn !== null && { turn }),
      ...(sense !== null && { sense: sense as 'clockwise' | 'anticlockwise' }),
      ...(seenFrom !== null && { seenFrom }),
    })
    if (side) this.asks.add('whose left')
    else if (sense === null || seenFrom === null) this.asks.add('turn sense')
  }

  private addMotion(motion: Motion): void {
    // "give it a good tug and pull": one motion said twice.
    const last = this.release.motions?.at(-1)
    if (last && last.move === motion.move && (last.to === undefined || last.to === motion.to))
      Object.assign(last, motion)
    else this.release.motions = [...(this.release.motions ?? []), motion]
  }

  /** "pull the panel toward you": the motion was said before. "take out the screws": it goes without saying. */
  private takeDirection(item: Extract<Item, { value: string }>): void {
    const last = this.release.motions?.at(-1)
    if (last && last.to === undefined) last.to = item.value
    else if (item.value !== 'out') this.unread.push(item)
  }

  /** What sounds like something else is asked about; of its place in a group nothing is taken. */
  private takeHeard(meant: string): void {
    this.asks.add('heard')
    if (/^\d+$/.test(meant)) this.toGroup((group) => group.takeCount(null, false))
    else if (/^T\d+$/.test(meant)) this.toGroup((group) => group.takeDrive('six-lobe', '?'))
    else if (/^hex \d+$/.test(meant)) this.toGroup((group) => group.takeDrive('hex', '?'))
    else this.heardOnly = true
  }

  private closePlug(): void {
    const { plug } = this
    this.plug = null
    if (!plug) return
    const { name, noun, isOpened: _, isPlug, items, ...rest } = plug
    const said = name === undefined ? undefined : noun ? `${name} ${noun}` : name
    if (!isPlug) {
      // "hazard switch: 2 T20" is about a part; "the other side" about nothing.
      if (said !== undefined && !NO_PARTS.includes(said)) this.subject ??= said
      else this.unread.push(...items)
    } else if (said === undefined) this.asks.add('part')
    else {
      // How many there are of a plug that is named is no fact of it.
      this.unread.push(...items.filter((item) => item.is === 'count'))
      this.others.push({ fact: 'plug', name: said, ...rest } as Fact)
    }
  }

  private finish(): void {
    this.closeGroup()
    this.closePlug()
    const { subject } = this
    for (const group of this.groups) {
      const { fact, asks } = group.fact(subject)
      if (fact) this.facts.push(fact)
      for (const ask of asks) this.asks.add(ask)
    }
    const of = subject === null ? {} : { of: subject }
    if (Object.keys(this.release).length > 0) this.facts.push({ fact: 'release', ...of, ...this.release } as Fact)
    for (const fact of this.others)
      this.facts.push(ABOUT_NO_PART.includes(fact.fact) ? fact : ({ ...of, ...fact } as Fact))
    if (Object.keys(this.refit).length > 0) this.facts.push({ fact: 'refit', ...of, ...this.refit } as Fact)
    if (subject !== null && this.facts.length === 0 && !this.heardOnly) this.facts.push({ fact: 'part', part: subject })
  }
}
