import { ping } from '@/db/client'
import { database } from '@/server/database'
import { REFUSALS } from '@/words/refusals'

export const dynamic = 'force-dynamic'

/** For the start command and for whoever watches the server: is it up, and does the database answer? */
export async function GET(): Promise<Response> {
  try {
    await ping(database())
    return Response.json({ status: 'up' })
  } catch {
    return Response.json({ status: 'down', sentence: REFUSALS.databaseSilent }, { status: 503 })
  }
}
