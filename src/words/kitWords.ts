import type { LastingChange } from '@/core/shop/workItem'
import { unreachable } from '@/core/base/result'
import type { FitProblem } from '@/core/shop/checkFit'
import type { KitProblem } from '@/core/shop/checkKit'
import { capital } from './operations'
import { REFUSALS } from './refusals'

/** How long a work item takes, for a list: "1 min" at least. */
export function kitMinutesWords(durationS: number): string {
  return `${Math.max(1, Math.round(durationS / 60))} min`
}

/** What a kit changes for good: "File: surround, the lower lip; the customer is asked." */
export function lastingChangeWords({ what, where, how, consent }: LastingChange): string {
  return `${capital(what)}: ${[where, how].filter(Boolean).join(', ')}${consent ? '; the customer is asked' : ''}.`
}

type Said = { [K in KitProblem['kind']]: (problem: Extract<KitProblem, { kind: K }>) => string }

const KIT_PROBLEMS: Said = {
  bypass: () => REFUSALS.notBypassed,
  'work after itself': () => REFUSALS.workWaitsForItself,
  'no such work': (problem) => `“${problem.in}” comes after work that is not in this kit. Choose again.`,
  'same id twice': () => 'Two things of this kit have the same mark inside. Take one away and enter it anew.',
  'no such thing': (problem) => `“${problem.in}” names a thing that is not in this kit any more. Choose again.`,
  'step of the wrong kind': (problem) =>
    `A step of “${problem.in}” does something to a thing of another kind. Choose the act, then the thing.`,
  'no such choice': (problem) =>
    `“${problem.in}” is only for a choice that is not there any more. Choose again for which it is.`,
  'no such value': (problem) =>
    `“${problem.in}” should be ${problem.value}, which is not among its values. Add it, or choose another.`,
  'lead after itself': (problem) => `“${problem.in}” is laid after work that waits for it. Take one of the two away.`,
  'shorter than its ends': (problem) =>
    `“${problem.in}” is shorter than its two ends need. Say how long it is supplied, or less for its ends.`,
  'function needs itself': (problem) =>
    `“${problem.in}” needs itself, by way of what it needs. Take one of these needs away.`,
  'cut before the look': (problem) =>
    `“${problem.in}” would be done before anybody has looked at the camera’s picture. Look first, then cut.`,
  'more used than there are': (problem) =>
    `The works use ${problem.needed} ${problem.in}, and the box holds ${problem.listed}.`,
  'plug in no step': (problem) => `No step plugs “${problem.in}”: nobody would close it and try it.`,
  'plugged before it is led through': (problem) =>
    `The lead of “${problem.in}” passes an opening: lead it through in a step before it is plugged.`,
  'setting without a value': (problem) => `“${problem.in}” has no value it should be: nobody could compare it.`,
}

/** What is wrong in a kit, and what to do. */
export function kitProblemSentence(problem: KitProblem): string {
  return (KIT_PROBLEMS[problem.kind] as (problem: KitProblem) => string)(problem)
}

/** Where a kit and a model do not meet, and what to do. */
export function fitProblemSentence(problem: FitProblem): string {
  switch (problem.kind) {
    case 'no such place':
      return `“${problem.in}” needs something open that this model does not have. Choose again.`
    case 'no such point':
      return `“${problem.in}” names a point or a way that this model does not have. Choose again.`
    case 'no such end':
      return 'Something that does not simply go back is not in this model any more. Take the row away.'
    case 'no such function':
      return 'A function that changes or goes is not in this model any more. Choose again.'
    case 'no such facet':
      return `“${problem.in}” is only for some builds, by a question this model does not ask.`
    case 'no such thing':
      return `${FIT_PLACES[problem.in]} names a thing that neither the kit nor this model has (any more). Choose again.`
    case 'nothing fits it':
      return 'A part of the kit stands in for one of the vehicle, and no step of its work fits it. Add the step, or take the part out of the row.'
    case 'adapter in an airbag plug':
      return 'An adapter is put into an airbag plug. Nothing is: take the row away, and see the maker’s data.'
    default:
      return unreachable(problem)
  }
}

const FIT_PLACES: Readonly<Record<Extract<FitProblem, { kind: 'no such thing' }>['in'], string>> = {
  'carried over': 'What is carried over',
  replaced: 'What stands in for a part',
  adapter: 'An adapter',
  'way out': 'The order of the way out',
}
