import 'server-only'
import { readDocument } from '@/core/procedure/documentMigrations'
import { z } from 'zod'
import { stripsOf } from '@/core/job/strips'
import { ProcedureDocument, copiedFor } from '@/core/procedure/document'
import { formerIds } from '@/core/procedure/formerParts'
import { applyEdits, same, type Edit } from '@/core/procedure/edit'
import { StripSeen } from '@/core/procedure/stripSeen'
import { blankModel, stripDocument } from '@/core/strip/stripDocument'
import { editsForDraft } from '@/core/strip/toRecord'
import { whilePlanning } from '@/core/vehicle/circumstances'
import { rulesInForce } from '@/core/vehicle/rulesInForce'
import type { ShopTransaction } from '../db/client'
import { holdNames } from './lock'
import { allEvents } from './jobEvents'
import { changeDraft } from './draftEdits'
import { newestRevision } from './revisions'
import { inShop, type Crew, type Refused } from './whoAsks'
import type { JobEvent } from '@/core/job/event'
import { REFUSALS } from '@/words/refusals'

/**
 * A fleet number is enough; the model, its build and its name come later. `onModelId`: on top of a record there is;
 * `likeId`: with the facts of one on the same platform.
 */
export const NewStrip = z.object({
  label: z
    .string()
    .trim()
    .min(1, 'Say the fleet number, or whatever the crew calls this vehicle.')
    .max(40, 'A vehicle’s name has at most 40 characters.'),
  onModelId: z.uuid().nullable().default(null),
  likeId: z.uuid().nullable().default(null),
  bay: z.string().trim().max(20).default(''),
})
export type NewStrip = z.infer<typeof NewStrip>

/**
 * Begins a strip: of a vehicle the shop knows by that name, on top of its model's record, or of a new one. A vehicle
 * without a model gets a record of its own that nobody has named yet.
 */
export async function newStrip(
  crew: Crew,
  { label, onModelId, likeId, bay }: NewStrip,
): Promise<{ status: 'done'; jobId: string } | Refused> {
  return inShop(crew, async (trx) => {
    await holdNames(crew, trx, 'vehicles')
    const known = await trx
      .selectFrom('vehicle')
      .selectAll()
      .where((e) => e(e.fn<string>('lower', ['label']), '=', label.toLowerCase()))
      .executeTakeFirst()
    const modelId = known?.procedure_id ?? onModelId
    if (known?.procedure_id && onModelId && onModelId !== known.procedure_id)
      return {
        status: 'refused',
        sentence: REFUSALS.knownAsAnotherModel(known.label),
      }
    const model = modelId ? await recordOf(trx, modelId) : await begunModel(crew, trx, label, likeId)
    if (!model) return { status: 'refused', sentence: REFUSALS.notYourModelChoose }
    const vehicleId = known?.id ?? crypto.randomUUID()
    if (!known)
      await trx
        .insertInto('vehicle')
        .values({ id: vehicleId, shop_id: crew.shopId, label, procedure_id: model.procedureId, build: '{}' })
        .execute()
    else if (!known.procedure_id)
      await trx.updateTable('vehicle').set({ procedure_id: model.procedureId }).where('id', '=', vehicleId).execute()
    const jobId = crypto.randomUUID()
    await trx
      .insertInto('job')
      .values({
        id: jobId,
        shop_id: crew.shopId,
        vehicle_id: vehicleId,
        procedure_id: model.procedureId,
        revision_id: model.revisionId,
        draft_document: model.revisionId ? null : JSON.stringify(model.document),
        title: modelId ? `Strip, ${model.document.name}` : 'First strip',
        bay,
        promised_at: null,
        kind: 'strip',
        request: null,
        found_plan: null,
        created_by: crew.acting.id,
        handed_over_at: null,
      })
      .execute()
    return { status: 'done', jobId }
  })
}

type Model = { procedureId: string; revisionId: string | null; document: ProcedureDocument }

