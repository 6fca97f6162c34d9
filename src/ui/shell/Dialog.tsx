'use client'
import { X } from 'lucide-react'
import { useEffect, useId, useRef, type ReactNode } from 'react'

/** A dialog on the browser's own element: focus stays inside, Escape closes, the rest is inert. */
export function Dialog({
  title,
  open,
  onClose,
  children,
  wide = false,
}: {
  title: string
  open: boolean
  onClose: () => void
  children: ReactNode
  wide?: boolean
}) {
  const ref = useRef<HTMLDialogElement>(null)
  const titleId = useId()
  useEffect(() => {
    const dialog = ref.current
    if (!dialog) return
    if (open && !dialog.open) {
      dialog.showModal()
      // The browser gives the focus to the first button, which closes: a space meant for a text would too. With keys at
      // hand the first field has it; on a touch screen no keyboard jumps up unasked.
      const field = window.matchMedia('(pointer: fine)').matches
        ? dialog.querySelector<HTMLElement>('textarea, select, input:not([type=checkbox], [type=radio], [type=file])')
        : null
      ;(field ?? dialog).focus()
    }
    // The browser tells of this closing too, when another dialog may be open already: only a person's closing is passed
    // on.
    if (!open && dialog.open) dialog.close()
  }, [open])
  return (
    <dialog
      ref={ref}
      tabIndex={-1}
      aria-labelledby={titleId}
      onClose={() => open && onClose()}
      onCancel={onClose}
      className={`m-auto max-h-[92vh] w-[calc(100%-2rem)] overflow-auto rounded border-2 border-ink bg-ground p-6 text-ink backdrop:bg-black/60 ${wide ? 'max-w-3xl' : 'max-w-lg'}`}
    >
      <div className="mb-4 flex items-start justify-between gap-4">
        <h2 id={titleId} className="text-2xl">
          {title}
        </h2>
        <button
          type="button"
          onClick={onClose}
          aria-label="Close"
          className="grid size-11 shrink-0 place-items-center rounded hover:bg-tint"
        >
          <X aria-hidden />
        </button>
      </div>
      {open && children}
    </dialog>
  )
}
