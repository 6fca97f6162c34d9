'use client'
import { Camera } from 'lucide-react'
import { useState } from 'react'
import type { Happening } from '@/core/job/event'
import { readNumber } from '@/core/job/intake'
import { agrees } from '@/core/job/kitRows'
import { changesOwed } from '@/core/job/decide/owedHere'
import { inRange, stepHappenings, stepsInHand, type StepSaid } from '@/core/job/workSteps'
import type { WorkItem } from '@/core/shop/workItem'
import type { WorkStep } from '@/core/shop/workStep'
import { rangeWords, workStepWords } from '@/words/workStepWords'
import { kitOfJob } from './kitOfJob'
import { useTakenPhoto } from './useTakenPhoto'
import type { JobData, PlannedJob } from './useJob'

type Record = (happenings: readonly Happening[]) => void

/** What a step of work asks: how a module stands, or a number that is read off and lies where it has to. */
export function StepAsk({
  data,
  job,
  workId,
  record,
  close,
}: {
  data: Pick<JobData, 'id' | 'shopId'>
  job: PlannedJob
  workId: string
  record: Record
  close: () => void
}) {
  const work = job.plan.job.works.get(workId)
  const hand = work && stepsInHand(job.state, work)
  if (!work || !hand) return null
  const { first, last } = hand
  const owed =
    job.terms.changes.length === 0
      ? 0
      : changesOwed(job.plan, job.terms, job.state, { act: 'work', itemId: workId }).length
  const keep = (said: StepSaid) => {
    record([
      ...stepHappenings(work, first, said),
      // What was changed for good is said next, and ends the work.
      ...(last && owed === 0 ? [{ kind: 'work done', workId, reading: '', note: '' } as const] : []),
    ])
    close()
  }
  return first.act === 'set' ? (
    <ModuleForm data={data} job={job} step={first} keep={keep} />
  ) : (
    <ReadOff job={job} work={work} step={first} keep={keep} close={close} />
  )
}

/** How a module stands: one of its values, or as it is written on it; entered, read back and photographed. */
function ModuleForm({
  data,
  job,
  step,
  keep,
}: {
  data: Pick<JobData, 'id' | 'shopId'>
  job: PlannedJob
  step: WorkStep
  keep: (said: StepSaid) => void
}) {
  const setting = kitOfJob(job).settings.find(({ id }) => id === step.itemId)
  const expected = [...new Set(setting?.expected.map(({ value }) => value))]
  // Two values of one source are those of two builds nobody has told yet: no disagreement.
  const disagree = expected.length > 1 && new Set(setting?.expected.map(({ source }) => source)).size > 1
  const [value, setValue] = useState('')
  const differs = value.trim() !== '' && !agrees(value, expected)
  return (
    <form
      className="space-y-4"
      onSubmit={(event) => {
        event.preventDefault()
        keep({ value: value.trim(), how: 'read back' })
      }}
    >
      <p className="text-xl font-semibold">
        {setting?.name}
        {expected.length > 0 && (
          <>
            : it should be <span className="num">{expected.join(' or ')}</span>
          </>
        )}
      </p>
      {disagree && <p className="text-lg">Print and experience disagree: either is kept as it was read.</p>}
      <div className="flex flex-wrap gap-2">
        {[...new Set([...expected, ...(setting?.values ?? [])])].map((choice) => (
          <button
            key={choice}
            type="button"
            className="ghost num min-h-14 text-xl"
            aria-pressed={value === choice}
            onClick={() => setValue(choice)}
          >
            {choice}
          </button>
        ))}
      </div>
      <label className="block">
        <span className="mb-1 block text-lg font-semibold">As it stands on the module, read off it</span>
        <input
          className="field num !min-h-14 text-3xl"
          maxLength={40}
          value={value}
          onChange={(event) => setValue(event.target.value)}
        />
      </label>
      {differs && (
        <p role="alert" className="text-lg font-bold">
          That is not {expected.join(' or ')}. It is kept, and stays open in the balance until it agrees.
        </p>
      )}
      {step.itemId && <ModulePhoto {...{ data, job, itemId: step.itemId }} />}
      <button className="slab w-full !min-h-[84px] text-2xl" disabled={value.trim() === ''}>
        {differs ? 'It stands so all the same' : 'It is set, and read back'}
      </button>
    </form>
  )
}

