'use client'
import { useMemo, useState } from 'react'
import { Policy } from '@/core/plan/ask/policy'
import { facetsThatMatter } from '@/core/plan/derive/facetsThatMatter'
import { bottomOf, uRows } from '@/core/job/uRows'
import type { FittedKit } from '@/core/shop/kitHere'
import { NO_LEAD_FIT } from '@/core/shop/lead'
import { withKits } from '@/core/shop/withKits'
import { goalWords } from '@/words/modelNames'
import type { Goal } from '@/core/order/wish'
import { forBuild } from '@/core/procedure/forBuild'
import type { Station } from '@/core/procedure/station'
import { buildByTells } from '@/core/procedure/tells'
import type { Build } from '@/core/procedure/when'
import { planErrorSentence } from '@/words/problems'
import { itemWords } from '@/words/items'
import { Tape } from '../marks/Tape'
import { JobU } from '../job/JobU'
import { FacetCards, GoalList, KitList, Section } from './PlanChoices'
import { Answer } from './Answer'
import type { PlanData } from './planData'
import type { OpenJob } from './OpenJobForm'
import { LeadRows } from './LeadRows'
import { useAsked } from './useAsked'
import { Wishes } from './Wishes'
import { useExtras, useLanes, usePlanning } from './usePlanning'
import { WhyLine } from './WhyLine'
import { Empty, LayingLeads, NoWayIn, Shared, Working } from './PlanStates'
import { HowWeWork } from './HowWeWork'

const STARTS: Station[] = [
  'driver side',
  'centre',
  'passenger side',
  'outside left',
  'outside right',
  'rear seats',
  'load space',
]

/**
 * Choose what for, say which example it is, and get the way in and out with its reasons. Computed beside the page, in a
 * worker.
 */
export function PlanScreen({ data, openJob }: { data: PlanData; openJob: OpenJob }) {
  const { heads, house } = data
  const [goals, setGoals] = useState<Goal[]>([])
  const [kitIds, setKitIds] = useState<string[]>([])
  const [told, setTold] = useState<Build>(data.vehicle.build)
  const [tells, setTells] = useState<Readonly<Record<string, readonly string[]>>>({})
  const [policy, setPolicy] = useState<Policy>(() => Policy.parse({}))
  const [starts, setStarts] = useState<Station[]>(['driver side'])
  const start = starts[0]!
  const [later, setLater] = useState(false)
  const [whyOf, setWhyOf] = useState<string | null>(null)

  const [notThere, setNotThere] = useState<Readonly<Record<string, readonly string[]>>>({})

  const kits = useMemo(
    () => data.kits.filter(({ kit }) => kitIds.includes(kit.id)).map((fitted) => keptOff(fitted, notThere)),
    [data.kits, kitIds, notThere],
  )
  const document = useMemo(() => withKits(data.document, kits), [data.document, kits])
  const build = useMemo(
    () => buildByTells(document.facets, told, tells, house.tellThreshold),
    [document, told, tells, house.tellThreshold],
  )
  const model = useMemo(() => forBuild(document, build, heads), [document, build, heads])
  const matter = useMemo(() => facetsThatMatter(document, { goals, kits, endings: {} }, {}), [document, goals, kits])
  const chosen = goals.length + kits.length > 0
  const names = goalWords(document, { goals, kits })
  const untold = matter.filter(
    (id) => build[id] === undefined && document.facets.find((facet) => facet.id === id)!.toldFrom === null,
  )
  const ready = chosen && (untold.length === 0 || later)
  const { laying, ...ask } = useAsked(data, { goals, kits, build, tells, policy, start, ready })
  const { input } = laying
  const planned = usePlanning(input)
  const extras = useExtras(input, planned)
  const lanes = useLanes(input, planned, starts, data.singleTools)
  const { result } = planned
  const plan = input && result?.ok ? result.value : null
  const stations = STARTS.filter(
    (station) => document.parts.some((part) => part.station === station) || station === 'driver side',
  )

  return (
    <div className="grid gap-0 lg:grid-cols-[300px_minmax(0,1fr)_400px]">
      <section className="space-y-5 border-hair p-6 lg:border-r" aria-label="Choose">
        <OfVehicle data={data} />
        <Section title="What for">
          <KitList kits={data.kits} chosen={kitIds} onChange={setKitIds} />
          <GoalList document={document} model={model} goals={goals} onChange={setGoals} />
        </Section>
        {chosen && matter.length > 0 && (
          <Section title="Which one is it">
            <FacetCards
              document={document}
              facetIds={matter}
              build={build}
              onChange={setTold}
              tells={tells}
              onTells={setTells}
              threshold={house.tellThreshold}
            />
          </Section>
        )}
        {hasOptions(kits) && (
          <Section title="What they want">
            <Wishes
              kits={kits}
              build={told}
              onChange={setTold}
              options={extras?.options ?? null}
              currency={house.currency}
            />
          </Section>
        )}
        {chosen && (
          <HowWeWork
            model={model}
            plan={plan}
            policy={policy}
            onPolicy={setPolicy}
            starts={starts}
            onStarts={setStarts}
            stations={stations}
          />
        )}
      </section>

      <section className="min-w-0 px-8 py-6" aria-label="The plan">
        {!chosen && (
          <Empty words="Choose a kit or what to open on the left. The way in, the way out, the tools and the hazards come out at once." />
        )}
        {untold.length > 0 && !later && (
          <SayFirst words={untold.map((id) => itemWords(document, id)).join(', ')} later={() => setLater(true)} />
        )}
        {input && <Working planned={planned} />}
        {laying.working && <LayingLeads />}
        {result && !result.ok && input && <NoWayIn sentence={planErrorSentence(document, result.error)} />}
        {plan && (
          <JobU
            model={model}
            rows={uRows(plan, null)}
            bottom={{ goals: names, ...bottomOf(plan, null), reached: true }}
            size="desk"
            seconds
            extra={(row) => (
              <WhyLine
                plan={plan}
                document={document}
                row={row}
                open={whyOf === row.id}
                onToggle={() => setWhyOf(whyOf === row.id ? null : row.id)}
              />
            )}
          />
        )}
        {laying.answer && (
          <LeadRows
            answer={laying.answer}
            document={document}
            kits={kits}
            notThere={notThere}
            onNotThere={(leadId, ways) => setNotThere({ ...notThere, [leadId]: ways })}
          />
        )}
        {plan && starts.length > 1 && <Shared plan={plan} shared={lanes} starts={starts} />}
      </section>

      <Answer
        data={data}
        openJob={openJob}
        kits={kits}
        goals={goals}
        onGoals={setGoals}
        onKits={setKitIds}
        onPolicy={setPolicy}
        {...{ document, build, planned, extras, names, ...ask }}
        plan={plan}
      />
    </div>
  )
}

