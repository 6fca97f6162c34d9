import type { Migration } from 'kysely'
import * as base from './0001_base'

/** Every migration in order. Forward only: a released one never changes, and there is no way down. */
export const MIGRATIONS: Record<string, Migration> = { '0001_base': base }
