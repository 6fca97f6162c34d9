import { unreachable } from '@/core/base/result'
import type { Operation } from '@/core/order/operation'
import { isThreaded } from '@/core/plan/summary'
import type { ProcedureForBuild } from '@/core/procedure/forBuild'
import type { Part } from '@/core/procedure/part'
import { holderWords, threadWords } from './items'

/** What a step says: the thing in few words, how it is done, and the slab that confirms it. */
export type StepWords = { title: string; how: string; done: string }

export function stepWords(model: ProcedureForBuild, operation: Operation): StepWords {
  const { itemId } = operation
  const holder = model.holders.get(itemId)
  const tether = model.tethers.get(itemId)
  const part = model.parts.get(itemId)
  switch (operation.act) {
    case 'undo':
      return { title: holderWords(holder!), how: undoHow(model, operation), done: `${holder!.count} out, none broken` }
    case 'fasten':
      return { title: holderWords(holder!), how: fastenHow(model, operation), done: `${holder!.count} of ${holder!.count} in` }
    case 'release':
      return { title: releaseTitle(part!), how: releaseHow(part!), done: part!.rests.length > 0 ? `it is free: ${part!.rests[0]!.how}` : 'it has come forward' }
    case 'seat':
      return { title: 'Push home', how: seatHow(model, part!), done: part!.refit.confirm || 'it sits flush' }
    case 'open':
      return { title: `${operation.phase === 'test' ? 'Unplug again' : 'Unplug'} ${tether!.name}`, how: latchHow(tether!, 'open'), done: 'it is open' }
    case 'close':
      return { title: `Plug ${tether!.name}`, how: [operation.phase === 'test' && 'for the test only, held by hand', latchHow(tether!, 'close'), mixupHow(model, itemId)].filter(Boolean).join(', '), done: 'it has clicked' }
    case 'feed':
      return { title: `Lead of ${tether!.name} through first`, how: `through ${tether!.leadThrough}, before it is plugged`, done: 'the lead hangs through' }
    case 'lift':
      return { title: part!.pieces > 1 ? `Lift away ${part!.pieces} pieces` : 'Lift away', how: liftHow(part!), done: 'it is set aside' }
    case 'place':
      return { title: 'Hold it in place', how: part!.refit.first || part!.refit.align || 'bring it to its opening', done: 'it is back at its place' }
    case 'set':
    case 'restore': {
      const act = operation.setting!
      const setting = model.settings.get(act.settingId)!
      const method = model.methods.get(act.methodId)!.method
      return { title: capital(settingTo(setting.name, act.to)), how: method.name, done: `${setting.name}: ${act.to}` }
    }
    case 'ease':
      return { title: 'Ease it', how: [part!.ease?.gapMm && `until it gives ${part!.ease.gapMm} mm`, part!.ease?.mustNot].filter(Boolean).join(', ') || 'until it gives', done: 'it gives' }
    case 'start':
      return { title: `Start ${holderWords(holder!)} by hand`, how: 'all of them before any is made snug, then adjust', done: `${holder!.count} started` }
    case 'work':
      return { title: operation.name ?? 'Work', how: '', done: 'it is done' }
    case 'test': {
      const tested = model.functions.get(itemId)
      return { title: `Test ${operation.name ?? tested?.name ?? ''}`.trim(), how: [tested?.how, (tested?.warmUpS ?? 0) > 0 && `give it ${tested!.warmUpS} s`].filter(Boolean).join(', ') || 'before trim hides it again', done: 'it works' }
    }
    case 'decide': {
      const facet = model.document.facets.find((item) => item.id === itemId)
      return { title: `Which ${facet?.name.toLowerCase() ?? 'one'}?`, how: facet?.choices.map((choice) => `${choice.name}: ${choice.tell || 'not said how it is told'}`).join('; ') ?? '', done: 'it is told' }
    }
    case 'wait':
      return { title: 'Wait', how: 'until its time is over; nothing else can be done meanwhile', done: 'the wait is over' }
    default:
      return unreachable(operation.act)
  }
}

/** How to tell a plug from the one it fits or looks like. */
function mixupHow(model: ProcedureForBuild, tetherId: string): string {
  const tether = model.tethers.get(tetherId)!
  const others = tether.mixups.flatMap((id) => model.tethers.get(id) ?? [])
  const tell = tether.tell || others.find((other) => other.tell !== '')?.tell
  return others.length > 0 ? `not ${others.map((other) => other.name).join(' or ')}${tell ? `: ${tell}` : ''}` : ''
}

