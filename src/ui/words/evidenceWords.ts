import { wallMsOf } from '@/core/base/clock'
import type { Evidence, Witness } from '@/core/job/evidence'

/** Who stated a thing, who bore it out, and who found it otherwise: a line each. */
export function evidenceWords(evidence: Evidence | undefined, people: Record<string, string>): string[] {
  if (!evidence) return []
  const by = ({ personId, label, at }: Witness) => `${people[personId] ?? 'somebody'} on ${label}, ${new Date(wallMsOf(at)).toLocaleDateString('en-GB', { day: 'numeric', month: 'short' })}`
  const last = evidence.confirmed.at(-1)
  const others = evidence.confirmed.length - 1
  return [
    evidence.stated ? `stated by ${by(evidence.stated)}` : '',
    last ? `counted by ${by(last)}${others > 0 ? ` and on ${others} other ${others === 1 ? 'job' : 'jobs'}` : ''}` : '',
    ...evidence.contradicted.map((item) => `found otherwise by ${by(item)}`),
  ].filter(Boolean)
}
