import { z } from 'zod'
import { DRIVES, HOLDER_KINDS } from '../procedure/holderKinds'
import { LATCHES, LEAD_COLOURS, TAB_SIDES } from '../procedure/tether'
import { EFFORTS, FIXINGS, PART_TOOLS, REST_WAYS } from '../procedure/part'

const Text = z.string().min(1).max(120)
const Parts = z.array(Text).min(1)

/** One motion of a release, in the words of the line. `seenFrom`: where the sense of a turn is seen from. */
export const Motion = z.strictObject({
  move: Text,
  to: Text.optional(),
  turn: Text.optional(),
  sense: z.enum(['clockwise', 'anticlockwise']).optional(),
  seenFrom: Text.optional(),
})
export type Motion = z.infer<typeof Motion>

/** `of`: the part it is about, where one is named. `when`: on which vehicles only, as it was said. */
const About = { of: Text.optional(), when: Text.optional() }

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
    when: Text.optional(),
  }),
  z.strictObject({
    fact: z.literal('release'),
    ...About,
    start: Text.optional(),
    motions: z.array(Motion).optional(),
    tool: z.enum(PART_TOOLS).optional(),
    effort: z.enum(EFFORTS).optional(),
    protect: Text.optional(),
  }),
  z.strictObject({ fact: z.literal('must not'), ...About, what: Text }),
  z.strictObject({
    fact: z.literal('plug'),
    ...About,
    name: Text,
    latch: z.enum(LATCHES).optional(),
    tab: z.enum(TAB_SIDES).optional(),
    colour: z.enum(LEAD_COLOURS).optional(),
    behind: Parts.optional(),
    leave: z.literal(true).optional(),
  }),
  z.strictObject({ fact: z.literal('rests'), ...About, how: z.enum(REST_WAYS) }),
  z.strictObject({ fact: z.literal('persons'), ...About, count: z.number().int().positive() }),
  z.strictObject({ fact: z.literal('fixing'), ...About, fixing: z.enum(FIXINGS) }),
  z.strictObject({ fact: z.literal('brittle'), ...About }),
  z.strictObject({
    fact: z.literal('refit'),
    ...About,
    first: Text.optional(),
    leadsFirst: z.literal(true).optional(),
    startAll: z.literal(true).optional(),
    snug: z.literal(true).optional(),
    align: Text.optional(),
    listen: Text.optional(),
  }),
  z.strictObject({ fact: z.literal('setting'), ...About, setting: Text, value: Text }),
  z.strictObject({ fact: z.literal('traps'), of: Text, by: Text, when: Text.optional() }),
  z.strictObject({ fact: z.literal('mirrored'), when: Text.optional() }),
  z.strictObject({
    fact: z.literal('part'),
    part: Text,
    level: z.enum(['free', 'off']).optional(),
    when: Text.optional(),
  }),
])
export type Fact = z.infer<typeof Fact>

/** What has to be asked before a line is taken: docs/shorthand.md says why each. */
export const ASKS = ['forward', 'whose left', 'turn sense', 'size', 'drive', 'count', 'kind', 'part', 'heard'] as const
export type AskKind = (typeof ASKS)[number]

/** A line of the corpus with what it means. */
export const CorpusLine = z.strictObject({ line: Text, facts: z.array(Fact), asks: z.array(z.enum(ASKS)) })
export type CorpusLine = z.infer<typeof CorpusLine>
