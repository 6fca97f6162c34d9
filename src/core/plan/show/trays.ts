import type { Id } from '../../base/id'
import { areIdentical, areLookalikes } from '../../procedure/lookalikes'
import type { Holder } from '../../procedure/holder'
import { goesWithPull } from '../../procedure/letsGo'
import type { PlanOnCards } from './planOnCards'

/** A labelled tray and the groups that lie in it. `notWith`: trays whose fasteners a hand could take for these. */
export type Tray = { label: string; holderIds: Id[]; notWith: string[] }

/** The trays of a job. `fewest`: no way of sharing takes fewer; false where the search gave up. */
export type Trays = { trays: Tray[]; fewest: boolean }

/** Identical groups, and the panels with which they go back. */
type Pool = { holders: Holder[]; panels: ReadonlySet<Id> }

const MOST_STEPS = 20_000

/** Clips stay on their panel and captive screws in theirs; everything else lies in a tray. */
export function needsTray(holder: Holder): boolean {
  return (
    !holder.captive && !goesWithPull(holder) && !['slide-on clip nut', 'well nut', 'rivet nut'].includes(holder.kind)
  )
}

export function traysFor(plan: PlanOnCards): Tray[] {
  return sharedTrays(plan).trays
}

/**
 * The fewest trays, labelled A, B, C in the order they are first needed. Identical groups are one pool and lie
 * together, wherever they came from. Pools share a tray only where all of them go back with one panel and none can be
 * taken for another: so what goes back together lies together, and lookalikes never do. Exact up to a number of steps,
 * then first fit.
 */
export function sharedTrays(plan: PlanOnCards): Trays {
  const pools = poolsOf(plan)
  const { trays, fewest } = fewestTrays(
    pools.length,
    (a, b) => clash(pools[a]!, pools[b]!),
    (members) => members.map((i) => pools[i]!.panels).reduce(both).size > 0,
  )
  const labelled = trays.map((members, i) => ({ label: trayLabel(i), members }))
  return {
    fewest,
    trays: labelled.map(({ label, members }) => ({
      label,
      holderIds: members.flatMap((i) => pools[i]!.holders.map((holder) => holder.id)),
      notWith: labelled.flatMap((other) =>
        other.label !== label && other.members.some((a) => members.some((b) => clash(pools[a]!, pools[b]!)))
          ? [other.label]
          : [],
      ),
    })),
  }
}

function poolsOf(plan: PlanOnCards): Pool[] {
  const { model } = plan.removal
  const pools: { holders: Holder[]; panels: Set<Id> }[] = []
  for (const step of plan.wayIn.flatMap((card) => card.steps)) {
    const holder = step.operation.act === 'undo' ? model.holders.get(step.operation.itemId)! : null
    if (!holder || !needsTray(holder)) continue
    const known = pools.find((pool) => areIdentical(pool.holders[0]!, holder))
    const pool = known ?? { holders: [], panels: new Set<Id>() }
    if (!known) pools.push(pool)
    pool.holders.push(holder)
    if (step.operation.partId) pool.panels.add(step.operation.partId)
  }
  return pools
}

const clash = (a: Pool, b: Pool) => areLookalikes(a.holders[0]!, b.holders[0]!)
const both = (a: ReadonlySet<Id>, b: ReadonlySet<Id>) => new Set([...a].filter((id) => b.has(id)))

/** The fewest sets of 0..count-1 in which no two clash and whose members `mayShare`. First members in rising order. */
export function fewestTrays(
  count: number,
  clashes: (a: number, b: number) => boolean,
  mayShare: (members: readonly number[]) => boolean,
): { trays: number[][]; fewest: boolean } {
  let best: number[][] | null = null
  let steps = 0
  const open: number[][] = []
  const place = (item: number): void => {
    if (best && open.length >= best.length) return
    if (item === count) {
      best = open.map((tray) => [...tray])
      return
    }
    for (const tray of open) {
      if (best && ++steps > MOST_STEPS) return
      if (tray.some((other) => clashes(other, item)) || !mayShare([...tray, item])) continue
      tray.push(item)
      place(item + 1)
      tray.pop()
    }
    open.push([item])
    place(item + 1)
    open.pop()
  }
  place(0)
  return { trays: best ?? [], fewest: steps <= MOST_STEPS }
}

function trayLabel(index: number): string {
  const letters = 'ABCDEFGHJKLMNPRSTUVWXYZ'
  return index < letters.length
    ? letters[index]!
    : `${letters[Math.floor(index / letters.length) - 1]}${letters[index % letters.length]}`
}
