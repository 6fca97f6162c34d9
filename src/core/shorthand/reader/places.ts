import type { Motion } from '../meaning'
import { text, type Draft } from './draft'
import type { Item } from './sense'

/** What lies somewhere: the group or the plug that was spoken of last, or the one that comes. */
export function lies(draft: Draft, item: Item): void {
  if (item.ask === 'whose left') return draft.askAt('whose left', item)
  const place = text(item.where ?? item.start)
  if (!seatGoes(draft, item, place)) placeIn(draft, item, place)
  draft.correcting = false
}

/** "Then back": where the seat goes. */
function seatGoes(draft: Draft, item: Item, place: string): boolean {
  const seat = draft.made.some(({ fact, fields }) => fact === 'setting' && fields.setting === 'seat')
  if (!seat || draft.last?.is !== 'end' || draft.next?.is !== 'end') return false
  draft.add('setting', { setting: 'seat', value: place === 'rear' ? 'back' : place }, item)
  return true
}

function placeIn(draft: Draft, item: Item, place: string): void {
  const { group, plug, correcting } = draft
  const motion = motionOpenTo(draft, place)
  if (motion) motion.to = place
  else if (plug && correcting && plug.fields.tab !== undefined) plug.fields.tab = place
  else if (group && isOfTheNext(draft)) {
    draft.group = null
    comes(draft, item, place)
  } else if (group) {
    const where = group.fields.where
    group.fields.where = where === undefined || correcting ? place : `${text(where)} ${place}`
  } else if (plug) plug.items.push(item)
  else if (isStart(draft, item)) draft.about('release', item).fields.start ??= place
  else comes(draft, item, place)
}

/** Of what is named next; nothing may come. */
function comes(draft: Draft, item: Item, place: string): void {
  draft.before.where = place
  draft.waiting.where = item
}

const SIDES = ['driver side', 'passenger side']

/** "Pull toward the driver side": which way the part goes that was just said to move. */
function motionOpenTo({ clause, last }: Draft, place: string): Partial<Motion> | null {
  if (!SIDES.includes(place) || !['move', 'to'].includes(last?.is ?? '')) return null
  const release = clause.findLast(({ fact }) => fact === 'release')
  const motion = (release?.fields.motions as Partial<Motion>[] | undefined)?.at(-1)
  return motion && motion.to === undefined ? motion : null
}

/** "Top row 4 screws, bottom row 2 clips": a place that begins a clause is of those that come. */
function isOfTheNext({ last, next, correcting }: Draft): boolean {
  return last?.is === 'end' && !correcting && ['count', 'kind', 'drive'].includes(next?.is ?? '')
}

/** An edge, or a place after "at" beside what comes off, is where it begins to. */
function isStart({ clause }: Draft, { edge, placed }: Item): boolean {
  return edge === true || (placed === true && clause.some(({ fact }) => fact === 'release'))
}
