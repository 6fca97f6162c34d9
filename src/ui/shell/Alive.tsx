'use client'
import type { ReactNode } from 'react'
import { useReady } from './useReady'

/** What can't be ticked or typed into before the page listens: a tick set earlier would be seen and not be known. */
export function Alive({ children }: { children: ReactNode }) {
  return (
    <div className="contents" inert={!useReady()}>
      {children}
    </div>
  )
}
