import { accountIn, type Slice } from './slice'

/** Fasteners: what came off, went back, broke, was lost, ordered, left out; strays; what ends otherwise. */
export const holders: Slice<
  | 'as found'
  | 'undone'
  | 'fastened'
  | 'new fitted'
  | 'broken'
  | 'pieces recovered'
  | 'lost'
  | 'found again'
  | 'search signed'
  | 'left out'
  | 'ordered'
  | 'arrived'
  | 'stray found'
  | 'stray settled'
  | 'ended'
> = {
  'as found': ({ state }, what) => {
    accountIn(state, what.holderId)[what.what] += what.count
  },
  undone: ({ state }, what) => {
    const account = accountIn(state, what.holderId)
    account.undone += what.count
    if (state.uncounted.has(what.holderId)) account.design = account.undone
  },
  fastened: ({ state }, what) => {
    const account = accountIn(state, what.holderId)
    if (what.stage === 'final') account.fastenedOld += what.count
    else account.started += what.count
  },
  'new fitted': ({ state }, what) => {
    const account = accountIn(state, what.holderId)
    account.takenNew += what.count
    account.fittedNew += what.count
    if (what.insteadOf === 'missing') account.madeGood += what.count
  },
  broken: ({ state }, what) => {
    const account = accountIn(state, what.holderId)
    account.broken += what.count
    if (what.wasFitted === 'old') account.fastenedOld -= what.count
    if (what.wasFitted === 'new') account.fittedNew -= what.count
  },
  'pieces recovered': ({ state }, what) => {
    accountIn(state, what.holderId).piecesRecovered += what.count
  },
  lost: ({ state }, what) => {
    const account = accountIn(state, what.holderId)
    account.lost += what.count
    if (what.from === 'stock') account.takenNew += what.count
    // A search that was signed for covers what was lost before it, not this one.
    account.searchSigned = false
  },
  'found again': ({ state }, what) => {
    accountIn(state, what.holderId).lost -= what.count
  },
  'search signed': ({ state }, what) => {
    accountIn(state, what.holderId).searchSigned = true
  },
  'left out': ({ state, event }, { holderId, count, reason }) => {
    accountIn(state, holderId).leftOut += count
    state.leftOut.push({ holderId, count, reason, personId: event.personId })
  },
  ordered: ({ state }, what) => await_(state.awaited, what.holderId, what.count),
  arrived: ({ state }, what) => await_(state.awaited, what.holderId, -what.count),
  'stray found': ({ state }, { strayId, head, where }) => {
    state.strays.set(strayId, { strayId, head, where, settled: false })
  },
  'stray settled': ({ state }, what) => {
    const stray = state.strays.get(what.strayId)
    if (stray) state.strays.set(what.strayId, { ...stray, settled: true })
    // It belongs to a group the log called complete: that one was counted in by mistake and lies in hand.
    if (what.holderId && state.holders.has(what.holderId)) accountIn(state, what.holderId).fastenedOld -= 1
  },
  ended: ({ state }, what) => {
    if (state.holders.has(what.itemId)) accountIn(state, what.itemId).ended += what.count
    else state.ends.set(what.itemId, { end: what.end, note: what.note })
  },
}

/** So many more, or fewer, are waited for. */
function await_(awaited: Map<string, number>, holderId: string, more: number): void {
  const left = (awaited.get(holderId) ?? 0) + more
  if (left > 0) awaited.set(holderId, left)
  else awaited.delete(holderId)
}
