import { nextStamp } from '../base/clock'
import type { Stamp } from '../base/stamp'
import type { Id } from '../base/id'
import { JobEvent, type Happening } from '../job/event'
import { foldJob } from '../job/fold'
import type { JobState } from '../job/jobState'
import type { ProcedureDocument } from '../procedure/document'
import { namesOf, understand } from '../shorthand/understand'
import { correctionOf } from '../shorthand/correction'
import { leftBehind } from './caught'
import { offeredFor, takeLooseEnds } from './looseEnds'
import { questionsOf, type Question } from './questions'
import { stripDocument } from './stripDocument'
import { takeLine, type LineToTake, type TakenLine } from './takeLine'
import { EVENT_VERSION } from '../job/eventVersion'

/**
 * Somebody at a vehicle, without an interface: says lines, takes loose ends, answers, and what they said can be looked
 * at.
 */
export class Recorder {
  readonly events: JobEvent[] = []
  inHand: Id | null = null
  private last: TakenLine | null = null
  private at: Stamp | null = null
  private count = 0
  private readonly prefix: string

  constructor(
    readonly base: ProcedureDocument,
    name = 'a',
  ) {
    this.prefix = name
  }

  get document(): ProcedureDocument {
    return stripDocument(this.base, this.events)
  }

  get state(): JobState {
    return foldJob(this.document, this.events)
  }

  readonly newId = (prefix: string): Id => `${prefix}-${this.prefix}${++this.count}`

  happen(...happenings: Happening[]): JobEvent[] {
    this.last = null
    return this.append(happenings, 'counted')
  }

  private append(happenings: readonly Happening[], certainty: 'counted' | 'assumed'): JobEvent[] {
    const made = happenings.map((what) => {
      this.at = nextStamp(this.at, 1_764_000_000_000 + this.events.length * 10_000)
      return JobEvent.parse({
        id: crypto.randomUUID(),
        jobId: JOB,
        v: EVENT_VERSION,
        deviceId: DEVICE,
        seq: ++this.count,
        at: this.at,
        personId: PERSON,
        certainty,
        what,
      })
    })
    this.events.push(...made)
    return made
  }

  /** Says a line that leaves nothing to ask; throws where it does, since a test's line is meant to be clear. */
  say(line: string): void {
    const read = understand(line, namesOf(this.document))
    const correction = this.last ? correctionOf(this.last.facts, read) : null
    const { facts, asks, notUnderstood, called } = correction?.understood ?? read
    if (asks.length > 0 || notUnderstood.length > 0)
      throw new Error(
        `“${line}” is not clear: ${[...asks.map(({ ask }) => ask), ...notUnderstood.map(({ said }) => said)].join(', ')}`,
      )
    this.take({ facts, called, said: line, note: null, correction })
  }

  /** Takes a line, or what of it is clear. */
  take(line: LineToTake): void {
    const { base, document, state, events } = this
    const taking = takeLine({ base, document, state, events }, line, this.inHand, this.last, this.newId)
    if (taking.takesBack) this.takeBack(events.filter(({ id }) => this.last!.eventIds.includes(id)))
    const made = [...this.append(taking.assumed, 'assumed'), ...this.append(taking.happenings, 'counted')]
    const { facts, called, said, handBefore } = taking
    this.last = { facts, called, said, hand: handBefore, eventIds: made.map(({ id }) => id) }
    this.inHand = taking.inHand
  }

  turnTo(name: string): void {
    if (this.inHand) this.append(leftBehind(this.document, this.state, this.inHand), 'assumed')
    this.inHand = this.part(name)
  }

  off(name: string): void {
    this.happen({ kind: 'part at', partId: this.part(name), level: 'off' })
  }

  /** Takes everything that is offered for the part in hand. */
  takeAll(): void {
    const edits = takeLooseEnds(
      this.document,
      this.state,
      offeredFor(this.document, this.state, this.inHand!).map(({ id }) => id),
      this.inHand!,
      this.newId,
    )
    if (edits.length > 0) this.happen({ kind: 'stated', said: '', edits })
  }

  takeBack(events: readonly JobEvent[]): void {
    for (const event of events)
      this.events.push(JobEvent.parse({ ...this.happen({ kind: 'taken back' })[0]!, corrects: event.id }))
  }

  questions(): Question[] {
    return questionsOf(this.document, this.state)
  }

  part(name: string): Id {
    return this.document.parts.find((part) => part.name.toLowerCase() === name.toLowerCase())!.id
  }

  holder(partName: string, kind: string, size = ''): Id {
    return this.document.holders.find(
      (holder) =>
        holder.kind === kind &&
        (size === '' || holder.drives.some((drive) => drive.size === size)) &&
        (partName === '' ? holder.holds.length === 0 : holder.holds.includes(this.part(partName))),
    )!.id
  }
}

export const JOB = '6f9619ff-8b86-4d01-8b42-00cf4fc964ff'
const DEVICE = '6f9619ff-8b86-4d01-8b42-00cf4fc964fe'
const PERSON = '6f9619ff-8b86-4d01-8b42-00cf4fc964fd'
