import { everyTool, familyContext, fourIndent, wireRound } from '../testing/families';
import { NOW } from '../testing/shop';
import { FAMILIES, type Family } from '../terminal';
import { drawSheet, sideView } from '../sheet';
import {
  checkEntry,
  computeSetUp,
  currentRun,
  judgeCombination,
  ofCurrentRun,
  restsOf,
  standingOf,
  type Entry,
  type EntryBody,
  type SetUpContext,
} from '../index';
import { lapseReasons } from '../combination';
import { benchStep, judgeLot } from '../lot';

/*
 * The wire: 7 x 0.5 mm concentric, envelope 3 x 0.5 = 1.5 mm. House practice: brush at least 1.5, gap 0 to 1.5, insulation
 * edge at 0.25 to 0.75 of the window; the stripper repeats within 0.2 and steps by 0.5. L barrel, B longest brush.
 *
 * barrel-located [L + 1.5 + 1.5, L + B + 0]:      F01 L 6 B 5: 9-11    F02 L 7 B 5: 10-12    F03 L 6 B 4: 9-10
 * window-located [L + 1.5 + 0.75 w, L + B + 0.25 w]: F04 L 3 w 2: 6-7.5  F05, F10 L 4 w 2: 7-8.5  F07 L 2 w 1 B 3: 4.25-5.25
 * stop-located [D, D + 1.5]:                      F06 D 6: 6-7.5       F08, F09 D 7: 7-8.5
 * ferrule, cut flush [L, L + 2]:                  F11 L 8: 8-10
 * lug [D + u, D + u + 3]:                         F12 D 12 u 1: 13-16
 * Set point: the middle to the next 0.5 inside the window less 0.2 on both sides; a middle half-way between two steps
 * takes the upper one.
 */
/** The steps of every crimp, in their order. */
const CRIMP = ['strip-looked-at', 'orientation', 'cycle-complete', 'mark-matches', 'hand-tug'];
const WORKED: Readonly<
  Record<
    Family,
    {
      strip: [number, number, number];
      round: string;
      critical: boolean;
      bites: number[];
      gates: string[];
      looks: string[];
    }
  >
> = {
  'insulated-terminal': {
    strip: [9, 11, 10],
    round: 'Any way round; sleeve’s wire end in the wide half.',
    critical: false,
    bites: [3],
    gates: CRIMP,
    looks: ['brush', 'insulation-grip'],
  },
  'sealed-sleeve-terminal': {
    strip: [10, 12, 11],
    round: 'Any way round; sleeve’s wire end in the wide half.',
    critical: false,
    bites: [3.5],
    gates: [...CRIMP, 'sealed-both-ends'],
    looks: ['brush', 'seal'],
  },
  'bare-terminal': {
    strip: [9, 10, 9.5],
    round: 'Seam in the cradle, away from the punch.',
    critical: true,
    bites: [3],
    gates: CRIMP,
    looks: ['brush', 'seam'],
  },
  'open-barrel-contact': {
    strip: [6, 7.5, 7],
    round: 'Wings up into the rolling half, floor flat on the anvil.',
    critical: true,
    bites: [1.5],
    gates: ['slide-on', ...CRIMP, 'cover-home'],
    looks: ['brush', 'cover'],
  },
  'sealed-contact': {
    strip: [7, 8.5, 8],
    round: 'Wings up into the rolling half, floor flat on the anvil.',
    critical: true,
    // 4 mm of grip, die 3 mm wide: two bites would need 6.5 mm, so one in the middle
    bites: [2],
    gates: ['slide-on', ...CRIMP],
    looks: ['wire-seal'],
  },
  'machined-contact': {
    strip: [6, 7.5, 7],
    round: 'Seated on the positioner, wire bottomed.',
    critical: false,
    // hole from 4.5: the indents lie half way to it, clear of what is kept free from 3.5 on
    bites: [2.25],
    gates: ['strip-looked-at', 'setting', 'orientation', 'wire-seen', 'cycle-complete', 'mark-matches', 'hand-tug'],
    looks: ['window', 'seam'],
  },
  'signal-contact': {
    strip: [4.25, 5.25, 5],
    round: 'Wings up into the rolling half, floor flat on the anvil.',
    critical: true,
    bites: [1],
    gates: CRIMP,
    looks: ['brush', 'insulation-grip'],
  },
  'butt-splice': {
    strip: [7, 8.5, 8],
    round: 'Any way round; bite on the barrel, clear of the centre stop.',
    critical: false,
    bites: [3],
    gates: CRIMP,
    looks: ['bite', 'gap'],
  },
  'window-splice': {
    strip: [7, 8.5, 8],
    round: 'Window up, bite in the window’s plane.',
    critical: true,
    // window from 5.4, kept clear from 4.4; bite 3 wide: as near to the middle of 6 as 4.4 - 1.5
    bites: [2.9],
    gates: ['slide-on', ...CRIMP, 'sleeve-centred', 'sealed-both-ends'],
    looks: ['window', 'seal'],
  },
  'open-barrel-splice': {
    strip: [7, 8.5, 8],
    round: 'Wings up into the rolling half, floor flat on the anvil.',
    critical: true,
    bites: [2],
    gates: ['slide-on', ...CRIMP, 'sleeve-centred', 'sealed-both-ends'],
    looks: ['brush', 'seal'],
  },
  ferrule: {
    strip: [8, 10, 9],
    round: 'Collar outside the die, ferrule square in the nest.',
    critical: true,
    bites: [4],
    gates: [...CRIMP, 'trim-flush'],
    looks: ['brush', 'seam'],
  },
  lug: {
    strip: [13, 16, 14.5],
    round: 'Pad square to the die, underside to the moving die.',
    critical: false,
    // 12 mm of barrel, die 6 mm wide: two bites would need 12.5 mm, so one in the middle
    bites: [6],
    gates: CRIMP,
    looks: ['bite', 'seam'],
  },
};

