import { notFound } from 'next/navigation'
import { z } from 'zod'
import { DeskPage } from '@/app/DeskPage'
import { everybody } from '@/server/jobs'
import { readProcedure } from '@/server/procedures'
import { requireCrew } from '@/server/session'
import { may } from '@/server/whoAsks'
import { ProcedureScreen } from '@/ui/procedure/ProcedureScreen'
import { declineAction, editDraftAction, publishAction, settleNoteAction } from '../actions'
import { dateWords } from '@/words/dates'

export const metadata = { title: 'Procedure' }

export default async function ProcedurePage({ params }: { params: Promise<{ procedureId: string }> }) {
  const crew = await requireCrew()
  const { procedureId } = await params
  const view = z.uuid().safeParse(procedureId).success ? await readProcedure(crew, procedureId) : null
  if (!view) notFound()
  return (
    <DeskPage crew={crew} at="/procedures">
      <ProcedureScreen
        data={{
          id: view.id,
          document: view.document,
          problems: view.problems,
          isDraft: view.isDraft,
          revision: view.revision && {
            number: view.revision.number,
            by: view.revision.by,
            publishedWords: dateWords(view.revision.publishedAt, 'year', crew.house.timeZone),
          },
          jobs: view.jobs,
          strips: view.strips,
          stations: crew.house.stations.map((station) => station.name),
          words: crew.words,
          mayPublish: may(crew, 'publish a record'),
          cleanUp: view.cleanUp,
          evidence: view.evidence,
          zone: crew.house.timeZone,
          people: Object.fromEntries((await everybody(crew)).map(({ id, name }) => [id, name])),
        }}
        editDraft={editDraftAction}
        publish={publishAction}
        cleanUpActs={{ settleNote: settleNoteAction, decline: declineAction }}
      />
    </DeskPage>
  )
}
