import type { Result } from '../../base/result'
import type { DerivedJob } from '../derive/derivedJob'
import type { JobStart } from '../derive/jobStart'
import type { Legs } from '../derive/leg'
import type { SearchStep } from '../../sequence/moves'
import { askedIn, type Context, type Item } from './orderContext'
import { inReadingOrder, panelChanges } from './readingOrder'
import { runThrough, type OrderedSteps, type RefusedOrder } from './runThrough'
import type { SequencedJob } from './sequenceJob'
import { settingsBackSoon } from './settingsBackSoon'

/**
 * The steps of an order as a crew reads them: settings put back as soon as nothing needs them where that costs nothing,
 * what costs the same in the order a crew expects (a panel finished first, the way out mirroring the way in), walking,
 * tool changes and waits with their seconds. Every step is run through the vehicle's state and the rules.
 */
export function orderedSteps(
  job: DerivedJob,
  legs: Legs,
  start: JobStart,
  sequenced: SequencedJob,
  found: readonly SearchStep[],
): Result<OrderedSteps, RefusedOrder> {
  const items = found.map((step): Item =>
    step.kind === 'operation'
      ? { operation: sequenced.operations[step.operation]! }
      : { move: sequenced.acts[step.act]!, station: sequenced.actStations[step.act]! },
  )
  const context: Context = { job, legs, start, sequenced, asked: askedIn(job) }
  const settled = settingsBackSoon(context, items)
  const reading = inReadingOrder(context, settled)
  // Panel by panel, no order is read better that leaves more panels.
  const shown = runThrough(
    context,
    sequenced.panelByPanel && panelChanges(reading) > panelChanges(settled) ? settled : reading,
  )
  if (!shown.ok || shown.value.waitingS === 0) return shown
  // Nor is one read better that waits longer: what it does sooner or later no longer fills the wait.
  return [settled, items]
    .map((other) => runThrough(context, other))
    .reduce((best, other) => (other.ok && best.ok && other.value.waitingS < best.value.waitingS ? other : best), shown)
}
