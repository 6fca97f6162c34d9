/**
 * Several of a list, each with a tick. `empty`: what stands there while the list has nothing; without it nothing does.
 */
export function CheckList({
  label,
  options,
  chosen,
  onChange,
  className = '',
  framed = false,
  empty = '',
  problem,
}: {
  label: string
  options: readonly (readonly [value: string, name: string])[]
  chosen: readonly string[]
  onChange: (chosen: string[]) => void
  className?: string
  framed?: boolean
  empty?: string
  problem?: string
}) {
  if (options.length === 0 && empty === '') return null
  return (
    <fieldset className={className}>
      <legend className="mb-0.5 text-[15px] font-semibold">{label}</legend>
      <div
        className={`flex max-h-40 flex-wrap gap-x-4 overflow-auto ${framed ? 'rounded border-2 border-hair px-2 py-1' : ''}`}
      >
        {options.map(([value, name]) => (
          <label key={value} className="flex min-h-8 items-center gap-2 text-[15px]">
            <input
              type="checkbox"
              className="size-5 accent-[var(--petrol)]"
              checked={chosen.includes(value)}
              onChange={(event) =>
                onChange(event.target.checked ? [...chosen, value] : chosen.filter((other) => other !== value))
              }
            />{' '}
            {name}
          </label>
        ))}
        {options.length === 0 && <span className="text-second">{empty}</span>}
      </div>
      {problem && <p className="text-sm font-bold text-stop">{problem}</p>}
    </fieldset>
  )
}
