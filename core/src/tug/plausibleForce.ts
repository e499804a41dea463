/** A reading above this many times the conductor's breaking load is a unit or data error, asked about at once. */
const MOST_OF_BREAKING_LOAD = 1.25;

/** The largest force, N, a pull on a conductor that breaks near `breaks` N can plausibly show. */
export function plausibleForce(breaks: number): number {
  return MOST_OF_BREAKING_LOAD * breaks;
}