/** A kit as it meets the model, with the ways that the crew does without. */
function keptOff({ kit, fit }: FittedKit, notThere: Readonly<Record<string, readonly string[]>>): FittedKit {
  const mine = kit.leads.filter(({ id }) => (notThere[id] ?? []).length > 0)
  if (mine.length === 0) return { kit, fit }
  const leads = mine.map(({ id }) => {
    const known = fit.leads[id] ?? NO_LEAD_FIT
    return [id, { ...known, notThrough: [...known.notThrough, ...notThere[id]!] }]
  })
  return { kit, fit: { ...fit, leads: { ...fit.leads, ...Object.fromEntries(leads) } } }
}

function hasOptions(kits: readonly FittedKit[]): boolean {
  return kits.some(({ kit }) => kit.functions.some(({ optional }) => optional))
}

/** Which vehicle, by which record, and what is known of this very one. */
function OfVehicle({ data }: { data: PlanData }) {
  return (
    <>
      <div className="flex items-center gap-3">
        <Tape label={data.vehicle.label.toUpperCase()} />
        <div className="leading-tight">
          <h1 className="text-lg">{data.document.name}</h1>
          <p className="text-[15px] text-second">
            {data.revisionNumber ? `revision ${data.revisionNumber}` : 'draft, not published'}
          </p>
        </div>
      </div>
      {data.known.length > 0 && (
        <Section title="Known of this one">
          <ul className="list-disc pl-5 text-[15px]">
            {data.known.map((words) => (
              <li key={words}>{words}</li>
            ))}
          </ul>
        </Section>
      )}
    </>
  )
}

/** What can be seen from outside and changes the plan: said first, or asked before the first screw. */
function SayFirst({ words, later }: { words: string; later: () => void }) {
  return (
    <>
      <Empty words={`Say first: ${words}. It can be known before the first screw, and changes the plan.`} />
      <button type="button" className="desk-button mt-3" onClick={later}>
        Nobody knows yet: ask before the first screw
      </button>
    </>
  )
}
