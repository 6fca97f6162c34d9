import { BENCH } from '../procedure/stations'
import type { WorkItem } from './workItem'

/** Done at the bench, away from the vehicle. */
export function isAtBench(work: Pick<WorkItem, 'station'>): boolean {
  return work.station === BENCH
}
