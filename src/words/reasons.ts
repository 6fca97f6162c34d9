import type { Id } from '@/core/base/id'
import type { Because, Edge } from '@/core/order/operation'
import type { Removal } from '@/core/order/removal'
import { whatStaysShut, whyChain, type WhyLink } from '@/core/order/why'
import type { ProcedureDocument } from '@/core/procedure/document'
import { holderWords, itemWords } from './items'
import { capital } from './operations'

type Namer = { document: ProcedureDocument }

/** "Rubber liner covers the 1 hex 7, which holds the Centre surround, which …, which closes the Radio cavity." */
export function whySentence(document: ProcedureDocument, removal: Removal, key: string): string {
  const chain = whyChain(removal, key)
  if (!chain || chain.length === 0) return 'It is asked for by the settings of this plan.'
  const n = { document }
  return `${chain
    .map((link, i) => whyPiece(n, link, i === 0))
    .join('')
    .trim()}.`
}

function whyPiece(n: Namer, link: WhyLink, first: boolean): string {
  if (link.thing === 'goal')
    return ` the ${link.goal.kind === 'cavity' ? itemWords(n.document, link.goal.cavityId) : `wish to have ${itemWords(n.document, link.goal.partId)} ${link.goal.level}`}`
  const name = first ? capital(thingWords(n, link.id)) : thingWords(n, link.id)
  const many = isMany(n, link.id)
  const verb = {
    covers: 'cover',
    holds: 'hold',
    ties: 'tie',
    traps: 'trap',
    frees: 'free',
    carries: 'come along in',
    'keeps safe': 'keep safe',
    closes: 'close',
    'comes before': 'come before',
  }[link.relation]
  const said = many ? verb : verb.replace(/^\w+/, (word) => `${word}s`)
  return first ? `${name} ${said}` : ` the ${name}, which ${said}`
}

/** "What if I don't?": what can't be done then, and what stays shut. */
export function withoutSentence(document: ProcedureDocument, removal: Removal, key: string): string {
  const { waiting, goals } = whatStaysShut(removal, key)
  const n = { document }
  const things = [...new Set(waiting.map((other) => thingWords(n, splitKey(other)[1])))].slice(0, 3)
  const shut = goals.map((goal) => itemWords(document, goal.kind === 'cavity' ? goal.cavityId : goal.partId))
  if (things.length + shut.length === 0) return ''
  return `Without it${things.length > 0 ? ` the ${things.join(', the ')} can’t be done` : ''}${shut.length > 0 ? `${things.length > 0 ? ', and' : ''} the ${shut.join(' and the ')} stays shut` : ''}.`
}

export type ChainLink = { id: Id | null; name: string; relation: string | null; thing: WhyLink['thing'] }

/** The same chain as things and relations, for the drawn line of "why?". */
export function whyLinks(document: ProcedureDocument, removal: Removal, key: string): ChainLink[] {
  const n = { document }
  return (whyChain(removal, key) ?? []).map((link) =>
    link.thing === 'goal'
      ? {
          id: null,
          thing: link.thing,
          relation: null,
          name:
            link.goal.kind === 'cavity'
              ? itemWords(document, link.goal.cavityId)
              : itemWords(document, link.goal.partId),
        }
      : { id: link.id, thing: link.thing, relation: link.relation, name: thingWords(n, link.id) },
  )
}

/** A contradiction as one sentence made of its facts, the shortest loop, beginning with a part that can't move. */
export function contradictionSentence(document: ProcedureDocument, loop: readonly Edge[]): string {
  const n = { document }
  // Read backwards: each operation, and what it waits for. Begin at a stated relation between two parts where there is
  // one.
  const waits = [...loop].reverse()
  const start = Math.max(
    0,
    waits.findIndex((edge) => edge.because.kind === 'need' && edge.after.startsWith('release:')),
  )
  const turned = [...waits.slice(start), ...waits.slice(0, start)].filter((edge) => edge.because.kind !== 'lifts')
  const pieces = turned.map((edge, i) => waitPiece(n, edge, i === 0))
  const sentence = pieces.map((piece, i) => (i > 0 && i === pieces.length - 1 ? `and ${piece}` : piece)).join('; ')
  return `${capital(sentence)}.`
}

