import type { Id } from '../../base/id'
import { LayoutProblem, type LayoutArc, type LayoutLead } from '../../layout/problem'
import { barsOf, type AskedLead, type Bar } from '../../leads/allowed'
import { areaOf, passesBore, roomOf } from '../../leads/bore'
import { layS, readyS } from '../../leads/layTimes'
import { leaveMm, wayNeedMm } from '../../leads/length'
import type { ProcedureForBuild } from '../../procedure/forBuild'
import type { Laying, Way } from '../../procedure/way'
import { apartMm } from '../../shop/leadClass'
import type { KitLead } from '../../shop/lead'
import type { Circumstances } from '../../vehicle/circumstances'
import { accessChoices, type AskedLevels, type PartAccess } from './accessChoices'
import type { OpeningUnits } from './openingUnits'

/** What an arc of the bare problem stands for: a way in a manner, or an end at one of its points. */
export type ArcMeaning =
  { kind: 'way'; way: Way; laying: Laying; access: PartAccess[] } | { kind: 'end'; pointId: Id; access: PartAccess[] }

/** `bars`: of each lead, what bars which way. */
export type LeadProblem = {
  problem: LayoutProblem
  meaning: ArcMeaning[][]
  pointIds: Id[]
  bars: ReadonlyMap<Id, readonly Bar[]>[]
}

/** Two leads lie beside each other for less than this without harm. Common practice, no source. */
const PARALLEL_MM = 300
/** Areas are counted in hundredths of a square millimetre: the bare problem is in whole numbers. */
const HUNDREDTHS = 100

/**
 * The bare problem of laying these leads on this vehicle: points and ways as arcs, what has to be open as units. Each
 * lead begins and ends at a point of its own, joined to every place where its end may be. Cost: O(leads x ways).
 */
export function leadProblem(
  model: ProcedureForBuild,
  asked: readonly AskedLead[],
  units: OpeningUnits,
  levels: AskedLevels,
  circumstances: Circumstances,
): LeadProblem {
  const [points, ways] = [[...model.waypoints.values()], [...model.ways.values()]]
  const number = new Map(points.map(({ id }, i) => [id, i]))
  const ready = new ReadyUnits(units.unitMs)
  const places = { number, ways, units, levels, ready }
  const each = asked.map((one, k) => {
    const arcs = new ArcsOfLead(model, one, [points.length + 2 * k, points.length + 2 * k + 1], places)
    ways.forEach((way, i) => arcs.along(way, i, circumstances))
    for (const side of [0, 1] as const) arcs.endAt(side, ways.length + 2 * k + side)
    return arcs
  })
  return {
    problem: LayoutProblem.parse({
      ...{ points: points.length + 2 * asked.length, ways: ways.length + 2 * asked.length },
      unitMs: ready.all,
      leads: each.map((arcs) => arcs.asLead()),
      aparts: apartsOf(ways, asked),
      rooms: ways.flatMap(({ bore }, way) => (bore ? [{ way, area: Math.floor(roomOf(bore) * HUNDREDTHS) }] : [])),
    }),
    meaning: each.map((arcs) => arcs.meaning),
    bars: each.map((arcs) => arcs.bars),
    pointIds: points.map(({ id }) => id),
  }
}

/** What the arcs of all leads are made of. */
type Places = {
  number: ReadonlyMap<Id, number>
  ways: readonly Way[]
  units: OpeningUnits
  levels: AskedLevels
  ready: ReadyUnits
}

/** The arcs of one lead, and what each stands for. */
class ArcsOfLead {
  readonly meaning: ArcMeaning[] = []
  readonly bars = new Map<Id, readonly Bar[]>()
  private readonly arcs: LayoutArc[] = []

  constructor(
    private readonly model: ProcedureForBuild,
    private readonly asked: AskedLead,
    /** Points of its own, where it begins and ends. */
    private readonly own: readonly [number, number],
    private readonly places: Places,
  ) {}

  along(way: Way, number: number, circumstances: Circumstances): void {
    const { lead } = this.asked
    const bars = barsOf(this.model, this.asked, way, circumstances)
    this.bars.set(way.id, bars)
    if (bars.length > 0) return
    const [a, b] = [this.places.number.get(way.from)!, this.places.number.get(way.to)!]
    const mm = wayNeedMm({ ...way, known: way.lengthKnown })
    for (const laying of way.layings) {
      const arc = { a, b, way: number, layMs: layS(way, laying) * 1000, mm, pass: passOf(lead, way, laying) }
      for (const access of accessChoices(this.model, laying.access, this.places.levels))
        this.add(arc, this.places.ready.of(way, laying), { kind: 'way', way, laying, access })
    }
  }

  endAt(side: 0 | 1, number: number): void {
    for (const pointId of this.asked.ends[side]) {
      const point = this.model.waypoints.get(pointId)!
      const mm = leaveMm(this.asked.lead.ends[side], point)
      const arc = { a: this.own[side], b: this.places.number.get(pointId)!, way: number, layMs: 0, mm, pass: 3 }
      for (const access of accessChoices(this.model, point.access, this.places.levels))
        this.add(arc, [], { kind: 'end', pointId, access })
    }
  }

  asLead(): LayoutLead {
    const { lead } = this.asked
    const mostMm = lead.suppliedMm === null ? null : Math.floor(lead.suppliedMm)
    return { from: [this.own[0]], to: [this.own[1]], mostMm, area: areaIn(lead), arcs: this.arcs }
  }

  /** What can't be opened beside the goals is no arc. */
  private add(arc: Omit<LayoutArc, 'units' | 'directed'>, ready: readonly number[], meaning: ArcMeaning): void {
    const needed = meaning.access.map((item) => this.places.units.unitsOf(item))
    if (needed.some((list) => list === null)) return
    const units = [...new Set([...needed.flatMap((list) => list!), ...ready])]
    this.arcs.push({ ...arc, units, directed: false })
    this.meaning.push(meaning)
  }
}

function areaIn({ diameterMm }: KitLead): number {
  return Math.round(areaOf(diameterMm) * HUNDREDTHS)
}

/** A way is made ready once in each manner, whoever is laid there: one more unit. */
class ReadyUnits {
  readonly all: number[]
  private readonly known = new Map<Id, number[]>()

  constructor(openings: readonly number[]) {
    this.all = [...openings]
  }

  of(way: Way, laying: Laying): number[] {
    const known = this.known.get(laying.id)
    if (known) return known
    const seconds = readyS(way, laying)
    const units = seconds > 0 ? [this.all.push(seconds * 1000) - 1] : []
    this.known.set(laying.id, units)
    return units
  }
}

/** Which ends' connectors get through: one that is laid in sideways passes nothing. */
function passOf({ ends }: KitLead, { bore }: Way, { how }: Laying): number {
  if (!bore || how === 'laid in') return 3
  return ends.reduce(
    (bits, { connector }, end) => bits | (connector === null || passesBore(connector, bore) ? 1 << end : 0),
    0,
  )
}

/** Pairs that may not share a way: longer than harms nobody, and too narrow to keep them apart. */
function apartsOf(ways: readonly Way[], asked: readonly AskedLead[]): LayoutProblem['aparts'] {
  return ways.flatMap((way, i) =>
    way.lengthMm <= PARALLEL_MM
      ? []
      : asked.flatMap((x, a) =>
          asked.flatMap((y, b) =>
            b > a && apartMm(x.lead.class, y.lead.class) > way.apartMm
              ? [{ way: i, leads: [a, b] as [number, number] }]
              : [],
          ),
        ),
  )
}
