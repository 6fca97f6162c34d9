import { z } from 'zod'
import { Id } from '../base/id'
import { Level } from './level'

/** A way examples of the model differ. A choice is told by words, and by a picture where somebody took one. */
export const Facet = z.object({
  id: Id,
  kind: z.enum(['other', 'steering side', 'year span']).default('other'),
  name: z.string().trim().min(1, 'A facet needs a name.').max(60),
  choices: z
    .array(
      z.object({
        id: Id,
        name: z.string().trim().min(1).max(60),
        tell: z.string().max(200).default(''),
        photoId: z.uuid().nullable().default(null),
      }),
    )
    .min(2, 'A facet has at least two choices.')
    .max(12),
  /** From when it can be told: null = from outside, else once a part is at a level. */
  toldFrom: z
    .object({ partId: Id, level: Level.exclude(['in place', 'eased']) })
    .nullable()
    .default(null),
})
export type Facet = z.infer<typeof Facet>

export function newFacet(id: Id, name: string, choiceIds: [Id, Id]): Facet {
  return Facet.parse({ id, name, choices: choiceIds.map((choiceId, i) => ({ id: choiceId, name: `choice ${i + 1}` })) })
}
