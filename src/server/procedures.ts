import 'server-only'
import type { Id } from '@/core/base/id'
import { confirmationsOf, stripsOf } from '@/core/job/strips'
import { evidenceOf, type Entry, type Evidence } from '@/core/job/evidence'
import type { Strip } from '@/core/order/learntOrder'
import { checkRecord, type Confirmations } from '@/core/plan/check/checkRecord'
import { forbidsPublishing, type Problem } from '@/core/plan/check/problem'
import { copiedFor, ProcedureDocument, emptyDocument } from '@/core/procedure/document'
import { mirroredFor } from '@/core/procedure/mirror'
import { applyEdits, type Conflict, type Edit } from '@/core/procedure/edit'
import { parseDocumentText, type DocumentError } from '@/core/procedure/parseDocument'
import { NOT_SAID, type Source } from '@/core/procedure/source'
import type { ShopTransaction } from '../db/client'
import { cleanUpOf, type CleanUp, type LookedBack } from '@/core/strip/cleanUp'
import { whilePlanning, type Circumstances } from '@/core/vehicle/circumstances'
import { rulesInForce } from '@/core/vehicle/rulesInForce'
import { inShop, mayAct, refused, type Crew, type Refused } from './session'
import { JobEvent, StoredEvent } from '@/core/job/event'

export type ProcedureRow = {
  id: string
  name: string
  revision: number | null
  publishedAt: Date | null
  hasDraft: boolean
  document: ProcedureDocument
  jobs: number
}

/** Every procedure of the shop with its newest document, for the list and its search. */
export async function listProcedures(crew: Crew): Promise<ProcedureRow[]> {
  return inShop(crew, async (trx) => {
    const procedures = await trx.selectFrom('procedure').selectAll().orderBy('name').execute()
    const jobs = await trx
      .selectFrom('job')
      .select((e) => ['procedure_id', e.fn.countAll<string>().as('count')])
      .groupBy('procedure_id')
      .execute()
    return Promise.all(
      procedures.map(async (row) => {
        const [revision, draft] = [await newestRevision(trx, row.id), await draftOf(trx, row.id)]
        return {
          id: row.id,
          name: row.name,
          revision: revision?.number ?? null,
          publishedAt: revision?.published_at ?? null,
          hasDraft: draft !== undefined,
          document: ProcedureDocument.parse(draft?.document ?? revision!.document),
          jobs: Number(jobs.find((job) => job.procedure_id === row.id)?.count ?? 0),
        }
      }),
    )
  })
}

export async function newestRevision(trx: ShopTransaction, procedureId: string) {
  return trx
    .selectFrom('revision')
    .selectAll()
    .where('procedure_id', '=', procedureId)
    .orderBy('number', 'desc')
    .limit(1)
    .executeTakeFirst()
}

async function draftOf(trx: ShopTransaction, procedureId: string) {
  return trx.selectFrom('draft').selectAll().where('procedure_id', '=', procedureId).executeTakeFirst()
}

export type ProcedureView = {
  id: string
  document: ProcedureDocument
  problems: Problem[]
  version: number
  isDraft: boolean
  revision: { id: string; number: number; publishedAt: Date; by: string } | null
  jobs: number
  /** What past jobs have shown: the order things came off in. */
  strips: Strip[]
  /** What they have left for the desk. */
  cleanUp: CleanUp
  /** Who stated each thing, and who bore it out or found it otherwise. */
  evidence: Map<Id, Evidence>
}

/**
 * A procedure as it is worked on: the draft where there is one, else the newest revision. Null when it is not this
 * shop's.
 */
export async function readProcedure(crew: Crew, procedureId: string): Promise<ProcedureView | null> {
  return inShop(crew, async (trx) => {
    const row = await trx.selectFrom('procedure').selectAll().where('id', '=', procedureId).executeTakeFirst()
    if (!row) return null
    const [revision, draft] = [await newestRevision(trx, row.id), await draftOf(trx, row.id)]
    const document = ProcedureDocument.parse(draft?.document ?? revision!.document)
    const seen = await seenOn(trx, row.id, document, circumstancesOf(crew))
    const by = revision
      ? await trx.selectFrom('crew').select('name').where('id', '=', revision.published_by).executeTakeFirst()
      : null
    const jobs = await trx
      .selectFrom('job')
      .select((e) => e.fn.countAll<string>().as('count'))
      .where('procedure_id', '=', row.id)
      .executeTakeFirst()
    return {
      id: row.id,
      document,
      problems: checkRecord(document, circumstancesOf(crew), seen.confirmations),
      strips: seen.strips,
      cleanUp: cleanUpOf(document, seen.jobs),
      evidence: evidenceOf(document, seen.jobs, await entriesOf(trx, row.id)),
      version: draft?.version ?? 0,
      isDraft: draft !== undefined,
      revision: revision
        ? { id: revision.id, number: revision.number, publishedAt: revision.published_at, by: by?.name ?? 'somebody' }
        : null,
      jobs: Number(jobs?.count ?? 0),
    }
  })
}

/** The shop's own rules and figures are judged by as well as the built-in ones. */
function circumstancesOf(crew: Crew): Circumstances {
  return whilePlanning(crew.house, rulesInForce(crew.rules))
}

