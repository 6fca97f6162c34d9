import { DeskPage } from '@/app/DeskPage'
import { benchWorks, forecastAt } from '@/core/job/benchTime'
import { breakage, figuresOf } from '@/core/job/figures'
import { foldJob } from '@/core/job/fold'
import { termsOf } from '@/core/job/terms'
import { listJobs } from '@/server/jobs'
import { requireCrew } from '@/server/session'
import { may } from '@/server/whoAsks'
import { FiguresScreen } from '@/ui/figures/FiguresScreen'
import { dateWords } from '@/words/dates'

export const metadata = { title: 'Figures' }

export default async function FiguresPage() {
  const crew = await requireCrew()
  const jobs = may(crew, 'see figures of jobs')
    ? [...(await listJobs(crew, 'handed over')), ...(await listJobs(crew, 'open'))]
    : []
  const all = jobs
    .filter((job) => job.events.length > 0)
    .map((job) => {
      const state = foldJob(job.document, job.events)
      return {
        job,
        figures: figuresOf(
          job.document,
          state,
          termsOf(job.document, job.request, state),
          job.found && job.request && forecastAt(job.request, job.found),
          benchWorks(job.request),
        ),
      }
    })
  return (
    <DeskPage crew={crew} at="/figures">
      <FiguresScreen
        isLead={may(crew, 'see figures of jobs')}
        jobs={all.map(({ job, figures: { brokenByGroup: _, ...figures } }) => ({
          ...figures,
          id: job.id,
          label: job.vehicle.label,
          title: job.title,
          kind: job.kind,
          doneWords: job.handedOverAt && dateWords(job.handedOverAt, 'day', crew.house.timeZone),
        }))}
        breakage={breakage(all.map(({ figures }) => figures))}
      />
    </DeskPage>
  )
}
