import type { Kit } from '@/core/shop/kit'
import type { WorkStep } from '@/core/shop/workStep'
import { holderWords, threadWords } from './items'
import { tryWords } from './kitRowWords'
import { capital } from './operations'

type Things = Pick<Kit, 'parts' | 'holders' | 'plugs' | 'settings'>

/** A step of a piece of work: what is done, how, and what to mind. */
export type StepSaid = { title: string; how: string; mind: string }

/** "Fasten 4 PH2 M3 × 8 of Display, snug", "Plug power of Radio unit". */
export function workStepWords(kit: Things, step: WorkStep): StepSaid {
  const { act, words, tool, caution, side } = step
  const thing = thingWords(kit, step)
  const where = side === 'both' ? 'both sides' : (side ?? '')
  const does = thing ? `${VERBS[act]} ${thing}` : words || VERBS[act]
  // Of a leg: where it goes; after a semicolon, how.
  const [goes, laid] = act === 'lay' ? splitOnce(does) : [does, '']
  const title = capital([act === 'look at' && words ? words : goes, where].filter(Boolean).join(', '))
  const said = thing && act !== 'read' && act !== 'look at' ? words : ''
  const how = [howWords(kit, step), laid, said, tool && `with ${tool}`].filter(Boolean).join(', ')
  return { title, how, mind: caution }
}

function splitOnce(words: string): [string, string] {
  const at = words.indexOf('; ')
  return at < 0 ? [words, ''] : [words.slice(0, at), words.slice(at + 2)]
}

const VERBS: Readonly<Record<WorkStep['act'], string>> = {
  fit: 'fit',
  fasten: 'fasten',
  plug: 'plug',
  cap: 'cap and tie back',
  'lead through': 'lead through',
  lay: 'lay',
  set: 'set',
  read: 'read off',
  'look at': 'look at',
  do: 'do',
}

/** What a step names: the thing of its act, or the words of a reading and a look. */
function thingWords(kit: Things, step: WorkStep): string {
  switch (step.act) {
    case 'fit':
      return partWords(kit, step)
    case 'fasten':
      return groupWords(kit, step)
    case 'plug':
    case 'cap':
    case 'lead through':
      return plugWords(kit, step)
    case 'set':
      return kit.settings.find((item) => item.id === step.itemId)?.name ?? ''
    case 'read':
    case 'look at':
      return step.words
    case 'lay':
    case 'do':
      return ''
  }
}

function nameOf({ parts }: Things, id: string | null | undefined): string {
  return parts.find((part) => part.id === id)?.name ?? ''
}

function partWords(kit: Things, { itemId, count }: WorkStep): string {
  const pieces = count ?? kit.parts.find((part) => part.id === itemId)?.count ?? 1
  return [pieces > 1 ? `${pieces} ×` : '', nameOf(kit, itemId)].filter(Boolean).join(' ')
}

function groupWords(kit: Things, { itemId, count, stage }: WorkStep): string {
  const holder = kit.holders.find((item) => item.id === itemId)
  if (!holder) return ''
  const group = [holderWords({ ...holder, count: count ?? holder.count }), threadWords(holder)]
    .filter(Boolean)
    .join(' ')
  const owner = nameOf(kit, holder.holds[0])
  return [owner ? `${group} of ${owner}` : group, stage ?? ''].filter(Boolean).join(', ')
}

function plugWords(kit: Things, { itemId }: WorkStep): string {
  const plug = kit.plugs.find((item) => item.id === itemId)
  if (!plug) return ''
  const owner = nameOf(kit, plug.partId)
  return [owner ? `${plug.name} of ${owner}` : plug.name, plug.into && `into ${plug.into}`].filter(Boolean).join(' ')
}

/** What the thing itself says of how it is done. */
function howWords({ plugs, settings }: Things, { act, itemId, reading }: WorkStep): string {
  if (act === 'plug') return tryWords(plugs.find((item) => item.id === itemId) ?? { latch: null }).replace(/\.$/, '')
  if (act === 'set') {
    const values = settings.find((item) => item.id === itemId)?.expected.map(({ value }) => value) ?? []
    return values.length > 0
      ? `to ${[...new Set(values)].join(' or ')}, then read it back`
      : 'and write down how it stands'
  }
  return reading ? rangeWords(reading) : ''
}

/** "11.5 to 15 V", "at least 9 V". */
export function rangeWords({ unit, least, most }: NonNullable<WorkStep['reading']>): string {
  const of = (words: string) => [words, unit].filter(Boolean).join(' ')
  if (least !== null && most !== null) return of(`${least} to ${most}`)
  if (least !== null) return of(`at least ${least}`)
  return most !== null ? of(`at most ${most}`) : unit && `in ${unit}`
}
