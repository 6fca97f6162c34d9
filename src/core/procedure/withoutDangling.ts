import type { ProcedureDocument } from './document'
import type { Need } from './need'

/**
 * A document in which what points nowhere is cut off: a holder lets go of a part that is gone and becomes a loose end,
 * a plug too; needs, marks and outlines go. For documents that are folds: a statement taken back may leave others about
 * it. Cost: O(items).
 */
export function withoutDangling(document: ProcedureDocument): ProcedureDocument {
  const ids = (items: readonly { id: string }[]) => new Set(items.map(({ id }) => id))
  const [parts, holders, tethers, views, settings, functions] = [
    document.parts,
    document.holders,
    document.tethers,
    document.views,
    document.settings,
    document.functions,
  ].map(ids) as [Set<string>, Set<string>, Set<string>, Set<string>, Set<string>, Set<string>]
  const methods = ids(document.settings.flatMap((setting) => setting.methods))
  const ofAct = (act: Need['dependent']['act']) =>
    act === 'undo' || act === 'fasten'
      ? holders
      : act === 'open' || act === 'close'
        ? tethers
        : act === 'method'
          ? methods
          : act === 'test'
            ? functions
            : parts
  const stands = ({ dependent, needs }: Need) => {
    if (!ofAct(dependent.act).has(dependent.id)) return false
    if (needs.kind === 'part') return parts.has(needs.partId)
    if (needs.kind === 'setting') return settings.has(needs.settingId)
    if (needs.kind === 'tether') return tethers.has(needs.tetherId)
    return needs.kind === 'station' || ofAct(needs.act).has(needs.id)
  }
  const marks = <T extends { positions: readonly { viewId: string }[] }>(item: T): T => ({
    ...item,
    positions: item.positions.filter((position) => views.has(position.viewId)),
  })
  return {
    ...document,
    views: document.views.map((view) => ({
      ...view,
      backOf: view.backOf !== null && views.has(view.backOf) ? view.backOf : null,
    })),
    parts: document.parts.map((part) => ({
      ...part,
      carriedBy: part.carriedBy !== null && parts.has(part.carriedBy) ? part.carriedBy : null,
      outline: part.outline && views.has(part.outline.viewId) ? part.outline : null,
      ease: part.ease && part.ease.holderIds.every((id) => holders.has(id)) ? part.ease : null,
      refit: {
        ...part.refit,
        keepInFront: part.refit.keepInFront.filter((id) => tethers.has(id)),
        tightenOrder: part.refit.tightenOrder.filter((id) => holders.has(id)),
      },
    })),
    holders: document.holders.map((holder) => marks({ ...holder, holds: holder.holds.filter((id) => parts.has(id)) })),
    tethers: document.tethers.map((tether) =>
      marks({
        ...tether,
        partId: tether.partId !== null && parts.has(tether.partId) ? tether.partId : null,
        throughPartId: tether.throughPartId !== null && parts.has(tether.throughPartId) ? tether.throughPartId : null,
        mixups: tether.mixups.filter((id) => tethers.has(id)),
        functions: tether.functions.filter((id) => functions.has(id)),
      }),
    ),
    needs: document.needs.filter(stands),
  }
}
