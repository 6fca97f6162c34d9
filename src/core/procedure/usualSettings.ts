import { Setting } from './setting'
import type { Station } from './station'

/**
 * The settings nearly every four-wheeled vehicle has, as found: what a first strip begins with, so that the rules of
 * safety see it.
 */
export function usualSettings(ignitionStation: Station = 'driver side'): {
  battery: Setting
  ignition: Setting
  lever: Setting
  brake: Setting
  wheels: Setting
} {
  const make = (
    id: string,
    name: string,
    role: string,
    values: [string, string],
    method: (value: string) => { id: string; name: string; station: Station; durationS?: number },
  ) =>
    Setting.parse({
      id,
      name,
      role,
      values,
      asFound: values[0],
      methods: values.map((to) => {
        const { station, ...rest } = method(to)
        return { ...rest, to, stations: [station] }
      }),
    })
  return {
    battery: make('battery', 'battery', 'battery', ['on', 'off'], (to) => ({
      id: `battery-${to}`,
      name: `${to === 'off' ? 'unclamp' : 'clamp'} the negative pole`,
      station: 'engine bay',
      durationS: 60,
    })),
    ignition: Setting.parse({
      ...make('ignition', 'ignition', 'ignition', ['on', 'off'], (to) => ({
        id: `ignition-${to}`,
        name: `turn the ignition ${to}`,
        station: ignitionStation,
        durationS: 3,
      })),
      asFound: 'off',
    }),
    lever: make('lever', 'gear lever', 'gear lever', ['park', 'out of park'], (to) => ({
      id: to === 'park' ? 'lever-park' : 'lever-out',
      name: to !== 'park' ? 'brake held, ignition on, lever out' : 'lever to park',
      station: 'driver side',
      durationS: 3,
    })),
    brake: make('brake', 'parking brake', 'parking brake', ['on', 'off'], (to) => ({
      id: to === 'on' ? 'brake-set' : 'brake-off',
      name: `parking brake ${to}`,
      station: 'driver side',
    })),
    wheels: make('wheels', 'wheels', 'wheels', ['chocked', 'off'], (to) => ({
      id: to === 'chocked' ? 'wheels-set' : 'wheels-off',
      name: `wheels ${to}`,
      station: 'outside left',
    })),
  }
}
