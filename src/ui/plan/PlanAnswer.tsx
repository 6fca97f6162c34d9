import type { PlanOnCards } from '@/core/plan/show/planOnCards'
import type { PlanExtras } from '@/core/plan/show/planExtras'
import type { PlanSummary } from '@/core/plan/show/summary'
import type { ProcedureDocument } from '@/core/procedure/document'
import { isAirbagCircuit } from '@/core/procedure/circuits'
import { FastenerMark, shapeOf } from '../marks/FastenerMark'
import { AirbagFlag, SignalPlate } from '../marks/Signs'
import { Tape } from '../marks/Tape'
import { fitWords, holderWords, itemWords, threadWords, toolWords } from '@/words/items'
import { numberWords } from '@/words/dates'

/** The answer: how long in, how long out, how much is counted and opened. */
export function PlanAnswer({
  plan,
  summary,
  extras,
}: {
  plan: PlanOnCards
  summary: PlanSummary
  extras: PlanExtras | null
}) {
  const quickest = extras?.strips[0]
  const recordedS = quickest?.totalS ?? extras?.recordedS ?? null
  const savedS = recordedS === null ? 0 : Math.round(recordedS - plan.proof.totalS)
  return (
    <div className="on-sign rounded p-5">
      <div className="grid grid-cols-2 gap-4">
        <Time name="Way in" seconds={plan.wayInS} />
        <Time name="Way out" seconds={plan.wayOutS} />
      </div>
      {plan.bottomS > 0 && (
        <p className="mt-2 font-semibold">
          and {timeWords(plan.bottomS)} of work and tests in between
          {plan.benchS > 0 && `, ${timeWords(plan.benchS)} of it at the bench`}
        </p>
      )}
      {plan.beforeS > 0 && (
        <p className="mt-2 font-semibold">
          {timeWords(plan.beforeS)} at the bench before the first screw: none of it at the vehicle
        </p>
      )}
      {summary.waitingS.battery > 0 && (
        <p className="mt-2 font-semibold">
          {timeWords(summary.waitingS.battery)} of the way in is waiting until the battery has been off long enough
        </p>
      )}
      {summary.waitingS.setting > 0 && (
        <p className="mt-2 font-semibold">
          {timeWords(summary.waitingS.setting)} of the rest is waiting until something has set, dried or cooled
        </p>
      )}
      <p className="mt-3 border-t border-white/60 pt-3 font-semibold">
        {summary.fasteners} fasteners, {summary.tethersOpened.length} plugs, {summary.partsOff.length} parts off,{' '}
        {summary.partsResting.length} resting
      </p>
      {/* What is worked out a moment later has its lines already: nothing below moves away from under a finger. */}
      <p className="mt-1 min-h-[2lh] font-semibold">
        {extras ? forecastWords(extras) : 'How long to keep free is worked out…'}
      </p>
      <p className="mt-1 min-h-[4lh] text-[15px]">
        By house estimates. {proofWords(plan)} {extras?.orders && ordersWords(extras.orders)}{' '}
        {savedS >= 5 &&
          `Saves ${timeWords(savedS)} against ${quickest ? `the quickest strip, ${quickest.label}` : 'the record from top to bottom'}.`}
      </p>
    </div>
  )
}

/** How long to reckon with, and what hangs on facets that are not told yet. */
function forecastWords({ forecast, untold }: PlanExtras): string {
  const minutes = (seconds: number) => Math.max(1, Math.round(seconds / 60))
  const range =
    untold && minutes(untold.leastS) < minutes(untold.mostS)
      ? ` Between ${minutes(untold.leastS)} and ${minutes(untold.mostS)} min, by what is not told yet.`
      : ''
  // Nothing was timed yet: no share of jobs is claimed, only what to reckon with.
  return `Reckon with ${minutes(forecast.p50S)} min, keep ${minutes(forecast.p80S)} free: no such job was timed yet.${range}`
}

/** What is proved of this order, and what is not. */
function proofWords({ proof, request }: PlanOnCards): string {
  const quickest = request.policy.habit === 'quickest'
  if (proof.proven)
    return quickest ? 'Proven: no safe order is quicker.' : 'Proven: no safe order suits this habit better.'
  const safe = `A safe order, not proven the ${quickest ? 'quickest' : 'best'}`
  return proof.allChoices
    ? `${safe}: at most ${timeWords(proof.gapS)} could be saved.`
    : `${safe}: there are more ways to choose openings and extra parts than were compared.`
}

function ordersWords({ count, exact }: { count: number; exact: boolean }): string {
  if (!exact) return 'More than a million orders of the way in would work.'
  return count === 1 ? 'The way in has no other order.' : `${numberWords(count)} orders of the way in would work.`
}

/** "4 min 10 s". */
export function timeWords(seconds: number): string {
  const whole = Math.round(seconds)
  return whole < 60 ? `${whole} s` : `${Math.floor(whole / 60)} min ${whole % 60} s`
}

function Time({ name, seconds }: { name: string; seconds: number }) {
  const whole = Math.round(seconds)
  return (
    <div>
      <p className="font-semibold">{name}</p>
      <p className="whitespace-nowrap text-lg font-bold">
        <span className="num text-[40px] leading-none">{Math.floor(whole / 60)}</span> min{' '}
        <span className="num text-[40px] leading-none">{whole % 60}</span> s
      </p>
    </div>
  )
}

const GRAVEST: readonly string[] = ['DANGER', 'WARNING', 'CAUTION', 'NOTICE']

