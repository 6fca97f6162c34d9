import Link from 'next/link'

const TABS = [
  ['/crew', 'Crew'],
  ['/shop/rules', 'Rules of safety'],
  ['/shop/values', 'House values'],
  ['/shop/kits', 'Kits'],
  ['/shop/stock', 'Stock'],
  ['/shop/tools', 'Tools'],
  ['/shop/stations', 'Stations and moves'],
  ['/shop/words', 'House words'],
  ['/shop/devices', 'Devices'],
  ['/shop/access', 'Who came in'],
] as const
export type ShopTab = (typeof TABS)[number][0]

/** What belongs to the shop and not to a model. */
export function ShopTabs({ at }: { at: ShopTab }) {
  return (
    <nav aria-label="Shop" className="flex flex-wrap gap-x-6 border-b border-hair px-6 pt-2">
      {TABS.map(([href, name]) => (
        <Link
          key={href}
          href={href}
          aria-current={at === href ? 'page' : undefined}
          className={`min-h-9 border-b-4 pb-1 pt-1.5 ${at === href ? 'border-petrol font-bold' : 'border-transparent text-second hover:text-ink'}`}
        >
          {name}
        </Link>
      ))}
    </nav>
  )
}
