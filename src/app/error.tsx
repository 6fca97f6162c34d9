'use client'
import Link from 'next/link'
import { useEffect, useState } from 'react'
import { whatLacks } from '@/client/whatLacks'
import { StopSign } from '@/ui/marks/Signs'

/** How often the shop's machine is asked whether it works again. */
const ASK_AGAIN_MS = 5_000

/** Something broke: in the program, or on the machine it runs on, which is asked. Nothing that was kept is lost. */
export default function ErrorPage({ reset }: { error: Error & { digest?: string }; reset: () => void }) {
  const lacks = useLacks()
  const isMachine = lacks !== null && lacks.length > 0
  return (
    <main data-theme="desk" className="grid min-h-dvh place-items-center p-8">
      <div className="max-w-xl space-y-4">
        <StopSign size={64} />
        <h1 className="text-3xl">{isMachine ? 'The shop’s machine can’t work just now.' : 'This screen broke.'}</h1>
        {isMachine ? (
          <div className="space-y-2 text-lg" role="status">
            {lacks.map((sentence) => (
              <p key={sentence}>{sentence}</p>
            ))}
            <p>What was marked as kept or as in the shop is still there. This page looks again every five seconds.</p>
          </div>
        ) : (
          <p className="text-lg">
            It is our mistake, not yours. What was marked as kept or as in the shop is still there. Try again; if it
            breaks again, go back to Today and tell whoever looks after the shop’s server.
          </p>
        )}
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

/** What the machine lacks, asked again and again; the page is loaded anew once nothing lacks any more. */
function useLacks(): string[] | null {
  const [lacks, setLacks] = useState<string[] | null>(null)
  useEffect(() => {
    let lacked = false
    const ask = async () => {
      const now = await whatLacks()
      if (now === null) return
      if (lacked && now.length === 0) return window.location.reload()
      lacked = now.length > 0
      setLacks(now)
    }
    void ask()
    const again = setInterval(() => void ask(), ASK_AGAIN_MS)
    return () => clearInterval(again)
  }, [])
  return lacks
}
