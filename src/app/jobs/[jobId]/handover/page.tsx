import { changeWhoActs } from '@/app/welcome/actions'
import { HandoverScreen } from '@/ui/job/HandoverScreen'
import { handOver } from '../actions'
import { jobData } from '../jobData'

export const metadata = { title: 'Hand-over' }

export default async function HandoverPage({ params }: { params: Promise<{ jobId: string }> }) {
  const data = await jobData((await params).jobId)
  return <HandoverScreen key={data.acting.id} data={data} change={changeWhoActs} handOver={handOver} />
}
