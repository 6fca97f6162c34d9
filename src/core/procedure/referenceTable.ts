import type { Id } from '../base/id'
import type { Access } from './access'
import { actOf, type DependentAct } from './acts'
import type { Collection, ProcedureDocument } from './document'
import type { Need } from './need'

/** What a reference points into. `method`: a way of a setting; `anything`: any item, way or opening. */
export type Target = Collection | 'method' | 'anything'
export type Pointer = { id: Id; into: Target; wanted: string }
type ItemOf<C extends Collection> = ProcedureDocument[C][number]
type IsGone = (id: Id, into: Target) => boolean

/** One field that points at something else in the record. */
export type ReferenceRow<C extends Collection = Collection> = {
  collection: C
  /** What it is called in a sentence. */
  field: string
  pointers: (item: ItemOf<C>) => Pointer[]
  /** The item without what is gone; null where it goes with it. */
  without: (item: ItemOf<C>, isGone: IsGone) => ItemOf<C> | null
  /** In a record that is a fold of statements, where what holds nothing yet is a loose end to ask about. */
  inFold?: (item: ItemOf<C>, isGone: IsGone) => ItemOf<C>
}

function row<C extends Collection>(spec: ReferenceRow<C>): ReferenceRow {
  return spec as unknown as ReferenceRow
}
const WANTED: Partial<Record<Target, string>> = {
  parts: 'part',
  holders: 'holder',
  tethers: 'connector',
  views: 'view',
  functions: 'function',
  settings: 'setting',
  facets: 'facet',
  waypoints: 'point',
  cavities: 'cavity',
  anything: 'item',
}
const to = (into: Target, ids: readonly (Id | null | undefined)[]): Pointer[] =>
  ids.flatMap((id) => (id === null || id === undefined ? [] : [{ id, into, wanted: WANTED[into] ?? into }]))
const left = (into: Target, isGone: IsGone) => (id: Id) => !isGone(id, into)

/** What an act of a need is done to: "undo" a holder, "method" a way of a setting. */
function targetOf(act: DependentAct): Target {
  if (act === 'method') return 'method'
  const { of } = actOf(act)
  return of === 'holder' ? 'holders' : of === 'tether' ? 'tethers' : of === 'function' ? 'functions' : 'parts'
}

/** A list of ids that loses those that are gone. */
function list<C extends Collection>(collection: C, field: string, name: keyof ItemOf<C>, into: Target): ReferenceRow {
  return row<C>({
    collection,
    field,
    pointers: (item) => to(into, item[name] as Id[]),
    without: (item, isGone) => ({ ...item, [name]: (item[name] as Id[]).filter(left(into, isGone)) }),
  })
}
/** One id that may be null. */
function one<C extends Collection>(collection: C, field: string, name: keyof ItemOf<C>, into: Target): ReferenceRow {
  return row<C>({
    collection,
    field,
    pointers: (item) => to(into, [item[name] as Id | null]),
    without: (item, isGone) => (isGone(item[name] as Id, into) ? { ...item, [name]: null } : item),
  })
}
/** Marks on views. */
function marks<C extends 'holders' | 'tethers' | 'waypoints' | 'ways'>(collection: C): ReferenceRow {
  return row<C>({
    collection,
    field: 'positions',
    pointers: (item) =>
      to(
        'views',
        item.positions.map(({ viewId }) => viewId),
      ),
    without: (item, isGone) => ({
      ...item,
      positions: item.positions.filter(({ viewId }) => !isGone(viewId, 'views')),
    }),
  })
}
/** Conditions on builds: one whose facet is gone no longer tells anything apart. */
function when(collection: Collection): ReferenceRow {
  type Conditional = { when?: Record<Id, Id[]> }
  return row({
    collection,
    field: 'when',
    pointers: (item) => to('facets', Object.keys((item as Conditional).when ?? {})),
    without: (item, isGone) => {
      const stated = (item as Conditional).when
      if (!stated) return item
      return { ...item, when: Object.fromEntries(Object.entries(stated).filter(([id]) => !isGone(id, 'facets'))) }
    },
  })
}

