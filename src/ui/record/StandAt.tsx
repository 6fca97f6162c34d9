import type { Station } from '@/core/procedure/station'

/** Where most of a dash is worked on from: one tap each, everything else in the list. */
const MOSTLY = [
  ['driver side', 'driver'],
  ['centre', 'centre'],
  ['passenger side', 'passenger'],
] as const

/** Where the recorder stands, until changed. */
export function StandAt({
  station,
  stations,
  onStand,
}: {
  station: Station
  stations: readonly Station[]
  onStand: (station: Station) => void
}) {
  const others = stations.filter((name) => !MOSTLY.some(([known]) => known === name))
  const isOther = others.includes(station)
  return (
    <fieldset className="mb-2 text-[17px]">
      <legend className="mb-1 font-bold">I stand at</legend>
      <div className="grid grid-cols-3 gap-1">
        {MOSTLY.map(([name, words]) => (
          <button
            key={name}
            type="button"
            aria-pressed={station === name}
            aria-label={name}
            className={`${station === name ? 'slab' : 'ghost'} !min-h-11 !px-1 !py-0 text-base`}
            onClick={() => onStand(name)}
          >
            {words}
          </button>
        ))}
      </div>
      <select
        aria-label="I stand elsewhere"
        className="field mt-1 !min-h-11 text-base"
        value={isOther ? station : ''}
        onChange={(event) => event.target.value !== '' && onStand(event.target.value)}
      >
        <option value="">elsewhere …</option>
        {others.map((name) => (
          <option key={name} value={name}>
            {name}
          </option>
        ))}
      </select>
    </fieldset>
  )
}
