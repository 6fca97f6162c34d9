import 'server-only'
import { z } from 'zod'
import { ProcedureDocument } from '@/core/procedure/document'
import { readDocument } from '@/core/procedure/documentMigrations'
import { Build } from '@/core/procedure/when'
import { holdNames } from './lock'
import { saidNow } from './vehicleBuild'
import { newestRevision } from './revisions'
import { inShop, type Crew, type Refused } from './whoAsks'
import { REFUSALS } from '@/words/refusals'

export const NewVehicle = z.object({
  label: z.string().trim().min(1, 'Say the fleet number or a short name.').max(40),
  plate: z.string().trim().max(20).default(''),
  customer: z.string().trim().max(80).default(''),
  procedureId: z.uuid().nullable(),
  build: Build.default({}),
})
export type NewVehicle = z.infer<typeof NewVehicle>

export type VehicleRow = {
  id: string
  label: string
  plate: string
  customer: string
  procedureId: string | null
  procedureName: string | null
  build: Build
  jobs: number
}

export async function listVehicles(crew: Crew): Promise<VehicleRow[]> {
  return inShop(crew, async (trx) => {
    const rows = await trx
      .selectFrom('vehicle')
      .leftJoin('procedure', 'procedure.id', 'vehicle.procedure_id')
      .select([
        'vehicle.id',
        'vehicle.label',
        'vehicle.plate',
        'vehicle.customer',
        'vehicle.build',
        'vehicle.procedure_id',
        'procedure.name as procedure_name',
      ])
      .select((e) =>
        e
          .selectFrom('job')
          .whereRef('job.vehicle_id', '=', 'vehicle.id')
          .select((f) => f.fn.countAll<string>().as('count'))
          .as('jobs'),
      )
      .orderBy('vehicle.label')
      .execute()
    return rows.map((row) => ({
      id: row.id,
      label: row.label,
      plate: row.plate,
      customer: row.customer,
      procedureId: row.procedure_id,
      procedureName: row.procedure_name,
      build: Build.parse(row.build),
      jobs: Number(row.jobs),
    }))
  })
}

export async function addVehicle(
  crew: Crew,
  vehicle: NewVehicle,
): Promise<{ status: 'done'; vehicleId: string } | Refused> {
  return inShop(crew, async (trx) => {
    await holdNames(crew, trx, 'vehicles')
    const same = await trx.selectFrom('vehicle').select('id').where('label', '=', vehicle.label).executeTakeFirst()
    if (same)
      return {
        status: 'refused',
        sentence: REFUSALS.vehicleCalledSo(vehicle.label),
      }
    if (
      vehicle.procedureId &&
      !(await trx.selectFrom('procedure').select('id').where('id', '=', vehicle.procedureId).executeTakeFirst())
    )
      return { status: 'refused', sentence: REFUSALS.notYourProcedureChoose }
    const id = crypto.randomUUID()
    await trx
      .insertInto('vehicle')
      .values({
        id,
        shop_id: crew.shopId,
        label: vehicle.label,
        plate: vehicle.plate,
        customer: vehicle.customer,
        procedure_id: vehicle.procedureId,
        ...saidNow(vehicle.build),
      })
      .execute()
    return { status: 'done', vehicleId: id }
  })
}

export type VehicleView = {
  id: string
  label: string
  plate: string
  customer: string
  build: Build
  procedureId: string | null
  procedure: { document: ProcedureDocument; revisionNumber: number | null } | null
}

/** One vehicle with the document its next job would use. Null when it is not this shop's. */
export async function readVehicle(crew: Crew, vehicleId: string): Promise<VehicleView | null> {
  if (!z.uuid().safeParse(vehicleId).success) return null
  return inShop(crew, async (trx) => {
    const row = await trx.selectFrom('vehicle').selectAll().where('id', '=', vehicleId).executeTakeFirst()
    if (!row) return null
    const revision = row.procedure_id ? await newestRevision(trx, row.procedure_id) : undefined
    const draft =
      row.procedure_id && !revision
        ? await trx
            .selectFrom('draft')
            .select('document')
            .where('procedure_id', '=', row.procedure_id)
            .executeTakeFirst()
        : undefined
    const source = revision ?? draft
    const document = source ? readDocument(source.document) : null
    return {
      id: row.id,
      label: row.label,
      plate: row.plate,
      customer: row.customer,
      build: ofTheVehicle(Build.parse(row.build), document),
      procedureId: row.procedure_id,
      procedure: document && { document, revisionNumber: revision?.number ?? null },
    }
  })
}

/** What is known of the vehicle itself: which family of a unit its last kit had says nothing of the next one's. */
function ofTheVehicle(build: Build, document: ProcedureDocument | null): Build {
  const own = new Set(document?.facets.map(({ id }) => id))
  return Object.fromEntries(Object.entries(build).filter(([facetId]) => own.has(facetId)))
}

/** Says which model a vehicle is. What was told about its build belonged to the old model and is asked again. */
export async function chooseProcedure(
  crew: Crew,
  vehicleId: string,
  procedureId: string,
): Promise<{ status: 'done' } | Refused> {
  return inShop(crew, async (trx) => {
    const known = await trx.selectFrom('procedure').select('id').where('id', '=', procedureId).executeTakeFirst()
    if (!known) return { status: 'refused', sentence: REFUSALS.notYourProcedureChoose }
    const changed = await trx
      .updateTable('vehicle')
      .set({ procedure_id: procedureId, ...saidNow({}) })
      .where('id', '=', vehicleId)
      .executeTakeFirst()
    return changed.numUpdatedRows > 0n ? { status: 'done' } : { status: 'refused', sentence: REFUSALS.notYourVehicle }
  })
}
