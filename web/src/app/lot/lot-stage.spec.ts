import type { Gauge } from '@tug-mark/contract';
import { packTrace, readTrace, simulatePull, SOUND_PULL, type EntryBody } from '@tug-mark/core';
import type { TraceAnswer } from '../../workers/trace.messages';
import { TraceReader } from '../tug/gauge/trace-reader';
import { Bench, TOOL_TAKEN, viewOf } from '../testing/bench';
import { OPEN, released } from '../testing/made-up';
import { LotStage } from './lot-stage';

const made = (step: number, count: number): EntryBody => ({
  kind: 'progress',
  lot: 1,
  step,
  what: 'made',
  made: count,
  note: '',
});
const drawn = (piece: number): EntryBody => ({
  kind: 'finding',
  lot: 1,
  piece,
  criterion: 'as-drawn',
  finding: 'accept',
  note: '',
});
const pull = (piece: number, force: number): EntryBody => ({
  kind: 'reading',
  lot: 1,
  piece,
  force,
  typed: String(force),
  unit: 'N',
  mode: 'slid-out',
  note: '',
  confirmed: [],
});
const offered = (kind: string) =>
  [...document.querySelectorAll('label')]
    .find((label) => label.textContent?.trim() === kind)
    ?.querySelector('input') as HTMLInputElement;
const failedAtEleven = () => released(() => [OPEN, made(1, 11), drawn(1), pull(1, 117), drawn(11), pull(11, 60)]);

