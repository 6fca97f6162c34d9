import { LayoutProblem } from '../layout/problem'
import type { Bore } from '../procedure/bore'
import { isTooThick, passesBore, type Face } from './bore'
import { apartMm, type LeadClass } from '../shop/leadClass'
import { needMm } from './length'

/*
 * The invented delivery van of the design: eleven points, fourteen ways, eight panels that open for leads, and three
 * leads. Its figures are the design's, computed apart from this program.
 */

const POINTS = ['U', 'K', 'G', 'L', 'R', 'H', 'E', 'S', 'T', 'D', 'C']
const WET = ['E', 'C']
/** What opens for a lead, or is made ready, in seconds both ways. */
const UNITS = {
  ...{ knee: 46, glovebox: 42, driverPillar: 38, pillarEased: 22, pillarOff: 70, driverSill: 76, passengerSill: 76 },
  ...{ leftLining: 62, rightLining: 50, ready11: 90, ready12: 60, ready13: 120, ready14: 60 },
}
type Unit = keyof typeof UNITS
const round = (diameterMm: number): Bore => ({ shape: 'round', diameterMm })

/** Name, its ends, length, and each manner: what is open for it, seconds of laying; threaded through a bore or not. */
type VanWay = { name: string; ends: string; mm: number; manners: [Unit[], number][]; bore?: Bore; apart?: number }
export const VAN_WAYS: readonly VanWay[] = [
  { name: 'w1', ends: 'UK', mm: 600, manners: [[['knee'], 14]] },
  { name: 'w2', ends: 'UG', mm: 500, manners: [[['glovebox'], 13]] },
  { name: 'w3', ends: 'KL', mm: 350, manners: [[['knee'], 10]] },
  { name: 'w4', ends: 'GR', mm: 400, manners: [[['glovebox'], 11]] },
  { name: 'w5', ends: 'LH', mm: 1200, manners: [[['driverPillar'], 23]] },
  // Laid in with the pillar off; tucked with it eased, or off: that answers it as well.
  { name: 'w6', ends: 'RH', mm: 1450, manners: [[['pillarOff'], 27], [['pillarEased'], 63], [['pillarOff'], 63]] }, // prettier-ignore
  { name: 'w7', ends: 'LS', mm: 1500, manners: [[['driverSill'], 28]] },
  { name: 'w8', ends: 'RT', mm: 1600, manners: [[['passengerSill'], 29]] },
  { name: 'w9', ends: 'SD', mm: 2200, manners: [[['leftLining'], 38]] },
  { name: 'w10', ends: 'TD', mm: 2700, manners: [[['rightLining'], 46]] },
  { name: 'w11', ends: 'EK', mm: 300, manners: [[['knee', 'ready11'], 16]], bore: round(14) },
  { name: 'w12', ends: 'EG', mm: 450, manners: [[['glovebox', 'ready12'], 19]], bore: round(22) },
  { name: 'w13', ends: 'ST', mm: 1100, manners: [[['ready13'], 32]], bore: { shape: 'slot', widthMm: 300, heightMm: 12 } }, // prettier-ignore
  { name: 'w14', ends: 'DC', mm: 400, manners: [[['ready14'], 18]], bore: round(12) },
]

type VanLead = {
  class: LeadClass
  ends: [string, string]
  leaves: [number, number]
  diameterMm: number
  suppliedMm: number | null
  faces: [Face | null, Face | null]
}
export const VAN_LEADS = {
  A: { class: 'antenna', ends: ['H', 'U'], leaves: [100, 250], diameterMm: 3, suppliedMm: 5000, faces: [null, null] },
  B: {
    ...{ class: 'signal', ends: ['C', 'U'], leaves: [150, 250], diameterMm: 5, suppliedMm: 8000 },
    faces: [
      { widthMm: 24, heightMm: 24 },
      { widthMm: 8, heightMm: 8 },
    ],
  },
  P: { class: 'supply', ends: ['E', 'T'], leaves: [200, 200], diameterMm: 7, suppliedMm: null, faces: [null, null] },
} as const satisfies Record<string, VanLead>

/** The leads in one layout. `barred`: ways nobody takes. */
export function vanLayout(leads: readonly VanLead[], ways = VAN_WAYS, barred: readonly string[] = []): LayoutProblem {
  const units = Object.keys(UNITS) as Unit[]
  const point = (name: string) => POINTS.indexOf(name)
  return LayoutProblem.parse({
    ...{ points: POINTS.length, ways: ways.length, unitMs: units.map((unit) => UNITS[unit] * 1000) },
    leads: leads.map((lead) => ({
      ...{ from: [point(lead.ends[0])], to: [point(lead.ends[1])], area: lead.diameterMm ** 2 },
      mostMm: lead.suppliedMm === null ? null : lead.suppliedMm - lead.leaves[0] - lead.leaves[1],
      arcs: ways.flatMap((way, i) =>
        barred.includes(way.name) || isBarred(lead, way)
          ? []
          : way.manners.map(([open, seconds]) => ({
              ...{ a: point(way.ends[0]!), b: point(way.ends[1]!), way: i, layMs: seconds * 1000 },
              mm: needMm([{ lengthMm: way.mm, slackMm: 0, known: 'measured' }], [0, 0]),
              ...{ units: open.map((unit) => units.indexOf(unit)), pass: passOf(lead, way) },
            })),
      ),
    })),
    aparts: ways.flatMap(({ apart = 120 }, way) =>
      leads.flatMap((x, i) =>
        leads.flatMap((y, j) => (j > i && apartMm(x.class, y.class) > apart ? [{ way, leads: [i, j] }] : [])),
      ),
    ),
  })
}

/** Too thick for its opening, or by a wet point where the lead does not end. */
function isBarred({ ends, diameterMm }: VanLead, way: VanWay): boolean {
  if (way.bore && isTooThick(diameterMm, way.bore)) return true
  return [...way.ends].some((name) => WET.includes(name) && !ends.includes(name))
}

function passOf({ faces }: VanLead, { bore }: VanWay): number {
  if (!bore) return 3
  return faces.reduce((bits, face, end) => bits | (face === null || passesBore(face, bore) ? 1 << end : 0), 0)
}
