import type { Level } from '@/core/procedure/level'

/** Level of a part, drawn the same everywhere: filled = in place, notched = eased, half = free, outline = off. */
export function LevelMark({ level, size = 24, className }: { level: Level; size?: number; className?: string }) {
  return (
    <svg width={size} height={size} viewBox="0 0 24 24" className={className} aria-hidden="true">
      <LevelPaths level={level} />
    </svg>
  )
}

export function LevelPaths({ level }: { level: Level }) {
  const ring = <circle cx="12" cy="12" r="9" fill="var(--ground)" stroke="currentColor" strokeWidth="3" />
  if (level === 'in place') return <circle cx="12" cy="12" r="10.5" fill="currentColor" />
  if (level === 'off') return ring
  if (level === 'free')
    return (
      <>
        {ring}
        <path d="M12 3a9 9 0 0 0 0 18Z" fill="currentColor" />
      </>
    )
  return <path d="M12 1.5a10.5 10.5 0 1 0 10.5 10.5H12Z" fill="currentColor" />
}
