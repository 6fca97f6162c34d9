import 'server-only'
import { readDocument } from '@/core/procedure/documentMigrations'
import type { Id } from '@/core/base/id'
import { firstLost } from '@/core/base/lost'
import { evidenceOf } from '@/core/job/evidence'
import type { EditOutcome } from '@/core/job/savedDraft'
import { checkRecord } from '@/core/plan/check/checkRecord'
import { forbidsPublishing } from '@/core/plan/check/problem'
import { copiedFor, ProcedureDocument, emptyDocument } from '@/core/procedure/document'
import { applyEdits, type Conflict, type Edit } from '@/core/procedure/edit'
import { mirroredFor } from '@/core/procedure/mirror'
import { parseDocumentText, type DocumentError } from '@/core/procedure/parseDocument'
import { NOT_SAID, type Source } from '@/core/procedure/source'
import type { ShopTransaction } from '../db/client'
import { circumstancesOf, entriesOf, seenOn } from './procedureSeen'
import { draftOf, newestRevision } from './revisions'
import { inShop, refusalOf, type Crew, type Refused } from './whoAsks'
import { REFUSALS } from '@/words/refusals'

export async function createProcedure(crew: Crew, document: ProcedureDocument): Promise<string> {
  const id = crypto.randomUUID()
  await inShop(crew, async (trx) => {
    await trx.insertInto('procedure').values({ id, shop_id: crew.shopId, name: document.name }).execute()
    await trx
      .insertInto('draft')
      .values({
        procedure_id: id,
        shop_id: crew.shopId,
        document: JSON.stringify(document),
        version: 1,
        changed_by: crew.acting.id,
      })
      .execute()
  })
  return id
}

/**
 * `likeId`: a model on the same platform, whose facts it begins with; `mirrored`: with the wheel on the other side.
 * Null when that one is not this shop's.
 */
export async function newProcedure(
  crew: Crew,
  name: string,
  likeId: string | null = null,
  mirrored = false,
): Promise<string | null> {
  if (likeId === null) return createProcedure(crew, emptyDocument(name))
  const like = await inShop(crew, async (trx) => (await newestRevision(trx, likeId)) ?? draftOf(trx, likeId))
  if (!like) return null
  const document = readDocument(like.document)
  return createProcedure(crew, mirrored ? mirroredFor(name, document) : copiedFor(name, document))
}

/** All or nothing: a file with anything wrong in it changes nothing and is answered with the place and a sentence. */
export async function importProcedure(
  crew: Crew,
  text: string,
): Promise<{ status: 'done'; procedureId: string } | { status: 'bad file'; error: DocumentError }> {
  const parsed = parseDocumentText(text)
  if (!parsed.ok) return { status: 'bad file', error: parsed.error }
  return { status: 'done', procedureId: await createProcedure(crew, parsed.value) }
}

/**
 * Merges edits into the draft, field by field, under a lock, so that two people never overwrite each other unseen.
 * The first edit of a published procedure begins a draft from its newest revision. Who entered what, and from which
 * source, is kept beside it.
 */
export async function editDraft(
  crew: Crew,
  procedureId: string,
  edits: readonly Edit[],
  source: Source = NOT_SAID,
): Promise<EditOutcome> {
  return inShop(crew, async (trx) => {
    const now = await lockedDraft(trx, procedureId)
    if (!now)
      return {
        status: 'refused',
        sentence: REFUSALS.procedureGone,
      }
    if (now.lost !== null) return { status: 'refused', sentence: REFUSALS.recordNewer(now.lost) }
    const applied = applyEdits(now.document, edits)
    if (!applied.ok) return { status: 'refused', sentence: applied.error.sentence }
    const { document, conflicts } = applied.value
    const version = now.version + 1
    await storeDraft(crew, trx, procedureId, document, version)
    await keepEvidence(crew, trx, procedureId, edits, conflicts, source)
    const { confirmations, jobs } = await seenOn(trx, procedureId, document, circumstancesOf(crew))
    return {
      status: 'saved',
      document,
      problems: checkRecord(document, circumstancesOf(crew), confirmations),
      version,
      conflicts,
      evidence: evidenceOf(document, jobs, await entriesOf(trx, procedureId)),
    }
  })
}

