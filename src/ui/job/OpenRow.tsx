'use client'
import { useState } from 'react'
import { asItStands, mayBeAccepted, type BalanceRow } from '@/core/job/balance'
import type { Happening } from '@/core/job/event'
import type { ProcedureDocument } from '@/core/procedure/document'
import { mayStayOpen } from '@/core/procedure/circuits'
import { refusals } from '@/core/vehicle/judge'
import { FastenerMark, shapeOf } from '../marks/FastenerMark'
import { LevelMark } from '../marks/LevelMark'
import { PlugMark } from '../marks/PlugMark'
import { GapSign } from '../marks/Signs'
import { Dialog } from '../shell/Dialog'
import { rowWords } from '../words/balanceWords'
import { ownerWords } from '../words/items'
import { ScrewDrawing } from './ScrewDrawing'
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
  const act = (words: string, happenings: Happening[], main = true) => (
    <button
      key={words}
      type="button"
      className={main ? 'slab flex-1' : 'ghost flex-1'}
      onClick={() => job.record(happenings)}
    >
      {words}
    </button>
  )
  if (row.account === 'part') return act('It is back', [{ kind: 'part at', partId: row.id, level: 'in place' }])
  if (row.account === 'tether')
    return (
      <>
        {act('It is plugged', [{ kind: 'closed', tetherId: row.id }])}
        {/* What is needed to start, stop or warn never stays open because it suits somebody. */}
        {mayStayOpen(document.tethers.find((tether) => tether.id === row.id)!) &&
          act(
            'Stays open, insulated',
            [{ kind: 'ended', itemId: row.id, end: 'left open and insulated', count: 1, note: '' }],
            false,
          )}
      </>
    )
  const refusal =
    row.account === 'setting'
      ? refusals(
          job.model,
          job.vehicle,
          { act: 'set', itemId: row.id, setting: { settingId: row.id, from: row.value, to: row.owed, methodId: '' } },
          job.circumstances,
        )[0]
      : undefined
  if (refusal) return <p className="text-lg font-semibold">{refusal.rule.sentence}</p>
  if (row.account === 'setting')
    return act(`It is ${row.owed}`, [{ kind: 'set', settingId: row.id, value: row.owed, methodId: null }])
  if (row.account === 'stray')
    return (
      <>
        {row.couldBe.map((id) => {
          const holder = document.holders.find((item) => item.id === id)!
          return act(
            holder.thread ? `It is ${holder.thread.lengthMm} mm` : `Of ${ownerWords(document, holder)}`,
            [{ kind: 'stray settled', strayId: row.id, holderId: id, note: '' }],
            false,
          )
        })}
        {act(
          'None of this job',
          [{ kind: 'stray settled', strayId: row.id, holderId: null, note: 'not of this job' }],
          false,
        )}
      </>
    )
  if (row.account === 'tool') return act('It is back', [{ kind: 'tool back', tool: row.id }])
  const id = row.id
  const awaited = job.state.awaited.get(id) ?? 0
  return (
    <>
      {row.open.flatMap((reason) => {
        switch (reason.kind) {
          case 'short': {
            const old = Math.min(reason.count, reason.loose)
            const fresh = reason.count - old
            return [
              ...(old > 0
                ? [
                    act(old === 1 ? 'It is in' : `${old} are in`, [
                      { kind: 'fastened', holderId: id, count: old, stage: 'final' },
                    ]),
                  ]
                : []),
              ...(fresh > 0
                ? [
                    act(
                      fresh === 1 ? 'New one in' : `${fresh} new in`,
                      [{ kind: 'new fitted', holderId: id, count: fresh, insteadOf: 'old' }],
                      old === 0,
                    ),
                  ]
                : []),
              ...(awaited > 0
                ? [act(`${awaited} ordered: here now`, [{ kind: 'arrived', holderId: id, count: awaited }], false)]
                : []),
              ...(fresh > 0 && awaited === 0
                ? [act('Order', [{ kind: 'ordered', holderId: id, count: fresh, note: '' }], false)]
                : []),
              ...(old > 0 ? [act('Lost', [{ kind: 'lost', holderId: id, count: 1, from: 'vehicle' }], false)] : []),
            ]
          }
          case 'in hand':
            return [act('Put to stock', [{ kind: 'ended', itemId: id, end: 'stock', count: reason.count, note: '' }])]
          case 'pieces':
            return [act('Pieces found', [{ kind: 'pieces recovered', holderId: id, count: reason.count }])]
          case 'lost':
            return [
              act('Found again', [{ kind: 'found again', holderId: id, count: reason.count }], false),
              <button key="search" type="button" className="slab flex-1" onClick={() => setSearch(true)}>
                Searched: sign
              </button>,
            ]
          case 'more back than out':
            return [
              act(
                `${reason.count} more were there`,
                [{ kind: 'as found', holderId: id, what: 'extra', count: reason.count, note: 'counted again' }],
                false,
              ),
            ]
        }
      })}
      <Dialog title="Sign for the search" open={search} onClose={() => setSearch(false)}>
        <SearchForm holderId={id} record={job.record} close={() => setSearch(false)} />
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
