import 'server-only'
import { statfs, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { lackBehind, type Lack } from './outOfOrder'

/** The database writes its log in files of this size and stops where it can't make the next one. */
const ONE_MORE_FILE_BYTES = 16 * 1024 * 1024

/**
 * The disk where the data lies: bytes free, and why nothing can be kept there. Nothing where nobody said where it is.
 */
export async function diskOfData(): Promise<{ freeBytes: number | null; lack: Lack | null }> {
  const folder = process.env.ISTRUZIONE_DATA_FOLDER
  if (!folder) return { freeBytes: null, lack: null }
  try {
    const { bavail, bsize } = await statfs(folder)
    // A disk that the system has given up on may still say that it can be written to.
    await writeFile(join(folder, '.last-written'), new Date().toISOString())
    const freeBytes = bavail * bsize
    return { freeBytes, lack: freeBytes < ONE_MORE_FILE_BYTES ? 'room' : null }
  } catch (error) {
    return { freeBytes: null, lack: lackBehind(error) ?? 'a disk that takes something' }
  }
}

/** What lacks at the root: a database that does not answer may have ended because of its disk. */
export async function rootOf(lack: Lack): Promise<Lack> {
  return lack === 'a database' ? ((await diskOfData()).lack ?? lack) : lack
}
