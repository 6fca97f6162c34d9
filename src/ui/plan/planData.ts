import type { ProcedureDocument } from '@/core/procedure/document'
import type { Heads } from '@/core/procedure/forBuild'
import type { Build } from '@/core/procedure/when'
import type { HouseValues } from '@/core/shop/houseValues'
import type { FittedKit } from '@/core/shop/kitHere'
import type { ShopRules } from '@/core/vehicle/rule'

/** What the server hands to the plan's screen. */
export type PlanData = {
  vehicle: { id: string; label: string; plate: string; build: Build }
  document: ProcedureDocument
  /** Fasteners that an earlier job found with another head on this vehicle. */
  heads: Heads
  /** What else is known of this very vehicle, a line each. */
  known: string[]
  revisionNumber: number | null
  house: HouseValues
  rules: ShopRules
  /** The shop's kits that fit this model. */
  kits: FittedKit[]
  /** Heads or names of tools the shop has one of: two people share them. */
  singleTools: string[]
}
