import type { ProcedureDocument } from '../procedure/document'
import type { Kit } from './kit'

/**
 * Whether no thing of a kit has the id of a thing of another kit, or of the model: their accounts would be one. A copy
 * of a kit has ids of its own, so this happens only to what was written by hand. Cost: O(things).
 */
export function kitsApart(kits: readonly { kit: Kit }[], document: ProcedureDocument): boolean {
  const ids = [
    ...[document.parts, document.holders, document.tethers, document.facets, document.functions, document.views],
    ...kits.flatMap(({ kit }) => [kit.parts, kit.holders, kit.plugs, kit.settings, kit.facets, kit.views]),
    ...kits.flatMap(({ kit }) => [kit.works, kit.functions, kit.leads]),
  ].flatMap((items) => items.map(({ id }) => id))
  return new Set(ids).size === ids.length
}
