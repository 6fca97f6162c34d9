'use client'
import { useState } from 'react'
import { mediaUrl } from '@/client/media'
import { wallMsOf } from '@/core/base/clock'
import type { ProcedureDocument } from '@/core/procedure/document'
import type { Edit } from '@/core/procedure/edit'
import { unmirroredOf, type Unmirrored } from '@/core/procedure/mirror'
import { mergeEdits, splitEdits } from '@/core/procedure/onePart'
import { edited, type CleanUp } from '@/core/strip/cleanUp'
import { SelectField, TextField } from '../forms/Field'
import { Dialog } from '../shell/Dialog'
import { proposalWords } from '@/words/proposalWords'
import { contradictionWords } from '@/words/contradictionWords'
import { holderWords, itemWords } from '@/words/items'
import { newId } from '@/client/newId'
import type { Contradiction } from '@/core/strip/toRecord'
import { dateWords, type Zone } from '@/words/dates'

export type CleanUpActs = {
  settleNote: (jobId: string, noteId: string) => Promise<string | null>
  decline: (jobId: string, what: Pick<Contradiction, 'collection' | 'itemId' | 'field'>) => Promise<string | null>
}
type Props = {
  document: ProcedureDocument
  cleanUp: CleanUp
  people: Record<string, string>
  zone: Zone
  pickedId: string | null
  mayDecide: boolean
  save: (edits: Edit[]) => Promise<string | null>
  acts: CleanUpActs
  onGo: (itemId: string) => void
}

/**
 * What strips and jobs have left for the desk: what was found otherwise, notes, photos, and parts that are one or two.
 */
