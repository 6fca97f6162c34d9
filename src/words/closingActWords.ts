import type { ClosingAct } from '@/core/job/decide/closingAct'
import type { ProcedureDocument } from '@/core/procedure/document'
import { ownerWords } from './items'

type Words = string | ((act: ClosingAct, document: ProcedureDocument) => string)

/** What stands on the button of each act that closes a row. */
const CLOSING_ACT_WORDS: Readonly<Record<ClosingAct['says'], Words>> = {
  'it is back': 'It is back',
  'it is plugged': 'It is plugged',
  'stays open, insulated': 'Stays open, insulated',
  'it is set': ({ value }) => `It is ${value}`,
  'belongs to': ({ holderId }, document) => {
    const holder = document.holders.find((item) => item.id === holderId)!
    return holder.thread ? `It is ${holder.thread.lengthMm} mm` : `Of ${ownerWords(document, holder)}`
  },
  'none of this job': 'None of this job',
  'old ones are in': ({ count }) => (count === 1 ? 'It is in' : `${count} are in`),
  'new ones are in': ({ count }) => (count === 1 ? 'New one in' : `${count} new in`),
  'ordered ones are here': ({ count }) => `${count} ordered: here now`,
  order: 'Order',
  lost: 'Lost',
  'to stock': 'Put to stock',
  'pieces found': 'Pieces found',
  'found again': 'Found again',
  searched: 'Searched: sign',
  'it is tried': 'Pulled at: it holds',
  'it is plugged and tried': 'Plugged, and tried',
  'it is capped': 'Not connected: capped and tied back',
  'it is made ready': 'It is ready',
  'it is laid': 'Laid as written',
  'it is sealed': 'Sealed, and looked at',
  'its fuse is in': 'Its fuse is in',
  'it moves clear': 'Moved: it is clear',
  'counted again': ({ count }) => `Counted again: ${count} left`,
  'more were in the box': ({ count }) => `${count} more ${count === 1 ? 'was' : 'were'} in the box`,
  'more came off': ({ count }) => `${count} more came off`,
}

/** The words of an act that closes a row of the balance: "2 new in". */
export function closingActWords(act: ClosingAct, document: ProcedureDocument): string {
  const words = CLOSING_ACT_WORDS[act.says]
  return typeof words === 'string' ? words : words(act, document)
}
