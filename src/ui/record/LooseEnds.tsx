'use client'
import { useState } from 'react'
import type { Id } from '@/core/base/id'
import { isAirbagCircuit } from '@/core/procedure/circuits'
import { mayRestFree } from '@/core/procedure/resting'
import { offeredFor, takeLooseEnds, underCover, type LooseEnd } from '@/core/strip/looseEnds'
import { levelNow } from '@/core/job/fold'
import { FastenerMark, shapeOf } from '../marks/FastenerMark'
import { LevelMark } from '../marks/LevelMark'
import { PlugMark } from '../marks/PlugMark'
import { AirbagFlag } from '../marks/Signs'
import { newId } from '@/client/newId'
import { holderWords, itemWords } from '@/words/items'
import type { LiveStrip } from './useStrip'

/**
 * The loose ends to be settled for the part that has come forward; none while it is in place or once it was answered.
 */
export function offerFor(strip: LiveStrip): LooseEnd[] {
  const { job, inHand } = strip
  if (inHand === null || levelNow(job.state, inHand) === 'in place' || job.state.questionsPutOff.has(`loose:${inHand}`))
    return []
  const offered = offeredFor(job.document, job.state, inHand)
  // That a part came off earlier is no reason by itself: it is offered where something was undone under it before
  // anybody knew what for.
  const likely = offered.filter(
    (loose) => loose.kind !== 'cover' || underCover(job.document, job.state, loose.id).length > 0,
  )
  return likely.some((loose) => loose.kind !== 'cover') ? likely : []
}

/**
 * "The surround came off. Did these hold it?": one tap takes all, or each by itself. What is left stays a loose end.
 */
export function LooseEnds({ strip, offered }: { strip: LiveStrip; offered: readonly LooseEnd[] }) {
  const { job, inHand } = strip
  const [left, setLeft] = useState<ReadonlySet<Id>>(new Set())
  const [picking, setPicking] = useState(false)
  const part = job.document.parts.find((item) => item.id === inHand)!
  const taken = offered.filter(({ id }) => !left.has(id))
  const settle = (ids: readonly Id[]) => {
    const edits = takeLooseEnds(job.document, job.state, ids, part.id, newId)
    strip.happen([
      ...(edits.length > 0 ? [{ kind: 'stated' as const, said: '', edits }] : []),
      ...(ids.length < offered.length ? [{ kind: 'question put off' as const, question: `loose:${part.id}` }] : []),
    ])
  }
  return (
    <section aria-label="Loose ends" className="flex min-h-0 flex-col">
      <h2 className="text-[25px]">
        The {part.name.toLowerCase()} came {levelNow(job.state, part.id) === 'off' ? 'off' : 'free'}. Did these hold it?
      </h2>
      <ul className="mt-2 min-h-0 flex-1 overflow-y-auto">
        {offered.map((loose) => (
          <li key={loose.id} className="border-b border-hair">
            <label className={`flex min-h-16 items-center gap-3 py-2 ${picking ? 'cursor-pointer' : ''}`}>
              {picking && (
                <input
                  type="checkbox"
                  className="size-7 shrink-0"
                  checked={!left.has(loose.id)}
                  onChange={(event) =>
                    setLeft(
                      new Set(event.target.checked ? [...left].filter((id) => id !== loose.id) : [...left, loose.id]),
                    )
                  }
                />
              )}
              <LooseRow loose={loose} strip={strip} />
            </label>
          </li>
        ))}
      </ul>
      <div className="mt-3 grid grid-cols-[2fr_1fr] gap-2">
        <button
          type="button"
          className="slab !min-h-[72px] !text-[25px]"
          onClick={() => settle(taken.map(({ id }) => id))}
        >
          {taken.length === offered.length
            ? (ALL[offered.length] ?? `All ${offered.length}`)
            : taken.length === 0
              ? 'None of them'
              : `These ${taken.length}`}
        </button>
        {picking ? (
          <button type="button" className="ghost text-xl" onClick={() => settle([])}>
            None
          </button>
        ) : (
          <button type="button" className="ghost text-xl" onClick={() => setPicking(true)}>
            Pick
          </button>
        )}
      </div>
    </section>
  )
}

const ALL: Record<number, string> = { 1: 'Yes, it did', 2: 'Both', 3: 'All three', 4: 'All four' }

function LooseRow({ loose, strip }: { loose: LooseEnd; strip: LiveStrip }) {
  const { document } = strip.job
  const holder = document.holders.find((item) => item.id === loose.id)
  const tether = document.tethers.find((item) => item.id === loose.id)
  const behind = document.needs.find(
    (need) => need.dependent.id === loose.id && need.reason === 'covers' && need.needs.kind === 'part',
  )?.needs
  const where = behind?.kind === 'part' ? `behind the ${itemWords(document, behind.partId).toLowerCase()}` : ''
  if (holder)
    return (
      <>
        <FastenerMark shape={shapeOf(holder)} size={34} hidden={where !== ''} />
        <span className="flex-1 whitespace-nowrap text-[23px]">{holderWords(holder)}</span>
        <span className="text-right text-[17px] leading-tight text-second">{where || holder.note}</span>
      </>
    )
  if (tether)
    return (
      <>
        <PlugMark tether={tether} size={36} />
        <span className="flex-1 whitespace-nowrap text-[23px]">{tether.name} plug</span>
        {isAirbagCircuit(tether) && <AirbagFlag />}
      </>
    )
  const cover = document.parts.find((item) => item.id === loose.id)!
  const under = underCover(document, strip.job.state, cover.id)
  return (
    <>
      <LevelMark level={mayRestFree(cover) ? 'free' : 'off'} size={30} />
      <span className="flex-1 whitespace-nowrap text-[23px]">{cover.name}</span>
      <span className="text-right text-[17px] text-second">lay over the {holderWords(under[0]!)}</span>
    </>
  )
}
