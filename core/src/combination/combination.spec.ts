import type { DocumentKey } from '../document';
import { AS_DRAWN, PLAIN_SHEET, startingRows, type LookSheet } from '../look';
import { judgeStrips } from './judgeStrips';
import { progress, running } from '../testing/lotBench';
import {
  bareRing,
  checkAt,
  dry,
  insulatedRing,
  limitTable,
  NOW,
  practice,
  stripper,
  tool,
  wire075,
  wireOf,
} from '../testing/shop';
import {
  checkEntry,
  computeSetUp,
  entrySlot,
  evidenceFrom,
  findingsOf,
  inForce,
  judgeCombination,
  slotsToCheck,
  type Entry,
  type EntryBody,
  type SetUp,
  type SetUpContext,
} from '../index';

const context: SetUpContext = {
  zone: 'UTC',
  terminal: bareRing,
  wire: wire075,
  together: [],
  opposite: [],
  use: dry,
  class: '2',
  practice,
  looks: [],
  strippers: [{ ...stripper, repeatability: 0.1, step: 0.1 }],
  tools: [tool],
  checks: [checkAt('2026-11-25T06:00:00.000Z')],
  returns: [],
  limits: [
    {
      ...limitTable,
      rows: [
        { size: { scale: 'mm2', value: 0.75 }, families: [], material: null, force: 85, percent: null, hold: null },
      ],
    },
  ],
  cabinet: [insulatedRing],
  revisions: { terminal: 1, wire: 1, together: [], practice: 1 },
  newest: { terminal: 1, wire: 1, together: [], practice: 1 },
};
const KEY = { document: 'FL-SPEC-07', revision: 'C', class: '2' };

/** Writes a journal as the bench would. */
class Bench {
  entries: Entry[] = [];
  constructor(readonly about: SetUpContext = context) {}

  put(body: EntryBody, corrects: string | null = null, why: string | null = null): string {
    const id = `e${this.entries.length + 1}`;
    const minute = String(this.entries.length % 60).padStart(2, '0');
    this.entries.push({
      id,
      at: `2026-11-25T10:${minute}:00.000Z`,
      by: 'Odile',
      body,
      corrects,
      why,
      limit: body.kind === 'reading' ? KEY : null,
    });
    return id;
  }
  takeTool() {
    this.put({ kind: 'tool', tool: 'HT', die: 'A', nest: '1' });
    return this;
  }
  passGates() {
    for (const { gate } of this.setUp().gates) this.put({ kind: 'gate', gate, answer: 'yes', note: '' });
    return this;
  }
  lookAll() {
    for (let piece = 1; piece <= 5; piece++) {
      for (const { code } of this.setUp().criteria)
        this.put({ kind: 'finding', piece, criterion: code, finding: 'accept', note: '' });
    }
    return this;
  }
  pull(...forces: number[]) {
    const first = this.entries.filter((e) => e.body.kind === 'reading').length + 1;
    forces.forEach((force, i) => this.put(reading(first + i, force)));
    return this;
  }
  setUp() {
    return computeSetUp(this.about, this.entries, NOW);
  }
  judge(checks = this.about.checks) {
    return judgeCombination(this.setUp(), this.entries, { ...this.about, checks }, NOW);
  }
  check(
    body: EntryBody,
    correction: { why: string | null; isCorrection: boolean } = { why: null, isCorrection: false },
  ) {
    const done = checkEntry(this.setUp(), this.entries, body, correction);
    return done.ok ? 'kept' : done.refusal.code;
  }
}

const reading = (
  piece: number,
  force: number,
  changes: Partial<Extract<EntryBody, { kind: 'reading' }>> = {},
): EntryBody => ({
  kind: 'reading',
  piece,
  force,
  typed: String(force),
  unit: 'N',
  mode: 'slid-out',
  note: '',
  confirmed: [],
  ...changes,
});
const GOOD = [116.2, 112.2, 121.3, 118.4, 119.9];
const done = () =>
  new Bench()
    .takeTool()
    .passGates()
    .lookAll()
    .pull(...GOOD);

