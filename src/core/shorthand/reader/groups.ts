import type { Draft, Group } from './draft'
import { text, textOrNull } from './draft'
import type { Item } from './sense'

/** The open group, or a new one where what is said next is said of it already. */
function groupFor(draft: Draft, item: Item, isFull: (group: Group) => boolean): Group {
  const open = draft.group
  if (open && (!isFull(open) || draft.correcting)) {
    open.items.push(item)
    draft.correcting = false
    return open
  }
  const group: Group = draft.add('holder', {}, item)
  draft.plug = null
  draft.group = group
  const held = draft.before.behind !== undefined && draft.before.behind === draft.subject ? draft.owner : draft.subject
  if (held !== null && held !== draft.before.behind) {
    group.fields.holds = [held]
    group.isInherited = true
  }
  const { behind, where, holds, reuse } = draft.before
  if (behind !== undefined) group.fields.behind = [behind]
  if (where !== undefined) group.fields.where = where
  if (holds !== undefined) group.fields.holds = [holds]
  if (reuse !== undefined) group.fields.reuse = reuse
  draft.before = {}
  return group
}

/** A strip or a patch: a number or a head after it is of something else. */
const UNCOUNTED: ReadonlySet<string> = new Set(['adhesive', 'hook-and-loop'])

/** "Four clips, no, five clips": the same ones. */
function isSaidAgain(open: Group | null, { kind }: Item, { last }: Draft): boolean {
  return open?.isRecounted === true && open.kind === kind && last?.is === 'count'
}

/** "4 M6, flange nut": what is on the screw that was said. */
function isOnItsScrew({ drive, count, kind }: Group, item: Item, { last }: Draft): boolean {
  const isNut = text(item.kind).endsWith('nut')
  return isNut && !!drive && (count ?? null) !== null && kind === undefined && last?.is === 'end'
}

const SIZE_LETTERS: Readonly<Record<string, string>> = { cross: 'PH', 'six-lobe': 'T' }

