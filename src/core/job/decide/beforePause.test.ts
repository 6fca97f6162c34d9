import { expect, test } from '@jest/globals'
import { emptyDocument } from '../../procedure/document'
import { forBuild } from '../../procedure/forBuild'
import { Setting } from '../../procedure/setting'
import { DEFAULT_HOUSE_VALUES } from '../../shop/houseValues'
import { whilePlanning } from '../../vehicle/circumstances'
import { asFoundState } from '../../vehicle/vehicleState'
import { backBeforePause } from './beforePause'

const LEVER = { id: 'lever', name: 'gear lever', role: 'gear lever', values: ['park', 'out of park'], asFound: 'park' }
const BRAKE = { id: 'brake', name: 'parking brake', role: 'parking brake', values: ['on', 'off'], asFound: 'on' }
const IGNITION = { id: 'ignition', name: 'ignition', role: 'ignition', values: ['off', 'on'], asFound: 'off' }

/** What goes back with these settings standing so. */
function back(settings: object[], now: { [id: string]: string }): string[] {
  const model = forBuild({ ...emptyDocument('Bench model'), settings: settings.map((item) => Setting.parse(item)) }, {})
  const vehicle = { ...asFoundState(model), settings: new Map(Object.entries(now)) }
  return backBeforePause(model, vehicle, whilePlanning(DEFAULT_HOUSE_VALUES)).map(({ id }) => id)
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
test('nothing is asked that a rule refuses: the brake stays on while the lever is out', () => {
  expect(back([LEVER, { ...BRAKE, asFound: 'off' }], { lever: 'out of park', brake: 'on' })).toEqual(['lever'])
})
