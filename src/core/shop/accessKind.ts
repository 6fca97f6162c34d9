/** Everything that is written down about who came in and who may what. */
export const ACCESS_KINDS = [
  'signed in',
  'sign-in failed',
  'signed out',
  'device signed out',
  'acts',
  'wrong PIN',
  'refused',
  'brought in',
  'left',
  'authorised',
  'PIN changed',
  'PIN given anew',
  'password changed',
  'password given anew',
  'second factor on',
  'second factor off',
] as const
export type AccessKind = (typeof ACCESS_KINDS)[number]
