import type { Id } from '@/core/base/id'
import { lastTaskOf, leadTasks, type LaidLeg, type LeadTask } from '@/core/plan/leads/leadTasks'
import type { FoundRun } from '@/core/plan/leads/leadLayout'
import type { PlanRequest } from '@/core/plan/ask/planRequest'
import type { ProcedureForBuild } from '@/core/procedure/forBuild'
import type { Hazard } from '@/core/procedure/wayWords'
import type { FittedKit } from '@/core/shop/kitHere'
import { leadTaskId, leadTaskOf } from '@/core/shop/leadTask'
import { WorkItem } from '@/core/shop/workItem'
import { WorkStep } from '@/core/shop/workStep'
import type { Circumstances } from '@/core/vehicle/circumstances'
import { lengthNote, lengthWords, SEALED_WITH, usedUp } from './leadNotes'
import { hazardWords } from './wayWords'

/** What is moved through all of its travel once a lead lies beside it. */
const MOVES: Partial<Readonly<Record<Hazard, string>>> = {
  pedal: 'each pedal through its whole travel, and back by itself',
  'steering column': 'lock to lock, and the column through its full tilt',
  'gear or brake linkage': 'the lever through all positions',
  'moving linkage': 'through its whole travel',
  actuator: 'through its whole range',
  hinge: 'opened and closed five times; on a fork: lock to lock, and the whole travel of the spring',
  'seat rail': 'the seat to both ends of its rail',
}

/**
 * A request with its leads as work: what is done for each run is a piece of work of its kit, with the access it needs,
 * so that plan, cards and balance treat it as any other. Whatever was made of leads before goes first, so that asking
 * again gives the same.
 */
export function withLeadWorks(
  model: ProcedureForBuild,
  request: PlanRequest,
  laid: { runs: readonly FoundRun[]; bySight: readonly Id[] },
  circumstances: Circumstances,
): PlanRequest {
  const bare = withoutLeadWorks(request)
  const tasks = leadTasks(model, bare.kits, laid.runs, laid.bySight, circumstances)
  return {
    ...bare,
    kits: bare.kits.map((fitted) =>
      withTasks(
        model,
        fitted,
        tasks.filter(({ kitId }) => kitId === fitted.kit.id),
      ),
    ),
  }
}

/** A kit with its tasks as work. What comes after a lead comes after its last task; a test, after its fuse as well. */
function withTasks(model: ProcedureForBuild, { kit, fit }: FittedKit, tasks: readonly LeadTask[]): FittedKit {
  const after = <T extends { afterWork: Id[] }>(item: T, standsFor: (leadId: Id) => (Id | null)[]): T => ({
    ...item,
    afterWork: [...new Set(item.afterWork.flatMap((id) => [id, ...standsFor(id).filter((task) => task !== null)]))],
  })
  const last = (id: Id) => [lastTaskOf(tasks, id)]
  const access = tasks.map(({ id, access }) => [id, access.map((item) => ({ ...item, when: {} }))])
  return {
    kit: {
      ...kit,
      works: [
        // The fuse comes after the joints of its lead, so these wait for its legs alone.
        ...kit.works.map((work) => after(work, last)),
        ...tasks.map((task) => asWork(model, task)),
        ...movementChecks(tasks),
      ],
      functions: kit.functions.map((item) => after(item, (id) => [...last(id), fuseOf(tasks, id)])),
    },
    fit: { ...fit, access: { ...fit.access, ...Object.fromEntries(access) } },
  }
}

/** A request as it was before anything was made of its leads. */
export function withoutLeadWorks(request: PlanRequest): PlanRequest {
  return { ...request, kits: request.kits.map(withoutTasks) }
}

