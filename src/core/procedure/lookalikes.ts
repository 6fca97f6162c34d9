import { headOf } from './heads'
import type { Holder } from './holder'
import { THREADED_KINDS } from './holderKinds'

/** Same head, other thread or length: a hand can confuse them, so they never share a tray. */
export function areLookalikes(a: Holder, b: Holder): boolean {
  if (a.id === b.id || !THREADED_KINDS.includes(a.kind) || !THREADED_KINDS.includes(b.kind)) return false
  // A nut and a screw with one head are never taken for each other.
  if (isNut(a.kind) !== isNut(b.kind)) return false
  const head = headOf(a)
  if (head === null || head !== headOf(b)) return false
  return !areIdentical(a, b)
}

function isNut(kind: string): boolean {
  return kind.endsWith('nut')
}

/** One pool: same kind, head and thread, so that any of them fits any of their holes. */
export function areIdentical(a: Holder, b: Holder): boolean {
  if (a.kind !== b.kind || headOf(a) !== headOf(b)) return false
  if (a.thread === null || b.thread === null) return a.thread === b.thread
  return (
    a.thread.diameterMm === b.thread.diameterMm &&
    a.thread.lengthMm === b.thread.lengthMm &&
    a.thread.pitchMm === b.thread.pitchMm
  )
}
