import { useSyncExternalStore } from 'react'

const nothing = () => () => undefined

/** Whether the page is alive: a tap on what the server has drawn, before the script runs, would be lost. */
export function useReady(): boolean {
  return useSyncExternalStore(
    nothing,
    () => true,
    () => false,
  )
}
