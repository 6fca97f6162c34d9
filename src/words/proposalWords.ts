import type { Proposal } from '@/core/job/proposals'
import type { ProcedureDocument } from '@/core/procedure/document'
import { headsOf } from '@/core/procedure/heads'
import { headWords } from './items'

const head = (name: string) =>
  headWords({ drive: name.slice(0, name.lastIndexOf(' ')), size: name.slice(name.lastIndexOf(' ') + 1) })

/** What a job proposes, against what the record says: "3 counted, the record says 4". */
export function proposalWords(document: ProcedureDocument, { itemId, field, value }: Proposal): string {
  const holder = document.holders.find((item) => item.id === itemId)
  if (field === 'count' && holder) return `${value} counted, the record says ${holder.count}`
  if (field === 'head' && holder)
    return `head ${head(value)} found, the record says ${headsOf(holder).map(head).join(' or ') || 'none'}`
  if (field !== 'trouble') return value
  const { symptom, cause, cure } = JSON.parse(value) as { symptom: string; cause: string; cure: string }
  return [`a failed test was “${cause}”`, symptom && `looked like: ${symptom}`, cure && `cured by: ${cure}`]
    .filter(Boolean)
    .join(', ')
}
