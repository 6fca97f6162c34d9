'use client'
import Link from 'next/link'
import { StopSign } from '@/ui/marks/Signs'

/** Something broke in the program itself. Nothing that was kept is lost. */
export default function ErrorPage({ reset }: { error: Error & { digest?: string }; reset: () => void }) {
  return (
    <main data-theme="desk" className="grid min-h-dvh place-items-center p-8">
      <div className="max-w-xl space-y-4">
        <StopSign size={64} />
        <h1 className="text-3xl">This screen broke.</h1>
        <p className="text-lg">
          It is our mistake, not yours. What was marked as kept or as in the shop is still there. Try again; if it
          breaks again, go back to Today and tell whoever looks after the shop’s server.
        </p>
        <div className="flex gap-3">
          <button className="desk-button main" onClick={reset}>
            Try again
          </button>
          <Link className="desk-button" href="/today">
            To Today
          </Link>
        </div>
      </div>
    </main>
  )
}
