import { describe, expect, test } from '@jest/globals'
import { seededRandom } from '../../base/random'
import { Kit } from '../../shop/kit'
import { KitFit } from '../../shop/kitFit'
import { newCavity } from '../../procedure/cavity'
import { DEFAULT_HOUSE_VALUES } from '../../shop/houseValues'
import { NOT_WANTED } from '../../shop/functionClosure'
import { RADIO, radioDash } from '../../testing/radioKit.testing'
import { SCREEN, SCREEN_KIT } from '../../testing/screenKit.testing'
import { smallDash } from '../../testing/smallDash.testing'
import type { FittedKit } from '../../shop/kitHere'
import { modelOfRequest } from '../ask/modelOfRequest'
import { PlanRequest } from '../ask/planRequest'
import { planJob } from '../planJob'
import { planExtras } from './planExtras'
import { quotationOf, shared } from './quotation'

const planOf = (kits: FittedKit[], build: Record<string, string> = {}, document = smallDash()) => {
  const request = PlanRequest.parse({ kits, build })
  const model = modelOfRequest(document, request)
  const planned = planJob(model, request, DEFAULT_HOUSE_VALUES)
  if (!planned.ok) throw new Error(JSON.stringify(planned.error))
  return { model, request, plan: planned.value }
}

/** The same new radio two ways: three things that plug together, or one set with loose ends that the shop joins. */
const soldAs = (id: string, prices: number[], jointsS: number): FittedKit => ({
  kit: Kit.parse({
    id,
    name: id,
    parts: prices.map((priceMinor, i) => ({ id: `${id}-${i}`, name: `Part ${i}`, supply: { priceMinor } })),
    works:
      jointsS > 0 ? [{ id: `${id}-joints`, name: 'Joints', kind: 'solder', station: 'bench', durationS: jointsS }] : [],
    functions: [{ id: `${id}-plays`, name: 'Plays' }],
  }),
  fit: KitFit.parse({ procedureId: 'small-dash', endings: [{ itemId: 'unit', ending: 'replaced' }] }),
})
const unitOut = [{ kind: 'part', partId: 'unit', level: 'off' }] as const
const quoted = (kit: FittedKit, perHourMinor: number | null) => {
  const request = PlanRequest.parse({ kits: [kit], goals: unitOut, build: {} })
  const planned = planJob(modelOfRequest(smallDash(), request), request, DEFAULT_HOUSE_VALUES)
  if (!planned.ok) throw new Error(planned.error.kind)
  return quotationOf(planned.value, perHourMinor)
}

describe('two ways to the same end', () => {
  const three = soldAs('three', [19_500, 4_500, 14_000], 0)
  const loose = soldAs('loose', [35_000], 45 * 60)
  test('195 + 45 + 140 = 380 against 350; once the shop makes the joints the cheaper one turns round', () => {
    expect([quoted(three, null).partsMinor, quoted(loose, null).partsMinor]).toEqual([38_000, 35_000])
    const [a, b] = [quoted(three, 7_200), quoted(loose, 7_200)]
    // 45 minutes at 72.00 an hour: 54.00.
    expect(b.labourMinor! - a.labourMinor!).toBe(5_400)
    expect(b.totalMinor - a.totalMinor).toBe(35_000 + 5_400 - 38_000)
    expect(b.totalMinor).toBeGreaterThan(a.totalMinor)
  })
  test('joints at the bench are no minute at the vehicle, and are paid all the same', () => {
    const [a, b] = [quoted(three, 7_200), quoted(loose, 7_200)]
    expect([b.vehicleS, b.benchS - a.benchS]).toEqual([a.vehicleS, 45 * 60])
    expect(b.phases.find(({ phase }) => phase === 'bench')).toEqual({
      phase: 'bench',
      seconds: 2700,
      minutes: 45,
      minor: 5_400,
    })
  })
  test('without an hourly price no price of work is claimed', () => {
    const { labourMinor, phases, totalMinor } = quoted(loose, null)
    expect([labourMinor, totalMinor, phases.every(({ minor }) => minor === null)]).toEqual([null, 35_000, true])
  })
})

