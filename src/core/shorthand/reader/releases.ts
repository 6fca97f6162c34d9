import type { AskKind, Motion } from '../meaning'
import { text, textOrNull, type Draft, type Made } from './draft'
import { lies } from './places'
import { ofSubject } from './plugs'
import type { Item } from './sense'

type ReleaseMotion = { -readonly [key in keyof Motion]?: Motion[key] }

function releaseFor(draft: Draft, item: Item): Made {
  const part = textOrNull(item.part)
  if (part !== null && part !== draft.subject) draft.turnTo(part)
  return draft.about('release', item)
}

function motionsOf(release: Made): ReleaseMotion[] {
  return (release.fields.motions ??= []) as ReleaseMotion[]
}

/** Which way, as it was said; `finishRelease` asks what nobody can know from where the line was said. */
const way = (to: string | null): { to?: string } => (to === null ? {} : { to })
const TOWARD_YOU = 'toward you'
const ASKED_WAYS: Record<string, AskKind> = {
  forward: 'forward',
  left: 'whose left',
  right: 'whose left',
  [TOWARD_YOU]: TOWARD_YOU,
}

function lastRelease(draft: Draft): Made | undefined {
  return (
    draft.clause.findLast(({ fact }) => fact === 'release') ?? draft.made.findLast(({ fact }) => fact === 'release')
  )
}

function lastTurn(draft: Draft, item: Item): ReleaseMotion {
  const release = releaseFor(draft, item)
  const motions = motionsOf(release)
  const last = motions.at(-1)
  if (last?.move === 'turn') return last
  motions.push({ move: 'turn' })
  return motions.at(-1)!
}

/** After these a bare direction says how the part comes: "8 clips up". */
const FASTENED = ['part', 'kind', 'drive', 'count', 'each', 'where', 'behind', 'on']
const SEEN_FROM: Record<string, string> = { front: 'the front', rear: 'the rear', top: 'above', bottom: 'below' }

/** A direction: of the motion before it, one more of that motion, or how a part comes of which fasteners were named. */
function goes(draft: Draft, item: Item): void {
  const to = textOrNull(item.to)
  const release = lastRelease(draft)
  const last = release && motionsOf(release).at(-1)
  if (release && last) goesOn(draft, motionsOf(release), last, to)
  else if (release && to === 'forward') draft.askAt('forward', item)
  // "Start at the rear, outboard": how the part comes of which that was said.
  else if (release && release.fields.of === (draft.subject ?? undefined))
    motionsOf(release).push({ move: 'pull', ...way(to) })
  else if (draft.subject !== null && FASTENED.includes(draft.last?.is ?? ''))
    motionsOf(releaseFor(draft, item)).push({ move: 'pull', ...way(to) })
  else if (to !== 'out') draft.leaveUnread(item)
}

/** Which way a motion goes, or another way after it. "Out toward you" is one way, and so is "out" by itself. */
function goesOn(draft: Draft, motions: ReleaseMotion[], last: ReleaseMotion, to: string | null): void {
  if (last.move === 'turn' && to === 'out') return
  if (last.to === undefined || last.to === 'out' || draft.correcting) {
    Object.assign(last, way(to))
    draft.correcting = false
  } else if (last.to !== to) motions.push({ move: last.move!, ...way(to) })
}

/** "Don't twist it up too hard": which way and how is of what is forbidden, and of no way off. */
function unlessForbidden(told: (draft: Draft, item: Item) => void): (draft: Draft, item: Item) => void {
  return (draft, item) => {
    const last = draft.clause.at(-1)
    if (last?.fact !== 'must not') return told(draft, item)
    last.fields.what = [text(last.fields.what), ...item.words.map((word) => word.text)].join(' ')
    last.items.push(item)
  }
}

