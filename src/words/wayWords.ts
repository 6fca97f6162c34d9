import type { Access } from '@/core/procedure/access'
import type { ProcedureDocument } from '@/core/procedure/document'
import type { Laying, Passed, Way } from '@/core/procedure/way'
import { itemWords } from './items'

/** "Glovebox free and Radio cavity"; "nothing" where a hand gets there as it is. */
export function accessInWords(document: ProcedureDocument, access: readonly Access[]): string {
  if (access.length === 0) return 'nothing'
  return access
    .map((item) =>
      item.kind === 'cavity' ? itemWords(document, item.cavityId) : `${itemWords(document, item.partId)} ${item.level}`,
    )
    .join(' and ')
}

/** "tucked, A-pillar trim eased". */
export function layingWords(document: ProcedureDocument, laying: Pick<Laying, 'how' | 'access'>): string {
  return laying.access.length === 0 ? laying.how : `${laying.how}, ${accessInWords(document, laying.access)}`
}

/** "beside an actuator, 40 mm": what somebody has to keep it from. */
export function hazardWords({ kind, how, distanceMm }: Pick<Passed, 'kind' | 'how' | 'distanceMm'>): string {
  const what = `${/^[aeiou]/.test(kind) ? 'an' : 'a'} ${kind}`
  if (how === 'crosses') return `across ${what}`
  return distanceMm === null ? `beside ${what}, nobody measured how near` : `beside ${what}, ${distanceMm} mm`
}

/** What a way goes by, in one cell; said as well where nobody has looked. */
export function passedWords(way: Pick<Way, 'passes' | 'looked'>): string {
  if (way.passes.length > 0) return way.passes.map(hazardWords).join('; ')
  return way.looked ? 'nothing that hurts' : 'nobody has looked'
}
