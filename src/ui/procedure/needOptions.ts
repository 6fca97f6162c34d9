import type { ProcedureDocument } from '@/core/procedure/document'
import type { Need } from '@/core/procedure/need'
import { holderWords, itemWords, ownerWords } from '@/words/items'

export type NeedOption<T> = { key: string; words: string; value: T }

/** Everything that can be made to wait, in the words of the trade. */
export function waitOptions(document: ProcedureDocument): NeedOption<Need['dependent']>[] {
  const option = (act: Need['dependent']['act'], id: string, words: string) => ({
    key: `${act}:${id}`,
    words,
    value: { act, id },
  })
  return [
    ...document.holders.map((holder) =>
      option('undo', holder.id, `undo ${holderWords(holder)} of ${ownerWords(document, holder)}`),
    ),
    ...document.parts.flatMap((part) => [
      option('release', part.id, `move ${part.name}`),
      option('lift', part.id, `lift ${part.name} away`),
    ]),
    ...document.tethers.map((tether) => option('open', tether.id, `unplug ${tether.name}`)),
    ...document.settings.flatMap((setting) =>
      setting.methods.map((method) => option('method', method.id, `${setting.name}: ${method.name}`)),
    ),
    ...document.parts.flatMap((part) => [
      option('place', part.id, `way back: place ${part.name}`),
      option('seat', part.id, `way back: push ${part.name} home`),
    ]),
    ...document.tethers.map((tether) => option('close', tether.id, `way back: plug ${tether.name}`)),
    ...document.parts.flatMap((part) => (part.ease ? [option('ease', part.id, `ease ${part.name}`)] : [])),
    ...document.functions.map((item) => option('test', item.id, `test ${item.name}`)),
    ...document.holders.map((holder) =>
      option('fasten', holder.id, `way back: fasten ${holderWords(holder)} of ${ownerWords(document, holder)}`),
    ),
  ]
}

/** Everything that can be waited for. */
export function needOptions(document: ProcedureDocument): NeedOption<Need['needs']>[] {
  return [
    ...document.parts.flatMap((part): NeedOption<Need['needs']>[] =>
      (['off', 'free', ...(part.ease ? (['eased'] as const) : [])] as const).map((level) => ({
        key: `${part.id}=${level}`,
        words: `${part.name} is ${level}`,
        value: { kind: 'part', partId: part.id, level },
      })),
    ),
    ...document.settings.flatMap((setting): NeedOption<Need['needs']>[] =>
      setting.values.map((value) => ({
        key: `${setting.id}=${value}`,
        words: `${setting.name} is ${value}`,
        value: { kind: 'setting', settingId: setting.id, value },
      })),
    ),
    ...document.tethers.flatMap((tether): NeedOption<Need['needs']>[] =>
      (['open', 'closed'] as const).map((state) => ({
        key: `${tether.id}=${state}`,
        words: `plug ${tether.name} is ${state}`,
        value: { kind: 'tether', tetherId: tether.id, state },
      })),
    ),
    ...[...new Set(document.parts.map((part) => part.station))].map((station): NeedOption<Need['needs']> => ({
      key: `at ${station}`,
      words: `nobody else is at the ${station}`,
      value: { kind: 'station', station },
    })),
    ...waitOptions(document).map((option): NeedOption<Need['needs']> => ({
      key: `op ${option.key}`,
      words: `done first: ${option.words}`,
      value: { kind: 'operation', ...option.value },
    })),
  ]
}

/** A need as one readable line: "4 hex 7 of Radio unit waits until Centre surround is off (covers)". */
export function needWords(document: ProcedureDocument, need: Need): { waits: string; until: string } {
  const { act, id } = need.dependent
  const waits =
    waitOptions(document).find((option) => option.key === `${act}:${id}`)?.words ?? 'something no longer in the record'
  const n = need.needs
  const until =
    n.kind === 'part'
      ? `${itemWords(document, n.partId)} is ${n.level}`
      : n.kind === 'setting'
        ? `${itemWords(document, n.settingId)} is ${n.value}`
        : n.kind === 'tether'
          ? `plug ${itemWords(document, n.tetherId)} is ${n.state}`
          : n.kind === 'station'
            ? `nobody else is at the ${n.station}`
            : (waitOptions(document).find((option) => option.key === `${n.act}:${n.id}`)?.words ??
              'something no longer in the record')
  return { waits, until }
}