/** What the jobs on this model have shown so far: the order of each strip, and which facts it bore out. */
async function seenOn(
  trx: ShopTransaction,
  procedureId: string,
  document: ProcedureDocument,
  circumstances: Circumstances,
): Promise<{ strips: Strip[]; confirmations: Confirmations | null; jobs: LookedBack[] }> {
  const ofModel = await trx
    .selectFrom('job')
    .innerJoin('vehicle', 'vehicle.id', 'job.vehicle_id')
    .select(['job.id', 'job.kind', 'job.draft_document', 'job.revision_id', 'vehicle.label'])
    .where('job.procedure_id', '=', procedureId)
    .execute()
  const jobs = new Map<string, LookedBack & { events: JobEvent[] }>()
  const rows = await trx
    .selectFrom('job_event')
    .innerJoin('job', 'job.id', 'job_event.job_id')
    .select(['job_event.body', 'job_event.job_id'])
    .where('job.procedure_id', '=', procedureId)
    .orderBy('job_event.received_seq')
    .execute()
  for (const row of rows) {
    const job = jobs.get(row.job_id)
    if (job) job.events.push(StoredEvent.parse(row.body))
    else {
      const { id, label, ...origin } = ofModel.find((item) => item.id === row.job_id)!
      jobs.set(id, { id, label, base: await baseOf(trx, origin), events: [StoredEvent.parse(row.body)] })
    }
  }
  const all = [...jobs.values()]
  return {
    strips: stripsOf(document, all, circumstances),
    confirmations: all.length > 0 ? confirmationsOf(document, all) : null,
    jobs: all,
  }
}

/** What a strip began with; a job that followed a plan states nothing. */
async function baseOf(
  trx: ShopTransaction,
  job: { kind: 'job' | 'strip'; revision_id: string | null; draft_document: unknown },
): Promise<ProcedureDocument | null> {
  if (job.kind !== 'strip') return null
  const revision = job.revision_id ? await readRevision(trx, job.revision_id) : null
  return revision?.document ?? ProcedureDocument.parse(job.draft_document)
}

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
  const document = ProcedureDocument.parse(like.document)
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

export type EditOutcome =
  | {
      status: 'saved'
      document: ProcedureDocument
      problems: Problem[]
      version: number
      conflicts: Conflict[]
      evidence: Map<Id, Evidence>
    }
  | { status: 'refused'; sentence: string }

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
        sentence: 'This procedure is not in your shop any more. Copy what you typed and open the list of procedures.',
      }
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

async function entriesOf(trx: ShopTransaction, procedureId: string): Promise<Entry[]> {
  const rows = await trx
    .selectFrom('evidence')
    .select(['item_id', 'person_id', 'made_at', 'source', 'words'])
    .where('procedure_id', '=', procedureId)
    .orderBy('made_at')
    .execute()
  return rows.map((row) => ({
    itemId: row.item_id,
    personId: row.person_id,
    atMs: row.made_at.getTime(),
    source: { kind: row.source, words: row.words },
  }))
}

/** Changes the draft under the same lock, where `change` makes another document of it. For what comes from a strip. */
export async function changeDraft(
  crew: Crew,
  trx: ShopTransaction,
  procedureId: string,
  change: (draft: ProcedureDocument) => ProcedureDocument,
): Promise<void> {
  const now = await lockedDraft(trx, procedureId)
  const changed = now && change(now.document)
  if (now && changed !== now.document) await storeDraft(crew, trx, procedureId, changed!, now.version + 1)
}

/** The draft, or what one would begin with, held until the transaction ends. Null when it is not this shop's. */
async function lockedDraft(
  trx: ShopTransaction,
  procedureId: string,
): Promise<{ document: ProcedureDocument; version: number } | null> {
  const row = await trx
    .selectFrom('procedure')
    .select('id')
    .where('id', '=', procedureId)
    .forUpdate()
    .executeTakeFirst()
  if (!row) return null
  const draft = await draftOf(trx, procedureId)
  return {
    document: ProcedureDocument.parse(draft?.document ?? (await newestRevision(trx, procedureId))!.document),
    version: draft?.version ?? 0,
  }
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
  if (!mayAct(crew, 'lead')) return refused('lead')
  return inShop(crew, async (trx) => {
    await trx.selectFrom('procedure').select('id').where('id', '=', procedureId).forUpdate().executeTakeFirst()
    const draft = await draftOf(trx, procedureId)
    if (!draft)
      return {
        status: 'refused',
        sentence: 'There is no draft to publish: nothing has changed since the last revision.',
      }
    const document = ProcedureDocument.parse(draft.document)
    if (document.parts.length === 0)
      return { status: 'refused', sentence: 'There is nothing to publish yet. Add a part first.' }
    if (checkRecord(document, circumstancesOf(crew)).some(forbidsPublishing))
      return {
        status: 'refused',
        sentence:
          'Nobody could work safely from this record yet. Mend the problems marked with a circle of arrows first.',
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
  return row ? { document: ProcedureDocument.parse(row.document), number: row.number } : null
}
