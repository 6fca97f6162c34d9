import { z } from 'zod'

/*
 * The bare problem of laying leads, as anybody can write it down: whole numbers, no vehicle. Points are joined by arcs;
 * a lead takes a run of them from one of its points to another. What has to be opened or made ready for an arc is a
 * unit, paid once, whoever asks for it.
 */

const count = z.number().int().min(0)

/** One manner of taking one lead along one way. It can be taken either way round, unless it is directed. */
export const LayoutArc = z.object({
  a: count,
  b: count,
  way: count,
  layMs: count,
  /** Below nothing for a lead that is extended there: then it is directed, and earned once. */
  mm: z.number().int(),
  units: z.array(count),
  /**
   * Bit 0: the first end's connector gets through; bit 1: the second's. A run needs a point before which all arcs let
   * the first end pass and after which all let the second.
   */
  pass: z.number().int().min(0).max(3),
  directed: z.boolean().default(false),
})
export type LayoutArc = z.infer<typeof LayoutArc>

export const LayoutLead = z.object({
  /** Any of these. */
  from: z.array(count).min(1),
  to: z.array(count).min(1),
  /** What was supplied; null = cut to measure. */
  mostMm: z.number().int().nullable(),
  /** What it takes of a way's room. */
  area: count,
  arcs: z.array(LayoutArc),
})
export type LayoutLead = z.infer<typeof LayoutLead>

/** Leads are bits of a word. */
export const MOST_LEADS = 30

export const LayoutProblem = z.object({
  name: z.string().default(''),
  points: count,
  ways: count,
  unitMs: z.array(count),
  leads: z.array(LayoutLead).max(MOST_LEADS, 'At most 30 leads are laid out together.'),
  /** Two leads that may not share a way. */
  aparts: z.array(z.object({ way: count, leads: z.tuple([count, count]) })).default([]),
  /** Where two or more share a way, their areas together are at most this. */
  rooms: z.array(z.object({ way: count, area: count })).default([]),
})
export type LayoutProblem = z.infer<typeof LayoutProblem>

/** The run of one lead: its points in order, and the arc (of its own list) between each two. */
export type Run = { points: number[]; arcs: number[] }

/**
 * What was found. `boundMs`: nothing costs less. `proven`: nothing better exists, or, of `none`, nothing exists at all.
 * `lead`: the one that has no run even by itself; null where they only can't be laid together.
 */
export type LayoutFound =
  | { kind: 'runs'; runs: Run[]; costMs: number; boundMs: number; proven: boolean }
  | { kind: 'none'; lead: number | null; proven: boolean }

/** Costs are whole seconds: a bound above the best less one proves the best. */
export const GRAIN_MS = 1000

/**
 * How far is looked: bounds in all, of them so many at first and in each branch; runs listed of a lead, and labels for
 * that; steps of picking. Never seconds: the same answer on every machine.
 */
export type LayoutLimits = {
  bounds: number
  atFirst: number
  inBranch: number
  listed: number
  labels: number
  steps: number
}
export const LAYOUT_LIMITS: LayoutLimits = {
  bounds: 120,
  atFirst: 60,
  inBranch: 8,
  listed: 500,
  labels: 10_000,
  steps: 200_000,
}
