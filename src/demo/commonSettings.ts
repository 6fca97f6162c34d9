import type { Author } from './author'

/** The settings nearly every four-wheeled vehicle has, as found. The gear lever differs and is stated by its model. */
export function statePowerAndBrake(a: Author, ignitionStation = 'driver side'): void {
  a.setting('battery', 'battery', {
    role: 'battery',
    values: ['on', 'off'],
    asFound: 'on',
    methods: [
      { id: 'battery-off', name: 'unclamp the negative pole', to: 'off', stations: ['engine bay'], durationS: 60 },
      { id: 'battery-on', name: 'clamp the negative pole', to: 'on', stations: ['engine bay'], durationS: 60 },
    ],
  })
  a.setting('ignition', 'ignition', {
    role: 'ignition',
    values: ['on', 'off'],
    asFound: 'off',
    methods: [
      { id: 'ignition-on', name: 'turn the ignition on', to: 'on', stations: [ignitionStation], durationS: 3 },
      { id: 'ignition-off', name: 'turn the ignition off', to: 'off', stations: [ignitionStation], durationS: 3 },
    ],
  })
}

export function stateParkingBrakeAndWheels(a: Author): void {
  const hold = (id: string, name: string, role: string, set: string, station: string) =>
    a.setting(id, name, {
      role,
      values: [set, 'off'],
      asFound: set,
      methods: [
        { id: `${id}-set`, name: `${name} ${set}`, to: set, stations: [station] },
        { id: `${id}-off`, name: `${name} off`, to: 'off', stations: [station] },
      ],
    })
  hold('brake', 'parking brake', 'parking brake', 'on', 'driver side')
  hold('wheels', 'wheels', 'wheels', 'chocked', 'outside left')
}
