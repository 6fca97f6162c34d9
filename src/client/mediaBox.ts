import { openDB, type DBSchema, type IDBPDatabase } from 'idb'

/**
 * A picture or a few spoken words on this device. `unclaimed`: taken before its job was open; the job's log does not
 * know of it yet.
 */
export type Medium = {
  id: string
  jobId: string
  kind: 'photo' | 'voice'
  blob: Blob
  seconds: number
  width: number
  height: number
  unclaimed: boolean
}

interface Tables extends DBSchema {
  media: { key: string; value: Medium; indexes: { job: string } }
}

/** Pictures and voices: kept in IndexedDB before anything is sent, and sent until the shop has them. */
export class MediaBox {
  private database: Promise<IDBPDatabase<Tables>> | null = null
  private sending: Promise<void> | null = null
  private readonly refused = new Set<string>()

  constructor(
    private readonly shopId: string,
    private readonly send: (medium: Medium) => Promise<'stored' | 'refused' | 'offline'>,
  ) {}

  private open(): Promise<IDBPDatabase<Tables>> {
    this.database ??= openDB<Tables>(`istruzione-media-${this.shopId}`, 1, {
      upgrade(db) {
        db.createObjectStore('media', { keyPath: 'id' }).createIndex('job', 'jobId')
      },
    })
    return this.database
  }

  async keep(medium: Medium): Promise<void> {
    await (await this.open()).put('media', medium)
    void this.flush()
  }

  /** What this device still holds of a job: not in the shop yet, or not told to the job's log. */
  async waiting(jobId: string): Promise<Medium[]> {
    return (await this.open()).getAllFromIndex('media', 'job', jobId)
  }

  /** The job's log knows of it now; it may go once it is sent. */
  async claim(id: string): Promise<void> {
    const db = await this.open()
    const medium = await db.get('media', id)
    if (medium) await db.put('media', { ...medium, unclaimed: false })
    void this.flush()
  }

  /** Sends what waits, one at a time. What the shop refuses stays here and is not tried again in this page. */
  flush(): Promise<void> {
    this.sending ??= this.sendAll().finally(() => {
      this.sending = null
    })
    return this.sending
  }

  private async sendAll(): Promise<void> {
    const db = await this.open()
    for (const medium of await db.getAll('media')) {
      if (medium.unclaimed || this.refused.has(medium.id)) continue
      const answer = await this.send(medium)
      if (answer === 'offline') return
      if (answer === 'refused') this.refused.add(medium.id)
      if (answer === 'stored') await db.delete('media', medium.id)
    }
  }
}