/** What to bring, where it goes, and what to mind. */
export function PlanFacts({
  plan,
  summary,
  document,
}: {
  plan: PlanOnCards
  summary: PlanSummary
  document: ProcedureDocument
}) {
  const airbags = summary.tethersOpened.filter((id) =>
    isAirbagCircuit(document.tethers.find((tether) => tether.id === id)!),
  )
  return (
    <>
      <FactList title="In the bag">
        {summary.tools.map(({ tool, holderIds, partIds }) => (
          <li key={tool} className="flex justify-between gap-4 border-b border-hair py-1.5">
            <span className="flex items-start gap-2 font-semibold">
              <span className="mt-0.5 w-5 shrink-0">
                {holderIds[0] ? (
                  <FastenerMark
                    shape={shapeOf(document.holders.find((holder) => holder.id === holderIds[0])!)}
                    size={20}
                  />
                ) : null}
              </span>
              <span>
                {toolWords(tool)}
                {fitWords(tool) && (
                  <small className="block text-[14px] font-normal text-second">{fitWords(tool)}</small>
                )}
              </span>
            </span>
            <span className="max-w-[45%] text-right text-[15px] text-second">
              {[
                ...new Set([
                  ...holderIds.map((id) =>
                    itemWords(document, document.holders.find((holder) => holder.id === id)!.holds[0]!),
                  ),
                  ...partIds.map((id) => itemWords(document, id)),
                ]),
              ]
                .join(', ')
                .toLowerCase()}
            </span>
          </li>
        ))}
        {summary.consumables.map((words) => (
          <li key={words} className="border-b border-hair py-1.5 pl-7 font-semibold">
            {words} <span className="font-normal text-second">used up</span>
          </li>
        ))}
      </FactList>
      {summary.trays.length > 0 && (
        <FactList title="Trays">
          {summary.trays.map((tray) => (
            <li key={tray.label} className="flex items-center gap-3 border-b border-hair py-1.5">
              <Tape label={tray.label} />
              <span>
                {tray.holderIds
                  .map((id) => {
                    const holder = document.holders.find((item) => item.id === id)!
                    return `${holderWords(holder)} ${threadWords(holder)}`.trim()
                  })
                  .join(', ')}
                {tray.notWith.length > 0 && (
                  <b className="block text-[15px]">looks like {tray.notWith.join(', ')}: never in one tray</b>
                )}
              </span>
            </li>
          ))}
        </FactList>
      )}
      <FactList title="Take care">
        {airbags.length > 0 && (
          <li className="space-y-1 border-b border-hair py-2">
            <AirbagFlag />
            <p>
              Plug {airbags.map((id) => itemWords(document, id)).join(', ')}: for people trained and authorised for
              airbag circuits under local rules.
            </p>
          </li>
        )}
        {[...summary.cautions]
          .sort((a, b) => GRAVEST.indexOf(a.severity) - GRAVEST.indexOf(b.severity))
          .map((caution) => (
            <li key={caution.id} className="space-y-1 border-b border-hair py-2">
              <SignalPlate severity={caution.severity} small />
              <p>{caution.sentence}</p>
            </li>
          ))}
        {summary.cautions.length === 0 && airbags.length === 0 && (
          <li className="py-2 text-second">Nothing recorded. The maker’s data goes first.</li>
        )}
      </FactList>
      {plan.job.decisions.length > 0 && (
        <FactList title="Told on the way">
          {plan.job.decisions.map((decision) => (
            <li key={decision.facetId} className="border-b border-hair py-1.5">
              <b>{itemWords(document, decision.facetId)}</b>: {decision.conditional.size}{' '}
              {decision.conditional.size === 1 ? 'step hangs' : 'steps hang'} on it. Tools for every case are in the
              bag.
            </li>
          ))}
        </FactList>
      )}
      {(summary.functions.added.length > 0 ||
        summary.functions.changed.length > 0 ||
        summary.functions.taken.length > 0) && (
        <FactList title="Different afterwards">
          {summary.functions.added.map((name) => (
            <li key={name} className="border-b border-hair py-1.5">
              new: <b>{name}</b>
            </li>
          ))}
          {summary.functions.changed.map((id) => (
            <li key={id} className="border-b border-hair py-1.5">
              changed: <b>{itemWords(document, id)}</b>
            </li>
          ))}
          {summary.functions.taken.map((id) => (
            <li key={id} className="border-b border-hair py-1.5">
              no more: <b>{itemWords(document, id)}</b>
            </li>
          ))}
        </FactList>
      )}
      {summary.changesForGood.length > 0 && (
        <FactList title="Changed for good">
          {summary.changesForGood.map((change) => (
            <li key={`${change.what} ${change.where}`} className="border-b border-hair py-1.5">
              <b>{change.what}</b> {change.where} {change.how && `(${change.how})`}:{' '}
              {change.consent ? 'the customer has agreed' : 'ask the customer first, in writing'}
            </li>
          ))}
        </FactList>
      )}
      <FactList title="At the end, as found">
        <li className="py-1.5">
          {document.settings
            .filter((setting) => plan.removal.model.settings.has(setting.id))
            .map((setting) => `${setting.name} ${setting.atEnd === 'as found' ? setting.asFound : setting.atEnd}`)
            .join(', ') || 'no settings recorded'}
        </li>
      </FactList>
    </>
  )
}

function FactList({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <section className="border-t-2 border-ink pt-2">
      <h2 className="text-base">{title}</h2>
      <ul>{children}</ul>
    </section>
  )
}
