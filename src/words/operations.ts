import type { Operation } from '@/core/order/operation'
import { isElectrical, isUnclassified } from '@/core/procedure/circuits'
import type { ProcedureForBuild } from '@/core/procedure/forBuild'
import type { Holder } from '@/core/procedure/holder'
import { THREADED_KINDS } from '@/core/procedure/holderKinds'
import type { Part } from '@/core/procedure/part'
import type { Tether } from '@/core/procedure/tether'
import { HOLDER_ACTS, tightWords, turnWords } from './acts/holderActs'
import { motionsBack, motionsOut } from './acts/motions'
import { holderFacts, reachWords } from './acts/reachWords'
import { latchWords, TETHER_ACTS } from './acts/tetherActs'
import { testWithWords } from './functionWords'
import { holderWords, itemWords } from './items'
import { keyOf, type Act } from '@/core/procedure/acts'

/**
 * What a step says: the act in few words, how it is done, what must not be done and what is to be protected (said
 * before the pull), what else was recorded that the hand needs here, and the slab that confirms it.
 */
export type StepWords = { title: string; how: string; mind: string[]; facts: string[]; done: string }

export function stepWords(model: ProcedureForBuild, operation: Operation): StepWords {
  return STEPS[operation.act](model, operation, (title, how, done, more = {}) => ({
    title,
    how,
    done,
    mind: [],
    ...more,
    facts: [...(more.facts ?? []), ...needNotes(model, operation)],
  }))
}

type Said = (title: string, how: string, done: string, more?: Partial<StepWords>) => StepWords
type Says = (model: ProcedureForBuild, operation: Operation, said: Said) => StepWords

const SETTING: Says = (model, operation, said) => {
  const act = operation.setting!
  const setting = model.settings.get(act.settingId)!
  const method = model.methods.get(act.methodId)!.method
  return said(
    capital(settingTo(setting.name, act.to)),
    [method.name, method.tool && `with ${method.tool}`].filter(Boolean).join(', '),
    `${setting.name}: ${act.to}`,
    { facts: [method.note, setting.note].filter(Boolean) },
  )
}

/** What each act says on a card, and what its slab confirms. */
const STEPS: Readonly<Record<Act, Says>> = {
  undo: (model, operation, said) => undoWords(model, model.holders.get(operation.itemId)!, said),
  fasten: (model, operation, said) => {
    const holder = model.holders.get(operation.itemId)!
    return said(titleOf(holder, 'back'), fastenHow(holder), `${holder.count} of ${holder.count} in`, {
      facts: [...reachWords(holder.reach), ...holderFacts(holder)],
    })
  },
  start: (model, operation, said) => {
    const holder = model.holders.get(operation.itemId)!
    return said(
      `Start ${holderWords(holder)} by hand`,
      'all of them before any is made snug, then adjust',
      `${holder.count} started`,
      { facts: holderFacts(holder) },
    )
  },
  ease: pullWords,
  release: pullWords,
  seat: pushHomeWords,
  open: tetherWords,
  close: tetherWords,
  feed: (model, operation, said) => {
    const tether = model.tethers.get(operation.itemId)!
    return said(
      `Lead of ${tether.name} through first`,
      `through ${tether.leadThrough || 'its opening'}, before it is plugged`,
      'the lead hangs through',
    )
  },
  lift: (model, operation, said) => {
    const part = model.parts.get(operation.itemId)!
    return said(
      part.pieces > 1 ? `Lift away ${part.pieces} pieces` : 'Lift away',
      part.painted ? 'painted face up on the cloth' : 'put it where nobody steps',
      'it is set aside',
    )
  },
  place: (model, operation, said) => {
    const part = model.parts.get(operation.itemId)!
    if (operation.ontoId)
      return said(
        `Onto ${itemWords(model.document, operation.ontoId)}`,
        'its new place, at the bench: not where it was',
        'it lies in its new place',
      )
    const rest = part.rests.find(({ level }) => level === 'free')
    // What may rest hangs or lies there until it is pressed home; only what may not is held.
    return rest
      ? said(
          'Bring it back',
          [part.refit.first, rest.how, rest.note, 'until it is pressed home'].filter(Boolean).join(', '),
          'it waits there',
        )
      : said(
          'Hold it in place',
          part.refit.first || part.refit.align || 'bring it to its opening',
          'it is at its place',
        )
  },
  set: SETTING,
  restore: SETTING,
  work: (_, operation, said) => said(operation.name ?? 'Work', operation.note ?? '', 'it is done'),
  test: (model, operation, said) => {
    const tested = model.functions.get(operation.itemId)
    const warmUpS = tested?.warmUpS ?? operation.tried?.warmUpS ?? 0
    return said(
      `Test ${operation.name ?? tested?.name ?? ''}`.trim(),
      [
        tested?.how ?? operation.note,
        testWithWords(operation.tried?.testWith ?? []),
        warmUpS > 0 && `give it ${warmUpS} s`,
      ]
        .filter(Boolean)
        .join(', ') || 'before trim hides it again',
      'it works',
    )
  },
  decide: (model, operation, said) => {
    const facet = model.document.facets.find((item) => item.id === operation.itemId)
    return said(
      `Which ${facet?.name.toLowerCase() ?? 'one'}?`,
      facet?.choices.map((choice) => `${choice.name}: ${choice.tell || 'not said how it is told'}`).join('; ') ?? '',
      'it is told',
    )
  },
  wait: (_, __, said) => said('Wait', 'until its time is over; nothing else can be done meanwhile', 'the wait is over'),
}

