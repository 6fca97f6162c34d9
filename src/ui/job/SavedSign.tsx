import { CloudUpload, HardDrive, TriangleAlert } from 'lucide-react'
import dynamic from 'next/dynamic'
import { useState } from 'react'
import type { LogSnapshot } from '@/client/jobLog'
import { notUnderstoodWords, refusedWords, troubleWords } from '@/words/savedWords'
import type { LiveJob } from './useJob'

const RefusedDialog = dynamic(() => import('./RefusedDialog').then((file) => file.RefusedDialog))

/**
 * Where the taps are: in the shop, kept here, or (a device that keeps nothing) neither; and what of them the shop does
 * not take, or this page does not understand.
 */
export function SavedSign({ job }: { job: Pick<LiveJob, 'log' | 'document' | 'letGo'> }) {
  const [asked, setAsked] = useState(false)
  const { log } = job
  return (
    <>
      <WhereTheyAre log={log} />
      {log.refused.size > 0 && (
        <button
          type="button"
          className="mt-1 flex min-h-11 items-center gap-2 rounded border-2 border-ink px-3 text-left font-bold"
          onClick={() => setAsked(true)}
        >
          <TriangleAlert size={20} aria-hidden className="shrink-0" /> {refusedWords(log.refused.size)}
        </button>
      )}
      {asked && <RefusedDialog job={job} onClose={() => setAsked(false)} />}
      {log.notUnderstood.size > 0 && (
        <p role="alert" className="mt-1 max-w-xs text-[15px] font-bold">
          {notUnderstoodWords(log.notUnderstood.size)}
        </p>
      )}
    </>
  )
}

function WhereTheyAre({ log }: { log: LogSnapshot }) {
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
