import { intoView } from '../shell/intoView'
import { Check } from 'lucide-react'
import { memo } from 'react'
import type { JobState } from '@/core/job/jobState'
import { isDone, type NextTap } from '@/core/job/progress'
import type { ProcedureForBuild } from '@/core/procedure/forBuild'
import { isAirbagCircuit } from '@/core/procedure/circuits'
import { Tape } from '../marks/Tape'
import { AirbagFlag } from '../marks/Signs'
import { stepWords } from '@/words/operations'
import { StepMark } from './ActionSign'

/** The card of the panel: its steps in order, what is done, what the next tap confirms. */
export const CardSteps = memo(function CardSteps({
  model,
  state,
  tap,
  trayOf,
  left,
  leave,
}: {
  model: ProcedureForBuild
  state: JobState
  tap: NextTap
  trayOf: (holderId: string) => string | undefined
  left: ReadonlySet<string>
  leave: (key: string) => void
}) {
  const inTap = new Set(tap.steps.map((step) => step.operation.key))
  return (
    <ol aria-label="Steps of this card" className="min-w-0">
      {tap.card.steps.map(({ operation }) => {
        const words = stepWords(model, operation)
        const done = isDone(state, operation)
        const now = operation.key === tap.step.operation.key
        const tray = operation.act === 'undo' || operation.act === 'fasten' ? trayOf(operation.itemId) : undefined
        const tether = model.tethers.get(operation.itemId)
        return (
          <li
            key={operation.key}
            ref={now ? intoView : undefined}
            className="relative flex items-center gap-4 border-b border-hair py-2"
            aria-current={now ? 'step' : undefined}
          >
            <span
              aria-hidden="true"
              className={`absolute -left-[18px] top-0 h-full w-3 ${done ? 'bg-petrol' : 'hollow'}`}
            />
            <span
              aria-hidden="true"
              className={`absolute -left-[24px] size-6 rounded-full border-[3px] ${now ? 'border-ink bg-ink' : done ? 'border-ink bg-ground' : 'border-untravelled bg-ground'}`}
            />
            <span className={`ml-5 ${done ? 'text-second' : ''}`}>
              <StepMark model={model} operation={operation} size={30} />
            </span>
            <span className="min-w-0 flex-1">
              <span
                className={`block text-[22px] leading-tight ${done ? 'text-second' : now ? 'font-bold' : 'font-semibold'}`}
              >
                {words.title}
              </span>
              <span className="block text-[16px] leading-tight text-second">
                {left.has(operation.key)
                  ? 'left for later: it stays open in the balance'
                  : [words.how, ...words.mind, ...words.facts].filter(Boolean).join(' · ')}
              </span>
            </span>
            {/* The sign above carries the flag of the step that is meant now. */}
            {tether && isAirbagCircuit(tether) && !now && <AirbagFlag />}
            {tray && <Tape label={tray} />}
            {done ? (
              <Check aria-label="done" size={28} className="shrink-0" />
            ) : now ? (
              <span
                className="shrink-0 bg-ink py-1.5 pl-6 pr-3 text-lg font-bold text-ground"
                style={{ clipPath: 'polygon(0.7em 0, 100% 0, 100% 100%, 0.7em 100%, 0 50%)' }}
              >
                now
              </span>
            ) : (
              inTap.has(operation.key) &&
              (tap.card.phase !== 'in' ? (
                <button
                  type="button"
                  className="ghost shrink-0 !border text-[16px]"
                  onClick={() => leave(operation.key)}
                  aria-label={`Leave for later: ${words.title}`}
                >
                  leave it
                </button>
              ) : (
                <span className="shrink-0 text-[16px] text-second">with it</span>
              ))
            )}
          </li>
        )
      })}
    </ol>
  )
})
