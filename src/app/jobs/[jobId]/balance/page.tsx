import { changeWhoActs } from '@/app/welcome/actions'
import { BalanceScreen } from '@/ui/job/BalanceScreen'
import { jobData } from '../jobData'

export const metadata = { title: 'Balance' }

export default async function BalancePage({ params }: { params: Promise<{ jobId: string }> }) {
  const data = await jobData((await params).jobId)
  return <BalanceScreen key={data.acting.id} data={data} change={changeWhoActs} />
}
