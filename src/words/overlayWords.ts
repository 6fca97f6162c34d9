import type { HolderCounts } from '@/core/job/account'
import type { JobState } from '@/core/job/jobState'
import { headsFound, type Overlay } from '@/core/job/overlay'
import { driveOf } from '@/core/procedure/heads'
import type { ProcedureDocument } from '@/core/procedure/document'
import { INTAKE_WORDS } from './intakeWords'
import { headWords, itemWords, plural } from './items'

/**
 * What differs on one very vehicle, a line each: "2 T20 of Centre surround: 1 missing", "left indicator: left open and
 * insulated".
 */
export function overlayWords(document: ProcedureDocument, overlay: Overlay): string[] {
  const name = (id: string) => itemWords(document, id)
  const heads = Object.entries(headsFound(overlay.found))
  return [
    ...[...overlay.holders].map(
      ([id, { missing, extra }]) =>
        `${name(id)}: ${[missing > 0 && `${missing} missing`, extra > 0 && `${extra} too many`].filter(Boolean).join(', ')}`,
    ),
    ...heads.map(([id, head]) => `${name(id)}: ${headWords(driveOf(head)!)} here`),
    ...[...overlay.ends].map(([id, end]) => `${name(id)}: ${end}`),
    ...[...overlay.noted].map(([point, value]) => `${INTAKE_WORDS[point].name}: ${value}`),
  ]
}

/**
 * What one job had apart and what it cost: "Was out: Centre surround, Radio unit. 22 fasteners, 1 broken." Empty where
 * nothing moved.
 */
export function historyWords(
  document: ProcedureDocument,
  state: Pick<JobState, 'moved' | 'holders' | 'photos'>,
): string {
  const parts = [...state.moved].map((id) => itemWords(document, id))
  const sum = (count: (c: HolderCounts) => number) =>
    [...state.holders.values()].reduce((total, c) => total + count(c), 0)
  const [undone, broken, lost] = [sum((c) => c.undone), sum((c) => c.broken), sum((c) => c.lost)]
  const counted = [
    undone > 0 && `${undone} ${plural('fastener', undone)} undone`,
    broken > 0 && `${broken} broken`,
    lost > 0 && `${lost} lost`,
    state.photos.length > 0 && `${state.photos.length} ${plural('photo', state.photos.length)}`,
  ]
    .filter(Boolean)
    .join(', ')
  return [parts.length > 0 && `Was apart: ${parts.join(', ')}.`, counted && `${counted}.`].filter(Boolean).join(' ')
}

/** What was done for good. */
export const CHANGED = { cut: 'Cut', file: 'Filed', drill: 'Drilled', scrape: 'Scraped to bare metal' } as const

/** What was cut, filed, drilled or scraped for good: "Filed: opening of the centre surround". */
export function changeWords({ what, where, how }: Overlay['changes'][number]): string {
  return `${CHANGED[what]}: ${[where, how].filter(Boolean).join(', ')}`
}
