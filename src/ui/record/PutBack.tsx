'use client'
import Link from 'next/link'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { levelNow } from '@/core/job/fold'
import { PlanRequest } from '@/core/plan/ask/planRequest'
import type { JobDocument } from '@/core/procedure/jobDocument'
import { mayRestFree } from '@/core/procedure/resting'
import { REST_WAYS } from '@/core/procedure/part'
import type { Kit } from '@/core/shop/kit'
import { kitOnStrip } from '@/core/strip/kitOnStrip'
import { looseEndsOf } from '@/core/strip/looseEnds'
import { waitsThere } from '@/core/strip/waitsThere'
import { rulesInForce } from '@/core/vehicle/rulesInForce'
import { CheckList } from '../forms/CheckList'
import type { JobData, LiveJob } from '../job/useJob'
import { itemWords } from '@/words/items'
import { hasLeads, leadsLaid } from '@/words/leadsLaid'

/** What the shop could fit on the way. */
export type KitsOfShop = { procedureId: string; kits: readonly Kit[] }

/** The turn of the U: what is still unsettled before the way out is worked out, and the tap that begins it. */
export function PutBack({
  data,
  job,
  questions,
  ask,
}: {
  data: JobData & KitsOfShop
  job: LiveJob
  questions: number
  ask: () => void
}) {
  const router = useRouter()
  const [kitIds, setKitIds] = useState<readonly string[]>([])
  const chosen = data.kits.filter(({ id }) => kitIds.includes(id))
  const { document, state } = job
  const out = document.parts.filter((part) => levelNow(state, part.id) !== 'in place')
  const loose = looseEndsOf(document, state).filter((end) => end.kind !== 'cover')
  // A part that is free waits somewhere; said how, its plugs may stay in.
  const hanging = out.find((part) => levelNow(state, part.id) === 'free' && !mayRestFree(part))
  const begin = () => {
    const goals = out.map((part) => ({
      kind: 'part' as const,
      partId: part.id,
      level: levelNow(state, part.id) as 'eased' | 'free' | 'off',
    }))
    const asked = PlanRequest.parse({
      goals,
      kits: chosen.map((kit) => kitOnStrip(kit, data.procedureId, document, state)),
      build: Object.fromEntries(state.facets),
      start: document.parts[0]?.station ?? 'driver side',
    })
    job.record([
      {
        kind: 'plan adopted',
        request: withLeads(asked, document, data),
        found: null,
        people: [],
        lanes: [],
      },
    ])
    router.push(`/jobs/${data.id}`)
  }
  if (out.length === 0) return <p className="text-xl">Nothing has come off yet.</p>
  if (hanging)
    return (
      <div className="space-y-4">
        <p className="text-2xl">The {hanging.name.toLowerCase()} is free. Where does it wait?</p>
        <div className="grid grid-cols-2 gap-2">
          {REST_WAYS.map((how) => (
            <button
              key={how}
              type="button"
              className="ghost text-lg"
              onClick={() =>
                job.record([
                  { kind: 'stated', said: `${hanging.name} ${how}`, edits: waitsThere(document, state, hanging, how) },
                ])
              }
            >
              {how}
            </button>
          ))}
          <button
            type="button"
            className="ghost text-lg"
            onClick={() => job.record([{ kind: 'part at', partId: hanging.id, level: 'off' }])}
          >
            set aside, nothing ties it
          </button>
        </div>
      </div>
    )
  return (
    <div className="space-y-4">
      <p className="text-2xl">
        <span className="num">{out.length}</span> {out.length === 1 ? 'part' : 'parts'} out. The way back is worked out
        from what you told.
      </p>
      {loose.length > 0 && (
        <p className="text-xl">
          Loose ends: {loose.map(({ id }) => itemWords(document, id)).join(', ')}. They are counted in the balance, but
          no card asks for them before you say what they hold.
        </p>
      )}
      {questions > 0 && (
        <button type="button" className="ghost w-full text-xl" onClick={ask}>
          Answer {questions} {questions === 1 ? 'question' : 'questions'} first
        </button>
      )}
      {data.kits.length > 0 && (
        <CheckList
          label="Fit something while it is open"
          options={data.kits.map(({ id, name }) => [id, name])}
          chosen={kitIds}
          onChange={setKitIds}
        />
      )}
      <button type="button" className="slab w-full !min-h-[72px] !text-2xl" onClick={begin}>
        {chosen.length > 0 ? 'Fit it, then back together' : 'It goes back together'}
      </button>
      <Link className="ghost w-full text-lg" href={`/jobs/${data.id}/balance`}>
        Look at the balance
      </Link>
    </div>
  )
}

/** The leads of the kits laid by the ways that were recorded on this strip; by sight where there are none. */
function withLeads(asked: PlanRequest, document: JobDocument, { house, rules }: JobData): PlanRequest {
  if (!hasLeads(asked)) return asked
  const laid = leadsLaid(document, asked, house, rulesInForce(rules), { bySight: true })
  return laid.ok ? laid.value.request : asked
}
