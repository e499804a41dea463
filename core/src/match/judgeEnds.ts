import type { Practice } from '../practice';
import { isSplice, type Terminal } from '../terminal';
import { reason, type Reason } from '../verdict';
import { sizeLabel, type Wire } from '../wire';
import { judgeFit, type FitVerdict, type Use } from './judgeFit';

export interface EndsFit extends FitVerdict {
  /** Whether the wires of the second end are folded back. */
  readonly otherFolded: boolean;
}

const WORSE = ['fits', 'edge', 'no'] as const;

/**
 * Whether the wires at both ends of a splice belong to it: each end by itself, and the worse of the two decides. What is said of one
 * end alone carries its name. A splice whose list names no wire for its other end is judged by the one there is, and says so.
 *
 * @param opposite wires at the second end; empty for parts with one end, and where nothing is known of it
 */
export function judgeEnds(
  terminal: Terminal,
  wires: readonly Wire[],
  opposite: readonly Wire[],
  use: Use,
  practice: Practice,
): EndsFit {
  const first = judgeFit(terminal, wires, use, practice);
  if (!isSplice(terminal)) return { ...first, otherFolded: false };
  if (!opposite.length) {
    const text =
      'One end: the list names no wire for the other one. Give both wires the same joint and bring the list in again; until then each end is proved by itself.';
    return { ...first, otherFolded: false, reasons: [...first.reasons, reason('one-end', 'note', text)] };
  }
  const second = judgeFit(terminal, opposite, use, practice);
  const verdict = WORSE[Math.max(WORSE.indexOf(first.verdict), WORSE.indexOf(second.verdict))] ?? 'no';
  const isIn = (list: readonly Reason[]) => (one: Reason) => list.some(({ text }) => text === one.text);
  const named = (end: number, list: readonly Reason[]) =>
    list.map((one) => ({ ...one, text: `End ${end}: ${one.text}` }));
  const both = first.reasons.filter(isIn(second.reasons));
  const [a, b] = [first, second].map(({ reasons }) => reasons.filter((one) => !isIn(both)(one)));
  return {
    verdict,
    folded: first.folded,
    otherFolded: second.folded,
    reasons: [...named(1, a ?? []), ...named(2, b ?? []), ...both, ...unequal(wires, opposite)],
  };
}

/** Two sizes in one splice are two limits: who reads the verdict has to know that the thinner wire decides what it can bear. */
function unequal(wires: readonly Wire[], opposite: readonly Wire[]): Reason[] {
  const [a, b] = [wires, opposite].map((of) => of.map(({ conductor }) => sizeLabel(conductor.size)).join(' and '));
  return a === b
    ? []
    : [
        reason(
          'ends-differ',
          'note',
          `${a} at end 1 and ${b} at end 2: each end is stripped, looked at and judged by its own.`,
        ),
      ];
}
