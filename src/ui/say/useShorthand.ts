import { useEffect, useMemo, useState } from 'react'
import type { ProcedureDocument } from '@/core/procedure/document'
import type { HouseWord } from '@/core/shop/houseWord'
import type { Understood } from '@/core/shorthand/understand'

export type Shorthand = typeof import('./shorthand')

/**
 * What a line says, read as it is typed. The reader is large and needed by nobody who types none: it comes when the
 * page has settled.
 */
export function useShorthand(
  line: string,
  document: ProcedureDocument,
  words: readonly HouseWord[],
  inHand: string | null = null,
): { shorthand: Shorthand | null; understood: Understood | null; name: (kind: 'part' | 'plug', name: string) => void } {
  // What somebody has just said to be a name, until the record has it.
  const [named, setNamed] = useState<{ kind: 'part' | 'plug'; name: string }[]>([])
  const [shorthand, setShorthand] = useState<Shorthand | null>(null)
  useEffect(() => {
    let live = true
    void import('./shorthand').then((loaded) => live && setShorthand(loaded))
    return () => {
      live = false
    }
  }, [])
  const own = useMemo(() => {
    if (!shorthand) return null
    const { parts = [], plugs = [] } = shorthand.namesOf(document)
    const of = (kind: 'part' | 'plug') => named.filter((item) => item.kind === kind).map((item) => item.name)
    return {
      parts: [
        ...parts,
        ...of('part')
          .filter((name) => !parts.some((part) => part.name.toLowerCase() === name.toLowerCase()))
          .map((name) => ({ name, said: [] })),
      ],
      plugs: [...plugs, ...of('plug')],
      house: Object.fromEntries(words.map(({ word, means }) => [word, means])),
      inHand,
    }
  }, [shorthand, document, words, named, inHand])
  const understood = useMemo(
    () => (shorthand && own && line.trim() !== '' ? shorthand.understand(line, own) : null),
    [shorthand, own, line],
  )
  return { shorthand, understood, name: (kind, name) => setNamed([...named, { kind, name }]) }
}

/** Whether a line can be taken: it says something, and nothing in it is left to ask. */
export function isClear(understood: Understood | null): understood is Understood {
  return (
    understood !== null &&
    understood.facts.length > 0 &&
    understood.asks.length === 0 &&
    understood.notUnderstood.length === 0
  )
}
