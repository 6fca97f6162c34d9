import 'server-only'
import { betterAuth } from 'better-auth'
import { hashPassword } from 'better-auth/crypto'
import { APIError, createAuthMiddleware } from 'better-auth/api'
import { nextCookies } from 'better-auth/next-js'
import { twoFactor } from 'better-auth/plugins/two-factor'
import { username } from 'better-auth/plugins/username'
import type pg from 'pg'
import { REFUSALS } from '@/words/refusals'
import { UserName } from './accountNames'
import { writeAccessOfAccount } from './accessLog'
import { accountsPool } from './accountsDatabase'
import { ADDRESS_HEADER, addressOf } from './clientAddress'
import { env } from './env'
import { beginTry, succeeded, type Tried } from './tries'

/** Where a password or a code is tried over HTTP. Everything else of an account goes through forms of ours. */
const SIGN_IN = '/sign-in/username'
const CODES = ['/two-factor/verify-totp', '/two-factor/verify-backup-code']

/**
 * Sign-in by user name and password, and a second factor where somebody has one: hashed by the library, sessions end
 * after twelve hours, tries are counted by name and by address, slowed, and written down.
 */
export function authFor(pool: pg.Pool, secret: string, origin: string) {
  return betterAuth({
    appName: 'Istruzione',
    baseURL: origin,
    secret,
    telemetry: { enabled: false },
    logger: { disabled: true },
    database: pool,
    trustedOrigins: [origin, origin.replace('//localhost', '//127.0.0.1')],
    emailAndPassword: { enabled: true, minPasswordLength: 10, autoSignIn: false },
    disabledPaths: DISABLED,
    session: { expiresIn: 12 * 60 * 60, updateAge: 30 * 60, cookieCache: { enabled: false } },
    advanced: {
      cookiePrefix: 'istruzione',
      useSecureCookies: origin.startsWith('https:'),
      defaultCookieAttributes: { httpOnly: true, sameSite: 'lax' },
      ipAddress: { ipAddressHeaders: [ADDRESS_HEADER] },
    },
    rateLimit: { enabled: true, window: 60, max: 120, customRules: { [SIGN_IN]: { window: 60, max: 60 } } },
    plugins: [
      username({ minUsernameLength: 3, maxUsernameLength: 30 }),
      twoFactor({ issuer: 'Istruzione', skipVerificationOnEnable: false }),
      nextCookies(),
    ],
    hooks: {
      before: createAuthMiddleware(async (ctx) => {
        if (ctx.path !== SIGN_IN && !CODES.includes(ctx.path)) return
        // A code is asked for each time: no device is let off it.
        if (ctx.body?.trustDevice) throw new APIError('BAD_REQUEST', { message: REFUSALS.wrongCode })
        // Counted as failed until it has succeeded, so that many at once don't slip through.
        const waitS = await beginTry(triedBy(ctx.path, ctx.body, ctx.headers))
        if (waitS > 0) throw new APIError('TOO_MANY_REQUESTS', { message: REFUSALS.tooManyTries(waitS) })
        if (ctx.path === SIGN_IN && !UserName.safeParse(nameOf(ctx.body)).success) await refuseAsUnknown(ctx.body)
      }),
      after: createAuthMiddleware(async (ctx) => {
        if (ctx.path !== SIGN_IN && !CODES.includes(ctx.path)) return
        const session = ctx.context.newSession
        const returned = ctx.context.returned
        if (session) {
          await succeeded(triedBy(ctx.path, ctx.body, ctx.headers))
          // The password alone is half of it; and who turns the second half on has signed in before.
          if (ctx.path === SIGN_IN ? session.user.twoFactorEnabled : !signInOf(ctx.headers)) return
          await writeAccessOfAccount({ userId: session.user.id }, 'signed in', session.session.id)
        } else if (returned instanceof APIError && ctx.path === SIGN_IN)
          await writeAccessOfAccount({ username: nameOf(ctx.body) }, 'sign-in failed', null)
      }),
    },
  })
}

/** Accounts are made by the shop's owner or at set-up; what is changed goes through a form, where tries are slowed. */
const DISABLED = [
  '/sign-up/email',
  '/sign-in/email',
  '/change-email',
  '/change-password',
  '/set-password',
  '/verify-password',
  '/delete-user',
  '/update-user',
  '/request-password-reset',
  '/reset-password',
  '/is-username-available',
  '/two-factor/enable',
  '/two-factor/disable',
  '/two-factor/get-totp-uri',
  '/two-factor/generate-backup-codes',
  '/two-factor/send-otp',
  '/two-factor/verify-otp',
]

/** A code is tried against the sign-in that asked for it, which its cookie names. */
function triedBy(path: string, body: unknown, headers: Headers | undefined): Tried[] {
  const address: Tried = { kind: 'address', what: addressOf(headers) }
  if (path === SIGN_IN) return [{ kind: 'user name', what: nameOf(body) }, address]
  return [{ kind: 'second factor', what: signInOf(headers) ?? '' }, address]
}

/** The sign-in that waits for a code, by its cookie. */
function signInOf(headers: Headers | undefined): string | undefined {
  return /istruzione\.two_factor=([^;]+)/.exec(headers?.get('cookie') ?? '')?.[1]
}

/** A name that nobody can have costs as much time as one that somebody has, and gets the same answer. */
async function refuseAsUnknown(body: unknown): Promise<never> {
  const password = typeof body === 'object' && body !== null && 'password' in body ? String(body.password) : ''
  await hashPassword(password.slice(0, 128))
  throw new APIError('UNAUTHORIZED', { message: 'Invalid username or password' })
}

function nameOf(body: unknown): string {
  const name = typeof body === 'object' && body !== null && 'username' in body ? body.username : ''
  return typeof name === 'string' ? name.toLowerCase().slice(0, 60) : ''
}

type Auth = ReturnType<typeof authFor>
const shared = globalThis as { istruzioneAuth?: Auth }

/** The sign-in library over its own schema, opened on first use. */
export function auth(): Auth {
  shared.istruzioneAuth ??= authFor(accountsPool(), env().ISTRUZIONE_SECRET, env().ISTRUZIONE_ORIGIN)
  return shared.istruzioneAuth
}
