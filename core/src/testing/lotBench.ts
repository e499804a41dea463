import type { CheckPlan } from '../entry';
import { ofCurrentRun, standingOf, type EntryBody, type SetUpContext } from '../index';
import { Bench } from './bench';
import { everyTool, familyContext } from './families';
import { checkAt, practice } from './shop';

/** A second tool like the first, checked as well. */
const other = { ...everyTool, part: 'HT-B', label: 'Hand tool HT-B' };
const context = (changes: Partial<SetUpContext> = {}) =>
  familyContext('bare-terminal', {
    tools: [everyTool, other],
    checks: [checkAt('2026-11-25T06:00:00.000Z'), { ...checkAt('2026-11-25T06:00:00.000Z'), tool: 'HT-B' }],
    practice: { ...practice, setUpPieces: 2, measuredPieces: 0, acceptance: 'minimum-only' },
    ...changes,
  });

/** Puts on record what has to be taken. */
export function record(bench: Bench, body: EntryBody): void {
  const refusal = bench.record(body);
  if (refusal) throw new Error(`${refusal.text} (${JSON.stringify(body)})`);
}

/** Sets it up with one tool, in the run it is in, and has it released. */
export function prove(bench: Bench, tool: string, run: number): void {
  const own = run > 1 ? { run } : {};
  const put = (body: EntryBody) => {
    record(bench, { ...body, ...own } as EntryBody);
  };
  put({ kind: 'tool', tool, die: 'A', nest: 'indent' });
  for (const { gate } of bench.setUp.gates) put({ kind: 'gate', gate, answer: 'yes', note: '' });
  for (const piece of [1, 2]) {
    for (const { code } of bench.setUp.criteria)
      put({ kind: 'finding', piece, criterion: code, finding: 'accept', note: '' });
  }
  for (const piece of [1, 2])
    put({
      ...{ kind: 'reading', piece, force: 180, typed: '180', unit: 'N', mode: 'slid-out', note: '' },
      confirmed: [],
    });
  const stands = standingOf(bench.setUp, ofCurrentRun(bench.entries), bench.context.revisions);
  if (!stands) throw new Error('nothing to release');
  put({ kind: 'release', stands, note: '' });
}

/** A bare terminal with a lot of 40 under way: its first piece is looked at and pulled. */
export function running(
  changes: Partial<SetUpContext> = {},
  plan: CheckPlan = { everyPieces: null, everyHours: null, afterChange: [], bothSides: false },
): Bench {
  const bench = new Bench(context(changes));
  prove(bench, 'HT', 1);
  const stands = standingOf(bench.setUp, bench.entries, bench.context.revisions);
  if (!stands) throw new Error('nothing released');
  record(bench, { kind: 'lot', lot: 1, name: 'L-1', pieces: 40, plan, stands, note: '' });
  for (const { code } of bench.setUp.lotCriteria.get(1) ?? [])
    record(bench, { kind: 'finding', lot: 1, piece: 1, criterion: code, finding: 'accept', note: '' });
  record(bench, {
    ...{ kind: 'reading', lot: 1, piece: 1, force: 180, typed: '180', unit: 'N', mode: 'slid-out', note: '' },
    confirmed: [],
  });
  return bench;
}
/** A step of the lot; the number is the last piece made. */
export const progress = (
  step: number,
  made: number,
  changes: Partial<Extract<EntryBody, { kind: 'progress' }>> = {},
): EntryBody => ({ ...{ kind: 'progress', lot: 1, step, what: 'made', made, note: '' }, ...changes });
