import { createToken, createTokenInstance, EmbeddedActionsParser, EOF, type IToken, type TokenType } from 'chevrotain'
import { TOKEN_NAMES, type TokenName } from './lexicon'
import type { Phrase } from './scan'

/** One thing a line says by itself, before it is known what belongs together, and where it stands in the line. */
export type Item = ItemSaid & { begin: number; end: number }
type ItemSaid =
  | { is: 'count'; count: number | null }
  | { is: 'each'; count: number | null; where: string }
  | { is: 'size'; size: string }
  | { is: 'drive'; drive: string; size: string | null }
  | {
      is:
        | 'thread'
        | 'kind'
        | 'latch'
        | 'colour'
        | 'tool'
        | 'effort'
        | 'protect'
        | 'rest'
        | 'start'
        | 'first'
        | 'align'
        | 'listen'
        | 'when'
        | 'fixing'
        | 'plug noun'
        | 'plug name'
        | 'heard'
        | 'where'
        | 'on'
        | 'part'
        | 'part off'
        | 'part free'
        | 'to'
      value: string
    }
  | { is: 'holds' | 'behind'; parts: string[] }
  | { is: 'tab'; side: string | null }
  | { is: 'move'; move: string; to: string | null; ask: 'forward' | 'whose left' | null }
  | { is: 'turn'; turn: string | null; sense: string | null; seenFrom: string | null; side: boolean }
  | { is: 'must not'; what: string }
  | { is: 'persons'; count: number }
  | { is: 'setting'; setting: string; value: string | null }
  | { is: 'traps'; of: string | null; by: string | null }
  | {
      is:
        | 'covers'
        | 'unplug'
        | 'leads first'
        | 'start all'
        | 'snug'
        | 'mirrored'
        | 'brittle'
        | 'leave'
        | 'left or right'
        | 'forward'
        | 'one of two'
        | 'separator'
        | 'stray'
        | 'unknown'
    }

const T = Object.fromEntries(TOKEN_NAMES.map((name) => [name, createToken({ name, pattern: /(?!)/ })])) as Record<
  TokenName,
  TokenType
>

/** Where a turn is seen from, in words that stand after "seen from". */
const SEEN_FROM: Record<string, string> = { front: 'the front', rear: 'the rear', top: 'above', bottom: 'below' }

/**
 * The grammar of a line: things in any order, each made of a few phrases. Made with Chevrotain (LL(k)); what does not
 * fit is an item of its own, so that a line never fails as a whole.
 */
class LineParser extends EmbeddedActionsParser {
  constructor() {
    super([...Object.values(T), EOF], { maxLookahead: 3, recoveryEnabled: false })
    this.performSelfAnalysis()
  }

  private value(token: TokenType, index: 1 | 2 | 3 = 1): string {
    const consumed = index === 1 ? this.CONSUME1(token) : index === 2 ? this.CONSUME2(token) : this.CONSUME3(token)
    return this.ACTION(() => consumed.payload as string)
  }

  line = this.RULE('line', (): Item[] => {
    const items: Item[] = []
    this.MANY(() => {
      const begin = this.ACTION(() => this.LA(1).startOffset)
      const said = this.SUBRULE(this.item)
      this.ACTION(() => items.push({ ...said, begin, end: this.LA(0).endOffset! }))
    })
    return items
  })