/** One row for each thing that these edits add or change; what met a newer value was not entered. */
async function keepEvidence(
  crew: Crew,
  trx: ShopTransaction,
  procedureId: string,
  edits: readonly Edit[],
  conflicts: readonly Conflict[],
  source: Source,
): Promise<void> {
  const left = new Set(conflicts.map((conflict) => conflict.edit))
  const fields = new Map<Id, string[]>()
  for (const edit of edits) {
    if (left.has(edit) || (edit.kind !== 'add' && edit.kind !== 'field')) continue
    const id = edit.kind === 'add' ? edit.item.id : edit.id
    fields.set(id, [...(fields.get(id) ?? []), ...(edit.kind === 'field' ? [edit.field] : [])])
  }
  const rows = [...fields].map(([itemId, changed]) => ({
    id: crypto.randomUUID(),
    shop_id: crew.shopId,
    procedure_id: procedureId,
    item_id: itemId,
    fields: changed,
    source: source.kind,
    words: source.words,
    person_id: crew.acting.id,
  }))
  if (rows.length > 0) await trx.insertInto('evidence').values(rows).execute()
}

/** Changes the draft under the same lock, where `change` makes another document of it. For what comes from a strip. */
export async function changeDraft(
  crew: Crew,
  trx: ShopTransaction,
  procedureId: string,
  change: (draft: ProcedureDocument) => ProcedureDocument,
): Promise<void> {
  const now = await lockedDraft(trx, procedureId)
  // Nothing of the request is kept then: the tablet keeps what it sent, and tries again.
  if (now && now.lost !== null) throw new Error(REFUSALS.recordNewer(now.lost))
  const changed = now && change(now.document)
  if (now && changed !== now.document) await storeDraft(crew, trx, procedureId, changed!, now.version + 1)
}

/**
 * The draft, or what one would begin with, held until the transaction ends. Null when it is not this shop's. `lost`:
 * something in it that this program does not know. Written back, that would be gone: such a record is left alone.
 */
async function lockedDraft(
  trx: ShopTransaction,
  procedureId: string,
): Promise<{ document: ProcedureDocument; version: number; lost: string | null } | null> {
  const row = await trx
    .selectFrom('procedure')
    .select('id')
    .where('id', '=', procedureId)
    .forUpdate()
    .executeTakeFirst()
  if (!row) return null
  const draft = await draftOf(trx, procedureId)
  const stored: unknown = draft?.document ?? (await newestRevision(trx, procedureId))!.document
  const document = readDocument(stored)
  return { document, version: draft?.version ?? 0, lost: firstLost(stored, document) }
}

async function storeDraft(
  crew: Crew,
  trx: ShopTransaction,
  procedureId: string,
  document: ProcedureDocument,
  version: number,
): Promise<void> {
  const values = { document: JSON.stringify(document), version, changed_by: crew.acting.id, changed_at: new Date() }
  await trx
    .insertInto('draft')
    .values({ procedure_id: procedureId, shop_id: crew.shopId, ...values })
    .onConflict((c) => c.column('procedure_id').doUpdateSet(values))
    .execute()
  await trx.updateTable('procedure').set({ name: document.name }).where('id', '=', procedureId).execute()
}

/**
 * Makes the draft the next revision, which never changes again. Only leads and owners; refused while a problem in it
 * forbids that.
 */
export async function publishDraft(
  crew: Crew,
  procedureId: string,
  note: string,
): Promise<{ status: 'done'; number: number } | Refused> {
  const refusal = await refusalOf(crew, 'publish a record')
  if (refusal) return refusal
  return inShop(crew, async (trx) => {
    await trx.selectFrom('procedure').select('id').where('id', '=', procedureId).forUpdate().executeTakeFirst()
    const draft = await draftOf(trx, procedureId)
    if (!draft)
      return {
        status: 'refused',
        sentence: REFUSALS.noDraft,
      }
    const document = readDocument(draft.document)
    const lost = firstLost(draft.document, document)
    if (lost !== null) return { status: 'refused', sentence: REFUSALS.recordNewer(lost) }
    if (document.parts.length === 0) return { status: 'refused', sentence: REFUSALS.nothingToPublish }
    if (checkRecord(document, circumstancesOf(crew)).some(forbidsPublishing))
      return {
        status: 'refused',
        sentence: REFUSALS.notSafeToPublish,
      }
    const number = ((await newestRevision(trx, procedureId))?.number ?? 0) + 1
    await trx
      .insertInto('revision')
      .values({
        id: crypto.randomUUID(),
        shop_id: crew.shopId,
        procedure_id: procedureId,
        number,
        document: JSON.stringify(document),
        published_by: crew.acting.id,
        note,
      })
      .execute()
    await trx.deleteFrom('draft').where('procedure_id', '=', procedureId).execute()
    return { status: 'done', number }
  })
}
