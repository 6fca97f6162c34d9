import { DeskPage } from '@/app/DeskPage'
import { listProcedures } from '@/server/procedures'
import { requireCrew } from '@/server/session'
import { holderWords, ownerWords } from '@/words/items'
import { ProcedureList } from './ProcedureList'
import { dateWords } from '@/words/dates'

export const metadata = { title: 'Procedures' }

export default async function ProceduresPage() {
  const crew = await requireCrew()
  const rows = (await listProcedures(crew)).map(({ document, publishedAt, ...row }) => ({
    id: row.id,
    name: row.name,
    revision: row.revision,
    hasDraft: row.hasDraft,
    jobs: row.jobs,
    published: publishedAt ? dateWords(publishedAt, 'year', crew.house.timeZone) : '',
    counts: {
      parts: document.parts.length,
      fasteners: document.holders.reduce((sum, holder) => sum + holder.count, 0),
      plugs: document.tethers.length,
    },
    builds: document.facets.map(
      (facet) => `${facet.name.toLowerCase()}: ${facet.choices.map((choice) => choice.name).join(', ')}`,
    ),
    words: [
      ...document.synonyms.map((word) => ({ word, of: 'also called' })),
      ...document.parts.flatMap((part) => [
        { word: part.name, of: 'part' },
        ...part.synonyms.map((word) => ({ word, of: part.name })),
      ]),
      ...document.tethers.map((tether) => ({ word: tether.name, of: `plug of ${ownerWords(document, tether)}` })),
      ...document.holders.map((holder) => ({ word: holderWords(holder), of: ownerWords(document, holder) })),
      ...document.cavities.map((cavity) => ({ word: cavity.name, of: 'cavity' })),
      ...[document.note, ...document.parts.map((part) => part.note), ...document.needs.map((need) => need.note)]
        .filter(Boolean)
        .map((word) => ({ word, of: 'note' })),
    ],
  }))
  return (
    <DeskPage crew={crew} at="/procedures">
      <ProcedureList rows={rows} />
    </DeskPage>
  )
}
