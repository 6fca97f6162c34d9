import type { LeadClass } from '@/core/shop/leadClass'

/** Line of each kind of lead, told apart without colour: thickness, walls, ticks, dashes. */
export const LEAD_LINES: Readonly<
  Record<LeadClass, { width: number; dash?: string; round?: true; walls?: true; ticks?: true }>
> = {
  supply: { width: 6 },
  ground: { width: 6, ticks: true },
  speaker: { width: 5, walls: true },
  antenna: { width: 7, walls: true },
  signal: { width: 2 },
  data: { width: 2, dash: '1 5', round: true },
  switched: { width: 2, dash: '9 5' },
}
