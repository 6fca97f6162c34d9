'use client'
import { Download, Undo2 } from 'lucide-react'
import { useEffect, useState } from 'react'
import { FACT_COLLECTIONS, ITEM_SCHEMA, type FactCollection, type ProcedureDocument } from '@/core/procedure/document'
import { fieldEdits, type Edit } from '@/core/procedure/edit'
import type { Evidence } from '@/core/job/evidence'
import type { Strip } from '@/core/order/learntOrder'
import type { Problem } from '@/core/plan/check/problem'
import type { HouseWord } from '@/core/shop/houseWord'
import { MapEditor } from '../map/MapEditor'
import { usePrinting } from '../shell/usePrinting'
import { MapSheet } from '../map/MapSheet'
import { middleOf, zoneOf } from '../map/geometry'
import { Dialog } from '../shell/Dialog'
import { forbidsPublishing } from '@/core/plan/check/problem'
import { AboutForm } from './AboutForm'
import type { CleanUp } from '@/core/strip/cleanUp'
import { CleanUpTab, type CleanUpActs } from './CleanUpTab'
import { ConflictDialog } from './ConflictDialog'
import { FactTable } from './FactTable'
import { COLLECTION_WORDS } from './fieldSpecs'
import { ItemForm } from './ItemForm'
import { OrderTab } from '../order/OrderTab'
import { newId } from '@/client/newId'
import { blankItem } from '@/core/procedure/newItem'
import { SourceChoice } from './SourceChoice'
import { PartFacts } from './PartFacts'
import { ProblemList } from './ProblemList'
import { SayLine } from '../say/SayLine'
import { PhotosForForm, StationsForForm } from './SpecFields'
import { itemWords } from '@/words/items'
import { useDraft, type EditDraft } from './useDraft'
import type { Zone } from '@/words/dates'

