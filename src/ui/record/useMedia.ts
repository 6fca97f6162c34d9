import { useEffect, useRef, useState } from 'react'
import { mediaBoxOf, showLocally } from '@/client/media'
import type { LiveStrip } from './useStrip'
import { photoView } from './PhotoSheet'

const RETRY_MS = 5000

/**
 * Pictures and voices of this job that are still on this device: shown from here, sent until the shop has them, and
 * those taken before the job was open are told to its log. Returns how many still wait.
 */
export function useMedia(strip: LiveStrip, shopId: string, jobId: string): number {
  const [waiting, setWaiting] = useState(0)
  const claimed = useRef(new Set<string>())
  useEffect(() => {
    const box = mediaBoxOf(shopId)
    let live = true
    const look = async () => {
      const media = await box.waiting(jobId).catch(() => [])
      if (!live) return
      for (const medium of media) {
        showLocally(medium.id, medium.blob)
        if (!medium.unclaimed || claimed.current.has(medium.id)) continue
        claimed.current.add(medium.id)
        strip.happen([
          { kind: 'photographed', photoId: medium.id, itemId: null },
          {
            kind: 'stated',
            said: 'photo',
            edits: [{ kind: 'add', collection: 'views', item: photoView(medium.id, 'Photo 1', medium), after: null }],
          },
        ])
        await box.claim(medium.id)
      }
      setWaiting(media.length)
      await box.flush().catch(() => undefined)
    }
    void look()
    const timer = setInterval(() => void look(), RETRY_MS)
    return () => {
      live = false
      clearInterval(timer)
    }
    // The strip is new at every render; what is told once is told once.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [shopId, jobId])
  return waiting
}
