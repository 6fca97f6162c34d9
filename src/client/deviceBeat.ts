import { JobStore } from './jobStore'
import { newUuid } from './newId'

/** A tablet is touched and has room for two columns. */
const TABLET_FROM_PX = 600

function kindOfDevice(): 'tablet' | 'phone' | 'computer' {
  if (!window.matchMedia('(pointer: coarse)').matches) return 'computer'
  return Math.min(window.screen.width, window.screen.height) >= TABLET_FROM_PX ? 'tablet' : 'phone'
}

/** One for the page: each opening of it holds a connection to the device's database. */
const stores = new Map<string, JobStore>()

function storeOf(shopId: string): JobStore {
  const store = stores.get(shopId) ?? new JobStore(shopId)
  stores.set(shopId, store)
  return store
}

/**
 * Tells the shop that this device is there, what waits on it and what time it has. The answer is its id and name; null
 * where the shop can't be reached, or the device keeps nothing and so has no id.
 */
export async function tellDevice(shopId: string): Promise<{ deviceId: string; name: string } | null> {
  try {
    const store = storeOf(shopId)
    const deviceId = await store.deviceId(newUuid())
    const waiting = await store.countWaiting()
    const response = await fetch('/api/device', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ deviceId, kind: kindOfDevice(), waiting, clockMs: Date.now() }),
      signal: AbortSignal.timeout(10_000),
    })
    if (!response.ok) return null
    const { name } = (await response.json()) as { name: unknown }
    return { deviceId, name: typeof name === 'string' ? name : '' }
  } catch {
    return null
  }
}
