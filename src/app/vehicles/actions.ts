'use server'
import { revalidatePath } from 'next/cache'
import { redirect } from 'next/navigation'
import { z } from 'zod'
import { atDoor } from '@/server/door'
import { requireCrew } from '@/server/session'
import { addVehicle, chooseProcedure, NewVehicle } from '@/server/vehicles'
import { REFUSALS } from '@/words/refusals'

export type VehicleAnswer = { sentence: string } | null

export async function addVehicleAction(input: unknown): Promise<VehicleAnswer> {
  const crew = await requireCrew()
  const vehicle = atDoor(NewVehicle, input)
  if (!vehicle.success) return { sentence: vehicle.error.issues[0]!.message }
  const outcome = await addVehicle(crew, vehicle.data)
  if (outcome.status === 'refused') return { sentence: outcome.sentence }
  redirect(`/vehicles/${outcome.vehicleId}`)
}

export async function chooseProcedureAction(vehicleId: string, procedureId: string): Promise<VehicleAnswer> {
  const crew = await requireCrew()
  const ids = atDoor(z.tuple([z.uuid(), z.uuid()]), [vehicleId, procedureId])
  if (!ids.success) return { sentence: REFUSALS.chooseProcedure }
  const outcome = await chooseProcedure(crew, ids.data[0], ids.data[1])
  if (outcome.status === 'refused') return { sentence: outcome.sentence }
  revalidatePath(`/vehicles/${vehicleId}`)
  return null
}
