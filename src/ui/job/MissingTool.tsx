'use client'
import { isDone } from '@/core/job/progress'
import { toolWords } from '@/words/items'
import type { PlannedJob } from './useJob'
import { allSteps } from '@/core/plan/show/planOnCards'

/** A tool that is not there: the rest is planned without it, or it is said what can't be done then. */
export function MissingTool({ job, without }: { job: PlannedJob; without: (tool: string) => void }) {
  const tools = [
    ...new Set(
      allSteps(job.plan)
        .filter((step) => !isDone(job.state, step.operation))
        .map((step) => step.tool),
    ),
  ].filter((tool) => tool !== 'hand' && tool !== '')
  if (tools.length === 0) return <p className="text-xl">What is left is done by hand.</p>
  return (
    <div className="grid gap-2">
      {tools.map((tool) => (
        <button key={tool} type="button" className="ghost text-xl" onClick={() => without(tool)}>
          {toolWords(tool)}
        </button>
      ))}
    </div>
  )
}