function titleOf(holder: Holder, way: 'out' | 'back'): string {
  const verb = HOLDER_ACTS[holder.kind].verb[way === 'out' ? 0 : 1]
  return verb ? `${verb} ${holderWords(holder)}` : holderWords(holder)
}

function undoWords(model: ProcedureForBuild, holder: Holder, said: Said): StepWords {
  const how = [
    hiddenWords(model, holder.id),
    ...reachWords(holder.reach),
    turnWords(holder, 'out') || HOLDER_ACTS[holder.kind].undo,
  ]
    .filter(Boolean)
    .join(', ')
  return said(titleOf(holder, 'out'), how, `${holder.count} out, none broken`, { facts: holderFacts(holder) })
}

/** "hidden behind the climate panel", for a covered group. */
export function hiddenWords(model: ProcedureForBuild, holderId: string): string {
  const covers = (model.needsOf.get(keyOf('undo', holderId)) ?? []).flatMap((need) =>
    need.reason === 'covers' && need.needs.kind === 'part'
      ? [model.parts.get(need.needs.partId)!.name.toLowerCase()]
      : [],
  )
  return covers.length > 0 ? `hidden behind the ${covers.join(' and the ')}` : ''
}

function fastenHow(holder: Holder): string {
  const threaded = THREADED_KINDS.includes(holder.kind)
  const begin = threaded && holder.count > 1 ? 'start all by hand first' : HOLDER_ACTS[holder.kind].fasten
  return [turnWords(holder, 'back'), begin, tightWords(holder)].filter(Boolean).join(', ')
}

/** Groups that let go with a pull or go home with a push. */
function pulledIn(model: ProcedureForBuild, operation: Operation): Holder[] {
  return (operation.pulled ?? []).map((id) => model.holders.get(id)!)
}

function pullWords(model: ProcedureForBuild, operation: Operation, said: Said): StepWords {
  const part = model.parts.get(operation.itemId)!
  const { start, effort, protect, tool, mustNot, motions } = part.release
  const clips = pulledIn(model, operation)
  const letGo = clips.length > 0 && `${clips.map(holderWords).join(' and ')} let go with it`
  const counted = clips.length > 0 ? `${clips.map((holder) => holder.count).join(' and ')} out, none broken; ` : ''
  const hidden = clips.map((holder) => hiddenWords(model, holder.id)).filter(Boolean)
  const facts = [...hidden, ...clips.flatMap((holder) => [...reachWords(holder.reach), ...holderFacts(holder)])]
  if (operation.act === 'ease') {
    const gap = part.ease?.gapMm ? `until it gives ${part.ease.gapMm} mm` : 'until it gives'
    return said('Ease it', [gap, letGo].filter(Boolean).join(', '), `${counted}it gives`, {
      mind: [part.ease?.mustNot ?? ''].filter(Boolean),
      facts,
    })
  }
  const how = [
    start && startWords(start),
    letGo,
    tool !== 'hand' && `with the ${tool}`,
    effort !== 'light' && `it is ${effort}`,
  ]
    .filter(Boolean)
    .join(', ')
  const rest = part.rests[0]
  const done = `${counted}${rest ? `it is free: ${[rest.how, rest.note].filter(Boolean).join(', ')}` : 'it has come forward'}`
  return said(capital(motionsOut(motions)) || 'Free it', how, done, {
    mind: [mustNot, protect].filter(Boolean).map(capital),
    facts: [...motions.map((motion) => motion.note), part.note, ...facts].filter(Boolean),
  })
}

