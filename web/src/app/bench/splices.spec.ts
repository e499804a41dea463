import { setUpContext, type CombinationView } from '@tug-mark/contract';
import { computeSetUp, ofEnd, wireOf as wireAt } from '@tug-mark/core';
import { tool, windowSplice, wireOf } from '../../../../core/src/testing/shop';
import { CrimpStage } from '../crimp/crimp-stage';
import { LookStage } from '../look/look-stage';
import { LotStage } from '../lot/lot-stage';
import { MatchFacts } from '../match/match-facts';
import { Measures } from '../parts/measures';
import { PrepareStage } from '../prepare/prepare-stage';
import { Bench, kept, seen, viewOf } from '../testing/bench';
import { PLAN } from '../testing/made-up';
import { TugStage } from '../tug/tug-stage';

/** 1 mm2 of 32 strands at the other end, with a limit of 108 N; 0.75 mm2 at the first, with 85 N. */
const other = wireOf({ size: { scale: 'mm2', value: 1 }, strands: 32 }, { part: 'W-100', label: '1 mm² blue' });
const taken = kept({ kind: 'tool', tool: 'HT', die: 'A', nest: '1' });

function splice(changes: Partial<CombinationView> = {}): CombinationView {
  const view = viewOf();
  const nests = tool.dies.map((die) => ({
    ...die,
    nests: die.nests.map((nest) => ({
      ...nest,
      profile: 'window-indent' as const,
      area: { min: 0.5, max: 2 },
      terminals: [windowSplice.part],
    })),
  }));
  const rows = [
    ...(view.limits[0]?.rows ?? []),
    { size: { scale: 'mm2' as const, value: 1 }, families: [], material: null, force: 108, percent: null, hold: null },
  ];
  return {
    ...view,
    ...{ terminal: windowSplice, opposite: [other], tools: [{ ...tool, dies: nests }] },
    limits: view.limits.map((table) => ({ ...table, rows })),
    ...changes,
  };
}
const setUpOf = (view: CombinationView) => computeSetUp(setUpContext(view), [taken], new Date().toISOString());
const steps = () =>
  setUpOf(splice()).gates.map(({ gate, end }) => kept({ kind: 'gate', gate, ...ofEnd(end), answer: 'yes', note: '' }));

