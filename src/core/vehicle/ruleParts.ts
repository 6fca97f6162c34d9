import type { Circuit } from '../procedure/circuits'
import type { Severity } from '../procedure/severity'
import type { ActPattern, Rule } from './rule'

const practice = "Common practice, no source; the maker's data and local rules go first."
/** What is published on the subject, by the beginning of a rule's id: named from memory, to be looked up by a lead. */
const PUBLISHED: readonly [id: string, what: string][] = [
  ['srs-', 'Pyrotechnic articles for vehicles: Directive 2013/29/EU; airbag components: ISO 12097'],
  [
    'high-voltage',
    'Electric power trains: UN Regulation 100; work on live parts: EN 50110-1, the five rules of safety',
  ],
  ['battery-', 'Isolating before work: EN 50110-1, the first of its five rules of safety'],
  [
    'live-supply',
    'Isolating before work and proving dead: EN 50110-1, the first and third of its five rules of safety',
  ],
  ['heavy', 'Lifting by hand: ISO 11228-1, reference masses of 25 kg and, for more of the working population, 20 kg'],
  ['under-vehicle', 'Mobile jacks: EN 1494; nobody works under a load that a jack alone holds'],
  ['cutting', 'Eye protection: EN 166'],
  ['bypass', 'Attention of the driver: Convention on Road Traffic of 1968, article 8'],
]
function originOf(id: string): string {
  const found = PUBLISHED.find(([begins]) => id.startsWith(begins))
  return found ? `${found[1]} (from memory). The maker's data and local rules go first.` : practice
}
/** Circuits of the airbag system. */
export const AIRBAG = ['srs-firing', 'srs-indicator'] as const
type Rest = Pick<Rule, 'effect' | 'at'> & Partial<Pick<Rule, 'while' | 'confirm' | 'quiet'>>
export const rule = (id: string, severity: Severity, sentence: string, remedy: string, rest: Rest): Rule => ({
  id,
  severity,
  sentence,
  remedy,
  origin: originOf(id),
  while: [],
  confirm: [],
  quiet: false,
  ...rest,
})

export const people = 'Only for people trained and authorised under local rules.'
export const offRemedy = 'Turn the ignition off, close the plug, then switch on.'
export const at = (acts: ActPattern['acts'], more: Omit<ActPattern, 'acts'> = {}): ActPattern => ({ acts, ...more })
export const openClose = (circuits: Circuit[]) => at(['open', 'close'], { circuits })
