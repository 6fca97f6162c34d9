import { Memo } from './memo'
import { FAR } from './placeTables'
import type { SearchProblem } from './problem'
import { StateSpace } from './stateSpace'
import { StateStore } from './stateStore'

// Taken once: a look-up of the global for each state would show.
const { min } = Math

/** Which of the costs a relaxation keeps: some tools, part of the walking, or the settings. */
export type Keeps = {
  /** Tools whose taking up still costs; all others are at hand for nothing. */
  tools: readonly number[]
  /** The walking it keeps, between stations. */
  walkMs: readonly (readonly number[])[]
  settings: boolean
}

/** Beyond this many states nothing more is worked out exactly. */
const MOST_STATES = 300_000

/**
 * A problem that asks for less than the real one, solved exactly from any state by memoised recursion: since every move
 * does something, there are no circles. Its answer never exceeds what the kept costs come to in any order of the real
 * problem. Once it has grown too large, new states count only the tools still to be taken up: less, but still never too
 * much.
 */
export class Relaxation {
  private readonly space: StateSpace
  private readonly store: StateStore
  private readonly values = new Memo()
  private readonly scratch: Int32Array
  /** The real problem's tools as the relaxation knows them: 0 the hand, then the kept ones, then all others as one. */
  private readonly toolAs: number[]
  private readonly placeAs: number[]
  private most = MOST_STATES
  /** Children of the states that are being solved, and what each move costs. */
  private stackIds = new Int32Array(1024)
  private stackMs = new Float64Array(1024)
  private stacked = 0
  /** Per kept tool, the words of its operations and the least that taking it up costs. */
  private readonly uses: { tool: number; words: Int32Array; leastMs: number }[]

  constructor(problem: SearchProblem, keeps: Keeps) {
    const relaxed = relax(problem, keeps)
    this.toolAs = relaxed.toolAs
    this.placeAs = problem.walkMs.flatMap((_, station) =>
      Array.from({ length: problem.combinations }, (_, c) =>
        keeps.settings ? relaxed.stationAs[station]! * problem.combinations + c : relaxed.stationAs[station]!,
      ),
    )
    this.space = new StateSpace(relaxed.problem)
    this.store = new StateStore(this.space.words, this.space.places)
    this.scratch = new Int32Array(this.space.words)
    this.uses = keeps.tools.map((_, i) => {
      const tool = i + 1
      const words = new Int32Array(this.space.words)
      relaxed.problem.operations.forEach(
        (operation, at) => operation.tool === tool && (words[at >> 5]! |= 1 << (at & 31)),
      )
      return {
        tool,
        words,
        leastMs: min(...relaxed.problem.toolMs.map((row, from) => (from === tool ? Infinity : row[tool]!))),
      }
    })
  }

  /** The least that the kept costs come to from here on. `words`: what is done in the real problem. */
  value(words: Int32Array, offset: number, tool: number, place: number): number {
    for (let word = 0; word < this.space.words; word++) this.scratch[word] = words[offset + word]!
    const [asTool, asPlace] = [this.toolAs[tool]!, this.placeAs[place]!]
    this.space.close(this.scratch, 0, asTool, asPlace)
    this.space.standardise(this.scratch, 0)
    return this.solve(this.idOf(this.scratch, 0, asTool, asPlace))
  }

  /** Solves it from the beginning of the job; false when that takes more states than `most`. */
  solveFromStart(most: number): boolean {
    this.most = most
    this.atStart()
    this.most = MOST_STATES
    return this.store.count <= most
  }

  /** The least that the kept costs come to from the beginning of the job. */
  atStart(): number {
    const { tool } = this.space.problem.start
    this.scratch.fill(0)
    this.space.close(this.scratch, 0, tool, this.space.startPlace)
    this.space.standardise(this.scratch, 0)
    return this.solve(this.idOf(this.scratch, 0, tool, this.space.startPlace))
  }

  /** How many states it has looked at. */
  get size(): number {
    return this.store.count
  }

