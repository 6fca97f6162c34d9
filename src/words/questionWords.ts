import type { ProcedureDocument } from '@/core/procedure/document'
import type { Circuit } from '@/core/procedure/circuits'
import type { Question, Reason } from '@/core/strip/questions'
import { holderWords, itemWords, ownerWords } from './items'

/** What a plug feeds, as a crew says it. */
export function circuitWords(circuit: Circuit): string {
  const special: Partial<Record<Circuit, string>> = {
    'srs-firing': 'an airbag or a tensioner',
    'srs-indicator': 'the airbag lamp',
    'high-voltage': 'high voltage',
    can: 'the data bus',
    lighting: 'lamps outside, instruments',
    'courtesy-lamp': 'a courtesy lamp',
    usb: 'USB',
    'power-outlet': 'the power outlet',
    'brake-control': 'the brake control',
    other: 'something else harmless',
  }
  return special[circuit] ?? circuit
}

/** What came off, in a sentence: a group by its words, a plug by its name. */
function named(document: ProcedureDocument, id: string): string {
  const holder = document.holders.find((item) => item.id === id)
  if (holder)
    return holder.holds.length > 0
      ? `${holderWords(holder)} of the ${ownerWords(document, holder).toLowerCase()}`
      : holderWords(holder)
  return document.tethers.some((tether) => tether.id === id)
    ? `${itemWords(document, id)} plug`
    : itemWords(document, id).toLowerCase()
}

export function questionSentence(document: ProcedureDocument, question: Question): string {
  switch (question.kind) {
    case 'circuit':
      return `What does the ${itemWords(document, question.tetherId)} plug feed?`
    case 'why first':
      return `What did the ${named(document, question.partId)} come off for?`
    case 'purpose':
      return 'What is this strip for?'
    case 'battery prepared':
      return 'Battery off: are the security codes known, media out, windows and seats as wanted, keys outside, electric latches open?'
    case 'reached':
      return `The ${named(document, question.trap.coverId)} lies over an edge of the ${named(document, question.trap.partId)}: can its ${question.trap.holderIds.map((id) => holderWords(document.holders.find((item) => item.id === id)!)).join(' and ')} be reached with it on?`
    case 'same screw':
      return `The ${named(document, question.holderId)} and the ${named(document, question.otherId)}: the same screw?`
    case 'what for':
      return `What was the ${itemWords(document, question.settingId)} set to ${question.value} for?`
    case 'had to be':
      return `The ${named(document, question.partId)} before the ${named(document, question.nextId)}: did it have to be? The other way round would save ${Math.round(question.savesS)} s.`
  }
}

export function reasonWords(document: ProcedureDocument, { nextId }: { nextId: string }, reason: Reason): string {
  const holder = document.holders.find((item) => item.id === nextId)
  const it = holder && holder.count > 1 ? 'them' : 'it'
  const isPart = document.parts.some((part) => part.id === nextId)
  return {
    covers: isPart ? 'It covers its screws' : `It covers ${it}`,
    holds: `It holds ${it}`,
    traps: 'Its edge lies over it',
    threads: 'A lead passes through it',
    reaches: `It is in the way of ${it}`,
    habit: 'My habit',
  }[reason]
}
