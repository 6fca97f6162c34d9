'use client'
import { sharedTrays } from '@/core/plan/show/trays'
import type { Holder } from '@/core/procedure/holder'
import { ScrewDrawing } from '../marks/ScrewDrawing'
import { isPlanned, type JobData } from '../job/useJob'
import { useAnyJob } from '../job/useAnyJob'
import { FastenerMark, shapeOf } from '../marks/FastenerMark'
import { Tape } from '../marks/Tape'
import { holderKindWords, itemWords, threadWords } from '@/words/items'
import { PaperHead } from './PaperHead'
import { PaperPage } from './PaperPage'
import { QrCode } from './QrCode'

/**
 * The labels of a job's trays on A4: what lies in each, drawn 1:1, what never lies with it, and a code that opens its
 * card.
 */
export function TrayLabels({
  data,
  origin,
  shopName,
  acting,
  printedAt,
}: {
  data: JobData
  origin: string
  shopName: string
  acting: string
  printedAt: string
}) {
  const job = useAnyJob(data)
  if (!isPlanned(job))
    return (
      <PaperPage title="Tray labels" hint="" back={`/jobs/${data.id}`} size="A4">
        <p className="p-10">Nothing is planned yet, so no tray is needed.</p>
      </PaperPage>
    )
  const { trays, fewest } = sharedTrays(job.plan)
  const holder = (id: string) => job.document.holders.find((item) => item.id === id)!
  const partOf = (id: string) =>
    job.plan.wayIn.flatMap((card) => card.steps).find(({ operation }) => operation.itemId === id)?.operation.partId ??
    holder(id).holds[0] ??
    null
  const count = trays.reduce((sum, tray) => sum + tray.holderIds.reduce((s, id) => s + holder(id).count, 0), 0)
  const bags = job.plan.wayIn.flatMap((card) =>
    card.partId && card.steps.some(({ operation }) => operation.act === 'lift') ? [card.partId] : [],
  )
  return (
    <PaperPage
      title="Tray labels"
      hint="On plain paper or tape. Cut along the dashes."
      back={`/jobs/${data.id}`}
      size="A4"
    >
      <article className="w-[190mm] text-[13px]" aria-label="Tray labels">
        <PaperHead
          title="Tray labels"
          of={`${data.vehicle.label}, ${data.title}`}
          shopName={shopName}
          stood={`printed ${printedAt}, ${acting}`}
        />
        {trays.length === 0 && (
          <p className="border-y border-dashed border-current py-8 text-lg">
            Nothing of this job lies in a tray: its fasteners stay on their panels.
          </p>
        )}
        <ul className="grid grid-cols-2 border-l border-t border-dashed border-[#172023]">
          {trays.map((tray) => (
            <li
              key={tray.label}
              className="min-h-[50mm] break-inside-avoid border-b border-r border-dashed border-[#172023] p-3"
              data-tray={tray.label}
            >
              <div className="flex items-start gap-3">
                <span className="tape-print">
                  <Tape label={tray.label} size="l" />
                </span>
                <ul className="min-w-0 flex-1 space-y-2">
                  {tray.holderIds.map((id) => (
                    <Group
                      key={id}
                      holder={holder(id)}
                      where={partOf(id) ? itemWords(job.document, partOf(id)!) : ''}
                    />
                  ))}
                </ul>
                <QrCode
                  text={`${origin}/jobs/${data.id}?card=${encodeURIComponent(partOf(tray.holderIds[0]!) ?? '')}`}
                  sizeMm={24}
                  label={`Code of tray ${tray.label}: opens its card`}
                />
              </div>
              {tray.notWith.length > 0 && (
                <p className="mt-1 flex gap-2">
                  <NotWith labels={tray.notWith} />
                </p>
              )}
            </li>
          ))}
        </ul>
        {bags.length > 0 && (
          <ul
            className="mt-4 flex flex-wrap gap-3 border border-dashed border-[#172023] p-3"
            aria-label="Tape for the panels"
          >
            {bags.map((id) => (
              <li key={id}>
                <Tape label={itemWords(job.document, id).toUpperCase()} size="s" />
              </li>
            ))}
          </ul>
        )}
        <footer className="mt-4 flex items-center gap-4">
          <svg width="20mm" height="4mm" viewBox="0 0 20 4" aria-hidden="true">
            <path d="M0.1 0v4M19.9 0v4M0 2h20" stroke="#172023" strokeWidth="0.2" />
          </svg>
          <p className="flex-1">
            This line measures <b>20 mm</b>. If it does not, print at 100 %: the drawings are 1:1, lay the screw on
            them.
          </p>
          <b>
            {trays.length} {trays.length === 1 ? 'tray' : 'trays'}, {count} fasteners
            {fewest ? '' : ' (sharing not proven to be the fewest)'}
          </b>
        </footer>
      </article>
    </PaperPage>
  )
}

function Group({ holder, where }: { holder: Holder; where: string }) {
  return (
    <li>
      <p className="flex items-center gap-2 text-[17px] font-bold leading-tight">
        <FastenerMark shape={shapeOf(holder)} size={22} /> <span className="num text-[22px]">{holder.count}</span>{' '}
        {holderKindWords(holder)} <span className="num text-[13px]">{threadWords(holder)}</span>
      </p>
      <p className="leading-tight">{where}</p>
      {holder.thread && (
        <ScrewDrawing diameterMm={holder.thread.diameterMm} lengthMm={holder.thread.lengthMm} toScale />
      )}
    </li>
  )
}

function NotWith({ labels }: { labels: readonly string[] }) {
  return (
    <span
      className="inline-block bg-[#172023] py-0.5 pl-3 pr-6 font-bold text-white"
      style={{
        clipPath: 'polygon(0 0, calc(100% - 0.6em) 0, 100% 50%, calc(100% - 0.6em) 100%, 0 100%)',
        printColorAdjust: 'exact',
      }}
    >
      not with {labels.join(', ')}
    </span>
  )
}
