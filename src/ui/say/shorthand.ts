/** The reader of lines in one piece, so that it is loaded when it is wanted and not with the page. */
export { factsToEdits } from '@/core/shorthand/factsToEdits'
export { namesOf, understand } from '@/core/shorthand/understand'