function waitPiece(n: Namer, edge: Edge, first: boolean): string {
  const [, afterId] = splitKey(edge.after)
  const [beforeAct, beforeId] = splitKey(edge.before)
  const waiter = first ? thingWords(n, afterId) : `the ${thingWords(n, afterId)}`
  const { because } = edge
  if (because.kind === 'holds') {
    const holder = n.document.holders.find((item) => item.id === because.holderId)!
    return `${waiter} not before its ${holderWords(holder)} ${holder.count === 1 ? 'is' : 'are'} out`
  }
  if (because.kind === 'tethers') return `${waiter} not before its plug ${thingWords(n, because.tetherId)} is open`
  const state = STATE_AFTER[beforeAct] ?? 'done'
  const need = because.kind === 'need' ? n.document.needs.find((item) => item.id === because.needId) : null
  if (need?.reason === 'covers') {
    const many = isMany(n, afterId)
    const subject = first ? `${thingWords(n, afterId)}` : many ? 'those' : 'that one'
    return `${subject} not before the ${thingWords(n, beforeId)} is ${state}, because it covers ${many ? 'them' : 'it'}`
  }
  if (first) return `${waiter} can’t move before the ${thingWords(n, beforeId)} is ${state}`
  return `${waiter} not before the ${thingWords(n, beforeId)} is ${state}`
}

const STATE_AFTER: Record<string, string> = {
  lift: 'off',
  release: 'free',
  ease: 'eased',
  open: 'open',
  undo: 'out',
  set: 'set',
  place: 'back at its place',
  seat: 'home',
  close: 'plugged',
  fasten: 'fastened',
  start: 'started',
  feed: 'led through',
  test: 'tested',
  work: 'done',
  decide: 'told',
}

function splitKey(key: string): [string, string] {
  const [act, rest] = [key.slice(0, key.indexOf(':')), key.slice(key.indexOf(':') + 1)]
  return [act, rest.split(/[=@~ ]/)[0]!]
}

function thingWords(n: Namer, id: Id): string {
  const holder = n.document.holders.find((item) => item.id === id)
  return holder ? holderWords(holder) : itemWords(n.document, id)
}

function isMany(n: Namer, id: Id): boolean {
  const holder = n.document.holders.find((item) => item.id === id)
  const part = n.document.parts.find((item) => item.id === id)
  return (holder?.count ?? 1) > 1 || (part?.pieces ?? 1) > 1
}

/**
 * Why one part comes before another, in few words: "covers its 2 T20", "traps it", "is in the way of the gear lever".
 */
export function linkWords(document: ProcedureDocument, because: Because): string {
  const n = { document }
  switch (because.kind) {
    case 'need':
      return needLink(n, because.needId)
    case 'holds':
      return `held by the same ${thingWords(n, because.holderId)}`
    case 'tethers':
      return `its plug ${itemWords(document, because.tetherId)} ties it`
    case 'seen':
      return 'seen so, nobody has said why'
    case 'carried':
      return 'carries it'
    case 'eased first':
      return 'eased first'
    case 'onto its carrier':
      return `goes onto ${itemWords(document, because.ontoId)}`
    case 'into the adapter':
      return `goes into ${itemWords(document, because.adapterId)}`
    case 'kit order':
      return 'the kit says so'
    default:
      return 'comes first'
  }
}

const LINK_OF_REASON = {
  threads: 'a lead passes it',
  observed: 'seen so, nobody has said why',
  traps: 'traps it',
  reaches: 'is in the way',
  'rests on': 'rests on it',
  setting: 'frees it',
  habit: 'a habit',
} as const

function needLink({ document, ...n }: Namer, needId: Id): string {
  const need = document.needs.find((item) => item.id === needId)
  if (!need) return ''
  const { reason, dependent, note } = need
  if (reason === 'covers') return `covers its ${thingWords({ document, ...n }, dependent.id)}`
  if (dependent.act === 'method') {
    const setting = document.settings.find(({ methods }) => methods.some((method) => method.id === dependent.id))
    return `in the way of the ${itemWords(document, setting?.id ?? dependent.id)}`
  }
  if (reason === 'method') return note ? `by the recorder: ${note}` : 'the recorder’s order'
  return LINK_OF_REASON[reason]
}
