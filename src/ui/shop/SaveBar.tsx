/** The end of a form: save, and what became of it. */
export function SaveBar({
  said,
  failed,
  pending,
  may,
  who,
  words = 'Save',
}: {
  said: string
  failed: boolean
  pending: boolean
  may: boolean
  who: string
  words?: string
}) {
  return (
    <div className="flex flex-wrap items-center gap-4 border-t-2 border-ink pt-3">
      <button className="desk-button main" disabled={!may || pending}>
        {pending ? 'Saving…' : words}
      </button>
      {!may && <span className="text-second">{who} changes this. Tap the name at the top to change who acts.</span>}
      <p role={failed ? 'alert' : 'status'} className={`font-semibold ${failed ? 'text-stop' : ''}`}>
        {said}
      </p>
    </div>
  )
}
