'use client'
import { Camera } from 'lucide-react'
import { useState } from 'react'
import { judgePlace, placingRules, type PlacingAnswers } from '@/core/shop/placingRules'
import { itemWords } from '@/words/items'
import { placeJudgedWords } from '@/words/placeWords'
import type { PlannedJob } from './useJob'
import { useTakenPhoto } from './useTakenPhoto'

/** A place before anything is fixed there: its rules as yes or no, each with its reason, and a photo. */
export function PlaceAsk({
  job,
  workId,
  shopId,
  jobId,
  close,
}: {
  job: PlannedJob
  workId: string
  shopId: string
  jobId: string
  close: () => void
}) {
  const placing = job.plan.job.works.get(workId)?.placing
  const of = placing?.of
  const before = job.state.places.get(workId)
  const [answers, setAnswers] = useState<PlacingAnswers>({})
  const [where, setWhere] = useState(before?.where ?? '')
  const [photoId, setPhotoId] = useState<string | null>(null)
  const { take, trouble, words, busy } = useTakenPhoto(shopId, jobId)
  if (!of) return null
  const judged = judgePlace(of, answers)
  const keep = () => {
    job.record([
      { kind: 'place judged', workId, of, answers, where: where.trim(), photoId },
      ...(photoId ? [{ kind: 'photographed', photoId, itemId: workId } as const] : []),
    ])
    close()
  }
  return (
    <div className="space-y-3">
      <p className="text-xl font-semibold">{placing?.partId ? itemWords(job.document, placing.partId) : `A ${of}`}</p>
      {before && judgePlace(of, before.answers).kind === 'another place' && (
        <p className="border-l-8 border-ink pl-4 text-lg font-semibold">
          The last place{before.where && `, ${before.where},`} was not good. Judge the new one.
        </p>
      )}
      <ul>
        {placingRules(of).map((rule) => (
          <li key={rule.id} className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-hair py-2">
            <span className="min-w-56 flex-1 text-xl font-semibold leading-tight">
              {rule.ask} <span className="block text-[17px] font-normal text-second">{rule.because}</span>
            </span>
            {([true, false] as const).map((answer) => (
              <button
                key={String(answer)}
                type="button"
                className="ghost min-h-14 min-w-20 text-xl"
                aria-pressed={answers[rule.id] === answer}
                aria-label={`${rule.ask} ${answer ? 'Yes' : 'No'}`}
                onClick={() => setAnswers({ ...answers, [rule.id]: answer })}
              >
                {answer ? 'Yes' : 'No'}
              </button>
            ))}
          </li>
        ))}
      </ul>
      <div className="grid gap-3 sm:grid-cols-[1fr_auto]">
        <label className="block">
          <span className="mb-1 block text-lg font-semibold">Where it is</span>
          <input
            className="field !min-h-14 text-xl"
            maxLength={120}
            value={where}
            onChange={(event) => setWhere(event.target.value)}
          />
        </label>
        <label className="ghost min-h-14 cursor-pointer self-end text-lg focus-within:outline focus-within:outline-[3px]">
          <Camera size={26} aria-hidden /> {photoId ? 'Photo taken' : 'Photo of the place'}
          <input
            type="file"
            accept="image/*"
            capture="environment"
            className="sr-only"
            aria-label="Photo of the place"
            disabled={busy}
            onChange={(event) => void take(event.target.files?.[0], (photo) => setPhotoId(photo.id))}
          />
        </label>
      </div>
      <p className="text-[17px] text-second" role={trouble ? 'alert' : undefined}>
        {trouble || words}
      </p>
      <p role="status" className="min-h-7 text-xl font-bold" data-place={judged.kind}>
        {placeJudgedWords(judged)}
      </p>
      <button
        type="button"
        className="slab w-full !min-h-[84px] text-2xl"
        disabled={judged.kind === 'not asked'}
        onClick={keep}
      >
        {judged.kind === 'another place' ? 'Keep it, and look for another place' : 'The place is good: go on'}
      </button>
    </div>
  )
}