export const GROUP_ITEMS: Record<string, (draft: Draft, item: Item) => void> = {
  count(draft, item) {
    const { group: open, next } = draft
    // "Wait, these are 7": the size that was said.
    if (open && draft.correcting && open.count === undefined && open.size && next?.is !== 'kind') {
      open.size = String(item.count)
      draft.correcting = false
      return
    }
    // A count before another kind or head begins another group.
    const isAnother = (group: Group) =>
      UNCOUNTED.has(group.kind ?? '') ||
      (next?.is === 'kind' && group.kind !== undefined) ||
      (next?.is === 'drive' && group.drive !== undefined)
    const isRecounted = draft.correcting && open?.count !== undefined
    const group = groupFor(draft, item, (group) => group.count !== undefined || isAnother(group))
    if (isRecounted && group === open) group.isRecounted = true
    group.count = item.count as number | null
    if (item.unsure) group.fields.unsure = ['count']
    else if (String(group.fields.unsure) === 'count') delete group.fields.unsure
    if (item.heard) group.heard = true
    if (item.soft) group.soft = true
  },
  kind(draft, item) {
    const { group: open } = draft
    // On the way back what is seated is no other fastener.
    if (draft.refitting && !open) return
    if (open?.kind !== undefined && UNCOUNTED.has(open.kind)) draft.group = null
    if (isSaidAgain(open, item, draft)) return void open!.items.push(item)
    if (open && isOnItsScrew(open, item, draft)) return void (open.fields.stack = [item.kind])
    const group = groupFor(
      draft,
      item,
      (open) => open.kind !== undefined && !(open.kind === 'machine screw' && item.kind === 'bolt'),
    )
    group.kind = text(item.kind)
    group.several = item.several as boolean
  },
  drive(draft, item) {
    const group = groupFor(draft, item, ({ drive, kind }) => drive !== undefined || UNCOUNTED.has(kind ?? ''))
    const size = textOrNull(item.size)
    group.drive = textOrNull(item.drive)
    group.size = size
    if (item.heard) group.heard = true
  },
  size(draft, item) {
    const open = draft.group
    if (open?.drive && (open.size ?? null) === null) open.size = `${SIZE_LETTERS[open.drive] ?? ''}${text(item.n)}`
    else draft.leaveUnread(item)
  },
  /** So many of those that were said, there. */
  some(draft, item) {
    const whole = draft.made.findLast(({ fact, fields }) => fact === 'holder' && fields.isPart !== true) as
      Group | undefined
    if (!whole) {
      const group: Group = draft.add('holder', { where: item.where }, item)
      group.count = item.count as number
      return void (draft.group = group)
    }
    const group: Group = draft.add('holder', { ...whole.fields, where: item.where, isPart: true }, item)
    Object.assign(group, { kind: whole.kind, several: whole.several, drive: whole.drive, size: whole.size })
    group.count = item.count as number
    whole.left = (whole.left ?? whole.count ?? 0) - group.count
    draft.group = group
  },
  thread(draft, item) {
    groupFor(draft, item, ({ fields }) => fields.thread !== undefined).fields.thread = item.thread
  },
  torque(draft, item) {
    const group = groupFor(draft, item, ({ fields }) => fields.torqueNm !== undefined)
    for (const made of draft.made)
      if (
        made === group ||
        (made.fact === 'holder' &&
          made.fields.holds !== undefined &&
          String(made.fields.holds) === String(group.fields.holds))
      )
        made.fields.torqueNm ??= item.torqueNm
  },
  each(draft, item) {
    const places = item.where === 'each corner' ? 4 : 2
    const open = draft.group
    const n = item.count as number | null
    if (open && (open.count ?? null) !== null && open.fields.where === undefined) {
      open.items.push(item)
      open.fields.where = item.where
      if (n === null) open.count! *= places
      else if (n * places !== open.count) {
        draft.ask('count', open)
        open.count = null
      }
      return
    }
    const group = groupFor(draft, item, ({ count, fields }) => (count ?? null) !== null || fields.where !== undefined)
    if (n !== null) group.count = n * places
    group.fields.where = item.where
  },
  shared(draft, item) {
    const parts = item.parts as [string, string][]
    const total = parts.reduce((sum, [n]) => sum + Number(n), 0)
    const open = draft.group
    if (!open || open.count !== total) return draft.leaveUnread(item)
    const [first, ...rest] = parts
    open.count = Number(first![0])
    open.fields.where = first![1]
    for (const [n, where] of rest) {
      const other: Group = draft.add('holder', { ...open.fields, where }, item)
      Object.assign(other, {
        count: Number(n),
        kind: open.kind,
        several: open.several,
        drive: open.drive,
        size: open.size,
      })
    }
  },
  unsure(draft, item) {
    const open = draft.group
    if (!open) return
    open.items.push(item)
    const unsure = item.field ?? (draft.last?.is === 'drive' ? 'size' : 'count')
    open.fields.unsure = [unsure]
  },
  'or size'(draft, item) {
    const { group } = draft
    if (!group?.drive || !group.size) return draft.leaveUnread(item)
    group.fields.or = [{ drive: group.drive, size: item.n }]
    group.fields.unsure = ['size']
  },
  spanner(draft, item) {
    if (!draft.plug) GROUP_ITEMS.drive!(draft, { ...item, drive: 'hex' })
  },
  /** "All PH2": so is the head of every screw that was named without one. */
  'all heads'(draft, item) {
    const open = draft.made.filter(
      (made) => made.fact === 'holder' && (made as Group).drive === undefined && isScrew((made as Group).kind),
    ) as Group[]
    if (open.length === 0) return GROUP_ITEMS.drive!(draft, item)
    for (const group of open) {
      group.items.push(item)
      group.drive = textOrNull(item.drive)
      group.size = textOrNull(item.size)
    }
  },
  captive: (draft) => void (draft.group && (draft.group.fields.captive = true)),
  feel(draft) {
    const { fields } = draft.group ??
      draft.plug ??
      draft.made.findLast(({ fact }) => fact === 'plug' || fact === 'holder') ?? {
        fields: {} as Record<string, unknown>,
      }
    fields.reach = 'feel'
  },
  'single use'(draft) {
    if (draft.group) draft.group.fields.reuse = 'single use'
    else draft.before.reuse = 'single use'
  },
  told: (draft, item) => void (draft.group && (draft.group.fields.tell = item.tell)),
  split(draft, item) {
    const [first, other] = item.counts as [string, string]
    if (!draft.group) return draft.leaveUnread(item)
    draft.group.count = Number(first)
    const group: Group = draft.add('holder', { ...draft.group.fields }, item)
    Object.assign(group, { count: Number(other), kind: item.kind, several: false })
    draft.isOver = true
  },
  stack: (draft, item) => void (draft.group && (draft.group.fields.stack = [item.stack])),
  covers(draft, item) {
    const hider = textOrNull(item.part) ?? draft.subject
    if (hider === null) return draft.leaveUnread(item)
    draft.closeThings()
    draft.before.behind = hider
    draft.subject = null
  },
  holds(draft, item) {
    const held = text(item.part)
    const groups = draft.made.filter(({ fact, fields }) => fact === 'holder' && fields.holds === undefined)
    const own = draft.group ?? draft.made.findLast(({ fact }) => fact === 'holder')
    if (!own) return void (draft.subject = held)
    for (const group of [own, ...groups]) {
      group.fields.holds = [held]
      ;(group as Group).isInherited = false
    }
  },
}

