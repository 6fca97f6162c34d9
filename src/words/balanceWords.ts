import { notUnderstoodWords, refusedWords } from './savedWords'
import type { UnresolvedOf } from '@/core/job/unresolved'
import type { Id } from '@/core/base/id'
import { unreachable } from '@/core/base/result'
import type { OpenReason } from '@/core/job/account'
import type { BalanceRow } from '@/core/job/balance'
import type { HandoverBlock } from '@/core/job/handover'
import type { ProcedureDocument } from '@/core/procedure/document'
import { isAirbagCircuit, mayStayOpen } from '@/core/procedure/circuits'
import type { Tether } from '@/core/procedure/tether'
import type { Breach } from '@/core/vehicle/judge'
import type { PutBack } from '@/core/vehicle/powerGate'
import { holderKindWords, itemWords, threadWords, toolWords, ownerWords } from './items'
import { kitRowWords, leftWords } from './kitRowWords'
import { capital, settingTo } from './operations'

/** An open row of the balance: what it is, and what to do. */
export function rowWords(document: ProcedureDocument, row: BalanceRow): RowWords {
  switch (row.account) {
    case 'holder':
      return holderRow(document, row)
    case 'part':
      return partRow(document, row)
    case 'tether':
      return tetherRow(document, row)
    case 'setting':
      return {
        heading: `${capital(itemWords(document, row.id))} is ${row.value}`,
        sentence: row.open ? `It is owed at “${row.owed}”.` : 'as agreed',
      }
    case 'stray':
      return strayRow(document, row)
    case 'unresolved':
      return unresolvedRow(row)
    case 'supply':
    case 'plug':
    case 'lead':
    case 'module':
      return kitRowWords(document, row)
    case 'tool':
      return {
        heading: capital(toolWords(row.id)),
        sentence: row.open ? 'It came with this job and is not back in the bag.' : 'back',
      }
    default:
      return unreachable(row)
  }
}

type RowWords = { heading: string; sentence: string }
type RowOf<A extends BalanceRow['account']> = Extract<BalanceRow, { account: A }>

function strayRow(document: ProcedureDocument, { head, where, couldBe }: RowOf<'stray'>): RowWords {
  const complete = couldBe.map((id) => itemWords(document, id)).join('; ') || 'no group with this head came off'
  return {
    heading: `A ${head} lies ${where || 'there'}`,
    sentence: `The log says these are complete: ${complete}. One of them is short. Measure it.`,
  }
}

/** Something nobody can look up any more: what it was done to, and that somebody has to look. */
function unresolvedRow({ of, out, back, open }: RowOf<'unresolved'>): RowWords {
  const done = UNRESOLVED[of]
  return {
    heading: of === 'holder' ? `${done}, ${out} out and ${back} back` : done,
    sentence: open ? 'Look at the vehicle, then say that it is back as it was.' : 'back as it was',
  }
}

/** "Opened: a plug no longer in the record". */
export function unresolvedWords(of: UnresolvedOf): string {
  return UNRESOLVED[of]
}

const UNRESOLVED: Readonly<Record<UnresolvedOf, string>> = {
  holder: 'Undone: a fastener group no longer in the record',
  part: 'Moved: a part no longer in the record',
  tether: 'Opened: a plug no longer in the record',
  setting: 'Changed: a setting no longer in the record',
  facet: 'Told: a choice no longer in the record',
}

function holderRow(document: ProcedureDocument, row: RowOf<'holder'>): RowWords {
  const holder = document.holders.find((item) => item.id === row.id)!
  const open = row.open.map((reason) =>
    // Left behind by a kit, or by a part that ends elsewhere: none went back, and none is to.
    reason.kind === 'in hand' && row.back === 0
      ? `${reason.count} in hand, and nothing is held by ${reason.count === 1 ? 'it' : 'them'} any more. Say where ${reason.count === 1 ? 'it goes' : 'they go'}.`
      : openReasonSentence(reason, threadWords(holder)),
  )
  return {
    heading: `${ownerWords(document, holder)}, ${holderKindWords(holder)}`,
    sentence: open.join(' ') || 'Out and back agree.',
  }
}

function partRow(document: ProcedureDocument, row: RowOf<'part'>): RowWords {
  const name = itemWords(document, row.id)
  const by = row.by && itemWords(document, row.by)
  if (!row.open) return { heading: name, sentence: row.end ?? (by ? `${by} stands in its place` : 'back') }
  if (by)
    return { heading: `${name} is ${row.level === 'off' ? 'out' : row.level}`, sentence: `${by} goes in its place.` }
  return row.level === 'off'
    ? { heading: `${name} is out`, sentence: 'It goes back to its place.' }
    : { heading: `${name} is ${row.level}`, sentence: 'It is pushed home.' }
}

