import { env } from '@/server/env'
import { WheelTag } from '@/ui/paper/WheelTag'
import { jobData } from '../jobData'
import { dateWords } from '@/words/dates'

export const metadata = { title: 'Wheel tag' }

export default async function TagPage({ params }: { params: Promise<{ jobId: string }> }) {
  const data = await jobData((await params).jobId)
  return (
    <WheelTag
      data={data}
      origin={env().ISTRUZIONE_ORIGIN}
      printedAt={dateWords(new Date(), 'printed', data.house.timeZone)}
    />
  )
}
