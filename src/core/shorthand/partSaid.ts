import type { Part } from '../procedure/part'
import { documentMotion } from './documentMotion'
import type { Fact } from './meaning'
import { LANGUAGE } from './reader/language'

type FactOf<K extends Fact['fact']> = Extract<Fact, { fact: K }>
type Change = (part: Part) => Part

/** What a fact changes of its part; null where it is no field of a part. */
export function partSaid(fact: Fact): Change | null {
  switch (fact.fact) {
    case 'release':
      return releaseSaid(fact)
    case 'refit':
      return refitSaid(fact)
    case 'must not':
      return (part) => ({
        ...part,
        release: { ...part.release, mustNot: joined(part.release.mustNot, LANGUAGE.kept.never(fact.what)) },
      })
    case 'persons':
      return (part) => ({ ...part, persons: fact.count })
    case 'fixing':
      return (part) => ({ ...part, fixing: fact.fixing })
    case 'brittle':
      return (part) => ({ ...part, brittle: fact.not !== true })
    default:
      return null
  }
}

function releaseSaid({ start, motions, tool, effort, protect, protects }: FactOf<'release'>): Change {
  return (part) => ({
    ...part,
    release: {
      ...part.release,
      ...(start && { start }),
      ...(motions && { motions: motions.map(documentMotion) }),
      ...(tool && { tool }),
      ...(effort && { effort }),
      ...(protect && { protect: protects ? LANGUAGE.kept.protectsOn(protect, protects) : protect }),
    },
  })
}

function refitSaid({ first, last, align, listen, leadsFirst, startAll, snug }: FactOf<'refit'>): Change {
  return (part) => {
    const { refit } = part
    const end = joined(snug ? joined(refit.last, LANGUAGE.kept.madeSnug) : refit.last, last ?? '')
    return {
      ...part,
      refit: {
        ...refit,
        ...(first && { first }),
        ...(align && { align: joined(refit.align, align) }),
        ...(listen && { confirm: joined(refit.confirm, listen) }),
        ...(leadsFirst && { before: joined(refit.before, LANGUAGE.kept.leadsFirst) }),
        ...(startAll && { startAllFirst: true }),
        last: end,
      },
    }
  }
}

/** Both, with a comma; what is there already is not said again. */
export function joined(before: string, added: string): string {
  return before === '' ? added : before.split(', ').includes(added) ? before : `${before}, ${added}`
}
