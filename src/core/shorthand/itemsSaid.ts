import type { Id } from '../base/id'
import { newCaution, type Caution } from '../procedure/caution'
import { Holder, Reach } from '../procedure/holder'
import type { When } from '../procedure/when'
import type { Tether } from '../procedure/tether'
import type { Fact } from './meaning'
import { joined } from './partSaid'

/** A group of fasteners as a line says it. What somebody was not sure of is kept as not counted, or noted. */
export function holderSaid(
  id: Id,
  fact: Extract<Fact, { fact: 'holder' }>,
  count: number,
  holds: readonly Id[],
  when: When,
): Holder {
  const doubt = fact.unsure?.some((field) => field !== 'count') ? 'the head was not sure' : ''
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
  const notes = [...(leave ? ['leave it plugged'] : []), ...(count > 1 ? [`${count} plugs`] : [])]
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
  const said: [RegExp, Tether['kind']][] = [
    [/damper|strut|soft-close/, 'damper'],
    [/hose/, 'hose'],
    [/duct/, 'duct'],
    [/cable/, 'control cable'],
    [/strap/, 'strap'],
    [/antenna|aerial|coax/, 'coax'],
    [/ground|earth/, 'ground'],
    [/optical|fibre/, 'optical'],
  ]
  return said.find(([words]) => words.test(name.toLowerCase()))?.[1] ?? 'electrical'
}

const CAUTION_SENTENCES: Readonly<Record<string, string>> = {
  hot: 'Hot: let it cool before you touch it.',
  sharp: 'Sharp edges.',
  glass: 'Glass: it breaks before the clip gives.',
  cold: 'Splits in the cold: warm it first.',
  airbag: 'An airbag is behind it. The maker’s procedure and local rules go first.',
  paint: 'The paint scratches.',
  drips: 'It drips.',
}

/** A caution as a line says it. An airbag is a warning whatever was said of it. */
export function cautionSaid(id: Id, what: string, partId: Id): Caution {
  const caution = newCaution(id, partId, CAUTION_SENTENCES[what] ?? `${what[0]!.toUpperCase()}${what.slice(1)}.`)
  return what === 'airbag' ? { ...caution, severity: 'WARNING' } : caution
}