/** What is known of a group at the end: a screw where only a head was named, one where the word is of one. */
export function finishGroup(group: Group, draft: Draft): boolean {
  // All of it was said by its parts.
  if (group.left === 0) return false
  delete group.fields.isPart
  likeTheOneBefore(group, draft)
  if (group.kind === undefined && group.drive === undefined && group.fields.thread === undefined) {
    if (draft.mayCorrect && typeof group.count === 'number') draft.corrects = { count: group.count, items: group.items }
    const lies = group.fields.where !== undefined || group.fields.behind !== undefined
    const counted = group.items.filter(({ is }) => is === 'count')
    if ((!group.soft || lies) && group.count !== undefined)
      draft.asks.push({ ask: 'kind', made: group, items: counted.length > 0 ? counted : group.items })
    return false
  }
  group.kind ??= 'machine screw'
  const count = countOf(group)
  askWhatIsMissing(group, count, draft)
  const { behind, holds, where, thread, ...more } = group.fields
  const said = { drive: group.drive ?? undefined, size: group.size ?? undefined, where, holds, behind, thread, ...more }
  const known = Object.entries(said).filter(([, value]) => value !== undefined)
  group.fields = { kind: group.kind, count, ...Object.fromEntries(known) }
  return true
}

/** "2 clips top, 2 bottom": as many more of the same, where the ones before have a place of their own. */
function likeTheOneBefore(group: Group, { made }: Draft): void {
  const before = made[made.indexOf(group) - 1] as Group | undefined
  if (before?.fact !== 'holder' || (before.kind === undefined && before.drive === undefined)) return
  if (group.kind !== undefined || typeof group.count !== 'number' || group.fields.thread !== undefined) return
  const placeOf = ({ fields: { where, behind } }: Group) => JSON.stringify([where, behind])
  if (placeOf(before) === NOWHERE || placeOf(group) === NOWHERE || placeOf(before) === placeOf(group)) return
  group.kind = before.kind ?? 'machine screw'
  if (group.drive === undefined && before.drive !== undefined) {
    group.drive = before.drive
    group.size = before.size ?? null
  }
}
const NOWHERE = JSON.stringify([undefined, undefined])

/** As said; one where the word is of one, null where it is of several or there is none. */
function countOf({ count, several, kind, items }: Group): number | null {
  if (count !== undefined) return count
  const onlyHead = kind === 'machine screw' && items.every(({ is }) => is !== 'kind')
  return several || onlyHead ? null : 1
}

function askWhatIsMissing(group: Group, count: number | null, draft: Draft): void {
  const { drive, size, heard, fields } = group
  if (count === null && !asUnsure(fields.unsure).includes('count') && !(heard && group.count === null))
    draft.ask('count', group)
  const hasDrive = (drive ?? null) !== null
  if (SCREWS.includes(group.kind!) && !hasDrive) draft.ask('drive', group)
  else if (hasDrive && (size ?? null) === null && !heard) draft.ask('size', group)
}
const asUnsure = (unsure: unknown) => (unsure ?? []) as readonly string[]
const SCREWS = ['machine screw', 'self-tapping screw']
const isScrew = (kind: string | undefined) => kind === undefined || kind === 'bolt' || SCREWS.includes(kind)
