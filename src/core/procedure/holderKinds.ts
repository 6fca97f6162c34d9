/** Kinds of fasteners, as the trade names them. */
export const HOLDER_KINDS = [
  'machine screw',
  'self-tapping screw',
  'bolt',
  'nut',
  'plastic nut',
  'spring clip',
  'fir-tree clip',
  'push-pin',
  'pull-pin',
  'quarter-turn',
  'expanding rivet',
  'rivet nut',
  'well nut',
  'slide-on clip nut',
  'stud and grommet',
  'retaining pin',
  'adhesive',
  'hook-and-loop',
  'cable tie',
] as const
export type HolderKind = (typeof HOLDER_KINDS)[number]

/** Kinds a driver turns; the rest come off by hand or with the pry tool. */
export const THREADED_KINDS: readonly HolderKind[] = [
  'machine screw',
  'self-tapping screw',
  'bolt',
  'nut',
  'plastic nut',
  'rivet nut',
  'well nut',
]

/** Kinds that give way in the same movement that takes the panel off, and are pressed home with it. */
export const PULLED_KINDS: readonly HolderKind[] = ['spring clip', 'fir-tree clip', 'adhesive', 'hook-and-loop']

export const DRIVES = ['hex', 'hex socket', 'six-lobe', 'cross', 'slot', 'none'] as const
