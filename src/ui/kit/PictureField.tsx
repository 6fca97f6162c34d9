'use client'
import { createContext, useContext } from 'react'
import { mediaUrl } from '@/client/media'
import { SelectField } from '../forms/Field'

/** Photos that jobs took of this kit's things and work. */
export const KitPhotos = createContext<readonly { photoId: string; words: string }[]>([])

/** A picture among them; nothing is asked while there is none. */
export function PictureField({
  value,
  onChange,
}: {
  value: string | null
  onChange: (photoId: string | null) => void
}) {
  const photos = useContext(KitPhotos)
  if (photos.length === 0 && value === null) return null
  return (
    <div className="space-y-2">
      <SelectField label="Picture" value={value ?? ''} onChange={(event) => onChange(event.target.value || null)}>
        <option value="">none</option>
        {value !== null && !photos.some(({ photoId }) => photoId === value) && <option value={value}>as it is</option>}
        {photos.map(({ photoId, words }, i) => (
          <option key={photoId} value={photoId}>
            {`${i + 1}: ${words}`}
          </option>
        ))}
      </SelectField>
      {value && (
        // eslint-disable-next-line @next/next/no-img-element
        <img
          src={mediaUrl(value, 'small')}
          alt="The picture chosen"
          className="h-16 w-24 border border-hair object-cover"
        />
      )}
    </div>
  )
}
