import { z } from 'zod'
import { ProcedureDocument } from '../procedure/document'

/**
 * JSON Schema (draft 2020-12) of the native procedure file, made from the validators themselves so that the two can't
 * differ.
 */
export function procedureJsonSchema(): object {
  return { ...z.toJSONSchema(ProcedureDocument, { io: 'input', reused: 'ref' }), title: 'Istruzione procedure' }
}
