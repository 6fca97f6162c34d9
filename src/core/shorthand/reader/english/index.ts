import type { Language } from '../sense'
import { ARTICLES, ENDS, NOUNS, PHRASES, TALK } from './lexicon'
import { byForm } from './numbers'
import { RULES } from './rules'
import { AWAY_FROM_SEATS, VAGUE } from './things'

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
}
