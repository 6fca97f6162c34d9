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
      const target = event.target as HTMLElement
      if (busy || event.ctrlKey || event.metaKey || event.altKey || /INPUT|TEXTAREA|SELECT/.test(target.tagName)) return
      const onControl = target.closest('button, a, summary') !== null
      const key = event.key.toLowerCase()
      if (key === 'pagedown' || (key === ' ' && !onControl)) {
        event.preventDefault()
        if (event.repeat || event.timeStamp - lastDone.current < BOUNCE_MS) return
        lastDone.current = event.timeStamp
        latest.current.done()
      } else if (key === 'pageup' || key === 'backspace') {
        event.preventDefault()
        if (!event.repeat) latest.current.takeBack()
      } else if (!letters) return
      else if (key === 'n') {
        event.preventDefault()
        latest.current.note()
      } else if (key === 'd') {
        event.preventDefault()
        latest.current.different()
      } else if (key === 'b') router.push(`/jobs/${latest.current.jobId}/balance`)
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [busy, letters, router])
}
