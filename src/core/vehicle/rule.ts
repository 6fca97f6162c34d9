import { AIRBAG_CIRCUITS } from '../shop/rights'
import { z } from 'zod'
import { Id } from '../base/id'
import { RULE_ACTS } from '../procedure/acts'
import { SEVERITIES } from '../procedure/severity'
import { SETTING_ROLES } from '../procedure/setting'
import { CIRCUITS } from '../procedure/circuits'
import { HAZARDS, PASSED_HOW } from '../procedure/wayWords'
import { POWERS } from './powers'

/** Which acts: every list that is given has to match. An empty pattern matches nothing. */
export const ActPattern = z.object({
  acts: z.array(z.enum(RULE_ACTS)).min(1, 'Say at which acts the rule bites.'),
  circuits: z.array(z.enum(CIRCUITS)).optional(),
  roles: z.array(z.enum(SETTING_ROLES)).optional(),
  /** The values a setting is brought to. */
  to: z.array(z.string()).optional(),
  powers: z.array(z.enum(POWERS)).optional(),
  /** What a lead that is laid goes by, how, and how near: nearer than so many mm; not measured counts as touching. */
  hazards: z.array(z.enum(HAZARDS)).optional(),
  passedHow: z.enum(PASSED_HOW).optional(),
  nearerThanMm: z.number().positive().max(2000).optional(),
  /** Kinds of work ("drill", "solder"). */
  works: z.array(z.string()).optional(),
  brittle: z.boolean().optional(),
  hot: z.boolean().optional(),
  painted: z.boolean().optional(),
  fuel: z.boolean().optional(),
  /** The part weighs more than the house lets one person lift. */
  heavy: z.boolean().optional(),
  stations: z.array(z.string()).optional(),
  /** Done at the vehicle, whichever station; false: at the bench. */
  atVehicle: z.boolean().optional(),
})
export type ActPattern = z.infer<typeof ActPattern>

/** What has to be so for a rule to bite. All conditions of a rule together. */
export const Condition = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('open'), circuits: z.array(z.enum(CIRCUITS)).min(1) }),
  /**
   * A setting of this role stands at none of these values. Where the record has no such setting, this does not hold.
   */
  z.object({ kind: z.literal('setting not'), role: z.enum(SETTING_ROLES), values: z.array(z.string()).min(1) }),
  z.object({ kind: z.literal('setting is'), role: z.enum(SETTING_ROLES), values: z.array(z.string()).min(1) }),
  /** The battery has not been off for as long as its maker says, or the house where nobody knows. */
  z.object({ kind: z.literal('waited too short') }),
  z.object({ kind: z.literal('wheels'), wheels: z.enum(['four', 'two']) }),
  z.object({ kind: z.literal('colder than the house value') }),
  z.object({ kind: z.literal('not authorised'), what: z.enum([AIRBAG_CIRCUITS]) }),
  /** What the rule asks to be confirmed has not been, on this job since the setting last changed. */
  z.object({ kind: z.literal('not confirmed') }),
])
export type Condition = z.infer<typeof Condition>

/**
 * A rule of safety as data. `at` null: an invariant that must hold in every state. `refuses`: the act is not made, by
 * anybody; `cautions`: it is said when the act comes. `confirm`: what a person has to have seen to.
 */
export const Rule = z.object({
  id: Id,
  severity: z.enum(SEVERITIES),
  sentence: z.string().trim().min(1, 'A rule needs a sentence.').max(300),
  remedy: z.string().trim().max(300).default(''),
  origin: z.string().trim().min(1, 'Say where the rule comes from.').max(200),
  effect: z.enum(['refuses', 'cautions']),
  at: ActPattern.nullable(),
  while: z.array(Condition).max(6).default([]),
  confirm: z.array(z.string().trim().min(1).max(120)).max(10).default([]),
  /** Not said at the act, only answered when it is refused: another rule says the same there. */
  quiet: z.boolean().default(false),
})
export type Rule = z.infer<typeof Rule>

/** What a shop adds: rules of its own, and built-in ones it takes more seriously. It can't weaken any. */
export const ShopRules = z.object({
  added: z.array(Rule).max(60).default([]),
  raised: z.record(Id, z.enum(SEVERITIES)).default({}),
})
export type ShopRules = z.infer<typeof ShopRules>
