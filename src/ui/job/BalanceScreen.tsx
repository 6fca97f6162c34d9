'use client'
import Link from 'next/link'
import { useState } from 'react'
import type { BalanceRow } from '@/core/job/balance'
import { headOf } from '@/core/procedure/heads'
import type { ProcedureDocument } from '@/core/procedure/document'
import { ClosedTick } from '../marks/Signs'
import type { ChangeActing } from '../shell/ActingButton'
import { Dialog } from '../shell/Dialog'
import { rowWords } from '@/words/balanceWords'
import { headWords, holderKindWords, itemWords, threadWords, toolWords, ownerWords } from '@/words/items'
import { JobHead } from './JobHead'
import { nameOf } from './nameOf'
import { LeftOver } from './LeftOver'
import { OpenRow } from './OpenRow'
import type { JobData, LiveJob } from './useJob'
import { useAnyJob } from './useAnyJob'
import { newUuid } from '@/client/newId'

/** Out against back: open rows large and first, each with the one act that closes it. */
export function BalanceScreen({ data, change }: { data: JobData; change: ChangeActing }) {
  const job = useAnyJob(data)
  const [stray, setStray] = useState(false)
  const { openRows, acceptedRows, rows } = job.balance
  const closed = rows.filter((row) => !openRows.includes(row) && !acceptedRows.includes(row))
  const toolsOut = openRows.filter((row) => row.account === 'tool')
  const isLead = data.acting.role !== 'installer'
  return (
    <div data-theme={data.theme} className="flex min-h-dvh flex-col">
      <JobHead data={data} job={job} change={change} back={`/jobs/${data.id}`} />
      <main className="flex-1 px-6 pb-8">
        <div className="flex flex-wrap items-center gap-4 py-3">
          <h1 className="text-5xl font-extrabold">
            <span className="num">{openRows.length}</span> open
          </h1>
          <p className="text-xl text-second">
            <span className="num">{closed.length}</span> closed
          </p>
          <div className="ml-auto flex flex-wrap gap-3">
            <Link href={`/jobs/${data.id}`} className="ghost">
              To the job
            </Link>
            {toolsOut.length > 1 && (
              <button
                type="button"
                className="ghost"
                onClick={() => job.record(toolsOut.map((row) => ({ kind: 'tool back', tool: row.id })))}
              >
                All {toolsOut.length} tools are back
              </button>
            )}
            <button type="button" className="ghost" onClick={() => setStray(true)}>
              A fastener lies about
            </button>
            {openRows.length === 0 ? (
              <Link href={`/jobs/${data.id}/handover`} className="slab">
                Hand over
              </Link>
            ) : (
              <Link href={`/jobs/${data.id}/handover`} className="slab" aria-disabled="true">
                Hand over waits for {openRows.length} {openRows.length === 1 ? 'row' : 'rows'}
              </Link>
            )}
          </div>
        </div>
        {openRows.length === 0 ? (
          <p className="flex items-center gap-3 border-y border-hair py-8 text-2xl">
            <ClosedTick size={36} />{' '}
            {rows.length === 0
              ? 'Nothing has been taken off yet.'
              : 'Everything that came off is back or accounted for.'}
          </p>
        ) : (
          <ul aria-label="Open" className="border-t border-hair">
            {openRows.map((row) => (
              <OpenRow key={`${row.account}:${row.id}`} row={row} document={job.document} job={job} isLead={isLead} />
            ))}
          </ul>
        )}
        {acceptedRows.length > 0 && (
          <section className="mt-6">
            <h2 className="border-b-2 border-ink pb-1 text-2xl">Open, and accepted by a lead</h2>
            <ul>
              {acceptedRows.map((row) => {
                const accepted = job.state.accepted.get(`${row.account}:${row.id}`)!
                return (
                  <li
                    key={`${row.account}:${row.id}`}
                    className="border-b border-hair py-2 text-lg"
                    data-accepted={`${row.account}:${row.id}`}
                  >
                    <b>{rowWords(job.document, row).heading}</b>: {accepted.reason}{' '}
                    <span className="text-second">{nameOf(data, accepted.personId)}</span>
                  </li>
                )
              })}
            </ul>
          </section>
        )}
        <LeftOver job={job} />
        <ClosedAccounts rows={closed} document={job.document} />
      </main>
      <Dialog title="A fastener lies about" open={stray} onClose={() => setStray(false)}>
        <StrayForm document={job.document} record={job.record} close={() => setStray(false)} />
      </Dialog>
    </div>
  )
}