describe('A combination', () => {
  it('is accepted when all six stages pass against a controlled limit', () => {
    expect(done().judge().verdict).toBe('accepted');
  });

  it('is never accepted by made-up limits, and says so', () => {
    const bench = new Bench({ ...context, limits: context.limits.map((t) => ({ ...t, origin: 'made-up' as const })) });
    const judgement = bench
      .takeTool()
      .passGates()
      .lookAll()
      .pull(...GOOD)
      .judge();
    expect(judgement.verdict).toBe('meets-made-up-limits');
    expect(judgement.headline).toContain('release nothing');
  });

  it('is held back by the first stage that is missing, by name', () => {
    expect(new Bench().judge().headline).toContain('Held back by tool');
    expect(new Bench().takeTool().judge().headline).toContain('Held back by crimp');
    expect(new Bench().takeTool().passGates().judge().headline).toContain('Held back by look');
    expect(new Bench().takeTool().passGates().lookAll().pull(118).judge().headline).toContain('Held back by tug');
  });

  it('is rejected by an upside-down seam although every pull holds', () => {
    const bench = done();
    const seam = bench.entries.find(
      (e) => e.body.kind === 'finding' && e.body.piece === 3 && e.body.criterion === 'seam',
    );
    bench.put(
      { kind: 'finding', piece: 3, criterion: 'seam', finding: 'reject', note: 'indent on the seam' },
      seam?.id,
      'looked again',
    );
    const judgement = bench.judge();
    expect(judgement.verdict).toBe('rejected');
    expect(judgement.headline).toBe('Rejected in look: Piece 3 is rejected: way round.');
    expect(judgement.stages.find((s) => s.stage === 'tug')?.state).toBe('pass');
  });

  it('is rejected by one reading below the limit', () => {
    expect(new Bench().takeTool().passGates().lookAll().pull(116, 84.9, 117, 118, 119).judge().verdict).toBe(
      'rejected',
    );
  });

  it('is rejected when a step was answered no, and open again once that is mended', () => {
    const bench = new Bench().takeTool();
    const no = bench.put({ kind: 'gate', gate: 'strip-looked-at', answer: 'no', note: 'two strands cut' });
    expect(bench.judge().headline).toContain('two strands cut');
    bench.put({ kind: 'gate', gate: 'strip-looked-at', answer: 'yes', note: '' }, no, 'stripped again');
    expect(bench.judge().verdict).toBe('open');
  });

  it('is rejected when its tool fails the next check', () => {
    const judgement = done().judge([...context.checks, checkAt('2026-11-25T11:30:00.000Z', true, false)]);
    expect(judgement.stages.find((s) => s.stage === 'tool')?.reasons[0]?.code).toBe('tool-failed-after');
    expect(judgement.verdict).toBe('rejected');
  });

  it('keeps its verdict when the limit is withdrawn after its pulls', () => {
    const bench = done();
    const withdrawn = { ...context, limits: context.limits.map((t) => ({ ...t, status: 'withdrawn' as const })) };
    const later = new Bench(withdrawn);
    later.entries = bench.entries;
    expect(later.judge().verdict).toBe('accepted');
    expect(later.setUp().limit.reason.code).toBe('no-table');
  });

  it('waits for quality when a low pull is called not valid, and for a replacement after', () => {
    const bench = new Bench().takeTool().passGates().lookAll().pull(116, 117, 118, 119);
    bench.put(reading(5, 60, { mode: 'grip-slipped', note: 'jaw opened' }));
    expect(bench.judge().stages.find((s) => s.stage === 'tug')?.state).toBe('hold');
    bench.put({ kind: 'ruling', piece: 5, ruling: 'invalid', note: 'jaw marks on the wire' });
    expect(bench.judge().headline).toContain('4 of 5 valid readings');
    bench.put(reading(6, 117.5));
    expect(bench.judge().verdict).toBe('accepted');
  });

  it('fails when quality rules that the low pull counts', () => {
    const bench = new Bench().takeTool().passGates().lookAll().pull(116, 117, 118, 119);
    bench.put(reading(5, 60, { mode: 'grip-slipped', note: 'jaw opened' }));
    bench.put({ kind: 'ruling', piece: 5, ruling: 'counts', note: 'no jaw marks' });
    expect(bench.judge().verdict).toBe('rejected');
  });

  it('judges by the correction and keeps the corrected entry in the journal', () => {
    const bench = new Bench().takeTool().passGates().lookAll().pull(116, 84, 117, 118, 119);
    const low = bench.entries.find((e) => e.body.kind === 'reading' && e.body.force === 84);
    bench.put(reading(2, 114), low?.id, 'digits swapped');
    expect(bench.judge().verdict).toBe('accepted');
    expect(bench.entries).toContain(low as Entry);
    expect(inForce(bench.entries)).not.toContain(low as Entry);
  });
});

