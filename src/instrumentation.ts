import type { Instrumentation } from 'next'

/** Runs once when the server starts. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return
  const { checkSettings } = await import('./server/startup')
  checkSettings()
}

/** Every error of a page or an action, as one line of the log; the person sees the product's own error page. */
export const onRequestError: Instrumentation.onRequestError = async (error, request, context) => {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return
  const { log } = await import('./server/log')
  log.error({ err: error, path: request.path, route: context.routePath, kind: context.routeType }, 'request failed')
}
