import type { Cabinet } from '@tug-mark/contract';
import { practice, tool } from '../../../../core/src/testing/shop';
import { Bench } from '../testing/bench';
import { ToolsPage } from './tools-page';
import { EMPTY_CABINET } from '../testing/made-up';

const [die] = tool.dies;
if (!die) throw new Error('the tool has no die');
/** A frame with two dies of one nest each; the second has pins of its own. */
const press = {
  ...tool,
  gauge: { go: 2, noGo: 2.1, setting: null },
  dies: [
    die,
    {
      ...die,
      id: 'B',
      label: 'die B',
      mounted: false,
      nests: die.nests.slice(0, 1).map((nest) => ({ ...nest, gauge: { go: 3, noGo: 3.1, setting: null } })),
    },
  ],
};
const at = (minutesAgo: number) => new Date(Date.now() - minutesAgo * 60_000).toISOString();
const check = (minutesAgo: number, passed: boolean) => ({
  id: crypto.randomUUID(),
  tool: 'HT',
  die: 'A',
  nest: null,
  at: at(minutesAgo),
  goPassed: true,
  noGoStopped: passed,
  by: 'Odile',
  setting: null,
  cycles: null,
});
const cabinet = (checks: Cabinet['checks'], returns: Cabinet['returns'] = []): Cabinet => ({
  ...EMPTY_CABINET,
  tools: [press],
  practices: [practice],
  checks,
  returns,
});

describe('The tools at the start of a shift', () => {
  let bench: Bench<ToolsPage>;
  const open = async (role: 'technician' | 'quality', found: Cabinet, api: object = {}) => {
    bench = await Bench.open(ToolsPage, {
      role,
      api: { cabinet: () => Promise.resolve(found), suspect: () => Promise.resolve(null), ...api },
    });
  };
  afterEach(() => {
    bench.close();
  });
  const choose = async (text: string) => {
    const label = [...bench.element.querySelectorAll('label')].find((l) => l.textContent?.trim() === text);
    label?.querySelector('input')?.click();
    await bench.settle();
  };

  it('leave one that failed its check to quality, though it passed since', async () => {
    await open('technician', cabinet([check(60, false), check(30, true)]));
    expect(bench.text).toContain('It is out of use until quality has put on record what was done to it');
    expect(bench.text).toContain('Quality puts it back once somebody has said what was done to it.');
    expect([bench.has('Check it'), bench.has('Back into use')]).toEqual([false, false]);
  });

  it('let quality put it back with what was done to it, and ask for a check then', async () => {
    const found = cabinet([check(60, false)]);
    const returnTool = jasmine.createSpy('returnTool').and.callFake(() => {
      found.returns.push({ id: 'r1', tool: 'HT', at: at(1), done: 'adjusted', note: 'stop screw, Marek', by: 'Ines' });
      return Promise.resolve(found.returns[0]);
    });
    await open('quality', found, { cabinet: () => Promise.resolve(structuredClone(found)), returnTool });
    await bench.press('Back into use');
    expect(bench.button('Put it back into use').disabled).toBeTrue();
    const radios = [...bench.element.querySelectorAll<HTMLInputElement>('tm-tool-return input[type=radio]')];
    expect(new Set(radios.map(({ name }) => name)).size).toBe(1);
    expect(radios[0]?.name).not.toBe('');
    await choose('adjusted');
    expect(bench.button('Put it back into use').disabled).toBeTrue();
    await bench.type('note-HT', 'stop screw, Marek');
    await bench.press('Put it back into use');
    expect(returnTool).toHaveBeenCalledOnceWith(
      jasmine.objectContaining({ tool: 'HT', done: 'adjusted', note: 'stop screw, Marek' }),
    );
    expect(bench.headline).toBe('Tools: 1 check is due.');
    expect(bench.text).toContain(
      'is back in use: adjusted (stop screw, Marek, Ines). Check it before the first piece.',
    );
    expect(bench.has('Check it')).toBeTrue();
  });

  it('are checked with the die that is mounted, each with the pins it is for', async () => {
    const checkTool = jasmine.createSpy('checkTool').and.resolveTo({});
    await open('technician', cabinet([check(30, true)]), { checkTool });
    expect(bench.text).toContain('mounted: die A; gauge 2 / 2.1 mm');
    await bench.press('Check it');
    expect(bench.text).toContain('Go gauge 2 mm');
    await bench.press('It passes');
    await bench.press('It stops');
    // Said of die A, and nothing of die B.
    await choose('die B');
    expect(bench.button('Keep this check').disabled).toBeTrue();
    // Nor does a pin that dragged in die B drag in die A.
    await bench.press('It drags');
    await choose('die A');
    expect(bench.text).not.toContain('Wipe nest and pin');
    await choose('die B');
    expect(bench.text).toContain('Go gauge 3 mm');
    await bench.press('It passes');
    await bench.press('It stops');
    await bench.press('Keep this check');
    expect(checkTool).toHaveBeenCalledOnceWith(jasmine.objectContaining({ tool: 'HT', die: 'B', nest: '1' }));
  });
});
