import { Kit } from '@/core/shop/kit'
import { act, cavity, fasten, fit, part, plug, plugIn, read, screws, work } from './pieces'

/** The same new radio as one set with loose ends: fewer parts, and the shop makes the joints. */
export function radioLooseKit(van: string): Kit {
  return Kit.parse({
    id: crypto.randomUUID(),
    name: 'Radio as a set with loose ends',
    note: 'One set for less; every joint is ours.',
    parts: [part('loose-set', 'Unit and display, loose ends', 'SF-U90', 35_000, { massKg: 1.5 })],
    holders: [screws('loose-screws', 4, 'loose-set', '7', [4, 12])],
    plugs: [plug('loose-main', 'main', 'loose-set', 'lever', 'the joints')],
    works: [
      work(
        'loose-joints',
        'Make the joints',
        'solder',
        { station: 'bench', tool: 'soldering iron', durationS: 2700, consumables: ['solder', 'sleeve'] },
        [
          act('sort the ends by the print, then by the meter'),
          act('sixteen joints, each sleeved'),
          read('no end touches its neighbour', 'Mohm', 1, null, { tool: 'meter' }),
        ],
      ),
      work(
        'loose-in',
        'Unit and display in',
        'mount',
        { station: 'centre', tool: 'hex 7', durationS: 240, afterWork: ['loose-joints'] },
        [plugIn('loose-main'), fit('loose-set', { words: 'nothing pinched' }), fasten('loose-screws')],
      ),
    ],
    functions: [
      {
        ...{ id: 'loose-plays', name: 'New unit', how: 'plays from four corners', power: 'ignition', warmUpS: 20 },
        ...{ afterWork: ['loose-in'], needs: [{ of: 'plug', id: 'loose-main' }], show: 'volume and stations' },
      },
    ],
    changes: [
      {
        ...{ id: 'loose-cut', what: 'cut', where: 'leads of the old unit’s plug', how: 'a hand’s width behind it' },
        ...{ consent: true, edgeTreated: true },
      },
    ],
    fits: [
      {
        procedureId: van,
        access: { 'loose-in': [cavity('radio-cavity')] },
        endings: [
          { itemId: 'unit', ending: 'replaced', by: 'loose-set' },
          { itemId: 'main', ending: 'scrapped', note: 'cut off: its leads go on in the joints' },
        ],
        functionsChanged: ['t-unit'],
      },
    ],
  })
}
