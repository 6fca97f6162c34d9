import type { KitHolder, KitPart, KitPlug, KitSetting } from '@/core/shop/kitThings'
import type { LiveJob, PlannedJob } from './useJob'

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

/** What a thing or a function of the kits is called, by its id. */
export function nameInKits({ plan }: Pick<PlannedJob, 'plan'>): (id: string) => string {
  return nameInRequest(plan)
}

/** The same, where a job has no plan (yet). */
export function nameInRequest({ request }: Pick<LiveJob, 'request'>): (id: string) => string {
  const named = (request?.kits ?? []).flatMap(({ kit: { parts, plugs, settings, functions } }) =>
    [parts, plugs, settings, functions].flat(),
  )
  return (id) => named.find((item) => item.id === id)?.name ?? ''
}
