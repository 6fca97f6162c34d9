import Link from 'next/link'
import { ProductSign } from '../marks/Signs'
import { ActingButton, type ActingPerson, type ChangeActing } from './ActingButton'
import { ThemeButton } from './ThemeButton'

const PLACES = [
  ['/today', 'Today'],
  ['/procedures', 'Procedures'],
  ['/plan', 'Plan'],
  ['/vehicles', 'Vehicles'],
  ['/figures', 'Figures'],
  ['/crew', 'Shop'],
] as const

/** The desk's head: where one is, the shop, and who acts. */
export function DeskHeader({
  at,
  shopName,
  acting,
  crew,
  change,
  theme,
}: {
  at: string
  shopName: string
  acting: ActingPerson
  crew: ActingPerson[]
  change: ChangeActing
  theme: 'desk' | 'bay'
}) {
  return (
    <header className="no-print flex min-h-[52px] flex-wrap items-center gap-x-6 gap-y-1 border-b-2 border-ink px-4 sm:px-6">
      <Link href="/today" aria-label="Istruzione, to Today" className="flex items-center py-1">
        <ProductSign size={30} />
      </Link>
      <nav
        aria-label="Main"
        className="order-last flex w-full gap-x-2.5 overflow-x-auto text-[15px] sm:order-none sm:text-base sm:w-auto sm:flex-wrap sm:gap-x-6"
      >
        {PLACES.map(([href, name]) => (
          <Link
            key={href}
            href={href}
            aria-current={at === href ? 'page' : undefined}
            className={`min-h-11 shrink-0 border-b-4 pb-1 pt-2 ${at === href ? 'border-petrol font-bold text-ink' : 'border-transparent text-second hover:text-ink'}`}
          >
            {name}
          </Link>
        ))}
      </nav>
      <div className="ml-auto flex items-center gap-3">
        <span className="hidden text-second sm:inline">{shopName}</span>
        <ActingButton acting={acting} crew={crew} change={change} />
        <ThemeButton theme={theme} />
      </div>
    </header>
  )
}
