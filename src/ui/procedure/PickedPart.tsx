'use client'
import { Download, Undo2 } from 'lucide-react'
import type { FactCollection } from '@/core/procedure/document'
import { forbidsPublishing } from '@/core/plan/check/problem'
import { SourceChoice } from './SourceChoice'
import { PartFacts } from './PartFacts'
import { SayLine } from '../say/SayLine'
import { PublishButton, type Publish } from './PublishButton'

import type { Draft } from './useDraft'
import type { ProcedureData } from './procedureData'
/** The picked part with its facts, and what is done with the whole record. */
export function PickedPart({
  data,
  draft,
  isDraft,
  pickedId,
  setPickedId,
  said,
  undo,
  publish,
  open,
  add,
}: {
  data: ProcedureData
  draft: Draft
  isDraft: boolean
  pickedId: string | null
  setPickedId: (id: string) => void
  said: string
  undo: () => void
  publish: Publish
  open: (collection: FactCollection, id: string) => void
  add: (collection: FactCollection) => void
}) {
  const { document } = draft
  return (
    <aside className="border-hair p-5 lg:overflow-auto lg:border-l" aria-label="The picked part">
      <div className="mb-4 flex flex-wrap items-center gap-2">
        <button type="button" className="desk-button" onClick={undo} disabled={!draft.canUndo}>
          <Undo2 size={16} aria-hidden /> Undo
        </button>
        <a className="desk-button" href={`/procedures/${data.id}/export`} download>
          <Download size={16} aria-hidden /> Export
        </a>
        <PublishButton
          id={data.id}
          may={data.mayPublish}
          isDraft={isDraft}
          blocked={draft.problems.some(forbidsPublishing)}
          publish={publish}
        />
        <span className="text-[15px] text-second" role="status">
          {draft.saving ? 'saving…' : said || (draft.changed ? 'saved' : '')}
        </span>
      </div>
      <SourceChoice source={draft.source} onChange={draft.setSource} />
      <SayLine document={document} words={data.words} partId={pickedId} save={draft.save} onNewPart={setPickedId} />
      {pickedId ? (
        <PartFacts
          document={document}
          partId={pickedId}
          evidence={draft.evidence}
          people={data.people}
          zone={data.zone}
          onOpen={open}
          onAdd={add}
        />
      ) : (
        <p className="text-second">No part yet. Add the first one: what comes off first.</p>
      )}
    </aside>
  )
}
