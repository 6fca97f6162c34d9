import { Kit } from '@/core/shop/kit'
import { cavity, fit, leadThrough, lookAt, part, plug, plugIn, read, work } from './pieces'

/** A new antenna lead for the radio, and on the van an earpiece socket at the knee panel. */
export function radioLeadKit(van: string, moto: string): Kit {
  return Kit.parse({
    id: crypto.randomUUID(),
    name: 'Renew the radio lead',
    note: 'The antenna lead is renewed; where it was bought, an earpiece socket comes with it.',
    facets: [
      {
        ...{ id: 'lead-socket', kind: 'option', name: 'Earpiece socket' },
        choices: [
          { id: 'lead-socket-yes', name: 'bought' },
          { id: 'lead-socket-no', name: 'not bought' },
        ],
      },
    ],
    parts: [
      part('lead-coax', 'Antenna lead, 1.5 m', 'SF-L15', 1_600),
      part('lead-ties', 'Cable ties', 'SF-C01', 5, { count: 8, supply: { consumable: true } }),
      part('lead-ear', 'Earpiece socket', 'SF-L30', 1_150, { when: { 'lead-socket': ['lead-socket-yes'] } }),
    ],
    plugs: [
      plug('lead-plug', 'antenna lead', 'lead-coax', 'threaded', 'the radio', { leadThrough: 'the loom clip' }),
      plug('lead-ear-plug', 'earpiece', 'lead-ear', 'press tab', 'the radio', {
        when: { 'lead-socket': ['lead-socket-yes'] },
      }),
    ],
    works: [
      work('lead-in', 'Antenna lead in', 'route a lead', { station: 'centre', tool: 'meter', durationS: 300 }, [
        read('shield to centre of the new lead, nothing plugged', 'Mohm', 1, null),
        leadThrough('lead-plug'),
        fit('lead-coax', { words: 'no bend under a hand’s width, tied to the maker’s loom' }),
        plugIn('lead-plug'),
        lookAt('slack where something turns, nothing pinched'),
      ]),
      work(
        'lead-ear-in',
        'Earpiece socket in',
        'mount',
        {
          ...{ station: 'driver side', durationS: 240, afterWork: ['lead-in'] },
          when: { 'lead-socket': ['lead-socket-yes'] },
        },
        [fit('lead-ear', { words: 'reached with the belt on, off the knee' }), plugIn('lead-ear-plug')],
      ),
    ],
    functions: [
      {
        ...{ id: 'lead-hears', name: 'Radio reception', how: 'the quiet station comes in', power: 'accessory' },
        ...{ afterWork: ['lead-in'], needs: [{ of: 'plug', id: 'lead-plug' }] },
      },
    ],
    fits: [
      {
        procedureId: van,
        access: { 'lead-in': [cavity('radio-cavity')], 'lead-ear-in': [cavity('knee-cavity')] },
      },
      { procedureId: moto, access: { 'lead-in': [cavity('nose-cavity')] }, stations: { 'lead-in': 'outside front' } },
    ],
  })
}
