import { useSyncExternalStore } from 'react'

export type Preference = 'letters' | 'aloud'
const DEFAULTS: Record<Preference, boolean> = { letters: true, aloud: false }
const listeners = new Set<() => void>()

function read(name: Preference): boolean {
  const kept = typeof localStorage === 'undefined' ? null : localStorage.getItem(`istruzione-${name}`)
  return kept === null ? DEFAULTS[name] : kept === 'yes'
}

/** A habit of this device: letters as keys, the card read aloud. */
export function usePreference(name: Preference): [boolean, (on: boolean) => void] {
  const value = useSyncExternalStore(
    (listener) => {
      listeners.add(listener)
      return () => listeners.delete(listener)
    },
    () => read(name),
    () => DEFAULTS[name],
  )
  return [
    value,
    (on) => {
      localStorage.setItem(`istruzione-${name}`, on ? 'yes' : 'no')
      for (const listener of listeners) listener()
    },
  ]
}
