'use client'
import { useState } from 'react'
import type { Happening } from '@/core/job/event'
import type { LastingChange } from '@/core/shop/workItem'
import { TickBox } from './slabs'

export type WorkAsked = { workId: string; name: string; changes: readonly LastingChange[] }

/** A work item done: a reading and a word, and for what was cut, filed or drilled what was really done, and who agreed to it. */
export function WorkDone({ work, record, close }: { work: WorkAsked; record: (happenings: readonly Happening[]) => void; close: () => void }) {
  const [reading, setReading] = useState('')
  const [note, setNote] = useState('')
  const [made, setMade] = useState<Record<string, { where: string; how: string; consentBy: string; edgeTreated: boolean }>>(Object.fromEntries(work.changes.map((change) => [change.id, { where: change.where, how: change.how, consentBy: '', edgeTreated: false }])))
  const put = (id: string, change: Partial<(typeof made)[string]>) => setMade({ ...made, [id]: { ...made[id]!, ...change } })
  const missing = work.changes.some((change) => made[change.id]!.consentBy.trim() === '' || made[change.id]!.where.trim() === '')
  return (
    <form
      className="space-y-4"
      onSubmit={(event) => {
        event.preventDefault()
        record([
          ...work.changes.map((change): Happening => ({ kind: 'changed for good', changeId: change.id, what: change.what, where: made[change.id]!.where.trim(), how: made[change.id]!.how.trim(), consentBy: made[change.id]!.consentBy.trim(), edgeTreated: made[change.id]!.edgeTreated })),
          { kind: 'work done', workId: work.workId, reading: reading.trim(), note: note.trim() },
        ])
        close()
      }}
    >
      {work.changes.map((change) => (
        <fieldset key={change.id} className="space-y-3 border-b-2 border-ink pb-4">
          <legend className="text-xl font-bold">{{ cut: 'Cut', file: 'Filed', drill: 'Drilled' }[change.what]} for good</legend>
          <Line label="Where" value={made[change.id]!.where} onChange={(where) => put(change.id, { where })} />
          <Line label="How much" value={made[change.id]!.how} onChange={(how) => put(change.id, { how })} />
          <Line label="Who agreed to it (for the customer)" value={made[change.id]!.consentBy} onChange={(consentBy) => put(change.id, { consentBy })} />
          <TickBox words="The bare edge is treated" checked={made[change.id]!.edgeTreated} onChange={(edgeTreated) => put(change.id, { edgeTreated })} />
        </fieldset>
      ))}
      <Line label="Reading or number, if there is one" value={reading} onChange={setReading} />
      <Line label="Note" value={note} onChange={setNote} />
      <button className="slab w-full !min-h-[84px] text-2xl" disabled={missing}>
        {work.name}: done
      </button>
      {missing && <p className="text-lg">What is changed for good needs somebody’s consent, in writing.</p>}
    </form>
  )
}

function Line({ label, value, onChange }: { label: string; value: string; onChange: (value: string) => void }) {
  return (
    <label className="block">
      <span className="mb-1 block text-lg font-semibold">{label}</span>
      <input className="field !min-h-14 text-lg" maxLength={label === 'Note' ? 500 : 60} value={value} onChange={(event) => onChange(event.target.value)} />
    </label>
  )
}
