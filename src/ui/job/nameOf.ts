import type { JobData } from './useJob'

/** What somebody of the crew is called; "somebody" once they are gone. */
export function nameOf(data: Pick<JobData, 'crew'>, personId: string | null | undefined): string {
  return data.crew.find((person) => person.id === personId)?.name ?? 'somebody'
}
