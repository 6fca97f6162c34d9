import type { takenAway } from '@/core/procedure/cutOff'
import type { ProcedureDocument } from '@/core/procedure/document'
import { goesWithWords } from './factRows'

/** What goes with what is taken away, and what then holds for more builds. */
export function TakenAway({
  document,
  count,
  after,
  remove,
}: {
  document: ProcedureDocument
  count: number
  after: ReturnType<typeof takenAway>
  remove: () => void
}) {
  return (
    <div className="space-y-4">
      {after.goes.length > 0 ? (
        <>
          <p>These facts hang on {count === 1 ? 'it' : 'them'} and go too:</p>
          <ul className="list-disc pl-6">
            {after.goes.map((item) => (
              <li key={item.id}>{goesWithWords(document, item.collection, item.id)}</li>
            ))}
          </ul>
        </>
      ) : (
        <p>No other fact goes with {count === 1 ? 'it' : 'them'}. Undo brings everything back.</p>
      )}
      {after.everywhere.length > 0 && (
        <>
          <p className="font-semibold">These held for some builds only, and will hold for every one:</p>
          <ul className="list-disc pl-6">
            {after.everywhere.map((item) => (
              <li key={item.id}>{goesWithWords(document, item.collection, item.id)}</li>
            ))}
          </ul>
        </>
      )}
      <button type="button" className="desk-button main w-full" onClick={remove}>
        Take away
      </button>
    </div>
  )
}
