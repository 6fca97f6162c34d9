/**
 * The account of one holder group. Names as in the balance: design D, as found a = D - missing + extra, undone u, taken
 * new from stock s, standing again old f and new n, broken b, lost l, ended otherwise d.
 */
export type HolderCounts = {
  design: number
  missing: number
  extra: number
  undone: number
  takenNew: number
  fastenedOld: number
  fittedNew: number
  broken: number
  piecesRecovered: number
  lost: number
  ended: number
  /** Missing ones made good, part of `fittedNew`. */
  madeGood: number
  /** Started or snug, not yet final: not counted as standing. */
  started: number
  searchSigned: boolean
  /** Undone ones that are not owed back, because what they held ends elsewhere. */
  retired: number
  /** Not put back and not replaced, for a reason that was given. */
  leftOut: number
}

export function openAccount(design: number): HolderCounts {
  return {
    design,
    missing: 0,
    extra: 0,
    undone: 0,
    takenNew: 0,
    fastenedOld: 0,
    fittedNew: 0,
    broken: 0,
    piecesRecovered: 0,
    lost: 0,
    ended: 0,
    madeGood: 0,
    started: 0,
    searchSigned: false,
    retired: 0,
    leftOut: 0,
  }
}

/** Why an account stays open: each is a row with the one act that closes it. */
export type OpenReason =
  | { kind: 'short'; count: number; loose: number }
  | { kind: 'in hand'; count: number }
  | { kind: 'more back than out'; count: number }
  | { kind: 'pieces'; count: number }
  | { kind: 'lost'; count: number }

export type AccountResult = { asFound: number; inHand: number; owed: number; standing: number; open: OpenReason[] }

/**
 * Closed when as many stand as are owed, none is in hand, the pieces of every broken one are recovered, and what is
 * lost has been searched for and signed: a lost screw may lie in the dash. Formulas: docs/balance.md.
 */
export function settleAccount(c: HolderCounts): AccountResult {
  const asFound = c.design - c.missing + c.extra
  const inHand = c.undone + c.takenNew - c.fastenedOld - c.fittedNew - c.broken - c.lost - c.ended
  const owed = asFound + c.madeGood - c.retired - c.leftOut
  const standing = asFound - c.undone + c.fastenedOld + c.fittedNew
  const open: OpenReason[] = []
  if (standing < owed) open.push({ kind: 'short', count: owed - standing, loose: Math.max(0, inHand) })
  if (standing > owed || inHand < 0)
    open.push({ kind: 'more back than out', count: Math.max(standing - owed, -inHand) })
  if (inHand > 0 && standing >= owed) open.push({ kind: 'in hand', count: inHand })
  if (c.piecesRecovered < c.broken) open.push({ kind: 'pieces', count: c.broken - c.piecesRecovered })
  if (c.lost > 0 && !c.searchSigned) open.push({ kind: 'lost', count: c.lost })
  return { asFound, inHand, owed, standing, open }
}