const need = (field: string, pointers: (need: Need) => Pointer[]): ReferenceRow =>
  row<'needs'>({
    collection: 'needs',
    field,
    pointers,
    without: (item, isGone) => (pointers(item).some(({ id, into }) => isGone(id, into)) ? null : item),
  })

/** The lists whose items may exist on some builds only. */
const CONDITIONAL = [
  'parts',
  'holders',
  'tethers',
  'needs',
  'settings',
  'cavities',
  'functions',
  'cautions',
  'waypoints',
  'ways',
] as const

/** What access points at. */
const accessTo = (access: readonly Access[]): Pointer[] =>
  access.flatMap((item) => (item.kind === 'part' ? to('parts', [item.partId]) : to('cavities', [item.cavityId])))
/** Access without what is gone. */
const accessLeft = (access: readonly Access[], isGone: IsGone): Access[] =>
  access.filter((item) => accessTo([item]).every(({ id, into }) => !isGone(id, into)))

/**
 * Every field of a record that points at something in it: into which list, and what becomes of it when that is taken
 * away. Three read it: the check for what points nowhere, what goes with something taken away, and what is left of a
 * fold of statements.
 */
export const REFERENCES: readonly ReferenceRow[] = [
  ...CONDITIONAL.map(when),
  one('views', 'back of', 'backOf', 'views'),
  row<'parts'>({
    collection: 'parts',
    field: 'outline',
    pointers: ({ outline }) => to('views', [outline?.viewId]),
    without: (part, isGone) =>
      part.outline && isGone(part.outline.viewId, 'views') ? { ...part, outline: null } : part,
  }),
  one('parts', 'carried by', 'carriedBy', 'parts'),
  row<'parts'>({
    collection: 'parts',
    field: 'eased by',
    pointers: ({ ease }) => to('holders', ease?.holderIds ?? []),
    without: (part, isGone) => {
      const holderIds = part.ease?.holderIds.filter(left('holders', isGone)) ?? []
      return (part.ease && { ...part, ease: holderIds.length > 0 ? { ...part.ease, holderIds } : null }) || part
    },
  }),
  row<'parts'>({
    collection: 'parts',
    field: 'order of tightening',
    pointers: ({ refit }) => to('holders', refit.tightenOrder),
    without: (part, isGone) => ({
      ...part,
      refit: { ...part.refit, tightenOrder: part.refit.tightenOrder.filter(left('holders', isGone)) },
    }),
  }),
  row<'parts'>({
    collection: 'parts',
    field: 'leads in front',
    pointers: ({ refit }) => to('tethers', refit.keepInFront),
    without: (part, isGone) => ({
      ...part,
      refit: { ...part.refit, keepInFront: part.refit.keepInFront.filter(left('tethers', isGone)) },
    }),
  }),
  list('functions', 'needs plugged', 'alsoNeeds', 'tethers'),
  row<'holders'>({
    collection: 'holders',
    field: 'holds',
    pointers: ({ holds }) => to('parts', holds),
    without: (holder, isGone) => {
      const holds = holder.holds.filter(left('parts', isGone))
      return holder.holds.length > 0 && holds.length === 0 ? null : { ...holder, holds }
    },
    inFold: (holder, isGone) => ({ ...holder, holds: holder.holds.filter(left('parts', isGone)) }),
  }),
  marks('holders'),
  row<'tethers'>({
    collection: 'tethers',
    field: 'part',
    pointers: ({ partId }) => to('parts', [partId]),
    without: (tether, isGone) => (tether.partId !== null && isGone(tether.partId, 'parts') ? null : tether),
    inFold: (tether, isGone) =>
      tether.partId !== null && isGone(tether.partId, 'parts') ? { ...tether, partId: null } : tether,
  }),
  list('tethers', 'functions', 'functions', 'functions'),
  one('tethers', 'aperture', 'throughPartId', 'parts'),
  list('tethers', 'mix-ups', 'mixups', 'tethers'),
  marks('tethers'),
  row<'cavities'>({
    collection: 'cavities',
    field: 'openings',
    pointers: ({ openings }) =>
      to(
        'parts',
        openings.flatMap(({ parts }) => parts.map(({ partId }) => partId)),
      ),
    without: (cavity, isGone) => {
      const openings = cavity.openings
        .map((opening) => ({ ...opening, parts: opening.parts.filter(({ partId }) => !isGone(partId, 'parts')) }))
        .filter(({ parts }) => parts.length > 0)
      return openings.length === 0 ? null : { ...cavity, openings }
    },
  }),
  marks('waypoints'),
  row<'waypoints'>({
    collection: 'waypoints',
    field: 'access',
    pointers: ({ access }) => accessTo(access),
    without: (point, isGone) => ({ ...point, access: accessLeft(point.access, isGone) }),
  }),
  marks('ways'),
  row<'ways'>({
    collection: 'ways',
    field: 'ends',
    pointers: (way) => to('waypoints', [way.from, way.to]),
    without: (way, isGone) => ([way.from, way.to].some((id) => isGone(id, 'waypoints')) ? null : way),
  }),
  row<'ways'>({
    collection: 'ways',
    field: 'what is open for it',
    pointers: ({ layings }) => layings.flatMap(({ access }) => accessTo(access)),
    without: (way, isGone) => ({
      ...way,
      layings: way.layings.map((laying) => ({ ...laying, access: accessLeft(laying.access, isGone) })),
    }),
  }),
  one('ways', 'aperture', 'throughPartId', 'parts'),
  row<'ways'>({
    collection: 'ways',
    field: 'passes',
    pointers: ({ passes }) =>
      to(
        'anything',
        passes.map(({ itemId }) => itemId),
      ),
    without: (way, isGone) => ({
      ...way,
      // What hurts is still there when nobody knows any more what it is called.
      passes: way.passes.map((passed) =>
        passed.itemId !== null && isGone(passed.itemId, 'anything') ? { ...passed, itemId: null } : passed,
      ),
    }),
  }),
  row<'facets'>({
    collection: 'facets',
    field: 'told from',
    pointers: ({ toldFrom }) => to('parts', [toldFrom?.partId]),
    without: (facet, isGone) =>
      facet.toldFrom && isGone(facet.toldFrom.partId, 'parts') ? { ...facet, toldFrom: null } : facet,
  }),
  row<'facets'>({
    collection: 'facets',
    field: 'tell seen from',
    pointers: ({ choices }) =>
      to(
        'parts',
        choices.flatMap(({ tells }) => tells.map(({ from }) => from?.partId)),
      ),
    without: (facet, isGone) => ({
      ...facet,
      choices: facet.choices.map((choice) => ({
        ...choice,
        tells: choice.tells.map((tell) =>
          tell.from && isGone(tell.from.partId, 'parts') ? { ...tell, from: null } : tell,
        ),
      })),
    }),
  }),
  row<'cautions'>({
    collection: 'cautions',
    field: 'at',
    pointers: ({ at }) => to('anything', [at.itemId]),
    without: (caution, isGone) => (isGone(caution.at.itemId, 'anything') ? null : caution),
  }),
  need('what waits', ({ dependent: { act, id } }) => [{ id, into: targetOf(act), wanted: act }]),
  need('needs', ({ needs }) => {
    if (needs.kind === 'part') return to('parts', [needs.partId])
    if (needs.kind === 'tether') return to('tethers', [needs.tetherId])
    if (needs.kind === 'setting') return to('settings', [needs.settingId])
    return needs.kind === 'operation' ? [{ id: needs.id, into: targetOf(needs.act), wanted: needs.act }] : []
  }),
]
