import { stepsInHand } from '@/core/job/workSteps'
import type { View } from '@/core/procedure/view'
import { leadTaskOf } from '@/core/shop/leadTask'
import type { WorkItem } from '@/core/shop/workItem'
import type { WorkStep } from '@/core/shop/workStep'
import { leadViewOf } from '../map/LeadPicture'
import type { DrawnRun } from '../map/WayChannels'
import { leadLetter } from '../marks/leadLetter'
import type { PlannedJob } from './useJob'

/** The lead that a piece of work lays, as it is drawn: its run, and the leg in hand; null where no view has it. */
export function leadDrawn(
  job: PlannedJob,
  work: WorkItem,
): { view: View; run: DrawnRun; now: WorkStep | undefined } | null {
  if (leadTaskOf(work.id) !== 'lay') return null
  const kits = (job.request?.kits ?? []).map(({ kit }) => kit)
  const leads = kits.flatMap((kit) => kit.leads)
  const index = leads.findIndex(({ id }) => work.id.startsWith(`lay.${id}.`))
  const lead = leads[index]
  const now = stepsInHand(job.state, work)?.first
  const view = leadViewOf(job.document, work.steps, now)
  if (!lead || !view) return null
  const all = kits.flatMap((kit) => kit.works).filter(({ id }) => id.startsWith(`lay.${lead.id}.`))
  const wayIds = all.flatMap(({ steps }) => steps.flatMap(({ wayId }) => wayId ?? []))
  return { view, now, run: { letter: leadLetter(index), kind: lead.class, wayIds } }
}
