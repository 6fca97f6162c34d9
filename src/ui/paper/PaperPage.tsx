'use client'
import { Printer } from 'lucide-react'
import Link from 'next/link'
import type { ReactNode } from 'react'

/** A page that is meant for paper: shown as it will lie in the hand, with one slab that prints it. */
export function PaperPage({
  title,
  hint,
  back,
  size,
  children,
}: {
  title: string
  hint: string
  back: string
  size: 'A4' | 'A5'
  children: ReactNode
}) {
  return (
    <div data-theme="desk" className="min-h-dvh bg-ground">
      <header className="no-print flex flex-wrap items-center gap-4 border-b-2 border-ink px-6 py-3">
        <Link href={back} className="desk-button !min-h-11">
          Back to the job
        </Link>
        <h1 className="text-2xl">{title}</h1>
        <p className="text-second">{hint}</p>
        <button type="button" className="slab ml-auto" onClick={() => window.print()}>
          <Printer size={22} aria-hidden /> Print
        </button>
      </header>
      <main className="overflow-x-auto print:overflow-visible" tabIndex={0} aria-label={`${title}, scrolls`}>
        <div
          className={`mx-auto w-fit bg-white p-6 text-[#172023] print:p-0 ${size === 'A5' ? 'paper-a5' : 'paper-a4'}`}
        >
          {children}
        </div>
      </main>
    </div>
  )
}
