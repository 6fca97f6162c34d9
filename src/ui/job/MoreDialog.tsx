'use client'
import Link from 'next/link'
import { useState, type ReactNode } from 'react'
import { FacetSlabs, TickBox } from './slabs'
import { usePreference } from './usePreference'
import type { JobData, PlannedJob } from './useJob'
import { leadTaskOf } from '@/core/shop/leadTask'

export type MoreAsk = 'here' | 'people' | 'intake' | 'replan' | 'tool'

/**
 * What is not needed with every card: being further on, other people, another build, paper, and the habits of this
 * tablet.
 */
export function MoreDialog({
  data,
  job,
  ask,
  tell,
}: {
  data: JobData
  job: PlannedJob
  ask: (what: MoreAsk) => void
  tell: (facetId: string, choiceId: string) => void
}) {
  const [letters, setLetters] = usePreference('letters')
  const [aloud, setAloud] = usePreference('aloud')
  const [facetId, setFacetId] = useState('')
  const told = { ...job.request.build, ...Object.fromEntries(job.state.facets) }
  return (
    <div className="space-y-5">
      <div className="grid grid-cols-2 gap-2">
        <Way onClick={() => ask('here')} words="I’m already here" sub="take what is before as done" />
        <Way onClick={() => ask('replan')} words="Replan from here" sub="the cheapest safe rest" />
        <Way onClick={() => ask('people')} words="Who is on it" sub="share it out" />
        <Way onClick={() => ask('tool')} words="A tool is missing" sub="find a way without" />
        <Way onClick={() => ask('intake')} words="As it was found" sub="intake, old faults" />
        <Link href={`/jobs/${data.id}/labels`} className="ghost !min-h-[72px] flex-col !gap-0 text-xl">
          Tray labels <span className="text-[15px] font-normal">to print</span>
        </Link>
        <Link href={`/jobs/${data.id}/tag`} className="ghost !min-h-[72px] flex-col !gap-0 text-xl">
          Wheel tag <span className="text-[15px] font-normal">to print</span>
        </Link>
        {job.terms.kits.length > 0 && (
          <Link href={`/jobs/${data.id}/commissioning`} className="ghost !min-h-[72px] flex-col !gap-0 text-xl">
            Setting up <span className="text-[15px] font-normal">modules, teaching, first start</span>
          </Link>
        )}
        {job.terms.kits.some(({ works }) => works.some(({ id }) => leadTaskOf(id) !== null)) && (
          <Link href={`/jobs/${data.id}/leads`} className="ghost !min-h-[72px] flex-col !gap-0 text-xl">
            Run sheet <span className="text-[15px] font-normal">leads, to print</span>
          </Link>
        )}
        <Link href={`/jobs/${data.id}/handover`} className="ghost !min-h-[72px] flex-col !gap-0 text-xl">
          Hand-over <span className="text-[15px] font-normal">tests, signatures</span>
        </Link>
      </div>
      {job.document.facets.length > 0 && (
        <div className="space-y-2">
          <label className="block">
            <span className="mb-1 block text-lg font-semibold">It is another variant than thought</span>
            <select
              className="field !min-h-14 text-lg"
              value={facetId}
              onChange={(event) => setFacetId(event.target.value)}
            >
              <option value="">which one?</option>
              {job.document.facets.map((facet) => (
                <option key={facet.id} value={facet.id}>
                  {`${facet.name}: ${facet.choices.find((choice) => choice.id === told[facet.id])?.name ?? 'not told'}`}
                </option>
              ))}
            </select>
          </label>
          {facetId !== '' && (
            <FacetSlabs
              document={job.document}
              facetId={facetId}
              told={told[facetId]}
              onTell={(choiceId) => tell(facetId, choiceId)}
            />
          )}
        </div>
      )}
      <div className="flex flex-wrap gap-x-8 text-lg">
        <TickBox words="Read the card aloud" checked={aloud} onChange={setAloud} />
        <TickBox words="Letters work as keys (N, D, B, P)" checked={letters} onChange={setLetters} />
      </div>
    </div>
  )
}

function Way({ words, sub, onClick }: { words: ReactNode; sub: string; onClick: () => void }) {
  return (
    <button type="button" className="ghost !min-h-[72px] flex-col !gap-0 text-xl" onClick={onClick}>
      {words} <span className="text-[15px] font-normal">{sub}</span>
    </button>
  )
}
