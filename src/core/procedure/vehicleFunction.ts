import { z } from 'zod'
import { Id } from '../base/id'
import { When } from './when'

/** Why a test of it failed before: what it looked like, what to look at, and what cured it. */
export const Trouble = z.object({
  symptom: z.string().max(120).default(''),
  check: z.string().max(160).default(''),
  cause: z.string().trim().min(1, 'Say what it was.').max(120),
  cure: z.string().max(120).default(''),
})
export type Trouble = z.infer<typeof Trouble>

/** As many as one function keeps. */
export const MOST_TROUBLES = 30

/** Whether a cause is among these already, however it is capitalised. */
export function isKnownTrouble(troubles: readonly Trouble[], { cause }: Pick<Trouble, 'cause'>): boolean {
  return troubles.some((known) => known.cause.toLowerCase() === cause.toLowerCase())
}

/** What to test once a connector that serves it has been opened. */
export const VehicleFunction = z.object({
  id: Id,
  name: z.string().trim().min(1, 'A function needs a name.').max(60),
  how: z.string().max(200).default(''),
  power: z.enum(['none', 'battery', 'accessory', 'ignition', 'engine']).default('ignition'),
  /** The unit of a reading, if one is taken; empty when the answer is yes or no. */
  readingUnit: z.string().max(12).default(''),
  /** Where a reading has to lie: outside it the test has failed, whoever says that it passed. */
  least: z.number().nullable().default(null),
  most: z.number().nullable().default(null),
  /** Tested before trim hides its plugs again, or only at hand-over. */
  interim: z.enum(['when hidden', 'at hand-over']).default('when hidden'),
  /** How long its unit needs after power before the test says anything. */
  warmUpS: z.number().min(0).max(3600).default(0),
  /** Further plugs it needs closed, besides those that list it. */
  alsoNeeds: z.array(Id).max(10).default([]),
  troubles: z.array(Trouble).max(MOST_TROUBLES).default([]),
  when: When.default({}),
})
export type VehicleFunction = z.infer<typeof VehicleFunction>

export function newVehicleFunction(id: Id, name: string): VehicleFunction {
  return VehicleFunction.parse({ id, name })
}
