'use client'
import { useState } from 'react'
import type { Happening } from '@/core/job/event'
import type { LastingChange } from '@/core/shop/workItem'
import { CHANGED } from '@/words/overlayWords'
import { TickBox } from './slabs'

/** `before`: what its open steps record when it is done as written. */
export type WorkAsked = {
  workId: string
  name: string
  changes: readonly LastingChange[]
  before: readonly Happening[]
}
type Record = (happenings: readonly Happening[]) => void
type Made = { where: string; how: string; consentBy: string; edgeTreated: boolean }

const began = (change: LastingChange): Made => ({
  where: change.where,
  how: change.how,
  consentBy: '',
  edgeTreated: false,
})
/** The kit's own plastic is cut without asking anybody. */
const asksNobody = (change: LastingChange) => change.on === 'kit'
const isMissing = (change: LastingChange, made: Made) =>
  made.where.trim() === '' || (made.consentBy.trim() === '' && !asksNobody(change))
const asHappening = (change: LastingChange, made: Made): Happening => ({
  kind: 'changed for good',
  changeId: change.id,
  what: change.what,
  where: made.where.trim(),
  how: made.how.trim(),
  consentBy: made.consentBy.trim(),
  edgeTreated: made.edgeTreated,
})

/**
 * A work item done: a reading and a word, and for what was cut, filed or drilled what was really done, and who agreed
 * to it.
 */
export function WorkDone({ work, record, close }: { work: WorkAsked; record: Record; close: () => void }) {
  const [reading, setReading] = useState('')
  const [note, setNote] = useState('')
  const [made, setMade] = useState(work.changes.map(began))
  const missing = work.changes.some((change, i) => isMissing(change, made[i]!))
  return (
    <form
      className="space-y-4"
      onSubmit={(event) => {
        event.preventDefault()
        record([
          ...work.before,
          ...work.changes.map((change, i) => asHappening(change, made[i]!)),
          { kind: 'work done', workId: work.workId, reading: reading.trim(), note: note.trim() },
        ])
        close()
      }}
    >
      {work.changes.map((change, i) => (
        <ChangeFields
          key={change.id}
          change={change}
          made={made[i]!}
          onChange={(next) => setMade(made.with(i, next))}
        />
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

/** A change for good that was not recorded with its work. */
export function ChangeForm({ change, record, close }: { change: LastingChange; record: Record; close: () => void }) {
  const [made, setMade] = useState(began(change))
  return (
    <form
      className="space-y-4"
      onSubmit={(event) => {
        event.preventDefault()
        record([asHappening(change, made)])
        close()
      }}
    >
      <ChangeFields change={change} made={made} onChange={setMade} />
      <button className="slab w-full !min-h-[84px] text-2xl" disabled={isMissing(change, made)}>
        Keep it
      </button>
    </form>
  )
}

function ChangeFields({
  change,
  made,
  onChange,
}: {
  change: LastingChange
  made: Made
  onChange: (made: Made) => void
}) {
  const put = (next: Partial<Made>) => onChange({ ...made, ...next })
  return (
    <fieldset className="space-y-3 border-b-2 border-ink pb-4">
      <legend className="text-xl font-bold">{CHANGED[change.what]} for good</legend>
      <Line label="Where" value={made.where} onChange={(where) => put({ where })} />
      <Line label="How much" value={made.how} onChange={(how) => put({ how })} />
      {!asksNobody(change) && (
        <Line
          label="Who agreed to it (for the customer)"
          value={made.consentBy}
          onChange={(consentBy) => put({ consentBy })}
        />
      )}
      <TickBox
        words="The bare edge is treated"
        checked={made.edgeTreated}
        onChange={(edgeTreated) => put({ edgeTreated })}
      />
    </fieldset>
  )
}

function Line({ label, value, onChange }: { label: string; value: string; onChange: (value: string) => void }) {
  return (
    <label className="block">
      <span className="mb-1 block text-lg font-semibold">{label}</span>
      <input
        className="field !min-h-14 text-lg"
        maxLength={label === 'Note' ? 500 : label.startsWith('Reading') ? 60 : 80}
        value={value}
        onChange={(event) => onChange(event.target.value)}
      />
    </label>
  )
}
