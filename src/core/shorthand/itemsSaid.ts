import type { Id } from '../base/id'
import { newCaution, type Caution } from '../procedure/caution'
import { Holder, Reach } from '../procedure/holder'
import type { When } from '../procedure/when'
import type { Tether } from '../procedure/tether'
import type { Fact } from './meaning'
import { joined } from './partSaid'
import { LANGUAGE } from './reader/language'

/** A group of fasteners as a line says it. What somebody was not sure of is kept as not counted, or noted. */
export function holderSaid(
  id: Id,
  fact: Extract<Fact, { fact: 'holder' }>,
  count: number,
  holds: readonly Id[],
  when: When,
): Holder {
  const doubt = fact.unsure?.some((field) => field !== 'count') ? LANGUAGE.kept.headNotSure : ''
  return Holder.parse({
    id,
    kind: fact.kind,
    count,
    howMany: fact.unsure?.includes('count') ? 'about' : 'counted',
    holds: [...holds],
    drives: fact.drive ? [{ drive: fact.drive, size: fact.size ?? '' }, ...(fact.or ?? [])] : [],
    thread: threadSaid(fact.thread),
    note: [fact.where, doubt].filter(Boolean).join(', '),
    when,
    ...detailsSaid(fact),
  })
}

function threadSaid(thread: string | undefined): { diameterMm: number; lengthMm: number } | null {
  const [, diameter, length] = /^M(\d+)x(\d+)$/.exec(thread ?? '') ?? []
  return diameter ? { diameterMm: Number(diameter), lengthMm: Number(length) } : null
}

/** What is told of a group besides what it is: torque, washers, how it is reached. */
export function detailsSaid(fact: Extract<Fact, { fact: 'holder' }>): Partial<Holder> {
  const { torqueNm, captive, reuse, stack, tell, reach } = fact
  return {
    ...(torqueNm !== undefined && { torqueNm }),
    ...(captive && { captive }),
    ...(reuse && { reuse }),
    ...(stack && { stack }),
    ...(tell && { tell }),
    ...(reach && { reach: Reach.parse({ by: reach }) }),
  }
}

/** What a line says of a plug, as fields of it. */
export function tetherSaid(fact: Extract<Fact, { fact: 'plug' }>, known: Tether | undefined): Partial<Tether> {
  const { latch, tab, colour, leave, beforePlugging, mustOpenFor, reach, count = 1 } = fact
  const notes = [...(leave ? [LANGUAGE.kept.leaveIt] : []), ...(count > 1 ? [LANGUAGE.kept.plugs(count)] : [])]
  return {
    ...(latch && { latch }),
    ...(tab && { tabSide: tab }),
    ...(colour && { colour }),
    ...(notes.length > 0 && { note: notes.reduce(joined, known?.note ?? '') }),
    ...(reach && { reach: { ...(known?.reach ?? Reach.parse({})), by: reach } }),
    ...(beforePlugging && { beforePlugging }),
    ...(mustOpenFor && { mustOpenFor }),
  }
}

/** What ties a part says its kind by its name; everything else that is unplugged is electrical. */
export function kindOfTether(name: string): Tether['kind'] {
  return LANGUAGE.tethers.find(([words]) => words.test(name))?.[1] ?? 'electrical'
}

/** A caution as a line says it. An airbag is a warning whatever was said of it. */
export function cautionSaid(id: Id, what: string, partId: Id): Caution {
  const caution = newCaution(id, partId, LANGUAGE.kept.cautions[what] ?? `${what[0]!.toUpperCase()}${what.slice(1)}.`)
  return what === 'airbag' ? { ...caution, severity: 'WARNING' } : caution
}
