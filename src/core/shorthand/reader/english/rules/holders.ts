import type { Rule, Said } from '../../sense'
import { ONE } from '../numbers'
import { count, driveNumber, is, kind, rule, sized } from './making'

/** Fasteners: how many, of what kind, with what head, where. */
export const HOLDERS: readonly Rule[] = [
  rule('NUM', (n) => count(n)),
  rule('NUM x', (n) => count(n)),
  rule('KIND x NUM', (value, n) => [kind(value!), count(n!)], 0.9),
  rule('SIZE x NUM', (size, n) => [sized(size!), count(n!)], 0.9),
  rule('NUM MM x NUM', (size, _, n) => [{ is: 'drive', drive: 'hex', size }, count(n!)], 0.9),
  rule('NUM or ABOUT NUM', (_, _a, n) => count(n!, true), 0.9),
  rule('in/out/up/down/only/by NUM MM', () => ({ is: 'nothing' }), 0.95),
  rule('another', () => count(ONE), 1.05),
  rule('FIRST', () => ({ is: 'stray first' }), 1.3),
  rule('NUM of them', (n) => ({ ...count(n), ofThem: true })),
  // Some of those there are: how many there are was said, or will be.
  rule('NUM of KIND', (n) => (n === ONE ? { is: 'reason' } : null), 0.85),
  rule('order/bring/buy/fetch/replace NUM', () => ({ is: 'nothing' }), 0.7),
  rule(
    'once/when/after NUM SIZE? KIND out/off/undone/removed',
    (n, size, value) => [count(n!), ...(size === null ? [] : [sized(size!)]), kind(value!)],
    0.7,
  ),
  rule('another one', () => count(ONE), 1.05),
  rule('NUM of NUM KIND', (n, all, value) => [count(n === ONE ? all : null), kind(value!)], 0.9),
  rule('ABOUT NUM', (_, n) => count(n, true)),
  rule('NUM SIZE ?', (n, size) => [count(n!, true), sized(size!)], 0.9),
  rule('NUM KIND ?', (n, value) => [count(n!, true), kind(value!)], 0.9),
  rule('NUM ?', (n) => count(n, true)),
  rule('NUM or NUM', (n) => count(n, true)),
  rule('UNSURE', () => ({ is: 'unsure' }), 1.2),
  rule('VAGUE', () => count(null)),
  rule('size NUM', (n) => ({ is: 'size', n }), 0.9),
  rule(
    'NUM long/longer/short/shorter ones? AT? PLACE',
    (n, _, where) => ({ is: 'some', count: Number(n), where }),
    0.8,
  ),
  rule(
    'PLACE NUM BEHIND PART',
    (where, n, _, part) => [
      { is: 'some', count: Number(n), where },
      { is: 'behind', part },
    ],
    0.8,
  ),
  rule('NUM PLACE ones? long/longer/short/shorter', (n, where) => ({ is: 'some', count: Number(n), where }), 0.8),
  rule('a? ORDINAL KIND', (_, value) => [count('1'), kind(value!)], 0.9),
  ...['below', 'above'].map((where) =>
    rule(`NUM long/longer/short/shorter ones? ${where}`, (n) => ({ is: 'some', count: Number(n), where }), 0.8),
  ),
  // "1 nut 13": of what is turned with a spanner the second number is its head.
  rule(
    'NUM KIND NUM',
    (n, value, size) =>
      /^(?:nut|bolt)\*?$/.test(value!) && Number(size) > 4 && Number(size) < 30
        ? [count(n), kind(value), { is: 'drive', drive: 'hex', size }]
        : null,
    0.85,
  ),
  rule(
    'KIND stays/stay in PART',
    (value, part) => (/screw|bolt/.test(value!) ? [kind(value), { is: 'captive' }, { is: 'on', part }] : null),
    0.75,
  ),
  rule('KIND number NUM', (value) => [count('1'), kind(value)], 0.8),
  rule('long/longer/short/shorter one AT? PLACE', (_, where) => ({ is: 'some', count: 1, where }), 0.8),
  rule('NUM UNIT', () => ({ is: 'nothing' }), 0.9),
  rule('NUM LEAD', (n) => ({ is: 'plugs', count: Number(n) }), 0.9),
  rule('LEAD NUM', () => ({ is: 'nothing' }), 0.9),
  rule('a NUM MM', (n) => [count('1'), { is: 'drive', drive: 'hex', size: n }], 0.9),
  rule('NUM MM longer/shorter', (n) => ({ is: 'told', tell: `${n} mm longer` }), 0.9),
  rule('PLACE row', (place) => ({ is: 'where', where: `${place} row` }), 0.9),
  rule('may have a? DRIVE NUM?', (drive, n) => ({ ...(driveNumber(drive ?? null, n ?? null) as Said), is: 'or' }), 0.8),
  rule('may have a? SIZE', (size) => ({ ...sized(size!), is: 'or' }), 0.8),
  rule(
    'NUM of them is a? KIND so NUM and NUM',
    (_, value, n, m) => ({ is: 'split', kind: value!.replace('*', ''), counts: [n, m] }),
    0.5,
  ),
  rule('NUM quarter turn', (n) => [count(n), { is: 'kind', kind: 'quarter-turn', several: true }], 0.9),
  rule(
    'for/fore SIZE',
    (size) => [{ is: 'heard', meant: '4' }, { is: 'count', count: null, unsure: false, heard: true }, sized(size!)],
    0.9,
  ),
  rule(
    'to/too SIZE',
    (size) => [{ is: 'heard', meant: '2' }, { is: 'count', count: null, unsure: false, heard: true }, sized(size!)],
    0.9,
  ),
  rule(
    'tea/tee NUM',
    (n) => [
      { is: 'heard', meant: `T${n}` },
      { is: 'drive', drive: 'six-lobe', size: null, heard: true },
    ],
    0.9,
  ),
  rule(
    'sealing strip',
    () => [
      { is: 'heard', meant: 'ceiling' },
      { is: 'part', part: 'seal' },
    ],
    0.8,
  ),
  rule(
    'ceiling',
    () => [
      { is: 'heard', meant: 'seal' },
      { is: 'part', part: 'headliner' },
    ],
    0.8,
  ),
  rule('NUM click/clicks', (n) => [count(n!), { is: 'heard', meant: 'clip' }], 0.8),
  rule('push pen', () => ({ is: 'heard', meant: 'push-pin' }), 0.8),
  rule('radiator', () => ({ is: 'heard', meant: 'radio' }), 0.8),
  rule('try tool', () => ({ is: 'heard', meant: 'pry tool' }), 0.9),
  rule('KIND', kind),
  rule('SIZE', sized),
  rule('t NUM', (n) => sized(`T${Number(n)}`)),
  rule('t PLURAL_NUM', (n) => [sized(`T${n}`)]),
  rule('ph NUM', (n) => sized(`PH${Number(n)}`)),
  rule('DRIVE NUMBERED? NUM MM?', (drive, _, n) => driveNumber(drive ?? null, n ?? null), 0.9),
  rule(
    'DRIVE KIND NUM',
    (drive, value, n) => {
      const isSize = !value!.endsWith('*') && drive !== 'slot'
      return [driveNumber(drive!, isSize ? n! : null) as Said, kind(value!), ...(isSize ? [] : [count(n!)])]
    },
    0.85,
  ),
  rule('NUM MM DRIVE', (n, _, drive) => driveNumber(drive ?? null, n ?? null), 0.85),
  rule('or ABOUT? NUM', (_, n) => ({ is: 'or size', n }), 0.9),
  rule('or SIZE', (size) => ({ ...sized(size!), is: 'or' }), 0.9),
  rule('DRIVE', (drive) => driveNumber(drive ?? null, null)),
  rule('NUM MM', (size) => ({ is: 'drive', drive: 'hex', size })),
  rule('head NUM', (n) => ({ is: 'drive', drive: 'hex', size: n }), 0.95),
  rule('NUM MM head', (n) => ({ is: 'drive', drive: 'hex', size: n })),
  rule('NUM MM spanner/socket', (n) => ({ is: 'spanner', size: n }), 0.9),
  rule('clip/clips together', () => ({ is: 'kind', kind: 'spring clip', several: true }), 0.9),
  rule('PLACE KIND', (where, value) => [kind(value!), { is: 'where', where }], 0.95),
  rule('PLACE NUM KIND', (where, n, value) => [count(n!), kind(value!), { is: 'where', where }], 0.95),
  rule('LR KIND', (_, value) => [kind(value!), { is: 'where', ask: 'whose left' }], 0.95),
  rule('FRACTION_NUM inch?', (size) => ({ is: 'drive', drive: 'hex', size: `${size} in` })),
  rule('DRIVE FRACTION_NUM', (drive, size) => ({ is: 'drive', drive, size: `${size} in` })),
  rule('THREAD', is('thread', 'thread')),
  rule('METRIC x/by NUM', (metric, n) => ({ is: 'thread', thread: `${metric}x${n}` })),
  rule('METRIC', is('thread', 'thread'), 1.2),
  rule(
    'up to NUM NM',
    (n, each) => ({ is: 'torque', torqueNm: Math.round(Number(n) * Number(each) * 100) / 100 }),
    0.9,
  ),
  rule('NUM NM', (n, each) => ({ is: 'torque', torqueNm: Math.round(Number(n) * Number(each) * 100) / 100 })),
  rule('DECIMAL NM', (n, each) => ({ is: 'torque', torqueNm: Math.round(Number(n) * Number(each) * 100) / 100 })),
  rule('NUM EACH', (n, where) => ({ is: 'each', count: Number(n), where })),
  rule('EACH', (where) => ({ is: 'each', count: null, where })),
  rule('CAPTIVE', is('captive')),
  rule('FEEL', is('feel')),
  rule('SINGLE', is('single use')),
  rule('WASHER', is('stack', 'stack')),
]
