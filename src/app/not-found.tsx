import Link from 'next/link'
import { GapSign } from '@/ui/marks/Signs'

export default function NotFound() {
  return (
    <main data-theme="desk" className="grid min-h-dvh place-items-center p-8">
      <div className="max-w-xl space-y-4">
        <GapSign size={96} />
        <h1 className="text-3xl">There is nothing here.</h1>
        <p className="text-lg">
          Either the address is wrong, or what was here belongs to another shop or has been removed.
        </p>
        <Link className="desk-button main" href="/today">
          To Today
        </Link>
      </div>
    </main>
  )
}
