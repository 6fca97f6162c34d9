'use client'
import { commissioningOf, isCommissioned, type CommissioningRow } from '@/core/job/commissioning'
import { testWithWords } from '@/words/functionWords'
import { workStepWords } from '@/words/workStepWords'
import { useAnyJob } from '../job/useAnyJob'
import type { JobData, LiveJob } from '../job/useJob'
import { PaperHead } from './PaperHead'
import { PaperPage } from './PaperPage'

/** What brings the kits into service, on one page: as it should be, as it stands, and a box for the pencil. */
export function CommissioningList({
  data,
  shopName,
  printedAt,
}: {
  data: JobData
  shopName: string
  printedAt: string
}) {
  const job = useAnyJob(data)
  const rows = commissioningOf(job.state, job.terms)
  const left = rows.filter((row) => !isCommissioned(row)).length
  return (
    <PaperPage
      title="Setting up"
      hint={rows.length === 0 ? '' : left === 0 ? 'All of it is done.' : `${left} of ${rows.length} still to do.`}
      back={`/jobs/${data.id}`}
      size="A4"
    >
      <article className="w-[190mm] text-[14px]" aria-label="Setting up">
        <PaperHead
          title="Setting up"
          of={`${data.vehicle.label}, ${data.title}`}
          shopName={shopName}
          stood={`as it stood ${printedAt}`}
        />
        {rows.length === 0 && (
          <p className="border-y border-current py-6 text-lg">
            Nothing of this job has to be set, taught or started: its tests are on the hand-over.
          </p>
        )}
        <Group title="Set, read back and photographed before it is hidden" rows={rows} of={['module']} job={job} />
        <Group title="Taught, paired and started" rows={rows} of={['step', 'work']} job={job} />
        <Group title="Tried" rows={rows} of={['test']} job={job} />
      </article>
    </PaperPage>
  )
}

function Group({
  title,
  rows,
  of,
  job,
}: {
  title: string
  rows: readonly CommissioningRow[]
  of: readonly CommissioningRow['of'][]
  job: LiveJob
}) {
  const mine = rows.filter((row) => of.includes(row.of))
  if (mine.length === 0) return null
  return (
    <section className="mt-5 break-inside-avoid">
      <h3 className="border-b-2 border-current pb-1 text-lg">{title}</h3>
      <ul>
        {mine.map((row) => {
          const { what, how, stands } = lineOf(row, job)
          const done = isCommissioned(row)
          return (
            <li
              key={`${row.of} ${row.id}`}
              className="grid grid-cols-[7mm_1fr_62mm] items-baseline gap-x-3 border-b border-current/40 py-1.5"
              data-commissioned={done}
            >
              <span
                className="mt-0.5 inline-grid size-[5mm] place-items-center border-2 border-current text-[13px] font-extrabold leading-none"
                role="img"
                aria-label={done ? 'done' : 'to do'}
              >
                {done ? '✓' : ''}
              </span>
              <span>
                <b className="text-[16px]">{what}</b>
                {how && <span className="block">{how}</span>}
              </span>
              <span className="font-semibold">{stands}</span>
            </li>
          )
        })}
      </ul>
    </section>
  )
}

/** A line in words: what, how, and how it stands now. */
function lineOf(row: CommissioningRow, { request }: LiveJob): { what: string; how: string; stands: string } {
  switch (row.of) {
    case 'module': {
      const should = row.expected.length > 0 ? `it should be ${row.expected.join(' or ')}` : 'write down how it stands'
      const photo = row.photographed ? 'photographed' : 'no photo'
      return { what: row.name, how: should, stands: row.value === null ? '' : `${row.value}, ${photo}` }
    }
    case 'step': {
      const kits = (request?.kits ?? []).map(({ kit }) => kit)
      const words = workStepWords(
        {
          parts: kits.flatMap(({ parts }) => parts),
          holders: kits.flatMap(({ holders }) => holders),
          plugs: kits.flatMap(({ plugs }) => plugs),
          settings: kits.flatMap(({ settings }) => settings),
        },
        row.step,
      )
      return { what: words.title, how: [row.work, words.how].filter(Boolean).join(': '), stands: row.reading }
    }
    case 'work':
      return { what: row.name, how: row.unattendedS > 0 ? `takes ${row.unattendedS} s by itself` : '', stands: '' }
    case 'test': {
      const { how, testWith, warmUpS } = row.test
      const warm = warmUpS > 0 ? `give it ${warmUpS} s` : ''
      return {
        what: row.name,
        how: [how, testWithWords(testWith), warm].filter(Boolean).join(', '),
        stands: [row.result ?? '', row.reading].filter(Boolean).join(', '),
      }
    }
  }
}
