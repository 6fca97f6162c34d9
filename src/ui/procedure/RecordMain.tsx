'use client'
import type { FactCollection, ProcedureDocument } from '@/core/procedure/document'
import type { Strip } from '@/core/order/learntOrder'
import { MapEditor } from '../map/MapEditor'
import type { CleanUpActs } from './CleanUpSections'
import { CleanUpTab } from './CleanUpTab'
import { FactTable } from './FactTable'
import { COLLECTION_WORDS } from './fieldSpecs'
import { OrderTab } from '../order/OrderTab'

import type { Draft } from './useDraft'
import type { View } from '@/core/procedure/view'
import type { ProcedureData, Tab } from './procedureData'
/** Map, order and the tables of facts. */
export function RecordTabs({
  document,
  tab,
  setTab,
}: {
  document: ProcedureDocument
  tab: Tab
  setTab: (tab: Tab) => void
}) {
  return (
    <div role="tablist" aria-label="Map or facts" className="flex flex-wrap gap-x-[7px] border-b-2 border-ink px-2">
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
          'waypoints',
          'ways',
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
  )
}

/** What the chosen tab shows. */
export function RecordMain({
  data,
  draft,
  tab,
  view,
  pickedId,
  pick,
  open,
  add,
  acts,
}: {
  data: ProcedureData
  draft: Draft
  tab: Tab
  view: View | undefined
  pickedId: string | null
  pick: (id: string) => void
  open: (collection: FactCollection, id: string) => void
  add: (collection: FactCollection) => void
  acts: CleanUpActs
}) {
  const { document } = draft
  return (
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
          acts={acts}
          onGo={pick}
        />
      ) : tab !== 'map' ? (
        <FactTable key={tab} draft={draft} collection={tab} onOpen={(id) => open(tab, id)} onAdd={() => add(tab)} />
      ) : view ? (
        <MapEditor key={view.id} document={document} view={view} pickedId={pickedId} onPick={pick} save={draft.save} />
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
  )
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
