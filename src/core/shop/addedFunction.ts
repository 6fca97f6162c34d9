import { z } from 'zod'
import { Id } from '../base/id'
import { SETTING_ROLES } from '../procedure/setting'
import { VehicleFunction } from '../procedure/vehicleFunction'
import { When } from '../procedure/when'

export const FUNCTION_NEEDS = ['function', 'part', 'plug', 'setting'] as const

/**
 * What has to be there for a function: another function, a part that is fitted (an antenna, an adapter, the plate
 * without which it does not power up), a lead that is connected (the real signal, never a bypass), a module that stands
 * as it should.
 */
export const FunctionNeed = z.object({
  of: z.enum(FUNCTION_NEEDS).default('plug'),
  id: Id,
  because: z.string().trim().max(160).default(''),
  when: When.default({}),
})
export type FunctionNeed = z.infer<typeof FunctionNeed>

/** How a setting of the vehicle has to stand for a test, by its role, which every model names alike. */
export const TestSetting = z.object({
  role: z.enum(SETTING_ROLES),
  value: z.string().trim().min(1, 'Say how it has to stand.').max(40),
})
export type TestSetting = z.infer<typeof TestSetting>

/** A function that a kit adds: what it needs, after which work it can be tested, and what is shown to the customer. */
export const AddedFunction = VehicleFunction.omit({ alsoNeeds: true }).extend({
  afterWork: z.array(Id).max(60).default([]),
  /** The customer may do without it: then what only it needs is not fitted. */
  optional: z.boolean().default(false),
  needs: z.array(FunctionNeed).max(20).default([]),
  testWith: z.array(TestSetting).max(4).default([]),
  /** What the customer is shown at the end; empty = that it works. */
  show: z.string().trim().max(160).default(''),
})
export type AddedFunction = z.infer<typeof AddedFunction>
