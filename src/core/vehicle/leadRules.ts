import type { Hazard } from '../procedure/wayWords'
import type { ActPattern, Rule } from './rule'
import { at, rule } from './ruleParts'

const crosses = (hazards: Hazard[]): ActPattern => at(['lay'], { hazards, passedHow: 'crosses' })
const beside = (hazards: Hazard[], nearerThanMm?: number): ActPattern =>
  at(['lay'], { hazards, passedHow: 'beside', ...(nearerThanMm !== undefined && { nearerThanMm }) })

const AIRBAG: Hazard[] = ['airbag path', 'airbag module']
const CONTROLS: Hazard[] = ['pedal', 'steering column', 'gear or brake linkage']
const MOVING: Hazard[] = ['moving linkage', 'actuator', 'seat rail']

/**
 * Where a lead is never laid, and what is said where it may be. Distances are common practice without a source; what
 * nobody measured counts as touching.
 */
export const LEADS: readonly Rule[] = [
  rule(
    'lead-airbag',
    'DANGER',
    'No lead across an airbag or the space it opens into.',
    'Take another way; the maker’s data say where the airbag opens.',
    { effect: 'refuses', at: crosses(AIRBAG) },
  ),
  rule(
    'lead-airbag-near',
    'DANGER',
    'No lead nearer than 50 mm to an airbag or the space it opens into.',
    'Take another way, or measure: what nobody measured counts as touching.',
    { effect: 'refuses', at: beside(AIRBAG, 50) },
  ),
  rule('lead-airbag-lead', 'WARNING', 'Never tied to an airbag lead, and never probed.', 'Tie it to something else.', {
    effect: 'cautions',
    at: at(['lay'], { hazards: ['airbag lead'] }),
  }),
  rule(
    'lead-controls',
    'DANGER',
    'No lead across pedals, steering column, gear or brake linkage.',
    'Take another way: it can hold the pedal or the wheel.',
    { effect: 'refuses', at: crosses(CONTROLS) },
  ),
  rule(
    'lead-controls-near',
    'DANGER',
    'No lead nearer than 30 mm to pedals, steering column, gear or brake linkage.',
    'Take another way, or measure: what nobody measured counts as touching.',
    { effect: 'refuses', at: beside(CONTROLS, 30) },
  ),
  rule(
    'lead-controls-beside',
    'WARNING',
    'Beside pedals, column or linkage: tied every 100 mm, then moved through all of its travel and looked at.',
    'Tie it every 100 mm, and try the whole travel.',
    { effect: 'cautions', at: beside(CONTROLS) },
  ),
  rule('lead-moving', 'WARNING', 'No lead across something that moves.', 'Take another way: it is cut or it jams.', {
    effect: 'refuses',
    at: crosses(MOVING),
  }),
  rule(
    'lead-moving-near',
    'WARNING',
    'No lead nearer than 30 mm to something that moves.',
    'Take another way, or measure: what nobody measured counts as touching.',
    { effect: 'refuses', at: beside(MOVING, 30) },
  ),
  rule(
    'lead-hinge',
    'CAUTION',
    'Over a hinge: in a loop that never pulls tight or is pinched, through its boot, and tried at both ends of its travel.',
    'Leave slack, and move the hinge through all of its travel.',
    { effect: 'cautions', at: at(['lay'], { hazards: ['hinge'] }) },
  ),
  rule(
    'lead-high-voltage',
    'DANGER',
    'No lead in the ducts of high voltage, nor along them.',
    'Take another way: that space belongs to people licensed for high voltage.',
    { effect: 'refuses', at: at(['lay'], { hazards: ['high-voltage lead'] }) },
  ),
  rule('lead-heat', 'WARNING', 'No lead across a hot part.', 'Take another way.', {
    effect: 'refuses',
    at: crosses(['hot part']),
  }),
  rule(
    'lead-heat-near',
    'WARNING',
    'No lead nearer than 100 mm to a hot part.',
    'Take another way, or measure: what nobody measured counts as touching.',
    { effect: 'refuses', at: beside(['hot part'], 100) },
  ),
  rule('lead-heat-beside', 'CAUTION', 'Near a hot part: in a heat sleeve.', 'Put a heat sleeve over it.', {
    effect: 'cautions',
    at: beside(['hot part'], 200),
  }),
  rule('lead-fuel', 'WARNING', 'No lead across a fuel or brake line, and never tied to one.', 'Take another way.', {
    effect: 'refuses',
    at: crosses(['fuel or brake line']),
  }),
  rule(
    'lead-fuel-near',
    'WARNING',
    'No lead nearer than 30 mm to a fuel or brake line, and never tied to one.',
    'Take another way, or measure: what nobody measured counts as touching.',
    { effect: 'refuses', at: beside(['fuel or brake line'], 30) },
  ),
  rule('lead-edge', 'CAUTION', 'A sharp edge: edge trim on it, or a grommet in it.', 'Cover the edge first.', {
    effect: 'cautions',
    at: at(['lay'], { hazards: ['sharp edge'] }),
  }),
  rule(
    'lead-screws',
    'CAUTION',
    'Screw points here: the lead is kept clear of their holes, and looked at again before they are driven.',
    'Hold it clear, and look again before the screws go in.',
    { effect: 'cautions', at: at(['lay'], { hazards: ['screw points'] }) },
  ),
  rule(
    'lead-factory-noise',
    'NOTICE',
    'Near a factory lead that disturbs it: keep 50 mm, or cross it square.',
    'Keep 50 mm, or cross it square.',
    { effect: 'cautions', at: at(['lay'], { hazards: ['antenna lead', 'speaker lead', 'high-current lead'], nearerThanMm: 50 }) }, // prettier-ignore
  ),
]
