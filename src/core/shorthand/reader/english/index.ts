import type { Language } from '../sense'
import { ANSWERS } from './answers'
import { KEPT } from './kept'
import { ARTICLES, ENDS, NOUNS, PHRASES, TALK } from './lexicon'
import { byForm } from './numbers'
import { RULES } from './rules'
import { AIRBAG, AWAY_FROM_SEATS, LEAVES, SEATLESS, TETHERS, VAGUE } from './things'

/** English as installers say it. */
export const ENGLISH: Language = {
  phrases: PHRASES,
  byForm,
  rules: RULES,
  articles: ARTICLES,
  talk: TALK,
  ends: ENDS,
  nouns: NOUNS,
  vague: VAGUE,
  away: AWAY_FROM_SEATS,
  seatless: SEATLESS,
  airbag: AIRBAG,
  leaves: LEAVES,
  tethers: TETHERS,
  answers: ANSWERS,
  kept: KEPT,
}
