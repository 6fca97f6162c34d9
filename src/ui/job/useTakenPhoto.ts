import { useState } from 'react'
import { keepPhoto } from '@/client/media'

export type TakenPhoto = NonNullable<Awaited<ReturnType<typeof keepPhoto>>>

/**
 * Takes a picture from a camera or a file: kept on this device, or said to be none. `taken` is told of it once it is
 * kept.
 */
export function useTakenPhoto(shopId: string, jobId: string) {
  const [trouble, setTrouble] = useState('')
  const [busy, setBusy] = useState(false)
  const take = async (file: File | undefined, taken: (photo: TakenPhoto) => void) => {
    if (!file) return
    setBusy(true)
    const photo = await keepPhoto(shopId, jobId, file)
    setBusy(false)
    if (photo) taken(photo)
    else setTrouble('This file can’t be read as a picture. Take the photo again, or choose a JPEG or PNG.')
  }
  return {
    take,
    trouble,
    words: busy
      ? 'Keeping it…'
      : 'It is kept on this tablet at once and sent when there is a network. Where it was taken is not kept.',
    busy,
  }
}
