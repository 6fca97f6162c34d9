import type { WorkStepAct } from '@/core/shop/workStep'

/* Short ways to write a kit down; ids are said, so that the demo's jobs can name them. */

type More = Record<string, unknown>

/** A part in the box: number, price in cents. */
export const part = (id: string, name: string, partNumber: string, priceMinor: number, more: More = {}) => ({
  ...{ id, name },
  ...more,
  supply: { partNumber, priceMinor, supplierDays: 3, place: 'shelf B', ...(more.supply as More) },
})

/** Machine screws: "PH2", M3 x 8. */
export const screws = (
  id: string,
  count: number,
  holds: string,
  size: string,
  thread: [number, number],
  more: More = {},
) => ({
  ...{ id, kind: 'machine screw', count, holds: [holds] },
  drives: [{ drive: size.startsWith('PH') ? 'cross' : size.startsWith('T') ? 'six-lobe' : 'hex', size }],
  thread: { diameterMm: thread[0], lengthMm: thread[1] },
  ...more,
})
export const clips = (id: string, count: number, holds: string) => ({ id, kind: 'spring clip', count, holds: [holds] })
export const plug = (id: string, name: string, partId: string, latch: string, into: string, more: More = {}) => ({
  ...{ id, name, partId, latch, into },
  ...more,
})

type Step = { act: WorkStepAct } & More
const about =
  (act: WorkStepAct) =>
  (itemId: string, more: More = {}): Step => ({ act, itemId, ...more })
export const fit = about('fit')
export const fasten = (itemId: string, stage: 'started' | 'adjusted' | 'snug' = 'snug', more: More = {}): Step => ({
  ...{ act: 'fasten', itemId, stage },
  ...more,
})
export const press = (itemId: string): Step => ({ act: 'fasten', itemId })
export const plugIn = about('plug')
export const leadThrough = about('lead through')
export const set = about('set')
export const lookAt = (words: string, more: More = {}): Step => ({ act: 'look at', words, ...more })
export const act = (words: string, more: More = {}): Step => ({ act: 'do', words, ...more })
export const read = (
  words: string,
  unit: string,
  least: number | null,
  most: number | null,
  more: More = {},
): Step => ({
  ...{ act: 'read', words, reading: { unit, least, most } },
  ...more,
})

/** A piece of work: where, with what, how long, and its steps. */
export const work = (
  id: string,
  name: string,
  kind: string,
  at: { station: string; tool?: string; durationS: number } & More,
  steps: readonly Step[],
) => ({
  ...{ id, name, kind, ...at },
  steps: steps.map((step, i) => ({ id: `${id}-${i + 1}`, ...step })),
})

export const cavity = (cavityId: string, more: More = {}) => ({ kind: 'cavity', cavityId, ...more })
export const partAt = (partId: string, level: string, more: More = {}) => ({ kind: 'part', partId, level, ...more })
