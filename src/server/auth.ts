import 'server-only'
import { betterAuth } from 'better-auth'
import { APIError, createAuthMiddleware } from 'better-auth/api'
import { nextCookies } from 'better-auth/next-js'
import { username } from 'better-auth/plugins/username'
import type pg from 'pg'
import { makePool } from '../db/client'
import { env } from './env'
import { slowDown } from './slowDown'
import { REFUSALS } from '@/words/refusals'

/**
 * Sign-in by user name and password: hashed by the library, sessions end after twelve hours, too many tries are slowed.
 */
export function authFor(pool: pg.Pool, secret: string, origin: string) {
  return betterAuth({
    appName: 'Istruzione',
    baseURL: origin,
    secret,
    telemetry: { enabled: false },
    database: pool,
    trustedOrigins: [origin, origin.replace('//localhost', '//127.0.0.1')],
    emailAndPassword: { enabled: true, minPasswordLength: 10, autoSignIn: false },
    // Accounts are made by the shop's owner or at set-up, never by posting to the library's own route.
    disabledPaths: [
      '/sign-up/email',
      '/sign-in/email',
      '/change-email',
      // Changed through a form of ours, where wrong tries are slowed.
      '/change-password',
      '/set-password',
      '/verify-password',
      '/delete-user',
      '/update-user',
      '/request-password-reset',
      '/reset-password',
      '/is-username-available',
    ],
    session: { expiresIn: 12 * 60 * 60, updateAge: 30 * 60, cookieCache: { enabled: false } },
    advanced: {
      cookiePrefix: 'istruzione',
      useSecureCookies: origin.startsWith('https:'),
      defaultCookieAttributes: { httpOnly: true, sameSite: 'lax' },
    },
    rateLimit: { enabled: true, window: 60, max: 120, customRules: { '/sign-in/username': { window: 60, max: 30 } } },
    plugins: [username({ minUsernameLength: 3, maxUsernameLength: 30 }), nextCookies()],
    hooks: {
      before: createAuthMiddleware(async (ctx) => {
        if (ctx.path !== '/sign-in/username') return
        const waitS = slowDown.secondsToWait(nameOf(ctx.body), Date.now())
        if (waitS > 0) throw new APIError('TOO_MANY_REQUESTS', { message: REFUSALS.tooManyTries(waitS) })
        // Counted as failed until it has succeeded, so that many at once don't slip through.
        slowDown.failed(nameOf(ctx.body), Date.now())
      }),
      after: createAuthMiddleware(async (ctx) => {
        if (ctx.path === '/sign-in/username' && ctx.context.newSession) slowDown.succeeded(nameOf(ctx.body))
      }),
    },
  })
}

function nameOf(body: unknown): string {
  const name = typeof body === 'object' && body !== null && 'username' in body ? body.username : ''
  return typeof name === 'string' ? name.toLowerCase().slice(0, 60) : ''
}

type Auth = ReturnType<typeof authFor>
const shared = globalThis as { istruzioneAuth?: Auth }

/** The sign-in library over its own schema, opened on first use. */
export function auth(): Auth {
  shared.istruzioneAuth ??= authFor(
    makePool(env().DATABASE_URL, 'auth'),
    env().ISTRUZIONE_SECRET,
    env().ISTRUZIONE_ORIGIN,
  )
  return shared.istruzioneAuth
}
