import { useMemo, useState } from 'react'
import type { Id } from '@/core/base/id'
import type { ProcedureDocument } from '@/core/procedure/document'
import type { HouseWord } from '@/core/shop/houseWord'
import { correctionOf, type Correction } from '@/core/shorthand/correction'
import { lineInHand, NOTHING_MENDED, type LineInHand, type Mend } from '@/core/shorthand/lineInHand'
import type { LineAnswer } from '@/core/shorthand/lineQuestions'
import type { Fact } from '@/core/shorthand/meaning'
import type { Understood } from '@/core/shorthand/understand'
import { useShorthand, type Shorthand } from './useShorthand'

const NOTHING: LineInHand = { chips: [], questions: [] }

/** A line between being typed and being taken. */
export type Line = LineInHand & {
  line: string
  shorthand: Shorthand | null
  understood: Understood | null
  /** It says otherwise what was taken last. */
  correction: Correction | null
  type: (line: string) => void
  answer: (answer: LineAnswer) => void
  mend: (key: string, mend: Mend) => void
  drop: (key: string) => void
  /** What was mended or dropped is as it was read again. */
  asRead: (key: string) => void
  name: (kind: 'part' | 'plug', name: string) => void
}

/** What a line says as it is typed, with what somebody has mended of it. `last`: the facts taken before it. */
export function useLine(
  document: ProcedureDocument,
  words: readonly HouseWord[],
  partId: Id | null,
  last: readonly Fact[],
): Line {
  const [line, setLine] = useState('')
  const [mending, setMending] = useState(NOTHING_MENDED)
  const inHand = document.parts.find(({ id }) => id === partId)?.name ?? null
  const { shorthand, understood: read, name } = useShorthand(line, document, words, inHand)
  const correction = useMemo(() => (read ? correctionOf(last, read) : null), [last, read])
  const [chosen, setChosen] = useState<{ line: string; isOther: boolean } | null>(null)
  const understood = useMemo(
    () => correction?.understood ?? (read && asChosen(read, chosen?.line === line ? chosen.isOther : null)),
    [correction, read, chosen, line],
  )
  const { chips, questions } = useMemo(
    () => (understood ? lineInHand(understood, mending) : NOTHING),
    [understood, mending],
  )
  const isOther = chosen?.line === line && chosen.isOther
  const type = (next: string) => {
    setLine(next)
    if (next.trim() === '') setMending(NOTHING_MENDED)
  }
  const asRead = (key: string) =>
    setMending(({ mends, dropped }) => ({
      mends: new Map([...mends].filter(([of]) => of !== key)),
      dropped: new Set([...dropped].filter((of) => of !== key)),
    }))
  const mend = (key: string, to: Mend) =>
    setMending(({ mends, dropped }) => {
      const settled = [...(mends.get(key)?.settled ?? []), ...to.settled]
      return { mends: new Map(mends).set(key, { fact: to.fact, settled }), dropped }
    })
  const drop = (key: string) => setMending(({ mends, dropped }) => ({ mends, dropped: new Set(dropped).add(key) }))
  const answer = (given: LineAnswer) => {
    if (given.says === 'read so') return setChosen({ line, isOther: given.isOther !== isOther })
    if (given.says === 'a name') return name(given.of, given.name)
    if (given.says !== 'so') return type(given.line)
    mend(chips[given.of]!.key, { fact: given.fact, settled: [given.ask] })
  }
  return { line, shorthand, understood, correction, chips, questions, type, answer, mend, drop, asRead, name }
}

/** A line in the reading somebody chose: nothing is asked of that any more. */
function asChosen(read: Understood, isOther: boolean | null): Understood {
  if (isOther === null || !read.other) return read
  const { other, ...first } = read
  return isOther ? { ...other, other: { ...first, isTie: false } } : { ...first, other: { ...other, isTie: false } }
}
