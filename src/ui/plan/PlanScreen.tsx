'use client'
import { useMemo, useState } from 'react'
import type { PlanningInput } from '@/client/planning'
import type { JobPlan } from '@/core/plan/show/jobPlan'
import { PlanRequest } from '@/core/plan/ask/planRequest'
import { Policy } from '@/core/plan/ask/policy'
import { facetsThatMatter } from '@/core/plan/derive/facetsThatMatter'
import { summarise } from '@/core/plan/show/summary'
import { bottomOf, uRows } from '@/core/job/uRows'
import { allGoals, type FittedKit } from '@/core/plan/ask/jobGoal'
import type { ShopRules } from '@/core/vehicle/rule'
import { goalWords } from '@/words/modelNames'
import type { Goal } from '@/core/order/wish'
import { methodsTo } from '@/core/order/settingAct'
import type { ProcedureDocument } from '@/core/procedure/document'
import { forBuild, type Heads, type ProcedureForBuild } from '@/core/procedure/forBuild'
import type { Station } from '@/core/procedure/station'
import type { Build } from '@/core/procedure/when'
import type { HouseValues } from '@/core/shop/houseValues'
import { planErrorSentence } from '@/words/problems'
import { itemWords } from '@/words/items'
import { Tape } from '../marks/Tape'
import { JobU } from '../job/JobU'
import { Choice, FacetCards, GoalList, KitList, Section } from './PlanChoices'
import { PlanAnswer, PlanFacts } from './PlanAnswer'
import { OpenJobForm, type OpenJob } from './OpenJobForm'
import { AlsoNow } from './AlsoNow'
import { LanesPicture } from './LanesPicture'
import { PolicyComparison } from './PolicyComparison'
import { useExtras, useLanes, usePlanning, type Planned, type SharedOut } from './usePlanning'
import { WhyLine } from './WhyLine'
import { numberWords } from '@/words/dates'

