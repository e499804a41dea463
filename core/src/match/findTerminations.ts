import type { Practice } from '../practice';
import { rangeOf, type Family, type Terminal } from '../terminal';
import { chooseTool, type ToolBook, type ToolCandidate } from '../tool';
import { metalArea, nominalArea, type Wire } from '../wire';
import { compareKeys } from './compareKeys';
import { judgeFit, type FitVerdict, type Use } from './judgeFit';

/** What is looked for: the wires in the hand, where the joint will be, and which families are wanted (empty: any). */
export interface FinderQuery {
  readonly wires: readonly Wire[];
  readonly use: Use;
  readonly families: readonly Family[];
}

export interface Found {
  readonly terminal: Terminal;
  readonly fit: FitVerdict;
  /** The tool it is made with; null for a near miss without one. */
  readonly tool: ToolCandidate | null;
  /** For near misses: what stops them, in a sentence; null for those that can be made. */
  readonly stops: string | null;
}

export interface Finder {
  /** What the shop can make, best first. */
  readonly makes: readonly Found[];
  /** Those that one thing stops, nearest first. */
  readonly near: readonly Found[];
  readonly looked: { readonly terminals: number; readonly nests: number };
}

const STATE_ORDER = { ready: 0, 'check-due': 1, refused: 2 } as const;

/**
 * Every terminal of the cabinet that these wires can be made up with, with its tool, die and nest, best first: fits
 * before edge, tool ready before tool to be checked, least change-over, then the range whose middle lies closest to
 * the conductor. Near misses are those that exactly one bad reason stops, or that fit and have no tool.
 *
 * @param most how many of each to give; all are looked at
 */
export function findTerminations(
  query: FinderQuery,
  cabinet: readonly Terminal[],
  book: ToolBook,
  practice: Practice,
  most = 50,
): Finder {
  const { wires, use, families } = query;
  const area = wires.reduce((sum, wire) => sum + metalArea(wire.conductor), 0);
  const wanted = new Set(families);
  const makes: { found: Found; key: readonly number[] }[] = [];
  const near: { found: Found; key: readonly number[] }[] = [];
  for (const terminal of cabinet) {
    if (wanted.size && !wanted.has(terminal.family)) continue;
    const { smallest, largest } = rangeOf(terminal, wires[0]?.conductor.size);
    const [min, max] = [nominalArea(smallest), nominalArea(largest)];
    // A conductor half or twice the range is no near miss; folded back it may still be twice itself.
    if (area * (terminal.foldBack ? 4 : 2) < min || area > 2 * max) continue;
    const offCentre = Math.abs(Math.log(area / Math.sqrt(min * max)));
    const fit = judgeFit(terminal, wires, use, practice);
    const bad = fit.reasons.filter((r) => r.weight === 'bad');
    if (bad.length > 1) continue;
    const [first] = bad;
    if (first) {
      near.push({ found: { terminal, fit, tool: null, stops: first.text }, key: [1, offCentre] });
      continue;
    }
    const choice = chooseTool(terminal, wires, book, practice, fit.folded);
    const tool = choice.chosen;
    if (!tool) {
      const stops = choice.reasons[0]?.text ?? '';
      near.push({ found: { terminal, fit, tool: choice.candidates[0] ?? null, stops }, key: [0, offCentre] });
      continue;
    }
    makes.push({
      found: { terminal, fit, tool, stops: null },
      key: [
        fit.verdict === 'fits' ? 0 : 1,
        fit.folded ? 1 : 0,
        STATE_ORDER[tool.state.state],
        tool.listed ? 0 : 1,
        tool.changes.reduce((sum, change) => sum + change.minutes, 0),
        offCentre,
      ],
    });
  }
  const best = (list: { found: Found; key: readonly number[] }[]) =>
    list
      .sort((a, b) => compareKeys(a.key, b.key))
      .slice(0, most)
      .map(({ found }) => found);
  return { makes: best(makes), near: best(near), looked: { terminals: cabinet.length, nests: book.places.length } };
}
