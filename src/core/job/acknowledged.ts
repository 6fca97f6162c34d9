import type { Stamp } from '../base/stamp'
import type { Id } from '../base/id'
import type { CautionAt } from '../vehicle/cautionsFor'
import type { JobState } from './jobState'

/**
 * The cautions somebody has still to say they have read before an act: DANGER and WARNING, once per person and job, and
 * again once any setting changed since. What asks for preparations to be ticked is answered by those.
 */
export function unreadCautions(cautions: readonly CautionAt[], state: JobState, personId: Id): CautionAt[] {
  const since = latest([...state.settingChangedAt.values()])
  return cautions.filter((caution) => {
    if ((caution.severity !== 'DANGER' && caution.severity !== 'WARNING') || caution.confirm.length > 0) return false
    const read = state.cautionsReadAt.get(`${personId}:${caution.id}`)
    return read === undefined || (since !== null && read < since)
  })
}

function latest(stamps: readonly Stamp[]): Stamp | null {
  return stamps.reduce<Stamp | null>((last, stamp) => (last === null || stamp > last ? stamp : last), null)
}
