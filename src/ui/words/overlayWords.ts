import { headsFound, type Overlay } from '@/core/job/overlay'
import { driveOf } from '@/core/procedure/heads'
import type { ProcedureDocument } from '@/core/procedure/document'
import { INTAKE_WORDS } from './intakeWords'
import { headWords, itemWords } from './items'

/** What differs on one very vehicle, a line each: "2 T20 of Centre surround: 1 missing", "left indicator: left open and insulated". */
export function overlayWords(document: ProcedureDocument, overlay: Overlay): string[] {
  const name = (id: string) => itemWords(document, id)
  const heads = Object.entries(headsFound(overlay.found))
  return [
    ...[...overlay.holders].map(([id, { missing, extra }]) => `${name(id)}: ${[missing > 0 && `${missing} missing`, extra > 0 && `${extra} too many`].filter(Boolean).join(', ')}`),
    ...heads.map(([id, head]) => `${name(id)}: ${headWords(driveOf(head)!)} here`),
    ...[...overlay.ends].map(([id, end]) => `${name(id)}: ${end}`),
    ...[...overlay.noted].map(([point, value]) => `${INTAKE_WORDS[point].name}: ${value}`),
  ]
}

/** What was cut, filed or drilled for good: "Filed: opening of the centre surround". */
export function changeWords({ what, where, how }: Overlay['changes'][number]): string {
  return `${{ cut: 'Cut', file: 'Filed', drill: 'Drilled' }[what]}: ${[where, how].filter(Boolean).join(', ')}`
}
