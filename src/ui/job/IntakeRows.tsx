'use client'
import { useState } from 'react'
import type { Happening } from '@/core/job/event'
import { readNumber, type IntakeItem } from '@/core/job/intake'
import { ClosedTick } from '../marks/Signs'
import { capital, settingTo } from '@/words/operations'
import { INTAKE_WORDS } from '@/words/intakeWords'
import { itemWords } from '@/words/items'
import { FacetSlabs } from './slabs'
import type { PlannedJob } from './useJob'

export function FacetQuestion({
  item,
  job,
  tell,
}: {
  item: Extract<IntakeItem, { kind: 'facet' }>
  job: PlannedJob
  tell: (choiceId: string) => void
}) {
  const facet = job.document.facets.find((other) => other.id === item.facetId)!
  return (
    <fieldset className="space-y-2" data-facet={facet.id}>
      <legend className="mb-1 text-2xl font-bold">{facet.name}?</legend>
      <FacetSlabs document={job.document} facetId={facet.id} told={job.state.facets.get(facet.id)} onTell={tell} />
    </fieldset>
  )
}

/** One thing worth a look: well with one tap, or written down. */
export function Offered({
  item,
  job,
  photo,
  fasteners,
}: {
  item: IntakeItem
  job: PlannedJob
  photo: () => void
  fasteners: () => void
}) {
  const { document, state } = job
  if (item.kind === 'facet') return null
  if (item.kind === 'known') {
    const said: Happening = {
      kind: 'as found',
      holderId: item.holderId,
      what: item.what,
      count: item.count,
      note: 'known from before',
    }
    return (
      <Row
        title={`${item.count} ${item.what === 'missing' ? 'missing' : 'too many'}: ${itemWords(document, item.holderId)}`}
        why="by an earlier job on this vehicle"
        done={item.done ? 'still so' : ''}
      >
        <button type="button" className="ghost" disabled={item.done} onClick={() => job.record([said])}>
          Still so
        </button>
      </Row>
    )
  }
  if (item.kind === 'standing') return <Standing item={item} job={job} />
  if (item.kind === 'function') {
    const known = state.workedBefore.get(item.functionId)
    const how = job.model.functions.get(item.functionId)?.how
    const say = (works: boolean) =>
      job.record([{ kind: 'worked before', functionId: item.functionId, works, note: '' }])
    return (
      <Row
        title={`${itemWords(document, item.functionId)}: does it work now?`}
        why={item.tooLate ? 'its plug has been open: nobody can tell any more' : how || 'tried before we touch it'}
        done={known ? (known.works ? 'works' : 'did not work before') : ''}
      >
        <button
          type="button"
          className="ghost"
          disabled={item.tooLate}
          aria-pressed={known?.works === true}
          onClick={() => say(true)}
        >
          Works
        </button>
        <button
          type="button"
          className="ghost"
          disabled={item.tooLate}
          aria-pressed={known?.works === false}
          onClick={() => say(false)}
        >
          Does not
        </button>
      </Row>
    )
  }
  if (item.point === 'fasteners') return <Fasteners job={job} open={fasteners} />
  return <Point key={item.point} point={item.point} job={job} photo={photo} />
}

/** Lever, brake, chocks, battery in one glance: as the record finds them, or which is not. */
function Standing({ item, job }: { item: Extract<IntakeItem, { kind: 'standing' }>; job: PlannedJob }) {
  const [otherwise, setOtherwise] = useState(false)
  const words = INTAKE_WORDS['settings as recorded']
  const so = () => job.record([{ kind: 'checked in', point: 'settings as recorded', value: '' }])
  const named = item.settings.map(({ settingId, value }) => settingTo(itemWords(job.document, settingId), value))
  return (
    <>
      <Row title={capital(named.join(', '))} why={words.why} done={item.done ? 'looked at' : ''}>
        <button type="button" className="ghost" aria-pressed={item.done} onClick={so}>
          All so
        </button>
        <button type="button" className="ghost" aria-expanded={otherwise} onClick={() => setOtherwise(!otherwise)}>
          Say which is not
        </button>
      </Row>
      {otherwise && (
        <li className="space-y-2 border-b border-hair py-3 pl-4">
          {item.settings.map(({ settingId, value }) => (
            <span key={settingId} className="flex flex-wrap items-center gap-2 text-lg">
              <b className="min-w-36">{capital(itemWords(job.document, settingId))}</b>
              {job.model.settings.get(settingId)!.values.map((other) => (
                <button
                  key={other}
                  type="button"
                  className="ghost"
                  aria-pressed={other === value}
                  onClick={() =>
                    other !== value && job.record([{ kind: 'set', settingId, value: other, methodId: null }])
                  }
                >
                  {other}
                </button>
              ))}
            </span>
          ))}
        </li>
      )}
    </>
  )
}

