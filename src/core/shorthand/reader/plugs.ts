import { TAB_SIDES } from '../../procedure/tether'
import { text, textOrNull, type Draft, type Plug } from './draft'
import type { Item } from './sense'

/** The plug that is spoken of; a nameless one where none is, to be named yet. */
function plugFor(draft: Draft, item: Item): Plug {
  if (draft.plug) {
    draft.plug.items.push(item)
    return draft.plug
  }
  draft.group = null
  draft.plug = draft.add('plug', draft.topic === null ? {} : { of: draft.topic }, item)
  const { leave, behind } = draft.before
  draft.plug.isOpened = draft.isOpening
  if (leave) draft.plug.fields.leave = true
  if (behind !== undefined) draft.plug.fields.behind = [behind]
  draft.before = {}
  return draft.plug
}

/** A plug by name: the nameless one that was spoken of, or another. */
function name(draft: Draft, item: Item, named: string): void {
  if (draft.correcting) {
    const others = draft.made.filter(({ fact, fields }) => fact === 'plug' && fields.name !== named)
    draft.made.splice(0, draft.made.length, ...draft.made.filter((made) => !others.includes(made)))
    draft.plug = draft.made.findLast(({ fact }) => fact === 'plug') ?? null
    draft.correcting = false
  }
  // "Two connectors and the antenna": that is one more.
  const isOneMore = draft.last?.sign === 'and' && Number(draft.plug?.fields.count ?? 1) > 1
  if (draft.plug && draft.plug.fields.name === undefined && !isOneMore) {
    draft.plug.items.push(item)
    draft.plug.fields.name = named
    return
  }
  if (draft.plug && draft.plug.fields.name === named) return
  // Spoken of again: "antenna, main, usb. Main has a lever".
  const isThat = ({ fact, fields }: Plug) =>
    fact === 'plug' && fields.name === named && (fields.of ?? null) === draft.topic
  const again = draft.made.findLast(isThat)
  if (again) {
    again.items.push(item)
    draft.clause.push(again)
    draft.group = null
    draft.plug = again
    return
  }
  draft.plug = null
  plugFor(draft, item).fields.name = named
}

const TAB_OF: Readonly<Record<string, string>> = { upper: 'top', lower: 'bottom' }

export const PLUG_ITEMS: Record<string, (draft: Draft, item: Item) => void> = {
  unplug(draft, item) {
    draft.isOpening = true
    // "Lamp behind it unplug": that one.
    const last: Plug | undefined = draft.made.findLast(({ fact }) => fact === 'plug')
    const isThat = last && draft.clause.includes(last) && draft.last?.is !== 'unplug'
    if (last && (isThat || item.it)) return void (last.isOpened = true)
    draft.plug = null
    draft.unplugging = true
    plugFor(draft, item)
    if (item.count) draft.plug!.fields.count = Number(item.count)
  },
  plug(draft, item) {
    const named = textOrNull(item.name)
    if (named !== null) name(draft, item, named)
    else if (!draft.plug || (draft.plug.fields.colour !== undefined && item.colour)) {
      draft.plug = null
      plugFor(draft, item)
    }
    if (item.colour) plugFor(draft, item).fields.colour = item.colour
    if (item.count) plugFor(draft, item).fields.count = item.count
  },
  plugs(draft, item) {
    draft.plug = null
    const plug = plugFor(draft, item)
    if (draft.subject !== null) plug.fields.name = draft.subject
    plug.fields.count = item.count
    draft.ask('part', plug)
  },
  'plug name'(draft, item) {
    const named = text(item.name)
    if (item.onlyOpened && !draft.unplugging) return draft.leaveUnread(item)
    if (named === 'airbag' && !draft.plug)
      return void draft.add('caution', { what: 'airbag', ...ofSubject(draft) }, item)
    name(draft, item, named)
  },
  latch(draft, item) {
    if (item.bare && !draft.plug) return draft.leaveUnread(item)
    const plug = plugFor(draft, item)
    plug.fields.latch = item.latch
    if (item.colour) plug.fields.colour = item.colour
    draft.correcting = false
  },
  tab(draft, item) {
    const side = TAB_OF[textOrNull(item.side) ?? ''] ?? item.side
    if (side !== null && !(TAB_SIDES as readonly unknown[]).includes(side)) return draft.leaveUnread(item)
    const plug = plugFor(draft, item)
    if (side !== null) plug.fields.tab = side
    draft.correcting = false
  },
  colour(draft, item) {
    const { next } = draft
    if (!draft.plug && !['plug', 'plug name', 'tab', 'latch', 'leave'].includes(next?.is ?? '')) return
    const plug = plugFor(draft, item)
    if (plug.fields.colour === undefined || draft.correcting) plug.fields.colour = item.colour
    draft.correcting = false
  },
  /** Of the plug of its clause it says that it is left alone; of anything else nothing. */
  stays({ plug, clause }) {
    if (plug && clause.includes(plug)) plug.fields.leave = true
  },
  leave(draft, item) {
    draft.isOpening = false
    const plug = draft.plug ?? (item.bare ? null : (draft.made.findLast(({ fact }) => fact === 'plug') ?? null))
    draft.correcting = false
    if (plug && isLeftAlone(plug, draft, item)) plug.fields.leave = true
    else if (item.touch) draft.add('must not', { what: 'touch', ...ofSubject(draft) }, item)
    else if (!item.forbids || namesOne(draft.next) || (draft.last?.is !== 'end' && draft.subject === null))
      draft.before.leave = item
    else draft.add('must not', { what: 'unplug', ...ofSubject(draft) }, item)
  },
}

/** Whether it is this plug that is left: one of another clause only where nothing else can be meant. */
function isLeftAlone(plug: Plug, draft: Draft, { bare, forbids, touch }: Item): boolean {
  if (draft.clause.includes(plug)) return true
  return !bare && (!forbids || touch === true || isOfAirbag(plug, draft) || isSaidOfThat(draft))
}

const namesOne = (next: Item | null) => ['plug', 'plug name', 'part', 'colour'].includes(next?.is ?? '')

/** "Hazard plug, do not unplug": of the plug that was just named, and of nothing else. */
function isSaidOfThat({ made, next }: Draft): boolean {
  return made.at(-1)?.fact === 'plug' && (next === null || next.is === 'end')
}

const isOfAirbag = ({ fields }: Plug, { language }: Draft) => language.airbag.test(String(fields.name))

export function ofSubject({ subject }: Draft): { of?: string } {
  return subject === null ? {} : { of: subject }
}

/** A plug without a name is the one of the part in hand: which, is asked. So is an airbag's that nobody opened. */
export function finishPlug(plug: Plug, draft: Draft): boolean {
  const { fields, isOpened } = plug
  // Something in the line stays plugged: whether it is this one is asked, whatever else was said of it.
  const isClear = fields.leave !== undefined || (isOpened === true && !draft.isLeaving)
  if (isOfAirbag(plug, draft) && !isClear) draft.ask('airbag', plug)
  if (fields.name !== undefined) return true
  draft.ask('part', plug)
  return false
}
