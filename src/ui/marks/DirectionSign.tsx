import type { Axis } from '@/core/procedure/direction'

/** A ring with a dot = toward you (rearward), with a cross = away (forward), arrows in the plane. Same sign in headline, map and facts. */
export function DirectionSign({ axis, size = 28 }: { axis: Axis; size?: number }) {
  const arrow: Partial<Record<Axis, number>> = { up: -90, down: 90, left: 180, right: 0, inboard: 180, outboard: 0 }
  const angle = arrow[axis]
  return (
    <svg width={size} height={size} viewBox="0 0 28 28" aria-hidden="true" className="inline-block shrink-0">
      {angle === undefined ? (
        <>
          <circle cx="14" cy="14" r="11" fill="none" stroke="currentColor" strokeWidth="3" />
          {axis === 'rearward' ? <circle cx="14" cy="14" r="3.6" fill="currentColor" /> : <path d="m7 7 14 14M21 7 7 21" stroke="currentColor" strokeWidth="3" />}
        </>
      ) : (
        <path transform={`rotate(${angle} 14 14)`} d="M2 14h22M16 5l9 9-9 9" fill="none" stroke="currentColor" strokeWidth="3.4" strokeLinejoin="round" strokeLinecap="round" />
      )}
    </svg>
  )
}
