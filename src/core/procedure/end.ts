import { z } from 'zod'
import { ENDINGS } from './endings'

export const Ending = z.enum(ENDINGS)
export type Ending = z.infer<typeof Ending>
