import { memo } from 'react'
import type { JobState } from '@/core/job/jobState'
import { isDone, type NextTap } from '@/core/job/progress'
import type { ProcedureForBuild } from '@/core/procedure/forBuild'
import { isAirbagCircuit } from '@/core/procedure/circuits'
import { Tape } from '../marks/Tape'
import { AirbagFlag } from '../marks/Signs'
import { stepWords } from '@/words/operations'
import { StepMark } from './ActionSign'
import { StepRow } from './StepRow'

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
          <StepRow
            key={operation.key}
            mark={<StepMark model={model} operation={operation} size={30} />}
            title={words.title}
            below={
              left.has(operation.key)
                ? 'left for later: it stays open in the balance'
                : [words.how, ...words.mind, ...words.facts].filter(Boolean).join(' · ')
            }
            done={done}
            now={now}
            beside={
              <>
                {/* The sign above carries the flag of the step that is meant now. */}
                {tether && isAirbagCircuit(tether) && !now && <AirbagFlag />}
                {tray && <Tape label={tray} />}
              </>
            }
            ahead={
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
            }
          />
        )
      })}
    </ol>
  )
})
