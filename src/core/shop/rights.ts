/** What somebody is in the crew; each may do what those before it may. */
export const ROLES = ['installer', 'lead', 'owner'] as const
export type Role = (typeof ROLES)[number]

/**
 * What not everybody may do, and who it needs: the one who acts, by PIN, not the one who signed the device in. What
 * is not here anybody of the crew may. Who may write what into a job's log stands with the happenings.
 */
export const RIGHTS = {
  'publish a record': 'lead',
  'keep kits': 'lead',
  'change house values': 'lead',
  'change tools': 'lead',
  'keep stock': 'lead',
  'change words': 'lead',
  'look after devices': 'lead',
  'see figures of jobs': 'lead',
  'see what arrived odd': 'lead',
  'remove the demo': 'lead',
  'change rules of safety': 'owner',
  'bring people in and let them go': 'owner',
  'say who is authorised': 'owner',
  'give new secrets': 'owner',
  'see who came in': 'owner',
} as const satisfies Record<string, Exclude<Role, 'installer'>>
export type Act = keyof typeof RIGHTS

export function mayDo(act: Act, role: Role): boolean {
  return ROLES.indexOf(role) >= ROLES.indexOf(RIGHTS[act])
}

/** What somebody can be authorised for, besides their role, by those who answer for it under local rules. */
export const AIRBAG_CIRCUITS = 'airbag circuits'