function tetherRow(document: ProcedureDocument, row: RowOf<'tether'>): RowWords {
  const name = itemWords(document, row.id)
  if (!row.open) return { heading: `Plug ${name}`, sentence: row.end ?? 'closed' }
  const tether = document.tethers.find((item) => item.id === row.id)!
  return { heading: `Plug ${name} is open`, sentence: openPlugSentence(tether) }
}

function openReasonSentence(reason: OpenReason, thread: string): string {
  const what = thread ? ` (${thread})` : ''
  switch (reason.kind) {
    case 'short':
      return reason.loose > 0
        ? `${reason.count} not back${what}: ${reason.loose} in hand.`
        : `${reason.count} not back${what}, and none in hand: take a new one.`
    case 'in hand':
      return `All are in, and ${reason.count} more ${reason.count === 1 ? 'is' : 'are'} in hand. Say where ${reason.count === 1 ? 'it goes' : 'they go'}.`
    case 'more back than out':
      return `${reason.count} more went back than came out. Count again.`
    case 'pieces':
      return `${reason.count} broke. Find the pieces behind the panel.`
    case 'too many left':
    case 'too few left':
      return leftWords(reason)
    case 'lost':
      return `${reason.count} lost: it may lie in the dash. Search, then sign for the search.`
    default:
      return unreachable(reason)
  }
}

/** What still forbids the hand-over, as a sentence that says what to do. */
export function blockSentence(document: ProcedureDocument, block: HandoverBlock): string {
  switch (block.kind) {
    case 'account': {
      const { heading, sentence } = rowWords(document, block.row)
      return `${heading}. ${sentence}`
    }
    case 'not tested':
      return `${block.name} is not tested yet.`
    case 'tested before it was closed':
      return `${block.name} was tested before the plug ${block.plug.name} was closed again. Test it once more.`
    case 'tested before it was closed over':
      return `${block.name} was tested before ${itemWords(document, block.partId)} was pushed home over it. Test it once more.`
    case 'test failed':
      return `${block.name} failed its test. Find the cause, then test it again.`
    case 'change not recorded':
      return `${capital(block.change.what)} “${block.change.where}”: say what was really done, and who agreed.`
    case 'loss not accepted':
      return `Nobody has accepted yet what the vehicle can’t do any more: ${block.names.join(', ')}.`
    case 'not restored':
      return `${capital(block.point)} was noted as “${block.value}” before: put it back so, and say it is.`
    case 'installer has not signed':
      return 'The installer has not signed.'
    case 'nobody has checked':
      return 'Nobody has checked it yet: a second person looks at the vehicle and signs.'
    case 'not understood':
      return notUnderstoodWords(block.count)
    case 'refused here':
      return `${refusedWords(block.count)} by the shop: say at the top what becomes of it.`
    default:
      return unreachable(block)
  }
}

/** Why a power may not come on, in few words: "Airbag lamp open", "gear lever out of park". */
export function forbidsWords(
  document: ProcedureDocument,
  breach: Breach,
  settings: ReadonlyMap<string, string>,
): string {
  const [tetherId] = breach.tetherIds
  if (tetherId && !hasPlug(document, tetherId)) return 'a plug open that is not in the record'
  if (tetherId) return `${itemWords(document, tetherId)} open`
  const [settingId] = breach.settingIds
  return settingId ? settingTo(itemWords(document, settingId), settings.get(settingId) ?? '') : breach.rule.sentence
}

/** What to do where no plug or setting of the record put back would let the power come on. */
export function noPutBackWords(document: ProcedureDocument, forbiddenBy: readonly Breach[]): string {
  return forbiddenBy.some(({ tetherIds }) => tetherIds.some((id) => !hasPlug(document, id)))
    ? 'Look at the vehicle and close the plug, then close its row in the balance. In doubt, call somebody licensed.'
    : 'Nothing that a crew puts back would allow it. Stop, and call somebody licensed.'
}

function hasPlug(document: ProcedureDocument, tetherId: Id): boolean {
  return document.tethers.some(({ id }) => id === tetherId)
}

/** One thing to put back: "Bring the centre surround to its place, held, and plug airbag lamp". */
export function putBackWords(document: ProcedureDocument, item: PutBack): string {
  if (item.kind === 'set') return capital(settingTo(itemWords(document, item.settingId), item.value))
  const plug = `plug ${itemWords(document, item.tetherId)}`
  return item.bringPartId
    ? `Bring the ${itemWords(document, item.bringPartId).toLowerCase()} near its place, held or on a cloth, and ${plug}`
    : capital(plug)
}

function openPlugSentence(tether: Tether): string {
  if (isAirbagCircuit(tether)) return 'It is closed with the ignition off, before anything is switched on.'
  return mayStayOpen(tether)
    ? 'Close it, or say that it stays open and insulated on purpose.'
    : 'Close it: the vehicle does not go out without it.'
}
