import { text, textOrNull, type Draft, type Group } from './draft'
import { fullName, named } from './named'
import { lies } from './places'
import { ofSubject } from './plugs'
import type { Item } from './sense'

const refit = (field: string, value: (item: Item) => unknown = () => true) => {
  return (draft: Draft, item: Item) => void (draft.about('refit', item).fields[field] = value(item))
}

export const OTHER_ITEMS: Record<string, (draft: Draft, item: Item) => void> = {
  part: named,
  where: lies,
  behind(draft, item) {
    const hider = text(item.part)
    const { group, plug } = draft
    const found = draft.made.at(-1)
    if (found?.fact === 'found' && draft.clause.includes(found)) found.fields.where ??= `behind ${hider}`
    else if (group && group.fields.behind === undefined) group.fields.behind = [hider]
    else if (plug && plug.fields.behind === undefined) plug.fields.behind = [hider]
    else {
      draft.before.behind = hider
      draft.waiting.behind = item
    }
  },
  'behind it'(draft, item) {
    const hider = draft.wayPart ?? draft.subject
    const { group, plug } = draft
    if (plug && draft.clause.includes(plug) && hider !== null) plug.fields.behind ??= [hider]
    else if (group && hider !== null && group.fields.behind === undefined) {
      group.fields.behind = [hider]
      if (String(group.fields.holds) === hider) delete group.fields.holds
    } else if (draft.subject !== null) {
      draft.before.behind = draft.subject
      draft.waiting.behind = item
    }
  },
  on(draft, item) {
    draft.lastPart = text(item.part)
    if (draft.group && isOfGroup(draft.group, draft, item)) stands(draft.group, item)
    else isOfOther(draft, item)
  },
  traps(draft, item) {
    if (item.of === null) return draft.askAt('part', item)
    draft.add('traps', { of: item.of, by: item.by }, item)
  },
  'part first'(draft, item) {
    if (draft.refitting) refit('first', ({ part: first }) => first)(draft, item)
    else if (draft.subject !== null) draft.add('traps', { of: draft.subject, by: item.part }, item)
    else draft.leaveUnread(item)
  },
  fixing: (draft, item) => void draft.add('fixing', { fixing: item.fixing, ...ofSubject(draft) }, item),
  brittle: (draft, item) =>
    void draft.add('brittle', { ...ofSubject(draft), ...(item.not === true && { not: true }) }, item),
  rests(draft, item) {
    if (draft.plug && draft.last?.is === 'plug') return
    const part = textOrNull(item.part)
    const named = part === null ? draft.subject : fullName(draft, part)
    draft.add('rests', { how: item.how, ...(named !== null && { of: named }) }, item)
  },
  persons(draft, item) {
    const others = draft.made.filter(({ fact }) => fact !== 'persons')
    if (draft.instead || draft.made.some(({ fact, fields }) => fact === 'persons' && fields.of === draft.subject))
      draft.made.splice(0, draft.made.length, ...others)
    const part = textOrNull(item.part)
    if (part !== null) draft.turnTo(fullName(draft, part))
    draft.add('persons', { count: item.count, ...ofSubject(draft) }, item)
  },
  refit(draft) {
    draft.refitting = true
  },
  first(draft, item) {
    const isRelease = !draft.refitting && draft.made.some(({ fact }) => fact === 'holder' || fact === 'release')
    if (item.bare && isRelease) draft.about('release', item).fields.start ??= item.bare
    else draft.about('refit', item).fields.first = item.first
    if (item.group) draft.refitting = true
  },
  'stray first'(draft, item) {
    const { made } = draft
    // "First you take the cover off": of the telling, not of the taking.
    if (item.at > 0 && !draft.refitting && !['setting', 'refit', 'release', 'plug'].includes(made.at(-1)?.fact ?? ''))
      draft.leaveUnread(item)
  },
  last: refit('last', ({ last }) => last),
  test: (draft, item) => void draft.add('test', { what: item.what }, item),
  tell: (draft, item) => void draft.add('tell', { when: item.when, by: wordsAfter(item, 'by') }, item),
  'short lead'(draft) {
    if (draft.plug) draft.plug.fields.mustOpenFor = 'free'
  },
  'before plugging'(draft) {
    const plug = draft.made.findLast(({ fact }) => fact === 'plug')
    if (plug) plug.fields.beforePlugging = `${text(plug.fields.latch ?? 'latch')} fully open`
  },
  'leads first': refit('leadsFirst'),
  'start all': refit('startAll'),
  snug: refit('snug'),
  align: refit('align', ({ align }) => align),
  listen: refit('listen', ({ listen }) => listen),
  setting(draft, item) {
    const known = draft.correcting && draft.made.findLast(({ fact }) => fact === 'setting')
    if (known) known.fields.value = item.value
    else {
      const of = draft.topic !== null && item.setting !== draft.topic ? { of: draft.topic } : {}
      draft.add('setting', { ...of, setting: item.setting, value: item.value }, item)
    }
    if (item.side === true) draft.askAt('whose left', item)
    draft.correcting = false
    if (item.setting === 'seat') draft.turnTo('seat')
    else if (draft.clause.length === 1) draft.subject = null
  },
  wait(draft, item) {
    const setting = draft.made.findLast(({ fact }) => fact === 'setting')
    if (setting) setting.fields.waitMin = item.minutes
    else draft.leaveUnread(item)
  },
  caution(draft, item) {
    const forbidden = draft.made.at(-1)?.fact === 'must not' ? draft.lastPart : null
    const named = textOrNull(item.part) ?? draft.subject ?? forbidden
    // "My hands were cold" tells nothing of a part.
    if (item.what === 'cold' && named === null && item.bare === true) return
    draft.add('caution', { what: item.what, ...(named !== null && { of: named }) }, item)
  },
  found(draft, item) {
    const last = draft.made.findLast(({ fact }) => fact === 'holder') as Group | undefined
    const own = isMissingItself(draft, item, last) ? last : undefined
    if (own) draft.takeBack(own)
    const { state, count = own?.count ?? undefined, kind } = item
    const of = kind ?? last?.kind
    draft.group = null
    const found = draft.add(
      'found',
      {
        state,
        ...(of !== undefined && { kind: of }),
        ...(count !== undefined && { count }),
        ...(item.where !== undefined && { where: item.where }),
      },
      item,
    )
    // Their words are of what was found.
    if (own) found.items.push(...own.items)
  },
  when(draft, item) {
    if (item.bare === true) return saidBeside(draft, item)
    draft.whenSaid = text(item.when)
    if (draft.clause.length > 0) for (const { fields } of draft.clause) fields.when ??= item.when
    else draft.when = text(item.when)
  },
  mirrored: (draft, item) => void draft.add('mirrored', {}, item),
  'take back'(draft, item) {
    draft.add('take back', {}, item)
    draft.isOver = true
  },
  correct(draft, item) {
    draft.correcting = draft.last !== null
    draft.isOpening = false
    draft.mayCorrect ||= item.at === 0
    draft.instead ||= item.at === 0 && item.again === true
  },
  swap(draft) {
    const traps = draft.made.findLast(({ fact }) => fact === 'traps')
    if (traps) Object.assign(traps.fields, { of: traps.fields.by, by: traps.fields.of })
  },
  /** "Column shroud upper: ..., lower: ...": the other of two parts. */
  half(draft, item) {
    const place = text(item.place)
    if (draft.topic === null) return lies(draft, { ...item, where: place })
    draft.topic = [place, ...draft.topic.split(' ').filter((word) => !HALVES.includes(word))].join(' ')
    draft.turnTo(draft.topic)
  },
  /** The last fact of a kind is not so. */
  'not so'(draft, { fact: kind }) {
    const gone = draft.made.findLast(({ fact }) => fact === kind)
    if (gone) draft.takeBack(gone)
  },
  'undo last'(draft) {
    const gone = draft.made.at(-1)
    if (gone) draft.takeBack(gone)
  },
  eased(draft, item) {
    const eased = draft.topic ?? draft.subject
    if (eased === null) return draft.askAt('part', item)
    draft.add('part', { part: eased, level: 'eased' }, item)
  },
  value(draft, item) {
    const settings = draft.made.filter(({ fact }) => fact === 'setting')
    // "Then off again": what was switched, whatever was moved since.
    const known =
      settings.findLast(({ fields }) => isSwitched(fields.value) === isSwitched(item.value)) ?? settings.at(-1)
    if (known && draft.correcting) known.fields.value = item.value
    else if (known) draft.add('setting', { setting: known.fields.setting, value: item.value }, item)
    draft.correcting = false
  },
  instead(draft, item) {
    // "Three screws, not four": the number was said.
    const isSaid = draft.made.some((made) => made.fact === 'holder' && typeof (made as Group).count === 'number')
    if (item.field === 'count' && isSaid && !draft.instead && !draft.mayCorrect) return
    draft.insteadOf = { ...draft.insteadOf, [String(item.field)]: item.value }
  },
  or(draft, item) {
    const { group } = draft
    if (group) group.fields.or = [{ drive: item.drive, ...(item.size !== null && { size: item.size }) }]
    else draft.leaveUnread(item)
  },
  heard(draft, item) {
    draft.askAt('heard', item)
    draft.heard.push(item)
  },
  nothing: () => undefined,
  aside: () => undefined,
  stray: (draft, item) => draft.leaveUnread(item),
  held: () => undefined,
  end(draft, item) {
    if (item.sign === '.' || item.sign === ';') {
      draft.closeThings()
      draft.when = null
      draft.correcting = false
    }
    // "Unplug hazard and antenna": both; after a comma something else may be said.
    if (item.sign !== 'and') draft.isOpening = false
    // What comes after it is not held by what is off.
    const isOff = draft.clause.some(
      ({ fact, fields }) => fact === 'part' && fields.level === 'off' && fields.part === draft.subject,
    )
    if (isOff && draft.owner === null && item.sign !== ':') draft.subject = null
    draft.clause = []
    if (draft.isOnTheWay && item.sign !== ':') draft.backToOwner = true
  },
  unread: (draft, item) => draft.leaveUnread(item),
}