describe('What was found on the pieces of a set-up', () => {
  const found = (bench: Bench, checks = context.checks) => findingsOf(bench.setUp(), bench.entries, null, checks);

  it('is handed to the diagnosis with its faults, ranges and pulls in the order of the pieces', () => {
    const bench = new Bench().takeTool();
    bench.put({ kind: 'finding', piece: 1, criterion: 'brush', finding: 'reject', fault: 'brush-long', note: '' });
    bench.put({ kind: 'finding', piece: 2, criterion: 'brush', finding: 'note', note: 'near its end' });
    bench.put({ kind: 'measure', piece: 1, what: 'strip', value: 7.4, typed: '7.4', unit: 'mm', note: '' });
    bench.put(reading(2, 60));
    bench.put(reading(1, 118));
    const { looked, numbers, pulls, limit } = found(bench);
    expect(looked).toEqual([
      { piece: 1, point: 'brush', bad: true, fault: 'brush-long' },
      { piece: 2, point: 'brush', bad: false, fault: null },
    ]);
    expect(numbers.map((n) => [n.point, n.value, n.range])).toEqual([
      ['strip', 7.4, bench.setUp().preparation?.strip.window ?? { min: 0, max: 0 }],
    ]);
    expect(pulls.map((p) => p.force)).toEqual([118, 60]);
    expect(limit).toBe(85);
  });

  it('takes a piece looked at as a whole for good at every point eyes can see, unless one of its points is bad', () => {
    const whole = (piece: number): EntryBody => ({
      kind: 'finding',
      piece,
      criterion: AS_DRAWN,
      finding: 'accept',
      note: '',
    });
    const bench = new Bench().takeTool();
    bench.put(whole(1));
    const seen = found(bench).looked;
    expect(seen.length).toBeGreaterThan(5);
    expect(seen.every((l) => !l.bad)).toBeTrue();
    bench.put({ kind: 'finding', piece: 1, criterion: 'seam', finding: 'reject', note: '' });
    expect(found(bench).looked).toEqual([{ piece: 1, point: 'seam', bad: true, fault: null }]);
  });

  it('leaves out what was corrected, and asks only checks made since the tool was taken', () => {
    const bench = new Bench().takeTool();
    const first = bench.put(reading(1, 60));
    bench.put(reading(1, 118), first, 'digits swapped');
    expect(found(bench).pulls.map((p) => p.force)).toEqual([118]);
    expect(found(bench).toolFailed).toBeNull();
    expect(found(bench, [...context.checks, checkAt('2026-11-25T11:30:00.000Z', true, false)]).toolFailed).toBeTrue();
    expect(found(bench, [...context.checks, checkAt('2026-11-25T11:30:00.000Z')]).toolFailed).toBeFalse();
  });
});

describe('A tool taken while the shop has a sheet to look by', () => {
  const sheet: LookSheet = {
    ...PLAIN_SHEET,
    ...{ document: 'FL-LK-1', revision: 'A', class: '2', status: 'released', effectiveFrom: '2026-01-01' },
    rows: startingRows(),
  };
  const take = (looks: readonly LookSheet[], look?: DocumentKey) =>
    new Bench({ ...context, looks }).check({ kind: 'tool', tool: 'HT', die: 'A', nest: '1', ...(look && { look }) });
  const key = { document: 'FL-LK-1', revision: 'A', class: '2' };

  it('names the sheet in effect, no other, and none where there is none', () => {
    expect(take([sheet], key)).toBe('kept');
    expect(take([sheet])).toBe('look-stale');
    expect(take([sheet], { ...key, revision: 'B' })).toBe('look-stale');
    expect(take([], key)).toBe('look-stale');
    expect(take([])).toBe('kept');
  });
});

