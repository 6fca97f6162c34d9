'use client'
import { useRef, useState, useTransition } from 'react'
import { reach } from '../../client/reach'

export type Saved = { status: 'done' } | { status: 'refused'; sentence: string }

/** How a form saves what the whole shop shares: with what it was filled from, so that nobody writes over another. */
export type SaveShared<T> = (value: T, before: T) => Promise<Saved>

/** The saving of a form that was filled from `filled`; once it is saved, from what was saved. */
export function useFilledFrom<T>(filled: T, save: SaveShared<T>): (value: T) => Promise<Saved> {
  const before = useRef(filled)
  return async (value) => {
    const answer = await save(value, before.current)
    if (answer.status === 'done') before.current = value
    return answer
  }
}

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
