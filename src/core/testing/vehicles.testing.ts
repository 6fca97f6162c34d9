import { readFileSync } from 'node:fs'
import type { ProcedureDocument } from '../procedure/document'
import { readDocument } from '../procedure/documentMigrations'

/**
 * The vehicles that core's tests take apart, one fact a line in the JSON files beside this one. They began as the
 * demo's and stand here by themselves, so that a change of the demo changes no expected value. Each call: a new one.
 */
function frozen(name: string): () => ProcedureDocument {
  const text = readFileSync(`src/core/testing/${name}.json`, 'utf8')
  return () => readDocument(JSON.parse(text))
}

/** The van of the worked example. */
export const panelVan = frozen('panelVan')
export const patrolMotorcycle = frozen('patrolMotorcycle')
export const smallBus = frozen('smallBus')
export const roadWorksPickup = frozen('roadWorksPickup')
