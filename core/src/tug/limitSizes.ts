import { nominalArea, type ConductorSize, type Wire } from '../wire';

/**
 * Sizes a limit table of a shop needs a row for: those of its own wires that may be crimped, each once, the smallest
 * first. No force comes with them; those stand in a controlled document.
 */
export function limitSizes(wires: readonly Wire[]): ConductorSize[] {
  const sizes = new Map(
    wires
      .filter(({ conductor }) => conductor.kind === 'stranded')
      .map(({ conductor: { size } }) => [`${size.scale}/${size.value}`, size]),
  );
  return [...sizes.values()].sort((a, b) => nominalArea(a) - nominalArea(b));
}
