'use client'
import { useRouter } from 'next/navigation'
import { useLayoutEffect, useRef } from 'react'

/** A second press of the pedal within this time is a bounce, not a second step. */
const BOUNCE_MS = 450

/**
 * Foot pedal and keyboard: Page Down or Space = done, Page Up or Backspace = take back, N note, D different, B balance,
 * unless letters are switched off on this device. Silent while a dialog is open or something is being typed.
 */
export function useJobKeys(
  act: { done: () => void; takeBack: () => void; note: () => void; different: () => void; jobId: string },
  busy: boolean,
  letters: boolean,
): void {
  const router = useRouter()
  const latest = useRef(act)
  const lastDone = useRef(0)
  // With the picture, not a moment after it: a press between the two would be lost, or confirm the card before.
  useLayoutEffect(() => {
    latest.current = act
  })
  useLayoutEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const meant = busy ? null : meantBy(event, letters)
      if (!meant) return
      if (meant === 'balance') return router.push(`/jobs/${latest.current.jobId}/balance`)
      event.preventDefault()
      if (event.repeat && meant !== 'note' && meant !== 'different') return
      if (meant === 'done') {
        if (event.timeStamp - lastDone.current < BOUNCE_MS) return
        lastDone.current = event.timeStamp
      }
      latest.current[meant]()
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [busy, letters, router])
}

type Meant = 'done' | 'takeBack' | 'note' | 'different' | 'balance'
const KEYS: Readonly<Record<string, Meant>> = {
  pagedown: 'done',
  ' ': 'done',
  pageup: 'takeBack',
  backspace: 'takeBack',
}
const LETTERS: Readonly<Record<string, Meant>> = { n: 'note', d: 'different', b: 'balance' }

/** What a key asks for; null where it belongs to a field, a control or the browser. */
export function meantBy(event: KeyboardEvent, letters: boolean): Meant | null {
  const target = event.target as HTMLElement
  if (event.ctrlKey || event.metaKey || event.altKey || /INPUT|TEXTAREA|SELECT/.test(target.tagName)) return null
  const key = event.key.toLowerCase()
  // Space on a control presses that control.
  if (key === ' ' && target.closest('button, a, summary') !== null) return null
  return KEYS[key] ?? (letters ? (LETTERS[key] ?? null) : null)
}
