import type { AskKind } from '../meaning'
import type { Item, Language } from './sense'

/** A fact in the making: its fields so far and the items they came from. */
export type Made = { fact: string; fields: Record<string, unknown>; items: Item[] }

/** A group of fasteners in the making: what was said of it, before it is known what it lacks. */
export type Group = Made & {
  count?: number | null
  kind?: string
  several?: boolean
  /** Its count was corrected: its kind may be said again. */
  isRecounted?: boolean
  drive?: string | null
  size?: string | null
  heard?: boolean
  soft?: boolean
  left?: number
  /** It holds what the line is about, and nothing else was said. */
  isInherited?: boolean
}

/** A plug in the making. `isOpened`: said to be unplugged; of an airbag's plug nothing less is taken for it. */
export type Plug = Made & { isOpened?: boolean }

/** What has to be asked, and of what: a fact in the making, or words that are in none yet. */
export type Asking = { ask: AskKind; made: Made | null; items: readonly Item[] }

/** Where the reading of a line stands. */
export class Draft {
  constructor(
    readonly language: Language,
    line: string,
  ) {
    this.isLeaving = language.leaves.test(line)
  }

  readonly made: Made[] = []
  readonly asks: Asking[] = []
  readonly unread: Item[] = []
  readonly heard: Item[] = []
  /** Items that say what the next fact is about. */
  loose: Item[] = []
  /** The part that what follows is about. */
  subject: string | null = null
  /** The part that a colon stands after: what the line is about. */
  topic: string | null = null
  /** The part that was spoken of before one that only comes off on the way to it. */
  owner: string | null = null
  /** The part in hand comes off on the way only: after its clause the one before goes on. */
  isOnTheWay = false
  /** The last part that came off on the way, and the last one named at all. */
  wayPart: string | null = null
  lastPart: string | null = null
  backToOwner = false
  group: Group | null = null
  plug: Plug | null = null
  /** What was said of a group or a plug before it was named. */
  before: { behind?: string; where?: string; leave?: Item; holds?: string; reuse?: string } = {}
  /** The words of that, as long as nothing has come. */
  readonly waiting: { behind?: Item; where?: Item } = {}
  /** On which vehicles what follows holds. */
  when: string | null = null
  whenSaid: string | null = null
  /** Facts of this clause. */
  clause: Made[] = []
  refitting = false
  unplugging = false
  /** Since the last sign the clause says that something is unplugged. */
  isOpening = false
  /** Something in the line may be said to stay plugged. */
  readonly isLeaving: boolean
  correcting = false
  /** The line began with a correction: of what was said in another line. */
  instead = false
  insteadOf: Record<string, unknown> = {}
  /** It begins with a word that may be one. */
  mayCorrect = false
  /** So many instead, of what another line said: "no, nine". */
  corrects: { count: number; items: readonly Item[] } | null = null
  /** Facts that the line took back: their words are in none. */
  readonly takenBack: Made[] = []
  /** What follows says nothing any more. */
  isOver = false
  last: Item | null = null
  next: Item | null = null

  /** A new fact of a kind. */
  add(fact: string, fields: Record<string, unknown>, item: Item): Made {
    const made: Made = { fact, fields, items: [...this.loose, item] }
    this.loose = []
    if (this.when !== null) fields.when = this.when
    this.made.push(made)
    this.clause.push(made)
    return made
  }

  /** A fact that is not so after all. */
  takeBack(gone: Made): void {
    for (const list of [this.made, this.clause]) if (list.includes(gone)) list.splice(list.indexOf(gone), 1)
    this.takenBack.push(gone)
  }

  /** The last fact of a kind that is about the part in hand; a new one where there is none. */
  about(fact: string, item: Item, part: string | null = this.subject): Made {
    const isIt = ({ fact: kind, fields }: Made) => kind === fact && (fields.of ?? null) === part
    const known = this.made.findLast(isIt)
    if (!known) return this.add(fact, part === null ? {} : { of: part }, item)
    known.items.push(item)
    return known
  }

  /** What follows is about this part. */
  turnTo(part: string, isOnTheWay = false): void {
    if (isOnTheWay && this.subject !== null && !this.isOnTheWay) this.owner = this.subject
    if (!isOnTheWay) this.owner = null
    this.wayPart = isOnTheWay ? part : null
    this.isOnTheWay = isOnTheWay && this.owner !== null
    this.subject = part
    for (const { fact, fields } of this.clause) if (fact === 'persons') fields.of ??= part
    this.closeThings()
  }

  closeThings(): void {
    this.group = null
    this.plug = null
    this.unplugging = false
  }

  /** An item belongs to what it was said of: the group or plug in hand, the last of its clause, or what comes. */
  keep(item: Item): void {
    if (this.made.some(({ items }) => items.includes(item)) || this.unread.includes(item)) return
    const of = this.group ?? this.plug ?? this.clause.at(-1)
    if (of) of.items.push(item)
    else this.loose.push(item)
  }

  /** What nobody can know from the words alone. */
  ask(ask: AskKind, made: Made): void {
    this.asks.push({ ask, made, items: made.items })
  }

  /** The same of words that are in no fact yet. */
  askAt(ask: AskKind, item: Item): void {
    this.asks.push({ ask, made: null, items: [item] })
  }

  leaveUnread(item: Item): void {
    this.unread.push(item)
  }
}

export const text = (value: unknown): string => value as string
export const textOrNull = (value: unknown): string | null => (value ?? null) as string | null