function undoHow(model: ProcedureForBuild, operation: Operation): string {
  const holder = model.holders.get(operation.itemId)!
  const part = model.parts.get(holder.holds[0]!)!
  const hidden = hiddenWords(model, holder.id)
  if (hidden) return [hidden, threadWords(holder)].filter(Boolean).join(', ')
  if (!isThreaded(holder)) return [part.release.start && startWords(part.release.start), motionsWords(part)].filter(Boolean).join(', ') || holder.note
  return [threadWords(holder), holder.reach.lookFrom && `look from ${holder.reach.lookFrom}`, holder.captive && 'they stay in the panel'].filter(Boolean).join(', ')
}

/** "hidden behind the climate panel", for a covered group. */
export function hiddenWords(model: ProcedureForBuild, holderId: string): string {
  const covers = (model.needsOf.get(`undo:${holderId}`) ?? []).flatMap((need) => (need.reason === 'covers' && need.needs.kind === 'part' ? [model.parts.get(need.needs.partId)!.name.toLowerCase()] : []))
  return covers.length > 0 ? `hidden behind the ${covers.join(' and the ')}` : ''
}

function fastenHow(model: ProcedureForBuild, operation: Operation): string {
  const holder = model.holders.get(operation.itemId)!
  const tight = holder.torqueNm ? `to ${holder.torqueNm} N m` : 'snug, never tight in plastic'
  if (isThreaded(holder)) return [threadWords(holder), holder.count > 1 ? 'start all by hand first' : 'start by hand', tight].filter(Boolean).join(', ')
  return holder.kind === 'spring clip' ? 'push until each one clicks' : 'press home until it holds'
}

function releaseTitle(part: Part): string {
  const motion = part.release.motions[0]
  return motion ? `${capital(motion.move)} ${motion.directions.join(' and ')}`.trim() : 'Free it'
}

function releaseHow(part: Part): string {
  const { start, effort, protect, tool } = part.release
  const later = part.release.motions.slice(1).map((motion) => `then ${motion.move} ${motion.directions.join(' and ')}${motion.note ? ` ${motion.note}` : ''}`)
  const turn = part.release.motions.flatMap((m) => (m.turn ? [`turn ${m.turn.sense}, seen from ${m.turn.seenFrom}`] : []))
  return [start && startWords(start), ...turn, ...later, tool !== 'hand' && `with the ${tool}`, effort !== 'light' && `it is ${effort}`, protect].filter(Boolean).join(', ')
}

/** "start at the lower left", "start at both ends". */
export function startWords(start: string): string {
  return /^(both|all|the|each|any)\b/.test(start) ? `start at ${start}` : `start at the ${start}`
}

/** "pull rearward, then lift up". */
export function motionsWords(part: Part): string {
  return part.release.motions.map((motion) => `${motion.move} ${motion.directions.join(' and ')}`.trim()).join(', then ')
}

function seatHow(model: ProcedureForBuild, part: Part): string {
  const { first, last, before, align, keepInFront } = part.refit
  const front = keepInFront.length > 0 && `leads in front: ${keepInFront.flatMap((id) => model.tethers.get(id)?.name ?? []).join(', ')}`
  return [before, align && `line up ${align}`, front, first, last].filter(Boolean).join(', ') || 'press all round until it sits'
}

function liftHow(part: Part): string {
  const care = [part.painted && 'painted face up on the cloth', part.release.mustNot].filter(Boolean)
  return care.join(', ') || 'put it where nobody steps'
}

function latchHow(tether: { latch: string | null; tabSide: string | null; pressAt: string; kind: string; beforePlugging: string }, way: 'open' | 'close'): string {
  if (way === 'close') return [tether.beforePlugging, 'push until it clicks, then tug once'].filter(Boolean).join(', ')
  const side = tether.tabSide ? `${tether.latch === 'lever' ? 'lever' : 'tab'} on the ${tether.tabSide}` : ''
  return [side && tether.latch === 'lever' ? '' : tether.latch, side, tether.pressAt && `press ${tether.pressAt}`, 'never pull on the wires'].filter(Boolean).join(', ')
}

export function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1)
}

/** "gear lever out of park", "battery off", "gear lever to park". */
export function settingTo(name: string, value: string): string {
  return /^(on|off|out|open|closed|turned|strapped|chocked)\b/.test(value) ? `${name} ${value}` : `${name} to ${value}`
}
