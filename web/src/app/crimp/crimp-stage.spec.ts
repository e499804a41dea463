import { Bench, kept, TOOL_TAKEN, viewOf } from '../testing/bench';
import { CrimpStage } from './crimp-stage';

describe('Making the crimp', () => {
  let bench: Bench<CrimpStage>;
  afterEach(() => {
    bench.close();
  });
  const open = async (entries = [TOOL_TAKEN()]) => {
    bench = await Bench.open(CrimpStage, { view: viewOf({ entries }) });
  };

  it('asks for one step at a time and shows the next when it is confirmed', async () => {
    await open();
    expect(bench.headline).toBe('Look at the stripped end and at the slug.');
    expect(bench.text).toContain('Clear cut strands off the bench.');
    await bench.key('Enter');
    expect(bench.headline).toBe('Seam in the cradle, away from the punch.');
    await bench.key('Enter');
    expect(bench.headline).toBe('One bite, until the tool opens by itself.');
    expect(bench.put.map(({ body }) => (body.kind === 'gate' ? `${body.gate} ${body.answer}` : ''))).toEqual([
      'strip-looked-at yes',
      'orientation yes',
    ]);
  });

  it('draws how it lies, how it must not lie, and what the bite makes of it', async () => {
    await open([TOOL_TAKEN(), kept({ kind: 'gate', gate: 'strip-looked-at', answer: 'yes', note: '' })]);
    const said = [...bench.element.querySelectorAll('tm-end-view svg')].map((svg) => svg.getAttribute('aria-label'));
    expect(said).toEqual([
      'End-on view: Seam in the cradle, away from the punch.',
      'Not like this: Seam under the indent: one edge is pushed down, the other stays up.',
      'End-on view: Seam in the cradle, away from the punch.',
    ]);
  });

  it('takes "not like this" with what differs, and mends it with a reason', async () => {
    await open();
    await bench.key('n');
    await bench.type('gate-note', 'two strands cut');
    await bench.submit();
    expect(bench.put[0]?.body).toEqual({
      kind: 'gate',
      gate: 'strip-looked-at',
      answer: 'no',
      remedy: 'trim',
      note: 'two strands cut',
    });
    expect(bench.text).toContain(
      'Answered ‘not like this’: two strands cut. Trim the wire end, then confirm the step.',
    );
    await bench.key('Enter');
    expect(bench.put.length).toBe(1);
    // What was to be done stands there already.
    await bench.submit();
    expect(bench.put[1]?.why).toBe('wire end trimmed');
    expect(bench.headline).toBe('Seam in the cradle, away from the punch.');
  });

  it('counts the end that a wrong bite costs, and what it takes with it', async () => {
    const yes = (gate: 'strip-looked-at' | 'orientation') => kept({ kind: 'gate', gate, answer: 'yes', note: '' });
    await open([TOOL_TAKEN(), yes('strip-looked-at'), yes('orientation')]);
    await bench.press('Not like this');
    expect(bench.text).toContain('Cut it off, make the end again');
    expect(bench.text).not.toContain('Trim the wire end');
    await bench.type('gate-note', 'bite on the tongue');
    await bench.submit();
    expect(bench.put[0]?.body).toEqual(jasmine.objectContaining({ answer: 'no', remedy: 'cut-off' }));
    expect(bench.text).toContain(
      'It is never pressed again. 1 end is cut off so far. 2 more attempts are left: each uses',
    );
  });

  it('shows what a stripped end is looked at by, and takes a fault by its drawing, with what helps first', async () => {
    await open();
    const said = [...bench.element.querySelectorAll('tm-end-points dt')].map((dt) => dt.textContent);
    expect(said).toEqual(['Cut', 'Strands', 'Slug', 'Lay', 'Insulation edge']);
    expect(bench.text).toContain('All 24, bent aside a little and counted');
    await bench.key('n');
    const fault = (name: string) =>
      [...bench.element.querySelectorAll<HTMLElement>('tm-drawn-choice label')].find((l) =>
        l.textContent?.includes(name),
      );
    const first = () => bench.element.querySelector('tm-gate-answer button[type=submit]')?.textContent?.trim();
    expect(first()).toBe('Trim the wire end');
    fault('Birdcaged')?.querySelector('input')?.click();
    await bench.settle();
    expect(first()).toBe('Cut it off, make the end again');
    await bench.submit('form.notice');
    expect(bench.put[0]?.body).toEqual({
      ...{ kind: 'gate', gate: 'strip-looked-at', answer: 'no', fault: 'birdcaged', remedy: 'cut-off', note: '' },
    });
    expect(bench.text).toContain('Answered ‘not like this’: Birdcaged. Cut it off, make the end again');
  });

  it('keeps no "not like this" without a word', async () => {
    await open();
    await bench.press('Not like this');
    await bench.submit();
    expect(bench.put).toEqual([]);
    expect(bench.text).toContain('Say what differs.');
  });

  it('sends to the samples when every step is confirmed', async () => {
    const gates = ['strip-looked-at', 'orientation', 'cycle-complete', 'mark-matches', 'hand-tug'] as const;
    await open([TOOL_TAKEN(), ...gates.map((gate) => kept({ kind: 'gate', gate, answer: 'yes', note: '' }))]);
    expect(bench.headline).toBe('Make 5 sample pieces just like this.');
    await bench.key('Enter');
    expect(bench.wentTo).toEqual(['/bench', 'c1', 'look']);
  });

  it('waits for a tool', async () => {
    await open([]);
    expect(bench.text).toContain('Take a tool first: the mark and the bite depend on it.');
    bench.close();
    bench = await Bench.open(CrimpStage, { view: viewOf({ tools: [] }) });
    expect(bench.headline).toBe('The crimp waits for a tool.');
  });
});