describe('what is promised', () => {
  test('phases hold every second once, and their prices add up to the cent', () => {
    const { plan } = planOf([RADIO], { audio: 'amplified', family: 'map-unit' }, radioDash())
    const { phases, labourMinor, partsMinor, totalMinor, vehicleS, benchS, minutes } = quotationOf(plan, 7_777)
    const seconds = phases.reduce((sum, line) => sum + line.seconds, 0)
    expect(seconds).toBeCloseTo(plan.proof.totalS + plan.beforeS, 6)
    expect(vehicleS + benchS).toBeCloseTo(seconds, 6)
    expect(minutes.together).toBe(Math.ceil(seconds / 60))
    expect(minutes.vehicle + minutes.bench).toBe(minutes.together)
    expect(phases.reduce((sum, line) => sum + line.minutes, 0)).toBe(minutes.together)
    expect(phases.reduce((sum, { minor }) => sum + (minor ?? 0), 0)).toBe(labourMinor)
    expect([partsMinor, totalMinor]).toEqual([24_000, 24_000 + labourMinor!])
  })
  test('what a roomier opening saves leaves no phase below nothing where a kit has nothing to fit', () => {
    const document = smallDash()
    const parts = [{ partId: 'unit', level: 'off' as const }]
    document.cavities.push({
      ...newCavity('shaft', 'wide', 'shaft', 'unit'),
      openings: [{ id: 'wide', name: '', roomier: true, saves: '', savesS: 90, parts }],
    })
    const kit = Kit.parse({
      id: 'update',
      name: 'Update',
      works: [{ id: 'load', name: 'Load it', kind: 'set up', durationS: 600 }],
    })
    const access = { load: [{ kind: 'cavity', cavityId: 'shaft' }] }
    const { plan } = planOf([{ kit, fit: KitFit.parse({ procedureId: 'small-dash', access }) }], {}, document)
    const { phases } = quotationOf(plan, 6_000)
    expect(phases.reduce((sum, { seconds }) => sum + seconds, 0)).toBeCloseTo(plan.proof.totalS, 6)
    expect(phases.find(({ phase }) => phase === 'set up')!.seconds).toBeGreaterThanOrEqual(600 - 90)
    expect(phases.every(({ seconds, minutes, minor }) => Math.min(seconds, minutes, minor ?? 0) >= 0)).toBe(true)
    // Saved it is: without the roomier way the same steps take that much more.
    document.cavities[0]!.openings[0]!.savesS = 0
    const plain = planOf([{ kit, fit: KitFit.parse({ procedureId: 'small-dash', access }) }], {}, document).plan
    expect(plain.proof.totalS - plan.proof.totalS).toBeCloseTo(90, 6)
  })
  test('gained, kept and lost; what is without a price is counted, not guessed', () => {
    const { plan } = planOf([RADIO], { audio: 'plain', family: 'plain-unit' }, radioDash())
    const { gained, kept, lost, unpriced, changes, blocked } = quotationOf(plan, null)
    expect([gained.map(({ name }) => name), kept, lost, changes, blocked]).toEqual([
      ['New radio'],
      ['sound', 'test-of-hazard'],
      [],
      [],
      [],
    ])
    expect(unpriced).toBe(4)
  })
  test('a wish that rests on one that is not wanted is said before anything is promised', () => {
    const functions = SCREEN_KIT.functions.map((item) =>
      item.id === 'rear-view' ? { ...item, needs: [...item.needs, { ...item.needs[0]!, id: 'projection' }] } : item,
    )
    const { plan } = planOf([{ ...SCREEN, kit: { ...SCREEN_KIT, functions } }], { projection: NOT_WANTED })
    expect(quotationOf(plan, null).blocked).toMatchObject([
      { functionId: 'rear-view', lacks: [{ need: { id: 'projection' }, is: 'not wanted' }] },
    ])
    expect(quotationOf(planOf([SCREEN]).plan, null).blocked).toEqual([])
  })
  test('what an option takes is the difference it makes, whichever way it stands now', () => {
    const priced = {
      ...SCREEN,
      kit: {
        ...SCREEN_KIT,
        parts: SCREEN_KIT.parts.map((part) => ({ ...part, supply: { ...part.supply, priceMinor: 10_000 } })),
      },
    }
    const options = (build: Record<string, string>) => {
      const { model, request, plan } = planOf([priced], build)
      return planExtras(model, request, DEFAULT_HOUSE_VALUES, undefined, plan).options
    }
    const [projection, view] = options({})
    expect(projection).toMatchObject({ functionId: 'projection', partsMinor: 0 })
    expect(view).toMatchObject({ functionId: 'rear-view', partsMinor: 10_000 })
    expect(view!.extraS).toBeGreaterThan(60)
    expect(options({ 'rear-view': NOT_WANTED })[1]!.partsMinor).toBe(10_000)
    expect(options({ 'rear-view': NOT_WANTED })[1]!.extraS).toBeCloseTo(view!.extraS, 6)
  })
})

test('a sum is shared out to the last cent, and nobody is more than one cent off', () => {
  const random = seededRandom(7)
  for (let i = 0; i < 300; i++) {
    const weights = Array.from({ length: 1 + random.below(7) }, () => random.below(900))
    const sum = random.below(100_000)
    const total = weights.reduce((a, b) => a + b, 0)
    const shares = shared(sum, weights)
    expect(shares.reduce((a, b) => a + b, 0)).toBe(total === 0 ? 0 : sum)
    shares.forEach((share, k) =>
      expect(Math.abs(share - (total === 0 ? 0 : (sum * weights[k]!) / total))).toBeLessThan(1),
    )
  }
})
