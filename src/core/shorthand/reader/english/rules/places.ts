import type { Rule, Said } from '../../sense'
import { corner, count, kind, rule } from './making'

/** So many here and so many there. */
const shared = (a: string, there: string, b: string, here: string): Said => ({
  is: 'shared',
  parts: [
    [a, there],
    [b, here],
  ],
})

/** Where something is. */
export const PLACES: readonly Rule[] = [
  ...['between PART and PART', 'between PART and NEW', 'between NEW and PART'].map((pattern) =>
    rule(pattern, (a, b) => ({ is: 'where', where: `between ${a} and ${b}` }), 0.8),
  ),
  ...['NUM KIND up and NUM KIND? down', 'NUM KIND up , NUM KIND? down'].map((pattern) =>
    rule(
      pattern,
      (n, value, m) => [count(String(Number(n) + Number(m))), kind(value), shared(n!, 'top', m!, 'bottom')],
      0.9,
    ),
  ),
  rule('PLACE NUM has/have', () => ({ is: 'reason' }), 0.7),
  rule('AT PLACE of PART', (_, place, part) => ({ is: 'on', part, place, within: `${place} of the ${part}` }), 0.95),
  rule('PLACE', (where) => ({ is: 'where', where }), 1.05),
  rule('AT PLACE EDGE?', (_, where, edge) => ({ is: 'where', where, placed: true, edge: edge !== null }), 1.04),
  rule('AT? PLACE LR EDGE?', (_, place, side) => ({ is: 'where', where: corner(place!, side!) })),
  rule('AT? SIDE', (_, where) => ({ is: 'where', where }), 1.02),
  rule('AT? LR EDGE?', (_, side) => ({ is: 'where', where: side, ask: 'whose left' }), 1.05),
  rule('NUM LR NUM LR', (n, _, m) => (n === m ? { is: 'each', count: Number(n), where: 'each side' } : null), 0.9),
  rule(
    'NUM AT LR NUM AT LR',
    (n, _a, _l, m) => (n === m ? { is: 'each', count: Number(n), where: 'each side' } : null),
    0.9,
  ),
  rule(
    'NUM AT LR and NUM AT LR',
    (n, _a, _l, m) => (n === m ? { is: 'each', count: Number(n), where: 'each side' } : null),
    0.9,
  ),
  ...['NUM PLACE NUM PLACE', 'NUM PLACE and NUM PLACE', 'NUM PLACE , NUM PLACE'].map((pattern) =>
    rule(pattern, (a, p, b, q) => shared(a!, p!, b!, q!), 0.9),
  ),
  ...['NUM AT PLACE NUM AT PLACE', 'NUM AT PLACE and NUM AT PLACE', 'NUM AT PLACE , NUM AT PLACE'].map((pattern) =>
    rule(pattern, (a, _, p, b, _at, q) => shared(a!, p!, b!, q!), 0.85),
  ),
]
