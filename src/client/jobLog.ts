import type { Happening, JobEvent } from '@/core/job/event'
import { laterStamp, nextStamp } from '@/core/base/clock'
import type { Stamp } from '@/core/base/stamp'
import type { JobStore } from './jobStore'
import { EVENT_VERSION } from '@/core/job/eventVersion'
import { newUuid } from './newId'
import { sendWaiting, type Refusal, type Send, type Trouble } from './outbox'

export type LogSnapshot = {
  events: readonly JobEvent[]
  /** Ids that are on this device and not yet in the shop. */
  waiting: ReadonlySet<string>
  /** Ids of those that the shop will never take as they are, with why; a person decides what becomes of them. */
  refused: ReadonlyMap<string, string>
  /** Ids of what was written by a newer program than this page: nobody knows here what it says. */
  notUnderstood: ReadonlySet<string>
  /** How many events the device is still writing down; zero = all of them are kept. */
  writing: number
  /** Why sending stopped the last time it was tried; null once the shop has taken something again. */
  trouble: Trouble | null
  /** False while the device refuses to keep anything (a private window, a full disk). */
  keeps: boolean
}

/**
 * The events of one job on this tablet: what the shop has, and what is kept here until it does. An event is applied at
 * once, kept on the device before it is sent, and sent until the shop says it is stored.
 */
export class JobLog {
  private readonly events = new Map<string, JobEvent>()
  /**
   * The events as a list; null once one came in. What only is written or sent leaves it the same, and its readers too.
   */
  private list: readonly JobEvent[] | null = null
  private readonly waiting = new Set<string>()
  private readonly refused = new Map<string, string>()
  private readonly notUnderstood = new Set<string>()
  private readonly unwritten = new Set<string>()
  private readonly listeners = new Set<() => void>()
  private snapshot: LogSnapshot
  private trouble: Trouble | null = null
  private keeps = true
  private last: Stamp | null = null
  private seq = 0
  private opening: Promise<void> | null = null
  private sending: Promise<void> | null = null
  private writes: Promise<unknown> = Promise.resolve()
  /** Trims and checks what is written down here; null until the door is loaded, while the shop's own still does. */
  private parse: ((event: JobEvent) => JobEvent) | null = null

  constructor(
    private readonly jobId: string,
    private readonly store: JobStore,
    private readonly send: Send,
    private readonly nowMs: () => number,
    private deviceId: string,
    fromShop: readonly JobEvent[],
  ) {
    for (const event of fromShop) this.take(event)
    this.snapshot = this.freeze()
  }

  /** Brings in what this device kept earlier, and begins to send it. Asked again, it is the same opening. */
  open(): Promise<void> {
    this.opening ??= this.bringIn()
    return this.opening
  }

  private async bringIn(): Promise<void> {
    try {
      this.deviceId = await this.store.deviceId(this.deviceId)
      const kept = await this.store.waiting(this.jobId)
      for (const event of kept.events) {
        this.take(event)
        const refusal = kept.refused.get(event.id)
        if (refusal === undefined) this.waiting.add(event.id)
        else this.refused.set(event.id, refusal)
      }
      if (this.refused.size > 0) this.goOnFromTaken()
      for (const id of kept.notUnderstood) this.notUnderstood.add(id)
      this.seq = Math.max(this.seq, await this.store.highestSeq())
    } catch {
      this.keeps = false
    }
    this.publish()
    await this.flush()
  }

