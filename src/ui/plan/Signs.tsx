import type { ProcedureDocument } from '@/core/procedure/document'
import type { Facet } from '@/core/procedure/facet'
import { toldByTells } from '@/core/procedure/tells'
import { rightWords, seenFromWords, toldByTellsWords } from '@/words/tellWords'

/** Signs that make a choice likely: ticked where they are seen, and what they come to. */
export function Signs({
  document,
  facet,
  seen,
  onSeen,
  threshold,
}: {
  document: ProcedureDocument
  facet: Facet
  seen: readonly string[]
  onSeen: (seen: readonly string[]) => void
  threshold: number
}) {
  const signs = facet.choices.flatMap((choice) => choice.tells.map((tell) => ({ choice, tell })))
  if (signs.length === 0) return null
  const told = toldByTells(facet, new Set(seen), threshold)
  return (
    <div className="mt-2">
      <p className="text-[15px] font-semibold">Signs, where one is seen</p>
      <ul>
        {signs.map(({ choice, tell }) => (
          <li key={tell.id}>
            <label className="flex min-h-8 items-start gap-2 text-[15px] leading-tight">
              <input
                type="checkbox"
                className="mt-0.5 size-5 shrink-0 accent-[var(--petrol)]"
                checked={seen.includes(tell.id)}
                onChange={(event) =>
                  onSeen(event.target.checked ? [...seen, tell.id] : seen.filter((id) => id !== tell.id))
                }
              />
              <span>
                {tell.words}{' '}
                <span className="text-second">
                  {choice.name}, {rightWords(tell)}
                  {tell.from && `, ${seenFromWords(document, tell.from)}`}
                </span>
              </span>
            </label>
          </li>
        ))}
      </ul>
      {told.kind !== 'none seen' && (
        <p
          role="status"
          className="mt-1 border-l-4 border-petrol pl-2 text-[15px] font-semibold"
          data-signs={told.kind}
        >
          {toldByTellsWords(document, facet, told)}
        </p>
      )}
    </div>
  )
}
