import { unreachable } from '@/core/base/result'
import type { OpenReason } from '@/core/job/account'
import type { KitRow } from '@/core/job/kitRows'
import type { ProcedureDocument } from '@/core/procedure/document'
import type { Tether } from '@/core/procedure/tether'
import { holderKindWords, itemWords, ownerWords, threadWords } from './items'

type Row<A extends KitRow['account']> = Extract<KitRow, { account: A }>

/** A row of a kit's things: what it is, and what to do. */
export function kitRowWords(document: ProcedureDocument, row: KitRow): { heading: string; sentence: string } {
  switch (row.account) {
    case 'supply':
      return { heading: supplyName(document, row.id), sentence: supplySentence(row) }
    case 'plug':
      return plugWords(
        document.tethers.find(({ id }) => id === row.id)!,
        itemWords(document, row.id),
        row,
      )
    case 'lead':
      return leadRowWords(row)
    case 'module':
      return moduleWords(row)
    default:
      return unreachable(row)
  }
}

/** "Display, PH2 M3 × 8": what a kit's thing is called. */
export function supplyName(document: ProcedureDocument, id: string): string {
  const holder = document.holders.find((item) => item.id === id)
  if (!holder) return itemWords(document, id)
  const owner = holder.holds.length > 0 ? `${ownerWords(document, holder)}, ` : ''
  return [`${owner}${holderKindWords(holder)}`, threadWords(holder)].filter(Boolean).join(' ')
}

/** What is in hand of a kit's thing once all of it is in: "2 left over, as expected". */
function supplySentence({ open, there, fitted, wanted, left }: Row<'supply'>): string {
  if (open.length > 0) return open.map(supplyReason).join(' ')
  const from = `${fitted} of ${there} fitted`
  if (left === 0) return `${from}.`
  const other = wanted === 0 ? 'none is for this build: back to the shelf' : 'as expected'
  return `${from}, ${left} left over, ${other}.`
}

function supplyReason(reason: OpenReason): string {
  switch (reason.kind) {
    case 'short':
      return reason.loose > 0
        ? `${reason.count} not fitted yet: ${Math.min(reason.count, reason.loose)} in hand.`
        : `${reason.count} not fitted yet, and none in the box: take one from the shelf.`
    case 'pieces':
      return `${reason.count} broke. Find the pieces.`
    case 'lost':
      return `${reason.count} lost: it may lie in the dash. Search, then sign for the search.`
    case 'in hand':
    case 'more back than out':
      return `${reason.count} more fitted than the box held. Count again.`
    case 'too many left':
    case 'too few left':
      return leftWords(reason)
    default:
      return unreachable(reason)
  }
}

/** More or fewer are left over than there should be. */
export function leftWords({ kind, count }: OpenReason): string {
  return kind === 'too many left'
    ? `${count} too many left over: which one was not fitted? Look before anything closes over it.`
    : `${count} missing of what should be left over: it may lie in the dash. Look for it.`
}

function plugWords(
  tether: Tether,
  name: string,
  { closed, open, capped }: Row<'plug'>,
): { heading: string; sentence: string } {
  if (capped) return { heading: `Plug ${name}`, sentence: 'left open on purpose, capped and tied back' }
  if (!open) return { heading: `Plug ${name}`, sentence: 'plugged and tried' }
  return closed
    ? { heading: `Plug ${name} is not tried`, sentence: capitalised(tryWords(tether)) }
    : { heading: `Plug ${name} is open`, sentence: `Plug it, then ${tryWords(tether)}` }
}

/** How a plug is tried by its latch (common practice, no source). */
const TRIED_BY: Readonly<Record<NonNullable<Tether['latch']>, string>> = {
  'press tab': 'hear the click and pull at the plug, not at the wires',
  'squeeze two tabs': 'hear both clicks and pull at the plug, not at the wires',
  lever: 'swing its lever home until it locks',
  'sliding lock': 'push the lock home and pull at the plug',
  'spring-loaded collar': 'let the collar spring back and pull at the plug',
  'push-on': 'push until it seats and pull lightly',
  threaded: 'turn its ring until it stops, by hand',
  screw: 'tighten its screws and pull at the plug',
  'ground stud': 'tighten it and see that the lug does not turn',
  'friction fit': 'push until it stops and pull lightly',
}

/** "hear the click and pull at the plug, not at the wires." */
export function tryWords({ latch }: Pick<Tether, 'latch'>): string {
  return `${latch ? TRIED_BY[latch] : 'pull at the plug, not at the wires'}.`
}

function capitalised(words: string): string {
  return words.charAt(0).toUpperCase() + words.slice(1)
}

/** What is owed of a lead where its work is not done. */
const OWED_OF_LEAD: Readonly<Record<Row<'lead'>['of'], string>> = {
  ready: 'Make it ready before anything is laid there.',
  lay: 'Lay it, or say that it lies.',
  seal: 'Seal it and look from the wet side: water finds the seat.',
  fuse: 'Put its fuse in, last of all.',
  sight: 'Lay it, and say which way it went.',
  moves: 'Move it through all of its travel, and look.',
}

function leadRowWords({ of, name, done, steps, open }: Row<'lead'>): { heading: string; sentence: string } {
  if (!open) return { heading: name, sentence: of === 'lay' || of === 'sight' ? 'laid' : 'done' }
  const so = done > 0 && steps > 1 ? `${done} of ${steps} done. ` : ''
  return { heading: `${name} is not done`, sentence: `${so}${OWED_OF_LEAD[of]}` }
}

function moduleWords({ name, value, expected, open }: Row<'module'>): { heading: string; sentence: string } {
  const wanted = expected.join(' or ')
  if (!open) return { heading: name, sentence: `${value}` }
  if (value === null)
    return {
      heading: `${name} is not set`,
      sentence: wanted ? `It should be ${wanted}. Set it, and read it back.` : 'Set it, and write down how it stands.',
    }
  return { heading: `${name} is ${value}`, sentence: `It should be ${wanted}. Set it anew, or say what is right.` }
}
