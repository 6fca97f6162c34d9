import type { Lanes, LegLanes } from '@/core/plan/lanes/lanesOf'
import { forecastOf, type Forecast } from '@/core/plan/show/forecast'
import type { PlanFigures } from '@/core/plan/show/planFigures'
import { planFigures } from '@/core/plan/show/planFigures'
import { allCards, type PlanOnCards } from '@/core/plan/show/planOnCards'
import { summarise } from '@/core/plan/show/summary'
import { itemWords, toolWords } from './items'
import { stepWords } from './operations'

export type ReportStep = {
  key: string
  phase: 'in' | 'work' | 'test' | 'out'
  thing: string
  title: string
  station: string
  tool: string
  workS: number
  setUpS: number
}

/**
 * A plan as plain data with its words, for the command line and for signed-in clients. All seconds are house estimates.
 */
export type PlanReport = {
  openings: Record<string, string>
  extraPartsFor: Record<string, string>
  /** Every step in the order in which it happens; the lists below are parts of it. */
  steps: ReportStep[]
  wayIn: ReportStep[]
  work: ReportStep[]
  tests: ReportStep[]
  wayOut: ReportStep[]
  /** At the bench: before the first screw, and of what is done in between. */
  beforeS: number
  benchS: number
  wayInS: number
  bottomS: number
  wayOutS: number
  totalS: number
  /** How long in half of such jobs, and in four of five. */
  forecast: Forecast
  proven: boolean
  /** Where it is not proven: no order of the choices compared is better by more than this. */
  gapS: number
  /** Whether all openings and extra parts there are were compared. */
  allChoices: boolean
  choices: number
  expandedStates: number
  figures: PlanFigures
  fasteners: number
  tethersOpened: string[]
  partsOff: string[]
  partsResting: string[]
  tools: string[]
  cautions: { severity: string; sentence: string }[]
}

export function planReport(plan: PlanOnCards): PlanReport {
  const { model, choices } = plan.removal
  const { document } = model
  const name = (id: string) => itemWords(document, id)
  const summary = summarise(plan)
  const steps = allCards(plan).flatMap((card) =>
    card.steps.map((step): ReportStep => ({
      key: step.operation.key,
      phase: step.operation.phase,
      thing: step.operation.partId ? name(step.operation.partId) : '',
      title: stepWords(model, step.operation).title,
      station: step.station,
      tool: step.tool === 'hand' ? '' : toolWords(step.tool),
      workS: step.workS,
      setUpS: step.setUpS,
    })),
  )
  const of = (phase: ReportStep['phase']) => steps.filter((step) => step.phase === phase)
  return {
    openings: Object.fromEntries(
      Object.entries(choices.openings).map(([cavityId, openingId]) => [name(cavityId), openingId]),
    ),
    extraPartsFor: Object.fromEntries(
      Object.entries(choices.methods).map(([value, methodId]) => [
        value,
        model.methods.get(methodId)?.method.name ?? methodId,
      ]),
    ),
    steps,
    wayIn: of('in'),
    work: of('work'),
    tests: of('test'),
    wayOut: of('out'),
    beforeS: plan.beforeS,
    benchS: plan.benchS,
    wayInS: plan.wayInS,
    bottomS: plan.bottomS,
    wayOutS: plan.wayOutS,
    totalS: plan.proof.totalS,
    forecast: forecastOf(plan.found),
    proven: plan.proof.proven,
    gapS: plan.proof.gapS,
    allChoices: plan.proof.allChoices,
    choices: plan.proof.choices,
    expandedStates: plan.proof.expanded,
    figures: planFigures(plan),
    fasteners: summary.fasteners,
    tethersOpened: summary.tethersOpened.map(name),
    partsOff: summary.partsOff.map(name),
    partsResting: summary.partsResting.map(name),
    tools: summary.tools.map(({ tool }) => toolWords(tool)),
    cautions: summary.cautions.map(({ severity, sentence }) => ({ severity, sentence })),
  }
}

export type LaneReportStep = {
  key: string
  thing: string
  title: string
  station: string
  tool: string
  startS: number
  endS: number
  with: number | null
}
export type LegReport = { makespanS: number; boundS: number; proven: boolean; lanes: LaneReportStep[][] }
export type LanesReport = { wayIn: LegReport; wayOut: LegReport | null }

/** Lanes with their words. Seconds count from the beginning of each way. */
export function lanesReport(plan: PlanOnCards, lanes: Lanes): LanesReport {
  const { model } = plan.removal
  const leg = ({ makespanS, boundS, proven, lanes: people }: LegLanes): LegReport => ({
    makespanS,
    boundS,
    proven,
    lanes: people.map((lane) =>
      lane.map(({ operation, station, tool, startS, endS, with: other }) => ({
        key: operation.key,
        thing: operation.partId ? itemWords(model.document, operation.partId) : '',
        title: stepWords(model, operation).title,
        station,
        tool: tool === 'hand' ? '' : toolWords(tool),
        startS,
        endS,
        with: other,
      })),
    ),
  })
  return { wayIn: leg(lanes.wayIn), wayOut: lanes.wayOut && leg(lanes.wayOut) }
}
