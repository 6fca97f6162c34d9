import type { NextTap } from '@/core/job/progress'
import { toFasten } from '@/core/job/jobActs'
import { countedIn, type Operation } from '@/core/order/operation'
import { judged } from '@/core/plan/derive/demandsOf'
import type { ProcedureDocument } from '@/core/procedure/document'
import type { ProcedureForBuild } from '@/core/procedure/forBuild'
import { cautionsFor } from '@/core/vehicle/cautionsFor'
import { isAirbagCircuit } from '@/core/procedure/circuits'
import { DirectionSign } from '../marks/DirectionSign'
import { FastenerMark, shapeOf } from '../marks/FastenerMark'
import { LineMark } from '../marks/LineMark'
import { PlugMark } from '../marks/PlugMark'
import { AirbagFlag, SignalPlate } from '../marks/Signs'
import { cardNameIn } from '@/words/modelNames'
import { hiddenWords, stepWords } from '@/words/operations'
import type { PlannedJob } from './useJob'

/** The one sign of the screen: what to do next, readable from a metre. */
export function ActionSign({
  document,
  job,
  tap,
  done,
}: {
  document: ProcedureDocument
  job: PlannedJob
  tap: NextTap
  done: number
}) {
  const { model, state } = job
  const { operation } = tap.step
  const words = stepWords(model, operation)
  const cautions = cautionsFor(model, judged(job.plan.job, operation), job.circumstances)
  const release = model.parts.get(operation.itemId)?.release
  const axis = operation.act === 'release' ? release?.motions[0]?.directions[0] : undefined
  const looking = document.views.find(
    (view) => view.id === model.parts.get(operation.partId ?? '')?.outline?.viewId,
  )?.looking
  const tether = model.tethers.get(operation.itemId)
  // One sentence, one place: what a caution below says is not said twice.
  const plain = (sentence: string) => sentence.toLowerCase().replace(/[.!]+$/, '')
  const mind = words.mind.filter((sentence) => !cautions.some((caution) => plain(caution.sentence) === plain(sentence)))
  const counted = countedIn(operation).map((id) => model.holders.get(id)!)
  const fresh =
    tap.card.phase === 'out'
      ? counted.reduce((sum, holder) => sum + toFasten(state.holders.get(holder.id)!).fresh, 0)
      : 0
  return (
    <section aria-label="Next" className="on-sign rounded-br px-6 py-4" aria-live="polite">
      <div className="flex justify-between gap-4 text-2xl font-semibold">
        <span>
          {cardNameIn(model, tap.card)}
          <span className="ml-3 font-normal">
            {{ in: 'way in', work: 'at the bottom', test: 'before it is hidden', out: 'way out' }[tap.card.phase]}
          </span>
        </span>
        <span className="shrink-0">
          <span className="num">{done}</span> of <span className="num">{tap.card.steps.length}</span> done
        </span>
      </div>
      <h1
        className={`mt-1 flex items-center gap-4 font-extrabold ${words.title.length > 26 ? 'text-[clamp(34px,4vw,48px)]' : words.title.length > 18 ? 'text-[clamp(42px,5vw,62px)]' : 'text-[clamp(52px,6.4vw,82px)]'} !leading-[1.05]`}
        data-next={operation.key}
      >
        <StepMark model={model} operation={operation} size={72} />
        <span className="min-w-0 [overflow-wrap:anywhere]">{words.title}</span>
        {axis && <DirectionSign axis={axis} looking={looking} size={52} />}
      </h1>
      <p className="mt-1 flex min-h-10 items-center gap-3 text-[clamp(22px,2.5vw,32px)] font-medium leading-tight">
        {operation.pulled?.map((id) => (
          <PulledMark key={id} model={model} holderId={id} />
        ))}
        {words.how}
      </p>
      {mind.length > 0 && (
        <p className="mt-1 text-[clamp(20px,2.1vw,27px)] font-bold leading-tight">{mind.join(' · ')}</p>
      )}
      {words.facts.length > 0 && (
        <p className="mt-1 text-[clamp(18px,1.8vw,23px)] leading-snug">{words.facts.join(' · ')}</p>
      )}
      {fresh > 0 && (
        <p className="mt-1 text-2xl font-bold">
          {fresh} new one{fresh > 1 ? 's' : ''}: the old broke or is lost
        </p>
      )}
      <ul className="mt-2 space-y-1.5">
        {cautions.slice(0, 2).map((caution, i) => (
          <li
            key={caution.id}
            className="flex items-start gap-3 text-[clamp(17px,1.6vw,21px)] font-semibold leading-snug"
          >
            <SignalPlate severity={caution.severity} />
            {i === 0 && tether && isAirbagCircuit(tether) && <AirbagFlag />}
            <span>{caution.sentence}</span>
          </li>
        ))}
      </ul>
    </section>
  )
}

/** A group that lets go or goes home with the movement; its count is in the words. */
function PulledMark({ model, holderId }: { model: ProcedureForBuild; holderId: string }) {
  const holder = model.holders.get(holderId)!
  return (
    <span className="shrink-0">
      <FastenerMark shape={shapeOf(holder)} hidden={hiddenWords(model, holderId) !== ''} size={34} />
    </span>
  )
}

export function StepMark({
  model,
  operation,
  size = 28,
}: {
  model: ProcedureForBuild
  operation: Operation
  size?: number
}) {
  const holder = model.holders.get(operation.itemId)
  if (holder && (operation.act === 'undo' || operation.act === 'fasten')) {
    return (
      <FastenerMark
        shape={shapeOf(holder)}
        hidden={hiddenWords(model, holder.id) !== ''}
        size={size}
        className="shrink-0"
      />
    )
  }
  const tether = model.tethers.get(operation.itemId)
  if (tether) return <PlugMark tether={tether} size={size} className="shrink-0" />
  const acts: Partial<Record<Operation['act'], string>> = {
    release: 'M4 20h16M12 16V4M7 9l5-5 5 5',
    seat: 'M4 20h16M12 4v12M7 11l5 5 5-5',
    lift: 'M12 14V3M7 8l5-5 5 5M3 14v6h18v-6',
    place: 'M12 3v11M7 9l5 5 5-5M3 14v6h18v-6',
    ease: 'M4 20h16M12 16V9M8 12l4-4 4 4',
    start: 'M4 20h16M12 4v8M8 9l4 4 4-4',
    work: 'M4 4h16v16H4Z',
    test: 'M12 3 21 12 12 21 3 12ZM8 12l3 3 5-6',
    decide: 'M12 3v6M12 9 5 20M12 9l7 11',
    wait: 'M6 3h12M6 21h12M7 3c0 6 10 6 10 9s-10 3-10 9M17 3c0 6-10 6-10 9',
    set: 'M12 2 22 12 12 22 2 12Z',
    restore: 'M12 2 22 12 12 22 2 12ZM8 12h8',
  }
  return <LineMark d={acts[operation.act] ?? ''} size={size} />
}