describe('The lot at the bench', () => {
  let bench: Bench<LotStage>;
  afterEach(() => {
    bench.close();
  });

  it('is opened with its plan and what that plan cannot tell', async () => {
    bench = await Bench.open(LotStage, { view: released() });
    expect(bench.headline).toBe('Open a lot');
    await bench.type('lot-name', 'L-0412');
    await bench.type('lot-pieces', '400');
    await bench.type('lot-every', '');
    expect(bench.text).toContain('2 from 400: a lot with 8 bad pieces in it (2 %) passes 96 times in 100.');
    await bench.type('lot-every', '50');
    expect(bench.text).toContain('9 of 400 pieces are pulled and spent; 391 are left');
    await bench.press('Open lot L-0412');
    expect(bench.put[0]?.body).toEqual(
      jasmine.objectContaining({
        kind: 'lot',
        lot: 1,
        name: 'L-0412',
        pieces: 400,
        plan: jasmine.objectContaining({ everyPieces: 50 }),
      }),
    );
    expect(bench.headline).toBe('1 more, then check piece 1.');
  });

  it('waits for the set-up when its tool was changed, and leads back to it', async () => {
    const change: EntryBody = { ...(made(2, 5) as Extract<EntryBody, { kind: 'progress' }>), what: 'change' };
    const entries = (): EntryBody[] => [OPEN, made(1, 5), drawn(1), pull(1, 117), { ...change, change: 'tool' }];
    bench = await Bench.open(LotStage, { view: released(entries) });
    expect(bench.headline).toBe('Set it up again: the tool was changed.');
    expect(bench.text).toContain('Pieces 1 to 5 stay with what they were made with.');
    const link = [...bench.element.querySelectorAll('tm-lot-card a')].find((each) =>
      each.textContent?.includes('Set up again with the other tool'),
    );
    expect(link?.getAttribute('href')).toBe('/bench/c1/release?again=1');
    await bench.key('+');
    expect(bench.put).toEqual([]);
    expect(bench.text).toContain('begin the set-up again, prove it, and have it released');
  });

  it('holds a piece of its own, and a piece that moved is contained like any bad one', async () => {
    const entries = (): EntryBody[] => [OPEN, made(1, 5), drawn(1), pull(1, 117)];
    const view = released(entries);
    const [table] = view.limits;
    if (!table) throw new Error('no table');
    const limits = [{ ...table, hold: { seconds: 10, percent: 50, force: null } }];
    bench = await Bench.open(LotStage, { view: { ...view, limits } });
    await bench.key('w');
    expect(bench.headline).toBe('What leaves a piece whole');
    await bench.fill('Piece', '3');
    await bench.fill('Held, N', '43');
    await bench.fill('for, s', '10');
    await bench.fill('moved, mm', '0.4');
    await bench.press('Keep the hold');
    expect(bench.put[0]?.body).toEqual({
      ...{ kind: 'hold', lot: 1, piece: 3, force: 43, seconds: 10, moved: 0.4, note: '' },
    });
    await bench.press('Back to the task');
    expect(bench.text).toContain('Piece 3 does not hold: the wire moved 0.4 mm.');
    expect(bench.text).toContain('held back');
  });

  it('waits for the release', async () => {
    bench = await Bench.open(LotStage, { view: viewOf({ entries: [TOOL_TAKEN()] }) });
    expect(bench.text).toContain('The set-up is not released yet.');
    expect(bench.has('Open lot')).toBeFalse();
  });

  it('counts by keys, asks for the check that is due, and takes look and tug as separate evidence', async () => {
    bench = await Bench.open(LotStage, { view: released(() => [OPEN]) });
    await bench.key('m');
    await bench.type('made', '1');
    await bench.submit('tm-lot-side form');
    expect(bench.headline).toBe('Check piece 1 now.');
    // No force is asked for before the eye has answered: the pull destroys what could be seen.
    expect(bench.element.querySelector('#force')).toBeNull();
    await bench.key('a');
    expect(bench.text).toContain('every point as drawn');
    expect(bench.headline).toBe('Pull piece 1.');
    await bench.type('force', '118.4');
    await bench.submit('tm-pull-field form');
    await bench.key('1');
    await bench.key('Enter');
    expect(bench.put.map(({ body }) => body.kind)).toEqual(['progress', 'finding', 'reading']);
    expect(bench.put[2]?.body).toEqual(jasmine.objectContaining({ lot: 1, piece: 1, force: 118.4 }));
    expect(bench.headline).toBe('10 more, then check piece 11.');
  });

  it('is counted up to its next check with one press, or piece by piece', async () => {
    bench = await Bench.open(LotStage, { view: released(() => [OPEN, made(1, 1), drawn(1), pull(1, 117)]) });
    expect(bench.headline).toBe('10 more, then check piece 11.');
    await bench.press('+1');
    await bench.key('+');
    expect(bench.headline).toBe('8 more, then check piece 11.');
    await bench.press('Piece 11 is made');
    expect(bench.put.map(({ body }) => body.kind === 'progress' && body.made)).toEqual([2, 3, 11]);
    expect(bench.headline).toBe('Check piece 11 now.');
  });

  it('takes a piece that is not due, and one that is pulled without a look, with its reason', async () => {
    bench = await Bench.open(LotStage, { view: released(() => [OPEN, made(1, 9), drawn(1), pull(1, 117)]) });
    await bench.key('c');
    await bench.type('check-piece', '99');
    await bench.press('Check it');
    expect(bench.text).toContain('Pieces of this lot are numbered 1 to 40.');
    await bench.type('check-piece', '7');
    await bench.press('Check it');
    expect(bench.headline).toBe('Check piece 7 now.');
    await bench.press('Pull it without a look');
    await bench.type('force', '118.4');
    await bench.submit('tm-pull-field form');
    await bench.key('1');
    await bench.press('Keep the pull');
    expect(bench.text).toContain('before anybody has looked at it');
    expect(bench.put).toEqual([]);
  });

  it('leaves a panel with Escape, and what was asked stands as it stood', async () => {
    bench = await Bench.open(LotStage, { view: failedAtEleven() });
    await bench.key('h');
    expect(bench.headline).toBe('Something was changed');
    await bench.key('Escape');
    expect(bench.headline).toBe('Pull piece 6.');
  });

  it('leaves a panel with Escape pressed in its field too, once an open list is closed', async () => {
    bench = await Bench.open(LotStage, { view: failedAtEleven() });
    const escape = (selector: string) =>
      bench.element
        .querySelector(selector)
        ?.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape', bubbles: true, cancelable: true }));
    await bench.key('h');
    await bench.offers('change-what');
    escape('#change-what');
    await bench.settle();
    expect(bench.headline).toBe('Something was changed');
    bench.element.querySelector<HTMLElement>('.ant-select-open')?.click();
    await bench.settle();
    escape('#change-what');
    await bench.settle();
    expect(bench.headline).toBe('Pull piece 6.');
  });

  it('says which piece to pull next after a failure, and what each outcome clears', async () => {
    bench = await Bench.open(LotStage, { view: failedAtEleven() });
    expect(bench.text).toContain('Piece 11 does not hold at 60');
    expect(bench.text).toContain('Pieces 2 to 11 are held back: good at piece 1, failed at piece 11.');
    expect(bench.headline).toBe('Pull piece 6.');
    expect(bench.text).toContain('4 pulls at most tell where it began. If it holds, pieces 2 to 6 are clear');
    expect(bench.element.querySelectorAll('.card .ant-btn-primary').length).toBe(1);
  });

  it('lets a technician scrap what is suspect, and quality alone use it as is', async () => {
    bench = await Bench.open(LotStage, { view: failedAtEleven() });
    await bench.press('Decide about 2 to 11');
    expect(offered('Use as is').disabled).toBeTrue();
    await bench.press('Decide about pieces 2 to 11');
    expect(bench.text).toContain('A disposition needs its reason.');
    await bench.type('disposition-note', 'cut up');
    await bench.press('Decide about pieces 2 to 11');
    expect(bench.put[0]?.body).toEqual(
      jasmine.objectContaining({ kind: 'disposition', from: 2, to: 11, what: 'scrap', cause: 'below-limit' }),
    );
    bench.close();
    bench = await Bench.open(LotStage, { view: failedAtEleven(), role: 'quality' });
    await bench.press('Decide about 2 to 11');
    expect(offered('Use as is').disabled).toBeFalse();
  });

  it('keeps what was changed, with the repair’s reason, and then the first piece after it is due', async () => {
    bench = await Bench.open(LotStage, { view: failedAtEleven() });
    await bench.key('h');
    // After a failure what is told is what was done about it.
    await bench.press('Keep the change');
    expect(bench.text).toContain('Say what was wrong and what was done about it.');
    await bench.type('change-note', 'die seated again');
    await bench.press('Keep the change');
    expect(bench.put[0]?.body).toEqual(
      jasmine.objectContaining({ kind: 'progress', change: 'repair', made: 11, step: 2 }),
    );
    // Where it began may still be looked for; the lot goes on all the same.
    expect(bench.headline).toBe('Pull piece 6 to find where it began.');
  });

  it('names the point that is not as drawn, and a passing pull does not make it good', async () => {
    bench = await Bench.open(LotStage, { view: released(() => [OPEN, made(1, 1)]) });
    await bench.key('x');
    await bench.press('Reject piece 1');
    expect(bench.text).toContain('Say which point is not as drawn.');
    await bench.choose('differs', 'Way round');
    await bench.type('differ-note', 'one edge stands');
    await bench.press('Reject piece 1');
    expect(bench.headline).toBe('Stop: put it right, and say what was changed.');
  });

  it('refuses a count that goes back, and leaves what was typed', async () => {
    bench = await Bench.open(LotStage, { view: released(() => [OPEN, made(1, 9)]) });
    await bench.key('m');
    await bench.type('made', '5');
    await bench.submit('tm-lot-side form');
    expect(bench.text).toContain('a count does not go back');
    expect(bench.element.querySelector<HTMLInputElement>('#made')?.value).toBe('5');
  });
});

