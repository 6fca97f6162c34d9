'use client'
import { useRef, useState, type PointerEvent } from 'react'
import { fieldEdits } from '@/core/procedure/edit'
import { storedAt } from '@/core/procedure/mirror'
import { pointAt } from '../map/geometry'
import { Tape } from '../marks/Tape'
import { PanelMap } from '../map/PanelMap'
import { holderWords } from '@/words/items'
import type { LiveStrip } from './useStrip'

/** The view that is worked at: what was caught last is marked by tapping where it sits, one tap a piece. */
export function StripPicture({
  strip,
  vehicle,
  waiting,
  onPhoto,
}: {
  strip: LiveStrip
  vehicle: string
  waiting: number
  onPhoto: () => void
}) {
  const { document } = strip.job
  const sheet = useRef<SVGGElement>(null)
  const [viewId, setViewId] = useState(document.views[0]?.id ?? null)
  const view = document.views.find((item) => item.id === viewId) ?? document.views.at(-1)
  const holder = document.holders.find((item) => item.id === strip.lastItem)
  const item = holder ?? document.tethers.find((tether) => tether.id === strip.lastItem)
  const wanted = item ? (holder?.count ?? 1) - item.positions.length : 0
  if (!view)
    return (
      <div className="grid min-h-48 place-content-center justify-items-center gap-4 rounded border-2 border-dashed border-untravelled p-6 text-center">
        <p className="max-w-md text-xl text-second">
          No picture of {vehicle} yet. With a photo of the dash from the seat, every fastener is marked with one tap.
        </p>
        <button type="button" className="ghost text-lg" onClick={onPhoto}>
          Take a photo
        </button>
      </div>
    )
  const drop = (event: PointerEvent<SVGSVGElement>) => {
    if (!item || wanted <= 0 || !sheet.current) return
    const spot = storedAt(document, view, pointAt(sheet.current, event, view))
    strip.state(
      fieldEdits(holder ? 'holders' : 'tethers', item, {
        ...item,
        positions: [...item.positions, spot],
      } as typeof item),
    )
  }
  return (
    <div className="relative flex min-h-64 flex-col">
      {document.views.length > 1 && (
        <div role="tablist" aria-label="Views" className="flex gap-2 pb-2">
          {document.views.map((other) => (
            <button
              key={other.id}
              type="button"
              role="tab"
              aria-selected={other.id === view.id}
              className={`${other.id === view.id ? 'slab' : 'ghost'} !min-h-12 !text-[17px]`}
              onClick={() => setViewId(other.id)}
            >
              {other.name}
            </button>
          ))}
        </div>
      )}
      <div className="relative min-h-0 flex-1">
        <PanelMap
          document={document}
          view={view}
          pickedId={strip.inHand}
          onPick={() => undefined}
          sheetRef={sheet}
          drawing={wanted > 0}
          leaders={false}
          large
          onPointerDown={drop}
        />
        {waiting > 0 && (
          <p className="absolute left-2 top-2 rounded bg-ground px-3 py-1 text-[15px] text-second" role="status">
            <span className="num">{waiting}</span> still on this tablet
          </p>
        )}
        {view.photoId && (
          <span className="absolute bottom-2 left-2">
            <Tape label={view.name.toUpperCase()} size="s" />
          </span>
        )}
        {item && wanted > 0 && (
          <p className="absolute bottom-2 right-2 rounded bg-ground px-3 py-2 text-lg font-semibold" role="status">
            {holder
              ? `${item.positions.length} of ${holderWords(holder)}: tap ${wanted === 1 ? 'the last' : 'the next'}`
              : 'Tap where the plug sits'}
          </p>
        )}
      </div>
    </div>
  )
}
