'use client'
import { Camera, ClipboardList, NotebookPen, Pause, SlidersHorizontal } from 'lucide-react'
import Link from 'next/link'
import { useMemo } from 'react'
import { isDone } from '@/core/job/progress'
import { bottomOf, outAndBack, uRows } from '@/core/job/uRows'
import type { Turn } from '@/core/job/whoDoesWhat'
import { cardNameIn } from '@/words/modelNames'
import { stepWords } from '@/words/operations'
import { JobU } from './JobU'
import { nameOf } from './nameOf'
import { SettingsNow } from './SettingsNow'
import { bottomWords, type JobData, type PlannedJob } from './useJob'

type Props = {
  data: JobData
  job: PlannedJob
  turns: ReadonlyMap<string, Turn> | null
  trayOf: (holderId: string) => string | undefined
  hasCard: boolean
  ask: (what: 'note' | 'photo' | 'pause' | 'more' | 'refit') => void
}

/**
 * Beside the next action: the whole job as a U, who does what, how the settings stand, and what is wanted with any
 * card.
 */
export function JobAside({ data, job, turns, trayOf, hasCard, ask }: Props) {
  const { model, plan, state } = job
  const rows = useMemo(() => uRows(plan, state), [plan, state])
  const counts = outAndBack(rows)
  const reached = rows.every((row) => row.wayIn === 'done')
  const goals = bottomWords(data, job).join('\n')
  const bottom = useMemo(
    () => ({ goals: goals.split('\n'), ...bottomOf(plan, state), reached }),
    [goals, plan, state, reached],
  )
  const called = (personId: string | null) => nameOf(data, personId)
  return (
    <aside className="order-2 flex min-h-0 min-w-0 flex-col gap-2 px-4 pb-4 lg:order-1" aria-label="The whole job">
      <div
        className="-mx-4 min-h-0 flex-1 overflow-y-auto px-4 pb-2 lg:contain-strict"
        tabIndex={0}
        role="group"
        aria-label="The U, scrolls"
      >
        <JobU
          model={model}
          rows={rows}
          bottom={bottom}
          trayOf={trayOf}
          size="bay"
          middle={`${counts.out} out, ${counts.back} back`}
          {...(turns && {
            extra: (row) => (
              <Whose
                names={[
                  ...new Set(
                    [...row.inCards, ...row.outCards].flatMap((card) =>
                      card.steps.flatMap((step) =>
                        isDone(state, step.operation) ? [] : (state.givenTo.get(step.operation.key) ?? []),
                      ),
                    ),
                  ),
                ].map(called)}
              />
            ),
          })}
        />
      </div>
      {turns && (
        <ul aria-label="Who does what" className="border-t border-hair pt-2">
          {state.people.map(({ personId }) => (
            <li key={personId} className="flex justify-between gap-3 text-[17px]" data-hand={called(personId)}>
              <b>{called(personId)}</b>
              <span className="truncate text-second">{turnWords(job, turns.get(personId)!, called)}</span>
            </li>
          ))}
        </ul>
      )}
      <SettingsNow settings={[...model.settings.values()]} state={state} className="flex flex-wrap justify-between" />
      <div className="grid grid-cols-3 gap-2">
        <button type="button" className="ghost !gap-2 !px-1 text-lg" onClick={() => ask('note')}>
          <NotebookPen size={20} aria-hidden /> Note
        </button>
        <button type="button" className="ghost !gap-2 !px-1 text-lg" onClick={() => ask('photo')}>
          <Camera size={20} aria-hidden /> Photo
        </button>
        <button type="button" className="ghost !gap-2 !px-1 text-lg" onClick={() => ask('pause')}>
          <Pause size={20} aria-hidden /> Pause
        </button>
        <Link
          href={`/jobs/${data.id}/balance`}
          className={`ghost !gap-2 !px-1 text-lg ${data.kind === 'strip' ? '' : 'col-span-2'}`}
        >
          <ClipboardList size={20} aria-hidden /> Balance
        </Link>
        <button type="button" className="ghost !gap-2 !px-1 text-lg" onClick={() => ask('more')}>
          <SlidersHorizontal size={20} aria-hidden /> More
        </button>
        {data.kind === 'strip' && (
          <>
            <Link href={`/jobs/${data.id}/record`} className="ghost !px-1 text-lg">
              Recording
            </Link>
            <button type="button" className="ghost col-span-3 text-lg" disabled={!hasCard} onClick={() => ask('refit')}>
              How it goes back
            </button>
          </>
        )}
      </div>
    </aside>
  )
}

function Whose({ names }: { names: string[] }) {
  return names.length > 0 ? <p className="text-[15px] text-second">{names.join(', ')}</p> : null
}

function turnWords(job: PlannedJob, turn: Turn, nameOf: (id: string | null) => string): string {
  if (turn.tap)
    return `${turn.tap.step.station}: ${cardNameIn(job.model, turn.tap.card)}, ${stepWords(job.model, turn.tap.step.operation).title}`
  if (!turn.wait || turn.wait.kind === 'done') return 'has nothing left'
  return turn.wait.kind === 'seat'
    ? `waits: ${nameOf(turn.wait.personId)} sits at the ${turn.wait.station}`
    : `waits for ${nameOf(turn.wait.personId)}`
}
