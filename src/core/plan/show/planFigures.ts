import { countedIn } from '../../order/operation'
import type { ProcedureForBuild } from '../../procedure/forBuild'
import type { HolderKind } from '../../procedure/holderKinds'
import { allSteps, type PlanOnCards } from './planOnCards'

/** What two ways of working are compared by. */
export type PlanFigures = {
  totalS: number
  toolChanges: number
  moves: number
  connectorsOpened: number
  brittleClips: number
}

const CLIPS: readonly HolderKind[] = ['spring clip', 'fir-tree clip', 'push-pin', 'expanding rivet', 'stud and grommet']

/** The whole job's figures, both ways. A move is a walk to another station; bare hands change no tool. */
export function planFigures(plan: PlanOnCards): PlanFigures {
  const { model } = plan.removal
  const steps = allSteps(plan)
  let [tool, station] = ['', plan.request.start as string]
  const figures: PlanFigures = {
    totalS: plan.proof.totalS,
    toolChanges: 0,
    moves: 0,
    connectorsOpened: 0,
    brittleClips: 0,
  }
  for (const step of steps) {
    if (step.tool !== 'hand' && step.tool !== tool) {
      figures.toolChanges += 1
      tool = step.tool
    }
    if (step.station !== station) figures.moves += 1
    station = step.station
    if (step.operation.act === 'open' && step.operation.phase === 'in') figures.connectorsOpened += 1
    if (step.operation.phase === 'in')
      for (const id of countedIn(step.operation)) figures.brittleClips += brittleClipsOf(model, id)
  }
  return figures
}

/** Clips of a group that may break: those that hold a brittle part. */
function brittleClipsOf(model: ProcedureForBuild, holderId: string): number {
  const holder = model.holders.get(holderId)!
  return CLIPS.includes(holder.kind) && holder.holds.some((partId) => model.parts.get(partId)?.brittle)
    ? holder.count
    : 0
}
