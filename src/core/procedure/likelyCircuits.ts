import type { Id } from '../base/id'
import type { Circuit } from './circuits'
import type { ProcedureDocument } from './document'
import type { Edit } from './edit'

const HEARD_IN: [RegExp, Circuit[]][] = [
  [/air ?bag|\bsrs\b|tensioner/i, ['srs-indicator', 'srs-firing']],
  [/vanity|glove|map|ashtray|dome|courtesy|reading|boot|trunk/i, ['courtesy-lamp', 'srs-indicator']],
  [/lamp|light/i, ['lighting', 'srs-indicator', 'courtesy-lamp']],
  [/hazard/i, ['hazard']],
  [/start/i, ['start']],
  [/climate|heater|fan|blower/i, ['climate']],
  [/ant|aerial|coax/i, ['antenna']],
  [/usb/i, ['usb']],
  [/power|outlet|12 ?v|socket/i, ['power-outlet']],
  [/window/i, ['window']],
  [/mirror/i, ['mirror']],
  [/camera|video|display|screen/i, ['video']],
  [/speaker|radio|main|amp|audio/i, ['audio']],
  [/brake/i, ['brake-control']],
  [/can|gateway|bus|obd|diagnos|data/i, ['can']],
  [/instrument|cluster|clock|gauge/i, ['lighting']],
]

/**
 * What a plug of that name most likely feeds; the two airbag circuits are always offered, since they are what must not
 * be missed.
 */
export function likelyCircuits(name: string): Circuit[] {
  const likely = HEARD_IN.flatMap(([words, circuits]) => (words.test(name) ? circuits : []))
  return [...new Set<Circuit>([...likely, 'audio', 'srs-indicator', 'srs-firing', 'other'])].slice(0, 6)
}

/** What somebody says a plug feeds, as an edit of the record. */
export function circuitEdits({ tethers }: Pick<ProcedureDocument, 'tethers'>, tetherId: Id, circuit: Circuit): Edit[] {
  const tether = tethers.find((item) => item.id === tetherId)
  return tether
    ? [{ kind: 'field', collection: 'tethers', id: tether.id, field: 'circuit', from: tether.circuit, to: circuit }]
    : []
}
