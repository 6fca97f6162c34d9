import { z } from 'zod'
import { Caution } from './caution'
import { Cavity } from './cavity'
import { Facet } from './facet'
import { Holder } from './holder'
import { Need } from './need'
import { Part } from './part'
import { Setting } from './setting'
import { StripSeen } from './stripSeen'
import { Tether } from './tether'
import { VehicleFunction } from './vehicleFunction'
import { View } from './view'
import { Way } from './way'
import { Waypoint } from './waypoint'

export const FORMAT = 'istruzione-procedure'
/** 2: points and ways. With defaults: the number keeps a program that does not know them from writing over them. */
export const CURRENT_VERSION = 2

/** The versioned document of one vehicle model. Published revisions are immutable. */
export const ProcedureDocument = z.object({
  format: z.literal(FORMAT),
  version: z.literal(CURRENT_VERSION),
  name: z.string().trim().min(1, 'A procedure needs the name of its model.').max(80),
  synonyms: z.array(z.string().trim().min(1).max(80)).max(20).default([]),
  note: z.string().max(2000).default(''),
  /** The model this record was mirrored from, until somebody has looked at what does not mirror by itself. */
  mirroredFrom: z.string().max(80).default(''),
  wheels: z.enum(['four', 'two']).default('four'),
  views: z.array(View).max(20).default([]),
  facets: z.array(Facet).max(20).default([]),
  parts: z.array(Part).max(400).default([]),
  holders: z.array(Holder).max(1000).default([]),
  tethers: z.array(Tether).max(600).default([]),
  needs: z.array(Need).max(3000).default([]),
  settings: z.array(Setting).max(60).default([]),
  cavities: z.array(Cavity).max(100).default([]),
  functions: z.array(VehicleFunction).max(200).default([]),
  cautions: z.array(Caution).max(400).default([]),
  /** Where leads can lie: points, and ways between them. */
  waypoints: z.array(Waypoint).max(120).default([]),
  ways: z.array(Way).max(300).default([]),
  /** Orders in which examples came apart: what is learnt from them is read where a removal is derived. */
  strips: z.array(StripSeen).max(60).default([]),
})
export type ProcedureDocument = z.infer<typeof ProcedureDocument>

/** The lists of a document and the items in them; each item has an id that is unique in the whole document. */
export const COLLECTIONS = [
  'views',
  'facets',
  'parts',
  'holders',
  'tethers',
  'needs',
  'settings',
  'cavities',
  'functions',
  'cautions',
  'waypoints',
  'ways',
  'strips',
] as const
export type Collection = (typeof COLLECTIONS)[number]
/** The lists a person fills: all but the orders of strips, which come from jobs. */
export type FactCollection = Exclude<Collection, 'strips'>
export const FACT_COLLECTIONS = COLLECTIONS.filter((name): name is FactCollection => name !== 'strips')

export const ITEM_SCHEMA = {
  views: View,
  facets: Facet,
  parts: Part,
  holders: Holder,
  tethers: Tether,
  needs: Need,
  settings: Setting,
  cavities: Cavity,
  functions: VehicleFunction,
  cautions: Caution,
  waypoints: Waypoint,
  ways: Way,
  strips: StripSeen,
} as const

/**
 * The facts of a model as a beginning for another on the same platform: nobody has seen them on it, so nothing is
 * confirmed.
 */
export function copiedFor(name: string, like: ProcedureDocument): ProcedureDocument {
  return {
    ...like,
    name,
    synonyms: [],
    strips: [],
    mirroredFrom: '',
    // Nobody has looked for airbags along the ways of this one.
    ways: like.ways.map((way) => ({ ...way, looked: false })),
    note: `Begun with the facts of ${like.name}. None of them has been seen on this model yet.`,
  }
}

export function emptyDocument(name: string): ProcedureDocument {
  return ProcedureDocument.parse({ format: FORMAT, version: CURRENT_VERSION, name })
}
