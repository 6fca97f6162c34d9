import 'server-only'
import type { Id } from '@/core/base/id'
import { ProcedureDocument } from '@/core/procedure/document'
import { readDocument } from '@/core/procedure/documentMigrations'
import type { ShopTransaction } from '../db/client'

export async function newestRevision(trx: ShopTransaction, procedureId: string) {
  return trx
    .selectFrom('revision')
    .selectAll()
    .where('procedure_id', '=', procedureId)
    .orderBy('number', 'desc')
    .limit(1)
    .executeTakeFirst()
}

export async function draftOf(trx: ShopTransaction, procedureId: string) {
  return trx.selectFrom('draft').selectAll().where('procedure_id', '=', procedureId).executeTakeFirst()
}

/** A revision's document, for a job or an export. */
export async function readRevision(
  trx: ShopTransaction,
  revisionId: Id,
): Promise<{ document: ProcedureDocument; number: number } | null> {
  const row = await trx
    .selectFrom('revision')
    .select(['document', 'number'])
    .where('id', '=', revisionId)
    .executeTakeFirst()
  return row ? { document: readDocument(row.document), number: row.number } : null
}
