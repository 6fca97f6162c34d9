import { text, type Draft } from './draft'
import { PLUG_ITEMS } from './plugs'
import type { Item } from './sense'

/** The part in hand by a shorter name, or half of it: "hood" is the binnacle hood that the line is about. */
export function fullName(draft: Draft, name: string): string {
  const known = draft.topic ?? draft.subject ?? draft.lastPart
  draft.lastPart = name
  if (known === null) return name
  if (known.endsWith(` ${name}`)) return known
  return name.endsWith(' half') ? `${name.slice(0, -' half'.length)} ${known}` : name
}

/** A part is named: what follows is about it, or what was said before is of it. */
export function named(draft: Draft, item: Item): void {
  const name = fullName(draft, text(item.part))
  if (draft.next?.sign === ':') draft.topic = name
  if (comesOff(draft, item, name) || isMeantInstead(draft, name) || isPlug(draft, item, name)) return
  const isAlone = standsAlone(draft)
  if (!isAlone && !isRightAfter(draft)) return draft.turnTo(name)
  for (const { fact, fields, items } of draft.made)
    if (fact === 'holder' && fields.holds === undefined) {
      fields.holds = [name]
      items.push(item)
    }
  if (isAlone) draft.turnTo(name)
}

/** "Damper off", "lever boot up": on the way to what the line is about. */
function comesOff(draft: Draft, item: Item, name: string): boolean {
  const { level, way } = item
  if (level === undefined && way === undefined) return false
  draft.turnTo(name, true)
  if (level !== undefined) draft.add('part', { part: name, level }, item)
  else draft.about('release', item).fields.motions = [{ move: 'pull', to: way }]
  return true
}

function isMeantInstead(draft: Draft, name: string): boolean {
  if (!draft.correcting) return false
  draft.correcting = false
  if (draft.group) draft.group.fields.holds = [name]
  draft.subject = name
  return true
}

/** After "unplug" a part's name is that of its plug, and so is one after "and" of which nothing else is said. */
function isPlug(draft: Draft, item: Item, name: string): boolean {
  const { plug, unplugging, clause, last, next } = draft
  if (!plug || !unplugging) return false
  if (plug.fields.name === undefined && clause.includes(plug)) {
    plug.fields.name = name
    return true
  }
  if (plug.fields.name === undefined || last?.sign !== 'and' || OF_A_PART.includes(next?.is ?? '')) return false
  PLUG_ITEMS['plug name']!(draft, { ...item, name })
  return true
}
const OF_A_PART = ['count', 'kind', 'move', 'drive', 'to', 'turn']

/** "3 push-pins and a nut kick panel": right after fasteners that hold nothing yet. */
function isRightAfter({ group, clause, last }: Draft): boolean {
  return group !== null && group.fields.holds === undefined && clause.includes(group) && last?.is !== 'end'
}

/** "4 x hex 10, radio bracket": a name and nothing else, after fasteners that hold nothing yet. */
function standsAlone({ group, last, next, subject }: Draft): boolean {
  const endsThere = next === null || (next.is === 'end' && next.sign !== ':')
  return group !== null && group.fields.holds === undefined && subject === null && last?.sign === ',' && endsThere
}