describe('Every family', () => {
  for (const family of FAMILIES) {
    const worked = WORKED[family];
    const setUp = () => computeSetUp(familyContext(family), [], NOW);

    it(`of the trade is set up from match to limit by its own rules: ${family}`, () => {
      const { fit, preparation, toolChoice, orientation, bites, gates, criteria, limit } = setUp();
      expect(fit.verdict).toBe('fits');
      const [lo, hi, set] = worked.strip;
      expect(preparation?.strip.window?.min).toBeCloseTo(lo, 9);
      expect(preparation?.strip.window?.max).toBeCloseTo(hi, 9);
      expect(preparation?.strip.setPoint).toBe(set);
      expect(preparation?.notch.notch?.label).toBe('1.5');
      expect(toolChoice.chosen?.listed).toBeTrue();
      expect(orientation?.headline).toBe(worked.round);
      expect(orientation?.critical).toBe(worked.critical);
      expect(bites.map((bite) => Number(bite.centre.toFixed(9)))).toEqual(worked.bites);
      expect(gates.map((step) => step.gate as string)).toEqual(worked.gates);
      const codes: string[] = criteria.map((c) => c.code);
      for (const code of worked.looks) expect(codes).toContain(code);
      expect(limit.limit?.force).toBe(150);
    });

    it(`is drawn with the very lengths that are computed: ${family}`, () => {
      const { preparation, bites, toolChoice } = setUp();
      if (!preparation) throw new Error('no preparation');
      const { terminal } = familyContext(family);
      const view = sideView(terminal, wireRound, preparation.strip, bites, toolChoice.chosen?.nest ?? null);
      expect((view?.insulationEdge ?? 0) - (view?.wireEnd ?? 0)).toBeCloseTo(preparation.strip.setPoint ?? -1, 9);
      expect(view?.length).toBe(terminal.barrel.length ?? -1);
      expect(view?.bites.map((bite) => -bite.centre)).toEqual(bites.map((bite) => bite.centre));
    });

    it(`has a set-up sheet that says strip length, way round and limit: ${family}`, () => {
      const context = familyContext(family);
      const computed = setUp();
      const pages = drawSheet(
        {
          shop: { name: 'Fennick Lane', isDemo: true },
          about: { list: 'Mast loom', terminal: context.terminal.part, wire: context.wire.part, pieces: 12 },
          context,
          setUp: computed,
          judgement: judgeCombination(computed, [], context, NOW),
          link: 'http://127.0.0.1/bench/1',
          printedAt: 'now',
        },
        'A4',
      );
      const said = pages
        .flatMap((page) => page.items.flatMap(({ shapes }) => shapes.map((s) => (s.kind === 'text' ? s.text : ''))))
        .join(' ');
      expect(said).toContain(`strip ${worked.strip[2]}`);
      expect(said).toContain(worked.round);
      expect(said).toContain('holds at least 150 N');
      expect(said).toContain('Eye protection at the pull test');
      for (const page of pages) {
        for (const { x, y, scale, shapes } of page.items) {
          for (const shape of shapes) {
            if (shape.kind !== 'text') continue;
            expect(y + shape.y * scale)
              .withContext(shape.text)
              .toBeLessThan(page.height);
            expect(x + shape.x * scale)
              .withContext(shape.text)
              .toBeLessThan(page.width);
          }
        }
      }
    });
  }
});

