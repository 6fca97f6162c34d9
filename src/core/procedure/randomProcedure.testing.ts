import { seededRandom } from '../base/random'
import { Cavity } from './cavity'
import { emptyDocument, type ProcedureDocument } from './document'
import { Holder, HOLDER_KINDS } from './holder'
import { coversNeed, Need, trapsNeed } from './need'
import { Part } from './part'
import { Setting } from './setting'
import { STATIONS } from './station'
import { Tether } from './tether'

/**
 * A believable dash from a seed: parts that may cover and trap only deeper ones (so that an order exists), some that rest,
 * clips and screws, plugs reached before or after the release, an airbag lamp, and a lever to be put out of the way.
 */
export function randomProcedure(seed: number, size = 8): ProcedureDocument {
  const random = seededRandom(seed)
  const document = emptyDocument(`Random ${seed}`)
  for (let i = 0; i < size; i++) {
    const id = `p${i}`
    document.parts.push(Part.parse({ id, name: `Panel ${i}`, station: STATIONS[random.below(3)], rests: random.chance(0.4) ? [{ level: 'free', how: 'hangs on its leads' }] : [] }))
    for (let h = random.below(3); h >= 0; h--) {
      const holder = Holder.parse({ id: `h${i}-${h}`, kind: random.pick(HOLDER_KINDS), drives: random.chance(0.5) ? [{ drive: 'hex', size: random.pick(['7', '8', '10']) }] : [], count: 1 + random.below(9), holds: [id] })
      document.holders.push(holder)
      if (i > 0 && random.chance(0.4)) document.needs.push(coversNeed(`c${i}-${h}`, holder.id, `p${random.below(i)}`, random.chance(0.5) ? 'free' : 'off'))
    }
    if (i > 0 && random.chance(0.4)) document.needs.push(trapsNeed(`t${i}`, id, `p${random.below(i)}`, random.chance(0.5) ? 'free' : 'off'))
    for (let t = random.below(3); t > 0; t--) {
      const early = random.chance(0.3)
      document.tethers.push(Tether.parse({ id: `w${i}-${t}`, name: `plug ${i}-${t}`, partId: id, mustOpenFor: random.chance(0.3) ? 'free' : 'off', reached: early ? 'before the release' : 'after the release', circuit: random.chance(0.2) ? 'srs-indicator' : 'audio' }))
    }
  }
  addLever(document, random.below(size))
  const goal = random.below(size)
  document.cavities.push(Cavity.parse({ id: 'cavity', name: 'Cavity', openings: [{ id: 'way', parts: [{ partId: `p${size - 1}`, level: 'off' }, { partId: `p${goal}`, level: 'free' }] }] }))
  return document
}

function addLever(document: ProcedureDocument, part: number): void {
  const method = (id: string, to: string) => ({ id, name: id, to, stations: ['driver side'] })
  document.settings.push(
    Setting.parse({ id: 'ignition', name: 'ignition', role: 'ignition', values: ['on', 'off'], asFound: 'off', methods: [method('i-on', 'on'), method('i-off', 'off')] }),
    Setting.parse({ id: 'lever', name: 'lever', role: 'gear lever', values: ['park', 'out'], asFound: 'park', methods: [method('by-ignition', 'out'), method('by-hand', 'park')] }),
  )
  const needs = { kind: 'setting', settingId: 'lever', value: 'out' }
  document.needs.push(
    Need.parse({ id: 'lever-release', dependent: { act: 'release', id: `p${part}` }, needs, reason: 'setting' }),
    Need.parse({ id: 'lever-method', dependent: { act: 'method', id: 'by-ignition' }, needs: { kind: 'setting', settingId: 'ignition', value: 'on' }, reason: 'method' }),
  )
}
