import type { ProcedureDocument } from './document'
import type { Need } from './need'

type Dependent = Need['dependent']
type Needed = Need['needs']

/** Everything that can be made to wait, in the order a list shows it: the way in, settings, the way back, tests. */
export function waitChoices(document: ProcedureDocument): Dependent[] {
  const { parts, holders, tethers, settings, functions } = document
  const of = (items: readonly { id: string }[], ...acts: Dependent['act'][]) =>
    items.flatMap(({ id }) => acts.map((act): Dependent => ({ act, id })))
  return [
    ...of(holders, 'undo'),
    ...of(parts, 'release', 'lift'),
    ...of(tethers, 'open'),
    ...of(
      settings.flatMap((setting) => setting.methods),
      'method',
    ),
    ...of(parts, 'place', 'seat'),
    ...of(tethers, 'close'),
    ...of(
      parts.filter((part) => part.ease),
      'ease',
    ),
    ...of(functions, 'test'),
    ...of(holders, 'fasten'),
  ]
}

/** Everything that can be waited for. A part can be wanted eased only where the record says how it is eased. */
export function needChoices(document: ProcedureDocument): Needed[] {
  const { parts, settings, tethers } = document
  return [
    ...parts.flatMap(({ id, ease }) =>
      (ease ? (['off', 'free', 'eased'] as const) : (['off', 'free'] as const)).map((level): Needed => ({
        kind: 'part',
        partId: id,
        level,
      })),
    ),
    ...settings.flatMap(({ id, values }) => values.map((value): Needed => ({ kind: 'setting', settingId: id, value }))),
    ...tethers.flatMap(({ id }) =>
      (['open', 'closed'] as const).map((state): Needed => ({ kind: 'tether', tetherId: id, state })),
    ),
    ...[...new Set(parts.map((part) => part.station))].map((station): Needed => ({ kind: 'station', station })),
    ...waitChoices(document).map((choice): Needed => ({ kind: 'operation', ...choice })),
  ]
}