/** A picture of how it stands, before it is hidden: asked, and kept at once. Without one it goes on. */
function ModulePhoto({ data, job, itemId }: { data: Pick<JobData, 'id' | 'shopId'>; job: PlannedJob; itemId: string }) {
  const { take, trouble, words, busy } = useTakenPhoto(data.shopId, data.id)
  const taken = job.state.photos.filter((photo) => photo.itemId === itemId).length
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
      <label className="ghost min-h-14 cursor-pointer text-lg focus-within:outline focus-within:outline-[3px]">
        <Camera size={26} aria-hidden /> {taken > 0 ? 'Photographed: once more' : 'Photograph it before it is hidden'}
        <input
          type="file"
          accept="image/*"
          capture="environment"
          className="sr-only"
          aria-label="Photograph it before it is hidden"
          disabled={busy}
          onChange={(event) =>
            void take(event.target.files?.[0], (photo) =>
              job.record([{ kind: 'photographed', photoId: photo.id, itemId }]),
            )
          }
        />
      </label>
      <p className="min-w-56 flex-1 text-[17px] text-second" role={trouble ? 'alert' : undefined}>
        {trouble || words}
      </p>
    </div>
  )
}

/** A number that is read off: outside its range it is a failure, and the step stays open. */
function ReadOff({
  job,
  work,
  step,
  keep,
  close,
}: {
  job: PlannedJob
  work: WorkItem
  step: WorkStep
  keep: (said: StepSaid) => void
  close: () => void
}) {
  const [value, setValue] = useState('')
  const { unit = '' } = step.reading ?? {}
  const number = readNumber(value)
  const fits = inRange(step.reading, number)
  const words = workStepWords(kitOfJob(job), step)
  const said = `${value.trim()} ${unit}`.trim()
  return (
    <form
      className="space-y-4"
      onSubmit={(event) => {
        event.preventDefault()
        if (fits !== false && value.trim() !== '') keep({ reading: said })
      }}
    >
      <p className="text-xl font-semibold">
        {words.title}
        {step.reading && rangeWords(step.reading) && `: ${rangeWords(step.reading)}`}
      </p>
      <label className="block">
        <span className="mb-1 block text-lg font-semibold">Reading{unit && `, in ${unit}`}</span>
        <input
          autoFocus
          inputMode="decimal"
          className="field num !min-h-14 text-3xl"
          maxLength={20}
          value={value}
          onChange={(event) => setValue(event.target.value)}
        />
      </label>
      {value.trim() !== '' && step.reading && number === null && (
        <p role="alert" className="text-lg font-bold">
          Type it as a number, such as 12.4.
        </p>
      )}
      {fits === false && (
        <>
          <p role="alert" className="text-lg font-bold">
            {said} is outside {rangeWords(step.reading!)}: it fails. Find out why, then read it again. The step stays
            open.
          </p>
          <button
            type="button"
            className="ghost min-h-14 w-full text-lg"
            onClick={() => {
              job.record([
                {
                  kind: 'noted',
                  itemId: work.id,
                  text: `${words.title}: ${said}, outside ${rangeWords(step.reading!)}`,
                },
              ])
              close()
            }}
          >
            Keep it as a note, and look for the cause
          </button>
        </>
      )}
      <button
        className="slab w-full !min-h-[84px] text-2xl"
        disabled={value.trim() === '' || fits === false || (step.reading !== null && number === null)}
      >
        Keep it
      </button>
    </form>
  )
}
