import { changeWhoActs } from '@/app/welcome/actions'
import { JobScreen } from '@/ui/job/JobScreen'
import { jobData } from './jobData'

export const metadata = { title: 'Job' }

export default async function JobPage({ params }: { params: Promise<{ jobId: string }> }) {
  const data = await jobData((await params).jobId)
  return <JobScreen key={data.acting.id} data={data} change={changeWhoActs} />
}
