import type { Terminal } from '../terminal';
import type { Positioner } from '../tool';
import { reason, type Reason } from '../verdict';
import type { Bite } from './bites';

/** Where trial crimps left a locator. */
export interface LocatorVerdict {
  /** Centre of the indent, mm from the wire end of the barrel, and how far it may lie off. */
  readonly wanted: number;
  readonly within: number;
  readonly trials: readonly LocatorTrial[];
  /** Two good in a row. */
  readonly isSet: boolean;
  /** What is done next. */
  readonly next: Reason;
}

export interface LocatorTrial {
  readonly trial: number;
  /** Centre of its indent, mm from the wire end of the barrel. */
  readonly measured: number;
  /** Measured less wanted, mm. */
  readonly off: number;
  readonly isGood: boolean;
}

/** Trials after which something else is wrong. */
export const MOST_TRIALS = 20;

/** Good trials in a row that end it. */
const IN_A_ROW = 2;

/** How far an indent may lie off its place: a quarter of its own width, so that three quarters of it still lie where it is wanted. */
export const locatorRoom = (width: number) => width / 4;

/** Whether a locator is set by trial crimps: it can be adjusted, and no sheet says by how much. */
export function isSetByTrial(positioner: Positioner | null): positioner is Positioner {
  return positioner !== null && positioner.adjustable && positioner.depth === null;
}

/**
 * A locator set by trial: run it out, drop the contact in, hold it by a part stroke, bring the indent to its place, lock, make one
 * crimp and measure its centre. The place is half way from the mouth to the inspection hole; without a hole it is the first bite's.
 * The correction is measured less wanted, with its sign: above 0 the mouth has to come closer to the indenters, so the contact goes
 * deeper. In turns it is divided by what one turn moves. Two good trials in a row end it; each spends its contact and its end.
 *
 * @param within how far a bite may lie off its place, mm
 * @param measured centres of the trials so far, mm from the wire end, in their order
 * @example hole from 5 mm, one turn 0.5 mm: wanted 2.5; measured 2.9 is 0.4 too far, 0.8 turn deeper
 */
export function judgeLocator(
  terminal: Pick<Terminal, 'barrel'>,
  bites: readonly Bite[],
  { perTurn, label }: Pick<Positioner, 'perTurn' | 'label'>,
  within: number,
  measured: readonly number[],
): LocatorVerdict {
  const { inspection, length } = terminal.barrel;
  const wanted = inspection ? inspection.min / 2 : (bites[0]?.centre ?? (length ?? 0) / 2);
  const trials = measured.map((centre, i): LocatorTrial => {
    const off = Number((centre - wanted).toFixed(6));
    return { trial: i + 1, measured: centre, off, isGood: Math.abs(off) <= within + 1e-9 };
  });
  const ending = trials.slice(-IN_A_ROW);
  const isSet = ending.length === IN_A_ROW && ending.every(({ isGood }) => isGood);
  const place = `${wanted.toFixed(2)} mm from the barrel’s wire end`;
  const last = trials.at(-1);
  if (isSet) {
    return {
      wanted,
      within,
      trials,
      isSet,
      next: reason('locator-set', 'good', `Two good in a row: ${label} is set. Lock it.`),
    };
  }
  if (!last) {
    const text = `Run ${label} out, drop a contact in, hold it by a part stroke, bring the indent to ${place}, lock, make one crimp and measure its centre.`;
    return { wanted, within, trials, isSet, next: reason('locator-first', 'hold', text, { wanted }) };
  }
  if (last.isGood) {
    const text = `${last.measured.toFixed(2)} mm is good (${wanted.toFixed(2)} ± ${within.toFixed(2)} mm). Nothing is turned; one more in a row.`;
    return { wanted, within, trials, isSet, next: reason('locator-again', 'hold', text, { off: last.off }) };
  }
  const turns = perTurn === null ? '' : `, ${Math.abs(last.off / perTurn).toFixed(2)} turn`;
  const way = last.off > 0 ? 'deeper' : 'less deep';
  const text = `${last.measured.toFixed(2)} mm is ${last.off > 0 ? '+' : '−'}${Math.abs(last.off).toFixed(2)} mm off ${place}: set ${label} ${Math.abs(last.off).toFixed(2)} mm ${way}${turns}, lock, make another.`;
  return { wanted, within, trials, isSet, next: reason('locator-correct', 'hold', text, { off: last.off, wanted }) };
}
