import { z } from 'zod'
import { Id } from '../base/id'
import { Level } from './level'

/** From when something can be seen: null = from outside, else once a part is at a level. */
const SeenFrom = z
  .object({ partId: Id, level: Level.exclude(['in place', 'eased']) })
  .nullable()
  .default(null)
export type SeenFrom = z.infer<typeof SeenFrom>

/** A sign of a choice that is not certain: of so many vehicles that showed it, so many were what it says. */
export const Tell = z
  .object({
    id: Id,
    words: z.string().trim().min(1, 'Say what is seen.').max(120),
    seen: z.number().int().min(1, 'A tell was seen at least once.').max(9999),
    right: z.number().int().min(0).max(9999),
    from: SeenFrom,
  })
  .refine(({ seen, right }) => right <= seen, 'A tell can’t have been right more often than it was seen.')
export type Tell = z.infer<typeof Tell>

/**
 * A way examples of the model differ. A choice is told for certain by words, and by a picture where somebody took one;
 * its tells only make it likely. `unit family` and `option`: of a kit, chosen when it is bought.
 */
export const Facet = z.object({
  id: Id,
  kind: z.enum(['other', 'steering side', 'year span', 'unit family', 'option']).default('other'),
  name: z.string().trim().min(1, 'A facet needs a name.').max(60),
  choices: z
    .array(
      z.object({
        id: Id,
        name: z.string().trim().min(1).max(60),
        tell: z.string().max(200).default(''),
        photoId: z.uuid().nullable().default(null),
        tells: z.array(Tell).max(12).default([]),
      }),
    )
    .min(2, 'A facet has at least two choices.')
    .max(12),
  /** From when it can be told for certain. */
  toldFrom: SeenFrom,
})
export type Facet = z.infer<typeof Facet>

export function newFacet(id: Id, name: string, choiceIds: [Id, Id]): Facet {
  return Facet.parse({ id, name, choices: choiceIds.map((choiceId, i) => ({ id: choiceId, name: `choice ${i + 1}` })) })
}
