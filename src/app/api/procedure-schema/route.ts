import { procedureJsonSchema } from '@/core/formats/procedureJsonSchema'

/** The published JSON Schema of the native procedure file. */
export function GET(): Response {
  return Response.json(procedureJsonSchema())
}
