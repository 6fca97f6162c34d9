import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import type { JobEvent } from '@/core/job/event'

interface Tables extends DBSchema {
  waiting: { key: string; value: JobEvent; indexes: { job: string } }
  facts: { key: string; value: string | number }
}

/** What this device keeps in IndexedDB until the shop has it. */
export class JobStore {
  private database: Promise<IDBPDatabase<Tables>> | null = null

  constructor(private readonly shopId: string) {}

  private open(): Promise<IDBPDatabase<Tables>> {
    // One database a shop: signing in to another shop on the same tablet never mixes two outboxes.
    this.database ??= openDB<Tables>(`istruzione-${this.shopId}`, 1, {
      upgrade(db) {
        db.createObjectStore('waiting', { keyPath: 'id' }).createIndex('job', 'jobId')
        db.createObjectStore('facts')
      },
    })
    return this.database
  }

  /** This device's id: made once, on first use. */
  async deviceId(proposed: string): Promise<string> {
    const db = await this.open()
    const known = await db.get('facts', 'deviceId')
    if (typeof known === 'string') return known
    await db.put('facts', proposed, 'deviceId')
    return proposed
  }

  async keep(events: readonly JobEvent[]): Promise<void> {
    const transaction = (await this.open()).transaction(['waiting', 'facts'], 'readwrite', { durability: 'strict' })
    for (const event of events) void transaction.objectStore('waiting').put(event)
    void transaction.objectStore('facts').put(Math.max(...events.map((event) => event.seq)), 'seq')
    await transaction.done
  }

  async sent(ids: readonly string[]): Promise<void> {
    const transaction = (await this.open()).transaction('waiting', 'readwrite')
    for (const id of ids) void transaction.store.delete(id)
    await transaction.done
  }

  /** Events kept earlier; one that no longer parses is left where it is and not sent. */
  async waiting(jobId: string): Promise<JobEvent[]> {
    const rows = await (await this.open()).getAllFromIndex('waiting', 'job', jobId)
    if (rows.length === 0) return []
    const { StoredEvent } = await import('./eventDoor')
    return rows.flatMap((row) => {
      const parsed = StoredEvent.safeParse(row)
      return parsed.success ? [parsed.data] : []
    })
  }

  async highestSeq(): Promise<number> {
    const seq = await (await this.open()).get('facts', 'seq')
    return typeof seq === 'number' ? seq : 0
  }
}
