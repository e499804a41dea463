import { tool } from '../../../../core/src/testing/shop';
import { Bench } from '../testing/bench';
import { ToolCheckGuide } from './tool-check';

const withSelector = { ...tool, gauge: { go: 2, noGo: 2.1, setting: '3' } };

describe('The check of a tool', () => {
  let bench: Bench<ToolCheckGuide>;
  let checkTool: jasmine.Spy;
  let isKept: boolean;
  const open = async (of: typeof tool, answer: () => Promise<unknown> = () => Promise.resolve({})) => {
    checkTool = jasmine.createSpy('checkTool').and.callFake(answer);
    isKept = false;
    bench = await Bench.open(ToolCheckGuide, {
      inputs: { tool: of },
      api: {
        checkTool,
        suspect: () => Promise.resolve({ tool: 'HT', after: null, upTo: new Date().toISOString(), lots: [] }),
      },
    });
    bench.fixture.componentInstance.kept.subscribe(() => (isKept = true));
  };
  const isOff = (words: string) => bench.button(words).disabled;
  afterEach(() => {
    bench.close();
  });

  it('asks for the selector first: pins say nothing at another setting', async () => {
    await open(withSelector);
    expect(isOff('It passes')).toBeTrue();
    await bench.press('It stands at 3');
    expect(isOff('It passes')).toBeFalse();
    expect(bench.button('It stands at 3').getAttribute('aria-pressed')).toBe('true');
  });

  it('is kept once both pins have answered, with the counter where the tool has one', async () => {
    await open(withSelector);
    await bench.press('It stands at 3');
    await bench.press('It passes');
    expect(isOff('Keep this check')).toBeTrue();
    await bench.press('It stops');
    await bench.type('cycles-HT', '12400');
    await bench.press('Keep this check');
    expect(checkTool.calls.mostRecent().args[0]).toEqual(
      jasmine.objectContaining({ tool: 'HT', goPassed: true, noGoStopped: true, setting: '3', cycles: 12_400 }),
    );
    expect(isKept).toBeTrue();
  });

  it('asks for a go pin that drags to be tried once more, wiped clean: it is no answer yet', async () => {
    await open({ ...tool, gauge: { go: 2, noGo: 2.1, setting: null } });
    await bench.press('It drags');
    expect(bench.text).toContain('Wipe nest and pin, close the tool once more');
    await bench.press('It stops');
    expect(isOff('Keep this check')).toBeTrue();
    await bench.press('It does not');
    expect(bench.text).not.toContain('Wipe nest and pin');
    await bench.press('Keep this check');
    expect(checkTool.calls.mostRecent().args[0]).toEqual(jasmine.objectContaining({ goPassed: false }));
  });

  it('takes no counter that is not a whole number, and loses no answer for it', async () => {
    await open({ ...tool, gauge: { go: 2, noGo: 2.1, setting: null } });
    await bench.press('It passes');
    await bench.press('It stops');
    await bench.type('cycles-HT', '12.5');
    await bench.press('Keep this check');
    expect(bench.text).toContain('A counter shows a whole number; leave it empty if the tool has none.');
    expect(checkTool).not.toHaveBeenCalled();
    await bench.type('cycles-HT', '');
    await bench.press('Keep this check');
    expect(checkTool.calls.mostRecent().args[0]).toEqual(jasmine.objectContaining({ cycles: null, setting: null }));
  });

  it('that failed stays on the screen with what is suspect, until somebody has read it', async () => {
    await open({ ...tool, gauge: { go: 2, noGo: 2.1, setting: null } });
    await bench.press('It passes');
    await bench.press('It passes through');
    await bench.press('Keep this check');
    expect(checkTool.calls.mostRecent().args[0]).toEqual(jasmine.objectContaining({ noGoStopped: false }));
    expect(bench.text).toContain('failed and is out of use from now on');
    expect(isKept).toBeFalse();
    await bench.press('I have read it');
    expect(isKept).toBeTrue();
  });

  it('that the server refuses keeps its answers and says why', async () => {
    await open({ ...tool, gauge: { go: 2, noGo: 2.1, setting: null } }, () => Promise.reject(new Error('no network')));
    await bench.press('It passes');
    await bench.press('It stops');
    await bench.press('Keep this check');
    expect(bench.element.querySelector('tm-problem [role=alert]')).not.toBeNull();
    expect(bench.button('It stops').getAttribute('aria-pressed')).toBe('true');
    expect(isKept).toBeFalse();
  });
});
