import type { Cabinet } from '@tug-mark/contract';
import { NO_DEMAND } from '@tug-mark/core';
import { bareRing, insulatedRing, practice, stripper, tool, wire075 } from '../../../../core/src/testing/shop';
import { ApiProblem } from '../http/api';
import { PracticePage } from '../practice/practice-page';
import { FinderPage } from '../match/finder-page';
import { StampReader } from '../match/stamp-reader';
import { TubeChooser } from '../prepare/tube-chooser';
import { Retermination } from '../prepare/retermination';
import { Bench, viewOf } from '../testing/bench';
import { ToolsPage } from '../tool/tools-page';
import { LimitsPage } from '../tug/limits-page';
import { CabinetPage } from './cabinet-page';
import { scanned } from './scanned';
import { EMPTY_CABINET } from '../testing/made-up';

const house = { ...practice, own: ['gap' as const] };
const cabinet: Cabinet = {
  ...EMPTY_CABINET,
  wires: [wire075],
  terminals: [bareRing, insulatedRing],
  strippers: [stripper],
  tools: [tool],
  practices: [house],
};
const revisions = () =>
  Promise.resolve([{ part: 'RB', revision: 3, at: new Date().toISOString(), by: 'Marek', body: bareRing }]);
const api = { cabinet: () => Promise.resolve(cabinet), revisions };

