'use client'
import { levelNow } from '@/core/job/fold'
import { fieldEdits } from '@/core/procedure/edit'
import type { Part } from '@/core/procedure/part'
import { contradictionsOf } from '@/core/strip/toRecord'
import { FastenerMark, shapeOf } from '../marks/FastenerMark'
import { PlugMark } from '../marks/PlugMark'
import { holderWords, itemWords } from '@/words/items'
import { contradictionWords } from '@/words/contradictionWords'
import { motionsWords, startWords } from '@/words/operations'
import { StartCorner } from './StartCorner'
import type { LiveStrip } from './useStrip'

/**
 * The facts of the part in hand, and the few that take one tap: where it is begun at, how it is held without
 * fasteners, brittle, two people, in how many pieces it comes.
 */
export function PartKnown({ strip, part }: { strip: LiveStrip; part: Part }) {
  const { document, state } = strip.job
  const holders = document.holders.filter((holder) => holder.holds.includes(part.id))
  const tethers = document.tethers.filter((tether) => tether.partId === part.id)
  const waits = document.needs.filter(
    (need) => need.dependent.id === part.id || holders.some((holder) => holder.id === need.dependent.id),
  )
  const change = (to: Partial<Part>, said: string) =>
    strip.state(fieldEdits('parts', part, { ...part, ...to } as Part), said)
  const release = [part.release.start && startWords(part.release.start), motionsWords(part), part.release.mustNot]
    .filter(Boolean)
    .join(', ')
  const level = levelNow(state, part.id)
  const out = (id: string) => (state.holders.get(id)?.undone ?? 0) > 0 || state.tethersOpen.has(id)
  const recorded = new Set(strip.base.holders.map(({ id }) => id))
  const ids = new Set([part.id, ...holders.map(({ id }) => id), ...tethers.map(({ id }) => id)])
  const otherwise = contradictionsOf(strip.base, document).filter(
    ({ itemId, field }) => ids.has(itemId) && field !== 'positions',
  )
  // On top of a record one tap says that it is as written; only what differs is caught.
  const waiting = [...holders, ...tethers].filter((item) => !out(item.id))
  const asWritten = () =>
    strip.happen([
      ...holders
        .filter((holder) => !out(holder.id))
        .map((holder) => ({ kind: 'undone' as const, holderId: holder.id, count: holder.count })),
      ...(level === 'in place' ? [{ kind: 'part at' as const, partId: part.id, level: 'free' as const }] : []),
      ...tethers
        .filter((tether) => !out(tether.id))
        .map((tether) => ({ kind: 'opened' as const, tetherId: tether.id })),
    ])
  return (
    <section aria-label={`Known of the ${part.name}`}>
      <h2 className="text-[25px]">{part.name}, as told</h2>
      <ul className="mt-1 text-[19px]">
        {holders.map((holder) => (
          <li key={holder.id} className="flex min-h-11 items-center gap-3 border-b border-hair">
            <FastenerMark shape={shapeOf(holder)} size={26} /> {holderWords(holder)}{' '}
            <span className="ml-auto text-[17px] text-second">
              {out(holder.id)
                ? recorded.has(holder.id)
                  ? otherwise.some(({ itemId }) => itemId === holder.id)
                    ? 'out'
                    : 'out, as recorded'
                  : 'out'
                : 'by the record'}
            </span>
          </li>
        ))}
        {tethers.map((tether) => (
          <li key={tether.id} className="flex min-h-11 items-center gap-3 border-b border-hair">
            <PlugMark tether={tether} size={28} /> {tether.name}{' '}
            <span className="ml-auto text-[17px] text-second">
              {out(tether.id) ? (tether.tabSide ? `open, tab ${tether.tabSide}` : 'open') : 'by the record'}
            </span>
          </li>
        ))}
        {waits.map(
          (need) =>
            need.needs.kind === 'part' && (
              <li key={need.id} className="min-h-11 border-b border-hair py-2">
                {need.reason === 'covers' ? 'behind the' : 'after the'}{' '}
                {itemWords(document, need.needs.partId).toLowerCase()}
              </li>
            ),
        )}
        {(part.brittle || part.persons > 1 || part.pieces > 1) && (
          <li className="min-h-11 border-b border-hair py-2">
            {[
              part.brittle && 'brittle',
              part.persons > 1 && `${part.persons} people`,
              part.pieces > 1 && `${part.pieces} pieces`,
            ]
              .filter(Boolean)
              .join(', ')}
          </li>
        )}
        {release && <li className="min-h-11 border-b border-hair py-2">{release}</li>}
      </ul>
      {otherwise.map((item) => {
        const words = contradictionWords(document, item)
        return (
          <p
            key={`${item.itemId} ${item.field}`}
            className="mt-2 flex gap-3 border-l-4 border-ink pl-3 text-[19px]"
            data-contradiction={item.field}
          >
            <span>
              <b>Contradiction.</b> {words.what}: {words.found} here, the record says {words.recorded}.
            </span>
          </p>
        )
      })}
      {waiting.length > 0 && level !== 'off' && (
        <button type="button" className="slab mt-3 w-full !text-xl" onClick={asWritten}>
          As written: {waiting.map((item) => ('count' in item ? holderWords(item) : `plug ${item.name}`)).join(', ')}
        </button>
      )}
      <div className="mt-3 flex flex-wrap gap-2">
        {holders.length === 0 && part.fixing === 'fastened' && (
          <>
            <Tap words="Press fit" onClick={() => change({ fixing: 'press fit' }, `${part.name} press fit`)} />
            <Tap words="It only rests" onClick={() => change({ fixing: 'rests' }, `${part.name} rests`)} />
          </>
        )}
        {!part.brittle && <Tap words="Brittle" onClick={() => change({ brittle: true }, `${part.name} brittle`)} />}
        {part.persons < 2 && (
          <Tap words="Two people" onClick={() => change({ persons: 2 }, `${part.name} two people`)} />
        )}
        {part.pieces < MOST_PIECES && (
          <Tap
            words={`${part.pieces + 1} pieces`}
            onClick={() => change({ pieces: part.pieces + 1 }, `${part.name} ${part.pieces + 1} pieces`)}
          />
        )}
      </div>
      {part.release.start === '' && (
        <StartCorner
          name={part.name}
          onStart={(start) => change({ release: { ...part.release, start } }, `${part.name} start ${start}`)}
        />
      )}
    </section>
  )
}

/** More than a hand lays down at once are parts of their own. */
const MOST_PIECES = 6

function Tap({ words, onClick }: { words: string; onClick: () => void }) {
  return (
    <button type="button" className="ghost !min-h-12 !px-2.5 text-base" onClick={onClick}>
      {words}
    </button>
  )
}
