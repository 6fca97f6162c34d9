/** An expected outcome: a value, or a failure that carries its witness. Bugs throw instead. */
export type Result<T, E> = { ok: true; value: T } | { ok: false; error: E }

export function ok<T>(value: T): { ok: true; value: T } {
  return { ok: true, value }
}

export function fail<E>(error: E): { ok: false; error: E } {
  return { ok: false, error }
}

/** For exhaustive switches: reached only through a bug, so it throws a full sentence. */
export function unreachable(value: never): never {
  throw new Error(`A case was forgotten for ${JSON.stringify(value)}.`)
}
