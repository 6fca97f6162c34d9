'use client'
import { Axe, CircleX, EqualNot, NotebookPen, Unplug } from 'lucide-react'
import type { AskedFirst } from '@/core/job/decide/knownOfTap'
import type { NextTap } from '@/core/job/progress'
import { tappedDone, type DoneAnswer } from '@/core/job/decide/done'
import { stepHappenings, stepsInHand } from '@/core/job/workSteps'
import { capital, stepWords } from '@/words/operations'
import type { Ask } from './askProps'
import { FacetSlabs, LeaveButton, SlabButton, UndoSlab } from './slabs'
import type { PlannedJob } from './useJob'

/** What a tap on "done" would ask first. */
function asksOf(answer: DoneAnswer): string {
  return answer.kind === 'ask' ? answer.what : answer.kind === 'read' ? 'read' : 'nothing'
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
  const work = operation.act === 'work' ? job.plan.job.works.get(operation.itemId) : undefined
  const hand = work ? stepsInHand(job.state, work) : null
  const answer = tappedDone(job.state, tap, { refusal: null, ...asked })
  const asksPlace = answer.kind === 'ask' && answer.what === 'place'
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
          data-asks={asksOf(answer)}
        >
          <span className="text-[24px] leading-tight sm:text-[30px]">
            {unread.length > 0
              ? 'I have read it'
              : operation.act === 'test'
                ? 'It works'
                : asksPlace
                  ? 'Judge the place'
                  : (OWN_STEP_SAYS[hand?.own ?? 'none'] ?? 'Done as written')}
          </span>
          <span className="text-[17px] font-semibold leading-tight">
            {unread.length > 0
              ? `${unread[0]!.severity}: asked once, and again when the state changes`
              : asksPlace
                ? 'before anything is fixed'
                : hand
                  ? handWords(hand)
                  : doneWords(tap.steps.map((step) => stepWords(model, step.operation).done))}
          </span>
        </button>
      )}
      <SlabButton icon={<EqualNot size={28} aria-hidden />} words="Different" onClick={() => ask('different')} />
      <SecondSlab
        tap={tap}
        broken={() => ask('broken')}
        fails={fails}
        reading={() => ask(hand ? 'note' : 'work')}
        hasSteps={hand !== null}
        cap={
          work && hand?.own === 'plug' && !asksPlace
            ? () => job.record(stepHappenings(work, { ...hand.first, act: 'cap' }))
            : null
        }
      />
      <ThirdSlab tap={tap} leave={() => later(operation.key)} wontMove={() => ask('wont-move')} />
      <UndoSlab atMs={job.lastAct?.atMs ?? null} can={job.lastAct !== null} onClick={takeBack} />
    </div>
  )
}

type InHand = ReturnType<typeof stepsInHand>

/** What the tap of a step says that has a look of its own. */
const OWN_STEP_SAYS: Readonly<Record<string, string>> = {
  plug: 'Plugged, and tried',
  leg: 'Laid as written',
  set: 'It is set',
  read: 'Read it off',
}

/** How many steps of the work the tap confirms. */
function handWords({ steps, own, last }: NonNullable<InHand>): string {
  if (own === 'plug') return 'it holds when pulled at'
  if (own === 'leg') return last ? 'and with it the whole lead' : 'this leg'
  if (own === 'set' || own === 'read') return 'say how it stands'
  const count = steps.length === 1 ? 'this step' : `these ${steps.length} steps`
  return last ? `${count}, and with it all of this work` : count
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
  hasSteps,
  cap,
}: {
  tap: NextTap
  broken: () => void
  fails: () => void
  reading: () => void
  hasSteps: boolean
  /** A plug of the kit that nothing can be plugged into here: it is capped, and what needs it is told. */
  cap: (() => void) | null
}) {
  const { act } = tap.step.operation
  if (act === 'test') return <SlabButton icon={<CircleX size={28} aria-hidden />} words="It fails" onClick={fails} />
  if (cap) return <SlabButton icon={<Unplug size={28} aria-hidden />} words="Not connected: cap it" onClick={cap} />
  if (act === 'work')
    return (
      <SlabButton
        icon={<NotebookPen size={28} aria-hidden />}
        words={hasSteps ? 'Note' : 'With a reading'}
        onClick={reading}
      />
    )
  return <SlabButton icon={<Unplug size={28} aria-hidden />} words="Broken" onClick={broken} />
}

function ThirdSlab({ tap, leave, wontMove }: { tap: NextTap; leave: () => void; wontMove: () => void }) {
  return tap.card.phase === 'in' ? (
    <SlabButton icon={<Axe size={28} aria-hidden />} words="Won’t move" onClick={wontMove} />
  ) : (
    <LeaveButton onClick={leave} />
  )
}
