import type { Axis } from '@/core/procedure/direction'
import type { View } from '@/core/procedure/view'

type Looking = View['looking']
type Shown = 'toward you' | 'away' | 'left' | 'right' | 'up' | 'down'

/**
 * What a direction of the vehicle is on a view: forward and rearward, left and right, up and down, by which way one
 * looks.
 */
const SHOWN: Record<Looking, Partial<Record<Axis, Shown>>> = {
  forward: { forward: 'away', rearward: 'toward you', left: 'left', right: 'right', up: 'up', down: 'down' },
  rearward: { forward: 'toward you', rearward: 'away', left: 'right', right: 'left', up: 'up', down: 'down' },
  right: {
    forward: 'left',
    rearward: 'right',
    left: 'toward you',
    right: 'away',
    outboard: 'toward you',
    inboard: 'away',
    up: 'up',
    down: 'down',
  },
  left: {
    forward: 'right',
    rearward: 'left',
    right: 'toward you',
    left: 'away',
    outboard: 'toward you',
    inboard: 'away',
    up: 'up',
    down: 'down',
  },
  up: { up: 'away', down: 'toward you', forward: 'up', rearward: 'down', left: 'left', right: 'right' },
  down: { down: 'away', up: 'toward you', forward: 'up', rearward: 'down', left: 'left', right: 'right' },
}
const ANGLE = { up: -90, down: 90, left: 180, right: 0 }

/**
 * A ring with a dot = toward you, with a cross = away, arrows in the plane of the view. Nothing where the view can't
 * tell (inboard, seen from the seat).
 */
export function DirectionSign({
  axis,
  looking = 'forward',
  size = 28,
}: {
  axis: Axis
  looking?: Looking
  size?: number
}) {
  const shown = SHOWN[looking][axis]
  if (!shown) return null
  return (
    <svg width={size} height={size} viewBox="0 0 28 28" aria-hidden="true" className="inline-block shrink-0">
      {shown === 'toward you' || shown === 'away' ? (
        <>
          <circle cx="14" cy="14" r="11" fill="none" stroke="currentColor" strokeWidth="3" />
          {shown === 'toward you' ? (
            <circle cx="14" cy="14" r="3.6" fill="currentColor" />
          ) : (
            <path d="m7 7 14 14M21 7 7 21" stroke="currentColor" strokeWidth="3" />
          )}
        </>
      ) : (
        <path
          transform={`rotate(${ANGLE[shown]} 14 14)`}
          d="M2 14h22M16 5l9 9-9 9"
          fill="none"
          stroke="currentColor"
          strokeWidth="3.4"
          strokeLinejoin="round"
          strokeLinecap="round"
        />
      )}
    </svg>
  )
}
