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
  /** Of a kit: more or fewer are left over than there should be. One too many was not fitted where the log says so. */
  | { kind: 'too many left'; count: number }
  | { kind: 'too few left'; count: number }
  | { kind: 'more back than out'; count: number }
  | { kind: 'pieces'; count: number }
  | { kind: 'lost'; count: number }

/**
 * What a kit adds to an account: what came in the box or from the shelf, and how many its works fit. What is then in
 * hand is left over as expected. `leftOver`: what somebody counted there at the end; null = nobody has.
 */
export type KitCounts = { there: number; wanted: number; leftOver: number | null }

export type AccountResult = { asFound: number; inHand: number; owed: number; standing: number; open: OpenReason[] }

/**
 * Closed when as many stand as are owed, none is in hand (of a kit: as many as it leaves over), the pieces of every
 * broken one are recovered, and what is lost has been searched for and signed: a lost screw may lie in the dash.
 * Formulas: docs/balance.md.
 */
export function settleAccount(c: HolderCounts, kit: KitCounts | null = null): AccountResult {
  const { there, wanted } = kit ?? { there: 0, wanted: 0 }
  const asFound = c.design - c.missing + c.extra
  const inHand = there + c.undone + c.takenNew - c.fastenedOld - c.fittedNew - c.broken - c.lost - c.ended
  const owed = asFound + wanted + c.madeGood - c.retired - c.leftOut
  const standing = asFound - c.undone + c.fastenedOld + c.fittedNew
  const open: OpenReason[] = []
  if (standing < owed) open.push({ kind: 'short', count: owed - standing, loose: Math.max(0, inHand) })
  if (standing > owed || inHand < 0)
    open.push({ kind: 'more back than out', count: Math.max(standing - owed, -inHand) })
  if (standing >= owed) open.push(...leftIn(inHand, kit))
  if (c.piecesRecovered < c.broken) open.push({ kind: 'pieces', count: c.broken - c.piecesRecovered })
  if (c.lost > 0 && !c.searchSigned) open.push({ kind: 'lost', count: c.lost })
  return { asFound, inHand, owed, standing, open }
}

/** What is in hand where all stand: too many or too few of what a kit leaves over, or any that came off. */
function leftIn(inHand: number, kit: KitCounts | null): OpenReason[] {
  if (!kit) return inHand > 0 ? [{ kind: 'in hand', count: inHand }] : []
  const more = (kit.leftOver ?? inHand) - inHand
  if (more === 0) return []
  return [more > 0 ? { kind: 'too many left', count: more } : { kind: 'too few left', count: -more }]
}
