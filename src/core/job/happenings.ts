import { AIRBAG_CIRCUITS } from '../shop/rights'
import type { Happening } from './event'

type Row = {
  /** Whose account it changes: the slice of the fold it belongs to. */
  account: 'holders' | 'parts' | 'tethers' | 'settings' | 'kit' | 'people' | 'desk'
  /** Who may write it. `gate`: only the shop itself, which checks before it writes. */
  by: 'anybody' | 'lead' | 'gate'
  /**
   * Whether it counts only while its person acts on the device that sends it: a signature and a lead's decision are
   * worth nothing in the name of somebody who once was there.
   */
  inPerson: boolean
  /**
   * Whether it opens a vehicle again that was signed for: signatures cover only what stood before them. Quiet is what
   * changes nothing on the vehicle.
   */
  reopens: boolean
  /**
   * Whether it is work on a circuit, which may take somebody authorised for it. What somebody else did is taken all the
   * same, for it was done, and marked where it is kept.
   */
  onCircuit?: true
}

const loud = (account: Row['account']) => ({ account, by: 'anybody', inPerson: false, reopens: true }) as const
const quiet = (account: Row['account']) => ({ account, by: 'anybody', inPerson: false, reopens: false }) as const
const decided = (account: Row['account']) => ({ account, by: 'lead', inPerson: true, reopens: false }) as const

/** Everything that can be written into a job's log: whose account it is, who may write it, whether it reopens. */
export const HAPPENINGS: Readonly<Record<Happening['kind'], Row>> = {
  'job opened': quiet('people'),
  'plan adopted': quiet('people'),
  'card taken': quiet('people'),
  paused: quiet('people'),
  resumed: quiet('people'),
  countersigned: { account: 'people', by: 'anybody', inPerson: true, reopens: false },
  'handed over': { account: 'people', by: 'gate', inPerson: false, reopens: false },
  reopened: { account: 'people', by: 'gate', inPerson: false, reopens: true },
  'caution read': quiet('people'),
  'taken back': quiet('people'),

  'as found': loud('holders'),
  undone: loud('holders'),
  fastened: loud('holders'),
  'new fitted': loud('holders'),
  broken: loud('holders'),
  'pieces recovered': loud('holders'),
  lost: loud('holders'),
  'found again': loud('holders'),
  'search signed': loud('holders'),
  'left out': loud('holders'),
  ordered: quiet('holders'),
  arrived: quiet('holders'),
  'stray found': loud('holders'),
  'stray settled': loud('holders'),
  ended: loud('holders'),

  'part at': loud('parts'),
  'tool out': loud('parts'),
  'tool back': quiet('parts'),
  'work done': loud('parts'),
  'changed for good': quiet('parts'),

  fitted: loud('kit'),
  'step done': loud('kit'),
  adjusted: loud('kit'),
  'left over': quiet('kit'),
  supplied: quiet('kit'),
  'tell seen': quiet('kit'),
  'place judged': quiet('kit'),
  'gone on without': quiet('kit'),

  opened: { ...loud('tethers'), onCircuit: true },
  closed: { ...loud('tethers'), onCircuit: true },
  tried: quiet('tethers'),
  'led through': loud('tethers'),
  'lead parked': quiet('tethers'),
  tested: loud('tethers'),
  'worked before': quiet('tethers'),
  'trouble found': quiet('tethers'),
  'loss accepted': quiet('tethers'),

  set: loud('settings'),
  'facet told': quiet('settings'),
  'checked in': quiet('settings'),
  restored: quiet('settings'),

  'left for later': quiet('people'),
  'shown to the customer': { account: 'people', by: 'anybody', inPerson: true, reopens: false },

  noted: quiet('desk'),
  'voice noted': quiet('desk'),
  photographed: quiet('desk'),
  'different from the record': quiet('desk'),
  stated: quiet('desk'),
  'came before': quiet('desk'),
  'order means nothing': quiet('desk'),
  'already off': quiet('desk'),
  'question put off': quiet('desk'),
  'note settled': decided('desk'),
  'proposal declined': decided('desk'),
  'row accepted': decided('desk'),
}

/** What is known of the person in whose name something is written, on the device that sends it. */
export type Hand = {
  isLead: boolean
  /** In the crew still. */
  isHere: boolean
  /** Whether they act on this device now, and whether they have acted on it since it was signed in. */
  actsNow: boolean
  hasActed: boolean
}

/** Why something may not be written; `held`: it can be once its person has entered their PIN. */
export type NotWritten = 'the shop writes it' | 'needs a lead' | 'had left' | 'held: acts now' | 'held: has acted'

/**
 * Whether this may be written in the name of somebody, from a device they have had in their hands: null when it may.
 * What somebody did before they left is taken, and marked where it is kept; what they alone could decide is not.
 */
export function notWritten(kind: Happening['kind'], hand: Hand): NotWritten | null {
  const { by, inPerson } = HAPPENINGS[kind]
  if (by === 'gate') return 'the shop writes it'
  if (by === 'lead' && !hand.isLead) return 'needs a lead'
  if (!hand.isHere) return inPerson ? 'had left' : null
  if (inPerson && !hand.actsNow) return 'held: acts now'
  return hand.hasActed ? null : 'held: has acted'
}

/** What is odd about an event that is kept: a lead looks at it. */
export type Mark = 'had left' | 'not authorised'

/** The mark an event is kept with. `firing`: the plugs of its job that fire an airbag or a tensioner. */
export function markOf(
  what: Happening,
  hand: { isHere: boolean; authorised: readonly string[] },
  firing: ReadonlySet<string>,
): Mark | null {
  if (!hand.isHere) return 'had left'
  const isFiring = HAPPENINGS[what.kind].onCircuit && 'tetherId' in what && firing.has(what.tetherId)
  return isFiring && !hand.authorised.includes(AIRBAG_CIRCUITS) ? 'not authorised' : null
}
