import type { Id } from '../base/id'
import type { ProcedureDocument } from '../procedure/document'
import type { Setting } from '../procedure/setting'
import type { Tether } from '../procedure/tether'

/**
 * The plug of a record that a name means: that of the part in question before any other. `onlyThere`: the part was
 * named. On a strip (`isOpen`) one of another part counts only while it is closed: two panels may each have a lamp.
 */
export function plugSaid(
  document: ProcedureDocument,
  name: string,
  partId: Id | null,
  onlyThere: boolean,
  isOpen?: (tetherId: Id) => boolean,
): Tether | undefined {
  const named = document.tethers.filter((tether) => tether.name.toLowerCase() === name.toLowerCase())
  const there = named.find((tether) => tether.partId === partId && partId !== null)
  return there ?? (onlyThere ? undefined : named.find((tether) => !isOpen?.(tether.id)))
}

/** The setting of a record that a line means, and its value; null where it has none such. */
export function settingSaid(
  document: ProcedureDocument,
  { setting: name, value: said }: { setting: string; value: string },
): { setting: Setting; value: string } | null {
  const setting = document.settings.find((item) => item.name.toLowerCase().includes(name) || item.role === name)
  const value = setting?.values.find((item) => item.toLowerCase() === said)
  return setting && value !== undefined ? { setting, value } : null
}
