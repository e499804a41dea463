import type { Terminal } from '../terminal';

export interface ReterminationBudget {
  /** Wire used by each cut-off and new crimp, mm. */
  readonly perAttempt: number;
  /** Further attempts the wire allows after the first. */
  readonly attempts: number;
  /** Length left over after them before the wire is too short, mm. */
  readonly spare: number;
  readonly text: string;
}

/** What no attempt can use less than, mm: a hand does not trim finer, and the text says tenths. */
const LEAST = 0.1;

/**
 * How often a crimp can be cut off and made again before the wire is too short. Every attempt uses the strip length,
 * the wire inside the crimp that is cut off with it and the trim for a fresh square end.
 *
 * @param wire length as cut and shortest length the drawing allows, mm
 * @param lost what one attempt uses, mm
 * @example cut 500, shortest 480, strip 8, crimp 0, trim 1: 9 mm each, 2 attempts, 2 mm spare
 * @example cut 500, shortest 473, strip 8, sleeve 4.5 behind the barrel, trim 1: 13.5 mm each, 2 attempts (not 3)
 */
export function reterminationBudget(
  wire: { readonly cut: number; readonly shortest: number },
  lost: { readonly strip: number; readonly crimp: number; readonly trim: number },
): ReterminationBudget {
  const perAttempt = lost.strip + lost.crimp + lost.trim;
  const slack = Math.max(0, wire.cut - wire.shortest);
  if (!(perAttempt >= LEAST)) {
    const text = `An attempt uses strip length, crimp and trim, ${LEAST} mm at least: say how much before the attempts are counted.`;
    return { perAttempt, attempts: 0, spare: slack, text };
  }
  const attempts = Math.floor(slack / perAttempt + 1e-9);
  const text =
    attempts === 0
      ? `One attempt uses ${perAttempt.toFixed(1)} mm and the wire has ${slack.toFixed(1)} mm to spare: a bad crimp scraps this wire.`
      : `${attempts === 1 ? 'One more attempt is' : `${attempts} more attempts are`} left: each uses ${perAttempt.toFixed(1)} mm of ${slack.toFixed(1)} mm to spare.`;
  return { perAttempt, attempts, spare: slack - attempts * perAttempt, text };
}

/**
 * Insulated wire that lies inside a terminal, mm: what is behind the barrel's mouth is cut off with the crimp. The conductor in
 * the barrel is counted as strip length.
 */
export function wireInCrimp({ barrel }: Pick<Terminal, 'barrel'>): number {
  return (barrel.betweenGrips ?? 0) + barrel.supportLength;
}
