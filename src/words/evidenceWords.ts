import { wallMsOf } from '@/core/base/clock'
import type { Entry, Evidence, Witness } from '@/core/job/evidence'
import { dateWords, type Zone } from './dates'

/** Who stated a thing, who bore it out, and who found it otherwise: a line each. */
export function evidenceWords(evidence: Evidence | undefined, people: Record<string, string>, zone: Zone): string[] {
  if (!evidence) return []
  const by = ({ personId, label, at }: Witness) =>
    `${people[personId] ?? 'somebody'} on ${label}, ${dateWords(wallMsOf(at), 'day', zone)}`
  const last = evidence.confirmed.at(-1)
  const others = evidence.confirmed.length - 1
  return [
    evidence.entered ? enteredWords(evidence.entered, people, zone) : '',
    evidence.stated ? `stated by ${by(evidence.stated)}` : '',
    last ? `counted by ${by(last)}${others > 0 ? ` and on ${others} other ${others === 1 ? 'job' : 'jobs'}` : ''}` : '',
    ...evidence.contradicted.map((item) => `found otherwise by ${by(item)}`),
  ].filter(Boolean)
}

/** "entered by Jo from print: trim sheet 4, 3 Nov". */
function enteredWords({ personId, atMs, source }: Entry, people: Record<string, string>, zone: Zone): string {
  const from = { 'not said': '', 'own work': ' from own work', printed: ' from print', hearsay: ' by hearsay' }[
    source.kind
  ]
  return `entered by ${people[personId] ?? 'somebody'}${from}${source.words ? `: ${source.words}` : ''}, ${dateWords(atMs, 'day', zone)}`
}
