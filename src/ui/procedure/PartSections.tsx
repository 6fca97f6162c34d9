import type { ReactNode } from 'react'
import type { Tether } from '@/core/procedure/tether'
import type { Id } from '@/core/base/id'
import type { FactCollection, ProcedureDocument } from '@/core/procedure/document'
import { clipPath } from '@/core/procedure/clipPath'
import type { Holder } from '@/core/procedure/holder'
import type { Part } from '@/core/procedure/part'
import { isAirbagCircuit } from '@/core/procedure/circuits'
import { zoneOf } from '../map/geometry'
import { DirectionSign } from '../marks/DirectionSign'
import { FastenerMark, shapeOf } from '../marks/FastenerMark'
import { LevelMark } from '../marks/LevelMark'
import { PlugMark } from '../marks/PlugMark'
import { AirbagFlag } from '../marks/Signs'
import { holderWords, itemWords, threadWords } from '@/words/items'
import { motionsWords, startWords } from '@/words/operations'

/** The part that is looked at: its record, who has seen a thing, and a row that opens it. */
export type About = {
  document: ProcedureDocument
  part: Part
  seen: (id: Id) => ReactNode
  row: (key: string, mark: ReactNode, words: ReactNode, collection: FactCollection, id: Id) => ReactNode
}

/**
 * What the marks of a group of clips tell: how far apart they stand, where one is likely missing, and marks off the
 * panel.
 */
function spacingWords(document: ProcedureDocument, part: Part, holder: Holder): string[] {
  const view = document.views.find((item) => item.id === part.outline?.viewId)
  const path = holder.kind.includes('clip') && view ? clipPath(part, holder) : null
  // Two clips have no spacing: going round from one to the other says nothing.
  if (!path || !view || path.marks.length < 3) return []
  // A photo's millimetres are only in proportion: no spacing is told from them.
  if (!document.views.find((view) => view.id === part.outline?.viewId)?.measured) return []
  const [least, most] = path.spacingMm
  const spots = [...new Set(path.likely.map(({ x, y }) => zoneOf(view, [x, y])))]
  return [
    `${least === most ? least : `${least} to ${most}`} mm apart along the edge`,
    ...(spots.length > 0
      ? [
          `${path.likely.length === 1 ? 'one more is' : `${path.likely.length} more are`} likely at ${spots.join(', ')}: look there`,
        ]
      : []),
    ...(path.outside.length > 0
      ? [`${path.outside.length === 1 ? 'a mark lies' : `${path.outside.length} marks lie`} off the panel`]
      : []),
  ]
}

export function HeldBy({ about, holders, add }: { about: About; holders: readonly Holder[]; add: () => void }) {
  const { document, part, seen, row } = about
  const name = (id: Id) => itemWords(document, id)
  return (
    <Facts title="Held by" add={add} addWords="fastener">
      {holders.map((holder) => {
        const covers = document.needs.flatMap((need) =>
          need.reason === 'covers' && need.dependent.id === holder.id && need.needs.kind === 'part'
            ? [`${name(need.needs.partId).toLowerCase()} (${need.needs.level})`]
            : [],
        )
        return row(
          holder.id,
          <FastenerMark shape={shapeOf(holder)} hidden={covers.length > 0} />,
          <>
            <b>
              {holderWords(holder)}
              {covers.length > 0 && ', hidden'}
            </b>{' '}
            {threadWords(holder)}
            {covers.length > 0 && <span className="block text-second">covered by the {covers.join(' and the ')}</span>}
            {seen(holder.id)}
            {spacingWords(document, part, holder).map((words) => (
              <span key={words} className="block text-second">
                {words}
              </span>
            ))}
          </>,
          'holders',
          holder.id,
        )
      })}
      {holders.length === 0 && (
        <li className="py-1.5 text-second">{part.fixing === 'fastened' ? 'nothing recorded yet' : part.fixing}</li>
      )}
    </Facts>
  )
}

