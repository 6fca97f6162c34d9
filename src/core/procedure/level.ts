import { z } from 'zod'
import { LEVELS } from './levels'

export const Level = z.enum(LEVELS)
export type Level = z.infer<typeof Level>
