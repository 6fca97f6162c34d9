import { leaveMm, surplusOf } from '@/core/leads/length'
import { tiesOf } from '@/core/leads/ties'
import type { FoundRun } from '@/core/plan/leads/leadLayout'
import type { LaidLeg, LeadTask } from '@/core/plan/leads/leadTasks'
import type { ProcedureForBuild } from '@/core/procedure/forBuild'
import type { Passage } from '@/core/procedure/way'
import type { Hazard } from '@/core/procedure/wayWords'

type Lay = Extract<LeadTask, { kind: 'lay' }>

/** "0.6 m", "1.45 m", "80 mm": as a crew says a length. */
export function lengthWords(mm: number): string {
  return mm < 300 ? `${Math.round(mm)} mm` : `${Number((mm / 1000).toFixed(2))} m`
}

/** What closes a wall again, on the bag list. */
export const SEALED_WITH: Readonly<Record<Passage['seal'], string[]>> = {
  grommet: ['grommet'],
  'factory sheath, taped again': ['bundle tape'],
  butyl: ['butyl'],
  'cable gland': ['cable gland'],
  none: [],
}

/** Nearer than this to a hot part a lead lies in a sleeve: common practice, no source. */
const SLEEVE_MM = 200

/** What laying uses up, on the bag list: ties, and what keeps a lead from heat, water and edges. */
export function usedUp(model: ProcedureForBuild, { lead, legs }: Lay): string[] {
  const passes = legs.flatMap(({ way }) => way.passes)
  const wet = legs.some(({ fromId, toId }) => [fromId, toId].some((id) => model.waypoints.get(id)?.wet))
  return [
    ...(tiesOfLegs(lead, legs) > 0 ? ['ties'] : []),
    ...(wet && lead.mayGetWet === 'in a sheath' ? ['split sheath'] : []),
    ...(passes.some(({ kind, distanceMm }) => kind === 'hot part' && (distanceMm ?? 0) < SLEEVE_MM)
      ? ['heat sleeve']
      : []),
    ...(passes.some(({ kind }) => kind === 'sharp edge') ? ['edge trim'] : []),
  ]
}

/** Where a lead is tied closer: beside what moves it must not reach. */
const [CLOSE_TIES_MM, BESIDE] = [100, new Set<Hazard>(['pedal', 'steering column', 'gear or brake linkage'])]

/** Ties of these legs for one lead by itself; leads that lie together share some. */
function tiesOfLegs(lead: Lay['lead'], legs: readonly LaidLeg[]): number {
  return legs.reduce(
    (sum, { way, laying }) =>
      sum +
      tiesOf({
        ...{ how: laying.how, lengthMm: way.lengthMm, liesFast: way.tiedTo === 'lies fast', classes: [lead.class] },
        everyMm: way.passes.some(({ kind }) => BESIDE.has(kind)) ? CLOSE_TIES_MM : way.tieEveryMm,
      }),
    0,
  )
}

/** How long it is to be, where its coil lies, and what is left over. */
export function lengthNote(model: ProcedureForBuild, { lead, run }: Lay): string {
  const long =
    run.cutMm !== null
      ? `Cut to ${lengthWords(run.cutMm)}.`
      : `Needs ${lengthWords(run.needMm)} of ${lengthWords(lead.suppliedMm!)}. ${surplusWords(model, lead, run)}`
  const coil =
    run.coilAt > 0 ? ` The coil lies at ${model.waypoints.get(run.pointIds[run.coilAt]!)!.name} meanwhile.` : ''
  return `${long}${coil}`.slice(0, 300)
}

/** What of a supplied lead is left over once it lies, how it is laid, and the nearest point to its device with room. */
function surplusWords(model: ProcedureForBuild, lead: Lay['lead'], run: FoundRun): string {
  const points = run.pointIds.map((id) => model.waypoints.get(id)!)
  const legs = run.legs.map(({ wayId }) => ({ ...model.ways.get(wayId)!, known: 'measured' as const }))
  const leaves = [leaveMm(lead.ends[0], points[0]!), leaveMm(lead.ends[1], points.at(-1)!)] as const
  const { surplusMm, coilMl } = surplusOf(lead.suppliedMm!, legs, leaves, lead.diameterMm)
  if (surplusMm < LITTLE_MM) return ''
  const fromDevice = lead.ends[0].to === 'device' ? points : points.toReversed()
  const place = fromDevice.find(({ roomMl }) => roomMl >= coilMl)
  const form = lead.class === 'antenna' ? 'in a figure of eight' : 'in a zigzag'
  return `${lengthWords(surplusMm)} over: ${form}, ${place ? place.name : 'where there is room; no point is recorded with enough'}.`
}
/** So little needs no place of its own. */
const LITTLE_MM = 100
