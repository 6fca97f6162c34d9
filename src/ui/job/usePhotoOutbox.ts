import { useEffect } from 'react'

const RETRY_MS = 5000

/** Sends the photos that are still on this tablet, again and again until the shop has them. */
export function usePhotoOutbox(shopId: string): void {
  useEffect(() => {
    const send = () =>
      void import('@/client/media').then(({ mediaBoxOf }) =>
        mediaBoxOf(shopId)
          .flush()
          .catch(() => undefined),
      )
    const timer = setInterval(send, RETRY_MS)
    return () => clearInterval(timer)
  }, [shopId])
}
