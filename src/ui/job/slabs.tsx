'use client'
import { CornerDownRight, Undo2 } from 'lucide-react'
import { useEffect, useRef, useState, type ReactNode } from 'react'
import type { ProcedureDocument } from '@/core/procedure/document'

export const UNDO_MS = 10_000

export function SlabButton({
  icon,
  words,
  onClick,
  disabled = false,
}: {
  icon: ReactNode
  words: string
  onClick: () => void
  disabled?: boolean
}) {
  return (
    <button
      type="button"
      className="ghost !min-h-14 flex-col !gap-0.5 !px-1 text-[14px] leading-tight sm:!min-h-[84px] sm:!gap-1 sm:text-lg"
      onClick={onClick}
      disabled={disabled}
    >
      {icon}
      {words}
    </button>
  )
}

export function LeaveButton({ onClick }: { onClick: () => void }) {
  return <SlabButton icon={<CornerDownRight size={28} aria-hidden />} words="Leave for later" onClick={onClick} />
}

/** Undo stays in sight for ten seconds after each tap; the last act can still be taken back after that. */
export function UndoSlab({ atMs, can, onClick }: { atMs: number | null; can: boolean; onClick: () => void }) {
  const leftMs = useCountdown(atMs)
  return (
    <button
      type="button"
      className="ghost relative !min-h-14 flex-col !gap-0.5 overflow-hidden !px-1 text-[14px] leading-tight disabled:opacity-60 sm:!min-h-[84px] sm:!gap-1 sm:text-lg"
      onClick={onClick}
      disabled={!can}
    >
      <Undo2 size={28} aria-hidden />
      {leftMs > 0 ? `Undo ${Math.ceil(leftMs / 1000)} s` : 'Take back'}
      {leftMs > 0 && (
        <span
          aria-hidden="true"
          className="absolute bottom-0 left-0 h-1.5 bg-ink"
          style={{ width: `${(leftMs / UNDO_MS) * 100}%` }}
        />
      )}
    </button>
  )
}

function useCountdown(sinceMs: number | null): number {
  const [now, setNow] = useState(() => Date.now())
  const timer = useRef<ReturnType<typeof setInterval> | null>(null)
  useEffect(() => {
    if (sinceMs === null) return
    timer.current = setInterval(() => setNow(Date.now()), 250)
    return () => clearInterval(timer.current!)
  }, [sinceMs])
  return sinceMs === null ? 0 : Math.max(0, Math.min(UNDO_MS, UNDO_MS - (now - sinceMs)))
}

/** The picture that tells one choice from the other. */
function FacetPicture({ photoId, of }: { photoId: string; of: string }) {
  // The thumbnail is made by the server and needs no further work.
  return (
    // eslint-disable-next-line @next/next/no-img-element
    <img
      src={`/api/media/${photoId}?size=small`}
      alt={`How ${of} looks`}
      className="mt-2 max-h-36 w-full rounded object-cover"
      loading="lazy"
    />
  )
}

/** A facet that can be told: one slab a choice, with how it is told. */
export function FacetSlabs({
  document,
  facetId,
  told,
  onTell,
}: {
  document: ProcedureDocument
  facetId: string
  told?: string | undefined
  onTell: (choiceId: string) => void
}) {
  const facet = document.facets.find((item) => item.id === facetId)
  return (
    <div className="grid grid-cols-2 gap-2">
      {facet?.choices.map((choice) => (
        <button
          key={choice.id}
          type="button"
          aria-pressed={told === choice.id}
          className={`${told === undefined || told === choice.id ? 'slab' : 'ghost'} !min-h-[84px] flex-col !gap-0`}
          onClick={() => onTell(choice.id)}
        >
          <span className="text-2xl leading-tight">{choice.name}</span>
          <span className="text-[15px] font-semibold leading-tight">{choice.tell}</span>
          {choice.photoId && <FacetPicture photoId={choice.photoId} of={choice.name} />}
        </button>
      ))}
    </div>
  )
}

/** What a person has to have seen to before a rule lets the act pass, each point ticked by hand. */
export function ConfirmPreparations({ confirm, onDone }: { confirm: readonly string[]; onDone: () => void }) {
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set())
  return (
    <span className="mt-2 flex flex-wrap gap-x-5 gap-y-1">
      {confirm.map((words) => (
        <TickBox
          key={words}
          words={words}
          checked={ticked.has(words)}
          onChange={(on) =>
            setTicked(new Set(on ? [...ticked, words] : [...ticked].filter((other) => other !== words)))
          }
        />
      ))}
      <button type="button" className="slab" disabled={ticked.size < confirm.length} onClick={onDone}>
        All seen to
      </button>
    </span>
  )
}

/** A box large enough for a glove. */
export function TickBox({
  words,
  checked,
  onChange,
}: {
  words: ReactNode
  checked: boolean
  onChange: (on: boolean) => void
}) {
  return (
    <label className="flex min-h-14 items-center gap-3">
      <input
        type="checkbox"
        className="size-7 shrink-0 accent-[var(--petrol)]"
        checked={checked}
        onChange={(event) => onChange(event.target.checked)}
      />
      <span>{words}</span>
    </label>
  )
}

/** "9 min 40 s". */
export function waitWords(seconds: number): string {
  return seconds >= 60 ? `${Math.floor(seconds / 60)} min ${seconds % 60} s` : `${seconds} s`
}
