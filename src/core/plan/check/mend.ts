import type { ProcedureDocument } from '../../procedure/document'
import type { Edit } from '../../procedure/edit'
import type { Problem } from './problem'

/**
 * The one-tap mend of a problem, where there is only one sensible one; null where somebody has to decide. A mend
 * changes no meaning: it says what is planned anyway, completes a pair, or takes out what has no effect.
 */
export function mendFor(document: ProcedureDocument, problem: Problem): Edit[] | null {
  switch (problem.kind) {
    case 'may not rest': {
      const need = document.needs.find((item) => item.id === problem.itemId)
      if (!need || need.needs.kind !== 'part') return null
      return [
        {
          kind: 'field',
          collection: 'needs',
          id: need.id,
          field: 'needs',
          from: need.needs,
          to: { ...need.needs, level: 'off' },
        },
      ]
    }
    case 'mix-up one way': {
      const other = document.tethers.find((item) => item.id === problem.otherId)
      return other
        ? [
            {
              kind: 'field',
              collection: 'tethers',
              id: other.id,
              field: 'mixups',
              from: other.mixups,
              to: [...other.mixups, problem.itemId],
            },
          ]
        : null
    }
    case 'condition on every choice': {
      const item = (document[problem.collection] as { id: string; when?: Record<string, string[]> }[]).find(
        (one) => one.id === problem.itemId,
      )
      if (!item?.when) return null
      const { [problem.facetId]: _, ...rest } = item.when
      return [{ kind: 'field', collection: problem.collection, id: item.id, field: 'when', from: item.when, to: rest }]
    }
    case 'stated twice': {
      const need = document.needs.find((item) => item.id === problem.itemId)
      return need ? [{ kind: 'remove', collection: 'needs', id: need.id, item: need }] : null
    }
    default:
      return null
  }
}