function StrayForm({
  document,
  record,
  close,
}: {
  document: ProcedureDocument
  record: LiveJob['record']
  close: () => void
}) {
  const heads = [...new Set(document.holders.flatMap((holder) => headOf(holder) ?? []))].sort()
  const [where, setWhere] = useState('')
  return (
    <div className="space-y-4">
      <label className="block">
        <span className="mb-1 block text-lg font-semibold">Where does it lie?</span>
        <input
          className="field !min-h-14 text-lg"
          maxLength={60}
          value={where}
          onChange={(event) => setWhere(event.target.value)}
          placeholder="in tray D"
        />
      </label>
      <p className="text-lg font-semibold">What is its head?</p>
      <div className="grid grid-cols-2 gap-2">
        {heads.map((head) => (
          <button
            key={head}
            type="button"
            className="ghost text-lg"
            onClick={() => {
              record([{ kind: 'stray found', strayId: newUuid(), head, where: where.trim() }])
              close()
            }}
          >
            {headWords({ drive: head.split(' ').slice(0, -1).join(' '), size: head.split(' ').at(-1)! })}
          </button>
        ))}
      </div>
      {heads.length === 0 && <p>No screw heads are recorded for this model. Write a note instead.</p>}
    </div>
  )
}

/** Shown only where a job has a kit with things of its own. */
const KIT_ACCOUNTS: readonly BalanceRow['account'][] = ['supply', 'plug', 'lead', 'module']

function ClosedAccounts({ rows, document }: { rows: BalanceRow[]; document: ProcedureDocument }) {
  const groups: [string, BalanceRow['account']][] = [
    ['Fasteners', 'holder'],
    ['Parts', 'part'],
    ['Plugs', 'tether'],
    ['Settings', 'setting'],
    ['Tools', 'tool'],
    ['Of the kit', 'supply'],
    ['Plugs of the kit', 'plug'],
    ['Leads', 'lead'],
    ['Modules', 'module'],
  ]
  return (
    <div className="mt-8 grid gap-x-8 gap-y-6 sm:grid-cols-2 lg:grid-cols-5">
      {groups.map(([title, account]) => {
        const mine = rows.filter((row) => row.account === account)
        if (mine.length === 0 && KIT_ACCOUNTS.includes(account)) return null
        return (
          <section key={account}>
            <h2 className="flex justify-between border-b border-hair pb-1 text-lg">
              {title} <span className="text-second">{mine.length} closed</span>
            </h2>
            <ul>
              {mine.map((row) => (
                <li key={row.id} className="flex items-center gap-2 py-1 text-[16px]">
                  <ClosedTick />
                  <span className="min-w-0 flex-1">{closedWords(document, row)}</span>
                  {row.account === 'holder' && (
                    <span className="num text-[15px]">
                      {row.back} of {row.out}
                    </span>
                  )}
                </li>
              ))}
            </ul>
          </section>
        )
      })}
    </div>
  )
}

function closedWords(document: ProcedureDocument, row: BalanceRow): string {
  if (row.account === 'holder') {
    const holder = document.holders.find((item) => item.id === row.id)!
    return [`${ownerWords(document, holder)}, ${holderKindWords(holder)}`, threadWords(holder)]
      .filter(Boolean)
      .join(', ')
  }
  if (row.account === 'setting') return `${itemWords(document, row.id)} ${row.value}`
  if (row.account === 'stray') return 'stray fastener, settled'
  if (row.account === 'tool') return toolWords(row.id)
  if (row.account === 'unresolved') return rowWords(document, row).heading
  if (row.account === 'lead' || row.account === 'module' || row.account === 'supply' || row.account === 'plug') {
    const { heading, sentence } = rowWords(document, row)
    return row.account === 'lead' ? heading : `${heading}: ${sentence}`
  }
  return `${itemWords(document, row.id)}${row.end ? `, ${row.end}` : ''}`
}
