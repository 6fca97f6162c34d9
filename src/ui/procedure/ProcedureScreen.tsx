'use client'
import { useEffect, useState } from 'react'
import { FACT_COLLECTIONS, ITEM_SCHEMA, type FactCollection } from '@/core/procedure/document'
import { fieldEdits, type Edit } from '@/core/procedure/edit'
import { usePrinting } from '../shell/usePrinting'
import { MapSheet } from '../map/MapSheet'
import { Dialog } from '../shell/Dialog'
import { AboutForm } from './AboutForm'
import type { CleanUpActs } from './CleanUpSections'
import { ConflictDialog } from './ConflictDialog'
import { newId } from '@/client/newId'
import { blankItem } from '@/core/procedure/newItem'
import { ProblemList } from './ProblemList'
import { useDraft, type EditDraft } from './useDraft'
import type { Publish } from './PublishButton'
import { FactDialog } from './FactDialog'
import { PickedPart } from './PickedPart'
import type { Form, ProcedureData, Tab } from './procedureData'
import { RecordAside } from './RecordAside'
import { RecordMain, RecordTabs } from './RecordMain'

/** The record of a model: the panel map in the middle, its facts beside it and as tables, its problems below. */
export function ProcedureScreen({
  data,
  editDraft,
  publish,
  cleanUpActs,
}: {
  data: ProcedureData
  editDraft: EditDraft
  publish: Publish
  cleanUpActs: CleanUpActs
}) {
  const draft = useDraft(data.id, data, editDraft)
  const printing = usePrinting()
  const { document } = draft
  const [tab, setTab] = useState<Tab>(document.parts.length === 0 ? 'parts' : 'map')
  const [viewId, setViewId] = useState(document.views[0]?.id ?? null)
  const [pickedId, setPickedId] = useState<string | null>(
    document.parts.find((part) => part.outline)?.id ?? document.parts[0]?.id ?? null,
  )
  const [form, setForm] = useState<Form>(null)
  const [said, setSaid] = useState('')
  const [naming, setNaming] = useState(false)
  const view = document.views.find((item) => item.id === viewId) ?? document.views[0]

  const pick = (id: string) => {
    setPickedId(id)
    const outline = document.parts.find((part) => part.id === id)?.outline
    if (outline) setViewId(outline.viewId)
  }
  const open = (collection: FactCollection, id: string) => {
    const item = (document[collection] as { id: string }[]).find((other) => other.id === id)
    if (item) setForm({ collection, item, isNew: false })
  }
  const add = (collection: FactCollection) =>
    setForm({ collection, item: blankItem(document, collection, pickedId, newId), isNew: true })
  const go = (itemId: string) => {
    const collection = FACT_COLLECTIONS.find((name) => document[name].some((item) => item.id === itemId))
    if (!collection) return
    if (collection === 'parts') pick(itemId)
    open(collection, itemId)
  }
  const saveItem = async (item: { id: string }, needs: { id: string }[]): Promise<string | null> => {
    const { collection, isNew, item: before } = form!
    const whole = ITEM_SCHEMA[collection].parse(item) as { id: string }
    const edits: Edit[] = isNew
      ? [{ kind: 'add', collection, item: whole, after: null }]
      : fieldEdits(collection, before, whole)
    const sentence = await draft.save([
      ...edits,
      ...needs.map((need): Edit => ({ kind: 'add', collection: 'needs', item: need, after: null })),
    ])
    if (!sentence && isNew && collection === 'parts') setPickedId(item.id)
    if (!sentence && isNew && collection === 'views') setViewId(item.id)
    return sentence
  }
  const undo = async () => setSaid((await draft.undo()) ?? '')
  useUndoKey(undo)
  const isDraft = data.isDraft || draft.changed
  return (
    <>
      {printing && view && <MapSheet document={document} view={view} />}
      <div className="no-print grid grid-cols-1 lg:h-[calc(100dvh-54px)] lg:min-h-[640px] lg:grid-cols-[212px_minmax(0,1fr)_350px]">
        <RecordAside
          data={data}
          document={document}
          isDraft={isDraft}
          tab={tab}
          setTab={setTab}
          viewId={view?.id ?? null}
          setViewId={setViewId}
          pickedId={pickedId}
          pick={pick}
          add={add}
          rename={() => setNaming(true)}
        />
        <section className="flex min-h-0 min-w-0 flex-col" aria-label="Map and facts">
          <RecordTabs document={document} tab={tab} setTab={setTab} />
          <RecordMain
            data={data}
            draft={draft}
            tab={tab}
            view={view}
            pickedId={pickedId}
            pick={pick}
            open={open}
            add={add}
            acts={cleanUpActs}
          />
          <div
            className={`min-h-0 shrink-0 overflow-auto border-t-2 border-ink px-4 pt-2 ${tab === 'order' ? 'max-h-[18%]' : 'max-h-[30%]'}`}
          >
            <ProblemList
              document={document}
              problems={draft.problems}
              onGo={go}
              onMend={(edits) =>
                void draft.save(edits).then((sentence) => setSaid(sentence ?? 'mended; Undo takes it back'))
              }
            />
          </div>
        </section>
        <PickedPart
          data={data}
          draft={draft}
          isDraft={isDraft}
          pickedId={pickedId}
          setPickedId={setPickedId}
          said={said}
          undo={() => void undo()}
          publish={publish}
          open={open}
          add={add}
        />
        <Dialog title="What is this model?" open={naming} onClose={() => setNaming(false)}>
          <AboutForm document={document} save={draft.save} close={() => setNaming(false)} />
        </Dialog>
        <FactDialog data={data} document={document} form={form} save={saveItem} close={() => setForm(null)} />
        <ConflictDialog draft={draft} />
      </div>
    </>
  )
}

/** Ctrl+Z outside of fields takes back the last saved change. */
function useUndoKey(undo: () => Promise<void>): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (
        !(event.ctrlKey || event.metaKey) ||
        event.key.toLowerCase() !== 'z' ||
        /INPUT|TEXTAREA|SELECT/.test((event.target as HTMLElement).tagName)
      )
        return
      event.preventDefault()
      void undo()
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  })
}
