'use client'
import { useState } from 'react'
import type { Id } from '@/core/base/id'
import { levelNow } from '@/core/job/fold'
import type { Fact } from '@/core/shorthand/meaning'
import { isScrew, type Usual } from '@/core/strip/likeliest'
import { FastenerMark, shapeOf } from '../marks/FastenerMark'
import { headWords, itemWords, plural } from '@/words/items'
import { Choices, Choice, type SheetProps } from './CatchChoices'

const COUNTS = [1, 2, 3, 4, 5, 6, 7, 8, 9]

/**
 * Three taps: what it is, how many, where. The heads this shop meets most stand first; any other can be typed in the
 * line.
 */
export function FastenerSheet({
  strip,
  close,
  screws,
  usual,
}: SheetProps & { screws: boolean; usual: readonly Usual[] }) {
  const [kind, setKind] = useState<Usual | null>(null)
  const [count, setCount] = useState<number | null>(null)
  const { document, state } = strip.job
  const offered = usual.filter((item) => isScrew(item) === screws).slice(0, 12)
  const hiders = document.parts.filter((part) => levelNow(state, part.id) !== 'in place' && part.id !== strip.inHand)
  const take = (behind: Id | null) => {
    const fact: Fact = {
      fact: 'holder',
      kind: kind!.kind,
      count: count!,
      ...(kind!.drive !== 'none' && { drive: kind!.drive, ...(kind!.size && { size: kind!.size }) }),
      ...(behind && { behind: [itemWords(document, behind)] }),
    }
    strip.say([fact], '')
    close()
  }
  if (!kind)
    return (
      <Choices title="What is it?">
        {offered.map((item) => (
          <Choice
            key={`${item.kind} ${item.drive} ${item.size}`}
            words={usualWords(item)}
            mark={
              <FastenerMark
                shape={shapeOf({
                  kind: item.kind,
                  drives: item.drive === 'none' ? [] : [{ drive: item.drive, size: item.size, seen: 0 }],
                })}
                size={30}
              />
            }
            onClick={() => setKind(item)}
          />
        ))}
      </Choices>
    )
  if (count === null)
    return (
      <Choices title={`How many ${usualWords(kind)}?`}>
        {COUNTS.map((number) => (
          <Choice key={number} words={String(number)} onClick={() => setCount(number)} />
        ))}
        <MoreThanNine onCount={setCount} />
      </Choices>
    )
  return (
    <Choices title={`Where ${count === 1 ? 'is it' : `are the ${count}`}?`}>
      <Choice words="In sight" onClick={() => take(null)} />
      {hiders.map((part) => (
        <Choice key={part.id} words={`Behind the ${part.name.toLowerCase()}`} onClick={() => take(part.id)} />
      ))}
    </Choices>
  )
}

function usualWords({ kind, drive, size }: Usual): string {
  if (drive === 'none') return plural(kind, 2)
  const head = headWords({ drive, size })
  return kind === 'machine screw' ? head : `${head} ${kind}`
}

/** Counted by tapping once a piece. */
function MoreThanNine({ onCount }: { onCount: (count: number) => void }) {
  const [tapped, setTapped] = useState(0)
  return (
    <>
      <Choice
        words={tapped === 0 ? 'Tap once each' : `${tapped}, tap on`}
        onClick={() => setTapped(Math.min(99, tapped + 1))}
      />
      {tapped > 0 && <Choice words={`It is ${tapped}`} onClick={() => onCount(tapped)} />}
    </>
  )
}
