'use client'
import type { FactCollection, ProcedureDocument } from '@/core/procedure/document'
import { middleOf, zoneOf } from '../map/geometry'
import { SideList, SideItem } from './SideList'

import type { ProcedureData, Tab } from './procedureData'
/** What the record is, its views and its parts. */
export function RecordAside({
  data,
  document,
  isDraft,
  tab,
  setTab,
  viewId,
  setViewId,
  pickedId,
  pick,
  add,
  rename,
}: {
  data: ProcedureData
  document: ProcedureDocument
  isDraft: boolean
  tab: Tab
  setTab: (tab: Tab) => void
  viewId: string | null
  setViewId: (id: string) => void
  pickedId: string | null
  pick: (id: string) => void
  add: (collection: FactCollection) => void
  rename: () => void
}) {
  const waiting = data.cleanUp.notes.length + data.cleanUp.contradictions.length + data.cleanUp.proposals.length
  return (
    <aside className="border-hair py-4 lg:overflow-auto lg:border-r" aria-label="Views and parts">
      <div className="px-5">
        <h1 className="text-[24px]">{document.name}</h1>
        <button type="button" className="jump float-right min-h-8 text-[15px]" onClick={rename}>
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
            current={tab === 'map' && item.id === viewId}
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
  )
}
