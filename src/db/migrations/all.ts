import type { Migration } from 'kysely'
import * as base from './0001_base'
import * as shop from './0002_shop'
import * as foundPlan from './0003_foundPlan'
import * as houseWords from './0004_houseWords'
import * as strips from './0005_strips'
import * as evidence from './0006_evidence'
import * as devices from './0008_devices'
import * as saidBuild from './0007_saidBuild'
import * as whoCame from './0009_whoCame'
import * as marks from './0010_marks'
import * as stock from './0011_stock'

/** Every migration in order. Forward only: a released one never changes, and there is no way down. */
export const MIGRATIONS: Record<string, Migration> = {
  '0001_base': base,
  '0002_shop': shop,
  '0003_foundPlan': foundPlan,
  '0004_houseWords': houseWords,
  '0005_strips': strips,
  '0006_evidence': evidence,
  '0007_saidBuild': saidBuild,
  '0008_devices': devices,
  '0009_whoCame': whoCame,
  '0010_marks': marks,
  '0011_stock': stock,
}
