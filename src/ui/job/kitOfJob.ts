import type { KitHolder, KitPart, KitPlug, KitSetting } from '@/core/shop/kitThings'
import type { PlannedJob } from './useJob'

/** The things of all kits of a job, to name what a step is about. */
export type KitThingsOfJob = {
  parts: KitPart[]
  holders: KitHolder[]
  plugs: KitPlug[]
  settings: KitSetting[]
}

/** On the build that is known by now. */
export function kitOfJob({ plan }: Pick<PlannedJob, 'plan'>): KitThingsOfJob {
  const kits = plan.job.goal.kits.map(({ kit }) => kit)
  return {
    parts: kits.flatMap(({ parts }) => parts),
    holders: kits.flatMap(({ holders }) => holders),
    plugs: kits.flatMap(({ plugs }) => plugs),
    settings: kits.flatMap(({ settings }) => settings),
  }
}
