import type { ReactNode } from 'react'
import type { Id } from '@/core/base/id'
import type { FactCollection, ProcedureDocument } from '@/core/procedure/document'
import type { Evidence } from '@/core/job/evidence'
import { clipPath } from '@/core/procedure/clipPath'
import type { Holder } from '@/core/procedure/holder'
import type { Part } from '@/core/procedure/part'
import { isAirbagCircuit } from '@/core/procedure/circuits'
import { zoneOf } from '../map/geometry'
import { DirectionSign } from '../marks/DirectionSign'
import { FastenerMark, shapeOf } from '../marks/FastenerMark'
import { LevelMark } from '../marks/LevelMark'
import { PlugMark } from '../marks/PlugMark'
import { AirbagFlag, SignalPlate } from '../marks/Signs'
import { evidenceWords } from '@/words/evidenceWords'
import { holderWords, itemWords, threadWords } from '@/words/items'
import { motionsWords, startWords } from '@/words/operations'
import type { Zone } from '@/words/dates'

type Props = {
  document: ProcedureDocument
  partId: Id
  evidence: ReadonlyMap<Id, Evidence>
  people: Record<string, string>
  zone: Zone
  onOpen: (collection: FactCollection, id: Id) => void
  onAdd: (collection: FactCollection) => void
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

/**
 * Everything about one part at once: what holds, ties, covers and traps it, what it hides, how it comes off and goes
 * back.
 */
export function PartFacts({ document, partId, evidence, people, zone, onOpen, onAdd }: Props) {
  const part = document.parts.find((item) => item.id === partId)
  if (!part) return null
  const name = (id: Id) => itemWords(document, id)
  const holders = document.holders.filter((holder) => holder.holds.includes(partId))
  const tethers = document.tethers.filter((tether) => tether.partId === partId)
  const about = document.needs.filter((need) => need.needs.kind === 'part' && need.needs.partId === partId)
  const trapped = document.needs.filter((need) => need.dependent.id === partId)
  const cautions = document.cautions.filter((caution) => caution.at.itemId === partId)
  const { release, refit } = part
  const seen = (id: Id) =>
    evidenceWords(evidence.get(id), people, zone).map((words) => (
      <span key={words} className="block text-[14px] text-second">
        {words}
      </span>
    ))
  const axis = release.motions[0]?.directions[0]
  const goesBack = [
    refit.before,
    refit.first,
    refit.align && `line up ${refit.align}`,
    refit.last,
    refit.confirm && `home when ${refit.confirm}`,
  ].filter(Boolean)
  const row = (key: string, mark: ReactNode, words: ReactNode, collection: FactCollection, id: Id) => (
    <li key={key} className="border-b border-hair">
      <button
        type="button"
        className="flex min-h-9 w-full items-start gap-3 py-1.5 text-left hover:bg-tint"
        onClick={() => onOpen(collection, id)}
      >
        <span className="mt-0.5 w-6 shrink-0">{mark}</span>
        <span className="min-w-0">{words}</span>
      </button>
    </li>
  )
  return (
    <div>
      <div className="flex items-start justify-between gap-2">
        <div>
          <h2 className="text-[28px]">{part.name}</h2>
          <p className="text-[15px] text-second">
            {[part.synonyms.join(', '), part.station].filter(Boolean).join(' · ')}
          </p>
          {seen(partId)}
        </div>
        <button type="button" className="desk-button" onClick={() => onOpen('parts', partId)}>
          Change
        </button>
      </div>
      <Facts title="Held by" add={() => onAdd('holders')} addWords="fastener">
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
              {covers.length > 0 && (
                <span className="block text-second">covered by the {covers.join(' and the ')}</span>
              )}
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
      <Facts title="Tied by" add={() => onAdd('tethers')} addWords="plug">
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
          partId,
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
            partId,
          ),
        )}
      </Facts>
      <Facts title="Hides, traps" add={() => onAdd('needs')} addWords="need">
        {about.map((need) =>
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
        {about.length === 0 && <li className="py-1.5 text-second">nothing</li>}
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
      {goesBack.length > 0 && (
        <Facts title="Goes back">
          {goesBack.map((words) => row(words, <span aria-hidden>↧</span>, <b>{words}</b>, 'parts', partId))}
        </Facts>
      )}
      {cautions.length > 0 && (
        <Facts title="Take care">
          {cautions.map((caution) =>
            row(
              caution.id,
              <span aria-hidden>!</span>,
              <>
                <SignalPlate severity={caution.severity} small /> {caution.sentence}
              </>,
              'cautions',
              caution.id,
            ),
          )}
        </Facts>
      )}
    </div>
  )
}

function Facts({
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