  private item = this.RULE('item', (): ItemSaid =>
    this.OR<ItemSaid>([
      { ALT: () => this.SUBRULE(this.each) },
      { ALT: () => this.SUBRULE(this.size) },
      { ALT: () => this.SUBRULE(this.count) },
      { ALT: () => this.SUBRULE(this.drive) },
      { ALT: () => ({ is: 'thread', value: this.value(T.Thread) }) },
      { ALT: () => ({ is: 'kind', value: this.value(T.Kind) }) },
      { ALT: () => ({ is: 'holds', parts: this.SUBRULE(this.holds) }) },
      { ALT: () => (this.CONSUME(T.Covers), { is: 'covers' }) },
      { ALT: () => ({ is: 'behind', parts: this.SUBRULE(this.behind) }) },
      { ALT: () => this.SUBRULE(this.traps) },
      { ALT: () => this.SUBRULE(this.part) },
      { ALT: () => (this.CONSUME(T.Unplug), { is: 'unplug' }) },
      { ALT: () => ({ is: 'plug noun', value: this.value(T.PlugNoun) }) },
      { ALT: () => ({ is: 'plug name', value: this.value(T.PlugName) }) },
      { ALT: () => this.SUBRULE(this.tab) },
      { ALT: () => ({ is: 'latch', value: this.value(T.Latch) }) },
      { ALT: () => this.SUBRULE(this.lever) },
      { ALT: () => this.SUBRULE(this.placed) },
      { ALT: () => this.SUBRULE(this.start) },
      { ALT: () => this.SUBRULE(this.mustNot) },
      { ALT: () => this.SUBRULE(this.move) },
      { ALT: () => this.SUBRULE(this.turn) },
      { ALT: () => ({ is: 'tool', value: this.value(T.Tool) }) },
      { ALT: () => ({ is: 'effort', value: this.value(T.Effort) }) },
      { ALT: () => ({ is: 'protect', value: this.value(T.Protect) }) },
      { ALT: () => ({ is: 'rest', value: this.value(T.Rest) }) },
      { ALT: () => (this.CONSUME(T.Persons), { is: 'persons', count: 2 }) },
      { ALT: () => (this.CONSUME(T.LeadsFirst), { is: 'leads first' }) },
      { ALT: () => (this.CONSUME(T.StartAll), { is: 'start all' }) },
      { ALT: () => (this.CONSUME(T.Snug), { is: 'snug' }) },
      { ALT: () => this.SUBRULE(this.align) },
      { ALT: () => ({ is: 'listen', value: this.value(T.Listen) }) },
      { ALT: () => this.SUBRULE(this.setting) },
      { ALT: () => ({ is: 'when', value: this.value(T.When) }) },
      { ALT: () => (this.CONSUME(T.Mirrored), { is: 'mirrored' }) },
      { ALT: () => (this.CONSUME(T.Brittle), { is: 'brittle' }) },
      { ALT: () => ({ is: 'fixing', value: this.value(T.PressFit) }) },
      { ALT: () => ({ is: 'colour', value: this.value(T.Colour) }) },
      { ALT: () => (this.CONSUME(T.Leave), { is: 'leave' }) },
      { ALT: () => (this.CONSUME(T.LeftOrRight), { is: 'left or right' }) },
      { ALT: () => (this.CONSUME(T.Separator), { is: 'separator' }) },
      { ALT: () => ({ is: 'heard', value: this.value(T.Heard) }) },
      { ALT: () => (this.CONSUME(T.Unknown), { is: 'unknown' }) },
      { ALT: () => this.SUBRULE(this.stray) },
    ]),
  )

  /** "two each side", "one per corner", or "each side" alone. */
  private each = this.RULE('each', (): ItemSaid => {
    const count = this.OPTION(() => this.value(T.Num))
    const where = this.value(T.Each)
    return { is: 'each', count: count ? Number(count) : null, where }
  })

  /** "T20", "PH2", "seven mil". */
  private size = this.RULE('size', (): ItemSaid =>
    this.OR<ItemSaid>([
      { ALT: () => ({ is: 'size', size: this.value(T.Size) }) },
      {
        ALT: () => {
          const size = this.value(T.Num)
          this.CONSUME(T.Millimetres)
          return { is: 'size', size }
        },
      },
    ]),
  )

  private count = this.RULE('count', (): ItemSaid =>
    this.OR<ItemSaid>([
      { ALT: () => ({ is: 'count', count: Number(this.value(T.Num)) }) },
      { ALT: () => ({ is: 'count', count: Number(this.value(T.CountOf)) }) },
      { ALT: () => (this.CONSUME(T.Vague), { is: 'count', count: null }) },
    ]),
  )

  /** "hex 7", "plus head number two", or a drive alone. */
  private drive = this.RULE('drive', (): ItemSaid => {
    const drive = this.value(T.Drive)
    const size = this.OPTION(() =>
      this.OR<string>([
        {
          ALT: () => {
            this.OPTION2(() => this.CONSUME(T.SizeWord))
            return this.value(T.Num)
          },
        },
        { ALT: () => this.value(T.Size) },
      ]),
    )
    return { is: 'drive', drive, size: size ?? null }
  })

  private holds = this.RULE('holds', (): string[] => {
    this.CONSUME(T.Holds)
    return [this.value(T.Part)]
  })

  private behind = this.RULE('behind', (): string[] => {
    this.CONSUME(T.Behind)
    return [this.value(T.Part)]
  })

