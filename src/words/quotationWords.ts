import type { Phase, Quotation } from '@/core/plan/show/quotation'
import type { ProcedureDocument } from '@/core/procedure/document'
import { blockedSentence } from './functionWords'
import { itemWords } from './items'
import { capital } from './operations'

/** What each phase is to a customer. */
export const PHASE_WORDS: Readonly<Record<Phase, string>> = {
  open: 'Opening',
  bench: 'At the bench',
  leads: 'Leads',
  fit: 'Fitting',
  'set up': 'Setting up and testing',
  close: 'Closing',
  waiting: 'Waiting, nobody at it',
}

/** "1 h 05 min", "12 min". */
export function promiseWords(minutes: number): string {
  if (minutes < 60) return `${minutes} min`
  return `${Math.floor(minutes / 60)} h ${String(minutes % 60).padStart(2, '0')} min`
}

/** What of the vehicle is changed for good, each in a line. */
export function changedForGoodWords({ changes }: Pick<Quotation, 'changes'>): string[] {
  return changes.map(({ what, where }) => `${capital(what)}: ${where}`)
}

/** Whether all of it can be undone one day. */
export function backToFactoryWords({ changes }: Pick<Quotation, 'changes'>): string {
  return changes.length === 0
    ? 'Nothing of the vehicle is cut or drilled: it can be put back as it was.'
    : `Can’t be put back as it was: ${changes.length === 1 ? 'one place is' : `${changes.length} places are`} changed for good.`
}

/** What is wanted and will not be there, each with why. */
export function blockedWords(nameOf: (id: string) => string, { blocked }: Pick<Quotation, 'blocked'>): string[] {
  return blocked.map((item) => blockedSentence(nameOf, item))
}

export function functionNames(document: ProcedureDocument, ids: readonly string[]): string[] {
  return ids.map((id) => itemWords(document, id))
}
