import type { AccessKind } from '@/core/shop/accessKind'
import type { Act } from '@/core/shop/rights'

/** Somebody tried this and may not: said as what they tried. */
const TRIED: Readonly<Record<Act, string>> = {
  'publish a record': 'publish a record',
  'keep kits': 'change a kit',
  'change house values': 'change house values',
  'change tools': 'change the tools',
  'change words': 'change the house words',
  'look after devices': 'name or sign out a device',
  'see figures of jobs': 'see the figures',
  'see what arrived odd': 'see what arrived late',
  'remove the demo': 'remove the demo',
  'change rules of safety': 'change a rule of safety',
  'bring people in and let them go': 'change the crew',
  'say who is authorised': 'say who is authorised',
  'give new secrets': 'give a new PIN or password',
  'see who came in': 'see who came in',
}

/** One line of who came in: `by` did it, `of` is whom it was about; null where nobody is known. */
export function accessWords(entry: { kind: AccessKind; by: string | null; of: string | null; detail: string }): string {
  const by = entry.by ?? 'Somebody'
  const of = entry.of ?? 'somebody'
  switch (entry.kind) {
    case 'signed in':
      return `${by} signed a device in`
    case 'sign-in failed':
      return `A wrong password was tried for ${of}`
    case 'signed out':
      return `${by} signed a device out`
    case 'device signed out':
      return `${by} signed ${entry.detail || 'a device without a name'} out from afar`
    case 'acts':
      return `${by} acts, by PIN`
    case 'wrong PIN':
      return `A wrong PIN was tried for ${of}, while ${by} acted`
    case 'refused':
      return `${by} tried to ${TRIED[entry.detail as Act] ?? `write “${entry.detail}” into a job`} and may not`
    case 'brought in':
      return `${by} brought ${of} in as ${entry.detail === 'lead' ? 'a' : 'an'} ${entry.detail}`
    case 'left':
      return `${by} wrote down that ${of} has left`
    case 'authorised':
      return `${by} authorised ${of} for ${entry.detail}`
    case 'PIN changed':
      return `${by} changed their PIN`
    case 'PIN given anew':
      return `${by} gave ${of} a new PIN`
    case 'password changed':
      return `${by} changed their password`
    case 'password given anew':
      return `${by} gave ${of} a new password`
    case 'second factor on':
      return `${by} asks for a code at sign-in from now on`
    case 'second factor off':
      return `${by} asks for no code at sign-in any more`
  }
}

/** What somebody who looks for trouble looks at first. */
export const NEEDS_A_LOOK: ReadonlySet<AccessKind> = new Set(['sign-in failed', 'wrong PIN', 'refused'])