describe('Strip lengths of a set-up', () => {
  const wire = (window: { min: number; max: number } | null) => ({
    ...{ end: 1 as const, number: 1 },
    preparation: { strip: { window } } as SetUp['wires'][number]['preparation'],
  });
  it('are not asked for where no length is known to be good, and none is taken for good there', () => {
    expect(judgeStrips([wire(null)], [], 3)).toEqual({ state: 'pass', reasons: [] });
    expect(judgeStrips([wire({ min: 7, max: 8 })], [], 3).state).toBe('missing');
    expect(judgeStrips([wire(null), { ...wire({ min: 7, max: 8 }), number: 2 }], [], 3).state).toBe('missing');
    expect(judgeStrips([wire({ min: 7, max: 8 })], [], 0)).toEqual({ state: 'pass', reasons: [] });
  });
});

describe('What was found on the pieces of a lot', () => {
  it('stands in the order of the pieces, with what was changed between them', () => {
    const bench = running();
    const put = (body: EntryBody) => {
      expect(bench.put(body)).withContext(JSON.stringify(body)).toBeNull();
    };
    const pull = (piece: number, force: number): EntryBody => ({
      ...{ kind: 'reading', lot: 1, piece, force, typed: String(force), unit: 'N', mode: 'slid-out', note: '' },
      confirmed: [],
    });
    put(progress(1, 20, { what: 'change', change: 'wire-reel', to: 'R-7' }));
    put(pull(21, 20));
    put(pull(20, 180));
    put({ kind: 'finding', lot: 1, piece: 22, criterion: 'seam', finding: 'reject', note: '' });
    const found = () => findingsOf(bench.setUp, bench.entries, 1, []);
    expect(found().course).toEqual([
      { piece: 1, bad: false },
      { piece: 20, bad: false },
      { changed: 'wire-reel' },
      { piece: 21, bad: true },
      { piece: 22, bad: true },
    ]);
    expect(evidenceFrom(found()).get('since-wire')).toBeTrue();
    // the set-up's samples have no such order
    expect(findingsOf(bench.setUp, bench.entries, null, []).course).toEqual([]);
  });
});

