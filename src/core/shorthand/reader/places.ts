import { text, type Draft } from './draft'
import type { Item } from './sense'

/** What lies somewhere: the group or the plug that was spoken of last, or the one that comes. */
export function lies(draft: Draft, item: Item): void {
  if (item.ask === 'whose left') {
    draft.asks.add('whose left')
    return
  }
  const place = text(item.where ?? item.start)
  const { group, plug } = draft
  const seat = draft.made.findLast(({ fact, fields }) => fact === 'setting' && fields.setting === 'seat')
  // "Then back": where the seat goes.
  if (seat && draft.last?.is === 'end' && draft.next?.is === 'end')
    return void draft.add('setting', { setting: 'seat', value: place === 'rear' ? 'back' : place }, item)
  if (plug && draft.correcting && plug.fields.tab !== undefined) plug.fields.tab = place
  else if (group && (group.fields.where === undefined || draft.correcting)) group.fields.where = place
  else if (group) group.fields.where = `${text(group.fields.where)} ${place}`
  else if (plug) plug.items.push(item)
  else if (item.edge === true) draft.about('release', item).fields.start ??= place
  else if (item.placed === true && draft.clause.some(({ fact }) => fact === 'release'))
    draft.about('release', item).fields.start ??= place
  else draft.before.where = place
  draft.correcting = false
}
