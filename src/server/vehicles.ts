import 'server-only'
import { z } from 'zod'
import { Build } from '@/core/procedure/when'
import { inShop, type Crew, type Refused } from './session'

export const NewVehicle = z.object({
  label: z.string().trim().min(1, 'Say the fleet number or a short name.').max(40),
  plate: z.string().trim().max(20).default(''),
  customer: z.string().trim().max(80).default(''),
  procedureId: z.uuid().nullable(),
  build: Build.default({}),
})
export type NewVehicle = z.infer<typeof NewVehicle>

export type VehicleRow = { id: string; label: string; plate: string; customer: string; procedureId: string | null; procedureName: string | null; build: Build; jobs: number }

export async function listVehicles(crew: Crew): Promise<VehicleRow[]> {
  return inShop(crew, async (trx) => {
    const rows = await trx
      .selectFrom('vehicle')
      .leftJoin('procedure', 'procedure.id', 'vehicle.procedure_id')
      .select(['vehicle.id', 'vehicle.label', 'vehicle.plate', 'vehicle.customer', 'vehicle.build', 'vehicle.procedure_id', 'procedure.name as procedure_name'])
      .select((e) => e.selectFrom('job').whereRef('job.vehicle_id', '=', 'vehicle.id').select((f) => f.fn.countAll<string>().as('count')).as('jobs'))
      .orderBy('vehicle.label')
      .execute()
    return rows.map((row) => ({ id: row.id, label: row.label, plate: row.plate, customer: row.customer, procedureId: row.procedure_id, procedureName: row.procedure_name, build: Build.parse(row.build), jobs: Number(row.jobs) }))
  })
}

export async function addVehicle(crew: Crew, vehicle: NewVehicle): Promise<{ status: 'done'; vehicleId: string } | Refused> {
  return inShop(crew, async (trx) => {
    const same = await trx.selectFrom('vehicle').select('id').where('label', '=', vehicle.label).executeTakeFirst()
    if (same) return { status: 'refused', sentence: `There is already a vehicle called ${vehicle.label}. Choose another label, or pick that one from the list.` }
    if (vehicle.procedureId && !(await trx.selectFrom('procedure').select('id').where('id', '=', vehicle.procedureId).executeTakeFirst()))
      return { status: 'refused', sentence: 'This procedure is not in your shop. Choose one from the list.' }
    const id = crypto.randomUUID()
    await trx
      .insertInto('vehicle')
      .values({ id, shop_id: crew.shopId, label: vehicle.label, plate: vehicle.plate, customer: vehicle.customer, procedure_id: vehicle.procedureId, build: JSON.stringify(vehicle.build) })
      .execute()
    return { status: 'done', vehicleId: id }
  })
}

/** What was told about this example's build stays with it. */
export async function rememberBuild(crew: Crew, vehicleId: string, build: Build): Promise<void> {
  await inShop(crew, (trx) => trx.updateTable('vehicle').set({ build: JSON.stringify(build) }).where('id', '=', vehicleId).execute())
}
