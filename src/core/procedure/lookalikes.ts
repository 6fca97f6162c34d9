import { headOf } from './heads'
import type { Holder } from './holder'
import { THREADED_KINDS } from './holderKinds'

/** Same head, and not known to be the same fastener: a hand can confuse them, so they never share a tray. */
export function areLookalikes(a: Holder, b: Holder): boolean {
  return couldBeConfused(a, b) && !areIdentical(a, b)
}

function couldBeConfused(a: Holder, b: Holder): boolean {
  if (a.id === b.id || !THREADED_KINDS.includes(a.kind) || !THREADED_KINDS.includes(b.kind)) return false
  // A nut and a screw with one head are never taken for each other.
  if (isNut(a.kind) !== isNut(b.kind)) return false
  const head = headOf(a)
  return head !== null && head === headOf(b)
}

/** Lookalikes of which nobody has said anything: no threads to compare, no words, and not that they are the same. */
export function isUntoldApart(a: Holder, b: Holder): boolean {
  return areLookalikes(a, b) && a.tell === '' && b.tell === '' && (a.thread === null || b.thread === null)
}

function isNut(kind: string): boolean {
  return kind.endsWith('nut')
}

/**
 * One pool: same kind, head and thread, or said to be the same, so that any of them fits any of their holes. An unknown
 * thread is like no other, and what somebody can tell apart is not the same, whatever the threads.
 */
export function areIdentical(a: Holder, b: Holder): boolean {
  if (a.id === b.id) return true
  if (a.kind !== b.kind || headOf(a) !== headOf(b)) return false
  if (a.sameAs.includes(b.id) || b.sameAs.includes(a.id)) return true
  if (THREADED_KINDS.includes(a.kind)) {
    if (a.tell !== b.tell || a.thread === null || b.thread === null) return false
  } else if (a.thread === null || b.thread === null) return a.thread === b.thread && a.tell === b.tell
  return (
    a.thread.diameterMm === b.thread.diameterMm &&
    a.thread.lengthMm === b.thread.lengthMm &&
    a.thread.pitchMm === b.thread.pitchMm
  )
}
