import type { Positioner } from '../tool';
import { reason, type Reason } from '../verdict';

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
 * crimp and measure its centre. Its place is that of the bite, half way from the mouth to the inspection hole. The correction is
 * measured less wanted, with its sign: above 0 the mouth has to come closer to the indenters, so the contact goes deeper. In turns it
 * is divided by what one turn moves. Two good trials in a row end it; each spends its contact and its end.
 *
 * @param wanted centre of the bite, mm from the barrel's wire end
 * @param within how far it may lie off, mm
 * @param measured centres of the trials so far, mm from the wire end, in their order
 * @example wanted 2.5, one turn 0.5 mm: measured 2.9 is 0.4 too far, 0.8 turn deeper
 */
export function judgeLocator(
  wanted: number,
  within: number,
  { perTurn, label }: Pick<Positioner, 'perTurn' | 'label'>,
  measured: readonly number[],
): LocatorVerdict {
  const trials = measured.map((centre, i): LocatorTrial => {
    const off = Number((centre - wanted).toFixed(6));
    return { trial: i + 1, measured: centre, off, isGood: Math.abs(off) <= within + 1e-9 };
  });
  const ending = trials.slice(-IN_A_ROW);
  const isSet = ending.length === IN_A_ROW && ending.every(({ isGood }) => isGood);
  const last = trials.at(-1);
  const next = isSet
    ? reason('locator-set', 'good', `Two good in a row: ${label} is set. Lock it.`)
    : !last
      ? reason(
          'locator-first',
          'hold',
          `Run ${label} out, drop a contact in, hold it by a part stroke, bring the indent to ${wanted.toFixed(2)} mm from the barrel’s wire end, lock, make one crimp and measure its centre.`,
          { wanted },
        )
      : last.isGood
        ? reason(
            'locator-again',
            'hold',
            `${last.measured.toFixed(2)} mm is good (${wanted.toFixed(2)} ± ${within.toFixed(2)} mm). Nothing is turned; one more in a row.`,
            { off: last.off },
          )
        : reason('locator-correct', 'hold', correction(last, wanted, label, perTurn), { off: last.off, wanted });
  return { wanted, within, trials, isSet, next };
}

/** Which way a locator is set, how far and in turns. */
function correction({ measured, off }: LocatorTrial, wanted: number, label: string, perTurn: number | null): string {
  const by = Math.abs(off);
  const turns = perTurn === null ? '' : `, ${(by / perTurn).toFixed(2)} turn`;
  return `${measured.toFixed(2)} mm is ${off > 0 ? '+' : '−'}${by.toFixed(2)} mm off ${wanted.toFixed(2)} mm from the barrel’s wire end: set ${label} ${by.toFixed(2)} mm ${off > 0 ? 'deeper' : 'less deep'}${turns}, lock, make another.`;
}
