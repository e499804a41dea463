import type { CombinationLine, KeptEntry } from '@tug-mark/contract';
import {
  benchStep,
  familyName,
  judgeCombination,
  judgeLot,
  lotNumbers,
  type LotVerdict,
  type SetUp,
  type SetUpContext,
} from '@tug-mark/core';
import type { Knex } from 'knex';
import { setUpsOf } from '../combination/setUps';
import { toCombination, type CombinationRow } from '../combination/store';
import { longLots } from '../entry/rows';

/** Where a combination stands, as a list shows it. */
export interface JudgedLine {
  readonly line: Omit<CombinationLine, 'behind'>;
  /** The newest lot; null before the first, and when it is too long to be judged for a list. */
  readonly lot: LotVerdict | null;
  /** ISO instant from which time alone makes it another; null: not before the day ends. */
  readonly until: string | null;
}

/**
 * Judges combinations from set-up and newest lot, many at once.
 * @param now ISO instant
 */
export async function judgeLines(
  db: Knex,
  rows: readonly CombinationRow[],
  now: string,
): Promise<Map<string, JudgedLine>> {
  const ids = rows.map((row) => row.id);
  const long = await longLots(db, ids);
  const judged = new Map<string, JudgedLine>();
  for (const { row, context, entries, setUp } of await setUpsOf(db, rows, 'newest-lot', now)) {
    const judgement = judgeCombination(setUp, entries, context, now);
    const lot = newestLot(setUp, entries, context, now);
    const isLong = long.has(row.id);
    const { state, to, text } = benchStep(setUp, judgement, entries, lot);
    const minutes = (lot?.due ?? []).flatMap(({ inMinutes }) =>
      inMinutes !== null && inMinutes > 0 ? [inMinutes] : [],
    );
    judged.set(row.id, {
      line: {
        ...toCombination(row),
        terminalLabel: context.terminal.label,
        wireLabel: wiresLabel(context),
        family: familyName(context.terminal.family),
        verdict: judgement.verdict,
        release: judgement.release.state,
        lot: lot && lotLine(lot, isLong),
        headline: judgement.headline,
        stages: judgement.stages.map((stage) => stage.state),
        state,
        // A lot of thousands comes with its head alone: what is due in it is not known here.
        next: { to, text: isLong && to === 'lot' ? 'Open the lot' : text },
        touchedAt: entries.at(-1)?.at ?? null,
      },
      lot: isLong ? null : lot,
      until: minutes.length ? new Date(Date.parse(now) + Math.min(...minutes) * 60_000).toISOString() : null,
    });
  }
  return judged;
}

function newestLot(setUp: SetUp, entries: readonly KeptEntry[], context: SetUpContext, now: string): LotVerdict | null {
  const newest = lotNumbers(entries).at(-1);
  return newest === undefined ? null : judgeLot(setUp, entries, context, newest, now);
}

/** A lot of thousands of entries comes to a list with its head alone: nothing is judged from that. */
function lotLine({ head, verdict, headline }: LotVerdict, isLong: boolean): NonNullable<CombinationLine['lot']> {
  const { lot, name, made, pieces, state } = head;
  if (!isLong) return { lot, name, made, pieces, verdict, headline };
  const said = state === 'finished' ? 'Finished; open it to see its verdict.' : 'Open it to see how far it is.';
  return { lot, name, made: 0, pieces, verdict: 'running', headline: said };
}

/** The wire of a line with those that share its barrel, and what it is spliced to. */
function wiresLabel({ wire, together, opposite }: Pick<SetUpContext, 'wire' | 'together' | 'opposite'>): string {
  const named = (wires: readonly SetUpContext['wire'][]) =>
    wires.map(({ part, label }) => `${part} ${label}`).join(' and ');
  return [
    wire.label,
    ...(together.length ? [`and ${named(together)}`] : []),
    ...(opposite.length ? [`to ${named(opposite)}`] : []),
  ].join(' ');
}
