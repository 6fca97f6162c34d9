import type { Id } from '../base/id'
import type { Build } from '../procedure/when'
import type { AddedFunction } from './addedFunction'
import type { Kit } from './kit'
import type { WorkItem } from './workItem'

/**
 * What the customer told of an optional function, where a build has the choices of facets: they do without it. A wish
 * is told like a facet, so that whatever knows the build knows what is wanted, and a change of mind on the way is one
 * more thing that was told.
 */
export const NOT_WANTED = 'not-wanted'
export const WANTED = 'wanted'

export function isWanted({ id, optional }: Pick<AddedFunction, 'id' | 'optional'>, build: Build): boolean {
  return !optional || build[id] !== NOT_WANTED
}

/** The functions of these kits that the customer does without on this build. */
export function notWantedOf({ kits }: { kits: readonly { kit: Pick<Kit, 'functions'> }[] }, build: Build): Set<Id> {
  return new Set(kits.flatMap(({ kit }) => ids(kit.functions.filter((item) => !isWanted(item, build)))))
}

/** Everything that some functions of a kit need: themselves, works and things. */
export type Closure = Record<'functions' | 'works' | 'parts' | 'plugs' | 'settings', ReadonlySet<Id>>

type OfKit = Pick<Kit, 'functions' | 'works'>

/**
 * What must be there for these functions: what they name, the functions those rest on, the works that fit, plug or set
 * it, and all the works that come first. Cost: O(functions x needs + works x steps).
 */
export function closureOf(kit: OfKit, functionIds: readonly Id[]): Closure {
  const functions = reached(functionIds, (id) => needsOf(kit, id, 'function'))
  const named = (of: 'part' | 'plug' | 'setting') => new Set([...functions].flatMap((id) => needsOf(kit, id, of)))
  const [parts, plugs, settings] = [named('part'), named('plug'), named('setting')]
  const things = new Set([...parts, ...plugs, ...settings])
  const begun = [
    ...[...functions].flatMap((id) => kit.functions.find((item) => item.id === id)?.afterWork ?? []),
    ...kit.works.filter((work) => deals(work, things)).map(({ id }) => id),
  ]
  const works = reached(begun, (id) => kit.works.find((work) => work.id === id)?.afterWork ?? [])
  return { functions, works, parts, plugs, settings }
}

function needsOf({ functions }: OfKit, functionId: Id, of: string): Id[] {
  const needs = functions.find(({ id }) => id === functionId)?.needs ?? []
  return needs.filter((need) => need.of === of).map(({ id }) => id)
}

function deals({ steps }: WorkItem, things: ReadonlySet<Id>): boolean {
  return steps.some(({ itemId }) => itemId !== null && things.has(itemId))
}

function reached(from: readonly Id[], next: (id: Id) => readonly Id[]): Set<Id> {
  const found = new Set<Id>()
  const stack = [...from]
  for (let id = stack.pop(); id !== undefined; id = stack.pop())
    if (!found.has(id)) {
      found.add(id)
      stack.push(...next(id))
    }
  return found
}

/** What falls away because only functions that nobody wants need it; `capped`: leads of parts that stay. */
export type DoneWithout = Record<'works' | 'things' | 'capped', ReadonlySet<Id>>

const NOTHING: DoneWithout = { works: new Set(), things: new Set(), capped: new Set() }

/**
 * What is in the closure of functions that are not wanted, and in none that is. Parts and settings that only such
 * functions name fall away, also out of work that is done all the same; what only their work uses falls away with it.
 * A lead of a part that is fitted all the same stays an account: it is capped.
 * Cost: two closures.
 */
export function doneWithout(kit: Pick<Kit, 'functions' | 'works' | 'plugs'>, build: Build): DoneWithout {
  const isNot = (item: AddedFunction) => !isWanted(item, build)
  if (!kit.functions.some(isNot)) return NOTHING
  const wanted = closureOf(kit, ids(kit.functions.filter((item) => !isNot(item))))
  const unwanted = closureOf(kit, ids(kit.functions.filter(isNot)))
  const only = (of: 'works' | 'parts' | 'plugs' | 'settings') => [...unwanted[of]].filter((id) => !wanted[of].has(id))
  const works = new Set(only('works'))
  const used = (list: readonly WorkItem[]) => new Set(list.flatMap(({ steps }) => steps.map(({ itemId }) => itemId)))
  const stay = used(kit.works.filter(({ id }) => !works.has(id)))
  const gone = [...used(kit.works.filter(({ id }) => works.has(id)))].filter((id) => id !== null && !stay.has(id))
  const things = new Set([...gone, ...only('parts'), ...only('settings')] as Id[])
  const capped = only('plugs').filter((id) => {
    const host = kit.plugs.find((plug) => plug.id === id)?.partId ?? null
    return !things.has(id) && !(host !== null && things.has(host))
  })
  return { works, things, capped: new Set(capped) }
}

function ids(items: readonly { id: Id }[]): Id[] {
  return items.map(({ id }) => id)
}
