import 'server-only'
import { createHmac } from 'node:crypto'

export const DEMO_USERS = { installer: 'demo.installer', lead: 'demo.lead' } as const
export type DemoRole = keyof typeof DEMO_USERS

/** The demo's passwords are made from this installation's own secret: nobody can know them from the source. */
export function demoPassword(userName: string, secret: string): string {
  return createHmac('sha256', secret).update(`demo:${userName}`).digest('hex')
}
