import { newId } from '@/client/newId'
import type { Id } from '@/core/base/id'
import { newCaution } from '@/core/procedure/caution'
import { newCavity } from '@/core/procedure/cavity'
import type { FactCollection, ProcedureDocument } from '@/core/procedure/document'
import { newFacet } from '@/core/procedure/facet'
import { newHolder } from '@/core/procedure/holder'
import { trapsNeed } from '@/core/procedure/need'
import { newPart } from '@/core/procedure/part'
import { newSetting } from '@/core/procedure/setting'
import { newTether } from '@/core/procedure/tether'
import { newVehicleFunction } from '@/core/procedure/vehicleFunction'
import { newView } from '@/core/procedure/view'

/**
 * A fact as somebody would begin to state it: the record's own defaults, with what must be typed left empty. `partId`
 * presets what it belongs to.
 */
export function blankItem(document: ProcedureDocument, collection: FactCollection, partId: Id | null): { id: Id } {
  const part = partId ?? document.parts[0]?.id ?? ''
  const id = newId(collection.slice(0, 4))
  const owner = part || 'nothing-yet'
  switch (collection) {
    case 'parts':
      return { ...newPart(id, 'new'), name: '', station: document.parts.at(-1)?.station ?? 'centre' } as { id: Id }
    case 'holders':
      return { ...newHolder(id, owner), holds: part ? [part] : [] } as { id: Id }
    case 'tethers':
      return { ...newTether(id, owner, 'new'), name: '', partId: part } as { id: Id }
    case 'needs':
      return trapsNeed(id, owner, owner, 'off')
    case 'settings':
      return { ...newSetting(id, 'new'), name: '' } as { id: Id }
    case 'cavities':
      return { ...newCavity(id, newId('way'), 'new', owner), name: '' } as { id: Id }
    case 'facets':
      return { ...newFacet(id, 'new', [newId('choice'), newId('choice')]), name: '' } as { id: Id }
    case 'functions':
      return { ...newVehicleFunction(id, 'new'), name: '' } as { id: Id }
    case 'cautions':
      return { ...newCaution(id, owner, 'new'), sentence: '' } as { id: Id }
    case 'views':
      return { ...newView(id, 'new'), name: '' } as { id: Id }
  }
}

/** A copy of a fact under a new id; ids inside it (methods, openings) are new too. Its marks stay with the original. */
export function duplicateItem(collection: FactCollection, item: { id: Id }): { id: Id } {
  const copy = structuredClone(item) as Record<string, unknown> & { id: Id }
  copy.id = newId(collection.slice(0, 4))
  if (typeof copy.name === 'string') copy.name = `${copy.name} (copy)`.slice(0, 60)
  if ('positions' in copy) copy.positions = []
  if ('outline' in copy) copy.outline = null
  for (const key of ['methods', 'openings', 'choices'])
    if (Array.isArray(copy[key]))
      copy[key] = (copy[key] as object[]).map((row) => ({ ...row, id: newId(key.slice(0, 4)) }))
  return copy
}
