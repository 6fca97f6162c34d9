import { env } from '@/server/env'
import { requireCrew } from '@/server/session'
import { TrayLabels } from '@/ui/paper/TrayLabels'
import { jobData } from '../jobData'
import { dateWords } from '@/words/dates'

export const metadata = { title: 'Tray labels' }

export default async function LabelsPage({ params }: { params: Promise<{ jobId: string }> }) {
  const data = await jobData((await params).jobId)
  const crew = await requireCrew()
  return (
    <TrayLabels
      data={data}
      origin={env().ISTRUZIONE_ORIGIN}
      shopName={crew.shopName}
      acting={crew.acting.name}
      printedAt={dateWords(new Date(), 'printed', data.house.timeZone)}
    />
  )
}