function withoutTasks({ kit, fit }: FittedKit): FittedKit {
  const own = <T extends { afterWork: Id[] }>(item: T): T => ({
    ...item,
    afterWork: item.afterWork.filter((id) => leadTaskOf(id) === null),
  })
  return {
    kit: {
      ...kit,
      works: kit.works.filter(({ id }) => leadTaskOf(id) === null).map(own),
      functions: kit.functions.map(own),
    },
    fit: { ...fit, access: Object.fromEntries(Object.entries(fit.access).filter(([id]) => leadTaskOf(id) === null)) },
  }
}

function fuseOf(tasks: readonly LeadTask[], leadId: Id): Id | null {
  return tasks.find((task) => task.kind === 'fuse' && task.lead.id === leadId)?.id ?? null
}

/** A task as a piece of work, in words. */
function asWork(model: ProcedureForBuild, task: LeadTask): WorkItem {
  const { id, station, helperStation, tool, durationS, afterWork } = task
  return WorkItem.parse({
    ...{ id, station, helperStation, tool: tool || 'hand', durationS, afterWork, kind: 'route a lead' },
    persons: helperStation === null ? 1 : 2,
    when: 'lead' in task ? task.lead.when : {},
    ...SAID[task.kind](model, task as never),
  })
}

type Said = Pick<WorkItem, 'name'> & Partial<Pick<WorkItem, 'kind' | 'note' | 'consumables' | 'steps' | 'alsoTools'>>
type SaidOf = { [K in LeadTask['kind']]: (model: ProcedureForBuild, task: Extract<LeadTask, { kind: K }>) => Said }

const SAID: SaidOf = {
  ready: (_, { id, way, laying }) => ({
    name: `Make ready: ${way.name}`.slice(0, 80),
    steps: [
      step(id, 0, {
        act: 'do',
        words: laying.note || (laying.how === 'threaded' ? 'draw string or rod put through' : 'made ready'),
      }),
      ...(way.passage?.kind === 'to be drilled'
        ? [step(id, 1, { act: 'look at', words: 'what lies behind, before anything is drilled' })]
        : []),
    ],
  }),
  lay: (model, task) => {
    const { lead, run, legs } = task
    const [from, to] = [legs[0]?.fromId ?? run.pointIds[0]!, legs.at(-1)?.toId ?? run.pointIds.at(-1)!]
    return {
      name: `${lead.name}: ${nameOf(model, from)} to ${nameOf(model, to)}`.slice(0, 80),
      note: task.first ? lengthNote(model, task) : '',
      consumables: usedUp(model, task),
      steps: legs.flatMap((leg, i) => legSteps(model, task.id, leg, i)),
    }
  },
  seal: (_, { id, way }) => ({
    name: `Seal: ${way.name}`.slice(0, 80),
    consumables: SEALED_WITH[way.passage!.seal],
    steps: [
      step(id, 0, { act: 'do', words: sealWords(way.passage!) }),
      step(id, 1, { act: 'look at', words: 'no gap from the wet side, by eye or with water' }),
    ],
  }),
  fuse: (model, { id, lead, fuseA, conductorMm2, sourceId }) => ({
    name: `Fuse of ${lead.name}`.slice(0, 80),
    kind: 'join',
    note:
      conductorMm2 !== null && lead.electric?.conductorMm2 && lead.electric.conductorMm2 < conductorMm2
        ? `Its ${lead.electric.conductorMm2} mm² are too thin for this length and current: ${conductorMm2} mm².`
        : conductorMm2 !== null
          ? `At least ${conductorMm2} mm² for this length and current, by the house’s drop of 3 %.`
          : '',
    steps: [
      ...(lead.electric?.returns === 'by the body'
        ? [
            step(id, 1, {
              act: 'look at',
              words: 'its ground: bare metal, tight, edge treated',
              caution: 'Never at a bolt of a seat belt, of an airbag or of a tank strap.',
            }),
          ]
        : []),
      step(id, 0, {
        act: 'do',
        words: `${fuseA === null ? 'fuse' : `fuse of ${fuseA} A`} in, within 450 mm of ${nameOf(model, sourceId)} and before the first wall`,
        caution: 'Last of all: both ends are joined or capped, and nobody is at them.',
      }),
    ],
  }),
  sight: (_, { id, lead }) => ({
    name: `Lay ${lead.name} by sight`.slice(0, 80),
    note: 'No ways are recorded for it here: say afterwards which way it went.',
    steps: [
      step(id, 0, {
        act: 'look at',
        words: 'all along the way before it is laid: airbags and their leads first, then what moves, is hot or sharp',
        caution: 'Nobody has said what lies beside this way: look first.',
      }),
      step(id, 1, { act: 'lay', words: `${lead.name}; kept off what moves, is hot or sharp` }),
    ],
  }),
}

