import { z } from 'zod'
import { DRIVES, HOLDER_KINDS } from '../procedure/holderKinds'
import { LATCHES, LEAD_COLOURS, TAB_SIDES } from '../procedure/tether'
import { EFFORTS, FIXINGS, PART_TOOLS, REST_WAYS } from '../procedure/part'

const Text = z.string().min(1).max(120)
/** As long as the record's own names of parts and of plugs. */
const PartName = z.string().min(1).max(80)
const PlugName = z.string().min(1).max(60)
const Parts = z.array(PartName).min(1)

/** One motion of a release, in the words of the line. `seenFrom`: where the sense of a turn is seen from. */
export const Motion = z.strictObject({
  move: Text,
  to: Text.optional(),
  turn: Text.optional(),
  sense: z.enum(['clockwise', 'anticlockwise']).optional(),
  seenFrom: Text.optional(),
})
export type Motion = z.infer<typeof Motion>

/** What stands instead of what an earlier line said; the fields that were named as wrong, with what they were. */
const Instead = z.record(z.string(), z.unknown())
/** `when`: on which vehicles only, as it was said. `unsure`: fields somebody was not sure of. */
const Any = { when: Text.optional(), instead: Instead.optional(), unsure: z.array(Text).optional() }
/** `of`: the part it is about, where one is named. */
const About = { of: PartName.optional(), ...Any }

/** What may be the matter with a thing of one vehicle. */
export const FOUND_STATES = ['missing', 'broken', 'stripped', 'worn'] as const

/** One thing a line says. What was not said is left out; docs/shorthand.md has the kinds. */
export const Fact = z.discriminatedUnion('fact', [
  z.strictObject({
    fact: z.literal('holder'),
    kind: z.enum(HOLDER_KINDS),
    count: z.number().int().positive().nullable(),
    drive: z.enum(DRIVES).optional(),
    size: Text.optional(),
    where: Text.optional(),
    holds: Parts.optional(),
    behind: Parts.optional(),
    thread: Text.optional(),
    torqueNm: z.number().positive().optional(),
    captive: z.literal(true).optional(),
    reuse: z.literal('single use').optional(),
    reach: z.literal('feel').optional(),
    stack: z.array(Text).optional(),
    tell: Text.optional(),
    /** What it may be as well. */
    or: z.array(z.strictObject({ drive: z.enum(DRIVES), size: Text.optional() })).optional(),
    ...Any,
  }),
  z.strictObject({
    fact: z.literal('release'),
    ...About,
    start: Text.optional(),
    motions: z.array(Motion).optional(),
    tool: z.enum(PART_TOOLS).optional(),
    effort: z.enum(EFFORTS).optional(),
    protect: Text.optional(),
    /** What the cover or cloth is for, where it is another part. */
    protects: PartName.optional(),
  }),
  z.strictObject({ fact: z.literal('must not'), ...About, what: Text }),
  z.strictObject({
    fact: z.literal('plug'),
    ...About,
    name: PlugName,
    latch: z.enum(LATCHES).optional(),
    tab: z.enum(TAB_SIDES).optional(),
    colour: z.enum(LEAD_COLOURS).optional(),
    behind: Parts.optional(),
    leave: z.literal(true).optional(),
    count: z.number().int().positive().optional(),
    reach: z.literal('feel').optional(),
    beforePlugging: Text.optional(),
    mustOpenFor: z.literal('free').optional(),
  }),
  z.strictObject({ fact: z.literal('rests'), ...About, how: z.enum(REST_WAYS) }),
  z.strictObject({ fact: z.literal('persons'), ...About, count: z.number().int().positive() }),
  z.strictObject({ fact: z.literal('fixing'), ...About, fixing: z.enum(FIXINGS) }),
  z.strictObject({ fact: z.literal('brittle'), not: z.literal(true).optional(), ...About }),
  z.strictObject({
    fact: z.literal('refit'),
    ...About,
    first: Text.optional(),
    last: Text.optional(),
    leadsFirst: z.literal(true).optional(),
    startAll: z.literal(true).optional(),
    snug: z.literal(true).optional(),
    align: Text.optional(),
    listen: Text.optional(),
  }),
  z.strictObject({
    fact: z.literal('setting'),
    ...About,
    setting: Text,
    value: Text,
    waitMin: z.number().positive().optional(),
  }),
  z.strictObject({ fact: z.literal('traps'), ...Any, of: PartName, by: PartName }),
  z.strictObject({ fact: z.literal('mirrored'), ...Any }),
  z.strictObject({ fact: z.literal('caution'), ...About, what: Text }),
  /** Of this vehicle only: never a fastener of the record. */
  z.strictObject({
    fact: z.literal('found'),
    ...About,
    state: z.enum(FOUND_STATES),
    kind: z.enum(HOLDER_KINDS).optional(),
    count: z.number().int().positive().optional(),
    where: Text.optional(),
  }),
  z.strictObject({ fact: z.literal('test'), ...About, what: Text }),
  z.strictObject({ fact: z.literal('tell'), ...Any, by: Text }),
  z.strictObject({ fact: z.literal('take back'), ...Any }),
  z.strictObject({
    fact: z.literal('part'),
    part: PartName,
    level: z.enum(['eased', 'free', 'off']).optional(),
    ...Any,
  }),
])
export type Fact = z.infer<typeof Fact>

/** What has to be asked before a line is taken: docs/shorthand.md says why each. */
export const ASKS = [
  'forward',
  'toward you',
  'whose left',
  'turn sense',
  'size',
  'drive',
  'count',
  'kind',
  'part',
  'airbag',
  'heard',
] as const
export type AskKind = (typeof ASKS)[number]

/** A line of the corpus with what it means. */
export const CorpusLine = z.strictObject({ line: Text, facts: z.array(Fact), asks: z.array(z.enum(ASKS)) })
export type CorpusLine = z.infer<typeof CorpusLine>