  /** One part over another, by name; "the lower one" does not say which. */
  private traps = this.RULE('traps', (): ItemSaid =>
    this.OR<ItemSaid>([
      {
        ALT: () => {
          const by = this.value(T.Part)
          this.CONSUME(T.Traps)
          return { is: 'traps', by, of: this.value(T.Part, 2) }
        },
      },
      {
        ALT: () => {
          this.CONSUME(T.OneOfTwo)
          this.CONSUME2(T.Traps)
          this.CONSUME2(T.OneOfTwo)
          return { is: 'traps', by: null, of: null }
        },
      },
    ]),
  )

  /** A part by itself, gone free or off, or the one that something is on. */
  private part = this.RULE('part', (): ItemSaid =>
    this.OR<ItemSaid>([
      {
        ALT: () => {
          this.OR2([{ ALT: () => this.CONSUME(T.On) }, { ALT: () => this.CONSUME(T.To) }])
          return { is: 'on', value: this.value(T.Part) }
        },
      },
      {
        ALT: () => {
          const value = this.value(T.Part, 2)
          const level = this.OPTION(() =>
            this.OR3<'off' | 'free'>([
              { ALT: () => (this.CONSUME(T.Off), 'off') },
              { ALT: () => (this.CONSUME(T.Free), 'free') },
            ]),
          )
          return { is: level === 'off' ? 'part off' : level === 'free' ? 'part free' : 'part', value }
        },
      },
    ]),
  )

  /** "tab driver side", "the tab is on the driver side", "has a tab at the bottom". */
  private tab = this.RULE('tab', (): ItemSaid => {
    this.CONSUME(T.Tab)
    const side = this.OPTION(() => {
      this.MANY(() => this.SUBRULE(this.preposition))
      return this.OR<string>([{ ALT: () => this.value(T.Side) }, { ALT: () => this.value(T.Place) }])
    })
    return { is: 'tab', side: side ?? null }
  })

  private preposition = this.RULE('preposition', () => {
    this.OR([{ ALT: () => this.CONSUME(T.On) }, { ALT: () => this.CONSUME(T.At) }])
  })

  /** The gear lever, or the lever of a plug. */
  private lever = this.RULE('lever', (): ItemSaid => {
    this.CONSUME(T.Lever)
    const value = this.OPTION(() => this.value(T.SettingValue))
    return value ? { is: 'setting', setting: 'lever', value } : { is: 'latch', value: 'lever' }
  })

  /** "top edge first", or where something is. */
  private placed = this.RULE('placed', (): ItemSaid => {
    this.OPTION(() => this.SUBRULE(this.preposition))
    const value = this.OR<string>([
      { ALT: () => this.value(T.Place) },
      { ALT: () => this.value(T.Side) },
      { ALT: () => this.value(T.Corner) },
    ])
    const first = this.OPTION2(() => this.CONSUME(T.First))
    return first ? { is: 'first', value: `${value} edge` } : { is: 'where', value }
  })

  private start = this.RULE('start', (): ItemSaid => {
    this.CONSUME(T.Start)
    this.MANY(() => this.SUBRULE(this.preposition))
    return {
      is: 'start',
      value: this.OR<string>([
        { ALT: () => this.value(T.Place) },
        { ALT: () => this.value(T.Side) },
        { ALT: () => this.value(T.Corner) },
      ]),
    }
  })

  /** "don't push up", "never pull on the leads". */
  private mustNot = this.RULE('mustNot', (): ItemSaid => {
    this.CONSUME(T.Not)
    const move = this.value(T.Move)
    const rest = this.OPTION(() =>
      this.OR<string>([
        {
          ALT: () => {
            this.OPTION2(() => this.CONSUME(T.Tab))
            return this.value(T.To)
          },
        },
        {
          ALT: () => {
            this.CONSUME(T.On)
            this.CONSUME(T.PlugNoun)
            return 'on the leads'
          },
        },
      ]),
    )
    return { is: 'must not', what: `${move} ${rest ?? ''}`.trim() }
  })

  /** A motion with where it goes. "forward", "left" and "right" go nowhere until somebody says of whom. */
  private move = this.RULE('move', (): ItemSaid => {
    const move = this.value(T.Move)
    const to = this.OPTION(() =>
      this.OR<string>([
        { ALT: () => this.value(T.To) },
        { ALT: () => (this.CONSUME(T.Forward), '?forward') },
        { ALT: () => (this.CONSUME(T.LeftOrRight), '?left') },
      ]),
    )
    return {
      is: 'move',
      move,
      to: to === '?forward' || to === '?left' ? null : (to ?? null),
      ask: to === '?forward' ? 'forward' : to === '?left' ? 'whose left' : null,
    }
  })

