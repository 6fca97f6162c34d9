/*
 * The kinds a way and its points are told by. A file without schemas: what only shows them loads no parser.
 */

export const WAYPOINT_KINDS = [
  'space',
  'device',
  'supply',
  'ground',
  'antenna',
  'camera',
  'microphone',
  'speaker',
  'socket',
] as const

/** What a lead may pass that can hurt, be hurt or disturb, gravest first. */
export const HAZARDS = [
  'airbag path',
  'airbag module',
  'airbag lead',
  'high-voltage lead',
  'pedal',
  'steering column',
  'gear or brake linkage',
  'moving linkage',
  'actuator',
  'hinge',
  'seat rail',
  'hot part',
  'sharp edge',
  'screw points',
  'fuel or brake line',
  'antenna lead',
  'speaker lead',
  'high-current lead',
] as const
export type Hazard = (typeof HAZARDS)[number]

export const LAYING_KINDS = ['laid in', 'tucked', 'threaded'] as const
export const PASSED_HOW = ['crosses', 'beside'] as const
export const PASSAGES_THROUGH = ['bulkhead', 'floor', 'roof', 'body side', 'door', 'trim'] as const
export const PASSAGE_KINDS = [
  'factory grommet with its bundle',
  'blank grommet',
  'open hole',
  'drain hole',
  'vent',
  'boot',
  'to be drilled',
] as const
export const PASSAGE_EDGES = ['metal', 'plastic', 'rubber'] as const
export const SEALS = ['grommet', 'factory sheath, taped again', 'butyl', 'cable gland', 'none'] as const
export const TIED_TO = ['factory bundle', 'bracket', 'anchor', 'lies fast', 'nothing'] as const
export const LENGTH_KNOWN = ['measured', 'estimated'] as const
