'use client'
import { SOURCES, type Source } from '@/core/procedure/source'

const WORDS: Record<Source['kind'], string> = {
  'not said': 'not said',
  'own work': 'my own hands on one',
  printed: 'a printed source',
  hearsay: 'somebody told me',
}

/** Where what is entered from now on comes from: it stands beside each fact, for whoever has to trust it. */
export function SourceChoice({ source, onChange }: { source: Source; onChange: (source: Source) => void }) {
  const asks = source.kind === 'printed' ? 'Which print, which page?' : source.kind === 'hearsay' ? 'Who said it?' : ''
  return (
    <div className="mb-3 grid gap-1 text-[15px]">
      <label className="flex items-center gap-2">
        <span className="shrink-0 text-second">What I enter is from</span>
        <select
          className="field"
          value={source.kind}
          onChange={(event) => onChange({ kind: event.target.value as Source['kind'], words: '' })}
        >
          {SOURCES.map((kind) => (
            <option key={kind} value={kind}>
              {WORDS[kind]}
            </option>
          ))}
        </select>
      </label>
      {asks !== '' && (
        <input
          aria-label={asks}
          placeholder={asks}
          className="field"
          maxLength={120}
          value={source.words}
          onChange={(event) => onChange({ ...source, words: event.target.value })}
        />
      )}
    </div>
  )
}