describe('A splice at the bench', () => {
  let bench: Bench<unknown>;
  afterEach(() => {
    bench.close();
  });

  it('names the wire at its other end, or says that the list names none', async () => {
    bench = await Bench.open(MatchFacts, { inputs: { view: splice() } });
    expect(bench.text).toContain('at the other endW-100 1 mm² blue');
    bench.close();
    bench = await Bench.open(MatchFacts, { inputs: { view: splice({ opposite: [] }) } });
    expect(bench.text).toContain('at the other endnot named by the list: one end');
  });

  it('says the strip of both ends, draws both wires, and has a ruler for each', async () => {
    bench = await Bench.open(PrepareStage, { view: splice() });
    const [first, second] = setUpOf(splice()).wires.map(({ preparation }) => preparation?.strip.setPoint);
    expect(bench.headline).toBe(`Strip ${first} mm; end 2: ${second} mm.`);
    expect(bench.element.querySelector('tm-side-view svg')?.getAttribute('aria-label')).toContain(
      `End 2: strip ${second} mm.`,
    );
    expect(bench.element.querySelectorAll('tm-strip-ruler').length).toBe(2);
  });

  it('measures the strip of both ends of a piece before the next piece', async () => {
    const view = splice({ entries: [taken], practice: { ...viewOf().practice, measuredPieces: 2 } });
    bench = await Bench.open(Measures, { view });
    const ask = async () => {
      await bench.type('strip-typed', '7.6');
      await bench.submit();
    };
    await ask();
    expect(bench.text).toContain('Piece 1, end 2');
    await ask();
    expect(bench.text).toContain('Piece 2, end 1');
    expect(bench.put.map(({ body }) => body)).toEqual([
      jasmine.objectContaining({ piece: 1, what: 'strip', value: 7.6 }),
      jasmine.objectContaining({ piece: 1, end: 2, what: 'strip', value: 7.6 }),
    ]);
    expect(bench.put[0]?.body).not.toEqual(jasmine.objectContaining({ end: 2 }));
    expect(wireAt(setUpOf(view), { end: 2 })?.wire.part).toBe('W-100');
  });

  it('is made end by end: what is confirmed at end 1 is asked again at end 2', async () => {
    bench = await Bench.open(CrimpStage, { view: splice({ entries: [taken] }) });
    const confirmed = () => bench.put.map(({ body }) => (body.kind === 'gate' ? `${body.gate}${body.end ?? ''}` : ''));
    for (let i = 0; i < 20 && !bench.headline.startsWith('End 2. Turn'); i++) await bench.key('Enter');
    expect(bench.headline).toBe('End 2. Turn it end for end: window up, bite in the window’s plane.');
    expect(confirmed()).toContain('slide-on2');
    expect(bench.element.querySelector('tm-end-view svg')?.getAttribute('aria-label')).toContain('Turn it end for end');
    await bench.key('Enter');
    expect(confirmed().at(-1)).toBe('orientation2');
    await bench.key('n');
    await bench.type('gate-note', 'handle slipped');
    await bench.submit('form.notice');
    expect(bench.put.at(-1)?.body).toEqual(
      jasmine.objectContaining({ gate: 'cycle-complete', end: 2, answer: 'no', remedy: 'cut-off' }),
    );
  });

  it('is looked at end by end, each answer at its own end', async () => {
    bench = await Bench.open(LookStage, { view: splice({ entries: [taken, ...steps()] }) });
    const points = () =>
      bench.put.flatMap(({ body }) => (body.kind === 'finding' ? [`${body.criterion}${body.end ?? ''}`] : []));
    const { criteria } = setUpOf(splice());
    const answers = criteria.map(() => '1');
    for (const key of answers) await bench.key(key);
    expect(points().filter((point) => point === 'window' || point === 'window2')).toEqual(['window', 'window2']);
    expect(points().filter((point) => point.startsWith('straight'))).toEqual(['straight']);
    expect(bench.headline).toContain('Piece 2 of 5: end 1:');
  });

  it('asks which end of it failed, and judges by the limit of that end', async () => {
    const ready = [taken, ...steps(), ...[1, 2, 3, 4, 5].map(seen)];
    bench = await Bench.open(TugStage, { view: splice({ entries: ready }) });
    expect(bench.text).toContain('Pulled as one piece, wire against wire');
    await bench.type('force', '100');
    await bench.submit('.big form');
    expect(bench.text).toContain('Holds: 15.0 N above the limit');
    await bench.key('1');
    await bench.key('Enter');
    expect(bench.put).toEqual([]);
    expect(bench.text).toContain('Say which end failed: 8 for end 1, 9 for end 2.');
    await bench.key('9');
    expect(bench.text).toContain('8.0 N below the limit');
    await bench.key('Enter');
    expect(bench.put[0]?.body).toEqual(jasmine.objectContaining({ kind: 'reading', piece: 1, failedEnd: 2 }));
    expect(bench.text).toContain('Slid out of the barrel, end 2');
  });

  it('of a pull that was no test asks for no end', async () => {
    bench = await Bench.open(TugStage, { view: splice({ entries: [taken, ...steps(), seen(1)] }) });
    await bench.type('force', '100');
    await bench.submit('.big form');
    await bench.key('6');
    await bench.type('reading-note', 'the grip slipped');
    await bench.press('Keep reading');
    expect(bench.put[0]?.body).toEqual(jasmine.objectContaining({ mode: 'grip-slipped' }));
    expect(bench.put[0]?.body).not.toEqual(jasmine.objectContaining({ failedEnd: jasmine.anything() }));
  });

  it('in a lot is pulled once a piece, by the limit of the end that failed', async () => {
    const stands = {
      ...{ tool: 'HT', die: 'A', nest: '1', setting: null, positioner: null },
      limit: { document: 'FL-SPEC-07', revision: 'C', class: '2' },
      revisions: { terminal: 1, wire: 1, together: [], practice: 1 },
    };
    const entries = [
      taken,
      kept({ kind: 'lot', lot: 1, name: 'L-1', pieces: 40, plan: PLAN, stands, note: '' }),
      kept({ kind: 'progress', lot: 1, step: 1, what: 'made', made: 1, note: '' }),
      kept({ kind: 'finding', lot: 1, piece: 1, criterion: 'as-drawn', finding: 'accept', note: '' }),
    ];
    bench = await Bench.open(LotStage, { view: splice({ entries, lot: 1 }) });
    await bench.type('force', '100');
    await bench.submit('.big form');
    await bench.key('1');
    await bench.key('9');
    expect(bench.text).toContain('8.0 N below the limit');
    await bench.key('Enter');
    expect(bench.put[0]?.body).toEqual(jasmine.objectContaining({ kind: 'reading', lot: 1, piece: 1, failedEnd: 2 }));
    expect(bench.text).toContain('Piece 1 does not hold at 100 N.');
  });
});