function step(taskId: Id, i: number, more: Partial<WorkStep>): WorkStep {
  return WorkStep.parse({ id: `${taskId}.${i}`.slice(-64), ...more, words: (more.words ?? '').slice(0, 160) })
}

function nameOf(model: ProcedureForBuild, pointId: Id): string {
  return model.waypoints.get(pointId)?.name ?? 'a point no longer in the record'
}

/** Where a leg goes, how it is laid, which mark sits where then; looked at first where nobody ever has. */
function legSteps(model: ProcedureForBuild, taskId: Id, leg: LaidLeg, i: number): WorkStep[] {
  const { way, laying, toId, markMm } = leg
  const near = way.passes.map(hazardWords).join('; ')
  const caution = [...leg.cautions.map(({ sentence }) => sentence), near && `${near}.`].filter(Boolean).join(' ')
  const looks = leg.lookFirst
    ? [
        step(taskId, 2 * i, {
          act: 'look at',
          words: `along ${way.name} for airbags and their leads, and for what moves, is hot or sharp`,
          caution: 'Nobody has said what lies beside this way: look first.',
        }),
      ]
    : []
  const lies = [laying.how, lengthWords(way.lengthMm), laying.note].filter(Boolean).join(', ')
  return [
    ...looks,
    step(taskId, 2 * i + 1, {
      act: 'lay',
      words: `to ${nameOf(model, toId)}, ${way.name}; ${lies}; tape at ${lengthWords(markMm)} sits there`,
      tool: laying.tool === 'hand' ? '' : laying.tool,
      wayId: way.id,
      caution: caution.slice(0, 200),
    }),
  ]
}

function sealWords({ seal, edge, through }: NonNullable<FoundPassage>): string {
  const grommet = edge === 'metal' && seal !== 'grommet' ? ' over edge trim' : ''
  return `${seal === 'none' ? 'edge covered' : `${seal} in and tight`}${grommet}, ${through} closed again`
}
type FoundPassage = LaidLeg['way']['passage']

/** What moves beside a lead is moved through all of its travel once it lies: a piece of work of its own. */
function movementChecks(tasks: readonly LeadTask[]): WorkItem[] {
  const after = new Map<Hazard, { afterWork: Id[]; station: string }>()
  for (const task of tasks)
    if (task.kind === 'lay')
      for (const { way } of task.legs)
        for (const { kind } of way.passes) {
          if (MOVES[kind] === undefined) continue
          const known = after.get(kind) ?? { afterWork: [], station: way.station }
          after.set(kind, { ...known, afterWork: [...new Set([...known.afterWork, task.id])].slice(0, 12) })
        }
  return [...after].map(([kind, { afterWork, station }]) => {
    const id = leadTaskId('moves', kind.replaceAll(' ', '-'), tasks[0]!.kitId)
    const words = `${MOVES[kind]!}: no lead is touched or pulled`
    return WorkItem.parse({
      ...{ id, name: `Moves clear: ${kind}`, kind: 'inspect', station, durationS: MOVE_S, afterWork },
      steps: [step(id, 0, { act: 'look at', words, caution: 'Hands out of the way of what moves.' })],
    })
  })
}
/** Seconds to move something through its travel and look: house estimate, no source. */
const MOVE_S = 15
