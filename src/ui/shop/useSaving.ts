'use client'
import { useState, useTransition } from 'react'
import { reach } from '../../client/reach'

export type Saved = { status: 'done' } | { status: 'refused'; sentence: string }

/** Saves through an action and keeps what is said about it. What was typed stays whatever comes back. */
export function useSaving(): {
  said: string
  failed: boolean
  pending: boolean
  save: <T extends Saved>(act: () => Promise<T>, then?: (answer: Extract<T, { status: 'done' }>) => void) => void
} {
  const [said, setSaid] = useState('')
  const [failed, setFailed] = useState(false)
  const [pending, start] = useTransition()
  return {
    said,
    failed,
    pending,
    save: (act, then) =>
      start(async () => {
        const answer = await reach(act as () => Promise<Saved>, (sentence): Saved => ({ status: 'refused', sentence }))
        setFailed(answer.status === 'refused')
        setSaid(answer.status === 'refused' ? answer.sentence : 'Saved.')
        if (answer.status === 'done') then?.(answer as never)
      }),
  }
}
