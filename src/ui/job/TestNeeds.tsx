import { wallMsOf } from '@/core/base/clock'
import type { JobState } from '@/core/job/jobState'
import type { PlanOnCards } from '@/core/plan/show/planOnCards'
import { waitWords } from './slabs'

/** What a test needs: each of its plugs, closed or not, and the time its unit takes after power. */
export function TestNeeds({
  plan,
  state,
  functionId,
  nowMs,
}: {
  plan: PlanOnCards
  state: JobState
  functionId: string
  nowMs: number
}) {
  const { model, added } = plan.job
  const item = model.functions.get(functionId)
  const plugs = [...model.tethers.values()].filter(
    (tether) => tether.functions.includes(functionId) || item?.alsoNeeds.includes(tether.id),
  )
  const power = item?.power ?? added.get(functionId)?.power ?? 'none'
  const warmUpS = item?.warmUpS ?? added.get(functionId)?.warmUpS ?? 0
  const source = [...model.settings.values()].filter(
    (setting) => setting.role === 'ignition' || setting.role === 'battery',
  )
  const since = [
    ...plugs.map((tether) => state.closedAt.get(tether.id)),
    ...source.map((setting) => state.settingChangedAt.get(setting.id)),
  ].flatMap((at) => (at ? [wallMsOf(at)] : []))
  const leftS = since.length > 0 ? Math.ceil((Math.max(...since) - nowMs) / 1000 + warmUpS) : 0
  return (
    <div className="pl-6 text-xl" data-test-needs={functionId}>
      <p>
        Plugged for it:{' '}
        {plugs.length === 0
          ? 'nothing of the record'
          : plugs.map((tether, i) => (
              <span key={tether.id}>
                {i > 0 && ', '}
                <b>{tether.name}</b> {state.tethersOpen.has(tether.id) ? 'is open' : 'closed'}
              </span>
            ))}
        {power !== 'none' && `. It needs ${power}.`}
      </p>
      {warmUpS > 0 && (
        <p role="status" className="font-semibold">
          {leftS > 0
            ? `Its unit needs time: still ${waitWords(leftS)} before the test says anything.`
            : 'Its unit has had its time.'}
        </p>
      )}
    </div>
  )
}
