import type { Id } from '../base/id'

/** The kinds of things an act can be done to. */
export type ActTarget = 'holder' | 'part' | 'tether' | 'setting' | 'work' | 'function' | 'facet' | 'wait'

type Row = {
  /** What the act is done to. */
  of: ActTarget
  /** On which way it is done: in, out, or at the bottom and wherever it is needed. */
  way: 'in' | 'out' | 'between'
  /** On the way in: the act that takes it back. On the way out: the one it takes back. */
  mirror: string | null
  /** Acts that follow one another, there and back, on one thing: they keep their place beside each other. */
  pair: string
  /** The level a part is at after it, for acts of the way in. */
  brings?: 'eased' | 'free' | 'off'
  /** What can wait for something else by a stated need. */
  waits?: true
  /** What a rule of safety of the shop can bite at. */
  ruled?: true
  /** What a caution of the record can stand at. */
  cautioned?: true
  /**
   * The share of its estimate by which it strays, usually: a house estimate, no source. Absent: as everything else.
   */
  strays?: number
}

/**
 * Every act there is, in the order of their names in lists: what it is done to, on which way, what takes it back. The
 * lists below and the types are read from it. Sentences about acts stand in src/words.
 */
export const ACTS = {
  undo: {
    of: 'holder',
    way: 'in',
    mirror: 'fasten',
    pair: 'holder',
    waits: true,
    ruled: true,
    cautioned: true,
    strays: 0.5,
  },
  ease: {
    of: 'part',
    way: 'in',
    mirror: 'seat',
    pair: 'move',
    brings: 'eased',
    waits: true,
    ruled: true,
    cautioned: true,
    strays: 0.5,
  },
  release: {
    of: 'part',
    way: 'in',
    mirror: 'seat',
    pair: 'move',
    brings: 'free',
    waits: true,
    ruled: true,
    cautioned: true,
    strays: 0.6,
  },
  open: {
    of: 'tether',
    way: 'in',
    mirror: 'close',
    pair: 'tether',
    waits: true,
    ruled: true,
    cautioned: true,
    strays: 0.6,
  },
  lift: {
    of: 'part',
    way: 'in',
    mirror: 'place',
    pair: 'lift',
    brings: 'off',
    waits: true,
    ruled: true,
    cautioned: true,
  },
  fasten: {
    of: 'holder',
    way: 'out',
    mirror: 'undo',
    pair: 'holder',
    waits: true,
    ruled: true,
    cautioned: true,
    strays: 0.4,
  },
  /** All fasteners of a group by hand, before any is made snug. */
  start: { of: 'holder', way: 'out', mirror: 'undo', pair: 'holder', ruled: true, strays: 0.4 },
  seat: {
    of: 'part',
    way: 'out',
    mirror: 'release',
    pair: 'move',
    waits: true,
    ruled: true,
    cautioned: true,
    strays: 0.5,
  },
  close: {
    of: 'tether',
    way: 'out',
    mirror: 'open',
    pair: 'tether',
    waits: true,
    ruled: true,
    cautioned: true,
    strays: 0.5,
  },
  place: { of: 'part', way: 'out', mirror: 'lift', pair: 'lift', waits: true, ruled: true, cautioned: true },
  /** The lead through its aperture, before its plug. */
  feed: { of: 'tether', way: 'out', mirror: 'open', pair: 'tether', ruled: true },
  set: { of: 'setting', way: 'between', mirror: 'restore', pair: 'setting', ruled: true, cautioned: true },
  /** A setting set back for good. */
  restore: { of: 'setting', way: 'between', mirror: 'set', pair: 'setting' },
  work: { of: 'work', way: 'between', mirror: null, pair: 'work', ruled: true, strays: 0.3 },
  test: {
    of: 'function',
    way: 'between',
    mirror: null,
    pair: 'test',
    waits: true,
    ruled: true,
    cautioned: true,
    strays: 0.3,
  },
  /** A facet can now be told. */
  decide: { of: 'facet', way: 'between', mirror: null, pair: 'decide' },
  /** Nothing is done until a wait is over. */
  wait: { of: 'wait', way: 'between', mirror: null, pair: 'wait', strays: 0 },
} as const satisfies Record<string, Row>

export type Act = keyof typeof ACTS
type ActWith<Field extends keyof Row, Value> = {
  [A in Act]: (typeof ACTS)[A] extends { readonly [F in Field]: Value } ? A : never
}[Act]
export type InAct = ActWith<'way', 'in'>
export type OutAct = ActWith<'way', 'out'>

/** What is known of an act, whichever it is. */
export function actOf(act: Act): Row {
  return ACTS[act]
}

const NAMES = Object.keys(ACTS) as [Act, ...Act[]]
const namesWith = <F extends 'waits' | 'ruled' | 'cautioned'>(field: F) =>
  NAMES.filter((act) => actOf(act)[field]) as [ActWith<F, true>, ...ActWith<F, true>[]]

export const ALL_ACTS = NAMES
/** What can wait: acts, and a setting's method. */
export const DEPENDENT_ACTS = [...namesWith('waits'), 'method'] as const
/** What a rule of a shop can bite at. `power`: something is about to be switched on. */
/** And switching power on, and laying a lead along a way. */
export const RULE_ACTS = [...namesWith('ruled'), 'power', 'lay'] as const
export const CAUTION_ACTS = ['any', ...namesWith('cautioned')] as const

export type DependentAct = (typeof DEPENDENT_ACTS)[number]

/** The act that takes back an act of the way in: undo and fasten, release and seat, open and close, lift and place. */
export function turnedRound(act: InAct): OutAct {
  return ACTS[act].mirror
}

/** `@test`: a plug closed for a test and opened again; `@hand`: one plugged by hand so that power may come on. */
export type OperationKey = `${Act | 'method'}:${string}`

/**
 * The key of an act done to a thing: made of the same ids as the facts, so that it survives a replan. `nth`: the same
 * act on the same thing for another purpose. The only place where a key is put together; splitKey takes it apart.
 */
export function keyOf(act: Act | 'method', id: Id, nth?: 'test' | 'hand'): OperationKey {
  return nth ? `${act}:${id}@${nth}` : `${act}:${id}`
}

/** The key of a setting act: which value, by which method. */
export function setKey(settingId: Id, value: string, methodId: Id): OperationKey {
  return `set:${settingId}=${value} by ${methodId}`
}

/** The act and the id an operation's key begins with: "set:lever=out by m2" is ['set', 'lever']. */
export function splitKey(key: string): [Act, Id] {
  const at = key.indexOf(':')
  return [key.slice(0, at) as Act, key.slice(at + 1).split(/[=@~ ]/)[0]!]
}

/** Whether a key is one of this act. */
export function isAct(key: string, act: Act): boolean {
  return key.startsWith(`${act}:`)
}
