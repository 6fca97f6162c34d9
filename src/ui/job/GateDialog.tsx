'use client'
import { useState } from 'react'
import { putBackTap } from '@/core/job/decide/putBack'
import { leaveGate, type LeaveAct, type LeaveForbids } from '@/core/job/leaveGate'
import { isUnclassified } from '@/core/procedure/circuits'
import type { ProcedureDocument } from '@/core/procedure/document'
import type { Tether } from '@/core/procedure/tether'
import { circuitEdits, likelyCircuits } from '@/core/procedure/likelyCircuits'
import { powerGate, type GateAnswer, type PutBack } from '@/core/vehicle/powerGate'
import { POWERS, type Power } from '@/core/vehicle/powers'
import { MayRing, StopSign } from '../marks/Signs'
import { Dialog } from '../shell/Dialog'
import { forbidsWords, noPutBackWords, putBackWords, unresolvedWords } from '@/words/balanceWords'
import { itemWords } from '@/words/items'
import { circuitWords } from '@/words/questionWords'
import { capital, settingTo } from '@/words/operations'
import type { LiveJob } from './useJob'

type Asked = Power | 'leave'
const QUESTION: Record<Asked, string> = {
  accessory: 'Accessory on?',
  ignition: 'Ignition on?',
  engine: 'Start the engine?',
  leave: 'Use it unfinished?',
}

/**
 * May it come on now, or may the vehicle be used as it stands: what forbids it, and the fewest things that would allow
 * it.
 */
export function GateDialog({
  document,
  job,
  open,
  onClose,
}: {
  document: ProcedureDocument
  job: LiveJob
  open: boolean
  onClose: () => void
}) {
  const [asked, setAsked] = useState<Asked>('ignition')
  const gate = powerGate(job.model, job.vehicle, job.circumstances)
  return (
    <Dialog title="May it be switched on?" open={open} onClose={onClose} wide>
      <div className="space-y-4">
        <div role="tablist" aria-label="What is asked" className="grid grid-cols-2 gap-2 md:grid-cols-4">
          {([...POWERS, 'leave'] as const).map((name) => (
            <button
              key={name}
              type="button"
              role="tab"
              aria-selected={asked === name}
              onClick={() => setAsked(name)}
              className={`ghost text-lg ${asked === name ? '!border-[3px] !border-ink font-bold' : ''}`}
            >
              {QUESTION[name]}
            </button>
          ))}
        </div>
        {asked === 'leave' ? (
          <Leave document={document} job={job} />
        ) : (
          <PowerAnswer document={document} job={job} power={asked} answer={gate[asked]} />
        )}
        <p className="text-second">
          It answers from what was tapped. Who switches on looks at the vehicle first; the maker’s data and local rules
          go first.
        </p>
      </div>
    </Dialog>
  )
}

function Verdict({ allowed, yes, no }: { allowed: boolean; yes: string; no: string }) {
  return (
    <p className="flex items-center gap-4 text-[30px] font-bold leading-tight" role="status" data-allowed={allowed}>
      {allowed ? <MayRing size={56} /> : <StopSign size={56} />} {allowed ? yes : no}
    </p>
  )
}

function PowerAnswer({
  document,
  job,
  power,
  answer,
}: {
  document: ProcedureDocument
  job: LiveJob
  power: Power
  answer: GateAnswer
}) {
  return (
    <>
      <Verdict allowed={answer.allowed} yes={`${capital(power)} may come on`} no={`${capital(power)} stays off`} />
      {!answer.allowed && (
        <>
          <ul className="space-y-1 text-lg">
            {answer.forbiddenBy.map((breach) => (
              <li key={breach.rule.id}>
                <b>{capital(forbidsWords(document, breach, job.state.settings))}.</b> {breach.rule.sentence}
                {breach.tetherIds
                  .map((id) => document.tethers.find((tether) => tether.id === id))
                  .map(
                    (tether) =>
                      tether &&
                      isUnclassified(tether) && (
                        <SayWhatItFeeds key={tether.id} tether={tether} document={document} job={job} />
                      ),
                  )}
              </li>
            ))}
          </ul>
          {answer.putBack === null ? (
            <p className="text-xl font-semibold">{noPutBackWords(document, answer.forbiddenBy)}</p>
          ) : (
            <>
              <h3 className="text-xl">The smallest set to put back, in this order</h3>
              <ol className="space-y-2">
                {answer.putBack.map((item, i) => (
                  <PutBackRow key={JSON.stringify(item)} number={i + 1} item={item} document={document} job={job} />
                ))}
              </ol>
              <p className="text-second">
                A part is only held near its place for this. It is not seated, and the way out goes on as planned.
              </p>
            </>
          )}
        </>
      )}
      {answer.confirm.length > 0 && (
        <p className="text-lg">
          <b>Look yourself:</b> {answer.confirm.join('; ')}.
        </p>
      )}
    </>
  )
}

/** A plug nobody has classified counts as an airbag plug: the question comes back before power. */
function SayWhatItFeeds({ tether, document, job }: { tether: Tether; document: ProcedureDocument; job: LiveJob }) {
  const sentence = `Nobody has said what the ${tether.name} plug feeds: it counts as an airbag plug until somebody does.`
  if (job.request !== null) return <span className="block font-semibold">{sentence} A lead says it in the record.</span>
  return (
    <span className="block space-y-2 py-2">
      <span className="block font-semibold">{sentence}</span>
      <span className="flex flex-wrap gap-2">
        {likelyCircuits(tether.name).map((circuit) => (
          <button
            key={circuit}
            type="button"
            className="ghost"
            onClick={() =>
              job.record([{ kind: 'stated', said: sentence, edits: circuitEdits(document, tether.id, circuit) }])
            }
          >
            {circuitWords(circuit)}
          </button>
        ))}
      </span>
    </span>
  )
}