export function CleanUpTab({ document, cleanUp, people, zone, pickedId, mayDecide, save, acts, onGo }: Props) {
  const [gone, setGone] = useState<ReadonlySet<string>>(new Set())
  const [trouble, setTrouble] = useState('')
  const [dialog, setDialog] = useState<'merge' | 'split' | null>(null)
  const done = async (key: string, run: Promise<string | null>) => {
    const sentence = await run
    setTrouble(sentence ?? '')
    if (!sentence) setGone(new Set([...gone, key]))
  }
  const contradictions = cleanUp.contradictions.filter(
    (item) => !gone.has(`${item.jobId} ${item.key}`) && edited(document, item) !== null,
  )
  const proposals = cleanUp.proposals.filter((item) => !gone.has(item.key))
  const notes = cleanUp.notes.filter((note) => !gone.has(note.eventId))
  const unmirrored = document.mirroredFrom === '' ? [] : unmirroredOf(document)
  const picked = document.parts.find((part) => part.id === pickedId)
  return (
    <div className="h-full overflow-auto px-3 py-3">
      {trouble && (
        <p role="alert" className="mb-2 font-bold">
          {trouble}
        </p>
      )}
      <Section
        title="Found otherwise by a strip"
        count={contradictions.length}
        empty="No strip has found anything otherwise than the record has it."
      >
        {contradictions.map((item) => {
          const words = contradictionWords(document, item)
          return (
            <li
              key={`${item.jobId} ${item.key}`}
              className="flex flex-wrap items-center gap-3 border-t border-hair py-2"
              data-contradiction={item.key}
            >
              <p className="min-w-0 flex-1">
                <b>{words.what}</b>: the record says {words.recorded}, {item.label} showed <b>{words.found}</b>.
              </p>
              <button
                type="button"
                className="desk-button main"
                disabled={!mayDecide}
                onClick={() => void save([edited(document, item)!]).then((sentence) => setTrouble(sentence ?? ''))}
              >
                Take over
              </button>
              <button
                type="button"
                className="desk-button"
                disabled={!mayDecide}
                onClick={() =>
                  void done(
                    `${item.jobId} ${item.key}`,
                    acts.decline(item.jobId, { collection: item.collection, itemId: item.itemId, field: item.field }),
                  )
                }
              >
                Leave as recorded
              </button>
            </li>
          )
        })}
      </Section>
      {!mayDecide && contradictions.length + proposals.length + notes.length > 0 && (
        <p className="text-second">A lead decides about these.</p>
      )}
      <Section
        title="Proposed by jobs"
        count={proposals.length}
        empty="No job has found anything different that nobody has decided about."
      >
        {proposals.map((item) => {
          const settle = () =>
            Promise.all(item.evidence.map(({ jobId, eventId }) => acts.settleNote(jobId, eventId))).then(
              (sentences) => sentences.find((sentence) => sentence !== null) ?? null,
            )
          const takeOver = async () => {
            const sentence = item.edits.length > 0 ? await save(item.edits) : null
            return sentence ?? settle()
          }
          return (
            <li
              key={item.key}
              className="flex flex-wrap items-center gap-3 border-t border-hair py-2"
              data-proposal={item.key}
            >
              <div className="min-w-0 flex-1">
                <p>
                  <b>{itemWords(document, item.itemId)}</b>: {proposalWords(document, item)}
                </p>
                <p className="text-[15px] text-second">
                  {item.evidence
                    .map(
                      ({ label, personId, at }) =>
                        `${label}, ${people[personId] ?? 'somebody'}, ${dateWords(wallMsOf(at), 'day', zone)}`,
                    )
                    .join('; ')}
                </p>
              </div>
              <button type="button" className="jump" onClick={() => onGo(item.itemId)}>
                go there
              </button>
              <button
                type="button"
                className="desk-button main"
                disabled={!mayDecide}
                onClick={() => void done(item.key, takeOver())}
              >
                {item.edits.length > 0 ? 'Take over' : 'Worked in'}
              </button>
              <button
                type="button"
                className="desk-button"
                disabled={!mayDecide}
                onClick={() => void done(item.key, settle())}
              >
                Decline
              </button>
            </li>
          )
        })}
      </Section>
      {document.mirroredFrom !== '' && (
        <Section
          title={`Mirrored from ${document.mirroredFrom}: what does not mirror by itself`}
          count={unmirrored.length}
          empty="Everything mirrors by itself: no turn, no word that names a side."
        >
          {unmirrored.map((item, i) => (
            <li key={i} className="flex flex-wrap items-center gap-3 border-t border-hair py-2">
              <p className="min-w-0 flex-1">
                <b>{itemWords(document, item.itemId)}</b> {UNMIRRORED[item.kind]}: {item.words}
              </p>
              <button type="button" className="jump" onClick={() => onGo(item.itemId)}>
                go there
              </button>
            </li>
          ))}
          <li className="border-t border-hair py-2">
            <button
              type="button"
              className="desk-button"
              onClick={() =>
                void save([{ kind: 'about', field: 'mirroredFrom', from: document.mirroredFrom, to: '' }]).then(
                  (sentence) => setTrouble(sentence ?? ''),
                )
              }
            >
              All of it looked at
            </button>
          </li>
        </Section>
      )}
      <Section title="Notes to work in" count={notes.length} empty="No note waits.">
        {notes.map((note) => (
          <li
            key={note.eventId}
            className="flex flex-wrap items-center gap-3 border-t border-hair py-2"
            data-note={note.eventId}
          >
            <div className="min-w-0 flex-1">
              {note.voice ? (
                <audio
                  controls
                  preload="none"
                  src={mediaUrl(note.voice.id)}
                  className="h-10 max-w-full"
                  aria-label={`Spoken note, ${note.voice.seconds} seconds`}
                />
              ) : (
                <p>{note.text}</p>
              )}
              <p className="text-[15px] text-second">
                {[
                  note.itemId && itemWords(document, note.itemId),
                  note.label,
                  people[note.personId],
                  dateWords(wallMsOf(note.at), 'day', zone),
                ]
                  .filter(Boolean)
                  .join(', ')}
              </p>
            </div>
            {note.itemId && document.parts.some((part) => part.id === note.itemId) && (
              <button type="button" className="jump" onClick={() => onGo(note.itemId!)}>
                go there
              </button>
            )}
            <button
              type="button"
              className="desk-button"
              disabled={!mayDecide}
              onClick={() => void done(note.eventId, acts.settleNote(note.jobId, note.eventId))}
            >
              Worked in
            </button>
          </li>
        ))}
      </Section>
      <Section title="Photos" count={cleanUp.photos.length} empty="No photo yet.">
        {cleanUp.photos.length > 0 && (
          <li className="flex flex-wrap gap-3 border-t border-hair py-2">
            {cleanUp.photos.map(({ photoId, itemId, label }) => (
              <a key={photoId} href={mediaUrl(photoId)} target="_blank" rel="noreferrer" className="block w-40">
                {/* The thumbnail is made by the server and needs no further work. */}
                {/* eslint-disable-next-line @next/next/no-img-element */}
                <img
                  src={mediaUrl(photoId, 'small')}
                  alt={`Photo of ${itemId ? itemWords(document, itemId) : label}`}
                  className="h-28 w-40 border border-hair object-cover"
                  loading="lazy"
                />
                <span className="block truncate text-sm text-second">
                  {itemId ? itemWords(document, itemId) : label}
                </span>
              </a>
            ))}
          </li>
        )}
      </Section>
      <Section title="Parts that are one, or two" count={null} empty="">
        <li className="flex flex-wrap gap-2 border-t border-hair py-2">
          <button
            type="button"
            className="desk-button"
            disabled={!picked || document.parts.length < 2}
            onClick={() => setDialog('merge')}
          >
            {picked ? `${picked.name} is the same as …` : 'Pick a part first'}
          </button>
          {picked && (
            <button type="button" className="desk-button" onClick={() => setDialog('split')}>
              {picked.name} is really two
            </button>
          )}
        </li>
      </Section>
      {picked && (
        <>
          <Dialog title={`${picked.name} is the same as`} open={dialog === 'merge'} onClose={() => setDialog(null)}>
            <MergeForm document={document} partId={picked.id} save={save} close={() => setDialog(null)} />
          </Dialog>
          <Dialog title={`${picked.name} is really two`} open={dialog === 'split'} onClose={() => setDialog(null)}>
            <SplitForm document={document} partId={picked.id} save={save} close={() => setDialog(null)} />
          </Dialog>
        </>
      )}
    </div>
  )
}

