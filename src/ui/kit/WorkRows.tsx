'use client'
import { newId } from '@/client/newId'
import type { Facet } from '@/core/procedure/facet'
import { BENCH } from '@/core/procedure/stations'
import type { Kit } from '@/core/shop/kit'
import { PLACED, type Placed } from '@/core/shop/placingRules'
import { WORK_KINDS, WorkItem } from '@/core/shop/workItem'
import { CheckList } from '../forms/CheckList'
import { SelectField, TextField } from '../forms/Field'
import type { KitEdited } from './KitRows'
import { NumberField, Row, Rows, Select } from './kitFields'
import { PictureField } from './PictureField'
import { WhenPicker } from './WhenPicker'
import { WorkSteps } from './WorkSteps'

/** The work a kit does, each piece with what it comes after. */
export function WorkRows({ kit, set, places, facets }: KitEdited & { places: string[]; facets: readonly Facet[] }) {
  return (
    <Rows
      title="Work, in any order"
      add="Add work"
      onAdd={() =>
        set({
          works: [
            ...kit.works,
            { ...WorkItem.parse({ id: newId('work'), name: 'new', kind: 'mount', durationS: 120 }), name: '' },
          ],
        })
      }
      empty="No work yet: the kit would only open and close."
    >
      {kit.works.map((work, i) => {
        const change = (more: Partial<typeof work>) => set({ works: kit.works.with(i, { ...work, ...more }) })
        return (
          <Row key={work.id} name={work.name} onRemove={() => set({ works: kit.works.toSpliced(i, 1) })}>
            <TextField
              className="lg:col-span-2"
              label="What is done"
              value={work.name}
              onChange={(event) => change({ name: event.target.value })}
            />
            <Select
              label="Kind"
              value={work.kind}
              options={WORK_KINDS.filter((kind) => kind !== 'bypass a signal')}
              onChange={(kind) => change({ kind: kind as typeof work.kind })}
            />
            <Select label="From" value={work.station} options={places} onChange={(station) => change({ station })} />
            <NumberField label="Takes (s)" value={work.durationS} onChange={(durationS) => change({ durationS })} />
            <TextField label="With" value={work.tool} onChange={(event) => change({ tool: event.target.value })} />
            <NumberField label="Persons" value={work.persons} onChange={(persons) => change({ persons })} />
            <NumberField
              label="Then waits (s)"
              help="Glue, cooling, a first start."
              value={work.unattendedS}
              onChange={(unattendedS) => change({ unattendedS })}
            />
            <CheckList
              className="lg:col-span-4"
              label="After"
              options={kit.works
                .filter((other) => other.id !== work.id)
                .map((other): [string, string] => [other.id, other.name || 'unnamed work'])
                .concat(kit.leads.map((lead) => [lead.id, `${lead.name || 'unnamed lead'} is laid`]))}
              chosen={work.afterWork}
              onChange={(afterWork) => change({ afterWork })}
            />
            <WorkSteps kit={kit} work={work} facets={facets} change={(steps) => change({ steps })} />
            <MoreOfWork kit={kit} work={work} change={change} />
            <WhenPicker facets={facets} when={work.when} onChange={(when) => change({ when })} />
          </Row>
        )
      })}
    </Rows>
  )
}

/** What is seldom needed: what else it takes and uses up, who holds what, what to mind. */
function MoreOfWork({ kit, work, change }: { kit: Kit; work: WorkItem; change: (more: Partial<WorkItem>) => void }) {
  const list = (text: string) => text.split(',').map((word) => word.trimStart())
  const kept = (words: string[]) => words.filter((word) => word.trim() !== '')
  return (
    <details className="sm:col-span-2 lg:col-span-4">
      <summary className="min-h-8 cursor-pointer text-[15px] text-second">
        {[
          work.alsoTools.length > 0 && `also ${work.alsoTools.join(', ')}`,
          work.consumables.length > 0 && `uses ${work.consumables.join(', ')}`,
          work.heldMeanwhile && `held: ${work.heldMeanwhile}`,
          work.note,
          work.placing && `finds a place for a ${work.placing.of}`,
        ]
          .filter(Boolean)
          .join('; ') || 'more tools, what it uses up, what is held, a place to judge, a note'}
      </summary>
      <div className="grid gap-3 pb-2 sm:grid-cols-2">
        <TextField
          label="Also with"
          help="Separate with commas."
          defaultValue={work.alsoTools.join(', ')}
          onChange={(event) => change({ alsoTools: kept(list(event.target.value)).slice(0, 12) })}
        />
        <TextField
          label="Uses up"
          help="Tape, cleaner: on the bag list, and not counted back."
          defaultValue={work.consumables.join(', ')}
          onChange={(event) => change({ consumables: kept(list(event.target.value)).slice(0, 12) })}
        />
        <TextField
          label="Held meanwhile"
          help="By a second hand or person: the glass, the carrier."
          value={work.heldMeanwhile}
          maxLength={80}
          onChange={(event) => change({ heldMeanwhile: event.target.value })}
        />
        <TextField
          label="Mind"
          value={work.note}
          maxLength={300}
          onChange={(event) => change({ note: event.target.value })}
        />
      </div>
      <div className="grid gap-3 pb-2 sm:grid-cols-2">
        <Select
          label="Finds a place for"
          value={work.placing?.of ?? 'nothing'}
          options={['nothing', ...PLACED]}
          onChange={(of) =>
            change({ placing: of === 'nothing' ? null : { of: of as Placed, partId: work.placing?.partId ?? null } })
          }
        />
        <PictureField value={work.photoId} onChange={(photoId) => change({ photoId })} />
        {work.placing && (
          <SelectField
            label="Which one"
            value={work.placing.partId ?? ''}
            onChange={(event) => change({ placing: { ...work.placing!, partId: event.target.value || null } })}
          >
            <option value="">not said</option>
            {kit.parts.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </SelectField>
        )}
      </div>
      {work.station === BENCH && <p className="text-second">At the bench: it needs nothing of the vehicle open.</p>}
    </details>
  )
}
