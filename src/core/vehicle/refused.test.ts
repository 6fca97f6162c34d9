import { expect, test } from '@jest/globals'
import { panelVan } from '../../demo/panelVan'
import { smallBus } from '../../demo/smallBus'
import { forBuild } from '../procedure/forBuild'
import type { Operation } from '../order/operation'
import { asFoundState, refusedBy, refusedSetting, type VehicleState } from './vehicleState'

const bus = forBuild(smallBus(), { 'sign-kind': 'led', gearbox: 'manual' })
const with_ = (state: VehicleState, settings: Record<string, string>, open: string[]): VehicleState => ({ settings: new Map([...state.settings, ...Object.entries(settings)]), open: new Set(open) })
const battery = (from: string, to: string): Operation => ({ key: 'x', phase: 'out', act: 'restore', itemId: 'battery', partId: null, setting: { settingId: 'battery', from, to, methodId: `battery-${to}`, momentary: [] } })
const plug = (act: 'open' | 'close', itemId: string): Operation => ({ key: 'x', phase: act === 'open' ? 'in' : 'out', act, itemId, partId: null, setting: null })

test('battery on is refused while an airbag firing circuit is open, whether by the plan or from the balance', () => {
  const open = with_(asFoundState(bus), { battery: 'off' }, ['knee-bag'])
  expect(refusedBy(bus, open, battery('off', 'on'))).toBe('srs-firing-power')
  expect(refusedSetting(bus, open, 'battery', 'on')).toBe('srs-firing-power')
  const closed = with_(asFoundState(bus), { battery: 'off' }, [])
  expect(refusedBy(bus, closed, battery('off', 'on'))).toBeNull()
  expect(refusedSetting(bus, closed, 'battery', 'on')).toBeNull()
})
test('a firing circuit is opened only with the battery off, an airbag lamp only with the ignition off', () => {
  expect(refusedBy(bus, asFoundState(bus), plug('open', 'knee-bag'))).toBe('srs-firing-power')
  expect(refusedBy(bus, with_(asFoundState(bus), { battery: 'off' }, []), plug('open', 'knee-bag'))).toBeNull()
  const van = forBuild(panelVan(), { gearbox: 'automatic' })
  expect(refusedBy(van, with_(asFoundState(van), { ignition: 'on' }, []), plug('open', 'airbag-lamp'))).toBe('srs-ignition')
  expect(refusedBy(van, with_(asFoundState(van), { ignition: 'on' }, ['airbag-lamp']), plug('close', 'airbag-lamp'))).toBe('srs-ignition')
  expect(refusedBy(van, with_(asFoundState(van), {}, ['airbag-lamp']), plug('close', 'airbag-lamp'))).toBeNull()
})
test('the lever by ignition is refused while the airbag lamp is open', () => {
  const van = forBuild(panelVan(), { gearbox: 'automatic' })
  const lever: Operation = { key: 'x', phase: 'in', act: 'set', itemId: 'lever', partId: null, setting: { settingId: 'lever', from: 'park', to: 'out of park', methodId: 'lever-by-ignition', momentary: [{ settingId: 'ignition', value: 'on', methodId: 'ignition-on', back: 'off', backMethodId: 'ignition-off' }] } }
  expect(refusedBy(van, with_(asFoundState(van), {}, ['airbag-lamp']), lever)).toBe('srs-ignition')
  expect(refusedBy(van, asFoundState(van), lever)).toBeNull()
})
