import { isAirbagCircuit, isElectrical } from '@/core/procedure/circuits'
import type { Tether } from '@/core/procedure/tether'

type Side = 'left' | 'right' | 'top' | 'bottom'

/**
 * On a view from the seat of a left-hand drive the driver is left. Front and rear can't be drawn flat: the tick goes on
 * top.
 */
export function tickSide(tether: Pick<Tether, 'tabSide'>): Side {
  if (tether.tabSide === 'bottom') return 'bottom'
  if (tether.tabSide === 'driver side') return 'left'
  return tether.tabSide === 'passenger side' ? 'right' : 'top'
}

const TICKS: Record<Side, string> = { left: 'M2 9v6', right: 'M22 9v6', top: 'M9 3h6', bottom: 'M9 21h6' }

/** A plug with a thick tick on its latch side. An airbag circuit is yellow, double-walled and outlined in ink. */
export function PlugPaths({
  tether,
  hidden = false,
}: {
  tether: Pick<Tether, 'tabSide' | 'circuit' | 'kind'>
  hidden?: boolean
}) {
  const airbag = isAirbagCircuit(tether as Tether)
  const tick = TICKS[tickSide(tether)]
  if (!isElectrical(tether as Tether))
    return (
      <g fill="none" stroke="currentColor" strokeWidth={2} strokeLinecap="round" strokeLinejoin="round">
        <path d="M4 8c5-4 11 12 16 8M4 12c5-4 11 12 16 8" strokeDasharray={hidden ? '3 3' : undefined} />
      </g>
    )
  return (
    <g fill="none" stroke="currentColor" strokeWidth={2} strokeLinecap="round" strokeLinejoin="round">
      {airbag && <path d="M4.5 4.5h15v15h-15Z" fill="var(--airbag)" stroke="var(--airbag-ink)" strokeWidth={2} />}
      <path
        d={airbag ? 'M8 8h8v8H8Z' : 'M6 7h12v10H6Z'}
        stroke={airbag ? 'var(--airbag-ink)' : 'currentColor'}
        strokeDasharray={hidden ? '3 3' : undefined}
      />
      <path
        d={airbag ? 'M11 10.5v3M13 10.5v3' : 'M10 10.5v3M14 10.5v3'}
        stroke={airbag ? 'var(--airbag-ink)' : 'currentColor'}
      />
      <path d={tick} strokeWidth={3.4} stroke={airbag ? 'var(--airbag)' : 'currentColor'} />
    </g>
  )
}

export function PlugMark({
  tether,
  hidden,
  size = 24,
  className,
}: {
  tether: Pick<Tether, 'tabSide' | 'circuit' | 'kind'>
  hidden?: boolean
  size?: number
  className?: string
}) {
  return (
    <svg width={size} height={size} viewBox="0 0 24 24" className={className} aria-hidden="true">
      <PlugPaths tether={tether} hidden={hidden} />
    </svg>
  )
}