export function TiedBy({
  about: { seen, row },
  tethers,
  add,
}: {
  about: About
  tethers: readonly Tether[]
  add: () => void
}) {
  return (
    <Facts title="Tied by" add={add} addWords="plug">
      {tethers.map((tether) =>
        row(
          tether.id,
          <PlugMark tether={tether} />,
          <>
            <b>{tether.name}</b>
            {tether.tabSide && `, tab: ${tether.tabSide}`}
            {isAirbagCircuit(tether) && (
              <span className="ml-2 align-middle">
                <AirbagFlag />
              </span>
            )}
            {seen(tether.id)}
          </>,
          'tethers',
          tether.id,
        ),
      )}
      {tethers.length === 0 && <li className="py-1.5 text-second">nothing</li>}
    </Facts>
  )
}

export function ComesOff({ about: { document, part, row } }: { about: About }) {
  const { release } = part
  const axis = release.motions[0]?.directions[0]
  return (
    <Facts title="Comes off">
      {row(
        'release',
        axis ? (
          <DirectionSign
            axis={axis}
            looking={document.views.find((view) => view.id === part.outline?.viewId)?.looking}
            size={24}
          />
        ) : (
          <span />
        ),
        <>
          <b>{motionsWords(part) || 'not said yet'}</b>
          {release.start && `, ${startWords(release.start)}`}
          {release.mustNot && <span className="block">{release.mustNot}</span>}
        </>,
        'parts',
        part.id,
      )}
      {part.rests.map((rest) =>
        row(
          rest.how,
          <LevelMark level={rest.level} />,
          <>
            <b>may rest {rest.level}</b>: {rest.how}
            {rest.note && `, ${rest.note}`}
          </>,
          'parts',
          part.id,
        ),
      )}
    </Facts>
  )
}

export function NeedsOf({ about, add }: { about: About; add: () => void }) {
  const { document, part, row } = about
  const name = (id: Id) => itemWords(document, id)
  const hidden = document.needs.filter((need) => need.needs.kind === 'part' && need.needs.partId === part.id)
  const trapped = document.needs.filter((need) => need.dependent.id === part.id)
  return (
    <>
      <Facts title="Hides, traps" add={add} addWords="need">
        {hidden.map((need) =>
          row(
            need.id,
            <span aria-hidden>▨</span>,
            <>
              <b>{need.reason === 'covers' ? 'covers' : need.reason}</b> {name(need.dependent.id)} (until{' '}
              {need.needs.kind === 'part' ? need.needs.level : ''})
            </>,
            'needs',
            need.id,
          ),
        )}
        {hidden.length === 0 && <li className="py-1.5 text-second">nothing</li>}
      </Facts>
      <Facts title="Waits for">
        {trapped.map((need) =>
          row(
            need.id,
            <span aria-hidden>◫</span>,
            <>
              <b>
                {need.needs.kind === 'part'
                  ? name(need.needs.partId)
                  : need.needs.kind === 'setting'
                    ? name(need.needs.settingId)
                    : need.needs.kind === 'tether'
                      ? name(need.needs.tetherId)
                      : need.needs.kind === 'operation'
                        ? name(need.needs.id)
                        : need.needs.station}
              </b>{' '}
              {need.needs.kind === 'part' ? need.needs.level : need.needs.kind === 'setting' ? need.needs.value : ''}{' '}
              <span className="text-second">({need.reason})</span>
            </>,
            'needs',
            need.id,
          ),
        )}
        {trapped.length === 0 && <li className="py-1.5 text-second">nothing traps it</li>}
      </Facts>
    </>
  )
}

export function Facts({
  title,
  add,
  addWords,
  children,
}: {
  title: string
  add?: () => void
  addWords?: string
  children: ReactNode
}) {
  return (
    <section className="mt-3">
      <h3 className="flex items-end justify-between border-b-2 border-ink">
        {title}
        {add && (
          <button type="button" className="jump min-h-8 text-[15px]" onClick={add}>
            + {addWords}
          </button>
        )}
      </h3>
      <ul>{children}</ul>
    </section>
  )
}
