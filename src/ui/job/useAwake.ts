import { useEffect } from 'react'

/**
 * Keeps the screen on while the page is seen: nobody wipes a glove to wake a tablet. Where the browser can't, nothing
 * happens.
 */
export function useAwake(): void {
  useEffect(() => {
    let lock: WakeLockSentinel | null = null
    let live = true
    const take = async () => {
      if (document.visibilityState !== 'visible' || !('wakeLock' in navigator)) return
      const taken = await navigator.wakeLock.request('screen').catch(() => null)
      if (live) lock = taken
      else void taken?.release()
    }
    void take()
    document.addEventListener('visibilitychange', take)
    return () => {
      live = false
      document.removeEventListener('visibilitychange', take)
      void lock?.release().catch(() => undefined)
    }
  }, [])
}
