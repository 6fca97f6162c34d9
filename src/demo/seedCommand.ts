import { makeDb } from '../db/client'
import { wantsDemo } from './wantsDemo'

/** Writes the demo into an empty database; a database with any shop in it is left alone. Run by the start command. */
async function main(): Promise<void> {
  const owner = makeDb(process.env.DATABASE_OWNER_URL)
  try {
    if (!(await wantsDemo(owner))) return
    process.stdout.write('-- writing the demo data\n')
    // Loaded only when it is wanted: a second start takes a moment, not seconds.
    const { seedDemo } = await import('./seed')
    const app = makeDb(process.env.DATABASE_URL)
    await seedDemo(app, process.env.ISTRUZIONE_SECRET ?? '', Date.now())
    await app.destroy()
  } finally {
    await owner.destroy()
  }
}

await main()
process.exit(0)
