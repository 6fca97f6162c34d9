import { env } from '@/server/env'
import { WheelTag } from '@/ui/paper/WheelTag'
import { printedWords } from '@/words/dates'
import { jobData } from '../jobData'

export const metadata = { title: 'Wheel tag' }

export default async function TagPage({ params }: { params: Promise<{ jobId: string }> }) {
  return (
    <WheelTag
      data={await jobData((await params).jobId)}
      origin={env().ISTRUZIONE_ORIGIN}
      printedAt={printedWords(new Date())}
    />
  )
}
