import type { Id } from '../base/id'
import { COLLECTIONS, type Collection, type ProcedureDocument } from './document'

export type DanglingReference =
  | { problem: 'missing'; collection: Collection; itemId: Id; field: string; refersTo: Id; wanted: string }
  | { problem: 'twice'; itemId: Id }
  | { problem: 'wrong-value'; collection: Collection; itemId: Id; field: string; value: string }

/**
 * Every id that points nowhere, every id used twice, and every value a setting or facet does not have.
 * Cost: O(items + references).
 */
export function danglingReferences(document: ProcedureDocument): DanglingReference[] {
  const found: DanglingReference[] = []
  const ids = {} as Record<Collection, Set<Id>>
  const all = new Set<Id>()
  const claim = (id: Id) => {
    if (all.has(id)) found.push({ problem: 'twice', itemId: id })
    all.add(id)
  }
  for (const name of COLLECTIONS) {
    ids[name] = new Set(document[name].map((item) => item.id))
    for (const item of document[name]) claim(item.id)
  }
  const methodIds = new Set<Id>()
  for (const setting of document.settings)
    for (const method of setting.methods) {
      claim(method.id)
      methodIds.add(method.id)
    }
  for (const cavity of document.cavities) for (const opening of cavity.openings) claim(opening.id)

  const point = (collection: Collection, itemId: Id, field: string, refersTo: Id, targets: Set<Id>, wanted: string) => {
    if (!targets.has(refersTo)) found.push({ problem: 'missing', collection, itemId, field, refersTo, wanted })
  }
  const wrong = (collection: Collection, itemId: Id, field: string, value: string) =>
    found.push({ problem: 'wrong-value', collection, itemId, field, value })

  const facets = new Map(document.facets.map((facet) => [facet.id, new Set(facet.choices.map((choice) => choice.id))]))
  for (const name of COLLECTIONS)
    for (const item of document[name])
      if ('when' in item)
        for (const [facetId, choices] of Object.entries(item.when)) {
          point(name, item.id, 'when', facetId, ids.facets, 'facet')
          for (const choice of choices)
            if (facets.has(facetId) && !facets.get(facetId)!.has(choice)) wrong(name, item.id, 'when', choice)
        }

  for (const view of document.views)
    if (view.backOf !== null) point('views', view.id, 'back of', view.backOf, ids.views, 'view')
  for (const part of document.parts)
    if (part.outline) point('parts', part.id, 'outline', part.outline.viewId, ids.views, 'view')
  for (const part of document.parts) {
    if (part.carriedBy !== null) point('parts', part.id, 'carried by', part.carriedBy, ids.parts, 'part')
    for (const id of part.ease?.holderIds ?? []) point('parts', part.id, 'eased by', id, ids.holders, 'holder')
    for (const id of part.refit.tightenOrder) point('parts', part.id, 'order of tightening', id, ids.holders, 'holder')
    for (const id of part.refit.keepInFront) point('parts', part.id, 'leads in front', id, ids.tethers, 'connector')
  }
  for (const item of document.functions)
    for (const id of item.alsoNeeds) point('functions', item.id, 'needs plugged', id, ids.tethers, 'connector')
  for (const holder of document.holders) {
    for (const partId of holder.holds) point('holders', holder.id, 'holds', partId, ids.parts, 'part')
    for (const position of holder.positions)
      point('holders', holder.id, 'positions', position.viewId, ids.views, 'view')
  }
  for (const tether of document.tethers) {
    if (tether.partId !== null) point('tethers', tether.id, 'part', tether.partId, ids.parts, 'part')
    for (const id of tether.functions) point('tethers', tether.id, 'functions', id, ids.functions, 'function')
    if (tether.throughPartId !== null) point('tethers', tether.id, 'aperture', tether.throughPartId, ids.parts, 'part')
    for (const id of tether.mixups) point('tethers', tether.id, 'mix-ups', id, ids.tethers, 'connector')
    for (const position of tether.positions)
      point('tethers', tether.id, 'positions', position.viewId, ids.views, 'view')
  }
  for (const cavity of document.cavities)
    for (const opening of cavity.openings)
      for (const part of opening.parts) point('cavities', cavity.id, 'openings', part.partId, ids.parts, 'part')
  for (const facet of document.facets)
    if (facet.toldFrom) point('facets', facet.id, 'told from', facet.toldFrom.partId, ids.parts, 'part')
  for (const caution of document.cautions) point('cautions', caution.id, 'at', caution.at.itemId, all, 'item')
  const settings = new Map(document.settings.map((setting) => [setting.id, new Set(setting.values)]))
  for (const setting of document.settings) {
    const values = settings.get(setting.id)!
    if (!values.has(setting.asFound)) wrong('settings', setting.id, 'as found', setting.asFound)
    if (setting.atEnd !== 'as found' && !values.has(setting.atEnd))
      wrong('settings', setting.id, 'at the end', setting.atEnd)
    for (const method of setting.methods)
      if (!values.has(method.to)) wrong('settings', setting.id, 'methods', method.to)
  }
  const targetsOfAct = (act: string) =>
    act === 'undo' || act === 'fasten'
      ? ids.holders
      : act === 'open' || act === 'close'
        ? ids.tethers
        : act === 'method'
          ? methodIds
          : act === 'test'
            ? ids.functions
            : ids.parts
  for (const need of document.needs) {
    point('needs', need.id, 'what waits', need.dependent.id, targetsOfAct(need.dependent.act), need.dependent.act)
    const needed = need.needs
    if (needed.kind === 'part') point('needs', need.id, 'needs', needed.partId, ids.parts, 'part')
    if (needed.kind === 'tether') point('needs', need.id, 'needs', needed.tetherId, ids.tethers, 'connector')
    if (needed.kind === 'operation') point('needs', need.id, 'needs', needed.id, targetsOfAct(needed.act), needed.act)
    if (needed.kind === 'setting') {
      point('needs', need.id, 'needs', needed.settingId, ids.settings, 'setting')
      if (settings.has(needed.settingId) && !settings.get(needed.settingId)!.has(needed.value))
        wrong('needs', need.id, 'needs', needed.value)
    }
  }
  return found
}