  /** "turn a quarter anticlockwise seen from below". */
  private turn = this.RULE('turn', (): ItemSaid => {
    let turn: string | undefined
    this.OR([
      {
        ALT: () => {
          this.CONSUME(T.Turn)
          turn = this.OPTION(() => this.value(T.Fraction))
        },
      },
      { ALT: () => (turn = this.value(T.Fraction, 2)) },
    ])
    let side = false
    const sense = this.OPTION2(() =>
      this.OR2<string | null>([
        { ALT: () => this.value(T.Sense) },
        { ALT: () => (this.CONSUME(T.LeftOrRight), (side = true), null) },
      ]),
    )
    const seenFrom = this.OPTION3(() => {
      this.OR3([{ ALT: () => this.CONSUME(T.SeenFrom) }, { ALT: () => this.CONSUME(T.At) }])
      return this.OR4<string>([{ ALT: () => this.value(T.Place) }, { ALT: () => this.value(T.Side) }])
    })
    return {
      is: 'turn',
      turn: turn ?? null,
      sense: sense ?? null,
      seenFrom: seenFrom ? (SEEN_FROM[seenFrom] ?? seenFrom) : null,
      side,
    }
  })

  private align = this.RULE('align', (): ItemSaid => {
    this.CONSUME(T.Align)
    return {
      is: 'align',
      value: this.OR<string>([
        { ALT: () => this.value(T.AlignWhat) },
        { ALT: () => (this.CONSUME(T.Tab), 'tabs') },
        { ALT: () => this.value(T.Part) },
      ]),
    }
  })

  /** "column down", "ignition off", "parking brake on". */
  private setting = this.RULE('setting', (): ItemSaid => {
    const setting = this.value(T.Setting)
    const value = this.OPTION(() =>
      this.OR<string>([
        { ALT: () => this.value(T.SettingValue) },
        { ALT: () => this.value(T.To) },
        { ALT: () => (this.CONSUME(T.Off), 'off') },
        { ALT: () => (this.CONSUME(T.On), 'on') },
      ]),
    )
    return { is: 'setting', setting, value: value ?? null }
  })

  /**
   * A direction or a question apart from what it belongs to; small words; and the rest, which says nothing by itself.
   */
  private stray = this.RULE('stray', (): ItemSaid =>
    this.OR<ItemSaid>([
      { ALT: () => ({ is: 'to', value: this.value(T.To) }) },
      { ALT: () => (this.CONSUME(T.Forward), { is: 'forward' }) },
      { ALT: () => (this.CONSUME(T.OneOfTwo), { is: 'one of two' }) },
      {
        ALT: () => (
          this.OR2([T.On, T.At, T.Off].map((token) => ({ ALT: () => this.CONSUME(token) }))),
          { is: 'stray' }
        ),
      },
      {
        ALT: () => (
          this.OR3(
            [
              T.Free,
              T.First,
              T.Sense,
              T.Millimetres,
              T.SizeWord,
              T.Holds,
              T.Behind,
              T.Traps,
              T.Not,
              T.Start,
              T.Align,
              T.AlignWhat,
              T.SeenFrom,
              T.SettingValue,
            ].map((token) => ({ ALT: () => this.CONSUME(token) })),
          ),
          { is: 'unknown' }
        ),
      },
    ]),
  )
}

const parser = new LineParser()

/**
 * The items of a line. Any line can be read: where a phrase does not go on as it began, the word it breaks off at is
 * taken as one that nobody knows (or the one before it, if it is that already), and the line is read again.
 */
export function itemsOf(phrases: readonly Phrase[]): Item[] {
  const tokens = phrases.map((phrase): IToken => ({
    ...createTokenInstance(T[phrase.token], phrase.said, phrase.from, phrase.to, 1, 1, 1, 1),
    payload: phrase.value,
  }))
  for (;;) {
    parser.input = tokens
    const items = parser.line()
    const error = parser.errors[0]
    if (!error) return items
    const found = tokens.findIndex((token) => token.startOffset === error.token.startOffset)
    let at = found < 0 ? tokens.length - 1 : found
    while (at > 0 && tokens[at]!.tokenType === T.Unknown) at -= 1
    tokens[at] = { ...tokens[at]!, tokenType: T.Unknown, tokenTypeIdx: T.Unknown.tokenTypeIdx! }
  }
}
