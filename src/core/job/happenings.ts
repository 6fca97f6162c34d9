import type { Happening } from './event'

type Row = {
  /** Whose account it changes: the slice of the fold it belongs to. */
  account: 'holders' | 'parts' | 'tethers' | 'settings' | 'people' | 'desk'
  /** Who may write it. `gate`: only the shop itself, which checks before it writes. */
  by: 'anybody' | 'lead' | 'gate'
  /**
   * Whether it opens a vehicle again that was signed for: signatures cover only what stood before them. Quiet is what
   * changes nothing on the vehicle.
   */
  reopens: boolean
}

const loud = (account: Row['account']) => ({ account, by: 'anybody', reopens: true }) as const
const quiet = (account: Row['account']) => ({ account, by: 'anybody', reopens: false }) as const
const decided = (account: Row['account']) => ({ account, by: 'lead', reopens: false }) as const

/** Everything that can be written into a job's log: whose account it is, who may write it, whether it reopens. */
export const HAPPENINGS: Readonly<Record<Happening['kind'], Row>> = {
  'job opened': quiet('people'),
  'plan adopted': quiet('people'),
  'card taken': quiet('people'),
  paused: quiet('people'),
  resumed: quiet('people'),
  countersigned: quiet('people'),
  'handed over': { account: 'people', by: 'gate', reopens: false },
  reopened: { account: 'people', by: 'gate', reopens: true },
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

  opened: loud('tethers'),
  closed: loud('tethers'),
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

/** Whether somebody may write this into the log themselves. */
export function mayWrite(kind: Happening['kind'], isLead: boolean): boolean {
  const { by } = HAPPENINGS[kind]
  return by === 'anybody' || (by === 'lead' && isLead)
}