describe('What was put on record for a lot', () => {
  let bench: Bench<LotStage>;
  afterEach(() => {
    bench.close();
  });

  it('is corrected with its reason: a pull names the first one, and the lot is judged again', async () => {
    bench = await Bench.open(LotStage, { view: failedAtEleven() });
    await bench.press('failed 11');
    await bench.press('Correct piece 11');
    expect(bench.headline).toBe('Correct piece 11.');
    await bench.type('force', '116');
    await bench.submit('tm-pull-field form');
    await bench.key('1');
    await bench.press('Keep reading');
    expect(bench.text).toContain('A correction needs its reason');
    await bench.type('reading-why', 'read in the wrong unit');
    await bench.press('Keep reading');
    expect(bench.put[0]).toEqual({
      body: jasmine.objectContaining({ kind: 'reading', lot: 1, piece: 11, force: 116 }) as never,
      why: 'read in the wrong unit',
    });
    expect(bench.text).not.toContain('held back');
  });

  it('is left as it is when nothing was wrong', async () => {
    bench = await Bench.open(LotStage, { view: failedAtEleven() });
    await bench.press('failed 11');
    await bench.press('Correct piece 11');
    await bench.press('Leave it as it is');
    expect(bench.headline).toBe('Pull piece 6.');
    expect(bench.put).toEqual([]);
  });

  it('as a count that was too high is corrected, not counted back', async () => {
    bench = await Bench.open(LotStage, { view: released(() => [OPEN, made(1, 30)]) });
    await bench.key('m');
    await bench.type('made', '3');
    await bench.submit('tm-lot-side form');
    expect(bench.text).toContain('a count does not go back');
    await bench.type('recount-why', 'typed a digit too many');
    await bench.press('Correct the last count to 3');
    expect(bench.put[0]).toEqual({
      body: jasmine.objectContaining({ step: 1, made: 3 }) as never,
      why: 'typed a digit too many',
    });
    expect(bench.text).toContain('Check piece 1 now.');
  });

  it('with every check there is finished by a key, and not before', async () => {
    const checks = [1, 11, 21, 31, 40].flatMap((piece) => [drawn(piece), pull(piece, 117 + piece / 40)]);
    bench = await Bench.open(LotStage, { view: released(() => [OPEN, made(1, 40), ...checks.slice(0, -1)]) });
    await bench.key('f');
    expect(bench.text).toContain('A check is missing: piece 40.');
    bench.close();
    bench = await Bench.open(LotStage, { view: released(() => [OPEN, made(1, 40), ...checks]) });
    await bench.key('f');
    expect(bench.put[0]?.body).toEqual(jasmine.objectContaining({ kind: 'finish', lot: 1 }));
    expect(bench.headline).toBe('Accepted: 35 pieces are clear.');
    expect(bench.text).toContain('Certificate as PDF');
  });
});