export const RELEASE_ITEMS: Record<string, (draft: Draft, item: Item) => void> = {
  move(draft, item) {
    const to = textOrNull(item.to)
    // On the way back a push is no way off.
    if (draft.refitting) return
    // Of a plug a plain pull goes without saying.
    if (draft.plug && to === null && !item.part && ['pull', 'press', 'push'].includes(text(item.move))) return
    if (draft.plug && item.move === 'unhook') return void (draft.plug.isOpened = true)
    if (draft.plug && item.sides) return void (draft.plug.fields.latch = 'squeeze two tabs')
    const release = releaseFor(draft, item)
    const motions = motionsOf(release)
    if (draft.correcting) motions.pop()
    draft.correcting = false
    motions.push({ move: text(item.move), ...way(to) })
    if (item.of) release.fields.start ??= item.of
    draft.group = null
  },
  to: unlessForbidden(goes),
  turn(draft, item) {
    const turn = lastTurn(draft, item)
    if (item.turn) turn.turn = text(item.turn)
    if (item.part) releaseFor(draft, item)
    if (item.side) draft.askAt('whose left', item)
  },
  sense(draft, item) {
    lastTurn(draft, item).sense = item.sense as 'clockwise'
  },
  seen(draft, item) {
    const release = lastRelease(draft)
    const last = release && motionsOf(release).at(-1)
    const place = text(item.place)
    if (last?.move === 'turn') last.seenFrom = SEEN_FROM[place] ?? place
    else lies(draft, { ...item, where: place })
  },
  start(draft, item) {
    if (draft.refitting) return void (draft.about('refit', item).fields.first ??= `${text(item.start)} edge`)
    const { fields } = releaseFor(draft, item)
    if (fields.start === undefined || draft.correcting) fields.start = item.start
    else draft.leaveUnread(item)
    draft.correcting = false
  },
  tool: unlessForbidden((draft, item) => {
    // With a pick a tab is pressed, and no part comes off.
    const isOfPlug = draft.plug && draft.clause.includes(draft.plug)
    if (!isOfPlug) releaseFor(draft, item).fields.tool = item.tool
  }),
  effort: unlessForbidden((draft, item) => void (releaseFor(draft, item).fields.effort = item.effort)),
  protect(draft, item) {
    const { fields } = releaseFor(draft, item)
    fields.protect = item.protect
    if (item.protects) fields.protects = item.protects
  },
  'start or where': unlessForbidden((draft, item) => {
    const place = text(item.start)
    const last = draft.clause.findLast(({ fact }) => fact === 'release')
    if (last && motionsOf(last).at(-1)?.move === 'turn') RELEASE_ITEMS.seen!(draft, { ...item, place })
    else if (draft.group || draft.plug) lies(draft, { ...item, where: place })
    else RELEASE_ITEMS.start!(draft, item)
  }),
  'must not'(draft, item) {
    const part = textOrNull(item.part)
    if (part !== null) draft.turnTo(part)
    draft.add('must not', { what: item.what, ...ofSubject(draft) }, item)
    draft.lastPart = textOrNull(item.about) ?? draft.lastPart
  },
}

/** A turn without its sense, or seen from nobody knows where, is asked. */
export function finishRelease(release: Made, draft: Draft): void {
  const { fields } = release
  const motions = (fields.motions ?? []) as ReleaseMotion[]
  if (motions.length === 0) delete fields.motions
  const isAway = draft.language.isAway?.(textOrNull(fields.of)) ?? false
  for (const motion of motions) {
    // From a seat one looks forward.
    if (motion.to === TOWARD_YOU && !isAway) motion.to = 'rearward'
    const ask = motion.to === undefined ? undefined : ASKED_WAYS[motion.to]
    if (ask === undefined) continue
    draft.ask(ask, release)
    delete motion.to
  }
  const isAskedWhose = draft.asks.some(({ ask }) => ask === 'whose left')
  for (const { move, sense, seenFrom } of motions)
    if (move === 'turn' && !isAskedWhose && (sense === undefined || seenFrom === undefined))
      draft.ask('turn sense', release)
}
