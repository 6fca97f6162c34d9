import 'server-only'
import { PlanRequest } from '@/core/plan/ask/planRequest'
import { emptyDocument } from '@/core/procedure/document'
import { DEFAULT_HOUSE_VALUES } from '@/core/shop/houseValues'
import { ShopRules } from '@/core/vehicle/rule'
import { env } from './env'
import { log } from './log'
import { onThread } from './threads'

/** The first question after a start would wait some seconds until a thread has read what it needs. */
async function warmThread(): Promise<void> {
  const request = PlanRequest.parse({ goals: [{ kind: 'part', partId: 'none', level: 'off' }], build: {} })
  const document = emptyDocument('Nothing')
  await onThread('plan', 'nobody', () => ({
    document,
    request,
    house: DEFAULT_HOUSE_VALUES,
    rules: ShopRules.parse({}),
  }))
}

/** Fails at once, with the names of what is missing, instead of at the first request. */
export function checkSettings(): void {
  const { ISTRUZIONE_ORIGIN, ISTRUZIONE_LOOPBACK } = env()
  // Only a favour: whatever becomes of it stops nothing.
  setTimeout(
    () => void warmThread().catch((error: unknown) => log.warn({ err: error }, 'no warm thread')),
    2000,
  ).unref()
  log.info({ origin: ISTRUZIONE_ORIGIN, loopback: ISTRUZIONE_LOOPBACK === '1' }, 'started')
}
