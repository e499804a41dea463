import type { FailureMode } from '../failureModes';
import type { Drop, TraceContext, TraceRead } from './readTrace';

/** How the joint failed as the curve tells it; the person who sees the piece confirms or changes it. */
export interface ModeSuggestion {
  readonly mode: Exclude<FailureMode, 'grip-slipped' | 'insulation-only'> | null;
  /** What on the curve says so, in one sentence. */
  readonly evidence: string;
  /** s: where to look. */
  readonly at: readonly number[];
}

/** A break at this share of the wire's breaking load or above is the wire's own. */
const WIRE_SHARE = 0.85;
/** Held by insulation only stays below this share of the breaking load. */
const INSULATION_SHARE = 0.15;
/** Falls within this time are one, s. */
const ONE_FALL = 0.12;

/**
 * Failure mode from drops and plateau. A stair of falls after the peak are strands; one fall to nothing is a break, in the wire
 * when it bore nearly what the wire can; force that stays and dies away is a wire sliding. A curve cannot tell a terminal that
 * broke from a break at the crimp: the eye does. No mode that makes a reading invalid is ever suggested: falls on the way up are a
 * grip that slipped as well as a wire that sticks and slides, and a low reading must not be argued away by a guess.
 */
export function suggestMode(
  read: Pick<TraceRead, 'peak' | 'drops' | 'plateau'> & { readonly endsAt: number },
  { breaks, strands }: TraceContext,
): ModeSuggestion {
  const { peak, drops, plateau } = read;
  const percent = (share: number) => `${(share * 100).toFixed(0)} %`;
  const times = (list: readonly Drop[]) => list.map((drop) => drop.at);
  if (read.endsAt > 0.5) return { mode: null, evidence: 'The curve ends before the joint failed.', at: [] };
  const falls = drops.filter((drop) => !drop.recovered);
  const [first] = falls;
  const height = peak.force / breaks;
  // Strands that break one upon the other within a moment are one fall: the whole wire failed.
  const last = falls.at(-1);
  const isOneFall =
    first !== undefined && last !== undefined && last.to < 0.1 * peak.force && last.at - first.at < ONE_FALL;
  if (plateau && plateau.share > 0.3 && height < INSULATION_SHARE) {
    return {
      mode: null,
      evidence: `It held ${percent(height)} of what the wire bears, and gave way slowly: insulation alone, or metal that slides. A curve does not tell them apart: look whether the bite lies on metal.`,
      at: [plateau.from, plateau.to],
    };
  }
  const stairs = falls.filter((drop) => drop.share < 0.6);
  if (!isOneFall && strands > 1 && stairs.length >= 3 && stairs.length >= falls.length - 1) {
    return {
      mode: 'strands-one-by-one',
      evidence: `The force came down in ${falls.length} steps, the first of ${percent(first?.share ?? 0)}: strands failed one after another.`,
      at: times(falls),
    };
  }
  const onTheWay = drops.filter((drop) => drop.recovered);
  if (onTheWay.length >= 2) {
    return {
      mode: null,
      evidence: `The force fell ${onTheWay.length} times on the way up and each time climbed past where it fell from: a gauge’s grip that slipped, or a wire that sticks and slides. A curve does not tell them apart: look for marks of the jaws, and at the wire in the barrel.`,
      at: times(onTheWay),
    };
  }
  if (first && isOneFall) {
    return height >= WIRE_SHARE
      ? {
          mode: 'broke-in-wire',
          evidence: `One fall to nothing at ${percent(height)} of the wire’s own breaking load: the wire broke.`,
          at: times([first]),
        }
      : {
          mode: 'broke-at-crimp',
          evidence: `One fall to nothing at ${percent(height)} of the wire’s own breaking load: it broke where the crimp weakened it. Look whether it was the terminal.`,
          at: times([first]),
        };
  }
  if (plateau && plateau.share > 0.12) {
    return {
      mode: 'slid-out',
      evidence: `After the peak ${percent(plateau.share)} of it stayed for ${(plateau.to - plateau.from).toFixed(2)} s: the wire slid.`,
      at: [plateau.from, plateau.to],
    };
  }
  return { mode: null, evidence: 'The curve has no clear pattern: say what you see on the piece.', at: times(falls) };
}
