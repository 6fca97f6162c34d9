import { ENGLISH } from './english'
import type { Language } from './sense'

/** The language lines are said in. */
export const LANGUAGE: Language = ENGLISH
