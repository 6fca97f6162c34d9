'use client'
import { Camera, Image as Picture } from 'lucide-react'
import { useState } from 'react'
import { fieldEdits } from '@/core/procedure/edit'
import { View } from '@/core/procedure/view'
import { useTakenPhoto, type TakenPhoto } from '../job/useTakenPhoto'
import { newId } from '@/client/newId'
import type { LiveStrip } from './useStrip'

/** A photo's view is in proportion, and about as wide as a dash, until somebody measures it. */
const PHOTO_VIEW_MM = 1500

/** A new view with a photo under it, ready for marks. */
export function photoView(photoId: string, name: string, size: { width: number; height: number }): View {
  return View.parse({
    id: newId('view'),
    name,
    widthMm: PHOTO_VIEW_MM,
    heightMm: Math.max(1, Math.round((PHOTO_VIEW_MM * size.height) / size.width)),
    photoId,
    measured: false,
  })
}

/** A photo with the camera or from a file: kept on the device at once; to drop marks on, or only to look at. */
export function PhotoSheet({
  strip,
  shopId,
  jobId,
  close,
}: {
  strip: LiveStrip
  shopId: string
  jobId: string
  close: () => void
}) {
  const { take, trouble, words, busy } = useTakenPhoto(shopId, jobId)
  const { document } = strip.job
  const [underId, setUnderId] = useState('')
  const under = document.views.find((view) => view.id === underId)
  const lookAt = (photo: TakenPhoto) => {
    strip.happen([{ kind: 'photographed', photoId: photo.id, itemId: strip.inHand }])
    close()
  }
  const markOn = (photo: TakenPhoto) => {
    const edits = under
      ? fieldEdits('views', under, { ...under, photoId: photo.id } as View)
      : [
          {
            kind: 'add' as const,
            collection: 'views' as const,
            item: photoView(photo.id, `Photo ${document.views.length + 1}`, photo),
            after: null,
          },
        ]
    strip.happen([
      { kind: 'photographed', photoId: photo.id, itemId: strip.inHand },
      { kind: 'stated', said: 'photo', edits },
    ])
    close()
  }
  return (
    <div className="space-y-4">
      {trouble && (
        <p role="alert" className="text-xl font-semibold">
          {trouble}
        </p>
      )}
      {document.views.length > 0 && (
        <label className="block">
          <span className="mb-1 block text-lg font-semibold">A picture to drop marks on becomes</span>
          <select
            className="field !min-h-14 text-lg"
            value={underId}
            onChange={(event) => setUnderId(event.target.value)}
          >
            <option value="">a new view of the map</option>
            {document.views
              .filter((view) => view.backOf === null)
              .map((view) => (
                <option key={view.id} value={view.id}>
                  {`the picture under “${view.name}”, stretched over all of it`}
                </option>
              ))}
          </select>
        </label>
      )}
      <div className="grid gap-3 sm:grid-cols-2">
        <FileButton
          words="To drop marks on"
          sub={under ? `under “${under.name}”` : 'it becomes a view of the map'}
          icon={<Camera size={40} aria-hidden />}
          main
          onFile={(file) => void take(file, markOn)}
          disabled={busy}
        />
        <FileButton
          words="Only to look at"
          sub={strip.inHand ? 'kept with the part in hand' : 'kept with this job'}
          icon={<Picture size={40} aria-hidden />}
          onFile={(file) => void take(file, lookAt)}
          disabled={busy}
        />
      </div>
      <p className="text-lg text-second">{words}</p>
    </div>
  )
}

function FileButton({
  words,
  sub,
  icon,
  onFile,
  main = false,
  disabled,
}: {
  words: string
  sub: string
  icon: React.ReactNode
  onFile: (file: File | undefined) => void
  main?: boolean
  disabled: boolean
}) {
  return (
    <label
      className={`${main ? 'slab' : 'ghost'} !min-h-32 cursor-pointer flex-col !gap-1 text-xl focus-within:outline focus-within:outline-[3px] focus-within:outline-offset-2`}
    >
      {icon}
      <span className="text-2xl">{words}</span>
      <span className="text-[17px] font-semibold">{sub}</span>
      <input
        type="file"
        accept="image/*"
        capture="environment"
        className="sr-only"
        aria-label={words}
        disabled={disabled}
        onChange={(event) => {
          onFile(event.target.files?.[0])
          event.target.value = ''
        }}
      />
    </label>
  )
}
