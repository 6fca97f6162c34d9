import type { Id } from '../base/id'
import { newCaution } from './caution'
import { newCavity } from './cavity'
import type { FactCollection, ProcedureDocument } from './document'
import { newFacet } from './facet'
import { newHolder } from './holder'
import { trapsNeed } from './need'
import { newPart } from './part'
import { newSetting } from './setting'
import { newTether } from './tether'
import { newVehicleFunction } from './vehicleFunction'
import { newView } from './view'
import { newWay } from './way'
import { newWaypoint } from './waypoint'

type NewId = (prefix: string) => Id
/**
 * What a blank is made of: its id, what it belongs to (or nothing yet), where the last part was, the last two points.
 */
type Begun = { id: Id; part: Id; owner: Id; station: string; newId: NewId; ends: readonly [Id, Id] }

const BLANKS: Readonly<Record<FactCollection, (begun: Begun) => object>> = {
  parts: ({ id, station }) => ({ ...newPart(id, 'new'), name: '', station }),
  holders: ({ id, owner, part }) => ({ ...newHolder(id, owner), holds: part ? [part] : [] }),
  tethers: ({ id, owner, part }) => ({ ...newTether(id, owner, 'new'), name: '', partId: part }),
  needs: ({ id, owner }) => trapsNeed(id, owner, owner, 'off'),
  settings: ({ id }) => ({ ...newSetting(id, 'new'), name: '' }),
  cavities: ({ id, owner, newId }) => ({ ...newCavity(id, newId('way'), 'new', owner), name: '' }),
  facets: ({ id, newId }) => ({ ...newFacet(id, 'new', [newId('choice'), newId('choice')]), name: '' }),
  functions: ({ id }) => ({ ...newVehicleFunction(id, 'new'), name: '' }),
  cautions: ({ id, owner }) => ({ ...newCaution(id, owner, 'new'), sentence: '' }),
  waypoints: ({ id, station }) => ({ ...newWaypoint(id, 'new', station), name: '' }),
  ways: ({ id, station, newId, ends }) => ({ ...newWay(id, newId('lay'), 'new', ends, station), name: '' }),
  views: ({ id }) => ({ ...newView(id, 'new'), name: '' }),
}

/**
 * A fact as somebody would begin to state it: the record's own defaults, with what must be typed left empty. `partId`
 * presets what it belongs to.
 */
export function blankItem(
  document: ProcedureDocument,
  collection: FactCollection,
  partId: Id | null,
  newId: NewId,
): { id: Id } {
  const part = partId ?? document.parts[0]?.id ?? ''
  return BLANKS[collection]({
    id: newId(collection.slice(0, 4)),
    part,
    owner: part || 'nothing-yet',
    station: document.parts.at(-1)?.station ?? 'centre',
    newId,
    ends: lastTwo(document),
  }) as { id: Id }
}

/** The points a way is likely between: the two stated last. */
function lastTwo({ waypoints }: ProcedureDocument): readonly [Id, Id] {
  return [waypoints.at(-2)?.id ?? 'nothing-yet', waypoints.at(-1)?.id ?? 'nothing-yet-either']
}

/** A copy of a fact under a new id; ids inside it (methods, openings) are new too. Its marks stay with the original. */
export function duplicateItem(collection: FactCollection, item: { id: Id }, newId: NewId): { id: Id } {
  const copy: Record<string, unknown> & { id: Id } = { ...item }
  copy.id = newId(collection.slice(0, 4))
  if (typeof copy.name === 'string') copy.name = `${copy.name} (copy)`.slice(0, 60)
  if ('positions' in copy) copy.positions = []
  if ('outline' in copy) copy.outline = null
  for (const key of ['methods', 'openings', 'choices', 'layings'])
    if (Array.isArray(copy[key]))
      copy[key] = (copy[key] as object[]).map((row) => ({ ...row, id: newId(key.slice(0, 4)) }))
  return copy
}
