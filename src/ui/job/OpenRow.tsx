'use client'
import { useState } from 'react'
import { asItStands, mayBeAccepted, type BalanceRow } from '@/core/job/balance'
import { closingActs } from '@/core/job/decide/closingActs'
import type { ProcedureDocument } from '@/core/procedure/document'
import { FastenerMark, shapeOf } from '../marks/FastenerMark'
import { LevelMark } from '../marks/LevelMark'
import { PlugMark } from '../marks/PlugMark'
import { GapSign } from '../marks/Signs'
import { Dialog } from '../shell/Dialog'
import { rowWords } from '@/words/balanceWords'
import { closingActWords } from '@/words/closingActWords'
import { ownerWords } from '@/words/items'
import { ScrewDrawing } from '../marks/ScrewDrawing'
import type { LiveJob } from './useJob'

const REASONS = ['comes back for it', 'part awaited', 'the customer wants it so', 'was so before'] as const

/** One open row: what it is, the drawing that settles it, and the acts that close it. */
export function OpenRow({
  row,
  document,
  job,
  isLead,
}: {
  row: BalanceRow
  document: ProcedureDocument
  job: LiveJob
  isLead: boolean
}) {
  const [accepting, setAccepting] = useState(false)
  const words = rowWords(document, row)
  return (
    <li
      className="grid grid-cols-1 items-center gap-x-6 gap-y-2 border-b border-hair py-4 md:grid-cols-[40px_1.3fr_1fr_auto]"
      id={`${row.account}:${row.id}`}
      data-row={`${row.account}:${row.id}`}
    >
      <RowMark row={row} document={document} />
      <div>
        <h2 className="text-[25px]">{words.heading}</h2>
        <p className="text-lg text-second">{words.sentence}</p>
      </div>
      <Evidence row={row} document={document} />
      <div className="flex flex-wrap gap-2 md:w-80 md:justify-end">
        <Acts row={row} document={document} job={job} />
        {isLead && mayBeAccepted(document, row) && (
          <button type="button" className="jump min-h-14 text-[17px]" onClick={() => setAccepting(true)}>
            Let it stand open
          </button>
        )}
      </div>
      <Dialog title="Let it stand open" open={accepting} onClose={() => setAccepting(false)}>
        <AcceptForm
          heading={words.heading}
          accept={(reason) => (
            job.record([
              { kind: 'row accepted', account: row.account, itemId: row.id, asItStood: asItStands(row), reason },
            ]),
            setAccepting(false)
          )}
        />
      </Dialog>
    </li>
  )
}

/** Why a lead lets a row stand: chosen or written. It is void as soon as anything happens to the thing. */
function AcceptForm({ heading, accept }: { heading: string; accept: (reason: string) => void }) {
  const [reason, setReason] = useState('')
  return (
    <form
      className="space-y-4"
      onSubmit={(event) => {
        event.preventDefault()
        accept(reason.trim())
      }}
    >
      <p className="text-xl font-semibold">{heading}</p>
      <div className="flex flex-wrap gap-2">
        {REASONS.map((words) => (
          <button key={words} type="button" className="ghost text-lg" onClick={() => setReason(words)}>
            {words}
          </button>
        ))}
      </div>
      <label className="block">
        <span className="mb-1 block text-lg font-semibold">Why may it stand open?</span>
        <input
          className="field !min-h-14 text-lg"
          maxLength={200}
          value={reason}
          onChange={(event) => setReason(event.target.value)}
        />
      </label>
      <button className="slab w-full" disabled={reason.trim() === ''}>
        It stands open, by me
      </button>
      <p className="text-second">
        It is printed on the hand-over sheet with your name, and is void as soon as anything happens to the thing.
      </p>
    </form>
  )
}

function RowMark({ row, document }: { row: BalanceRow; document: ProcedureDocument }) {
  const holder = document.holders.find((item) => item.id === row.id)
  if (holder) return <FastenerMark shape={shapeOf(holder)} size={36} />
  const tether = document.tethers.find((item) => item.id === row.id)
  if (tether) return <PlugMark tether={tether} size={38} />
  return <LevelMark level={row.account === 'part' ? row.level : 'off'} size={34} />
}

/** The drawing that settles it: numbers out, back, in hand, or the lookalikes to one scale. */
function Evidence({ row, document }: { row: BalanceRow; document: ProcedureDocument }) {
  if (row.account === 'stray')
    return (
      <ul className="space-y-2">
        {row.couldBe.map((id) => {
          const holder = document.holders.find((item) => item.id === id)!
          return (
            <li key={id} className="flex items-center gap-4">
              {holder.thread && (
                <ScrewDrawing diameterMm={holder.thread.diameterMm} lengthMm={holder.thread.lengthMm} />
              )}
              <span className="text-[17px] text-second">
                {ownerWords(document, holder)}, {holder.count}
              </span>
            </li>
          )
        })}
      </ul>
    )
  if (row.account !== 'holder')
    return (
      <span className="text-second">
        <GapSign size={56} />
      </span>
    )
  const number = (label: string, value: number, strong = false) => (
    <div className="text-center">
      <dt className="text-[15px] text-second">{label}</dt>
      <dd className={`num text-3xl ${strong && value > 0 ? 'border-b-4 border-petrol' : ''}`}>{value}</dd>
    </div>
  )
  return (
    <dl className="flex gap-8">
      {number('out', row.out)}
      {number('back', row.back)}
      {number('in hand', row.inHand, true)}
    </dl>
  )
}

function Acts({ row, document, job }: { row: BalanceRow; document: ProcedureDocument; job: LiveJob }) {
  const [search, setSearch] = useState(false)
  const { model, vehicle, circumstances, state } = job
  const { acts, refusedBy } = closingActs(row, { document, model, vehicle, circumstances, state })
  if (refusedBy) return <p className="text-lg font-semibold">{refusedBy.sentence}</p>
  return (
    <>
      {acts.map((act) => (
        <button
          key={`${act.says} ${act.holderId ?? ''}`}
          type="button"
          className={act.main ? 'slab flex-1' : 'ghost flex-1'}
          onClick={() => (act.says === 'searched' ? setSearch(true) : job.record(act.happenings))}
        >
          {closingActWords(act, document)}
        </button>
      ))}
      <Dialog title="Sign for the search" open={search} onClose={() => setSearch(false)}>
        <SearchForm holderId={row.id} record={job.record} close={() => setSearch(false)} />
      </Dialog>
    </>
  )
}

function SearchForm({ holderId, record, close }: { holderId: string; record: LiveJob['record']; close: () => void }) {
  const [note, setNote] = useState('')
  return (
    <form
      className="space-y-4"
      onSubmit={(event) => {
        event.preventDefault()
        record([{ kind: 'search signed', holderId, note: note.trim() }])
        close()
      }}
    >
      <p className="text-lg">
        A lost screw may lie in the dash, in a duct or under a pedal. By signing you say that you looked there.
      </p>
      <label className="block">
        <span className="mb-1 block text-lg font-semibold">Where did you search?</span>
        <textarea
          autoFocus
          className="field min-h-24 text-lg"
          maxLength={300}
          value={note}
          onChange={(event) => setNote(event.target.value)}
        />
      </label>
      <button className="slab w-full" disabled={note.trim() === ''}>
        I searched and did not find it
      </button>
    </form>
  )
}
