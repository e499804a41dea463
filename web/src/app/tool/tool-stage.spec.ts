import { tool } from '../../../../core/src/testing/shop';
import { Bench, TOOL_TAKEN, viewOf } from '../testing/bench';
import { ToolStage } from './tool-stage';

const second = { ...tool, part: 'HT-2', label: 'Hand tool HT-2' };

describe('Taking a tool', () => {
  let bench: Bench<ToolStage>;
  afterEach(() => {
    bench.close();
  });

  it('takes the proposed one with Enter and names the mark to verify', async () => {
    bench = await Bench.open(ToolStage, { view: viewOf() });
    expect(bench.headline).toBe('Take Hand tool HT, die A, nest 1.');
    expect(bench.text).toContain('It leaves one dot on the piece');
    await bench.key('Enter');
    expect(bench.put[0]?.body).toEqual({ kind: 'tool', tool: 'HT', die: 'A', nest: '1' });
    await bench.key('Enter');
    expect(bench.wentTo).toEqual(['/bench', 'c1', 'crimp']);
  });

  it('asks for the go/no-go check first when it ran out, both answers before it is kept', async () => {
    const checkTool = jasmine.createSpy('checkTool').and.resolveTo({ at: '', by: '' });
    bench = await Bench.open(ToolStage, {
      view: viewOf({ checks: [] }),
      api: { checkTool, suspect: () => Promise.resolve(null) },
    });
    expect(bench.headline).toBe('Check Hand tool HT first.');
    expect(bench.has('Take it')).toBeFalse();
    await bench.key('c');
    expect(bench.button('Keep this check').disabled).toBeTrue();
    await bench.press('It passes');
    expect(bench.button('Keep this check').disabled).toBeTrue();
    await bench.press('It passes through');
    await bench.press('Keep this check');
    expect(checkTool).toHaveBeenCalledOnceWith(
      jasmine.objectContaining({ tool: 'HT', goPassed: true, noGoStopped: false }),
    );
    expect(bench.text).toContain('Hand tool HT failed and is out of use from now on,');
  });

  it('offers no check where a check mends nothing', async () => {
    bench = await Bench.open(ToolStage, { view: viewOf({ tools: [{ ...tool, calibrationUntil: '2020-01-01' }] }) });
    expect(bench.headline).toBe('No tool can be taken.');
    expect(bench.text).toContain('Calibration of Hand tool HT ran out on 1 Jan 2020.');
    expect(bench.has('Check it')).toBeFalse();
  });

  it('changes a taken tool only with a reason', async () => {
    const checks = viewOf().checks.flatMap((check) => [check, { ...check, id: 'k2', tool: 'HT-2' }]);
    bench = await Bench.open(ToolStage, { view: viewOf({ tools: [tool, second], checks, entries: [TOOL_TAKEN()] }) });
    await bench.press('Change to it');
    await bench.submit();
    expect(bench.text).toContain('A correction needs its reason');
    await bench.type('why-change', 'HT went to calibration');
    await bench.submit();
    expect(bench.put[0]).toEqual({
      body: { kind: 'tool', tool: 'HT-2', die: 'A', nest: '1' },
      why: 'HT went to calibration',
    });
  });
});
