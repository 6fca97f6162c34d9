import type { Id } from '../base/id'
import { splitKey } from '../procedure/acts'
import type { ProcedureDocument } from '../procedure/document'
import type { Edit } from '../procedure/edit'
import { Need } from '../procedure/need'
import type { Pair } from './graph'

/** An order that strips show, as somebody states it at the desk: nobody has said why, or it was only a habit. */
export function orderEdits({ before, after }: Pair, reason: 'observed' | 'habit', id: Id, note: string): Edit[] {
  const [[beforeAct, beforeId], [afterAct, afterId]] = [splitKey(before), splitKey(after)]
  const item = Need.parse({
    id,
    dependent: { act: afterAct, id: afterId },
    needs: { kind: 'operation', act: beforeAct, id: beforeId },
    reason,
    note: note.slice(0, 300),
  })
  return [{ kind: 'add', collection: 'needs', item, after: null }]
}

/** What a stated need is for after all; nothing where it is gone meanwhile. */
export function reasonEdit(document: ProcedureDocument, needId: Id, to: Need['reason']): Edit[] {
  const need = document.needs.find((item) => item.id === needId)
  return need ? [{ kind: 'field', collection: 'needs', id: needId, field: 'reason', from: need.reason, to }] : []
}
