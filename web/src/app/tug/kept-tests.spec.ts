import { bareRing } from '../../../../core/src/testing/shop';
import { Bench, kept, pulled, stepsDone, TOOL_TAKEN, viewOf } from '../testing/bench';
import { TickHarness } from '../testing/harness/tick.harness';
import { KeptTests } from './kept-tests';

describe('Tests that leave the piece whole', () => {
  let bench: Bench<KeptTests>;
  afterEach(() => {
    bench.close();
  });
  const base = viewOf();
  const [table] = base.limits;
  if (!table) throw new Error('no limit table');
  const holding = [{ ...table, hold: { seconds: 10, percent: 50, force: null } }];
  const cavity = { ...bareRing, cavity: { secondaryLock: true } } as unknown as typeof bareRing;
  const open = async (changes: Parameters<typeof viewOf>[0]) => {
    const entries = [TOOL_TAKEN(), ...stepsDone(base), ...(changes?.entries ?? [])];
    bench = await Bench.open(KeptTests, { view: viewOf({ ...changes, entries }) });
  };
  const fill = (label: string, text: string) => bench.fill(label, text);

  it('are offered only where the limit table or the terminal asks for them', async () => {
    await open({});
    expect(bench.element.querySelectorAll('details').length).toBe(0);
  });

  it('hold half of the limit for the table’s time, on a piece nobody has pulled', async () => {
    await open({ limits: holding, entries: [pulled(1, 118)] });
    // Half of 85 N.
    expect(bench.text).toContain('Hold 42.5 N for 10 s');
    await fill('Held, N', '43');
    await fill('for, s', '10');
    await bench.press('Keep the hold');
    expect(bench.put[0]?.body).toEqual({ kind: 'hold', piece: 2, force: 43, seconds: 10, moved: 0, note: '' });
    expect(bench.text).toContain('1 tried');
    // The next one that is whole stands in the field already.
    expect(bench.element.querySelector('input[placeholder="3"]')).not.toBeNull();
  });

  it('refuse words for numbers, and what was held too short or moved does not hold', async () => {
    const held = (piece: number, changes: object) =>
      kept({ kind: 'hold', piece, force: 43, seconds: 10, moved: 0, note: '', ...changes });
    await open({ limits: holding, entries: [held(1, {}), held(2, { seconds: 4 }), held(3, { moved: 2 })] });
    const states = [...bench.element.querySelectorAll('details p tm-mark')].map((mark) => mark.textContent?.trim());
    expect(states[0]).toBe('passed');
    expect(states.slice(1)).not.toContain('passed');
    await fill('Held, N', 'plenty');
    await bench.submit('details form');
    expect(bench.text).toContain('Piece, force, time and movement are numbers.');
    expect(bench.put).toEqual([]);
  });

  it('push contacts cavity by cavity, and say which are left', async () => {
    await open({ terminal: cavity });
    expect(bench.text).toContain('0 of 4 pushed, left: 1 2 3 4');
    expect(bench.text).toContain('none is borrowed from another');
    await fill('Pushed, N', '30');
    await bench.press('Keep cavity');
    expect(bench.put[0]?.body).toEqual({
      ...{ kind: 'retention', piece: 1, cavity: '1', clicked: true, locked: true, force: 30, stayed: true, note: '' },
    });
    expect(bench.text).toContain('1 of 4 pushed, left: 2 3 4');
  });

  it('keep that a contact did not stay, with its note', async () => {
    await open({ terminal: cavity });
    await (await bench.part(TickHarness.with({ text: 'stayed' }))).turn();
    await fill('Note', 'latch bent');
    await fill('Pushed, N', 'hard');
    await bench.press('Keep cavity');
    expect(bench.text).toContain('The push is a number, or left out.');
    await fill('Pushed, N', '');
    await bench.press('Keep cavity');
    expect(bench.put[0]?.body).toEqual(
      jasmine.objectContaining({ kind: 'retention', cavity: '1', stayed: false, force: null, note: 'latch bent' }),
    );
    expect(bench.element.querySelector('details p tm-mark')?.textContent?.trim()).toBe('failed');
  });
});