/** What a release says of the other wires in the barrel, proved with one set of revisions and looked at with another. */
function judgeTogether(proved: number[], newest: number[]): string[] {
  const setUp = computeSetUp(familyContext('ferrule'), [], NOW);
  const once = { terminal: 1, wire: 1, practice: 1 };
  const limit = { document: 'FL-SPEC-07', revision: 'C', class: '2' };
  const stands = {
    tool: 'HT',
    die: 'A',
    nest: 'square',
    setting: null,
    positioner: null,
    limit,
    revisions: { ...once, together: proved },
  };
  return lapseReasons(setUp, stands, stands, { ...once, together: newest }).map((r) => r.text);
}

describe('The set-up run of a sealed contact', () => {
  class Run {
    entries: Entry[] = [];
    constructor(public context = familyContext('sealed-contact')) {}
    setUp() {
      return computeSetUp(this.context, this.entries, NOW);
    }
    judge() {
      return judgeCombination(this.setUp(), this.entries, this.context, NOW);
    }
    stands() {
      return standingOf(this.setUp(), ofCurrentRun(this.entries), this.context.revisions);
    }
    check(body: EntryBody, by = 'Ines') {
      const rests = restsOf(this.setUp(), this.entries, this.context, null, NOW);
      const done = checkEntry(this.setUp(), this.entries, body, { why: null, isCorrection: false, by }, rests);
      return done.ok ? 'kept' : done.refusal.code;
    }
    put(body: EntryBody) {
      expect(this.check(body)).toBe('kept');
      this.entries.push({
        id: `e${this.entries.length}`,
        at: `2026-11-25T10:${String(this.entries.length % 60).padStart(2, '0')}:00.000Z`,
        by: 'Odile',
        body,
        corrects: null,
        why: null,
        limit: body.kind === 'reading' ? { document: 'FL-SPEC-07', revision: 'C', class: '2' } : null,
      });
    }
    prove() {
      const run = currentRun(this.entries) === 1 ? {} : { run: currentRun(this.entries) };
      this.put({ ...run, kind: 'tool', tool: 'HT', die: 'A', nest: 'roll' });
      this.put({ ...run, kind: 'measure', piece: 1, what: 'strip', value: 8, typed: '8', unit: 'mm', note: '' });
      for (const { gate } of this.setUp().gates) this.put({ ...run, kind: 'gate', gate, answer: 'yes', note: '' });
      this.put({ ...run, kind: 'measure', piece: 1, what: 'height', value: 1.52, typed: '1.52', unit: 'mm', note: '' });
      for (let piece = 1; piece <= 5; piece++) {
        for (const { code } of this.setUp().criteria)
          this.put({ ...run, kind: 'finding', piece, criterion: code, finding: 'accept', note: '' });
      }
      for (const [i, force] of [198, 201, 204, 199, 202].entries()) {
        this.put({
          ...run,
          kind: 'reading',
          piece: i + 1,
          force,
          typed: String(force),
          unit: 'N',
          mode: 'slid-out',
          note: '',
          confirmed: [],
        });
      }
      return this;
    }
    release() {
      const stands = this.stands();
      if (!stands) throw new Error('nothing to stand on');
      const run = currentRun(this.entries) === 1 ? {} : { run: currentRun(this.entries) };
      this.put({ ...run, kind: 'release', stands, note: '' });
      return this;
    }
    with(changes: Partial<SetUpContext>) {
      this.context = { ...this.context, ...changes };
      return this;
    }
  }
  const lapse = (run: Run) => {
    const { release } = run.judge();
    return release.state === 'lapsed' ? release.reasons.map((r) => r.code) : [release.state];
  };

  it('is held back by a strip or a height that is not measured, and failed by one that is out', () => {
    const run = new Run();
    run.put({ kind: 'tool', tool: 'HT', die: 'A', nest: 'roll' });
    expect(run.judge().stages.find((s) => s.stage === 'prepare')?.state).toBe('missing');
    run.put({ kind: 'measure', piece: 1, what: 'strip', value: 8.6, typed: '8.6', unit: 'mm', note: '' });
    expect(run.judge().stages.find((s) => s.stage === 'prepare')?.reasons[0]?.text).toBe(
      'Piece 1: strip length 8.60 mm is above 7.00–8.50 mm: trim 0.10 to 1.60 mm.',
    );
    expect(
      run.check({ kind: 'measure', piece: 2, what: 'strip', value: 300, typed: '300', unit: 'mm', note: '' }),
    ).toBe('length-implausible');
  });

  it('is not released before every stage has passed, and then stands on what it was proved with', () => {
    const run = new Run();
    run.put({ kind: 'tool', tool: 'HT', die: 'A', nest: 'roll' });
    const stands = run.stands();
    if (!stands) throw new Error('nothing to stand on');
    expect(run.check({ kind: 'release', stands, note: '' })).toBe('not-proven');
    const done = new Run().prove();
    expect(done.check({ kind: 'release', stands: { ...stands, nest: 'oval' }, note: '' })).toBe('stands-stale');
    // Whoever pulled it releases it too, unless the house wants a second person.
    expect(done.check({ kind: 'release', stands, note: '' }, 'Odile')).toBe('kept');
    done.context = {
      ...done.context,
      practice: { ...done.context.practice, setUpReleasedBy: 'second-person' },
    };
    expect(done.check({ kind: 'release', stands, note: '' }, 'Odile')).toBe('second-person');
    expect(done.check({ kind: 'release', stands, note: '' }, 'Ines')).toBe('kept');
    expect(lapse(done.release())).toEqual(['released']);
  });

  it('lapses with its reason when limits, revisions, tool or evidence change', () => {
    const released = () => new Run().prove().release();
    const [table] = familyContext('sealed-contact').limits;
    if (!table) throw new Error('no table');
    expect(
      lapse(
        released().with({
          limits: [
            { ...table, status: 'withdrawn' },
            { ...table, revision: 'D' },
          ],
        }),
      ),
    ).toEqual(['lapsed-limit']);
    expect(lapse(released().with({ newest: { terminal: 2, wire: 1, together: [], practice: 1 } }))).toEqual([
      'lapsed-terminal',
    ]);
    expect(judgeTogether([1], [2])).toEqual([
      'The other wire in the barrel has revision 2 now; it was proved with revision 1.',
    ]);
    expect(lapse(released().with({ newest: { terminal: 1, wire: 3, together: [], practice: 1 } }))).toEqual([
      'lapsed-wire',
    ]);
    expect(lapse(released().with({ newest: { terminal: 1, wire: 1, together: [], practice: 2 } }))).toEqual([
      'lapsed-practice',
    ]);
    const spent = { ...everyTool, calibrationUntil: '2026-11-24' };
    expect(lapse(released().with({ tools: [spent, fourIndent] }))).toContain('lapsed-tool-state');
  });

  it('begins again with a reason, from the newest revisions, and takes nothing over from the run before', () => {
    const run = new Run()
      .prove()
      .release()
      .with({ newest: { terminal: 2, wire: 1, together: [], practice: 1 } });
    expect(run.check({ kind: 'run', run: 3, cause: 'x', revisions: run.context.newest })).toBe('run-order');
    expect(run.check({ kind: 'run', run: 2, cause: ' ', revisions: run.context.newest })).toBe('note-missing');
    run.put({ kind: 'run', run: 2, cause: 'terminal revision 2', revisions: run.context.newest });
    run.with({ revisions: run.context.newest });
    expect(run.judge().release.state).toBe('none');
    expect(run.judge().stages.map((s) => s.state)).toEqual([
      'pass',
      'missing',
      'missing',
      'missing',
      'missing',
      'missing',
    ]);
    expect(run.check({ kind: 'gate', gate: 'slide-on', answer: 'yes', note: '' })).toBe('run-over');
    expect(lapse(run.prove().release())).toEqual(['released']);
  });

  it('is not released when it would lapse at once, and not begun again from revisions that are no longer the newest', () => {
    const run = new Run().prove().with({ newest: { terminal: 2, wire: 1, together: [], practice: 1 } });
    const stands = run.stands();
    if (!stands) throw new Error('nothing to stand on');
    expect(run.check({ kind: 'release', stands, note: '' })).toBe('would-lapse');
    expect(run.check({ kind: 'run', run: 2, cause: 'wear', revisions: run.context.revisions })).toBe('revisions-stale');
    expect(run.check({ kind: 'run', run: 2, cause: 'wear', revisions: { ...run.context.newest, terminal: 99 } })).toBe(
      'revisions-stale',
    );
  });

  it('has one next step at every point of the work, and one state that a list counts it by', () => {
    const next = (run: Run) => {
      const lot = judgeLot(run.setUp(), run.entries, run.context, 1, NOW);
      const { state, to, text } = benchStep(run.setUp(), run.judge(), run.entries, lot);
      return `${state}: ${to}: ${text}`;
    };
    const run = new Run();
    expect(next(run)).toBe('to-set-up: match: Begin with HT');
    run.put({ kind: 'measure', piece: 1, what: 'strip', value: 8, typed: '8', unit: 'mm', note: '' });
    expect(next(run)).toBe('to-set-up: tool: Take HT');
    run.with({ checks: [] });
    expect(next(run)).toBe('to-set-up: tool: Check HT');
    run.with({ checks: new Run().context.checks });
    run.put({ kind: 'tool', tool: 'HT', die: 'A', nest: 'roll' });
    expect(next(run)).toBe('to-set-up: crimp: Crimp the first piece');
    for (const [i, { gate }] of run.setUp().gates.entries()) {
      if (i === 2) expect(next(run)).toBe('to-set-up: crimp: Go on at step 3');
      run.put({ kind: 'gate', gate, answer: 'yes', note: '' });
    }
    expect(next(run)).toBe('to-set-up: look: Look at piece 1');
    const proved = new Run().prove();
    expect(next(proved)).toBe('to-release: release: Release the set-up');
    proved.release();
    expect(next(proved)).toBe('to-make: lot: Open a lot');
    const stands = proved.stands();
    if (!stands) throw new Error('nothing to stand on');
    const plan = { everyPieces: 20, everyHours: null, afterChange: [], bothSides: false };
    proved.put({ kind: 'lot', lot: 1, name: 'L-1', pieces: 40, plan, stands, note: '' });
    expect(next(proved)).toBe('to-make: lot: Make up to piece 1');
    proved.put({ kind: 'progress', lot: 1, step: 1, what: 'made', made: 1, note: '' });
    expect(next(proved)).toBe('to-make: lot: Check piece 1');
    expect(next(new Run().prove().release().with({ limits: [] }))).toBe(
      'held: release: Prove it again: the release lapsed',
    );
    const low = new Run().prove();
    const reading = { kind: 'reading', piece: 6, force: 10, typed: '10', unit: 'N', mode: 'slid-out' } as const;
    low.put({ ...reading, note: 'found on the floor', confirmed: ['not-looked-at'] } as EntryBody);
    expect(next(low)).toBe('rejected: tug: Failed in tug');
  });

  it('has its strip measured before a tool is taken; what is measured of a crimp waits for the tool', () => {
    const run = new Run();
    expect(run.judge().headline).toBe('Held back by prepare: Strip length of 1 of 1 pieces is not measured yet.');
    const height: EntryBody = {
      kind: 'measure',
      piece: 1,
      what: 'height',
      value: 1.5,
      typed: '1.5',
      unit: 'mm',
      note: '',
    };
    expect(run.check(height)).toBe('tool-first');
    run.put({ ...height, what: 'strip', value: 8, typed: '8' });
    expect(run.judge().headline).toMatch(/^Held back by tool: Take Hand tool HT/);
  });

  it('takes no other tool once pieces made with the first are on record', () => {
    const run = new Run().prove();
    const done = checkEntry(
      run.setUp(),
      run.entries,
      { kind: 'tool', tool: 'HT', die: 'A', nest: 'roll' },
      { why: 'other tool', isCorrection: true },
    );
    expect(!done.ok && done.refusal.code).toBe('pieces-made');
  });

  it('takes a four-indent tool only at its setting and with its positioner', () => {
    const run = new Run(familyContext('machined-contact'));
    const take = { kind: 'tool', tool: 'FI', die: '-', nest: 'four' } as const;
    expect(run.check(take)).toBe('setting-wrong');
    expect(run.check({ ...take, setting: '5' })).toBe('positioner-wrong');
    expect(run.check({ ...take, setting: '5', positioner: 'PO' })).toBe('kept');
  });
});