export type PlanData = {
  vehicle: { id: string; label: string; plate: string; build: Build }
  document: ProcedureDocument
  /** Fasteners that an earlier job found with another head on this vehicle. */
  heads: Heads
  /** What else is known of this very vehicle, a line each. */
  known: string[]
  revisionNumber: number | null
  house: HouseValues
  rules: ShopRules
  /** The shop's kits that fit this model. */
  kits: FittedKit[]
  /** Heads or names of tools the shop has one of: two people share them. */
  singleTools: string[]
}

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
  const { document } = data
  const [goals, setGoals] = useState<Goal[]>([])
  const [kitIds, setKitIds] = useState<string[]>([])
  const [build, setBuild] = useState<Build>(data.vehicle.build)
  const [policy, setPolicy] = useState<Policy>(() => Policy.parse({}))
  const [starts, setStarts] = useState<Station[]>(['driver side'])
  const start = starts[0]!
  const [later, setLater] = useState(false)
  const [whyOf, setWhyOf] = useState<string | null>(null)

  const model = useMemo(() => forBuild(document, build, data.heads), [document, build, data.heads])
  const kits = useMemo(() => data.kits.filter(({ kit }) => kitIds.includes(kit.id)), [data.kits, kitIds])
  const wanted = useMemo(() => allGoals({ goals, kits, endings: new Map() }), [goals, kits])
  const matter = useMemo(() => facetsThatMatter(document, wanted, {}), [document, wanted])
  const chosen = goals.length + kits.length > 0
  const names = goalWords(document, { goals, kits })
  const untold = matter.filter(
    (id) => build[id] === undefined && document.facets.find((facet) => facet.id === id)!.toldFrom === null,
  )
  const ask = useMemo(
    () =>
      !chosen || (untold.length > 0 && !later)
        ? null
        : (policy: Policy): PlanningInput => ({
            document,
            request: PlanRequest.parse({ goals, kits, build, heads: data.heads, policy, start }),
            house: data.house,
            rules: data.rules,
          }),
    [document, goals, kits, chosen, build, data.heads, start, data.house, data.rules, untold.length, later],
  )
  const input = useMemo(() => ask?.(policy) ?? null, [ask, policy])
  const planned = usePlanning(input)
  const extras = useExtras(input, planned)
  const lanes = useLanes(input, planned, starts, data.singleTools)
  const { result } = planned
  const plan = result?.ok ? result.value : null
  const stations = STARTS.filter(
    (station) => document.parts.some((part) => part.station === station) || station === 'driver side',
  )

  return (
    <div className="grid gap-0 lg:grid-cols-[300px_minmax(0,1fr)_400px]">
      <section className="space-y-5 border-hair p-6 lg:border-r" aria-label="Choose">
        <div className="flex items-center gap-3">
          <Tape label={data.vehicle.label.toUpperCase()} />
          <div className="leading-tight">
            <h1 className="text-lg">{document.name}</h1>
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
        <Section title="What for">
          <KitList kits={data.kits} chosen={kitIds} onChange={setKitIds} />
          <GoalList document={document} model={model} goals={goals} onChange={setGoals} />
        </Section>
        {chosen && matter.length > 0 && (
          <Section title="Which one is it">
            <FacetCards document={document} facetIds={matter} build={build} onChange={setBuild} />
          </Section>
        )}
        {chosen && (
          <Section title="How we work">
            <div className="space-y-2">
              <Choice
                label="Panels"
                value={policy.resting}
                options={['rest', 'set aside']}
                onChange={(resting) => setPolicy({ ...policy, resting })}
              />
              <Choice
                label="Habit"
                value={policy.habit}
                options={['quickest', 'panel by panel', 'tool in hand']}
                onChange={(habit) => setPolicy({ ...policy, habit })}
              />
              {[...model.settings.values()].some((setting) => setting.role === 'battery') && (
                <Choice
                  label="Battery"
                  value={policy.battery}
                  options={['stays on', 'off first']}
                  words={{ 'stays on': 'battery stays on', 'off first': 'battery off first' }}
                  onChange={(battery) => setPolicy({ ...policy, battery })}
                />
              )}
              {plan && <MethodChoice model={model} plan={plan} policy={policy} onChange={setPolicy} />}
              <Choice
                label="People"
                value={`${starts.length}`}
                options={['1', '2', '3']}
                words={{ '1': 'alone', '2': 'two', '3': 'three' }}
                onChange={(count) =>
                  setStarts(Array.from({ length: Number(count) }, (_, i) => starts[i] ?? starts.at(-1)!))
                }
              />
              {starts.map((station, person) => (
                <label key={person} className="block">
                  <span className="text-[15px] text-second">
                    {starts.length === 1 ? 'Starting at' : `Person ${person + 1} starts at`}
                  </span>
                  <select
                    className="field"
                    value={station}
                    onChange={(event) =>
                      setStarts(starts.map((other, i) => (i === person ? event.target.value : other)))
                    }
                  >
                    {stations.map((name) => (
                      <option key={name}>{name}</option>
                    ))}
                  </select>
                </label>
              ))}
            </div>
          </Section>
        )}
      </section>

      <section className="min-w-0 px-8 py-6" aria-label="The plan">
        {!chosen && (
          <Empty words="Choose a kit or what to open on the left. The way in, the way out, the tools and the hazards come out at once." />
        )}
        {untold.length > 0 && !later && (
          <>
            <Empty
              words={`Say first: ${untold.map((id) => itemWords(document, id)).join(', ')}. It can be seen from outside and changes the plan.`}
            />
            <button type="button" className="desk-button mt-3" onClick={() => setLater(true)}>
              Nobody knows yet: ask before the first screw
            </button>
          </>
        )}
        {input && (!planned.current || planned.first) && <Working planned={planned} />}
        {result && !result.ok && (
          <div role="alert" className="border-l-8 border-stop bg-sheet p-5">
            <h2 className="text-2xl">There is no way in.</h2>
            <p className="mt-2 text-lg">{planErrorSentence(document, result.error)}</p>
          </div>
        )}
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
        {plan && starts.length > 1 && <Shared plan={plan} shared={lanes} starts={starts} />}
      </section>

      <section className="space-y-5 border-hair p-6 lg:border-l" aria-label="The answer">
        {plan ? (
          <>
            <PlanAnswer plan={plan} summary={summarise(plan)} extras={extras} />
            <PolicyComparison plan={plan} ask={ask} onTake={setPolicy} />
            <AlsoNow
              extras={extras}
              document={document}
              onAdd={(cavityId) => setGoals([...goals, { kind: 'cavity', cavityId }])}
            />
            <OpenJobForm
              vehicleId={data.vehicle.id}
              plan={plan}
              current={planned.current}
              title={names.join(' and ').slice(0, 120)}
              openJob={openJob}
            />
            <PlanFacts plan={plan} summary={summarise(plan)} document={document} />
          </>
        ) : (
          <p className="text-second">The answer stands here once a goal is chosen.</p>
        )}
      </section>
    </div>
  )
}

