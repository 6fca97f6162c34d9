import type { Id } from '../../base/id'
import type { Operation } from '../../order/operation'
import { actOf } from '../../procedure/acts'
import type { Context, Item } from './orderContext'

/** What follows without set-up, by what a crew expects next: the panel in hand, then the mirror of the way in. */
export function inReadingOrder(context: Context, items: readonly Item[]): Item[] {
  const { start } = context
  const result: Item[] = []
  const turned = new Map<string, number>()
  let run: Operation[] = []
  let { station, tool } = start.standing
  const flush = (next: Operation | null = null) => {
    const before = result.at(-1)
    const panelBefore = before && 'operation' in before ? before.operation.partId : null
    const sorted = sortedRun(context, run, panelBefore, turned)
    // Panel by panel, what is expected next must not make somebody come back to a panel for its screws: the order stays
    // as it was found.
    const changes = (order: readonly Operation[]) =>
      panelChanges([
        ...(before ? [before] : []),
        ...[...order, ...(next ? [next] : [])].map((operation) => ({ operation })),
      ])
    for (const operation of context.sequenced.panelByPanel && changes(sorted) > changes(run) ? run : sorted) {
      turned.set(mirrorName(operation), turned.size)
      result.push({ operation })
    }
    run = []
  }
  for (const item of items) {
    if ('move' in item) {
      flush()
      result.push(item)
      station = item.station
      continue
    }
    const asked = context.asked(item.operation)
    const free = asked.stations[0] === station && (asked.tool === 'hand' || asked.tool === tool)
    const phaseChanges = run.length > 0 && (run[0]!.phase === 'in') !== (item.operation.phase === 'in')
    if (!free || phaseChanges) flush(item.operation)
    run.push(item.operation)
    station = asked.stations[0]!
    if (asked.tool !== 'hand') tool = asked.tool
  }
  flush()
  return result
}

/** How often somebody turns to another panel. What belongs to none is a place of its own; settings are no panel. */
export function panelChanges(items: readonly Item[]): number {
  const panels = items.flatMap((item) => ('operation' in item ? [item.operation.partId ?? item.operation.key] : []))
  return panels.filter((panel, i) => i > 0 && panel !== panels[i - 1]).length
}

function sortedRun(
  { legs, sequenced }: Context,
  run: readonly Operation[],
  panelBefore: Id | null,
  turned: ReadonlyMap<string, number>,
): Operation[] {
  const { number } = sequenced
  const inRun = new Set(run.map((operation) => operation.key))
  const waits = new Map<string, string[]>()
  for (const edge of [...legs.wayIn.edges, ...legs.wayOut.edges])
    if (inRun.has(edge.before) && inRun.has(edge.after))
      waits.set(edge.after, [...(waits.get(edge.after) ?? []), edge.before])
  const wholeOf = new Map(sequenced.wholes.flatMap((whole) => whole.map((i) => [i, whole] as const)))
  const sorted: Operation[] = []
  const done = new Set<string>()
  let panel = panelBefore
  const rank = (operation: Operation, at: number) => [
    operation.partId !== null && operation.partId === panel ? 0 : 1,
    operation.phase === 'in' ? 0 : -(turned.get(mirrorName(operation)) ?? -1),
    at,
  ]
  const take = (operation: Operation) => {
    sorted.push(operation)
    done.add(operation.key)
    panel = operation.partId
  }
  while (sorted.length < run.length) {
    const ready = run.filter(
      (operation) => !done.has(operation.key) && (waits.get(operation.key) ?? []).every((key) => done.has(key)),
    )
    const next = ready
      .map((operation) => ({ operation, rank: rank(operation, run.indexOf(operation)) }))
      .sort((a, b) => compareRanks(a.rank, b.rank))[0]!.operation
    // What is done in one go stays together.
    const whole = wholeOf.get(number.get(next.key)!)
    const members = whole ? run.filter((operation) => whole.includes(number.get(operation.key)!)) : [next]
    for (const member of members) if (!done.has(member.key)) take(member)
  }
  return sorted
}

/** The same name for an act and the act that takes it back; a lead goes through its aperture with its plug. */
function mirrorName(operation: Operation): string {
  return `${actOf(operation.act).pair}:${operation.itemId}`
}

function compareRanks(a: readonly number[], b: readonly number[]): number {
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return a[i]! - b[i]!
  return 0
}
