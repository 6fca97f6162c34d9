import { DeskPage } from '@/app/DeskPage'
import { requireCrew } from '@/server/session'
import { MarksPage } from '@/ui/marks/MarksPage'

export const metadata = { title: 'Marks' }

export default async function Marks() {
  const crew = await requireCrew()
  return (
    <DeskPage crew={crew} at="/marks">
      <MarksPage />
    </DeskPage>
  )
}
