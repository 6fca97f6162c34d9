import type { Id } from '@/core/base/id'
import type { Bar } from '@/core/leads/allowed'
import type { FoundRun, LeadLayout } from '@/core/plan/leads/leadLayout'
import { fusedWith } from '@/core/leads/electric'
import type { KitLead } from '@/core/shop/lead'
import type { NoWay } from '@/core/plan/leads/noWay'
import type { OtherWay } from '@/core/plan/leads/otherWays'
import type { ProcedureDocument } from '@/core/procedure/document'
import { itemWords } from './items'
import { lengthWords } from './leadNotes'
import { hazardWords } from './wayWords'

/** Why a lead may not take a way: one reason. */
export function barWords(document: ProcedureDocument, bar: Bar): string {
  switch (bar.kind) {
    case 'never':
      return `never: ${bar.why}`
    case 'not there':
      return 'the crew does without it'
    case 'rule':
      return `${hazardWords(bar.passed)}: ${bar.rule.sentence}`
    case 'bend':
      return `it turns as tight as ${lengthWords(bar.hasMm)}, this lead no tighter than ${lengthWords(bar.leastMm)}`
    case 'too thick':
      return `${bar.diameterMm} mm are too thick for it`
    case 'does not flex':
      return 'something moves there, and this lead may not flex'
    case 'must stay dry':
      return `${itemWords(document, bar.pointId)} is wet, and this lead must stay dry`
    case 'goes outside':
      return `it goes outside by ${itemWords(document, bar.pointId)}, where this lead has no end`
  }
}

/** "fuse 40 A, 6 mm² or more (0.27 V lost)": what a lead with a current asks for; empty where nobody said one. */
export function electricWords({ electric, suppliedMm }: KitLead, run: FoundRun): string {
  if (!electric) return ''
  const found = fusedWith(electric, run.cutMm ?? suppliedMm ?? run.needMm)
  if (!found) return `no fuse or conductor is large enough for ${electric.currentA} A over this length`
  const own = electric.conductorMm2
  const thin = own !== null && own < found.mm2 ? `; its own ${own} mm² are too thin` : ''
  return `fuse ${found.fuseA} A, ${found.mm2} mm² or more (${found.dropV.toFixed(2)} V lost at ${electric.currentA} A)${thin}`
}

export type LeadNames = (leadId: Id) => string

/** Why leads can't be laid, and what would help. */
export function noWayWords(
  document: ProcedureDocument,
  because: NoWay,
  leadName: LeadNames,
): { sentence: string; border: string[]; remedy: string } {
  switch (because.kind) {
    case 'barred':
      return {
        sentence: `${leadName(because.leadId)} gets no further than ${listed(because.reached.map((id) => itemWords(document, id)))}.`,
        border: because.border.map(
          ({ wayId, bars }) =>
            `${itemWords(document, wayId)}: ${bars.map((bar) => barWords(document, bar)).join('; ') || 'what it needs open can’t be opened here'}`,
        ),
        remedy: 'Record another way, look again where a distance was never measured, or lay it elsewhere.',
      }
    case 'too short':
      return {
        sentence: `${leadName(because.leadId)} is ${lengthWords(because.shortMm)} too short for the shortest way it may take.`,
        border: [],
        remedy: 'Take a longer one, extend it, or measure the ways: what is only estimated counts 15 % more.',
      }
    case 'connectors':
      return {
        sentence: `No way lets either end of ${leadName(because.leadId)} through with its connector on.`,
        border: [],
        remedy: 'Fit the connector once it is laid, or record a roomier way.',
      }
    case 'together':
      return {
        sentence: `${listed(because.leadIds.map(leadName))} can’t all be laid: each of them alone can.`,
        border: because.wayIds.map((id) => `${itemWords(document, id)}: too narrow for them side by side`),
        remedy: 'Supply one of them otherwise, or record another way.',
      }
    case 'too many':
      return {
        sentence: `${because.leads} leads are more than are laid out together: ${because.most}.`,
        border: [],
        remedy: 'Make two jobs of it.',
      }
    case 'not found':
      return {
        sentence: 'No layout was found within what is looked at; it is not known that there is none.',
        border: [],
        remedy: 'Say where some of the leads go, or lay fewer of them in one job.',
      }
  }
}

function listed(names: readonly string[]): string {
  return names.length < 2 ? (names[0] ?? 'its first end') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)!}`
}

/** What another way would cost, or why it is not taken. */
export function otherWayWords(document: ProcedureDocument, other: OtherWay): string {
  if (other.bars.length > 0) return other.bars.map((bar) => barWords(document, bar)).join('; ')
  const by = other.wayIds.map((id) => itemWords(document, id)).join(', then ')
  if (other.moreS === null)
    return other.is === 'taken' ? 'there is no other way' : 'no run goes through there and comes to both ends'
  const more = `${other.atLeast ? 'at least ' : ''}${secondsWords(other.moreS)}`
  if (other.moreS === 0) return `as quick: ${by}`
  return other.is === 'taken' ? `without it ${more} more: ${by}` : `${more} more: ${by}`
}

/** "22 s", "2 min 40 s". */
export function secondsWords(seconds: number): string {
  const whole = Math.round(seconds)
  return whole < 100 ? `${whole} s` : `${Math.floor(whole / 60)} min${whole % 60 ? ` ${whole % 60} s` : ''}`
}

/** "proven: nothing opens and lays them in less", or how much less is not ruled out. */
export function layoutProofWords(layout: Extract<LeadLayout, { kind: 'laid' }>): string {
  if (layout.openingsTaken) return 'With the openings of the goals as they are; others might go better with the leads.'
  if (layout.proven) return 'Proven: no other layout opens and lays them in less.'
  return `At most ${secondsWords(layout.openS + layout.layS - layout.boundS)} could be saved by another layout.`
}
