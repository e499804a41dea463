/**
 * A seeded stream of numbers in [0, 1): the same seed gives the same stream everywhere. 32-bit state, Weyl sequence with
 * two rounds of mixing (the 'mulberry32' recipe, in the public domain); for simulation, not for secrets.
 */
export function random(seed: number): () => number {
  let state = seed | 0;
  return () => {
    // Signed all along, which engines keep without boxing it; the bits are the same.
    state = (state + 0x6d2b79f5) | 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
  };
}

/** Normal numbers, mean 0 and standard deviation 1, from a stream of even ones (Box and Muller). */
export function normalFrom(next: () => number): () => number {
  const spare = new Float64Array(1);
  let hasSpare = false;
  return () => {
    hasSpare = !hasSpare;
    if (!hasSpare) return spare[0] as number;
    const radius = Math.sqrt(-2 * Math.log(1 - next()));
    const angle = 2 * Math.PI * next();
    spare[0] = radius * Math.sin(angle);
    return radius * Math.cos(angle);
  };
}
