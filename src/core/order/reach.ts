import type { Tether } from '../procedure/tether'

/** Reached before the part has come forward, or so short that it must be. */
export function isEarly(tether: Tether): boolean {
  return tether.mustOpenFor === 'free' || tether.reached === 'before the release'
}
