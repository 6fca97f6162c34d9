/** The members of a union whose kind is (or can be) `K`. */
type OfKind<U extends { kind: string }, K> = U extends unknown ? (K extends U['kind'] ? U : never) : never

/** One entry a kind of a union, exhaustive by the compiler: what is known of each kind stands in one table. */
export type ByKind<U extends { kind: string }, Args extends unknown[], R> = {
  readonly [K in U['kind']]: (item: OfKind<U, K>, ...args: Args) => R
}

/** What a table says of an item, by its kind. */
export function byKind<U extends { kind: string }, Args extends unknown[], R>(
  table: ByKind<U, Args, R>,
  item: U,
  ...args: Args
): R {
  return (table[item.kind as U['kind']] as (item: U, ...args: Args) => R)(item, ...args)
}
