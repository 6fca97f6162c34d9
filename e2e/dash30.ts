import { Author } from '../src/demo/author'
import { statePowerAndBrake, stateParkingBrakeAndWheels } from '../src/demo/commonSettings'
import type { ProcedureDocument } from '../src/core/procedure/document'

const pull = { motions: [{ move: 'pull', directions: ['rearward'] }] }
const lift = { motions: [{ move: 'lift', directions: ['up'] }] }

/** A dash of thirty parts as a crew would find one: six of them ride along on others, the rest come off one by one. */
export function dashOfThirty(): ProcedureDocument {
  const a = new Author('Thirty-part dash', 'For counting taps.')
  const bare: Record<string, Record<string, 'off'>> = {}
  const part = (
    id: string,
    name: string,
    station: string,
    groups: [kind: string, count: number, head?: string][],
    more: object = {},
  ) => {
    a.part(id, name, station, {
      release: pull,
      ...(groups.length === 0 && !('carriedBy' in more) ? { fixing: 'press fit' } : {}),
      ...more,
    })
    groups.forEach(([kind, count, head], i) => {
      if (head) a.screws(`${id}-${i}`, head.split(' ')[0]!, head.split(' ')[1]!, count, id, [4, 16])
      else a.clips(`${id}-${i}`, kind as 'spring clip', count, id)
    })
    if (!('carriedBy' in more)) bare[station] = { ...bare[station], [id]: 'off' }
  }
  a.test('t-radio', 'Radio', 'plays, finds stations')
  a.test('t-hazard', 'Hazard lights', 'all four flash', 'none')
  a.test('t-cluster', 'Instruments', 'needles sweep, no lamp stays lit')
  a.document.functions.at(-1)!.interim = 'at hand-over'

  part('knee', 'Knee bolster', 'driver side', [
    ['', 2, 'hex 10'],
    ['spring clip', 5],
  ])
  part('socket', 'Diagnostic socket', 'driver side', [], { carriedBy: 'knee' })
  part('kick-left', 'Kick panel, driver', 'driver side', [['push-pin', 2]])
  part('fuse', 'Fuse cover', 'driver side', [])
  part('shroud', 'Column shroud', 'driver side', [['', 3, 'cross PH2']])
  part('cluster-trim', 'Cluster surround', 'driver side', [
    ['spring clip', 4],
    ['', 2, 'six-lobe T15'],
  ])
  part('cluster', 'Instrument cluster', 'driver side', [['', 3, 'six-lobe T20']])
  a.tether('cluster-plug', 'instruments', 'cluster', {
    latch: 'press tab',
    tabSide: 'top',
    circuit: 'can',
    functions: ['t-cluster'],
  })
  a.traps('cluster', 'cluster-trim', 'off')
  part('vent-left', 'Left vent', 'driver side', [['spring clip', 2]])
  part('switches', 'Lamp switch panel', 'driver side', [['spring clip', 2]])
  part('grille-left', 'Speaker cover, left', 'driver side', [['spring clip', 4]])

  part('liner', 'Tray liner', 'centre', [], { release: lift })
  part('climate', 'Climate panel', 'centre', [['spring clip', 6]])
  part('surround', 'Centre surround', 'centre', [['spring clip', 9]])
  a.screws('surround-hidden', 'six-lobe', 'T25', 2, 'surround')
  a.covers('surround-hidden', 'climate', 'off')
  a.tether('hazard', 'hazard', 'surround', {
    latch: 'press tab',
    tabSide: 'driver side',
    circuit: 'hazard',
    functions: ['t-hazard'],
  })
  part('vents', 'Centre vents', 'centre', [], { carriedBy: 'surround' })
  part('hazard-switch', 'Hazard switch', 'centre', [], { carriedBy: 'surround' })
  part('clock', 'Clock', 'centre', [], { carriedBy: 'surround' })
  part('unit', 'Radio unit', 'centre', [['', 4, 'hex 7']])
  a.tether('main', 'main', 'unit', { latch: 'lever', tabSide: 'top', circuit: 'audio', functions: ['t-radio'] })
  a.traps('unit', 'surround', 'off')
  part('gear', 'Gear surround', 'centre', [['spring clip', 6]])
  part('cup', 'Cup holder', 'centre', [], { carriedBy: 'gear' })
  part('ashtray', 'Ashtray', 'centre', [])
  part('pocket', 'Lower pocket', 'centre', [['', 2, 'hex 8']])
  a.traps('pocket', 'gear', 'off')
  part('display', 'Display', 'centre', [['', 4, 'six-lobe T10']])

  part('glovebox', 'Glovebox', 'passenger side', [['', 3, 'hex 10']])
  part('glove-lamp', 'Glovebox lamp', 'passenger side', [], { carriedBy: 'glovebox' })
  part('upper', 'Panel above the glovebox', 'passenger side', [
    ['', 3, 'hex 10'],
    ['spring clip', 4],
  ])
  a.traps('upper', 'glovebox', 'off')
  part('vent-right', 'Right vent', 'passenger side', [['spring clip', 2]])
  part('kick-right', 'Kick panel, passenger', 'passenger side', [['push-pin', 2]])
  part('sill', 'Sill trim', 'passenger side', [['fir-tree clip', 4]])
  part('handle', 'Grab handle', 'passenger side', [['', 2, 'hex 10']])
  part('grille-right', 'Speaker cover, right', 'passenger side', [['spring clip', 4]])
  statePowerAndBrake(a)
  stateParkingBrakeAndWheels(a)
  for (const [station, parts] of Object.entries(bare))
    a.cavity(`bare-${station.replace(' ', '-')}`, `Everything off, ${station}`, parts)
  return a.document
}
