import type { Rule } from '../sense'
import { DENIED } from './rules/denied'
import { HOLDERS } from './rules/holders'
import { OTHERS } from './rules/others'
import { PARTS } from './rules/parts'
import { PLACES } from './rules/places'
import { PLUGS } from './rules/plugs'
import { RELEASES } from './rules/releases'

/** Every rule of the language; of two that cost the same the first is taken. */
export const RULES: readonly Rule[] = [...DENIED, ...HOLDERS, ...PARTS, ...PLUGS, ...RELEASES, ...PLACES, ...OTHERS]