export type ProcedureData = {
  id: string
  document: ProcedureDocument
  problems: Problem[]
  strips: Strip[]
  /** Stations the shop has besides the usual ones. */
  stations: string[]
  /** The shop's own words, for lines of shorthand. */
  words: HouseWord[]
  isDraft: boolean
  revision: { number: number; publishedWords: string; by: string } | null
  jobs: number
  mayPublish: boolean
  /** Who stated each thing, and who bore it out or found it otherwise. */
  evidence: ReadonlyMap<string, Evidence>
  /** What jobs have left for the desk, and who the people in it are. */
  cleanUp: CleanUp
  people: Record<string, string>
  /** The shop's time zone. */
  zone: Zone
}
export type Publish = (
  procedureId: string,
  note: string,
) => Promise<{ status: 'done'; number: number } | { status: 'refused'; sentence: string }>
type Form = { collection: FactCollection; item: { id: string }; isNew: boolean } | null

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
  const [tab, setTab] = useState<FactCollection | 'map' | 'order' | 'clean-up'>(
    document.parts.length === 0 ? 'parts' : 'map',
  )
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
  const waiting = data.cleanUp.notes.length + data.cleanUp.contradictions.length + data.cleanUp.proposals.length
  const isDraft = data.isDraft || draft.changed
  return (
    <>
      {printing && view && <MapSheet document={document} view={view} />}
      <div className="no-print grid grid-cols-1 lg:h-[calc(100dvh-54px)] lg:min-h-[640px] lg:grid-cols-[212px_minmax(0,1fr)_350px]">
        <aside className="border-hair py-4 lg:overflow-auto lg:border-r" aria-label="Views and parts">
          <div className="px-5">
            <h1 className="text-[24px]">{document.name}</h1>
            <button type="button" className="jump float-right min-h-8 text-[15px]" onClick={() => setNaming(true)}>
              rename
            </button>
            <p className="text-[15px] text-second">
              {isDraft
                ? data.revision
                  ? `draft after revision ${data.revision.number}`
                  : 'draft, not published'
                : `revision ${data.revision!.number}, ${data.revision!.publishedWords} by ${data.revision!.by}`}
              <br />
              {data.jobs} {data.jobs === 1 ? 'job' : 'jobs'} so far
            </p>
            <button
              type="button"
              className={`desk-button mt-2 w-full ${tab === 'clean-up' ? 'main' : ''}`}
              aria-pressed={tab === 'clean-up'}
              onClick={() => setTab('clean-up')}
            >
              Clean-up {waiting > 0 && <span className="num">{waiting}</span>}
            </button>
          </div>
          <SideList title="Views" add={() => add('views')} open={() => setTab('views')}>
            {document.views.map((item) => (
              <SideItem
                key={item.id}
                current={tab === 'map' && item.id === view?.id}
                onClick={() => (setViewId(item.id), setTab('map'))}
                name={item.name}
                code=""
              />
            ))}
          </SideList>
          <SideList title="Parts" add={() => add('parts')}>
            {document.parts.map((part) => {
              const onView = document.views.find((item) => item.id === part.outline?.viewId)
              return (
                <SideItem
                  key={part.id}
                  current={part.id === pickedId}
                  onClick={() => pick(part.id)}
                  name={part.name}
                  code={part.outline && onView ? zoneOf(onView, middleOf(part.outline.points)) : '–'}
                />
              )
            })}
          </SideList>
          <p className="px-5 pt-1 text-sm text-second">– not on the map yet</p>
        </aside>
        <section className="flex min-h-0 min-w-0 flex-col" aria-label="Map and facts">
          <div role="tablist" aria-label="Map or facts" className="flex flex-wrap gap-x-2.5 border-b-2 border-ink px-3">
            {(
              [
                'map',
                'order',
                'parts',
                'holders',
                'tethers',
                'needs',
                'settings',
                'cavities',
                'facets',
                'functions',
                'cautions',
              ] as const
            ).map((name) => (
              <button
                key={name}
                type="button"
                role="tab"
                aria-selected={tab === name}
                onClick={() => setTab(name)}
                className={`-mb-[2px] min-h-9 border-b-4 text-[13px] ${tab === name ? 'border-petrol font-bold' : 'border-transparent text-second hover:text-ink'}`}
              >
                {name === 'map' ? 'Map' : name === 'order' ? 'Order' : COLLECTION_WORDS[name].many}
                {name !== 'map' && name !== 'order' && (
                  <span className="num ml-0.5 font-normal">{document[name].length}</span>
                )}
              </button>
            ))}
          </div>
          <div className="h-[60dvh] min-h-[340px] px-2 lg:h-auto lg:flex-1">
            {tab === 'order' ? (
              <OrderTab
                document={document}
                strips={withImported(document, data.strips)}
                pickedId={pickedId}
                onPick={pick}
                onWhy={(id) => open('needs', id)}
                save={draft.save}
              />
            ) : tab === 'clean-up' ? (
              <CleanUpTab
                document={document}
                cleanUp={data.cleanUp}
                people={data.people}
                zone={data.zone}
                pickedId={pickedId}
                mayDecide={data.mayPublish}
                save={draft.save}
                acts={cleanUpActs}
                onGo={pick}
              />
            ) : tab !== 'map' ? (
              <FactTable
                key={tab}
                draft={draft}
                collection={tab}
                onOpen={(id) => open(tab, id)}
                onAdd={() => add(tab)}
              />
            ) : view ? (
              <MapEditor
                key={view.id}
                document={document}
                view={view}
                pickedId={pickedId}
                onPick={pick}
                save={draft.save}
              />
            ) : (
              <div className="max-w-xl space-y-3 p-6">
                <p className="text-xl">
                  No view yet. A view is what you see standing in one place: the dash from the seat, the left fairing.
                </p>
                <button type="button" className="desk-button main" onClick={() => add('views')}>
                  Add a view
                </button>
              </div>
            )}
          </div>
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
        <aside className="border-hair p-5 lg:overflow-auto lg:border-l" aria-label="The picked part">
          <div className="mb-4 flex flex-wrap items-center gap-2">
            <button type="button" className="desk-button" onClick={() => void undo()} disabled={!draft.canUndo}>
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
        <Dialog title="What is this model?" open={naming} onClose={() => setNaming(false)}>
          <AboutForm document={document} save={draft.save} close={() => setNaming(false)} />
        </Dialog>
        <Dialog
          title={
            form
              ? form.isNew
                ? `New ${COLLECTION_WORDS[form.collection].one}`
                : `Change ${COLLECTION_WORDS[form.collection].one}`
              : ''
          }
          open={form !== null}
          onClose={() => setForm(null)}
          wide
        >
          {form && (
            <StationsForForm value={data.stations}>
              <PhotosForForm
                value={data.cleanUp.photos.map(({ photoId, itemId, label }) => ({
                  photoId,
                  words: [itemId && itemWords(document, itemId), label].filter(Boolean).join(', '),
                }))}
              >
                <ItemForm
                  key={form.item.id}
                  document={document}
                  collection={form.collection}
                  item={form.item}
                  isNew={form.isNew}
                  save={saveItem}
                  close={() => setForm(null)}
                />
              </PhotosForForm>
            </StationsForForm>
          )}
        </Dialog>
        <ConflictDialog draft={draft} />
      </div>
    </>
  )
}

