'use client'
import { AIRBAG_CIRCUITS } from '@/core/shop/rights'
import { useState } from 'react'
import { useSaving, type Saved } from './useSaving'

/** Whether somebody is trained and authorised for airbag circuits under local rules. The owner answers for it. */
export function AuthorisedBox({
  name,
  authorised,
  may,
  save,
}: {
  name: string
  authorised: boolean
  may: boolean
  save: (authorised: string[]) => Promise<Saved>
}) {
  const [now, setNow] = useState(authorised)
  const saving = useSaving()
  return (
    <label className="flex min-h-9 items-center gap-2 text-[15px]">
      <input
        type="checkbox"
        className="size-5 accent-[var(--petrol)]"
        aria-label={`${name} is trained and authorised for airbag circuits`}
        checked={now}
        disabled={!may || saving.pending}
        onChange={(event) => {
          const next = event.target.checked
          saving.save(
            () => save(next ? [AIRBAG_CIRCUITS] : []),
            () => setNow(next),
          )
        }}
      />
      airbag circuits
      {saving.failed && <span role="alert">{saving.said}</span>}
    </label>
  )
}
