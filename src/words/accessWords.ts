import type { AccessKind } from '@/core/shop/accessKind'
import type { Act } from '@/core/shop/rights'

/** Somebody tried this and may not: said as what they tried. */
const TRIED: Readonly<Record<Act, string>> = {
  'publish a record': 'publish a record',
  'keep kits': 'change a kit',
  'change house values': 'change house values',
  'change tools': 'change the tools',
  'keep stock': 'change the stock',
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

type Entry = { by: string; of: string; detail: string }

const LINES: Readonly<Record<AccessKind, (entry: Entry) => string>> = {
  'signed in': ({ by }) => `${by} signed a device in`,
  'sign-in failed': ({ of }) => `A wrong password was tried for ${of}`,
  'signed out': ({ by }) => `${by} signed a device out`,
  'device signed out': ({ by, detail }) => `${by} signed ${detail || 'a device without a name'} out from afar`,
  acts: ({ by }) => `${by} acts, by PIN`,
  'wrong PIN': ({ by, of }) => `A wrong PIN was tried for ${of}, while ${by} acted`,
  refused: ({ by, detail }) =>
    `${by} tried to ${detail in TRIED ? TRIED[detail as Act] : `write “${detail}” into a job`} and may not`,
  'brought in': ({ by, of, detail }) => `${by} brought ${of} in as ${detail === 'lead' ? 'a' : 'an'} ${detail}`,
  left: ({ by, of }) => `${by} wrote down that ${of} has left`,
  authorised: ({ by, of, detail }) => `${by} authorised ${of} for ${detail}`,
  'PIN changed': ({ by }) => `${by} changed their PIN`,
  'PIN given anew': ({ by, of }) => `${by} gave ${of} a new PIN`,
  'password changed': ({ by }) => `${by} changed their password`,
  'password given anew': ({ by, of }) => `${by} gave ${of} a new password`,
  'second factor on': ({ by }) => `${by} asks for a code at sign-in from now on`,
  'second factor off': ({ by }) => `${by} asks for no code at sign-in any more`,
}

/** One line of who came in: `by` did it, `of` is whom it was about; null where nobody is known. */
export function accessWords(entry: { kind: AccessKind; by: string | null; of: string | null; detail: string }): string {
  return LINES[entry.kind]({ by: entry.by ?? 'Somebody', of: entry.of ?? 'somebody', detail: entry.detail })
}

/** What somebody who looks for trouble looks at first. */
export const NEEDS_A_LOOK: ReadonlySet<AccessKind> = new Set(['sign-in failed', 'wrong PIN', 'refused'])
