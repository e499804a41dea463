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
      'It is never pressed again. 1 cut off and made again, 10.1 mm of wire: full cycle 1. 1 of 2',
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

  describe('formed in several strokes', () => {
    const [die] = viewOf().tools[0]?.dies ?? [];
    const [nest] = die?.nests ?? [];
    if (!die || !nest) throw new Error('no die');
    const wide = { ...nest, id: 'W', label: 'wide', area: { min: 1, max: 2 }, mark: 'wide mark', terminals: [] };
    const base = viewOf();
    const plier = {
      ...base,
      terminal: { ...base.terminal, formingStrokes: true },
      practice: { ...base.practice, secondStroke: 'forming' as const },
      tools: base.tools.map((each) => ({
        ...each,
        kind: 'plier' as const,
        dies: [{ ...die, nests: [...die.nests, wide] }],
      })),
    };
    const yes = (gate: 'strip-looked-at' | 'orientation') => kept({ kind: 'gate', gate, answer: 'yes', note: '' });
    const before = [TOOL_TAKEN(), yes('strip-looked-at'), yes('orientation')];

    it('asks after each stroke whether it is still, and shows the next nest only when it moves', async () => {
      bench = await Bench.open(CrimpStage, { view: viewOf({ ...plier, entries: before }) });
      expect(bench.headline).toBe('Stroke 1, nest wide: close it, then feel whether the next nest would move it.');
      await bench.key('v');
      expect(bench.put[0]?.body).toEqual(jasmine.objectContaining({ gate: 'formed', answer: 'yes', found: 'moves' }));
      expect(bench.headline).toBe('Stroke 2, nest 1, the last one: close it.');
      expect(bench.has('It still moves: next nest')).toBeFalse();
      await bench.key('Enter');
      expect(bench.put[1]?.body).toEqual(jasmine.objectContaining({ gate: 'formed', bite: 2, answer: 'yes' }));
      expect(bench.headline).toBe('Read the mark: one dot.');
    });

    it('ends with the first stroke it is still after, whose mark is read then', async () => {
      bench = await Bench.open(CrimpStage, { view: viewOf({ ...plier, entries: before }) });
      await bench.press('It is still');
      expect(bench.put[0]?.body).toEqual(jasmine.objectContaining({ gate: 'formed', found: 'still' }));
      expect(bench.headline).toBe('Read the mark: wide mark.');
    });
  });

  describe('with a locator set by trial', () => {
    const base = viewOf();
    const locator = { id: 'LO', label: 'locator LO', mounted: true, adjustable: true, depth: null, perTurn: 0.5 };
    const tools = base.tools.map((each) => ({ ...each, positioners: [{ ...locator, terminals: ['RB'] }] }));
    const taken = kept({ kind: 'tool', tool: 'HT', die: 'A', nest: '1', positioner: 'LO' });
    const yes = (gate: 'strip-looked-at' | 'setting') => kept({ kind: 'gate', gate, answer: 'yes', note: '' });

    it('takes trials by the caliper until two in a row are good, and tells the correction in turns', async () => {
      const entries = [taken, yes('strip-looked-at'), yes('setting')];
      bench = await Bench.open(CrimpStage, { view: viewOf({ tools, entries }) });
      expect(bench.headline).toBe('Set locator LO by trial crimps until two in a row are good.');
      await bench.key('Enter');
      expect(bench.put).toEqual([]);
      expect(bench.text).toContain('Run locator LO out, drop a contact in');
      const trial = async (text: string) => {
        await bench.type('locator-typed', text);
        await bench.submit('tm-locator-trial form');
      };
      // A bare ring of 6 mm: the bite is wanted at 3.
      await trial('4');
      expect(bench.put[0]?.body).toEqual({ kind: 'locator', trial: 1, measured: 4, note: '' });
      expect(bench.text).toContain('1.00 mm deeper, 2.00 turn');
      await trial('3.1');
      await trial('2.9');
      expect(bench.element.querySelector('#locator-typed')).toBeNull();
      expect(bench.headline).toBe('Locator LO is set by trial: lock it.');
      await bench.key('Enter');
      expect(bench.put.at(-1)?.body).toEqual(jasmine.objectContaining({ gate: 'locator', answer: 'yes' }));
    });

    it('says of a length that is none what is wrong, and keeps it in the field', async () => {
      const entries = [taken, yes('strip-looked-at'), yes('setting')];
      bench = await Bench.open(CrimpStage, { view: viewOf({ tools, entries }) });
      await bench.type('locator-typed', 'half');
      await bench.submit('tm-locator-trial form');
      expect(bench.put).toEqual([]);
      expect(bench.element.querySelector('tm-locator-trial tm-notice')).not.toBeNull();
      expect(bench.element.querySelector<HTMLInputElement>('#locator-typed')?.value).toBe('half');
    });
  });
});
