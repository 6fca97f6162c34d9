import { changeWhoActs } from '@/app/welcome/actions'
import { CustomerScreen } from '@/ui/job/CustomerScreen'
import { jobData } from '../jobData'

export const metadata = { title: 'With the customer' }

export default async function CustomerPage({ params }: { params: Promise<{ jobId: string }> }) {
  const data = await jobData((await params).jobId)
  return <CustomerScreen key={data.acting.id} data={data} change={changeWhoActs} />
}
