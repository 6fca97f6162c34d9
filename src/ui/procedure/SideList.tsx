'use client'

export function SideList({
  title,
  add,
  open,
  children,
}: {
  title: string
  add: () => void
  open?: () => void
  children: React.ReactNode
}) {
  return (
    <section className="mt-4">
      <h2 className="flex items-center justify-between px-5 text-base">
        {open ? (
          <button
            type="button"
            className="min-h-8 font-bold hover:underline"
            onClick={open}
            aria-label={`${title} as a table`}
          >
            {title}
          </button>
        ) : (
          title
        )}
        <button type="button" className="jump min-h-8 px-1 text-[15px]" onClick={add} aria-label={`Add to ${title}`}>
          + add
        </button>
      </h2>
      <ul>{children}</ul>
    </section>
  )
}

export function SideItem({
  current,
  onClick,
  name,
  code,
}: {
  current: boolean
  onClick: () => void
  name: string
  code: string
}) {
  return (
    <li>
      <button
        type="button"
        onClick={onClick}
        aria-current={current || undefined}
        className={`flex min-h-8 w-full items-center justify-between border-l-[6px] py-0.5 pl-3.5 pr-5 text-left text-[15px] ${current ? 'border-petrol bg-sheet font-bold' : 'border-transparent hover:bg-tint'}`}
      >
        <span className="min-w-0 truncate">{name}</span>
        <span className="num text-[13px] font-normal text-second">{code}</span>
      </button>
    </li>
  )
}
