import { makeDb } from '../db/client'
import { seedDemo, wantsDemo } from './seed'

/** Writes the demo into an empty database; a database with any shop in it is left alone. Run by the start command. */
async function main(): Promise<void> {
  const owner = makeDb(process.env.DATABASE_OWNER_URL)
  const app = makeDb(process.env.DATABASE_URL)
  try {
    if (!(await wantsDemo(owner))) return
    process.stdout.write('-- writing the demo data\n')
    await seedDemo(app, process.env.ISTRUZIONE_SECRET ?? '', Date.now())
  } finally {
    await owner.destroy()
    await app.destroy()
  }
}

await main()
process.exit(0)