describe('The rooms around the bench', () => {
  let bench: Bench<unknown>;
  afterEach(() => {
    bench.close();
  });
  const field = (id: string) => bench.element.querySelector<HTMLInputElement>(`[id='${id}']`);
  const typeInto = async (id: string, text: string) => {
    const found = field(id);
    if (!found) throw new Error(`no field ${id}`);
    found.value = text;
    found.dispatchEvent(new Event('input', { bubbles: true }));
    found.dispatchEvent(new Event('change', { bubbles: true }));
    await bench.settle();
  };

  describe('The cabinet', () => {
    it('lists what is typed or scanned and opens the exact part with Enter', async () => {
      bench = await Bench.open(CabinetPage, { role: 'engineer', api });
      expect(bench.headline).toBe('Cabinet: 2 of 2 terminals');
      await typeInto('cabinet-search', 'insulated');
      expect(bench.headline).toBe('Cabinet: 1 of 2 terminals');
      await typeInto('cabinet-search', 'http://shop/cabinet/terminal/RB');
      field('cabinet-search')?.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
      await bench.settle();
      expect(bench.wentTo).toEqual(['/shop/cabinet', 'terminal', 'RB']);
    });

    it('is changed by engineers alone', async () => {
      bench = await Bench.open(CabinetPage, { role: 'technician', api });
      expect(bench.has('New terminal')).toBeFalse();
    });

    it('shows a part with its revision, its code and what differs from another', async () => {
      bench = await Bench.open(CabinetPage, {
        role: 'engineer',
        api,
        inputs: { kindName: 'terminal', partName: 'RB' },
      });
      expect(bench.text).toContain('revision 3');
      await bench.choose('beside', 'RT ');
      expect(bench.text).toMatch(/\d fields differ/);
    });
  });

  it('the stamp reader gives every reading and picks none', async () => {
    bench = await Bench.open(StampReader);
    await bench.type('stamp', '10-6');
    expect(bench.text).toContain('It can be read in 2 ways, the likeliest first.');
    await bench.type('stamp', 'nonsense');
    expect(bench.text).toContain('No reading of ‘nonsense’ makes sense.');
  });

  it('the tube chooser starts from the parts and says why a tube does not do', async () => {
    const tube = {
      part: 'TU',
      label: 'tube 3.2/1',
      kind: 'shrink-tube',
      suppliedBore: 3.2,
      recoveredBore: 1,
      length: null,
      longitudinalShrink: 0.1,
      adhesive: false,
      heat: null,
      wireRange: null,
      temperature: 125,
      wayRound: null,
    };
    bench = await Bench.open(TubeChooser, {
      inputs: {
        practice,
        terminal: bareRing,
        wire: wire075,
        tubes: [tube, { ...tube, part: 'TV', suppliedBore: 6.4 }],
      },
    });
    // outer 3.3 needs 3.47; covers 6 and 6 on each side: 18 / 0.9 = 20
    expect(bench.text).toContain('cut 20.0 mm');
    expect(bench.text).toContain('Bore 3.2 mm as supplied does not pass 3.30 mm');
    await bench.type('tube-passes', 'wide');
    expect(bench.text).toContain('is not a number');
  });

  it('the re-termination budget counts what the wire still allows', async () => {
    bench = await Bench.open(Retermination, { inputs: { lost: { strip: 8, crimp: 4.5 } } });
    await bench.type('budget-cut', '500');
    // 13.5 mm each of 27
    await bench.type('budget-shortest', '473');
    expect(bench.text).toContain('2 more attempts are left');
  });

  it('the shift begins with the tools whose check is due', async () => {
    bench = await Bench.open(ToolsPage, { api: { ...api, suspect: () => Promise.resolve(null) } });
    expect(bench.headline).toBe('Tools: 1 check is due.');
    await bench.press('Check the next');
    expect(bench.text).toContain('does it pass freely through the closed nest?');
  });

  it('practices are compared for the combination in hand, down to a single school', async () => {
    const view = viewOf();
    bench = await Bench.open(PracticePage, {
      role: 'engineer',
      api: {
        ...api,
        combination: () => Promise.resolve({ ...view, combination: { ...view.combination, demand: NO_DEMAND } }),
      },
      inputs: { with: 'c1' },
    });
    await bench.choose('beside-profile', 'gap required');
    expect(bench.text).toContain('What it changes for RB on W-075');
    expect(bench.element.querySelector('tr.changed')?.textContent).toContain('strip');
  });

  it('limits are compared row by row, with the set-ups whose limit would change', async () => {
    const [table] = viewOf().limits;
    if (!table) throw new Error('no table');
    const of = (revision: string, status: string, force: number) => ({
      table: { ...table, revision, status, rows: [{ ...table.rows[0], force }] },
      draftedBy: 'Marek',
      releasedBy: null,
      releasedAt: null,
      withdrawnBy: null,
      withdrawnAt: null,
      problems: revision === 'E' ? [{ row: 1, field: 'force', weight: 'bad', text: 'Too high.' }] : [],
    });
    const touched = [
      { id: 'c1', list: 'Mast loom', terminal: 'RB', wire: 'W-075', pieces: 4, before: 85, after: null },
    ];
    bench = await Bench.open(LimitsPage, {
      role: 'quality',
      api: {
        limits: () => Promise.resolve([of('C', 'released', 85), of('E', 'draft', 90)]),
        touchedByLimits: () => Promise.resolve(touched),
      },
    });
    await bench.press('rev E');
    expect(bench.text).toContain('Row 1: Too high.');
    await bench.choose('compare-with', 'rev C');
    expect(bench.text).toContain('+5.9 %');
    expect(bench.text).toContain('it would change the limit of 1 combination');
    expect(bench.text).toContain('Mast loom, 85.0 N to no limit');
  });

  it('a table that overlaps another is released in its place when that is wanted', async () => {
    const [table] = viewOf().limits;
    const draft = {
      table: { ...table, revision: 'E', status: 'draft' },
      draftedBy: 'Marek',
      releasedBy: null,
      releasedAt: null,
      withdrawnBy: null,
      withdrawnAt: null,
      problems: [],
    };
    const overlap = new ApiProblem({
      type: '',
      title: 'C is in effect for the same days.',
      status: 409,
      detail: '',
      code: 'limit-overlaps',
    });
    const releaseLimit = jasmine
      .createSpy('releaseLimit')
      .and.callFake(({ replaces }: { replaces: boolean }) =>
        replaces ? Promise.resolve({}) : Promise.reject(overlap),
      );
    bench = await Bench.open(LimitsPage, {
      role: 'quality',
      api: { limits: () => Promise.resolve([draft]), releaseLimit },
    });
    await bench.press('Release rev E');
    await bench.press('Release it in place of the one in effect');
    expect(releaseLimit.calls.mostRecent().args[0]).toEqual(
      jasmine.objectContaining({ revision: 'E', replaces: true }),
    );
  });

  it('the finder searches in its own thread and says what stops the near misses', async () => {
    const listed = { ...insulatedRing, part: 'RB-2', family: 'bare-terminal' as const };
    bench = await Bench.open(FinderPage, {
      api: { ...api, cabinet: () => Promise.resolve({ ...cabinet, terminals: [bareRing, listed] }) },
    });
    expect(bench.headline).toBe('What can these wires be made up with?');
    await typeInto('finder-wire', 'w-075');
    field('finder-wire')?.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
    for (let i = 0; i < 100 && !bench.headline.includes('can be made'); i++) await bench.settle();
    expect(bench.headline).toBe('1 terminal can be made, best first.');
    expect(field('finder-wire')?.value).toBe('');
    expect(bench.text).toContain('Hand tool HT, die A, nest 1');
    expect(bench.text).toContain('No tool is listed for RB-2');
    expect(bench.text).toContain('nearest AWG 18');
    await typeInto('finder-current', 'much');
    expect(bench.text).toContain("'much' is not a number");
  });
});

describe('A scan', () => {
  it('of a label’s whole address is read as the part it names, any other text as itself', () => {
    expect(scanned(' http://127.0.0.1:4870/cabinet/terminal/FL-RT-0406 ')).toBe('FL-RT-0406');
    expect(scanned('ring M4, red sleeve ')).toBe('ring M4, red sleeve ');
  });
});
