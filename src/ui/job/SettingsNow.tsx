import type { JobState } from '@/core/job/jobState'
import type { Setting } from '@/core/procedure/setting'

/** How the settings stand; what is not as it was found is underlined. */
export function SettingsNow({
  settings,
  state,
  className,
}: {
  settings: readonly Setting[]
  state: JobState
  className: string
}) {
  return (
    <dl className={`gap-x-4 gap-y-1 border-t border-hair pt-2 ${className}`}>
      {settings.map((setting) => {
        const value = state.settings.get(setting.id) ?? setting.asFound
        return (
          <div key={setting.id}>
            <dt className="text-[15px] text-second">{setting.name}</dt>
            <dd className={`text-[17px] font-bold ${value !== setting.asFound ? 'border-b-2 border-ink' : ''}`}>
              {value}
            </dd>
          </div>
        )
      })}
    </dl>
  )
}