/** The newest revision, or the draft while nothing is published. */
async function recordOf(trx: ShopTransaction, procedureId: string): Promise<Model | null> {
  const revision = await newestRevision(trx, procedureId)
  if (revision) return { procedureId, revisionId: revision.id, document: readDocument(revision.document) }
  const draft = await trx
    .selectFrom('draft')
    .select('document')
    .where('procedure_id', '=', procedureId)
    .executeTakeFirst()
  return draft ? { procedureId, revisionId: null, document: readDocument(draft.document) } : null
}

async function begunModel(
  crew: Crew,
  trx: ShopTransaction,
  label: string,
  likeId: string | null,
): Promise<Model | null> {
  const name = `Model of ${label}`
  const like = likeId ? await recordOf(trx, likeId) : null
  if (likeId && !like) return null
  const document = like ? copiedFor(name, like.document) : blankModel(name)
  const procedureId = crypto.randomUUID()
  await trx.insertInto('procedure').values({ id: procedureId, shop_id: crew.shopId, name }).execute()
  await trx
    .insertInto('draft')
    .values({
      procedure_id: procedureId,
      shop_id: crew.shopId,
      document: JSON.stringify(document),
      version: 1,
      changed_by: crew.acting.id,
    })
    .execute()
  return { procedureId, revisionId: null, document }
}

/**
 * What new events of a strip change in the draft of its model: the difference they make to the strip's own document,
 * and the order in which things came off. A field somebody changed at the desk meanwhile stays as the desk has it.
 */
export async function growRecord(
  crew: Crew,
  trx: ShopTransaction,
  jobId: string,
  fresh: readonly JobEvent[],
): Promise<void> {
  const job = await trx
    .selectFrom('job')
    .innerJoin('vehicle', 'vehicle.id', 'job.vehicle_id')
    .selectAll('job')
    .select('vehicle.label as label')
    .where('job.id', '=', jobId)
    .executeTakeFirstOrThrow()
  const revision = job.revision_id
    ? await trx.selectFrom('revision').select('document').where('id', '=', job.revision_id).executeTakeFirstOrThrow()
    : null
  const base = readDocument(revision?.document ?? job.draft_document)
  const { events: all } = await allEvents(trx, jobId)
  const isFresh = new Set(fresh.map((event) => event.id))
  const before = stripDocument(
    base,
    all.filter((event) => !isFresh.has(event.id)),
  )
  const after = stripDocument(base, all)
  const edits = editsForDraft(base, revision !== null, before, after)
  await changeDraft(crew, trx, job.procedure_id, (draft) => {
    const grown = edits.length > 0 ? applyEdits(draft, nowMeant(draft, edits)) : null
    const document = grown?.ok ? grown.value.document : draft
    return orderSeen(document, { jobId, label: job.label, base, after, events: all }, crew)
  })
}

/**
 * Edits of a strip about parts that the desk has found to be another one, as edits about that one. Ids stand nowhere
 * but as ids.
 */
function nowMeant(draft: ProcedureDocument, edits: Edit[]): Edit[] {
  const now = formerIds(draft)
  if (now.size === 0) return edits
  return JSON.parse(JSON.stringify(edits), (_, value: unknown) =>
    typeof value === 'string' ? (now.get(value) ?? value) : value,
  ) as Edit[]
}

/** The record with the order of this strip as it is now; a strip that took nothing off yet has none. */
function orderSeen(
  draft: ProcedureDocument,
  strip: {
    jobId: string
    label: string
    base: ProcedureDocument
    after: ProcedureDocument
    events: readonly JobEvent[]
  },
  crew: Crew,
): ProcedureDocument {
  // By the draft's parts: two that turned out to be one are one in the order as well.
  const [seen] = stripsOf(
    { ...strip.after, parts: draft.parts },
    [{ id: strip.jobId, label: strip.label, events: strip.events }],
    whilePlanning(crew.house, rulesInForce(crew.rules)),
  )
  const others = draft.strips.filter((item) => item.id !== strip.jobId)
  if (!seen) return same(others, draft.strips) ? draft : { ...draft, strips: others }
  const item = StripSeen.parse({
    id: strip.jobId,
    label: strip.label,
    sequence: seen.sequence,
    brokeRule: seen.brokeRule ?? false,
  })
  return same(
    draft.strips.find((known) => known.id === item.id),
    item,
  )
    ? draft
    : { ...draft, strips: [...others, item].slice(-60) }
}
