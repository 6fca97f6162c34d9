import type { Severity } from '@/core/procedure/severity'

/** The product's sign: a U whose right end is open. */
export function ProductSign({ size = 32 }: { size?: number }) {
  return (
    <svg width={size} height={size} viewBox="0 0 32 32" aria-hidden="true">
      <path d="M6 4v12a9 9 0 0 0 18 0v-4" fill="none" stroke="var(--petrol)" strokeWidth="6" />
      <circle cx="24" cy="6.5" r="3.6" fill="var(--ground)" stroke="var(--ink)" strokeWidth="2.6" />
    </svg>
  )
}

/** Stop: the only red, an octagon with NO. */
export function StopSign({ size = 36 }: { size?: number }) {
  return (
    <svg width={size} height={size} viewBox="0 0 40 40" role="img" aria-label="No" className="shrink-0">
      <path d="M12 1h16l11 11v16L28 39H12L1 28V12Z" fill="var(--stop)" />
      <text x="20" y="26" textAnchor="middle" fontSize="16" fontWeight="800" fill="#fff" fontFamily="var(--font-sans)">
        NO
      </text>
    </svg>
  )
}

/** "May come on": a ticked ring in ink, never green. */
export function MayRing({ size = 36 }: { size?: number }) {
  return (
    <svg width={size} height={size} viewBox="0 0 40 40" role="img" aria-label="Yes" className="shrink-0">
      <circle cx="20" cy="20" r="17" fill="none" stroke="currentColor" strokeWidth="3.4" />
      <path
        d="m12 20 6 6 11-12"
        fill="none"
        stroke="currentColor"
        strokeWidth="4"
        strokeLinecap="round"
        strokeLinejoin="round"
      />
    </svg>
  )
}

/** A closed account: the only green, with a tick. */
export function ClosedTick({ size = 22 }: { size?: number }) {
  return (
    <svg width={size} height={size} viewBox="0 0 24 24" role="img" aria-label="closed" className="shrink-0">
      <circle cx="12" cy="12" r="10" fill="none" stroke="var(--closed)" strokeWidth="2.4" />
      <path
        d="m7 12.4 3.4 3.4L17 8.8"
        fill="none"
        stroke="var(--closed)"
        strokeWidth="2.6"
        strokeLinecap="round"
        strokeLinejoin="round"
      />
    </svg>
  )
}

/** Something out that is not back: a line that ends in a tick, a gap, and the other side. */
export function GapSign({ size = 40 }: { size?: number }) {
  return (
    <svg width={size} height={size / 2} viewBox="0 0 40 20" aria-hidden="true" className="shrink-0">
      <path d="M1 10h12M13 3v14M27 3v14M27 10h12" fill="none" stroke="currentColor" strokeWidth="2.4" />
    </svg>
  )
}

/** A severity word on a pointed plate. Word and shape say it; the colour says nothing. */
export function SignalPlate({ severity, small = false }: { severity: Severity; small?: boolean }) {
  return (
    <span
      className={`inline-block shrink-0 bg-ink font-bold tracking-wide text-ground ${small ? 'px-2 pr-4 text-sm' : 'px-3 pr-6 py-0.5'}`}
      style={{ clipPath: 'polygon(0 0, calc(100% - 0.6em) 0, 100% 50%, calc(100% - 0.6em) 100%, 0 100%)' }}
    >
      {severity}
    </span>
  )
}

/** The yellow flag of airbag circuits: pointed at its lead, outlined in ink. */
export function AirbagFlag() {
  return (
    <span
      className="inline-block shrink-0 bg-[var(--airbag-ink)] p-[2px]"
      style={{ clipPath: 'polygon(0.7em 0, 100% 0, 100% 100%, 0.7em 100%, 0 50%)' }}
    >
      <span
        className="inline-block bg-airbag py-0 pl-5 pr-2 text-sm font-extrabold tracking-wide text-[var(--airbag-ink)]"
        style={{ clipPath: 'polygon(0.7em 0, 100% 0, 100% 100%, 0.7em 100%, 0 50%)' }}
      >
        AIRBAG
      </span>
    </span>
  )
}