function pushHomeWords(model: ProcedureForBuild, operation: Operation, said: Said): StepWords {
  const part = model.parts.get(operation.itemId)!
  const { first, last, before, align, keepInFront, confirm } = part.refit
  const clips = pulledIn(model, operation)
  const front =
    keepInFront.length > 0 &&
    `leads in front: ${keepInFront.flatMap((id) => model.tethers.get(id)?.name ?? []).join(', ')}`
  const press = clips.map((holder) => `${holderWords(holder)} ${HOLDER_ACTS[holder.kind].press}`)
  const how =
    [before, align && `line up ${align}`, front, first, ...press, last].filter(Boolean).join(', ') ||
    'press all round until it sits'
  const counted =
    clips.length > 0 ? `${clips.map((holder) => `${holder.count} of ${holder.count}`).join(' and ')} home; ` : ''
  return said(
    capital(motionsBack(part.release.motions)) || 'Push home',
    how,
    `${counted}${confirm || 'it sits flush'}`,
    { facts: clips.flatMap(holderFacts) },
  )
}

function tetherWords(model: ProcedureForBuild, operation: Operation, said: Said): StepWords {
  const tether = model.tethers.get(operation.itemId)!
  const acts = TETHER_ACTS[tether.kind]
  const facts = [
    ...reachWords(tether.reach),
    tether.tool && `with the ${tether.tool}`,
    tether.effort !== 'light' && `it is ${tether.effort}`,
    isUnsaid(model, tether.id) && 'nobody has said what it feeds: it counts as an airbag plug until somebody does',
    tether.note,
  ].filter(Boolean) as string[]
  if (operation.act === 'open')
    return said(
      `${acts.open}${operation.phase === 'test' ? ' again' : ''} ${tether.name}`,
      latchWords(tether, 'open'),
      acts.isOpen,
      { facts },
    )
  const how = [
    operation.ontoId && `into ${itemWords(model.document, operation.ontoId)}`,
    operation.phase === 'test' && 'for the test only, held by hand',
    operation.phase === 'in' && 'held by hand, only until the setting is moved; then it is opened again',
    latchWords(tether, 'close'),
    mixupHow(model, tether),
  ]
    .filter(Boolean)
    .join(', ')
  return said(
    `${acts.close} ${tether.name}`,
    how,
    tether.latch === null && isElectrical(tether) ? 'it is home' : acts.isHome,
    { facts },
  )
}

function isUnsaid(model: ProcedureForBuild, tetherId: string): boolean {
  const recorded = model.document.tethers.find((item) => item.id === tetherId)
  return recorded !== undefined && isUnclassified(recorded)
}

/** How to tell a plug from the one it fits or looks like. */
function mixupHow(model: ProcedureForBuild, tether: Tether): string {
  const others = tether.mixups.flatMap((id) => model.tethers.get(id) ?? [])
  const tell = tether.tell || others.find((other) => other.tell !== '')?.tell
  return others.length > 0 ? `not ${others.map((other) => other.name).join(' or ')}${tell ? `: ${tell}` : ''}` : ''
}

/** What was noted of why this act waits. */
function needNotes(model: ProcedureForBuild, { act, itemId, pulled = [] }: Operation): string[] {
  const own = [`${act}:${itemId}`, ...pulled.map((id) => `${act === 'seat' ? 'fasten' : 'undo'}:${id}`)]
  const notes = own
    .flatMap((key) => model.needsOf.get(key) ?? [])
    .filter((need) => need.reason !== 'habit')
    .map((need) => need.note)
  return [...new Set(notes.filter(Boolean))]
}

/** "start at the lower left", "start at both ends". */
export function startWords(start: string): string {
  return /^(both|all|the|each|any)\b/.test(start) ? `start at ${start}` : `start at the ${start}`
}

/** "pull rearward, then lift up". */
export function motionsWords(part: Part): string {
  return motionsOut(part.release.motions)
}

export function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1)
}

/** "gear lever out of park", "battery off", "gear lever to park". */
export function settingTo(name: string, value: string): string {
  return /^(on|off|out|open|closed|turned|strapped|chocked)\b/.test(value) ? `${name} ${value}` : `${name} to ${value}`
}
