import type { Id } from '../base/id'
import { newCaution, type Caution } from '../procedure/caution'
import { Holder } from '../procedure/holder'
import type { When } from '../procedure/when'
import type { Fact } from './meaning'

/** A group of fasteners as a line says it. What somebody was not sure of is kept as not counted, or noted. */
export function holderSaid(
  id: Id,
  fact: Extract<Fact, { fact: 'holder' }>,
  count: number,
  holds: readonly Id[],
  when: When,
): Holder {
  const [, diameter, length] = /^M(\d+)x(\d+)$/.exec(fact.thread ?? '') ?? []
  const heads = fact.drive ? [{ drive: fact.drive, size: fact.size ?? '' }, ...(fact.or ?? [])] : []
  const isAbout = fact.unsure?.includes('count') ?? false
  const doubt = fact.unsure?.some((field) => field !== 'count') ? 'the head was not sure' : ''
  return Holder.parse({
    id,
    kind: fact.kind,
    count,
    howMany: isAbout ? 'about' : 'counted',
    holds: [...holds],
    drives: heads,
    thread: diameter ? { diameterMm: Number(diameter), lengthMm: Number(length) } : null,
    torqueNm: fact.torqueNm ?? null,
    captive: fact.captive ?? false,
    reuse: fact.reuse ?? 'reuse',
    stack: fact.stack ?? [],
    tell: fact.tell ?? '',
    reach: { by: fact.reach ?? 'sight' },
    note: [fact.where, doubt].filter(Boolean).join(', '),
    when,
  })
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
