'use client'
import type { ReactNode } from 'react'
import { mediaUrl } from '@/client/media'
import { wallMsOf } from '@/core/base/clock'
import type { ProcedureDocument } from '@/core/procedure/document'
import type { Edit } from '@/core/procedure/edit'
import { unmirroredOf, type Unmirrored } from '@/core/procedure/mirror'
import { edited, type CleanUp } from '@/core/strip/cleanUp'
import { proposalWords } from '@/words/proposalWords'
import { contradictionWords } from '@/words/contradictionWords'
import { itemWords } from '@/words/items'
import type { Contradiction } from '@/core/strip/toRecord'
import { dateWords, type Zone } from '@/words/dates'

export type CleanUpActs = {
  settleNote: (jobId: string, noteId: string) => Promise<string | null>
  decline: (jobId: string, what: Pick<Contradiction, 'collection' | 'itemId' | 'field'>) => Promise<string | null>
}
export /** What every list at the clean-up needs: the record, who may decide, and what a tap does. */
type Desk = {
  document: ProcedureDocument
  people: Record<string, string>
  zone: Zone
  mayDecide: boolean
  save: (edits: Edit[]) => Promise<string | null>
  acts: CleanUpActs
  onGo: (itemId: string) => void
  /** Runs it, and takes the row away unless a sentence comes back. */
  done: (key: string, run: Promise<string | null>) => Promise<void>
  tell: (sentence: string | null) => void
}

/** What a strip showed otherwise than the record has it. */
export function Contradictions({ desk, contradictions }: { desk: Desk; contradictions: CleanUp['contradictions'] }) {
  const { document, mayDecide, save, acts, done, tell } = desk
  return (
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
              onClick={() => void save([edited(document, item)!]).then((sentence) => tell(sentence))}
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
  )
}

/** What jobs found different, with who says so. */
export function Proposals({ desk, proposals }: { desk: Desk; proposals: CleanUp['proposals'] }) {
  const { document, people, zone, mayDecide, save, acts, onGo, done } = desk
  return (
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
  )
}

/** What of a mirrored record has to be looked at by hand. */
export function Mirrored({ desk }: { desk: Desk }) {
  const { document, save, onGo, tell } = desk
  const unmirrored = unmirroredOf(document)
  return (
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
              (sentence) => tell(sentence),
            )
          }
        >
          All of it looked at
        </button>
      </li>
    </Section>
  )
}

const UNMIRRORED: Record<Unmirrored['kind'], string> = {
  turns: 'turns; is it the other way round here?',
  'says a side': 'names a side',
  'seen from the side': 'is seen from the side; is the other side meant?',
}

export function Notes({ desk, notes }: { desk: Desk; notes: CleanUp['notes'] }) {
  const { document, people, zone, mayDecide, acts, onGo, done } = desk
  return (
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
  )
}

export function Photos({ document, photos }: { document: ProcedureDocument; photos: CleanUp['photos'] }) {
  return (
    <Section title="Photos" count={photos.length} empty="No photo yet.">
      {photos.length > 0 && (
        <li className="flex flex-wrap gap-3 border-t border-hair py-2">
          {photos.map(({ photoId, itemId, label }) => (
            <a key={photoId} href={mediaUrl(photoId)} target="_blank" rel="noreferrer" className="block w-40">
              {/* The thumbnail is made by the server and needs no further work. */}
              {/* eslint-disable-next-line @next/next/no-img-element */}
              <img
                src={mediaUrl(photoId, 'small')}
                alt={`Photo of ${itemId ? itemWords(document, itemId) : label}`}
                className="h-28 w-40 border border-hair object-cover"
                loading="lazy"
              />
              <span className="block truncate text-sm text-second">{itemId ? itemWords(document, itemId) : label}</span>
            </a>
          ))}
        </li>
      )}
    </Section>
  )
}

export function Section({
  title,
  count,
  empty,
  children,
}: {
  title: string
  count: number | null
  empty: string
  children: ReactNode
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
