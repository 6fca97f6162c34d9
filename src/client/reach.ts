import { whatLacks } from './whatLacks'

/**
 * Calls the server for a form. When it can't be reached, or can't work, the form gets a sentence and keeps what was
 * typed; a redirect that the server answers with passes through.
 */
export async function reach<T, E>(call: () => Promise<T>, unreachable: (sentence: string) => E): Promise<T | E> {
  try {
    return await call()
  } catch (error) {
    if (typeof error === 'object' && error !== null && 'digest' in error && String(error.digest).startsWith('NEXT_'))
      throw error
    const lacks = (await whatLacks()) ?? []
    return unreachable(
      lacks.length > 0
        ? `${lacks.join(' ')} What you typed is still here.`
        : 'The shop can’t be reached. What you typed is still here; try again when it can.',
    )
  }
}
