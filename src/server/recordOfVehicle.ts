import 'server-only'
import type { ProcedureDocument } from '@/core/procedure/document'
import { readDocument } from '@/core/procedure/documentMigrations'
import { REFUSALS } from '@/words/refusals'
import type { ShopTransaction } from '../db/client'
import { draftOf, newestRevision } from './revisions'
import type { Refused } from './whoAsks'

/** What a job of a vehicle is planned and opened on: the newest revision, or the draft while nothing is published. */
export type RecordOfVehicle = {
  vehicleId: string
  procedureId: string
  revisionId: string | null
  draftVersion: number | null
  document: ProcedureDocument
}

/** Errors: a sentence, where the vehicle is not the shop's or has no model. */
export async function recordOfVehicle(trx: ShopTransaction, vehicleId: string): Promise<RecordOfVehicle | Refused> {
  const vehicle = await trx.selectFrom('vehicle').selectAll().where('id', '=', vehicleId).executeTakeFirst()
  if (!vehicle) return { status: 'refused', sentence: REFUSALS.notYourVehicleChoose }
  const procedureId = vehicle.procedure_id
  if (!procedureId) return { status: 'refused', sentence: REFUSALS.vehicleWithoutModel }
  const revision = await newestRevision(trx, procedureId)
  const draft = revision ? undefined : await draftOf(trx, procedureId)
  const stored = revision ?? draft
  if (!stored) return { status: 'refused', sentence: REFUSALS.vehicleWithoutModel }
  return {
    vehicleId,
    procedureId,
    revisionId: revision?.id ?? null,
    draftVersion: draft?.version ?? null,
    document: readDocument(stored.document),
  }
}
