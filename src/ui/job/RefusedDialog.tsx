import { happeningWords, refusedAsNote } from '@/words/happeningWords'
import { refusedWords } from '@/words/savedWords'
import { Dialog } from '../shell/Dialog'
import type { LiveJob } from './useJob'

/** What the shop will never take as it was tapped, one by one: sent as a note, or dropped. Nothing goes by itself. */
export function RefusedDialog({
  job,
  onClose,
}: {
  job: Pick<LiveJob, 'log' | 'document' | 'letGo'>
  onClose: () => void
}) {
  const { log, document } = job
  const refused = log.events.flatMap((event) => {
    const why = log.refused.get(event.id)
    return why === undefined ? [] : [{ event, why }]
  })
  const letGo = (which: typeof refused, asNotes: boolean) =>
    job.letGo(
      which.map(({ event }) => event.id),
      asNotes ? ({ id, what }) => refusedAsNote(document, what, log.refused.get(id) ?? '') : undefined,
    )
  if (refused.length === 0) return null
  return (
    <Dialog title={refusedWords(refused.length)} open onClose={onClose} wide>
      <p className="mb-3 text-lg">
        This counts on your screen and nowhere else. Look at the vehicle, record what is true, then let this go.
      </p>
      {refused.length > 1 && (
        <div className="mb-3 flex flex-wrap gap-2">
          <button type="button" className="ghost" onClick={() => letGo(refused, true)}>
            Send all as notes
          </button>
          <button type="button" className="ghost" onClick={() => letGo(refused, false)}>
            Drop all
          </button>
        </div>
      )}
      <ul className="border-t-2 border-ink">
        {refused.map(({ event, why }) => (
          <li key={event.id} className="space-y-2 border-b border-hair py-3">
            <p className="text-lg font-bold">{happeningWords(document, event.what)}</p>
            <p>{why}</p>
            <div className="flex flex-wrap gap-2">
              <button type="button" className="slab" onClick={() => letGo([{ event, why }], true)}>
                Send as a note
              </button>
              <button type="button" className="ghost" onClick={() => letGo([{ event, why }], false)}>
                Drop it
              </button>
            </div>
          </li>
        ))}
      </ul>
    </Dialog>
  )
}
