import { requireCrew } from '@/server/session'
import { CommissioningList } from '@/ui/paper/CommissioningList'
import { dateWords } from '@/words/dates'
import { jobData } from '../jobData'

export const metadata = { title: 'Setting up' }

export default async function CommissioningPage({ params }: { params: Promise<{ jobId: string }> }) {
  const data = await jobData((await params).jobId)
  const { shopName } = await requireCrew()
  return (
    <CommissioningList
      data={data}
      shopName={shopName}
      printedAt={dateWords(new Date(), 'printed', data.house.timeZone)}
    />
  )
}
