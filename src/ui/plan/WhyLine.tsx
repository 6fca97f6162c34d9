'use client'
import { ChevronDown, ChevronUp } from 'lucide-react'
import type { URow } from '@/core/job/uRows'
import type { PlanOnCards } from '@/core/plan/show/planOnCards'
import type { ProcedureDocument } from '@/core/procedure/document'
import { whyLinks, whySentence, withoutSentence } from '@/words/reasons'

/** "Why this?": the chain of facts as one small line of stations, and as a sentence. */
export function WhyLine({
  plan,
  document,
  row,
  open,
  onToggle,
}: {
  plan: PlanOnCards
  document: ProcedureDocument
  row: URow
  open: boolean
  onToggle: () => void
}) {
  const key = row.inCards.at(-1)?.steps.at(-1)?.operation.key
  if (!key) return null
  const links = whyLinks(document, plan.removal, key)
  return (
    <div>
      <button
        type="button"
        onClick={onToggle}
        aria-expanded={open}
        className="jump inline-flex min-h-8 items-center gap-1 text-[15px]"
      >
        why? {open ? <ChevronUp size={16} aria-hidden /> : <ChevronDown size={16} aria-hidden />}
      </button>
      {open && (
        <div className="mt-1 rounded border-2 border-ink bg-sheet p-3">
          <ol className="flex flex-wrap items-center gap-y-2 text-[15px]" aria-hidden="true">
            {links.map((link, i) => (
              <li key={i} className="flex items-center">
                <span
                  className={`inline-block size-3.5 border-[3px] border-ink ${link.thing === 'goal' ? 'bg-ground' : 'rounded-full bg-ground'}`}
                />
                <span className="ml-1.5 mr-2 font-bold">{link.name}</span>
                {link.relation && (
                  <span className="mr-2 flex items-center gap-1 text-second">
                    <span className="h-[3px] w-4 bg-petrol" />
                    {link.relation}
                    <span className="h-[3px] w-4 bg-petrol" />
                  </span>
                )}
              </li>
            ))}
          </ol>
          <p className="mt-2">{whySentence(document, plan.removal, key)}</p>
          <p className="mt-1 text-second">{withoutSentence(document, plan.removal, key)}</p>
        </div>
      )}
    </div>
  )
}
