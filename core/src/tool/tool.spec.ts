import { bareRing, checkAt, insulatedRing, NOW, practice, tool, wire075, wireOf } from '../testing/shop';
import { chooseTool, judgeTool, openToolBook, type Tool } from './index';

const code = (t: Tool, checks = [checkAt('2026-11-25T06:00:00.000Z')]) => judgeTool(t, checks, NOW);

describe('A tool', () => {
  it('is ready after a passed check within its hours', () => {
    expect(code(tool).state).toBe('ready');
  });

  it('asks for a check when the last one ran out or there is none', () => {
    expect(code(tool, [checkAt('2026-11-24T23:59:00.000Z')]).state).toBe('check-due');
    expect(code(tool, []).state).toBe('check-due');
  });

  it('is refused when its latest check failed, whatever the ones before said', () => {
    const failed = code(tool, [checkAt('2026-11-25T06:00:00.000Z'), checkAt('2026-11-25T09:00:00.000Z', true, false)]);
    expect(failed.state).toBe('refused');
    expect(failed.reasons[0]?.text).toContain('no-go gauge passed through');
    expect(
      code(tool, [checkAt('2026-11-25T09:00:00.000Z', true, false), checkAt('2026-11-25T10:00:00.000Z')]).state,
    ).toBe('ready');
  });

  it('is refused when calibration ran out or the cycles are used up', () => {
    expect(code({ ...tool, calibrationUntil: '2026-11-24' }).reasons[0]?.code).toBe('calibration-overdue');
    expect(code({ ...tool, calibrationUntil: '2026-11-25' }).state).toBe('ready');
    expect(code({ ...tool, cycles: 1000 }).state).toBe('refused');
  });

  it('says how many cycles are left near its limit', () => {
    const near = code({ ...tool, cycles: 970 });
    expect(near.state).toBe('ready');
    expect(near.reasons.find((r) => r.code === 'cycles-near-limit')?.numbers['left']).toBe(30);
  });
});

describe('The choice of tool', () => {
  const checks = [checkAt('2026-11-25T06:00:00.000Z'), { ...checkAt('2026-11-25T06:00:00.000Z'), tool: 'HT-2' }];
  const second: Tool = {
    ...tool,
    part: 'HT-2',
    label: 'Hand tool HT-2',
    dies: tool.dies.map((d) => ({ ...d, mounted: false })),
  };
  const choose = (tools: Tool[], terminal = bareRing, p = practice, wire = wire075) =>
    chooseTool(terminal, [wire], openToolBook(tools, checks, NOW), p);

  it('is the nest listed for the terminal whose range holds the wire', () => {
    expect(choose([tool]).chosen?.nest.id).toBe('1');
    expect(choose([tool], insulatedRing).chosen?.nest.id).toBe('2');
  });

  it('prefers the die that is mounted already', () => {
    expect(choose([second, tool]).chosen?.tool.part).toBe('HT');
  });

  it('passes over a refused tool but keeps it in sight with its reason', () => {
    const choice = choose([{ ...tool, calibrationUntil: '2026-01-01' }, second]);
    expect(choice.chosen?.tool.part).toBe('HT-2');
    expect(choice.candidates.map((c) => c.state.state)).toEqual(['ready', 'refused']);
  });

  it('is by geometry only where the practice allows it, and says so', () => {
    const stranger = { ...bareRing, part: 'UNLISTED' };
    expect(choose([tool], stranger).chosen).toBeNull();
    expect(choose([tool], stranger).reasons[0]?.code).toBe('no-tool');
    const byGeometry = choose([tool], stranger, { ...practice, toolPolicy: 'suitable-by-geometry' });
    expect(byGeometry.chosen?.nest.profile).toBe('indent-and-cradle');
    expect(byGeometry.chosen?.reasons[0]?.code).toBe('by-geometry');
  });

  it('is none for a wire outside every nest', () => {
    expect(choose([tool], bareRing, practice, wireOf({ strands: 100 })).chosen).toBeNull();
  });
});
