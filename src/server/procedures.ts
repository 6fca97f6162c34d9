import 'server-only'
import type { Id } from '@/core/base/id'
import { evidenceOf, type Evidence } from '@/core/job/evidence'
import type { Strip } from '@/core/order/learntOrder'
import { checkRecord } from '@/core/plan/check/checkRecord'
import type { Problem } from '@/core/plan/check/problem'
import { ProcedureDocument } from '@/core/procedure/document'
import { readDocument } from '@/core/procedure/documentMigrations'
import { cleanUpOf, type CleanUp } from '@/core/strip/cleanUp'
import { circumstancesOf, entriesOf, seenOn } from './procedureSeen'
import { draftOf, newestRevision } from './revisions'
import { inShop, type Crew } from './whoAsks'

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
          document: readDocument(draft?.document ?? revision!.document),
          jobs: Number(jobs.find((job) => job.procedure_id === row.id)?.count ?? 0),
        }
      }),
    )
  })
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
    const document = readDocument(draft?.document ?? revision!.document)
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
