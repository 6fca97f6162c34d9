import { emptyDocument, type ProcedureDocument } from '../procedure/document'
import { Holder } from '../procedure/holder'
import { coversNeed, trapsNeed } from '../procedure/need'
import { Part } from '../procedure/part'
import { Setting } from '../procedure/setting'
import { Tether } from '../procedure/tether'
import { VehicleFunction } from '../procedure/vehicleFunction'

const part = (id: string, name: string, more: object = {}) =>
  Part.parse({
    id,
    name,
    station: 'centre',
    release: { motions: [{ move: 'pull', directions: ['rearward'] }] },
    rests: [{ level: 'free', how: 'on a cloth' }],
    ...more,
  })

/**
 * The least dash that has one of everything a tap can be about: a cover over screws, clips that let go with the pull, a
 * plug that may stay open and one that may not, a lever, a brake, a battery.
 */
export function smallDash(): ProcedureDocument {
  const document = emptyDocument('Small dash')
  document.parts.push(part('cover', 'Cover'), part('panel', 'Panel'), part('unit', 'Unit'))
  document.holders.push(
    Holder.parse({ id: 'cover-clips', kind: 'spring clip', count: 2, holds: ['cover'] }),
    Holder.parse({
      id: 'screws',
      kind: 'machine screw',
      count: 4,
      holds: ['panel'],
      drives: [{ drive: 'six-lobe', size: 'T20' }],
    }),
    Holder.parse({ id: 'panel-clips', kind: 'spring clip', count: 6, holds: ['panel'] }),
    Holder.parse({
      id: 'bolts',
      kind: 'machine screw',
      count: 2,
      holds: ['unit'],
      drives: [{ drive: 'hex', size: '7' }],
    }),
  )
  document.functions.push(VehicleFunction.parse({ id: 'sound', name: 'Radio', how: 'plays', power: 'accessory' }))
  document.tethers.push(
    Tether.parse({ id: 'main', name: 'main', partId: 'unit', circuit: 'audio', functions: ['sound'] }),
    Tether.parse({ id: 'hazard', name: 'hazard', partId: 'panel', circuit: 'hazard', functions: [] }),
  )
  document.needs.push(coversNeed('n-cover', 'screws', 'cover', 'off'), trapsNeed('n-trap', 'unit', 'panel', 'off'))
  const setting = (id: string, name: string, role: string, values: [string, string]) =>
    Setting.parse({
      id,
      name,
      role,
      values,
      asFound: values[0],
      methods: values.map((to) => ({
        id: `${id}-to-${to.replaceAll(' ', '-')}`,
        name: 'by hand',
        to,
        stations: ['driver side'],
      })),
    })
  document.settings.push(
    setting('brake', 'parking brake', 'parking brake', ['on', 'off']),
    setting('wheels', 'wheels', 'wheels', ['chocked', 'free']),
    setting('lever', 'gear lever', 'gear lever', ['park', 'out of park']),
    setting('battery', 'battery', 'battery', ['on', 'off']),
    setting('ignition', 'ignition', 'ignition', ['off', 'on']),
  )
  return document
}
