import type { Draft, Made } from './draft'
import type { Item } from './sense'

/** What hides it, and that it stays plugged, can turn a fact of these. */
const COULD_BE_MEANT = ['holder', 'plug', 'release']

/**
 * What was said of a group or a plug that never came. Where it could be meant for what did, it is asked about; else,
 * and a mere place, it is in no fact.
 */
export function saidOfNothing({ before, waiting, made, unread }: Draft): ReadonlySet<Item> {
  const { where, behind } = waiting
  const nowhere = new Set<Item>()
  if (where && before.where !== undefined) nowhere.add(where)
  for (const item of [before.behind !== undefined && behind, before.leave])
    if (item) {
      if (made.some(({ fact }) => COULD_BE_MEANT.includes(fact))) unread.push({ ...item, is: 'stray' })
      else nowhere.add(item)
    }
  for (const each of made) each.items = each.items.filter((item) => !nowhere.has(item))
  return nowhere
}

/** Items that say something of the fact they stand beside, and nothing by themselves. */
const BESIDE_A_FACT = [
  'held',
  'holds',
  'on',
  'single use',
  'captive',
  'told',
  'stack',
  'part',
  'behind',
  'behind it',
  'kind',
  'not so',
  'undo last',
]

/** Items of what came to no fact and is not asked about, and of what no fact stands beside. */
export function inNothing({ made, loose, asks, takenBack }: Draft, whole: readonly Made[]): ReadonlySet<Item> {
  // Of what is asked about all words are, though a tap answers for some of them.
  const asked = new Set(asks.flatMap(({ items, made: of }) => [...items, ...(of?.items ?? [])]))
  const came = made.filter((each) => whole.includes(each)).flatMap(({ items }) => items)
  const gone = [...takenBack, ...made.filter((each) => !whole.includes(each))].flatMap(({ items }) => items)
  const alone = loose.filter(({ is }) => BESIDE_A_FACT.includes(is))
  return new Set([...gone, ...alone].filter((item) => !asked.has(item) && !came.includes(item)))
}
