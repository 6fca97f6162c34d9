import type { LastingChange } from '@/core/shop/workItem'
import { capital } from './operations'

/** How long a work item takes, for a list: "1 min" at least. */
export function kitMinutesWords(durationS: number): string {
  return `${Math.max(1, Math.round(durationS / 60))} min`
}

/** What a kit changes for good: "File: surround, the lower lip; the customer is asked." */
export function lastingChangeWords({ what, where, how, consent }: LastingChange): string {
  return `${capital(what)}: ${[where, how].filter(Boolean).join(', ')}${consent ? '; the customer is asked' : ''}.`
}