  /** From now on what happens here is trimmed and checked as the shop does it. */
  checkBy(parse: (event: JobEvent) => JobEvent): void {
    this.parse = parse
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener)
    return () => this.listeners.delete(listener)
  }
  readonly getSnapshot = (): LogSnapshot => this.snapshot

  /** Records what happened, all at once for the eye; returns the new events. */
  append(
    personId: string,
    happenings: readonly Happening[],
    { corrects = null, certainty = 'counted' }: { corrects?: string | null; certainty?: JobEvent['certainty'] } = {},
  ): JobEvent[] {
    if (happenings.length === 0) return []
    const made = happenings.map((what) => {
      this.last = nextStamp(this.last, this.nowMs())
      this.seq += 1
      const event: JobEvent = {
        id: newUuid(),
        jobId: this.jobId,
        v: EVENT_VERSION,
        deviceId: this.deviceId,
        seq: this.seq,
        at: this.last,
        personId,
        corrects,
        certainty,
        what,
      }
      return this.parse?.(event) ?? event
    })
    for (const event of made) {
      this.events.set(event.id, event)
      this.list = null
      this.waiting.add(event.id)
      this.unwritten.add(event.id)
    }
    this.publish()
    // Kept first, sent afterwards: a browser that dies in between has lost nothing. What can't be kept is sent at once.
    const written = (keeps: boolean) => {
      for (const event of made) this.unwritten.delete(event.id)
      this.keeps = keeps
      this.publish()
      return this.flush()
    }
    this.writes = this.writes
      .then(() => this.store.keep(made))
      .then(
        () => written(true),
        () => written(false),
      )
    return made
  }

  /** Takes events back, each by a new event that leaves nothing of it. */
  takeBack(personId: string, eventIds: readonly string[]): JobEvent[] {
    return [...eventIds].reverse().flatMap((id) => this.append(personId, [{ kind: 'taken back' }], { corrects: id }))
  }

  /** What came from the shop (another device's), and the ids of what could not be read of it. */
  receive(events: readonly JobEvent[], notUnderstood: readonly string[] = []): void {
    const before = this.events.size + this.notUnderstood.size
    for (const event of events) this.take(event)
    for (const id of notUnderstood) this.notUnderstood.add(id)
    if (this.events.size + this.notUnderstood.size !== before) this.publish()
  }

  /** Leaves nothing of what the shop refused: as if it had not been tapped here. */
  async discard(eventIds: readonly string[]): Promise<void> {
    const gone = eventIds.filter((id) => this.refused.has(id))
    for (const id of gone) {
      this.refused.delete(id)
      this.events.delete(id)
    }
    this.list = null
    this.goOnFromTaken()
    this.publish()
    await this.store.sent(gone).catch(() => undefined)
  }

  /** A stamp that the shop refused (from a clock far ahead) must not drag along what is tapped next. */
  private goOnFromTaken(): void {
    this.last = null
    for (const { id, at } of this.events.values()) if (!this.refused.has(id)) this.last = laterStamp(this.last, at)
  }

  flush(): Promise<void> {
    this.sending ??= this.sendAll().finally(() => {
      this.sending = null
    })
    return this.sending
  }

  private async sendAll(): Promise<void> {
    const tried = new Set<string>()
    const untried = () => [...this.waiting].filter((id) => !tried.has(id))
    // What is tapped while something is sent goes at once as well.
    for (let ids = untried(); ids.length > 0; ids = untried()) {
      for (const id of ids) tried.add(id)
      const trouble = await sendWaiting(
        ids.map((id) => this.events.get(id)!),
        this.send,
        (stored, refused) => this.told(stored, refused),
      )
      this.trouble = trouble
      this.publish()
      if (trouble) return
    }
  }

  /** What the shop has is no longer kept here; what it will never take is kept apart. */
  private async told(stored: readonly string[], refused: readonly Refusal[]): Promise<void> {
    const never = refused.filter(({ eventId, forGood }) => forGood && this.waiting.has(eventId))
    for (const id of stored) this.waiting.delete(id)
    for (const { eventId, sentence } of never) {
      this.waiting.delete(eventId)
      this.refused.set(eventId, sentence)
    }
    if (never.length > 0) this.goOnFromTaken()
    await this.store.sent(stored).catch(() => undefined)
    for (const { eventId, sentence } of never) await this.store.refuse(eventId, sentence).catch(() => undefined)
    this.publish()
  }

  private take(event: JobEvent): void {
    if (this.events.has(event.id)) return
    this.events.set(event.id, event)
    this.list = null
    this.last = laterStamp(this.last, event.at)
    if (event.deviceId === this.deviceId) this.seq = Math.max(this.seq, event.seq)
  }

  private publish(): void {
    this.snapshot = this.freeze()
    for (const listener of this.listeners) listener()
  }

  private freeze(): LogSnapshot {
    this.list ??= [...this.events.values()]
    const { trouble, keeps } = this
    return {
      events: this.list,
      waiting: new Set(this.waiting),
      refused: new Map(this.refused),
      notUnderstood: new Set(this.notUnderstood),
      writing: this.unwritten.size,
      trouble,
      keeps,
    }
  }
}
