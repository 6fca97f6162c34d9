import type { FoundRun } from '@/core/plan/leads/leadLayout'
import type { ProcedureDocument } from '@/core/procedure/document'
import type { KitLead } from '@/core/shop/lead'
import { PanelMap } from '../map/PanelMap'
import { isOnView, WayChannels } from '../map/WayChannels'
import { leadLetter } from '../marks/leadLetter'

/** The leads drawn over every view of the record on which a way of theirs has its place. */
export function LeadMaps({
  document,
  runs,
  leads,
}: {
  document: ProcedureDocument
  runs: readonly FoundRun[]
  leads: readonly KitLead[]
}) {
  const drawn = runs.map((run, i) => ({
    letter: leadLetter(i),
    kind: leads.find(({ id }) => id === run.leadId)!.class,
    wayIds: run.legs.map(({ wayId }) => wayId),
  }))
  const taken = drawn.flatMap(({ wayIds }) => wayIds)
  const views = document.views.filter((view) => isOnView(document, view, taken))
  return views.map((view) => (
    <figure key={view.id} className="mt-4">
      <div className="h-[22rem] border border-hair bg-sheet">
        <PanelMap document={document} view={view} pickedId={null} onPick={() => undefined} leaders={false}>
          <WayChannels document={document} view={view} runs={drawn} />
        </PanelMap>
      </div>
      <figcaption className="text-second">{view.name}; the ways are not to scale</figcaption>
    </figure>
  ))
}