/** "Four T20 screws missing": those are not there, and are no fasteners beside. */
function isMissingItself({ last, clause }: Draft, { count, kind }: Item, group: Group | undefined): boolean {
  if (group === undefined || count !== undefined || kind !== undefined || !clause.includes(group)) return false
  return last?.is === 'kind' || last?.is === 'drive'
}

const HALVES = ['upper', 'lower', 'top', 'bottom', 'front', 'rear']
const isSwitched = (value: unknown) => value === 'on' || value === 'off'

/** "In neutral (manual)": of the last fact only. */
function saidBeside(draft: Draft, item: Item): void {
  const last = draft.clause.at(-1)
  if (!last) draft.when = text(item.when)
  else if ((last.fields.when ?? item.when) === item.when) last.fields.when = item.when
  else draft.leaveUnread(item)
}

/** Whether what a group is said to be on is told of it: what it holds, or where it is. */
function isOfGroup({ fields, isInherited }: Group, { clause, group }: Draft, { alone }: Item): boolean {
  return fields.holds === undefined || (isInherited === true && clause.includes(group!)) || alone === true
}

/** In or at something that is named beside what the group holds: where it is; else it holds that. */
function stands(group: Group, { part, within, place }: Item): void {
  if (group.isInherited && within !== undefined) group.fields.where ??= within
  else {
    group.fields.holds = [part]
    group.isInherited = false
    if (place !== undefined) group.fields.where ??= place
  }
}

function isOfOther(draft: Draft, item: Item): void {
  const of = text(item.part)
  const { group, plug, last } = draft
  if (group && String(group.fields.holds) !== of && last?.is !== 'end') draft.leaveUnread(item)
  else if (plug) plug.fields.of ??= of
  else if (last?.is !== 'part' && !(item.within !== undefined && last?.is === 'move')) draft.turnTo(of)
}

/** The words of an item after one of them, as they were said. */
function wordsAfter({ words }: Item, word: string): string {
  const at = words.findIndex(({ text: said }) => said === word)
  return words
    .slice(at + 1)
    .map(({ text: said }) => said)
    .filter((said) => said !== 'the')
    .join(' ')
}
