import { AIRBAGS } from './airbagRules'
import { LEADS } from './leadRules'
import { POWER } from './powerRules'
import type { Rule } from './rule'
import { WORK } from './workRules'

/** Every built-in rule. Shops add to them and raise them; nothing switches one off. */
export const BUILT_IN_RULES: readonly Rule[] = [...AIRBAGS, ...POWER, ...WORK, ...LEADS]
