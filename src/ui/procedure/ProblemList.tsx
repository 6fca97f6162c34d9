import { CircleHelp, RefreshCw } from 'lucide-react'
import { forbidsPublishing, type Problem } from '@/core/plan/check/problem'
import { reachedEdits } from '@/core/procedure/screwsUnderTraps'
import { newId } from '@/client/newId'
import { mendFor } from '@/core/plan/check/mend'
import type { Edit } from '@/core/procedure/edit'
import type { ProcedureDocument } from '@/core/procedure/document'
import { problemWords } from '@/words/problems'

/** What the one-tap mend does, said on its button. */
const MEND_WORDS: Partial<Record<Problem['kind'], string>> = {
  'may not rest': 'Ask for off',
  'mix-up one way': 'Say it both ways',
  'condition on every choice': 'Drop the condition',
  'stated twice': 'Remove one',
}

/** The record's problems as sentences, what would hurt first, each with a jump to the place. */
export function ProblemList({
  document,
  problems,
  onGo,
  onMend,
}: {
  document: ProcedureDocument
  problems: Problem[]
  onGo: (itemId: string) => void
  onMend: (edits: Edit[]) => void
}) {
  return (
    <section aria-label="Problems in the record" className="flex h-full min-h-0 flex-col">
      <h2 className="flex justify-between px-1 pb-1 text-base">
        Problems in the record <span className="num font-normal">{problems.length}</span>
      </h2>
      {problems.length === 0 ? (
        <p className="border-t border-hair py-2 text-second">None found.</p>
      ) : (
        <ul className="min-h-0 flex-1 overflow-auto" aria-live="polite">
          {problems.map((problem, i) => {
            const { heading, sentence } = problemWords(document, problem)
            const mend = mendFor(document, problem)
            return (
              <li key={i} className="flex items-start gap-3 border-t border-hair py-2" data-problem={problem.kind}>
                {forbidsPublishing(problem) ? (
                  <RefreshCw size={20} aria-hidden className="mt-0.5 shrink-0" />
                ) : (
                  <CircleHelp size={20} aria-hidden className="mt-0.5 shrink-0" />
                )}
                <p className="min-w-0 flex-1">
                  <b>{heading}</b> {sentence}
                </p>
                {problem.kind === 'screws under a trap' && (
                  <span className="flex shrink-0 gap-1">
                    {(
                      [
                        'yes',
                        'no',
                        ...(document.parts.find((part) => part.id === problem.coverId)?.ease
                          ? (['eased'] as const)
                          : []),
                      ] as const
                    ).map((answer) => (
                      <button
                        key={answer}
                        type="button"
                        className="desk-button"
                        onClick={() =>
                          onMend(reachedEdits(document, { needId: problem.itemId, ...problem }, answer, newId))
                        }
                      >
                        {answer}
                      </button>
                    ))}
                  </span>
                )}
                {mend && (
                  <button type="button" className="desk-button shrink-0" onClick={() => onMend(mend)}>
                    {MEND_WORDS[problem.kind] ?? 'Mend'}
                  </button>
                )}
                {'itemId' in problem && (
                  <button type="button" className="jump shrink-0" onClick={() => onGo(problem.itemId)}>
                    go there
                  </button>
                )}
              </li>
            )
          })}
        </ul>
      )}
    </section>
  )
}