/** Missing or foreign ones are counted group by group, in a list of their own. */
function Fasteners({ job, open }: { job: PlannedJob; open: () => void }) {
  const words = INTAKE_WORDS.fasteners
  const missing = [...job.state.holders.values()].reduce((sum, c) => sum + c.missing, 0)
  const heads = job.state.deviations.filter(({ field }) => field === 'head').length
  const found = [missing > 0 && `${missing} missing`, heads > 0 && `${heads} with another head`]
    .filter(Boolean)
    .join(', ')
  return (
    <Row title={words.name} why={words.why} done={found || (job.state.intake.has('fasteners') ? words.fine : '')}>
      <button
        type="button"
        className="ghost"
        disabled={found !== ''}
        aria-pressed={found === '' && job.state.intake.has('fasteners')}
        onClick={() => job.record([{ kind: 'checked in', point: 'fasteners', value: '' }])}
      >
        {words.fine}
      </button>
      <button type="button" className="ghost" onClick={open}>
        Say which are not
      </button>
    </Row>
  )
}

function Point({
  point,
  job,
  photo,
}: {
  point: Extract<IntakeItem, { kind: 'point' }>['point']
  job: PlannedJob
  photo: () => void
}) {
  const words = INTAKE_WORDS[point]
  const known = job.state.intake.get(point)
  const [value, setValue] = useState('')
  const [trouble, setTrouble] = useState('')
  const say = (said: string) => {
    if (words.unit && readNumber(said) === null)
      return setTrouble(`A number in ${words.unit}, such as ${words.unit === 'V' ? '12.4' : '3.5'}.`)
    setTrouble('')
    job.record([{ kind: 'checked in', point, value: said }])
    setValue('')
  }
  return (
    <Row
      title={words.name}
      why={words.why}
      trouble={trouble}
      done={known ? (known.value === '' ? words.fine : `${known.value}${words.unit ? ` ${words.unit}` : ''}`) : ''}
    >
      {words.fine && (
        <button type="button" className="ghost" aria-pressed={known?.value === ''} onClick={() => say('')}>
          {words.fine}
        </button>
      )}
      <form
        className="flex items-center gap-2"
        onSubmit={(event) => {
          event.preventDefault()
          if (value.trim() !== '') say(value.trim())
        }}
      >
        <input
          aria-label={`${words.name}: ${words.write}`}
          placeholder={words.write}
          className={`field !min-h-14 text-lg ${words.unit ? 'num !w-28' : '!w-44'}`}
          inputMode={words.unit ? 'decimal' : 'text'}
          maxLength={200}
          value={value}
          onChange={(event) => setValue(event.target.value)}
        />
        {words.unit && <span className="text-lg">{words.unit}</span>}
        <button className="ghost" disabled={value.trim() === ''}>
          Keep
        </button>
      </form>
      {point === 'marks and damage' && (
        <button type="button" className="ghost" onClick={photo}>
          Photo
        </button>
      )}
    </Row>
  )
}

function Row({
  title,
  why,
  done,
  trouble = '',
  children,
}: {
  title: string
  why: string
  done: string
  trouble?: string
  children: React.ReactNode
}) {
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-hair py-2">
      <div className="min-w-56 flex-1">
        <p className="flex items-center gap-2 text-[20px] font-bold leading-tight">
          {done !== '' && <ClosedTick size={22} />}
          {title}
        </p>
        <p className="text-[16px] leading-tight text-second">
          {done !== '' ? <b className="text-ink">{done}</b> : why}
        </p>
        {trouble !== '' && (
          <p role="alert" className="text-[16px] font-bold">
            {trouble}
          </p>
        )}
      </div>
      <div className="flex flex-wrap gap-2">{children}</div>
    </li>
  )
}