/** The work of two or three: being shared out, stopped, or as lanes. */
function Shared({ plan, shared, starts }: { plan: JobPlan; shared: SharedOut; starts: readonly Station[] }) {
  if (shared.answer?.ok) return <LanesPicture plan={plan} lanes={shared.answer.value} starts={starts} />
  return (
    <p
      role="status"
      className="mt-8 flex max-w-xl flex-wrap items-center justify-between gap-3 border-l-8 border-untravelled py-2 pl-5 text-lg"
    >
      <span>
        {shared.answer
          ? tooFewWords(shared.answer.error.keys.length)
          : shared.working
            ? 'Sharing the work out…'
            : 'Stopped. Choose how many people again to share it out.'}
      </span>
      {shared.working && (
        <button type="button" className="desk-button" onClick={shared.stop}>
          Stop
        </button>
      )}
    </p>
  )
}

function tooFewWords(steps: number): string {
  return `${steps} ${steps === 1 ? 'step takes' : 'steps take'} more people than are chosen. Choose one more.`
}

/** Shown once an answer takes longer than half a second, and when somebody stopped it. */
function Working({ planned }: { planned: Planned }) {
  if (planned.stopped)
    return (
      <p role="status" className="mb-4 max-w-xl border-l-8 border-untravelled py-2 pl-5 text-lg">
        Stopped.{' '}
        {planned.first
          ? 'What stands here is safe, and was the best so far.'
          : planned.result
            ? 'What stands here is the answer to what was chosen before.'
            : ''}{' '}
        Change anything on the left to look again.
      </p>
    )
  if (!planned.progress) return null
  const { choice, choices, expanded } = planned.progress
  return (
    <p
      role="status"
      className="mb-4 flex max-w-xl flex-wrap items-center justify-between gap-3 border-l-8 border-petrol py-2 pl-5 text-lg"
    >
      <span>
        {planned.first ? 'What stands here is safe. Looking for a better order' : 'Looking for the best safe order'}:{' '}
        {choices > 1 && `way ${choice} of ${choices}, `}
        {numberWords(expanded)} possibilities looked at.
      </span>
      <button type="button" className="desk-button" onClick={planned.stop}>
        Stop
      </button>
    </p>
  )
}

function Empty({ words }: { words: string }) {
  return <p className="max-w-xl border-l-8 border-untravelled py-2 pl-5 text-xl">{words}</p>
}

/**
 * Where a setting of this plan can be reached in more ways than one, the crew picks; "cheapest" leaves it to the plan.
 */
function MethodChoice({
  model,
  plan,
  policy,
  onChange,
}: {
  model: ProcedureForBuild
  plan: JobPlan
  policy: Policy
  onChange: (policy: Policy) => void
}) {
  return [...plan.removal.settings.values()].flatMap((act) => {
    const options = methodsTo(model, act.settingId, act.value)
    if (options.length < 2) return []
    const key = `${act.settingId}=${act.value}`
    return (
      <label key={key} className="block">
        <span className="text-[15px] text-second">
          {model.settings.get(act.settingId)!.name} {act.value}
        </span>
        <select
          className="field"
          value={policy.methods[key] ?? ''}
          onChange={(event) => {
            const { [key]: _, ...others } = policy.methods
            onChange({ ...policy, methods: event.target.value ? { ...others, [key]: event.target.value } : others })
          }}
        >
          <option value="">whichever is quicker</option>
          {options.map((id) => (
            <option key={id} value={id}>
              {model.methods.get(id)!.method.name}
            </option>
          ))}
        </select>
        {!policy.methods[key] && (
          <span className="text-[14px] text-second">now: {model.methods.get(act.methodId)!.method.name}</span>
        )}
      </label>
    )
  })
}
