import type { Holder } from '@/core/procedure/holder'
import type { Reach } from '@/core/procedure/holder'
import { headsOf } from '@/core/procedure/heads'
import { needsRightAngle } from '@/core/procedure/reach'
import { THREADED_KINDS } from '@/core/procedure/holderKinds'
import { headWords, plural, threadWords } from '../items'
import { driveOf } from '@/core/procedure/heads'

/** From where, how deep, how much room: what an eye or a hand needs to get there. */
export function reachWords(reach: Reach): string[] {
  return [
    reach.by === 'feel' ? 'by feel' : reach.by === 'mirror' ? 'with a mirror' : '',
    reach.lookFrom && `look from ${reach.lookFrom}`,
    reach.depthMm ? `${reach.depthMm} mm deep` : '',
    reach.headroomMm ? `${reach.headroomMm} mm of room${needsRightAngle(reach) ? ': right-angle driver' : ''}` : '',
    { 'not said': '', no: 'no power tool', 'out only': 'power tool out only', 'out and in': '' }[reach.powerTool],
  ].filter(Boolean) as string[]
}

/** What was recorded of a group beside its kind and count: the other drive, thread, stack, tell, captive, note. */
export function holderFacts(holder: Holder): string[] {
  const others = headsOf(holder)
    .slice(1)
    .flatMap((head) => driveOf(head) ?? [])
  return [
    THREADED_KINDS.includes(holder.kind) && others.length > 0
      ? `or ${others.map(headWords).join(' or ')}: both were seen, look first`
      : '',
    // A title says only the head; what turns in it is told apart here.
    holder.drives.length > 0 && !['machine screw', 'bolt'].includes(holder.kind) && THREADED_KINDS.includes(holder.kind)
      ? plural(holder.kind, holder.count)
      : '',
    threadWords(holder),
    holder.stack.length > 0 ? `in this order: ${holder.stack.join(', ')}` : '',
    holder.tell && `told by: ${holder.tell}`,
    holder.captive ? 'they stay in the panel' : '',
    holder.bearsWeight ? 'it bears the weight: support the panel' : '',
    holder.reuse === 'single use' ? 'new ones go back in' : '',
    holder.note,
  ].filter(Boolean) as string[]
}
