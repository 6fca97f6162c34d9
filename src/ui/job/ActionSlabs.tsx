'use client'
import { Axe, CircleX, EqualNot, NotebookPen, Unplug } from 'lucide-react'
import type { AskedFirst } from '@/core/job/decide/knownOfTap'
import type { NextTap } from '@/core/job/progress'
import { capital, stepWords } from '@/words/operations'
import type { Ask } from './askProps'
import { FacetSlabs, LeaveButton, SlabButton, UndoSlab } from './slabs'
import type { PlannedJob } from './useJob'

function asksOf({ unread, changes, readingUnit }: AskedFirst): 'read' | 'work' | 'reading' | 'nothing' {
  if (unread.length > 0) return 'read'
  if (changes > 0) return 'work'
  return readingUnit !== '' ? 'reading' : 'nothing'
}

/** What a glove can hit: done, different, broken, won't move, undo. */
export function ActionSlabs({
  job,
  tap,
  asked,
  disabled,
  done,
  takeBack,
  fails,
  tell,
  later,
  ask,
}: {
  job: PlannedJob
  tap: NextTap
  asked: AskedFirst
  disabled: boolean
  done: () => void
  takeBack: () => void
  fails: () => void
  tell: (facetId: string, choiceId: string) => void
  later: (key: string) => void
  ask: (ask: Ask) => void
}) {
  const { model } = job
  const { unread } = asked
  const { operation } = tap.step
  return (
    <div className="sticky bottom-0 z-10 grid grid-cols-4 gap-2 bg-ground pb-2 pt-1 sm:pb-0 md:grid-cols-[2.4fr_repeat(4,1fr)]">
      {operation.act === 'decide' ? (
        <div className="col-span-4 md:col-span-1">
          <FacetSlabs
            document={job.document}
            facetId={operation.itemId}
            onTell={(choiceId) => tell(operation.itemId, choiceId)}
          />
        </div>
      ) : (
        <button
          type="button"
          className="slab col-span-4 !min-h-16 flex-col sm:!min-h-[84px] !items-start !gap-0 !px-6 !text-left md:col-span-1"
          onClick={done}
          disabled={disabled}
          data-testid="done"
          data-asks={asksOf(asked)}
        >
          <span className="text-[24px] leading-tight sm:text-[30px]">
            {unread.length > 0 ? 'I have read it' : operation.act === 'test' ? 'It works' : 'Done as written'}
          </span>
          <span className="text-[17px] font-semibold leading-tight">
            {unread.length > 0
              ? `${unread[0]!.severity}: asked once, and again when the state changes`
              : doneWords(tap.steps.map((step) => stepWords(model, step.operation).done))}
          </span>
        </button>
      )}
      <SlabButton icon={<EqualNot size={28} aria-hidden />} words="Different" onClick={() => ask('different')} />
      <SecondSlab tap={tap} broken={() => ask('broken')} fails={fails} reading={() => ask('work')} />
      <ThirdSlab tap={tap} leave={() => later(operation.key)} wontMove={() => ask('wont-move')} />
      <UndoSlab atMs={job.lastAct?.atMs ?? null} can={job.lastAct !== null} onClick={takeBack} />
    </div>
  )
}

/** "9 out, none broken; and 2 more". */
function doneWords(done: string[]): string {
  return capital(done.length > 2 ? `${done[0]}, and ${done.length - 1} more steps` : done.join('; '))
}

/** What can go wrong with this step: a test fails, work has a reading, something breaks. */
function SecondSlab({
  tap,
  broken,
  fails,
  reading,
}: {
  tap: NextTap
  broken: () => void
  fails: () => void
  reading: () => void
}) {
  const { act } = tap.step.operation
  if (act === 'test') return <SlabButton icon={<CircleX size={28} aria-hidden />} words="It fails" onClick={fails} />
  if (act === 'work')
    return <SlabButton icon={<NotebookPen size={28} aria-hidden />} words="With a reading" onClick={reading} />
  return <SlabButton icon={<Unplug size={28} aria-hidden />} words="Broken" onClick={broken} />
}

function ThirdSlab({ tap, leave, wontMove }: { tap: NextTap; leave: () => void; wontMove: () => void }) {
  return tap.card.phase === 'in' ? (
    <SlabButton icon={<Axe size={28} aria-hidden />} words="Won’t move" onClick={wontMove} />
  ) : (
    <LeaveButton onClick={leave} />
  )
}