function SideList({
  title,
  add,
  open,
  children,
}: {
  title: string
  add: () => void
  open?: () => void
  children: React.ReactNode
}) {
  return (
    <section className="mt-4">
      <h2 className="flex items-center justify-between px-5 text-base">
        {open ? (
          <button
            type="button"
            className="min-h-8 font-bold hover:underline"
            onClick={open}
            aria-label={`${title} as a table`}
          >
            {title}
          </button>
        ) : (
          title
        )}
        <button type="button" className="jump min-h-8 px-1 text-[15px]" onClick={add} aria-label={`Add to ${title}`}>
          + add
        </button>
      </h2>
      <ul>{children}</ul>
    </section>
  )
}

function SideItem({
  current,
  onClick,
  name,
  code,
}: {
  current: boolean
  onClick: () => void
  name: string
  code: string
}) {
  return (
    <li>
      <button
        type="button"
        onClick={onClick}
        aria-current={current || undefined}
        className={`flex min-h-8 w-full items-center justify-between border-l-[6px] py-0.5 pl-3.5 pr-5 text-left text-[15px] ${current ? 'border-petrol bg-sheet font-bold' : 'border-transparent hover:bg-tint'}`}
      >
        <span className="min-w-0 truncate">{name}</span>
        <span className="num text-[13px] font-normal text-second">{code}</span>
      </button>
    </li>
  )
}

function PublishButton({
  id,
  may,
  isDraft,
  blocked,
  publish,
}: {
  id: string
  may: boolean
  isDraft: boolean
  blocked: boolean
  publish: Publish
}) {
  const [said, setSaid] = useState('')
  const [busy, setBusy] = useState(false)
  if (!isDraft) return null
  const go = async () => {
    setBusy(true)
    const outcome = await publish(id, '').catch(() => ({
      status: 'refused' as const,
      sentence: 'The shop can’t be reached. Try again when it can.',
    }))
    if (outcome.status === 'done') window.location.reload()
    else setSaid(outcome.sentence)
    setBusy(false)
  }
  return (
    <>
      <button type="button" className="desk-button main" disabled={!may || blocked || busy} onClick={() => void go()}>
        Publish
      </button>
      {(!may || blocked) && (
        <span className="text-sm text-second">
          {may ? 'mend what carries the circle of arrows first' : 'a lead publishes'}
        </span>
      )}
      {said && (
        <p role="alert" className="w-full font-semibold">
          {said}
        </p>
      )}
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

/** Strips seen here, and those that came with an imported record: they count the same. */
function withImported(document: ProcedureDocument, strips: readonly Strip[]): Strip[] {
  const here = new Set(strips.map(({ id }) => id))
  return [
    ...strips,
    ...document.strips.flatMap(({ label, sequence, brokeRule }) =>
      here.has(label) ? [] : [{ id: label, sequence, brokeRule }],
    ),
  ]
}
