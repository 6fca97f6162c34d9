import { z } from 'zod'
import { Hand, JobEvent } from '@/core/job/event'
import { FoundOrder } from '@/core/plan/find/foundOrder'
import { PlanRequest } from '@/core/plan/ask/planRequest'
import { ProcedureDocument } from '@/core/procedure/document'
import { Station } from '@/core/procedure/station'
import { HouseValues } from '@/core/shop/houseValues'
import { ShopRules } from '@/core/vehicle/rule'

/** Everything an order is worked out from, as plain data. What comes to a worker is parsed there, as at every door. */
export const PlanningInput = z.object({
  document: ProcedureDocument,
  request: PlanRequest,
  house: HouseValues,
  rules: ShopRules,
})
export type PlanningInput = z.infer<typeof PlanningInput>

/** The same for the server's pool, which may be told how far to look. */
export const ServerPlanning = PlanningInput.extend({
  limits: z.object({ expandedStates: z.number().int().min(1) }).optional(),
})
export type ServerPlanning = z.infer<typeof ServerPlanning>

/** A plan that was found, shared out. `starts`: where each person stands; `singleTools`: those the shop has one of. */
export const SharingInput = z.object({ found: FoundOrder, starts: Station.array(), singleTools: z.string().array() })
export type SharingInput = z.infer<typeof SharingInput>

/** A strip as it stands. */
export const StripInput = z.object({
  document: ProcedureDocument,
  events: JobEvent.array(),
  house: HouseValues,
  rules: ShopRules,
})
export type StripInput = z.infer<typeof StripInput>

/** A job as it stands, and what it is to be planned for from here. */
export const ReplanInput = PlanningInput.extend({
  events: JobEvent.array(),
  found: FoundOrder.nullable(),
  people: Hand.array(),
  singleTools: z.string().array(),
  nowMs: z.number(),
})
export type ReplanInput = z.infer<typeof ReplanInput>
