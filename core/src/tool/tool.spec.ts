import { everyTool, families, fourIndent, wireRound } from '../testing/families';
import { bareRing, checkAt, insulatedRing, NOW, practice, tool, wire075, wireOf } from '../testing/shop';
import { chooseTool, judgeTool, openToolBook, selectorHoles, suspectSpan, type Nest, type Tool } from './index';

const code = (t: Tool, checks = [checkAt('2026-11-25T06:00:00.000Z')]) =>
  judgeTool(t, { checks, returns: [] }, NOW, { zone: 'UTC' });

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
    chooseTool(terminal, [wire], openToolBook(tools, { checks, returns: [] }, NOW, { zone: 'UTC' }), p);

  it('is the nest listed for the terminal whose range holds the wire', () => {
    expect(choose([tool]).chosen?.nest.id).toBe('1');
    expect(choose([tool], insulatedRing).chosen?.nest.id).toBe('2');
  });

  it('says of nests whose ranges overlap why it is this one: listed, or the tighter range', () => {
    const [die] = tool.dies;
    const [first] = die?.nests ?? [];
    if (!die || !first) throw new Error('no nest');
    const withNest = (changes: Partial<Nest>) => ({
      ...tool,
      dies: [{ ...die, nests: [...die.nests, { ...first, id: '9', label: '9', ...changes }] }],
    });
    const told = (changes: Partial<Nest>) =>
      choose([withNest(changes)], bareRing, { ...practice, toolPolicy: 'suitable-by-geometry' }).chosen?.reasons.find(
        ({ code: own }) => own === 'nests-overlap',
      )?.text;
    // 0.45 to 1.1 is 2.4 : 1; 0.7 to 1.3 is 1.9 : 1, the tighter one.
    expect(told({ area: { min: 0.7, max: 1.3 } })).toBe(
      '0.75 mm² lies in 9 (0.7–1.3 mm²) and 1 (0.45–1.1 mm²): nest 9, because its range is the tighter one, and the barrel fills it better.',
    );
    expect(told({ area: { min: 0.7, max: 1.3 }, terminals: [] })).toContain('nest 1, because the tool’s sheet lists');
    expect(told({ area: { min: 2, max: 3 } })).toBeUndefined();
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

describe('A check that fails', () => {
  it('makes suspect what was made since the last good one, up to the first bad one', () => {
    const checks = [
      checkAt('2026-11-23T06:00:00.000Z'),
      checkAt('2026-11-24T06:00:00.000Z'),
      checkAt('2026-11-24T18:00:00.000Z', true, false),
      checkAt('2026-11-25T06:00:00.000Z', false, true),
    ];
    expect(suspectSpan('HT', { checks, returns: [] })).toEqual({
      tool: 'HT',
      after: '2026-11-24T06:00:00.000Z',
      upTo: '2026-11-24T18:00:00.000Z',
    });
    expect(suspectSpan('HT', { checks: checks.slice(2), returns: [] })?.after).toBeNull();
    expect(suspectSpan('HT', { checks: checks.slice(0, 2), returns: [] })).toBeNull();
  });

  it('comes due by cycles as well as by hours', () => {
    const counted: Tool = { ...tool, checkCycles: 500, cycles: 900 };
    const check = { ...checkAt('2026-11-25T11:00:00.000Z'), cycles: 400 };
    expect(judgeTool(counted, { checks: [check], returns: [] }, NOW, { zone: 'UTC' }).reasons[0]?.code).toBe(
      'check-due-cycles',
    );
    expect(judgeTool({ ...counted, cycles: 899 }, { checks: [check], returns: [] }, NOW, { zone: 'UTC' }).state).toBe(
      'ready',
    );
  });
});

describe('A four-indent tool', () => {
  const checks = [{ ...checkAt('2026-11-25T06:00:00.000Z'), tool: 'FI' }];
  const contact = families['machined-contact'];
  const choose = (one: Tool, wire = wireRound) =>
    chooseTool(contact, [wire], openToolBook([one], { checks, returns: [] }, NOW, { zone: 'UTC' }), practice);

  it('names its setting, its positioner with the depth, and what it takes to change over', () => {
    const chosen = choose(fourIndent).chosen;
    expect([chosen?.setting, chosen?.positioner?.id]).toEqual(['5', 'PO']);
    expect(chosen?.changes).toEqual([
      { what: 'selector to 5', minutes: 1 },
      { what: 'mount positioner PO', minutes: 2 },
    ]);
    expect(chosen?.reasons.find((r) => r.code === 'positioner-depth')?.text).toBe('Set positioner PO to 9.5 mm.');
  });

  it('is not taken where its selector table has a hole, or without a positioner: no neighbour’s setting is guessed', () => {
    const holed = choose({ ...fourIndent, selector: fourIndent.selector.slice(0, 1) });
    expect(holed.chosen).toBeNull();
    expect(holed.reasons[0]?.text).toContain('has no setting for barrel size 16 with 1.5 mm²');
    expect(
      choose({ ...fourIndent, positioners: fourIndent.positioners.map((p) => ({ ...p, terminals: [] })) }).reasons[0]
        ?.code,
    ).toBe('no-positioner');
  });

  it('tells the holes of its table before anybody stands in front of one', () => {
    const rows = (barrelSize: string, ...values: number[]) =>
      values.map((value) => ({ barrelSize, size: { scale: 'mm2' as const, value }, setting: '1' }));
    expect(selectorHoles({ selector: [...rows('16', 0.5, 1, 1.5), ...rows('20', 0.5, 1.5)] })).toEqual([
      { barrelSize: '20', size: '1 mm²' },
    ]);
    expect(selectorHoles({ selector: [...rows('16', 1, 1.5), ...rows('20', 0.5)] })).toEqual([]);
  });
});

describe('A lug', () => {
  it('is not pressed by a die of another index', () => {
    const other = {
      ...everyTool,
      dies: everyTool.dies.map((d) => ({
        ...d,
        nests: d.nests.map((n) => (n.id === 'hex' ? { ...n, index: '25' } : n)),
      })),
    };
    const choice = chooseTool(
      families.lug,
      [wireRound],
      openToolBook([other], { checks: [checkAt('2026-11-25T06:00:00.000Z')], returns: [] }, NOW, { zone: 'UTC' }),
      practice,
    );
    expect(choice.chosen).toBeNull();
    expect(choice.reasons[0]?.text).toBe(
      'The lug is marked for die index 16 and this die is 25: the marks have to agree.',
    );
  });
});

describe('A terminal that lies loose', () => {
  const plier: Tool = {
    ...tool,
    kind: 'plier',
    dies: tool.dies.map((d) => ({
      ...d,
      nests: [
        ...d.nests,
        { ...(d.nests[0] as Nest), id: '0', label: '0', area: { min: 0.2, max: 0.7 }, terminals: [] },
      ],
    })),
  };
  const stepDown = (one: Tool, p = practice) =>
    chooseTool(
      bareRing,
      [wire075],
      openToolBook([one], { checks: [checkAt('2026-11-25T06:00:00.000Z')], returns: [] }, NOW, { zone: 'UTC' }),
      p,
    ).chosen?.stepDown?.label;

  it('may step down one nest in a plier-type tool where the practice says so, never in a full-cycle one', () => {
    const lenient = { ...practice, looseInNest: 'step-down' as const };
    expect(stepDown(plier)).toBeUndefined();
    expect(stepDown(plier, lenient)).toBe('0');
    expect(stepDown({ ...plier, kind: 'full-cycle' }, lenient)).toBeUndefined();
  });
});
