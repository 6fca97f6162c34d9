import { expect, test } from '@jest/globals'
import { emptyDocument } from '../../procedure/document'
import { forBuild } from '../../procedure/forBuild'
import { Setting } from '../../procedure/setting'
import { DEFAULT_HOUSE_VALUES } from '../../shop/houseValues'
import { BUILT_IN_RULES } from '../../vehicle/builtInRules'
import { Rule } from '../../vehicle/rule'
import { whilePlanning } from '../../vehicle/circumstances'
import { asFoundState } from '../../vehicle/vehicleState'
import { backBeforePause } from './beforePause'

const LEVER = { id: 'lever', name: 'gear lever', role: 'gear lever', values: ['park', 'out of park'], asFound: 'park' }
const BRAKE = { id: 'brake', name: 'parking brake', role: 'parking brake', values: ['on', 'off'], asFound: 'on' }
const IGNITION = { id: 'ignition', name: 'ignition', role: 'ignition', values: ['off', 'on'], asFound: 'off' }

/** What goes back with these settings standing so. */
function back(settings: object[], now: { [id: string]: string }, own: Rule[] = []): string[] {
  const model = forBuild({ ...emptyDocument('Bench model'), settings: settings.map((item) => Setting.parse(item)) }, {})
  const vehicle = { ...asFoundState(model), settings: new Map(Object.entries(now)) }
  const circumstances = whilePlanning(DEFAULT_HOUSE_VALUES, [...BUILT_IN_RULES, ...own])
  return backBeforePause(model, vehicle, circumstances).map(({ id }) => id)
}

test('a lever out of park goes back before a pause; one that stands in park is not spoken of', () => {
  expect(back([LEVER, BRAKE], { lever: 'out of park', brake: 'on' })).toEqual(['lever'])
  expect(back([LEVER, BRAKE], { lever: 'park', brake: 'on' })).toEqual([])
})
test('where the record lets it stay it may stay', () =>
  expect(back([{ ...LEVER, meanwhile: 'may stay' }, BRAKE], { lever: 'out of park', brake: 'on' })).toEqual([]))
test('a parking brake that was let off goes on again, one put on stays on', () => {
  expect(back([BRAKE], { brake: 'off' })).toEqual(['brake'])
  expect(back([{ ...BRAKE, asFound: 'off' }], { brake: 'on' })).toEqual([])
})
test('what does not keep it standing is none of a pause’s', () =>
  expect(back([IGNITION], { ignition: 'on' })).toEqual([]))
test('what a rule refuses is not asked: the shop’s own count as well', () => {
  const own = Rule.parse({
    id: 'own',
    severity: 'CAUTION',
    sentence: 'The lever is left to a lead.',
    remedy: 'Call one.',
    origin: 'this shop',
    effect: 'refuses',
    at: { acts: ['set'], roles: ['gear lever'], to: ['park'] },
  })
  expect(back([LEVER, BRAKE], { lever: 'out of park', brake: 'off' }, [own])).toEqual(['brake'])
})
test('the brake stays on while the lever is out', () => {
  expect(back([LEVER, { ...BRAKE, asFound: 'off' }], { lever: 'out of park', brake: 'on' })).toEqual(['lever'])
})
