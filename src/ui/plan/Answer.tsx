'use client'
import type { PlanningInput } from '@/client/planning'
import type { Goal } from '@/core/order/wish'
import type { Policy } from '@/core/plan/ask/policy'
import type { PlanExtras } from '@/core/plan/show/planExtras'
import type { PlanOnCards } from '@/core/plan/show/planOnCards'
import { summarise } from '@/core/plan/show/summary'
import type { ProcedureDocument } from '@/core/procedure/document'
import type { Build } from '@/core/procedure/when'
import type { FittedKit } from '@/core/shop/kitHere'
import { AlsoNow } from './AlsoNow'
import { Alternatives } from './Alternatives'
import { OpenJobForm, type OpenJob } from './OpenJobForm'
import { PartsToBring } from './PartsToBring'
import { PlanAnswer, PlanFacts } from './PlanAnswer'
import type { PlanData } from './planData'
import { PolicyComparison } from './PolicyComparison'
import { Quoted } from './Quoted'
import type { Planned } from './usePlanning'

type Asked = (policy: Policy) => PlanningInput

/** The answer: how long, what is brought, what is promised, other ways, and the job itself. */
export function Answer({
  data,
  openJob,
  plan,
  document,
  kits,
  build,
  planned,
  extras,
  names,
  ask,
  askWith,
  asked,
  goals,
  onGoals,
  onKits,
  onPolicy,
}: {
  data: PlanData
  openJob: OpenJob
  plan: PlanOnCards | null
  document: ProcedureDocument
  kits: readonly FittedKit[]
  build: Build
  planned: Planned
  extras: PlanExtras | null
  names: string[]
  ask: Asked | null
  askWith: (kits: readonly FittedKit[]) => PlanningInput
  asked: boolean
  goals: Goal[]
  onGoals: (goals: Goal[]) => void
  onKits: (kitIds: string[]) => void
  onPolicy: (policy: Policy) => void
}) {
  const { house } = data
  return (
    <section className="space-y-5 border-hair p-6 lg:border-l" aria-label="The answer">
      {plan ? (
        <>
          <PlanAnswer plan={plan} summary={summarise(plan)} extras={extras} />
          <PartsToBring
            document={document}
            kits={kits}
            build={build}
            deciding={extras?.deciding ?? null}
            currency={house.currency}
          />
          {kits.length > 0 && (
            <Quoted
              plan={plan}
              document={document}
              house={house}
              vehicleId={data.vehicle.id}
              current={planned.current}
            />
          )}
          <Alternatives
            plan={plan}
            document={document}
            house={house}
            kits={data.kits}
            chosen={kits}
            askWith={askWith}
            onTake={(kitId) => onKits([kitId])}
          />
          <PolicyComparison plan={plan} ask={ask} onTake={onPolicy} />
          <OpenJobForm
            vehicleId={data.vehicle.id}
            plan={plan}
            current={planned.current}
            title={names.join(' and ').slice(0, 120)}
            openJob={openJob}
          />
          <AlsoNow
            extras={extras}
            document={document}
            onAdd={(cavityId) => onGoals([...goals, { kind: 'cavity', cavityId }])}
          />
          <PlanFacts plan={plan} summary={summarise(plan)} document={document} />
        </>
      ) : (
        <p className="text-second">{asked ? 'Working it out…' : 'The answer stands here once a goal is chosen.'}</p>
      )}
    </section>
  )
}
