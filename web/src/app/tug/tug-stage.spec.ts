import { settingsActions } from '../settings/settings.state';
import { Bench, kept, pulled, seen, stepsDone, TOOL_TAKEN, viewOf } from '../testing/bench';
import { PullFieldHarness } from '../testing/harness/pull-field.harness';
import { TugStage } from './tug-stage';

describe('The pull test at the bench', () => {
  let bench: Bench<TugStage>;
  afterEach(() => {
    bench.close();
  });
  const open = async (entries = [TOOL_TAKEN()], role: 'technician' | 'quality' = 'technician') => {
    bench = await Bench.open(TugStage, {
      view: viewOf({ entries: [...entries, ...stepsDone(viewOf()), ...[1, 2, 3, 4, 5, 6].map(seen)] }),
      role,
    });
  };
  const read = async (text: string) => {
    await bench.type('force', text);
    await bench.submit('.big form');
  };

  it('judges a typed force at the press of a button, and by the pad that fingers get', async () => {
    await open();
    const field = await bench.part(PullFieldHarness);
    await bench.press('Judge it');
    expect(bench.text).toContain('Nothing is entered yet.');
    await (await field.pad()).press('1', '1', '8', '7', '←', '.', '4');
    expect(await field.typed()).toBe('118.4');
    await bench.press('Judge it');
    expect(bench.text).toContain('How did it fail?');
    expect(bench.text).toContain('118.4N');
  });

  it('leads on after a failure: to the cause, to the pieces, and to begin again', async () => {
    await open([TOOL_TAKEN(), pulled(1, 60)]);
    const ways = [...bench.element.querySelectorAll('tm-after-failure a')].map((a) => a.getAttribute('href'));
    expect(ways).toEqual(['/bench/c1/cause', '/bench/c1/look', '/bench/c1/release?again=true']);
  });

  it('offers no pull while something before it is open, and leads there; a person may pull all the same', async () => {
    bench = await Bench.open(TugStage, { view: viewOf({ entries: [TOOL_TAKEN()] }) });
    expect(bench.element.querySelector('#force')).toBeNull();
    const link = bench.element.querySelector('.before a');
    expect([link?.textContent, link?.getAttribute('href')]).toEqual(['Crimp', '/bench/c1/crimp']);
    await bench.key('9');
    expect(bench.put).toEqual([]);
    await bench.press('Pull all the same');
    await read('118.4');
    expect(bench.text).toContain('How did it fail?');
  });

  it('says the margin as soon as the value is there, and keeps it with how it failed', async () => {
    await open();
    await read('118.4');
    expect(bench.text).toContain('Holds: 33.4 N above the limit (39 %)');
    await bench.key('3');
    await bench.key('Enter');
    expect(bench.put[0]?.body).toEqual(
      jasmine.objectContaining({
        kind: 'reading',
        piece: 1,
        force: 118.4,
        typed: '118.4',
        unit: 'N',
        mode: 'strands-one-by-one',
      }),
    );
    expect(bench.headline).toBe('Piece 2 of 5');
  });

  it('says nothing of a further piece once enough are pulled, until somebody types a force for it', async () => {
    const through = [1, 2, 3, 4, 5].flatMap((piece) => [seen(piece), pulled(piece, 118.4)]);
    bench = await Bench.open(TugStage, { view: viewOf({ entries: [TOOL_TAKEN(), ...through] }) });
    expect(bench.headline).toBe('5 of 5 pulled');
    expect(bench.text).not.toContain('Nobody has looked at piece 6');
    await bench.type('force', '118.4');
    expect(bench.text).toContain('Nobody has looked at piece 6 yet, and after the pull nobody can.');
  });

  it('with 400 readings draws the newest, and the earlier ones when they are asked for', async () => {
    const many = Array.from({ length: 400 }, (_, i) => pulled(i + 1, 118 + (i % 7)));
    bench = await Bench.open(TugStage, { view: viewOf({ entries: [TOOL_TAKEN(), ...many] }) });
    const pieces = () =>
      [...bench.element.querySelectorAll('tm-tug-readings tbody tr td:first-child')].map((cell) =>
        Number(cell.textContent),
      );
    expect(pieces()).toEqual(Array.from({ length: 15 }, (_, i) => 400 - i));
    expect(bench.element.querySelectorAll('*').length).toBeLessThan(600);
    await bench.press('385 more');
    expect(pieces().length).toBe(30);
    expect(pieces().at(-1)).toBe(371);
  });

  it('asks why a piece is pulled that nobody has looked at, and keeps the reason', async () => {
    bench = await Bench.open(TugStage, { view: viewOf({ entries: [TOOL_TAKEN(), ...stepsDone(viewOf())] }) });
    expect(bench.text).toContain('Nobody has looked at piece 1 yet, and after the pull nobody can.');
    await read('118.4');
    await bench.key('1');
    await bench.key('Enter');
    expect(bench.put).toEqual([]);
    expect(bench.text).toContain('Say why piece 1 is pulled before anybody has looked at it.');
    await bench.type('reading-note', 'cut open for training');
    await bench.press('Keep reading');
    expect(bench.put[0]?.body).toEqual(
      jasmine.objectContaining({ confirmed: ['not-looked-at'], note: 'cut open for training' }),
    );
  });

  it('shows two digits where two were typed: what is shown is what is kept', async () => {
    await open();
    await read('113.45');
    expect(bench.element.querySelector('.number')?.textContent).toContain('113.45');
  });

  it('selects a value it refuses, so that the next one replaces it', async () => {
    await open();
    await read('ST,GS,min 3 N max 118 N');
    expect(bench.text).toContain('is not a number');
    const field = bench.element.querySelector<HTMLInputElement>('#force');
    expect([field?.selectionStart, field?.selectionEnd]).toEqual([0, field?.value.length]);
  });

  it('reads the line of a gauge that types, whatever stands around its number', async () => {
    await open();
    await read('ST,GS,+00118.4 N');
    expect(bench.text).toContain('Holds: 33.4 N above the limit (39 %)');
  });

  it('does not keep a value before it is said how it failed', async () => {
    await open();
    await read('118.4');
    await bench.key('Enter');
    expect(bench.put).toEqual([]);
    expect(bench.text).toContain('Say first how it failed: 1 to 7.');
  });

  it('says that a low one does not hold', async () => {
    await open();
    await read('84.96');
    expect(bench.text).toContain('Does not hold: 0.04 N below the limit (0 %)');
    expect(bench.text).toContain('84.96');
  });

  it('leaves nonsense standing and says what is wrong', async () => {
    await open();
    await read('12,500');
    expect(bench.text).toContain('may be 12.500 or 12500');
    expect(bench.element.querySelector<HTMLInputElement>('#force')?.value).toBe('12,500');
  });

  it('keeps with the number of the failure alone where that is set, but never what needs words', async () => {
    await open();
    await read('118.4');
    await bench.key('1');
    expect(bench.put).toEqual([]);
    bench.store.dispatch(settingsActions.set({ changes: { keepsByNumber: true } }));
    await bench.settle();
    await bench.key('2');
    expect(bench.put[0]?.body).toEqual(jasmine.objectContaining({ piece: 1, force: 118.4, mode: 'broke-at-crimp' }));
    await read('100');
    await bench.key('6');
    expect(bench.put.length).toBe(1);
    expect(bench.text).toContain('A replacement piece is due.');
  });

  it('asks about more than the wire can bear, and keeps the answer on record', async () => {
    await open();
    await read('300');
    expect(bench.text).toContain('300.0 N is more than this wire can bear');
    await bench.key('y');
    await bench.key('1');
    await bench.key('Enter');
    expect(bench.put[0]?.body).toEqual(jasmine.objectContaining({ force: 300, confirmed: ['above-wire'] }));
  });

  it('goes back to typing with Escape, with what was typed', async () => {
    await open();
    await read('30 lbf');
    expect(bench.text).toContain('30 lbf is 133.4 N');
    await bench.key('Escape');
    expect(bench.has('Yes, keep')).toBeFalse();
    expect(bench.element.querySelector<HTMLInputElement>('#force')?.value).toBe('30 lbf');
  });

  it('replaces the value after Escape with the next digit, from wherever it comes', async () => {
    await open();
    await read('1');
    expect(bench.text).toContain('84.0 N below the limit');
    await bench.key('Escape');
    await bench.key('7');
    await bench.key('0');
    expect(bench.element.querySelector<HTMLInputElement>('#force')?.value).toBe('70');
  });

  it('takes pounds-force and shows everything in them', async () => {
    await open([TOOL_TAKEN(), pulled(1, 118.4)]);
    await bench.choose('unit', 'lbf');
    // 118.4 / 4.44822 = 26.6; the limit 85 / 4.44822 = 19.1
    expect(bench.element.querySelector('td.force')?.textContent?.trim()).toBe('26.6');
    await read('26');
    // 26 lbf = 115.65 N, 30.65 N above, 6.9 lbf
    expect(bench.text).toContain('Holds: 6.9 lbf above the limit (36 %)');
    await bench.press('Slid out');
    await bench.press('Keep reading');
    const body = bench.put[0]?.body;
    expect(body?.kind === 'reading' && body.force).toBeCloseTo(115.654, 3);
  });

  it('asks for the reason of a pull that is no test, and for a replacement piece', async () => {
    await open();
    await read('100');
    await bench.key('6');
    expect(bench.text).toContain('A replacement piece is due.');
    await bench.press('Keep reading');
    expect(bench.text).toContain('say what happened');
    await bench.type('reading-note', 'jaw opened');
    await bench.press('Keep reading');
    expect(bench.put.length).toBe(1);
    expect(bench.headline).toBe('Piece 2 of 5');
  });

  it('corrects a reading with its reason and names the first one', async () => {
    const first = pulled(1, 84);
    await open([TOOL_TAKEN(), first]);
    await bench.press('put right');
    expect(bench.headline).toBe('Correct piece 1');
    await read('114');
    await bench.key('1');
    await bench.press('Keep reading');
    expect(bench.text).toContain('A correction needs its reason');
    await bench.type('reading-why', 'digits swapped');
    await bench.press('Keep reading');
    expect(bench.put[0]).toEqual({
      body: jasmine.objectContaining({ piece: 1, force: 114 }) as never,
      why: 'digits swapped',
    });
    expect([...bench.element.querySelectorAll('td.force')].map((cell) => cell.textContent?.trim())).toEqual(['114.0']);
  });

  it('takes pasted values one after the other and keeps the rest through a reload', async () => {
    await open();
    const data = new DataTransfer();
    data.setData('text', '118.1\n117.2\n119.3');
    bench.element
      .querySelector('#force')
      ?.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
    await bench.settle();
    expect(bench.text).toContain('2 more pasted values wait: 117.2 · 119.3');
    const draft = JSON.parse(localStorage.getItem('tug-mark-draft-Odile-c1') ?? '{}') as Record<string, unknown>;
    expect(draft).toEqual({
      by: 'Odile',
      target: 'piece 1',
      text: '118.1',
      pasted: ['117.2', '119.3'],
      waiting: [],
      taking: null,
    });
    await bench.key('1');
    await bench.key('Enter');
    expect(bench.text).toContain('1 more pasted value waits: 119.3');
  });

  it('takes up what was left open through a reload, and asks whose it was where another piece is due', async () => {
    const draft = (target: string) =>
      JSON.stringify({ by: 'Odile', target, text: '117.2', pasted: [], waiting: [], taking: null });
    const view = viewOf({ entries: [TOOL_TAKEN(), ...stepsDone(viewOf()), ...[1, 2].map(seen)] });
    bench = await Bench.open(TugStage, { view, kept: { 'tug-mark-draft-Odile-c1': draft('piece 1') } });
    expect(bench.text).toContain('117.2N');
    expect(bench.text).toContain('How did it fail?');
    bench.close();
    bench = await Bench.open(TugStage, { view, kept: { 'tug-mark-draft-Odile-c1': draft('piece 4') } });
    expect(bench.text).toContain('1 pull waits: for which piece?');
    expect(bench.text).toContain('typed for piece 4 by Odile');
    expect(bench.text).not.toContain('How did it fail?');
  });

  it('says what another person has left open here, and leaves it to them', async () => {
    const theirs = JSON.stringify({
      ...{ by: 'Ines', target: 'piece 1', text: '99', pasted: ['98', '97'], waiting: [], taking: null },
    });
    const kept = { 'tug-mark-draft-ines-c1': theirs, 'tug-mark-draft-tove-lot-c1': theirs };
    const view = viewOf({ entries: [TOOL_TAKEN(), ...stepsDone(viewOf()), seen(1)] });
    bench = await Bench.open(TugStage, { view, kept });
    const told = bench.text.match(/\w+ left \d values? open here/g);
    expect(told).toEqual(['Ines left 3 values open here']);
    expect(bench.element.querySelector<HTMLInputElement>('#force')?.value).toBe('');
    expect(localStorage.getItem('tug-mark-draft-ines-c1')).toBe(theirs);
  });

  it('gives count, lowest, mean, spread, Cpl and bound of the valid ones, and one sentence', async () => {
    await open([
      TOOL_TAKEN(),
      ...[116.2, 112.2, 121.3, 118.4, 119.9].map((force, i) => pulled(i + 1, force)),
      pulled(6, 100, { mode: 'grip-slipped', note: 'x' }),
    ]);
    expect([...bench.element.querySelectorAll('tm-tug-readings dd')].map((dd) => dd.textContent?.trim())).toEqual([
      '5',
      '112.2',
      '117.6',
      '3.6',
      '3.05',
      '97.2',
    ]);
    expect(bench.text).toContain('5 like these: 95 % sure that 99 % hold above 97.2 N; limit 85.0 N.');
    expect(bench.headline).toBe('5 of 5 pulled');
  });

  it('lets quality alone rule on a low pull called not valid', async () => {
    const low = [TOOL_TAKEN(), pulled(1, 60, { mode: 'grip-slipped', note: 'jaw opened' })];
    await open(low);
    expect(bench.has('It counts')).toBeFalse();
    bench.close();
    await open(low, 'quality');
    const reason = bench.element.querySelector<HTMLInputElement>('#rule-1');
    if (reason) reason.value = 'no jaw marks';
    await bench.press('It counts');
    expect(bench.put[0]?.body).toEqual({ kind: 'ruling', piece: 1, ruling: 'counts', note: 'no jaw marks' });
    expect(bench.text).toContain('quality: counts');
  });

  it('says that no tool is taken, and that no limit applies', async () => {
    bench = await Bench.open(TugStage, { view: viewOf({ limits: [] }) });
    expect(bench.element.querySelector('.before')?.textContent).toContain('Take Hand tool HT');
    expect(bench.has('Pull all the same')).toBeFalse();
    expect(bench.text).toContain('No released limit table is in effect for grade 2.');
  });

  it('shows what is on its way to the server as such', async () => {
    await open([TOOL_TAKEN(), kept({ kind: 'gate', gate: 'strip-looked-at', answer: 'yes', note: '' })]);
    await read('118');
    await bench.key('1');
    await bench.key('Enter');
    expect(bench.text).toContain('sending ...');
  });
});
