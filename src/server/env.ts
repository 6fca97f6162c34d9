import 'server-only'
import { z } from 'zod'

const Env = z.object({
  DATABASE_URL: z.string().min(1),
  /** The same database, by a role that reads and writes accounts and sessions and nothing else. */
  ACCOUNTS_DATABASE_URL: z.string().min(1),
  ISTRUZIONE_SECRET: z.string().min(16),
  ISTRUZIONE_ORIGIN: z.url(),
  /** '1' when the application listens on loopback only: one-tap demo sign-ins are allowed there and nowhere else. */
  ISTRUZIONE_LOOPBACK: z.enum(['0', '1']).default('0'),
  /** Whether anybody may set up a shop here, only who has the code that the start command prints, or nobody. */
  ISTRUZIONE_SETUP: z.enum(['open', 'code', 'closed']).default('open'),
  ISTRUZIONE_SETUP_CODE: z.string().default(''),
  /** In the shop's network: where a device learns to trust the shop's own authority, and that one's certificate. */
  ISTRUZIONE_TRUST_ORIGIN: z.url().optional(),
  ISTRUZIONE_ROOT_CERTIFICATE: z.string().optional(),
})
export type Env = z.infer<typeof Env>

let known: Env | null = null

/** The settings the start command gives. Missing ones are a bug of the start command and named at once. */
export function env(): Env {
  if (known) return known
  const parsed = Env.safeParse(process.env)
  if (!parsed.success)
    throw new Error(
      `These settings are missing or wrong: ${parsed.error.issues.map((issue) => issue.path.join('.')).join(', ')}. Start the application with bin/start.`,
    )
  known = parsed.data
  return known
}
