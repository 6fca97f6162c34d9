import type { OptionTakes } from '@/core/plan/show/optionTakes'
import type { Build } from '@/core/procedure/when'
import { isWanted, NOT_WANTED, WANTED } from '@/core/shop/functionClosure'
import type { FittedKit } from '@/core/shop/kitHere'
import { kitMinutesWords } from '@/words/kitWords'
import { moneyWords } from '@/words/money'

/** What the customer may do without: ticked as long as it is wanted, each with what it takes. */
export function Wishes({
  kits,
  build,
  onChange,
  options,
  currency,
}: {
  kits: readonly FittedKit[]
  build: Build
  onChange: (build: Build) => void
  /** Null while it is worked out. */
  options: OptionTakes[] | null
  currency: string
}) {
  const optional = kits.flatMap(({ kit }) => kit.functions).filter((item) => item.optional)
  return (
    <ul>
      {optional.map((item) => {
        const takes = options?.find(({ functionId }) => functionId === item.id)
        return (
          <li key={item.id}>
            <label className="flex min-h-9 cursor-pointer items-center gap-3 rounded px-1 hover:bg-tint">
              <input
                type="checkbox"
                className="size-5 shrink-0 accent-[var(--petrol)]"
                checked={isWanted(item, build)}
                onChange={(event) => onChange({ ...build, [item.id]: event.target.checked ? WANTED : NOT_WANTED })}
              />
              <span className="flex-1 leading-tight">
                {item.name}
                {/* Its line is kept while it is worked out. */}
                <span className="block min-h-[1lh] text-[15px] text-second">
                  {takes && takesWords(takes, currency)}
                </span>
              </span>
            </label>
          </li>
        )
      })}
    </ul>
  )
}

function takesWords({ extraS, partsMinor }: OptionTakes, currency: string): string {
  const parts = partsMinor === 0 ? 'no more parts' : `${moneyWords(partsMinor, currency)} in parts`
  return extraS < 30 ? `no more time, ${parts}` : `${kitMinutesWords(extraS)} while it is open, ${parts}`
}
