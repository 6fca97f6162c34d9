import { changeWhoActs } from '@/app/welcome/actions'
import { procedureOfJob } from '@/server/jobs'
import { listKits } from '@/server/kits'
import { listProcedures } from '@/server/procedures'
import { requireCrew } from '@/server/session'
import { usualFasteners } from '@/core/strip/likeliest'
import { notFound } from 'next/navigation'
import { RecordScreen } from '@/ui/record/RecordScreen'
import { jobData } from '../jobData'

export const metadata = { title: 'Record' }

export default async function RecordPage({ params }: { params: Promise<{ jobId: string }> }) {
  const crew = await requireCrew()
  const data = await jobData((await params).jobId)
  if (data.kind !== 'strip') notFound()
  const procedureId = await procedureOfJob(crew, data.id)
  const kits = (await listKits(crew)).map(({ kit }) => kit)
  const usual = usualFasteners((await listProcedures(crew)).map((row) => row.document))
  return <RecordScreen key={data.acting.id} data={{ ...data, usual, procedureId, kits }} change={changeWhoActs} />
}
