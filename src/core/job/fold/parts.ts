import type { JobState } from '../jobState'
import type { Slice } from './slice'

/** Parts and what is done at them: where they are, tools, work, what is changed for good. */
export const parts: Slice<'part at' | 'tool out' | 'tool back' | 'work done' | 'changed for good'> = {
  'part at': ({ state, event }, what) => {
    // What was once taken for a piece of it went with it.
    for (const partId of [what.partId, ...(state.splitOff.get(what.partId) ?? [])]) {
      state.parts.set(partId, what.level)
      if (what.level !== 'in place') state.moved.add(partId)
      if (what.level === 'off') state.setAside.add(partId)
      if (what.level === 'in place') state.homeAt.set(partId, event.at)
    }
  },
  'tool out': ({ state }, { tool }) => {
    const times = timesOf(state, tool)
    state.tools.set(tool, { ...times, out: times.out + 1 })
  },
  'tool back': ({ state }, { tool }) => {
    const times = timesOf(state, tool)
    state.tools.set(tool, { ...times, back: times.back + 1 })
  },
  'work done': ({ state, by }, { workId, reading, note }) => {
    state.works.set(workId, { reading, note, ...by })
  },
  'changed for good': ({ state, by }, { kind: _, ...change }) => {
    state.changes.set(change.changeId, { ...change, ...by })
  },
}

function timesOf(state: JobState, tool: string): { out: number; back: number } {
  return state.tools.get(tool) ?? { out: 0, back: 0 }
}