const LOOKED: EntryBody = { kind: 'finding', lot: 1, piece: 1, criterion: 'as-drawn', finding: 'accept', note: '' };

describe('A pull on the station’s gauge', () => {
  const gauge: Gauge = {
    id: 'G-1',
    kind: 'force' as const,
    label: 'Gauge G-1',
    host: '127.0.0.1',
    port: 4881,
    pattern: '{value}',
    unit: 'N',
    rate: 100,
    capacity: 500,
    startCommand: '',
    zeroCommand: '',
    traceCommand: '',
    calibrationUntil: '2031-12-31',
    active: true,
  };
  let bench: Bench<LotStage>;
  afterEach(() => {
    bench.close();
  });
  /** Seconds pass before the gauge sends the next of them. */
  let passed = 0;
  const real = Date.now.bind(Date);
  beforeEach(() => {
    passed = 0;
    spyOn(Date, 'now').and.callFake(() => real() + passed);
  });
  const forces = (...values: number[]) => {
    passed += 10_000;
    bench.hear({
      kind: 'forces',
      at: Date.now(),
      forces: values,
      overload: false,
      garbled: 0,
      otherUnit: null,
      skipped: false,
    });
  };
  const quiet = () => Array.from({ length: 60 }, (_, i) => 0.1 * Math.sin(i));
  const ramp = (to: number) => Array.from({ length: 100 }, (_, i) => (to * (i + 1)) / 100);
  const open = async () => {
    bench = await Bench.open(LotStage, {
      view: released(() => [OPEN, made(1, 1), LOOKED]),
      api: { gauges: () => Promise.resolve([gauge]) },
    });
    await bench.settle();
    await bench.choose('station-gauge', gauge.label);
    bench.hear({ kind: 'state', state: 'connected', text: 'Gauge G-1 is connected.' });
    await bench.settle();
    await bench.key('t');
    expect(bench.text).toContain('piece 1 is in hand.');
    read = spyOn(bench.fixture.debugElement.injector.get(TraceReader), 'read').and.returnValue(
      new Promise(() => undefined),
    );
  };
  let read: jasmine.Spy<TraceReader['read']>;
  /** What the worker makes of a curve whose peak is there. */
  const answer = (peak: number, breaks = peak, most = Infinity): TraceAnswer => {
    const { rate, forces } = simulatePull({ ...SOUND_PULL, breaks: peak, uneven: 0 });
    const trace = { rate, forces: Array.from(forces, (force) => Math.min(force, most)) };
    const reading = readTrace(trace, { breaks, strands: 24, loadingRate: null });
    return { reading, bytes: new Uint8Array(packTrace(trace)), digest: 'a'.repeat(64) };
  };

  it('is taken with its peak above zero, and asks only how it failed', async () => {
    await open();
    forces(...quiet(), ...ramp(118.4), ...quiet());
    await bench.settle();
    expect(bench.text).toContain('How did it fail?');
    await bench.key('1');
    await bench.key('Enter');
    const body = bench.put[0]?.body;
    expect(body).toEqual(jasmine.objectContaining({ kind: 'reading', gauge: 'G-1', mode: 'slid-out' }));
    expect(body?.kind === 'reading' && Math.abs(body.force - 118.4)).toBeLessThan(0.3);
  });

  it('goes by its curve’s peak and suggestion, and keeps the curve with it', async () => {
    await open();
    read.and.resolveTo(answer(119));
    forces(...quiet(), ...ramp(118.4), ...quiet());
    await bench.settle();
    expect(bench.text).toContain('the curve says so');
    expect(bench.text).toMatch(/Peak of the curve: 119\.\d ± 0\.\d N\./);
    expect(bench.text).toContain('Tried on simulated pulls');
    await bench.key('Enter');
    const body = bench.put[0]?.body;
    expect(body?.kind === 'reading' && Math.abs(body.force - 119)).toBeLessThan(1);
    expect(body?.kind === 'reading' && body.pull && body.pull.start < body.pull.end).toBeTrue();
    expect(body?.kind === 'reading' && body.trace?.digest).toBe('a'.repeat(64));
  });

  it('of which its curve is not sure has the two it may be marked, and none chosen', async () => {
    await open();
    // 88 % of what the wire bears: its own break, or one at the crimp.
    read.and.resolveTo(answer(119, 135));
    forces(...quiet(), ...ramp(118.4), ...quiet());
    await bench.settle();
    expect(bench.text).toContain('a curve does not tell them apart');
    const marked = [...bench.element.querySelectorAll('li')].filter((item) =>
      item.textContent.includes('one of the two'),
    );
    expect(marked.map((item) => /[A-Z][a-z ]+/.exec(item.textContent.trim())?.[0].trim())).toEqual([
      'Broke at the crimp',
      'Broke in the wire',
    ]);
    expect(bench.element.querySelectorAll('[aria-pressed=true]').length).toBe(0);
  });

  it('that came to the gauge’s end says that it bore more', async () => {
    await open();
    read.and.resolveTo(answer(119, 119, 90));
    forces(...quiet(), ...ramp(118.4), ...quiet());
    await bench.settle();
    expect(bench.text).toMatch(/Peak of the curve: more than 89\.\d N\./);
    expect(bench.text).toContain('Use a gauge for higher forces');
  });

  it('never takes the curve of another pull that was read too late', async () => {
    await open();
    let late: (answer: TraceAnswer) => void = () => undefined;
    read.and.returnValues(new Promise((resolve) => (late = resolve)), new Promise(() => undefined));
    forces(...quiet(), ...ramp(60), ...quiet());
    await bench.settle();
    await bench.key('Escape');
    await bench.type('force', '');
    await bench.key('t');
    forces(...quiet(), ...ramp(118.4), ...quiet());
    await bench.settle();
    late(answer(118.4));
    await bench.settle();
    await bench.key('1');
    await bench.key('Enter');
    const body = bench.put[0]?.body;
    expect(body?.kind === 'reading' && Math.abs(body.force - 118.4)).toBeLessThan(0.3);
    expect(body?.kind === 'reading' && body.trace).toBeUndefined();
  });

  it('is no longer the reading once a value is typed in its place: neither curve nor gauge goes with it', async () => {
    await open();
    read.and.resolveTo(answer(119));
    forces(...quiet(), ...ramp(118.4), ...quiet());
    await bench.settle();
    await bench.key('Escape');
    await bench.type('force', '117.9');
    await bench.submit('tm-pull-field form');
    await bench.key('1');
    await bench.key('Enter');
    const body = bench.put[0]?.body;
    expect(body).toEqual(jasmine.objectContaining({ force: 117.9, typed: '117.9' }));
    expect(body?.kind === 'reading' && (body.trace ?? body.gauge)).toBeUndefined();
  });

  it('waits when no piece was in hand as it began, and is kept only for the piece a person names', async () => {
    await open();
    forces(...quiet(), ...ramp(118.4), ...quiet());
    await bench.settle();
    // One that comes while another is open, and one more when that is kept: neither is the next piece's by itself.
    forces(...quiet(), ...ramp(72.2), ...quiet());
    await bench.settle();
    expect(bench.text).toContain('1 pull waits: for which piece?');
    await bench.key('1');
    await bench.key('Enter');
    expect(bench.put.length).toBe(1);
    expect(bench.text).toContain('1 pull waits: for which piece?');
    expect(bench.text).not.toContain('How did it fail?');
    await bench.press('It was no piece');
    expect(bench.text).not.toContain('A pull waits');
  });

  it('does not hide behind text that was left in the field', async () => {
    await open();
    await bench.type('force', '72.2');
    forces(...quiet(), ...ramp(118.4), ...quiet());
    await bench.settle();
    expect(bench.text).toContain('1 pull waits: for which piece?');
    expect(bench.text).toMatch(/118\.\d+ N, .*on Gauge G-1/);
    await bench.press('It was piece 1');
    await bench.key('1');
    await bench.key('Enter');
    const body = bench.put[0]?.body;
    expect(body?.kind === 'reading' && Math.abs(body.force - 118.4)).toBeLessThan(0.3);
    expect(body?.kind === 'reading' && body.confirmed).toEqual(['assigned-later']);
  });

  it('that another tab has kept is dropped here, with a word', async () => {
    await open();
    forces(...quiet(), ...ramp(118.4), ...quiet());
    await bench.settle();
    expect(bench.text).toContain('How did it fail?');
    const others = new BroadcastChannel('tug-mark-pulls');
    others.postMessage({
      gauge: 'G-1',
      start: new Date(Date.now() - 5000).toISOString(),
      end: new Date(Date.now() + 5000).toISOString(),
    });
    await new Promise((resolve) => setTimeout(resolve, 50));
    await bench.settle();
    others.close();
    expect(bench.text).not.toContain('How did it fail?');
    expect(bench.text).toContain('That pull was kept at another tab or station meanwhile.');
  });

  it('that was lost in the middle keeps what was seen, says so, and asks', async () => {
    await open();
    forces(...quiet(), ...ramp(90));
    bench.hear({ kind: 'state', state: 'lost', text: 'Gauge G-1 does not answer.' });
    await bench.settle();
    expect(bench.text).toContain('Gauge G-1 does not answer. The pull in hand stands at');
    await bench.press('Take it as it is');
    expect(bench.text).toContain('The gauge was lost during the pull');
    expect(bench.put).toEqual([]);
  });

  it('tells of lines that are no readings and of another unit than the settings say', async () => {
    await open();
    for (let i = 0; i < 5; i++) {
      bench.hear({
        kind: 'forces',
        at: Date.now(),
        forces: [],
        overload: false,
        garbled: 40,
        otherUnit: null,
        skipped: false,
      });
    }
    await bench.settle();
    expect(bench.text).toContain('Lines come in that are no readings.');
    bench.hear({
      kind: 'forces',
      at: Date.now(),
      forces: [1, 1.1],
      overload: true,
      garbled: 0,
      otherUnit: 'lbf',
      skipped: false,
    });
    await bench.settle();
    expect(bench.text).toContain('The gauge sends lbf');
    expect(bench.text).toContain('Overload. Stop pulling.');
  });
});