function PutBackRow({
  number,
  item,
  document,
  job,
}: {
  number: number
  item: PutBack
  document: ProcedureDocument
  job: LiveJob
}) {
  const { happenings, refusedBy } = putBackTap(item, job.model, job.vehicle, job.state, job.circumstances)
  return (
    <li className="flex flex-wrap items-center gap-3 border-b border-hair pb-2">
      <span className="num text-2xl">{number}</span>
      <span className="min-w-0 flex-1 text-xl font-semibold">
        {putBackWords(document, item)}
        {refusedBy && <span className="block text-lg font-normal">{refusedBy.remedy || refusedBy.sentence}</span>}
      </span>
      <button type="button" className="slab" disabled={refusedBy !== null} onClick={() => job.record(happenings)}>
        {item.kind === 'plug' ? 'It is plugged' : `It is ${item.value}`}
      </button>
    </li>
  )
}

function Leave({ document, job }: { document: ProcedureDocument; job: LiveJob }) {
  const answer = leaveGate(job.model, job.state, job.vehicle, job.circumstances, job.terms)
  const name = (id: string) => itemWords(document, id)
  const { functionsOut, partsOff, notTested, leadsParked, leadsHalfway } = answer.driverMustKnow
  const know = [
    functionsOut.length > 0 && `does not work: ${functionsOut.map(name).join(', ')}`,
    partsOff.length > 0 && `missing: ${partsOff.map(name).join(', ')}`,
    notTested.length > 0 && `not tested yet: ${notTested.map(name).join(', ')}`,
    leadsParked.length > 0 && `leads tied back: ${leadsParked.map(name).join(', ')}`,
    leadsHalfway.length > 0 && `not done, so cap its ends, tie it back, and no fuse in: ${leadsHalfway.join('; ')}`,
  ].filter(Boolean)
  return (
    <>
      <Verdict allowed={answer.allowed} yes="It may be used as it stands" no="Not as it stands" />
      {!answer.allowed && (
        <>
          <ul className="space-y-1 text-lg">
            {saidOnce(answer.forbids).map((item) => (
              <li key={leaveForbidsWords(document, item, job)}>{leaveForbidsWords(document, item, job)}</li>
            ))}
          </ul>
          {answer.smallest && (
            <>
              <h3 className="text-xl">The fewest acts that would allow it</h3>
              <ul className="space-y-2">
                {answer.smallest.map((act) => (
                  <li key={JSON.stringify(act)} className="flex flex-wrap items-center gap-3 border-b border-hair pb-2">
                    <span className="min-w-0 flex-1 text-xl font-semibold">{leaveActWords(document, act)}</span>
                    {act.kind === 'park' && (
                      <button
                        type="button"
                        className="slab"
                        onClick={() => job.record([{ kind: 'lead parked', tetherId: act.tetherId }])}
                      >
                        It is tied back
                      </button>
                    )}
                  </li>
                ))}
              </ul>
            </>
          )}
        </>
      )}
      {know.length > 0 && (
        <p className="text-lg">
          <b>The driver must know:</b> {know.join('; ')}.
        </p>
      )}
    </>
  )
}

/** What keeps the power off is not said again where the plug itself is already on the list. */
function saidOnce(forbids: readonly LeaveForbids[]): LeaveForbids[] {
  const said = new Set(forbids.flatMap((item) => (item.kind === 'warning circuit' ? [item.tetherId] : [])))
  return forbids.filter(
    (item) =>
      item.kind !== 'power' || item.breach.tetherIds.length === 0 || item.breach.tetherIds.some((id) => !said.has(id)),
  )
}

function leaveForbidsWords(document: ProcedureDocument, item: LeaveForbids, job: LiveJob): string {
  switch (item.kind) {
    case 'trim loose':
      return `${itemWords(document, item.partId)} is loose.`
    case 'fasteners out':
      return `${itemWords(document, item.partId)} is in its place, and nothing holds it.`
    case 'lead loose':
      return `The lead of ${itemWords(document, item.tetherId)} hangs open.`
    case 'warning circuit':
      return `${capital(itemWords(document, item.tetherId))} is open: the vehicle is not driven without it.`
    case 'unresolved':
      return `${unresolvedWords(item.of)}. Look at the vehicle, then close its row in the balance.`
    case 'power':
      return `${capital(forbidsWords(document, item.breach, job.state.settings))}: ${item.breach.rule.sentence}`
  }
}

function leaveActWords(document: ProcedureDocument, act: LeaveAct): string {
  switch (act.kind) {
    case 'seat':
      return `Push the ${itemWords(document, act.partId).toLowerCase()} home`
    case 'fasten':
      return `Fasten the ${itemWords(document, act.partId).toLowerCase()}`
    case 'stow':
      return `Take the ${itemWords(document, act.partId).toLowerCase()} off and stow it`
    case 'plug':
      return `Plug ${itemWords(document, act.tetherId)}`
    case 'park':
      return `Tie the lead of ${itemWords(document, act.tetherId)} back and cover it`
    case 'set':
      return capital(settingTo(itemWords(document, act.settingId), act.value))
  }
}
