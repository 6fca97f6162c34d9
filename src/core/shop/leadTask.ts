import type { Id } from '../base/id'

/*
 * What is made of a kit's leads for one job is work of that kit, told by its id. A file without schemas: a tablet that
 * only counts needs no parser.
 */

/** Made ready, laid, sealed, fused, laid where no way is known, and what moves beside it moved through its travel. */
const LEAD_TASKS = ['ready', 'lay', 'seal', 'fuse', 'sight', 'moves'] as const
export type LeadTaskKind = (typeof LEAD_TASKS)[number]

export function leadTaskId(kind: LeadTaskKind, ...names: (string | number)[]): Id {
  return [kind, ...names].join('.').slice(0, 64)
}

/** What a piece of work is of a lead; null for any other work. */
export function leadTaskOf(workId: Id): LeadTaskKind | null {
  return LEAD_TASKS.find((kind) => workId.startsWith(`${kind}.`)) ?? null
}
