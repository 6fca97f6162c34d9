import { z } from 'zod'
import { Id } from '../../base/id'

/** The habits a crew picks. Permissions and weights, never safety. `methods` fixes a method per "settingId=value". */
export const Policy = z.object({
  resting: z.enum(['rest', 'set aside']).default('rest'),
  habit: z.enum(['quickest', 'panel by panel', 'tool in hand']).default('quickest'),
  /**
   * Battery off before every other act, and on again at the end; or it stays on, with the ignition off but for a named
   * act.
   */
  battery: z.enum(['stays on', 'off first']).default('stays on'),
  /**
   * Between two needs for it out that enclose work or tests: the lever goes back to park, or stays out where the record
   * lets it.
   */
  lever: z.enum(['back meanwhile', 'left out']).default('back meanwhile'),
  /** What trim hides is tried before, or all of it at hand-over: then what fails is opened again. */
  tests: z.enum(['before it is hidden', 'at hand-over']).default('before it is hidden'),
  methods: z.record(z.string(), Id).default({}),
})
export type Policy = z.infer<typeof Policy>

/** What a habit counts on top of the seconds while an order is looked for. Never part of the minutes shown. */
export type Weights = { leavingPanelS: number; takingToolS: number }

/** So much dislike that a panel is left, or a tool put down, only where it saves more than this. */
const HABIT_S = 20

export function weightsOf({ habit }: Pick<Policy, 'habit'>): Weights {
  return {
    leavingPanelS: habit === 'panel by panel' ? HABIT_S : 0,
    takingToolS: habit === 'tool in hand' ? HABIT_S : 0,
  }
}
