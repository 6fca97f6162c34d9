import { CloudUpload, HardDrive, TriangleAlert } from 'lucide-react'
import type { LogSnapshot } from '@/client/jobLog'
import { troubleWords } from '@/words/savedWords'

/** Where the taps are: in the shop, kept here, or (a device that keeps nothing) neither. */
export function SavedSign({ log }: { log: LogSnapshot }) {
  const waiting = log.waiting.size
  const [Icon, words] = !log.keeps
    ? [TriangleAlert, 'This device keeps nothing. Leave private mode or free some space, then go on.']
    : log.writing > 0
      ? [HardDrive, 'keeping…']
      : waiting > 0
        ? [HardDrive, `${waiting} kept here`]
        : [CloudUpload, 'in the shop']
  return (
    <p
      role="status"
      className="flex items-center gap-2 text-[15px] text-second"
      data-saved={waiting > 0 ? (log.writing > 0 ? 'writing' : 'kept here') : 'in the shop'}
    >
      <Icon size={18} aria-hidden className="shrink-0" />
      <span>
        {words}
        {log.trouble && <span className="block max-w-xs text-ink">{troubleWords(log.trouble, log.keeps)}</span>}
      </span>
    </p>
  )
}
