import { requireCrew } from '@/server/session'
import { LeadSheet } from '@/ui/paper/LeadSheet'
import { dateWords } from '@/words/dates'
import { jobData } from '../jobData'

export const metadata = { title: 'Run sheet' }

export default async function LeadsPage({ params }: { params: Promise<{ jobId: string }> }) {
  const data = await jobData((await params).jobId)
  const { shopName } = await requireCrew()
  return <LeadSheet data={data} shopName={shopName} printedAt={dateWords(new Date(), 'printed', data.house.timeZone)} />
}
