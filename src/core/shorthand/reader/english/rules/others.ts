import type { Rule, Said } from '../../sense'
import { is, named, rule } from './making'

/** A seat is moved and not switched: "seat off" is the part. */
function settingTo(setting: string, value: string): Said | null {
  return setting === 'seat' && (value === 'off' || value === 'on' || value === 'out')
    ? null
    : { is: 'setting', setting, value }
}

/** The way back, resting, people, settings. */
export const OTHERS: readonly Rule[] = [
  rule('PLACE edge FIRST', (place) => ({ is: 'first', first: `${place} edge` })),
  rule('PLACE FIRST', (place) => ({ is: 'first', first: `${place} edge`, bare: place })),
  rule(
    'seat PLACE NUM? pegs/clips/hooks/lugs/tabs',
    (place) => ({ is: 'first', first: `${place} edge`, group: true }),
    0.8,
  ),
  rule('PLACE LAST', (place) => ({ is: 'last', last: place }), 0.9),
  rule('get? PLACE NEW in before PLACE', (place, name) => ({ is: 'first', first: `${place} ${name}` }), 1),
  rule('FIRST PLACE edge?', (_, place) => ({ is: 'first', first: `${place} edge`, bare: place })),
  rule('FIRST hook PLACE', (_, place) => ({ is: 'first', first: `${place} edge` }), 0.9),
  rule('hook the? PLACE FIRST', (place) => ({ is: 'first', first: `${place} edge` })),
  rule('PLACE edge? FIRST then push/snap PLACE in?', (place) => ({ is: 'first', first: `${place} edge` }), 0.9),
  rule('PART FIRST', (part) => ({ is: 'part first', part })),
  rule('FIRST thing/job/step', () => ({ is: 'nothing' }), 0.8),
  rule('PLACE hooks FIRST', (place) => ({ is: 'first', first: `${place} edge` }), 0.9),
  rule('REFIT', is('refit')),
  rule('LEADS_FIRST', is('leads first')),
  rule('START_ALL', is('start all')),
  rule('SNUG', is('snug')),
  rule('ALIGN ALIGNED', (_, align) => ({ is: 'align', align })),
  rule('ALIGN PART', (_, align) => ({ is: 'align', align })),
  rule('LISTEN', is('listen', 'listen'), 1.1),
  // From a hook, a rail, a hinge: of no lead.
  rule('HANG on/by/from NUM? hooks/hook/tongues/lugs', () => ({ is: 'nothing' }), 0.9),
  rule('SETTING MOVE back', (setting) => settingTo(setting!, 'back'), 0.9),
  rule('SETTING MOVE FORWARD', (setting) => settingTo(setting!, 'forward'), 0.9),
  rule('HANG', () => ({ is: 'rests', how: 'hangs on its leads' }), 1.3),
  rule('LAY? it? on a? CLOTH', () => ({ is: 'rests', how: 'on a cloth' })),
  rule('LAY PART on a? CLOTH', (_, part) => [{ is: 'rests', how: 'on a cloth', part }]),
  rule('HINGED', () => ({ is: 'rests', how: 'hinged' })),
  rule('swing PART aside', (part) => ({ is: 'rests', how: 'swung aside', part }), 0.8),
  rule('MOVE PART out of way', (_, part) => ({ is: 'rests', how: 'swung aside', part }), 0.8),
  rule('SWUNG', () => ({ is: 'rests', how: 'swung aside' })),
  rule('NUM PERSON for PART', (n, _, part) => ({ is: 'persons', count: Number(n), part }), 0.8),
  rule('NUM PERSON to lift PART out/off?', (n, _, part) => ({ is: 'persons', count: Number(n), part }), 0.8),
  rule('NUM PERSON lift?', (n) => ({ is: 'persons', count: Number(n) })),
  rule('second person', () => ({ is: 'persons', count: 2 })),
  rule('TURN SETTING to? LR', (_, setting, side) => ({ is: 'setting', setting, value: side, side: true }), 0.9),
  rule('SETTING to/into VALUE', (setting, value) => settingTo(setting!, value!), 0.9),
  rule('switch it? VALUE', (value) => ({ is: 'value', value }), 0.9),
  rule('or VALUE', (value) => ({ is: 'value', value }), 1.2),
  rule('switch SETTING VALUE', (setting, value) => ({ is: 'setting', setting, value }), 0.9),
  rule('SETTING must/should/has/needs to? VALUE', (setting, value) => settingTo(setting!, value!), 0.9),
  rule('SETTING :? negative/lead/terminal? fully? VALUE', (setting, value) => settingTo(setting!, value!), 0.95),
  rule('MISSING', is('found', 'state')),
  rule('NUM of them MISSING', (n, state) => ({ is: 'found', state, count: Number(n) }), 0.8),
  rule('MISSING NUM KIND', (state, n, k) => ({ is: 'found', state, count: Number(n), kind: k!.replace('*', '') }), 0.9),
  rule(
    'KIND MISSING on? PLACE? NUM?',
    (k, state, where, n) => ({
      is: 'found',
      state,
      kind: k!.replace('*', ''),
      ...(where && { where }),
      ...(n && { count: Number(n) }),
    }),
    0.9,
  ),
  rule('test the? PNAME PLUG? now?', (name, noun) => ({ is: 'test', what: named(name!, noun ?? '') }), 0.8),
  rule(
    'tell FACET system? by NUM? PART',
    (when, n, part) => ({ is: 'tell', when, by: n === null ? part : `${n} ${part}s` }),
    0.8,
  ),
  rule(
    'LAY? a? CLOTH over PART and LAY PART on it',
    (_l, _c, _p, _y, part) => ({ is: 'rests', how: 'on a cloth', part }),
    0.8,
  ),
  rule('NUM KIND MISSING', (n, k, state) => ({ is: 'found', state, count: Number(n), kind: k!.replace('*', '') }), 0.9),
  rule(
    'NUM KIND MISSING AT? PLACE LR',
    (n, k, state, _, place, side) => ({
      is: 'found',
      state,
      count: Number(n),
      kind: k!.replace('*', ''),
      where: `${place} ${side}`,
    }),
    0.9,
  ),
  rule('replace/change any/all? MISSING? KIND', () => ({ is: 'nothing' }), 0.7),
  rule(
    'NUM KIND DRIVE NUM MISSING',
    (n, k, _d, _n, state) => ({ is: 'found', state, count: Number(n), kind: k!.replace('*', '') }),
    0.85,
  ),
  rule(
    'NUM SIZE KIND MISSING',
    (n, _, k, state) => ({ is: 'found', state, count: Number(n), kind: k!.replace('*', '') }),
    0.85,
  ),
  rule('NUM MISSING', (n, state) => ({ is: 'found', state, count: Number(n) }), 0.9),
  rule('IF FACET', (_, facet) => ({ is: 'when', when: facet })),
  rule(
    'FACET',
    (facet) =>
      facet === 'early' || facet === 'late' || facet === 'full' ? null : { is: 'when', when: facet, bare: true },
    1.3,
  ),
  rule('FACET :', (facet) => ({ is: 'when', when: facet }), 0.9),
  rule('MIRRORED', is('mirrored')),
  rule('support PART', (part) => ({ is: 'caution', what: 'support the lid', part }), 0.9),
  rule('CAUTION BEHIND?', (what) => ({ is: 'caution', what, bare: true }), 1.1),
  rule('watch/mind/careful out? for/of/with? paint', () => ({ is: 'caution', what: 'paint' }), 0.9),
  rule('mind/careful with? CAUTION', (what) => ({ is: 'caution', what }), 0.9),
  rule('CAUTION behind PART', (what, part) => ({ is: 'caution', what, part }), 0.85),
  rule('PART CAUTION', (part, what) => ({ is: 'caution', what, part }), 0.95),
  rule(
    'PART hides CAUTION',
    (part, what) => [
      { is: 'part', part },
      { is: 'caution', what },
    ],
    0.9,
  ),
  rule('wait NUM MIN', (n) => ({ is: 'wait', minutes: Number(n) })),
  rule('NUM MIN', (n) => ({ is: 'wait', minutes: Number(n) })),
  rule('TAKEBACK', is('take back')),
]
