import type { Tether, TETHER_KINDS, LATCHES } from '@/core/procedure/tether'
import { isElectrical } from '@/core/procedure/circuits'

type TetherKind = (typeof TETHER_KINDS)[number]
type Latch = (typeof LATCHES)[number]

/**
 * What a hand does with each kind: the verbs of its titles, what to mind on the way in and on the way back, and how one
 * sees that it is so.
 */
type TetherActs = { open: string; close: string; minding: string; home: string; isOpen: string; isHome: string }

const PLUG: TetherActs = {
  open: 'Unplug',
  close: 'Plug',
  minding: 'never by the wires',
  home: '',
  isOpen: 'it is open',
  isHome: 'it has clicked',
}

export const TETHER_ACTS: Record<TetherKind, TetherActs> = {
  electrical: PLUG,
  coax: { ...PLUG, minding: 'by its body, never by the lead' },
  optical: { ...PLUG, minding: 'by its body; nothing touches or bends the fibre, cap both ends', home: 'ends clean' },
  ground: {
    open: 'Take off',
    close: 'Put on',
    minding: '',
    home: 'bare metal on bare metal',
    isOpen: 'its lug is off',
    isHome: 'its lug can’t be turned by hand',
  },
  hose: {
    open: 'Pull off',
    close: 'Push on',
    minding: 'turn it first to break it loose; catch what runs out',
    home: 'to its stop, clamp where it sat',
    isOpen: 'it is off and stopped up',
    isHome: 'it is on to its stop, clamp closed',
  },
  duct: {
    open: 'Slip off',
    close: 'Slip on',
    minding: 'do not crush it',
    home: 'all round over its rim',
    isOpen: 'it is off',
    isHome: 'it is over its rim all round',
  },
  'control cable': {
    open: 'Unhook',
    close: 'Hook in',
    minding: 'no kink',
    home: 'eye over its peg, sheath in its clamp',
    isOpen: 'it is unhooked',
    isHome: 'it is hooked in and moves freely',
  },
  damper: {
    open: 'Unhook',
    close: 'Hook in',
    minding: 'hold what it holds',
    home: 'eye fully over its peg',
    isOpen: 'it is unhooked',
    isHome: 'its eye is over its peg',
  },
  strap: {
    open: 'Undo',
    close: 'Do up',
    minding: 'hold what it holds',
    home: '',
    isOpen: 'it is undone',
    isHome: 'it holds',
  },
}

type LatchActs = { open: string; close: string }

export const LATCH_ACTS: Record<Latch, LatchActs> = {
  'press tab': { open: 'press the tab', close: 'push until it clicks, then tug it once' },
  'squeeze two tabs': {
    open: 'squeeze both tabs; if it sticks, first one side, then the other',
    close: 'push until both tabs click, then tug it once',
  },
  lever: {
    open: 'press its lock, swing the lever fully',
    close: 'lever fully open, push until it moves by itself, swing it home: half home works half',
  },
  'sliding lock': {
    open: 'slide the lock back (small, breaks easily), then press the tab',
    close: 'push until it clicks, then slide the lock in',
  },
  'spring-loaded collar': { open: 'draw the collar back and pull', close: 'push until the collar springs forward' },
  'push-on': { open: 'straight off', close: 'straight on until it snaps' },
  threaded: {
    open: 'undo its nut with the spanner, hold the lead still',
    close: 'nut on by hand first, then snug with the spanner',
  },
  screw: { open: 'its screw first', close: 'push it home, then its screw' },
  'ground stud': { open: 'nut off, lug off its stud', close: 'lug on its stud, nut snug' },
  'friction fit': { open: 'pull it straight', close: 'push it fully home' },
}

/**
 * How a tether is opened or closed: its latch, where to press, what to mind; nothing that is only true of plugs for
 * what is none.
 */
export function latchWords(tether: Tether, way: 'open' | 'close'): string {
  const acts = TETHER_ACTS[tether.kind]
  const latch = tether.latch
    ? LATCH_ACTS[tether.latch][way]
    : isElectrical(tether)
      ? { open: 'look how it is latched', close: 'push fully home' }[way]
      : ''
  // Said once, where the record says what goes for every such latch.
  const first = latch.startsWith(tether.beforePlugging) ? '' : tether.beforePlugging
  if (way === 'close') return [first, latch, acts.home].filter(Boolean).join(', ')
  const side = tether.tabSide ? `${tether.latch === 'lever' ? 'lever' : 'tab'} on the ${tether.tabSide}` : ''
  return [latch, side, tether.pressAt && `press ${tether.pressAt}`, acts.minding].filter(Boolean).join(', ')
}
