import type { PlaceSaid } from '@/core/job/jobState'
import { judgePlace, type PlaceJudged } from '@/core/shop/placingRules'

/** What the answers about a place come to, and what to do. */
export function placeJudgedWords(judged: PlaceJudged): string {
  switch (judged.kind) {
    case 'not asked':
      return `${judged.left.length} still to be said.`
    case 'another place':
      return `Not here: ${judged.broken.map(({ because }) => because).join('; ')}. Look for another place.`
    case 'with a doubt':
      return `It can be done here, with a doubt: ${judged.broken.map(({ because }) => because).join('; ')}.`
    case 'good':
      return 'A good place.'
  }
}

/** "under the dash top, all as it should be" for a sheet. */
export function placeSaidWords({ of, answers, where }: PlaceSaid): string {
  const judged = judgePlace(of, answers)
  const said = judged.kind === 'good' ? 'all as it should be' : placeJudgedWords(judged)
  return [where || `place of the ${of}`, said].join(': ')
}
