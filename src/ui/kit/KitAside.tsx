import { ArrowUpLeft, Undo2 } from 'lucide-react'
import { checkFit } from '@/core/shop/checkFit'
import { checkKit, refusesKit } from '@/core/shop/checkKit'
import type { Kit } from '@/core/shop/kit'
import { isAtBench } from '@/core/shop/atBench'
import { fitProblemSentence, kitMinutesWords, kitProblemSentence } from '@/words/kitWords'
import { plural } from '@/words/items'
import { moneyWords } from '@/words/money'
import type { KitModel } from './KitFitSection'

/** What the kit comes to, and what is wrong with it, while it is written. */
export function KitAside({
  kit,
  models,
  undo,
  canUndo,
  currency,
}: {
  kit: Kit
  currency: string
  models: readonly KitModel[]
  undo: () => void
  canUndo: boolean
}) {
  const problems = checkKit(kit)
  const fits = kit.fits.flatMap((fit) => {
    const model = models.find(({ procedureId }) => procedureId === fit.procedureId)
    return model ? checkFit(kit, fit, model.document).map((problem) => [model.document.name, problem] as const) : []
  })
  const seconds = (atBench: boolean) =>
    kit.works.filter((work) => isAtBench(work) === atBench).reduce((sum, { durationS }) => sum + durationS, 0)
  const fasteners = kit.holders.reduce((sum, { count }) => sum + count, 0)
  const priced = kit.parts.filter(({ supply }) => supply.priceMinor !== null)
  const total = priced.reduce((sum, { supply, count }) => sum + supply.priceMinor! * count, 0)
  return (
    <aside className="space-y-5 lg:sticky lg:top-4 lg:self-start" aria-label="What it comes to">
      <button type="button" className="desk-button" disabled={!canUndo} onClick={undo}>
        <Undo2 size={16} aria-hidden /> Take back the last change
      </button>
      <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1">
        <dt className="text-second">at the vehicle</dt>
        <dd className="num">{seconds(false) === 0 ? 'nothing' : kitMinutesWords(seconds(false))}</dd>
        <dt className="text-second">at the bench</dt>
        <dd className="num">{seconds(true) === 0 ? 'nothing' : kitMinutesWords(seconds(true))}</dd>
        <dt className="text-second">in the box</dt>
        <dd>
          {kit.parts.length} {plural('part', kit.parts.length)}, {fasteners} {plural('fastener', fasteners)},{' '}
          {kit.plugs.length} {plural('plug', kit.plugs.length)}
        </dd>
        {priced.length > 0 && (
          <>
            <dt className="text-second">parts cost</dt>
            <dd>
              <span className="num">{moneyWords(total, currency)}</span>
              {priced.length < kit.parts.length && `, ${kit.parts.length - priced.length} without a price`}
            </dd>
          </>
        )}
      </dl>
      <section>
        <h2 className="border-b-2 border-ink pb-1 text-lg">
          {problems.length + fits.length === 0 ? 'Nothing to put right' : 'To put right'}
        </h2>
        <ul className="space-y-2 pt-2">
          {problems.map((problem) => (
            <li key={JSON.stringify(problem)} className={`flex gap-2 ${refusesKit(problem) ? 'font-semibold' : ''}`}>
              <ArrowUpLeft size={18} aria-hidden className="mt-0.5 shrink-0" />
              <span>
                {kitProblemSentence(problem)}
                {refusesKit(problem) && ' It can’t be kept so.'}
              </span>
            </li>
          ))}
          {fits.map(([name, problem], i) => (
            <li key={i} className="flex gap-2">
              <ArrowUpLeft size={18} aria-hidden className="mt-0.5 shrink-0" />
              <span>
                {name}: {fitProblemSentence(problem)}
              </span>
            </li>
          ))}
        </ul>
      </section>
    </aside>
  )
}
