import type { Terminal } from '../terminal';
import { showBeside } from '../units';
import { reason, type Reason } from '../verdict';

/** Cycles at which a pair is measured; between them it is put together and pulled apart without a gauge. */
export const MATING_CYCLES = [1, 2, 5, 10] as const;
/** Cycles a pair may be counted through. */
export const MOST_CYCLES = 99;
/** More than any pair of one contact takes, N: a slip of unit or point. */
export const MOST_MATING = 500;
/** Loss from the first withdrawal that a pair may have. */
const MOST_LOSS = 0.3;

/** One cycle of a pair, forces in N. */
export interface MatingCycle {
  readonly cycle: number;
  /** Null where it was not measured. */
  readonly insertion: number | null;
  readonly withdrawal: number;
}

export interface MatingVerdict {
  /** 'open' while a cycle is still to be measured and nothing speaks against it. */
  readonly verdict: 'good' | 'bad' | 'open';
  readonly reasons: readonly Reason[];
  /** Loss from the first withdrawal to the lowest since, share; null with fewer than two cycles. */
  readonly loss: number | null;
  /** The cycle measured next; null when all were. */
  readonly next: number | null;
}

/**
 * A pair over its cycles: each withdrawal at or above the sheet's least, each insertion at or below its most, and never more than
 * 30 % lost from the first withdrawal. All of cycles 1, 2, 5 and 10 have to be measured.
 *
 * @param cycles of one pair, in any order
 * @example withdrawals 20, 18, 15, 13.9 N: 30.5 % lost, bad; least 12 N is met and does not save it
 */
export function judgeMating(
  cycles: readonly MatingCycle[],
  asked: Pick<NonNullable<Terminal['mating']>, 'insertion' | 'withdrawal'>,
): MatingVerdict {
  const inOrder = [...cycles].sort((a, b) => a.cycle - b.cycle);
  const [first] = inOrder;
  const reasons: Reason[] = [];
  const bad = (code: string, text: string, numbers: Record<string, number>) => {
    reasons.push(reason(code, 'bad', text, numbers));
  };
  for (const { cycle, insertion, withdrawal } of inOrder) {
    if (asked.withdrawal !== null && withdrawal < asked.withdrawal) {
      const shown = showBeside(withdrawal, asked.withdrawal, 1);
      bad('mating-loose', `Cycle ${cycle}: comes off at ${shown.value} N, below the ${shown.limit} N of its sheet.`, {
        cycle,
        withdrawal,
      });
    }
    if (asked.insertion !== null && insertion !== null && insertion > asked.insertion) {
      const shown = showBeside(insertion, asked.insertion, 1);
      bad('mating-stiff', `Cycle ${cycle}: goes on with ${shown.value} N, above the ${shown.limit} N of its sheet.`, {
        cycle,
        insertion,
      });
    }
    const lost = first && cycle > first.cycle ? 1 - withdrawal / first.withdrawal : 0;
    if (lost > MOST_LOSS + 1e-9) {
      const shown = showBeside(100 * lost, 100 * MOST_LOSS, 1);
      bad(
        'mating-loss',
        `Cycle ${cycle}: ${shown.value} % lost since cycle ${first?.cycle}; more than ${shown.limit} % is worn, or spread on the way.`,
        {
          cycle,
          lost,
        },
      );
    }
  }
  const measured = new Set(inOrder.map(({ cycle }) => cycle));
  const next = MATING_CYCLES.find((cycle) => !measured.has(cycle) && cycle > (inOrder.at(-1)?.cycle ?? 0)) ?? null;
  const missing = MATING_CYCLES.filter((cycle) => !measured.has(cycle));
  const lowest = Math.min(...inOrder.slice(1).map(({ withdrawal }) => withdrawal));
  const loss = first && inOrder.length > 1 ? 1 - lowest / first.withdrawal : null;
  if (asked.withdrawal === null) {
    reasons.push(reason('mating-no-least', 'note', 'Its sheet names no least withdrawal: only the loss is judged.'));
  }
  if (reasons.some(({ weight }) => weight === 'bad')) return { verdict: 'bad', reasons, loss, next };
  if (missing.length) {
    const text = `Cycle ${missing.join(', ')} ${missing.length === 1 ? 'is' : 'are'} not measured.`;
    return { verdict: 'open', reasons: [...reasons, reason('mating-open', 'hold', text)], loss, next };
  }
  const shown = (100 * (loss ?? 0)).toFixed(0);
  const good = reason(
    'mating-good',
    'good',
    `Over ${inOrder.at(-1)?.cycle} cycles ${loss !== null && loss < 0 ? 'nothing' : `${shown} %`} lost; lowest ${Math.min(first?.withdrawal ?? Infinity, lowest)} N.`,
  );
  return { verdict: 'good', reasons: [good, ...reasons], loss, next };
}
