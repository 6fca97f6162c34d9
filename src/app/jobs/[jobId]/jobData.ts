import { cookies } from 'next/headers'
import { notFound } from 'next/navigation'
import { crewNames, readJob, vehicleOverlay } from '@/server/jobs'
import { shopHasOthers } from '@/server/handOver'
import { requireCrew } from '@/server/session'
import { stockForJob } from '@/server/stock'
import type { JobData } from '@/ui/job/useJob'

const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i

/** What every job screen gets from the server; not found for a job of another shop. */
export async function jobData(jobId: string): Promise<JobData> {
  const crew = await requireCrew()
  const job = UUID.test(jobId) ? await readJob(crew, jobId) : null
  if (!job) notFound()
  const look = (await cookies()).get('look')?.value
  return {
    shopId: crew.shopId,
    id: job.id,
    title: job.title,
    bay: job.bay,
    vehicle: job.vehicle,
    revisionNumber: job.revisionNumber,
    request: job.request,
    found: job.found,
    kind: job.kind,
    base: job.base,
    house: crew.house,
    rules: crew.rules,
    words: crew.words,
    events: job.events,
    stock: await stockForJob(crew, job),
    notUnderstood: job.notUnderstood,
    acting: crew.acting,
    crew: await crewNames(crew),
    handedOver: job.handedOverAt !== null,
    shopHasOthers: await shopHasOthers(crew),
    known: await vehicleOverlay(crew, job.vehicle.id, job.id),
    singleTools: crew.tools.flatMap((tool) => (tool.count === 1 ? [tool.head || tool.name] : [])),
    theme: look === 'desk' ? 'desk' : 'bay',
    readAtMs: Date.now(),
  }
}
