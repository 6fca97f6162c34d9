import { unreachable } from '@/core/base/result'
import type { Condition, Rule } from '@/core/vehicle/rule'

/** The acts a rule can bite at, in the trade's words. */
export const ACT_WORDS: Record<string, string> = {
  undo: 'undoing',
  ease: 'easing',
  release: 'moving a part',
  open: 'unplugging',
  lift: 'lifting away',
  fasten: 'fastening',
  start: 'starting fasteners',
  seat: 'pushing home',
  close: 'plugging',
  place: 'placing',
  feed: 'leading through',
  set: 'changing a setting',
  work: 'work',
  test: 'a test',
  power: 'switching on',
}

/** When a rule bites, as words: "Refuses unplugging, plugging (srs-firing) while the battery is not off." */
export function patternWords(rule: Rule): string {
  const verb = rule.effect === 'refuses' ? 'Refuses' : 'Said at'
  if (rule.at === null)
    return `${rule.effect === 'refuses' ? 'Refuses every act that leads to this' : 'Said'}: ${rule.while.map(conditionWords).join(' and ')}.`
  const { at } = rule
  const which = whichWords(at)
  const acts = at.acts.map((act) => ACT_WORDS[act] ?? act).join(', ')
  const conditions = rule.while.map(conditionWords)
  return `${verb} ${acts}${which.length > 0 ? ` (${which.join('; ')})` : ''}${conditions.length > 0 ? ` while ${conditions.join(' and ')}` : ''}.`
}

/** What of an act a rule picks out. */
function whichWords(at: NonNullable<Rule['at']>): string[] {
  const lists = [
    at.circuits,
    at.roles,
    at.to && [`to ${at.to.join(' or ')}`],
    at.powers,
    at.works,
    at.stations,
    at.atVehicle === undefined ? undefined : [at.atVehicle ? 'at the vehicle' : 'at the bench'],
  ]
  const kinds: [boolean | undefined, string][] = [
    [at.brittle, 'brittle parts'],
    [at.painted, 'painted parts'],
    [at.hot, 'hot parts'],
    [at.fuel, 'tanks'],
    [at.heavy, 'heavy parts'],
  ]
  return [
    ...lists.flatMap((list) => (list ? [list.join(', ')] : [])),
    ...kinds.flatMap(([is, words]) => (is ? [words] : [])),
  ]
}

export function conditionWords(condition: Condition): string {
  switch (condition.kind) {
    case 'open':
      return `a plug of ${condition.circuits.join(' or ')} is open`
    case 'setting not':
      return `the ${condition.role} is not ${condition.values.join(' or ')}`
    case 'setting is':
      return `the ${condition.role} is ${condition.values.join(' or ')}`
    case 'waited too short':
      return 'the wait after battery off is not over'
    case 'wheels':
      return `the vehicle has ${condition.wheels} wheels`
    case 'colder than the house value':
      return 'it is colder than the house value'
    case 'not authorised':
      return `the person is not authorised for ${condition.what}`
    case 'not confirmed':
      return 'its preparations are not confirmed'
    default:
      return unreachable(condition)
  }
}
