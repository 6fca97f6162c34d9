import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import type { JobEvent } from '@/core/job/event'
import type { ReadEvents } from '@/core/job/readEvents'

interface Tables extends DBSchema {
  waiting: { key: string; value: JobEvent; indexes: { job: string } }
  facts: { key: string; value: string | number }
  /** Why the shop will never take one of them, by its id. */
  refused: { key: string; value: string }
}

/** What this device keeps in IndexedDB until the shop has it. */
export class JobStore {
  private database: Promise<IDBPDatabase<Tables>> | null = null

  constructor(private readonly shopId: string) {}

  private open(): Promise<IDBPDatabase<Tables>> {
    // One database a shop: signing in to another shop on the same tablet never mixes two outboxes.
    this.database ??= openDB<Tables>(`istruzione-${this.shopId}`, 2, {
      upgrade(db, from) {
        if (from < 1) {
          db.createObjectStore('waiting', { keyPath: 'id' }).createIndex('job', 'jobId')
          db.createObjectStore('facts')
        }
        db.createObjectStore('refused')
      },
      // A page of a newer version, in another tab, may not have to wait for this one.
      blocking: () => {
        void this.database?.then((db) => db.close())
        this.database = null
      },
    })
    return this.database
  }

  /** This device's id: made once, on first use. */
  async deviceId(proposed: string): Promise<string> {
    // In one transaction: a page's log and its beat may both be the first to ask.
    const { store, done } = (await this.open()).transaction('facts', 'readwrite')
    const known = await store.get('deviceId')
    const id = typeof known === 'string' ? known : proposed
    if (id !== known) await store.put(id, 'deviceId')
    await done
    return id
  }

  async keep(events: readonly JobEvent[]): Promise<void> {
    const transaction = (await this.open()).transaction(['waiting', 'facts'], 'readwrite', { durability: 'strict' })
    for (const event of events) void transaction.objectStore('waiting').put(event)
    void transaction.objectStore('facts').put(Math.max(...events.map((event) => event.seq)), 'seq')
    await transaction.done
  }

  /** Nothing of these is kept here any more. */
  async sent(ids: readonly string[]): Promise<void> {
    if (ids.length === 0) return
    const transaction = (await this.open()).transaction(['waiting', 'refused'], 'readwrite')
    for (const id of ids) {
      void transaction.objectStore('waiting').delete(id)
      void transaction.objectStore('refused').delete(id)
    }
    await transaction.done
  }

  /** An event that the shop will never take as it is stays here, with why, until a person decides. */
  async refuse(id: string, sentence: string): Promise<void> {
    await (await this.open()).put('refused', sentence, id)
  }

  /** What was kept earlier, and what of it the shop refused; what no longer parses stays where it is, unsent. */
  async waiting(jobId: string): Promise<ReadEvents & { refused: ReadonlyMap<string, string> }> {
    const db = await this.open()
    const rows = await db.getAllFromIndex('waiting', 'job', jobId)
    if (rows.length === 0) return { events: [], notUnderstood: [], refused: new Map() }
    const { readEvents } = await import('./eventDoor')
    const refused = new Map<string, string>()
    for (const { id } of rows) {
      const sentence = await db.get('refused', id)
      if (sentence !== undefined) refused.set(id, sentence)
    }
    return { ...readEvents(rows), refused }
  }

  /** How many events of all jobs are kept here and not in the shop. */
  async countWaiting(): Promise<number> {
    return (await this.open()).count('waiting')
  }

  async highestSeq(): Promise<number> {
    const seq = await (await this.open()).get('facts', 'seq')
    return typeof seq === 'number' ? seq : 0
  }
}
