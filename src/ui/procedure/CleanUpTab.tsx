'use client'
import { useState } from 'react'
import type { ProcedureDocument } from '@/core/procedure/document'
import type { Edit } from '@/core/procedure/edit'
import { edited, type CleanUp } from '@/core/strip/cleanUp'
import { Dialog } from '../shell/Dialog'
import type { Zone } from '@/words/dates'
import {
  Contradictions,
  Mirrored,
  Notes,
  Photos,
  Proposals,
  Section,
  type CleanUpActs,
  type Desk,
} from './CleanUpSections'
import { MergeForm, SplitForm } from './OnePartForms'

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
  const picked = document.parts.find((part) => part.id === pickedId)
  const desk: Desk = {
    document,
    people,
    zone,
    mayDecide,
    save,
    acts,
    onGo,
    done,
    tell: (sentence) => setTrouble(sentence ?? ''),
  }
  return (
    <div className="h-full overflow-auto px-3 py-3">
      {trouble && (
        <p role="alert" className="mb-2 font-bold">
          {trouble}
        </p>
      )}
      <Contradictions desk={desk} contradictions={contradictions} />
      {!mayDecide && contradictions.length + proposals.length + notes.length > 0 && (
        <p className="text-second">A lead decides about these.</p>
      )}
      <Proposals desk={desk} proposals={proposals} />
      {document.mirroredFrom !== '' && <Mirrored desk={desk} />}
      <Notes desk={desk} notes={notes} />
      <Photos document={document} photos={cleanUp.photos} />
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
