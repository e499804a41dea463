import { setUpContext } from '@tug-mark/contract';
import { computeSetUp, type EntryBody } from '@tug-mark/core';
import { Bench, kept, pulled, TOOL_TAKEN, viewOf } from '../testing/bench';
import { ReleaseStage } from './release-stage';

/** Everything on record that proves the bare ring, in journal order. */
function proved() {
  const view = viewOf({ entries: [TOOL_TAKEN()] });
  const context = setUpContext(view);
  const setUp = computeSetUp(context, view.entries, new Date().toISOString());
  const bodies: EntryBody[] = [
    ...setUp.gates.map(({ gate }): EntryBody => ({ kind: 'gate', gate, answer: 'yes', note: '' })),
    ...[1, 2, 3, 4, 5].flatMap((piece) =>
      setUp.criteria.map(({ code }): EntryBody => ({
        kind: 'finding',
        piece,
        criterion: code,
        finding: 'accept',
        note: '',
      })),
    ),
  ];
  const pulls = [116.2, 112.2, 121.3, 118.4, 119.9].map((force, i) => pulled(i + 1, force));
  return [TOOL_TAKEN(), ...bodies.map((body) => kept(body)), ...pulls];
}

describe('The set-up run', () => {
  let bench: Bench<unknown>;
  afterEach(() => {
    bench.close();
  });

  it('names what comes next and leads there with Enter', async () => {
    bench = await Bench.open(ReleaseStage, { view: viewOf() });
    expect(bench.headline).toBe('Next: mount and check.');
    await bench.key('Enter');
    expect(bench.wentTo).toEqual(['/bench', 'c1', 'tool']);
  });

  it('is released by quality with what it stands on; a technician is told whose act it is', async () => {
    bench = await Bench.open(ReleaseStage, { view: viewOf({ entries: proved() }) });
    expect(bench.headline).toBe('Proved. Quality releases it.');
    expect(bench.text).toContain('Releasing is for quality.');
    bench.close();
    bench = await Bench.open(ReleaseStage, { view: viewOf({ entries: proved() }), role: 'quality' });
    await bench.press('Release the set-up');
    const body = bench.put[0]?.body;
    expect(
      body?.kind === 'release' && [body.stands.tool, body.stands.limit.revision, body.stands.revisions.terminal],
    ).toEqual(['HT', 'C', 1]);
    expect(bench.headline).toBe('Released: the lot may run.');
  });

  it('asks for six things, and for the paper the cabinet does not name', async () => {
    const base = viewOf();
    const terminal = { ...base.terminal, sheet: null };
    bench = await Bench.open(ReleaseStage, { view: viewOf({ terminal, entries: proved() }), role: 'quality' });
    const things = [...bench.element.querySelectorAll('tm-release-things li')].map((li) =>
      [li.querySelector('tm-mark')?.textContent?.trim(), li.querySelector('strong')?.textContent].join(' '),
    );
    expect(things).toEqual([
      'passed Person',
      'passed Wire',
      'passed Terminal',
      'passed Tool',
      'open Documents',
      'passed Inspection',
    ]);
    expect(bench.text).toContain('No sheet is named for the terminal: name it below.');
    await bench.press('Release the set-up');
    expect(bench.put).toEqual([]);
    expect(bench.text).toContain('Name it with the release, or in the cabinet.');
    await bench.type('sheet-terminal', 'Sheet 12');
    await bench.type('sheet-terminal-revision', 'B');
    await bench.press('Release the set-up');
    expect(bench.put[0]?.body).toEqual(
      jasmine.objectContaining({
        kind: 'release',
        sheets: { terminal: { number: 'Sheet 12', revision: 'B', page: null } },
      }),
    );
    // The tool's own card is in the cabinet: nothing is asked of it.
    expect(bench.text).toContain('tool: Card HT rev C');
    expect(bench.element.querySelector('#sheet-tool')).toBeNull();
  });

  it('says why a release lapsed, and begins again from the newest revisions with that reason', async () => {
    const stands = {
      tool: 'HT',
      die: 'A',
      nest: '1',
      setting: null,
      positioner: null,
      limit: { document: 'FL-SPEC-07', revision: 'C', class: '2' },
      revisions: { terminal: 1, wire: 1, together: [], practice: 1 },
    };
    const entries = [...proved(), kept({ kind: 'release', stands, note: '' }, { by: 'Ines' })];
    bench = await Bench.open(ReleaseStage, {
      view: viewOf({ entries, newest: { terminal: 2, wire: 1, together: [], practice: 1 } }),
    });
    expect(bench.headline).toContain('The release has lapsed');
    expect(bench.text).toContain('The terminal has revision 2 now; it was proved with revision 1.');
    await bench.press('Begin the set-up again');
    await bench.submit();
    const run = bench.put[0]?.body;
    expect(
      run?.kind === 'run' && [run.run, run.revisions.terminal, run.cause.startsWith('The terminal has revision 2')],
    ).toEqual([2, 2, true]);
  });
});

describe('Beginning again after a failure', () => {
  it('asks at once, with what failed as the reason to be kept', async () => {
    const view = viewOf({ entries: [TOOL_TAKEN(), pulled(1, 60)] });
    const bench = await Bench.open(ReleaseStage, { view, inputs: { again: 'true' } });
    const cause = bench.element.querySelector<HTMLInputElement>('#run-cause');
    expect(cause?.value).toContain('60.0');
    bench.close();
  });

  it('begins nothing without a cause, says so, and leaves the question open', async () => {
    const bench = await Bench.open(ReleaseStage, { view: viewOf({ entries: [TOOL_TAKEN(), pulled(1, 60)] }) });
    await bench.press('Begin the set-up again');
    await bench.type('run-cause', '');
    await bench.press('Begin run 2');
    expect(bench.put).toEqual([]);
    expect(bench.element.querySelector('tm-begin-again tm-notice')?.textContent).toContain('why');
    await bench.press('Not now');
    expect(bench.element.querySelector('#run-cause')).toBeNull();
    bench.close();
  });
});
