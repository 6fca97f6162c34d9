import { z } from 'zod'
import { Id } from '../base/id'
import { Station } from './station'
import { When } from './when'

/** What the rules of safety must recognise; anything else is 'other'. */
export const SETTING_ROLES = ['battery', 'ignition', 'gear lever', 'parking brake', 'wheels', 'stand', 'other'] as const
export type SettingRole = (typeof SETTING_ROLES)[number]

/** A way to reach a value. What it needs are needs with this method as their dependent. */
export const Method = z.object({
  id: Id,
  name: z.string().trim().min(1, 'A way to change a setting needs a name.').max(60),
  to: z.string().min(1).max(40),
  stations: z.array(Station).min(1, 'Say where this is done from.').max(4),
  /** Seconds it takes, where the recorder knows; the shop's estimate otherwise. */
  durationS: z.number().positive().max(3600).nullable().default(null),
  /** What it takes, where bare hands do not ("hex 10"). */
  tool: z.string().trim().max(40).default(''),
  note: z.string().max(200).default(''),
})
export type Method = z.infer<typeof Method>

export const Setting = z.object({
  id: Id,
  name: z.string().trim().min(1, 'A setting needs a name.').max(60),
  role: z.enum(SETTING_ROLES).default('other'),
  values: z.array(z.string().trim().min(1).max(40)).min(2, 'A setting has at least two values.').max(8),
  asFound: z.string().min(1).max(40),
  /** What it is to be at the end: as found, or one of its values. */
  atEnd: z.string().min(1).max(40).default('as found'),
  methods: z.array(Method).max(8).default([]),
  /** Whether it goes back while work or tests lie between two needs for it, or may stay as it is. */
  meanwhile: z.enum(['goes back', 'may stay']).default('goes back'),
  /**
   * Of a battery: the maker's wait after it went off before an airbag circuit is touched. Null = nobody knows, the
   * house value counts.
   */
  waitMin: z.number().min(0).max(240).nullable().default(null),
  note: z.string().max(300).default(''),
  when: When.default({}),
})
export type Setting = z.infer<typeof Setting>

export function newSetting(id: Id, name: string): Setting {
  return Setting.parse({ id, name, values: ['on', 'off'], asFound: 'off', methods: [] })
}
