'use client'
import { Camera } from 'lucide-react'
import type { LiveJob } from './useJob'
import { useTakenPhoto } from './useTakenPhoto'

/** A photo of a job: kept on this device at once, sent when there is a network, shown with the thing it is of. */
export function JobPhoto({
  shopId,
  jobId,
  itemId,
  what,
  record,
  close,
}: {
  shopId: string
  jobId: string
  itemId: string | null
  what: string
  record: LiveJob['record']
  close: () => void
}) {
  const { take, trouble, words, busy } = useTakenPhoto(shopId, jobId)
  return (
    <div className="space-y-4">
      {trouble && (
        <p role="alert" className="text-xl font-semibold">
          {trouble}
        </p>
      )}
      <label className="slab !min-h-32 cursor-pointer flex-col !gap-1 text-xl focus-within:outline focus-within:outline-[3px] focus-within:outline-offset-2">
        <Camera size={40} aria-hidden />
        <span className="text-2xl">Take the photo</span>
        <span className="text-[17px] font-semibold">{what}</span>
        <input
          type="file"
          accept="image/*"
          capture="environment"
          className="sr-only"
          aria-label="Take the photo"
          disabled={busy}
          onChange={(event) =>
            void take(
              event.target.files?.[0],
              (photo) => (record([{ kind: 'photographed', photoId: photo.id, itemId }]), close()),
            )
          }
        />
      </label>
      <p className="text-lg text-second">{words}</p>
    </div>
  )
}
