import type { ProcedureDocument } from '@/core/procedure/document'
import type { Facet, SeenFrom, Tell } from '@/core/procedure/facet'
import type { ToldByTells } from '@/core/procedure/tells'
import { itemWords } from './items'

/** From when something can be seen: "from outside", "once the radio unit is off". */
export function seenFromWords(document: ProcedureDocument, from: SeenFrom): string {
  return from ? `once the ${itemWords(document, from.partId).toLowerCase()} is ${from.level}` : 'from outside'
}

/** "right 9 of 10 times". */
export function rightWords({ right, seen }: Pick<Tell, 'right' | 'seen'>): string {
  return `right ${right} of ${seen} ${seen === 1 ? 'time' : 'times'}`
}

/** What the signs that were seen come to: "amplified: 0.90 by one sign, to be verified once the radio unit is off". */
export function toldByTellsWords(document: ProcedureDocument, facet: Facet, told: ToldByTells): string {
  if (told.kind === 'none seen') return ''
  if (told.kind === 'contradict')
    return `These signs contradict each other: it is told for certain ${seenFromWords(document, facet.toldFrom)}.`
  const choice = facet.choices.find(({ id }) => id === told.choiceId)!.name
  const p = told.p.toFixed(told.p >= 0.985 ? 3 : 2)
  return told.kind === 'settled'
    ? `${choice}: ${p}, enough to count as told. Each sign is taken by itself.`
    : `${choice}: ${p}, to be verified ${seenFromWords(document, facet.toldFrom)}. Each sign is taken by itself.`
}
