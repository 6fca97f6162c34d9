import { z } from 'zod'

/** By what somebody signs a device in. */
export const UserName = z
  .string()
  .trim()
  .min(3, 'A user name has at least three characters.')
  .max(30, 'A user name has at most 30 characters.')
  .regex(/^[A-Za-z0-9_.]+$/, 'A user name may hold letters, digits, dot and underscore.')
export const Password = z
  .string()
  .min(10, 'A password has at least ten characters.')
  .max(128, 'A password has at most 128 characters.')