  private solve(id: number): number {
    const known = this.values.get(id)
    if (known >= 0) return known
    if (this.store.count > this.most) return this.values.set(id, this.toolsLeftMs(id))
    const { space, store } = this
    const at = id * store.stride
    if (space.isFinished(store.data, at)) return this.values.set(id, space.endMs(store.data, at, store.placeOf(id)))
    space.expand(store.data, at, store.toolOf(id), store.placeOf(id))
    // The next state to be expanded overwrites the children: theirs are kept on a stack.
    const from = this.stacked
    const to = (this.stacked += space.childCount)
    while (to > this.stackIds.length) this.growStack()
    for (let i = 0; i < space.childCount; i++) {
      this.stackMs[from + i] = space.childCost[i]!
      this.stackIds[from + i] = this.idOf(space.childWords, i * space.words, space.childTool[i]!, space.childPlace[i]!)
    }
    let best = FAR
    for (let i = from; i < to; i++)
      if (this.stackMs[i]! < best) best = min(best, this.stackMs[i]! + this.solve(this.stackIds[i]!))
    this.stacked = from
    return this.values.set(id, best)
  }

  /** Every kept tool that is still needed and not in hand is taken up at least once. */
  private toolsLeftMs(id: number): number {
    const { store, space } = this
    const [at, inHand] = [id * store.stride, store.toolOf(id)]
    let sum = 0
    for (const { tool, words, leastMs } of this.uses) {
      if (tool === inHand) continue
      for (let word = 0; word < space.words; word++)
        if ((words[word]! & ~store.data[at + word]!) !== 0) {
          sum += leastMs
          break
        }
    }
    return sum
  }

  private growStack(): void {
    const [ids, ms] = [this.stackIds, this.stackMs]
    this.stackIds = new Int32Array(ids.length * 2)
    this.stackIds.set(ids)
    this.stackMs = new Float64Array(ms.length * 2)
    this.stackMs.set(ms)
  }

  private idOf(words: Int32Array, offset: number, tool: number, place: number): number {
    return this.store.intern(words, offset, tool, place)
  }
}

function relax(
  problem: SearchProblem,
  keeps: Keeps,
): { problem: SearchProblem; toolAs: number[]; stationAs: number[] } {
  const other = keeps.tools.length + 1
  const toolAs = problem.toolMs.map((_, tool) =>
    tool === 0 ? 0 : keeps.tools.includes(tool) ? keeps.tools.indexOf(tool) + 1 : keeps.tools.length === 0 ? 0 : other,
  )
  const kinds = keeps.tools.length === 0 ? 1 : other + 1
  const toolMs = Array.from({ length: kinds }, (_, from) =>
    Array.from({ length: kinds }, (_, to) => {
      if (to === 0 || to === other || from === to) return 0
      const kept = keeps.tools[to - 1]!
      return min(...problem.toolMs.flatMap((row, tool) => (toolAs[tool] === from ? [row[kept]!] : [])))
    }),
  )
  const { settings } = keeps
  const { stationAs, walkMs } = merged(keeps.walkMs)
  return {
    toolAs,
    stationAs,
    problem: {
      ...problem,
      operations: problem.operations.map((operation) => ({
        ...operation,
        station: stationAs[operation.station]!,
        tool: toolAs[operation.tool]!,
        ...(!settings && { allowed: [true], guards: [] }),
      })),
      toolMs,
      walkMs,
      ...(settings
        ? { acts: problem.acts.map((act) => ({ ...act, station: stationAs[act.station]! })) }
        : { combinations: 1, acts: [], finish: [true] }),
      start: {
        tool: toolAs[problem.start.tool]!,
        station: stationAs[problem.start.station]!,
        combination: settings ? problem.start.combination : 0,
      },
    },
  }
}

/** Stations between which the way there and back costs nothing any more are one. */
function merged(walkMs: Keeps['walkMs']): { stationAs: number[]; walkMs: number[][] } {
  const kept: number[] = []
  const stationAs = walkMs.map((row, station) => {
    const known = kept.findIndex((other) => row[other] === 0 && walkMs[other]![station] === 0)
    return known >= 0 ? known : kept.push(station) - 1
  })
  return { stationAs, walkMs: kept.map((a) => kept.map((b) => walkMs[a]![b]!)) }
}
