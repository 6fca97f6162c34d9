import { changeWhoActs } from '@/app/welcome/actions'
import { JobScreen } from '@/ui/job/JobScreen'
import { jobData } from './jobData'

export const metadata = { title: 'Job' }

/** `card`: the part whose tray label was scanned. */
export default async function JobPage({
  params,
  searchParams,
}: {
  params: Promise<{ jobId: string }>
  searchParams: Promise<{ card?: string }>
}) {
  const data = await jobData((await params).jobId)
  const { card } = await searchParams
  return (
    <JobScreen
      key={data.acting.id}
      data={data}
      change={changeWhoActs}
      cardId={typeof card === 'string' ? card : null}
    />
  )
}
