import { benchStep, lotTask, standingOf, ofCurrentRun, type EntryBody, type SetUpContext } from '../index';
import { Bench } from '../testing/bench';
import { everyTool, familyContext } from '../testing/families';
import { checkAt, practice } from '../testing/shop';

/** A second tool like the first, checked as well. */
const other = { ...everyTool, part: 'HT-B', label: 'Hand tool HT-B' };
const context = (changes: Partial<SetUpContext> = {}) =>
  familyContext('bare-terminal', {
    tools: [everyTool, other],
    checks: [
      checkAt('2026-11-25T06:00:00.000Z'),
      { ...checkAt('2026-11-25T06:00:00.000Z'), tool: 'HT-B' },
      ...(changes.checks ?? []),
    ],
    practice: { ...practice, setUpPieces: 2, measuredPieces: 0, acceptance: 'minimum-only' },
  });

/** Sets it up with one tool, in the run it is in, and has it released. */
function prove(bench: Bench, tool: string, run: number): void {
  const own = run > 1 ? { run } : {};
  const put = (body: EntryBody) => {
    expect(bench.put({ ...body, ...own } as EntryBody))
      .withContext(JSON.stringify(body))
      .toBeNull();
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

function running(): Bench {
  const bench = new Bench(context());
  prove(bench, 'HT', 1);
  const stands = standingOf(bench.setUp, bench.entries, bench.context.revisions);
  if (!stands) throw new Error('nothing released');
  const plan = { everyPieces: null, everyHours: null, afterChange: [], bothSides: false };
  expect(bench.put({ kind: 'lot', lot: 1, name: 'L-1', pieces: 40, plan, stands, note: '' })).toBeNull();
  for (const { code } of bench.setUp.lotCriteria.get(1) ?? [])
    expect(bench.put({ kind: 'finding', lot: 1, piece: 1, criterion: code, finding: 'accept', note: '' })).toBeNull();
  expect(
    bench.put({
      ...{ kind: 'reading', lot: 1, piece: 1, force: 180, typed: '180', unit: 'N', mode: 'slid-out', note: '' },
      confirmed: [],
    }),
  ).toBeNull();
  return bench;
}
const progress = (
  step: number,
  made: number,
  changes: Partial<Extract<EntryBody, { kind: 'progress' }>> = {},
): EntryBody => ({ ...{ kind: 'progress', lot: 1, step, what: 'made', made, note: '' }, ...changes });
const changed = (step: number, made: number) => progress(step, made, { what: 'change', change: 'tool', to: 'HT-B' });
const next = (bench: Bench) => {
  const lot = bench.lot(1);
  return benchStep(bench.setUp, bench.judged, bench.entries, lot);
};

describe('A tool changed within a lot', () => {
  it('opens the set-up again, and nothing more is made before it is released', () => {
    const bench = running();
    expect([bench.put(progress(1, 20)), bench.put(changed(2, 20))]).toEqual([null, null]);
    const lot = bench.lot(1);
    expect(lot?.head.awaitsSetUp).toBe(20);
    expect(lot && lotTask(lot).code).toBe('set-up');
    expect(lot?.unfinished[0]).toBe('The tool was changed after piece 20: the set-up is proved with it first.');
    expect(next(bench)).toEqual({ state: 'to-set-up', to: 'release', text: 'Set up again with the other tool' });
    expect(bench.put(progress(3, 21))).toBe('set-up-first');
  });

  it('is proved in a run of its own while the lot stays open, and returns to the lot once it is released', () => {
    const bench = running();
    bench.put(progress(1, 20));
    bench.put(changed(2, 20));
    const { newest } = bench.context;
    expect(bench.put({ kind: 'run', run: 2, cause: 'tool changed', revisions: newest })).toBeNull();
    expect(next(bench).state).toBe('to-set-up');
    prove(bench, 'HT-B', 2);
    const lot = bench.lot(1);
    expect(lot?.head.awaitsSetUp).toBeNull();
    expect(lot?.head.tools.map(({ after, stands }) => [after, stands.tool])).toEqual([
      [0, 'HT'],
      [20, 'HT-B'],
    ]);
    expect(next(bench).to).toBe('lot');
    expect(bench.put({ ...progress(3, 30), run: 2 })).toBeNull();
  });

  it('leaves the set-up closed in a lot whose tool was not changed', () => {
    const bench = running();
    bench.put(progress(1, 20));
    bench.put(progress(2, 20, { what: 'change', change: 'wire-reel', to: 'R-2' }));
    expect(bench.lot(1)?.head.awaitsSetUp).toBeNull();
    const { newest } = bench.context;
    expect(bench.put({ kind: 'run', run: 2, cause: 'for no reason', revisions: newest })).toBe('lot-open');
  });

  it('lets a failed check of the first tool speak for its own pieces alone', () => {
    const bench = running();
    bench.put(progress(1, 20));
    bench.put(changed(2, 20));
    bench.put({ kind: 'run', run: 2, cause: 'tool changed', revisions: bench.context.newest });
    prove(bench, 'HT-B', 2);
    bench.put({ ...progress(3, 40), run: 2 });
    const failed = { ...checkAt(new Date(Date.parse(bench.now) + 60_000).toISOString(), false), tool: 'HT' };
    const later = new Bench({ ...bench.context, checks: [...bench.context.checks, failed] });
    later.entries.push(...bench.entries);
    const suspect = later.lot(1)?.spans.filter(({ state }) => state === 'suspect') ?? [];
    expect(suspect.map(({ from, to }) => [from, to])).toEqual([[1, 20]]);
    const second = new Bench({ ...bench.context, checks: [...bench.context.checks, { ...failed, tool: 'HT-B' }] });
    second.entries.push(...bench.entries);
    const own = second.lot(1)?.spans.filter(({ state }) => state === 'suspect') ?? [];
    expect(own.map(({ from, to }) => [from, to])).toEqual([[21, 40]]);
  });
});