const UNMIRRORED: Record<Unmirrored['kind'], string> = {
  turns: 'turns; is it the other way round here?',
  'says a side': 'names a side',
  'seen from the side': 'is seen from the side; is the other side meant?',
}

function Section({
  title,
  count,
  empty,
  children,
}: {
  title: string
  count: number | null
  empty: string
  children: React.ReactNode
}) {
  return (
    <section aria-label={title} className="mb-5">
      <h3 className="text-base">
        {title} {count !== null && <span className="num font-normal">{count}</span>}
      </h3>
      {count === 0 ? <p className="text-second">{empty}</p> : <ul>{children}</ul>}
    </section>
  )
}

type FormProps = { document: ProcedureDocument; partId: string; save: Props['save']; close: () => void }

function MergeForm({ document, partId, save, close }: FormProps) {
  const others = document.parts.filter((part) => part.id !== partId)
  const [other, setOther] = useState(others[0]?.id ?? '')
  const [trouble, setTrouble] = useState('')
  return (
    <div className="space-y-4">
      <SelectField
        label="The other one"
        value={other}
        onChange={(event) => setOther(event.target.value)}
        problem={trouble || undefined}
        help={`Its fasteners, plugs and needs come to the ${itemWords(document, partId).toLowerCase()}; its name becomes a synonym. What jobs did to it counts for both. Undo takes it back.`}
      >
        {others.map((part) => (
          <option key={part.id} value={part.id}>
            {part.name}
          </option>
        ))}
      </SelectField>
      <button
        type="button"
        className="desk-button main w-full"
        onClick={() =>
          void save(mergeEdits(document, partId, other)).then((sentence) => (sentence ? setTrouble(sentence) : close()))
        }
      >
        They are one part
      </button>
    </div>
  )
}

function SplitForm({ document, partId, save, close }: FormProps) {
  const [name, setName] = useState('')
  const [moves, setMoves] = useState<ReadonlySet<string>>(new Set())
  const [trouble, setTrouble] = useState('')
  const items = [
    ...document.holders
      .filter((holder) => holder.holds.includes(partId))
      .map((holder): [string, string] => [holder.id, holderWords(holder)]),
    ...document.tethers
      .filter((tether) => tether.partId === partId)
      .map((tether): [string, string] => [tether.id, `plug ${tether.name}`]),
  ]
  return (
    <div className="space-y-4">
      <TextField
        label="What is the second one called?"
        value={name}
        onChange={(event) => setName(event.target.value)}
        maxLength={80}
        problem={trouble || undefined}
      />
      <fieldset>
        <legend className="text-[15px] font-semibold">What belongs to the second one</legend>
        {items.map(([id, words]) => (
          <label key={id} className="flex min-h-9 items-center gap-2">
            <input
              type="checkbox"
              checked={moves.has(id)}
              onChange={(event) =>
                setMoves(new Set(event.target.checked ? [...moves, id] : [...moves].filter((other) => other !== id)))
              }
            />
            {words}
          </label>
        ))}
        {items.length === 0 && <p className="text-second">It has no fastener and no plug of its own.</p>}
      </fieldset>
      <button
        type="button"
        className="desk-button main w-full"
        disabled={name.trim() === ''}
        onClick={() =>
          void save(splitEdits(document, partId, { id: newId('part'), name: name.trim() }, [...moves])).then(
            (sentence) => (sentence ? setTrouble(sentence) : close()),
          )
        }
      >
        They are two parts
      </button>
    </div>
  )
}
