import type { OpenReason } from '../account'
import type { Happening } from '../event'
import type { KitRow } from '../kitRows'
import type { ClosingAct } from './closingAct'

type Row<A extends KitRow['account']> = Extract<KitRow, { account: A }>

/** What can be said of an open row of a kit's things, the likeliest first. Pure. */
export function kitActs(row: KitRow): ClosingAct[] {
  if (row.account === 'supply') return row.open.flatMap((reason) => supplyActs(row, reason))
  if (row.account === 'plug') {
    const tried: Happening = { kind: 'tried', tetherId: row.id }
    return row.closed
      ? [{ says: 'it is tried', main: true, happenings: [tried] }]
      : [
          { says: 'it is plugged and tried', main: true, happenings: [{ kind: 'closed', tetherId: row.id }, tried] },
          {
            ...{ says: 'it is capped', main: false },
            happenings: [{ kind: 'ended', itemId: row.id, end: 'left open and insulated', count: 1, note: '' }],
          },
        ]
  }
  if (row.account === 'lead') {
    const steps = row.left.map((stepId): Happening => ({
      ...{ kind: 'step done', workId: row.id, stepId, reading: '', note: '' },
    }))
    const done: Happening = { kind: 'work done', workId: row.id, reading: '', note: '' }
    return [{ says: LEAD_SAYS[row.of], main: true, happenings: [...steps, done] }]
  }
  return row.expected.map((value, i) => ({
    ...{ says: 'it is set', value, main: i === 0 },
    happenings: [{ kind: 'adjusted', moduleSettingId: row.id, value, how: 'read back' }],
  }))
}

const LEAD_SAYS: Readonly<Record<Row<'lead'>['of'], ClosingAct['says']>> = {
  ready: 'it is made ready',
  lay: 'it is laid',
  seal: 'it is sealed',
  fuse: 'its fuse is in',
  sight: 'it is laid',
  moves: 'it moves clear',
}

/** So many of a kit's thing are where they belong. */
export function fitted({ id, of }: Pick<Row<'supply'>, 'id' | 'of'>, count: number): Happening {
  return of === 'part'
    ? { kind: 'fitted', itemId: id, count }
    : { kind: 'fastened', holderId: id, count, stage: 'final' }
}

function supplyActs(row: Row<'supply'>, reason: OpenReason): ClosingAct[] {
  const { id } = row
  const { count } = reason
  switch (reason.kind) {
    case 'short': {
      const old = Math.min(count, reason.loose)
      const fresh = count - old
      const fromShelf: Happening = { kind: 'supplied', itemId: id, from: 'stock', count: fresh }
      return [
        ...(old > 0 ? [act('old ones are in', old, true, fitted(row, old)), act('lost', 1, false, lost(id))] : []),
        ...(fresh > 0 ? [act('new ones are in', fresh, old === 0, fromShelf, fitted(row, fresh))] : []),
      ]
    }
    case 'too many left':
      return [
        act('counted again', row.left, true, { kind: 'left over', itemId: id, count: row.left }),
        act('more were in the box', count, false, {
          ...{ kind: 'supplied', itemId: id, from: 'box', count: Math.min(99, row.box + count) },
        }),
      ]
    case 'too few left':
      return [
        act('counted again', row.left, true, { kind: 'left over', itemId: id, count: row.left }),
        act('lost', count, false, { kind: 'lost', holderId: id, count, from: 'vehicle' }),
      ]
    case 'pieces':
      return [act('pieces found', count, true, { kind: 'pieces recovered', holderId: id, count })]
    case 'lost':
      return [
        act('found again', count, false, { kind: 'found again', holderId: id, count }),
        { says: 'searched', main: true, happenings: [] },
      ]
    // The box held more than it was said to.
    case 'in hand':
    case 'more back than out':
      return [
        act('more were in the box', count, true, {
          ...{ kind: 'supplied', itemId: id, from: 'box', count: Math.min(99, row.box + count) },
        }),
      ]
  }
}

const lost = (holderId: string): Happening => ({ kind: 'lost', holderId, count: 1, from: 'vehicle' })

function act(says: ClosingAct['says'], count: number, main: boolean, ...happenings: Happening[]): ClosingAct {
  return { says, count, main, happenings }
}
