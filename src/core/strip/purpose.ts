import type { Happening } from '../job/event'
import type { JobState } from '../job/jobState'

export const PURPOSES = ['radio', 'recorder', 'tracker', 'camera', 'antenna'] as const
const PURPOSE_SAID = 'This strip is for: '

/** What somebody says the strip is for, as a note everybody sees; null = nobody has. */
export function purposeOf(state: Pick<JobState, 'notes'>): string | null {
  return state.notes.find(({ text }) => text.startsWith(PURPOSE_SAID))?.text.slice(PURPOSE_SAID.length) ?? null
}
export function purposeSaid(purpose: string): Happening[] {
  return [{ kind: 'noted', itemId: null, text: `${PURPOSE_SAID}${purpose}` }]
}
