import { z } from 'zod'
import { JobEvent, StoredEvent } from '@/core/job/event'
import { readEvents } from '@/core/job/readEvents'

/**
 * What comes in from the shop or from this device's own store is parsed here. Loaded once the page stands: a tap needs
 * no parser, and the parser is a seventh of the script.
 */
export { JobEvent, readEvents, StoredEvent }

export const Answer = z.object({
  status: z.string(),
  stored: z.array(z.string()).optional(),
  refused: z.array(z.object({ eventId: z.string(), sentence: z.string(), forGood: z.boolean() })).default([]),
  sentence: z.string().optional(),
})

/** What the shop got after a place, the place reached, and who it takes this device for. Events are read one by one. */
export const Events = z.object({
  events: z.array(z.unknown()),
  notUnderstood: z.array(z.string()).default([]),
  upTo: z.number(),
  acting: z.object({ id: z.string(), name: z.string() }),
})