describe('An entry', () => {
  const bench = () => new Bench().takeTool();

  it('is refused for a pair that does not fit, with what would', () => {
    const wrong = new Bench({ ...context, wire: wireOf({ kind: 'soldered' }) });
    expect(wrong.check({ kind: 'tool', tool: 'HT', die: 'A', nest: '1' })).toBe('pair-refused');
    const thin = new Bench({
      ...context,
      terminal: {
        ...bareRing,
        conductorRange: { smallest: { scale: 'mm2', value: 4 }, largest: { scale: 'mm2', value: 6 } },
      },
    });
    expect(thin.setUp().nearest.map((n) => n.terminal.part)).toEqual(['RT']);
  });

  it('settles a match at the edge by a trial that is named, and none where nothing is at the edge', () => {
    // 0.75 mm2 below a range from 0.78 by 3.8 %: within the edge band of 5 %.
    const range = { smallest: { scale: 'mm2', value: 0.78 }, largest: { scale: 'mm2', value: 1 } } as const;
    const edge = new Bench({ ...context, terminal: { ...bareRing, conductorRange: range } });
    const match = () => edge.judge().stages.find((s) => s.stage === 'match');
    expect(match()?.state).toBe('hold');
    expect(edge.check({ kind: 'trial', evidence: '1', note: '' })).toBe('note-missing');
    edge.put({ kind: 'trial', evidence: 'report FL-T-12', note: '' });
    expect(match()?.state).toBe('pass');
    expect(match()?.answer).toContain('Trial evidence by Odile: report FL-T-12.');
    expect(match()?.reasons.map((r) => r.weight)).not.toContain('hold');
    expect(new Bench().check({ kind: 'trial', evidence: 'report FL-T-12', note: '' })).toBe('nothing-to-settle');
  });

  it('takes no tool that is overdue, failed or not suitable', () => {
    const overdue = new Bench({ ...context, tools: [{ ...tool, calibrationUntil: '2026-01-01' }] });
    expect(overdue.check({ kind: 'tool', tool: 'HT', die: 'A', nest: '1' })).toBe('tool-refused');
    const unchecked = new Bench({ ...context, checks: [] });
    expect(unchecked.check({ kind: 'tool', tool: 'HT', die: 'A', nest: '1' })).toBe('tool-refused');
    expect(new Bench().check({ kind: 'tool', tool: 'HT', die: 'A', nest: '2' })).toBe('tool-not-suitable');
  });

  it('needs the tool first, and the steps in order', () => {
    expect(new Bench().check(reading(1, 118))).toBe('tool-first');
    expect(bench().check({ kind: 'gate', gate: 'orientation', answer: 'yes', note: '' })).toBe('gate-order');
    expect(bench().check({ kind: 'gate', gate: 'sealed-both-ends', answer: 'yes', note: '' })).toBe('gate-unknown');
    expect(bench().check({ kind: 'gate', gate: 'strip-looked-at', answer: 'no', note: ' ' })).toBe('note-missing');
  });

  it('needs a confirmed value when it is implausible, and a note when it is not valid', () => {
    expect(bench().check(reading(1, 300))).toBe('above-wire');
    expect(bench().check(reading(1, 300, { confirmed: ['above-wire'] }))).toBe('kept');
    expect(bench().check(reading(1, 100, { mode: 'insulation-only' }))).toBe('note-missing');
    expect(bench().check(reading(1, Number.NaN))).toBe('force-impossible');
  });

  it('reworks nothing that cannot be reworked', () => {
    expect(bench().check({ kind: 'finding', piece: 1, criterion: 'seam', finding: 'rework', note: '' })).toBe(
      'finding-not-allowed',
    );
    expect(bench().check({ kind: 'finding', piece: 1, criterion: 'gap', finding: 'rework', note: '' })).toBe('kept');
    expect(bench().check({ kind: 'finding', piece: 1, criterion: 'colour', finding: 'accept', note: '' })).toBe(
      'criterion-unknown',
    );
  });

  it('confirms a cause only of a lot there is', () => {
    const cause: EntryBody = { kind: 'cause', step: 1, cause: 'strip-long', evidence: ['brush-long'], note: '' };
    expect(bench().check(cause)).toBe('kept');
    expect(bench().check({ ...cause, lot: 3 })).toBe('lot-unknown');
    expect(bench().check({ ...cause, cause: 'the moon' })).toBe('cause-unknown');
  });

  it('corrects only with a reason', () => {
    expect(bench().check(reading(1, 118), { why: ' ', isCorrection: true })).toBe('reason-missing');
    expect(bench().check(reading(1, 118), { why: 'digits swapped', isCorrection: true })).toBe('kept');
  });

  it('rules only where a low pull was called not valid', () => {
    expect(bench().check({ kind: 'ruling', piece: 1, ruling: 'counts', note: 'x' })).toBe('nothing-to-rule');
  });

  it('is checked the same when only the slots it depends on are read', () => {
    const full = done();
    const bodies: EntryBody[] = [
      reading(6, 118),
      { kind: 'gate', gate: 'hand-tug', answer: 'yes', note: '' },
      { kind: 'finding', piece: 1, criterion: 'gap', finding: 'rework', note: '' },
      { kind: 'ruling', piece: 1, ruling: 'counts', note: 'x' },
    ];
    for (const body of bodies) {
      const slots = new Set(slotsToCheck(body) ?? []);
      const part = full.entries.filter((e) => slots.has(entrySlot(e.body)));
      const once = { why: null, isCorrection: false };
      expect(checkEntry(computeSetUp(context, part, NOW), part, body, once)).toEqual(
        checkEntry(full.setUp(), full.entries, body, once),
      );
    }
  });
});
