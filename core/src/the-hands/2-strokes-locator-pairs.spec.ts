import fc from 'fast-check';
import {
  forming,
  gateAbout,
  judgeLocator,
  judgeMating,
  type EntryBody,
  type Practice,
  type SetUpContext,
  type StrokeFind,
  type Terminal,
  type Tool,
} from '../index';
import { Bench, familySetUp } from '../testing/bench';
import { everyTool, families, familyContext, fourIndent } from '../testing/families';
import { checkAt, practice } from '../testing/shop';

/* What the hands do beside pressing once, rule by rule, each with its derivation. */

const [everyDie] = everyTool.dies;
const [roll] = everyDie?.nests.filter(({ id }) => id === 'roll') ?? [];
if (!everyDie || !roll) throw new Error('no rolled nest');
/** A plier with three rolled nests: to 4, to 3 and to 2 mm2. */
const plier: Tool = {
  ...everyTool,
  ...{ part: 'PL', label: 'Plier PL', kind: 'plier' },
  dies: [
    {
      ...everyDie,
      nests: [
        { ...roll, area: { min: 1, max: 2 }, mark: 'mark narrow' },
        { ...roll, id: 'wide', label: 'wide', area: { min: 2, max: 4 }, mark: 'mark wide', terminals: [] },
        { ...roll, id: 'middle', label: 'middle', area: { min: 1.6, max: 3 }, mark: 'mark middle', terminals: [] },
      ],
    },
  ],
};
const rolled: Terminal = { ...families['open-barrel-contact'], formingStrokes: true };
const onPlier = (changes: Partial<Practice> = {}, own: Partial<SetUpContext> = {}) =>
  new Bench(
    familyContext('open-barrel-contact', {
      terminal: rolled,
      tools: [plier],
      checks: [{ ...checkAt('2026-11-25T06:00:00.000Z'), tool: 'PL' }],
      practice: { ...practice, secondStroke: 'forming', ...changes },
      ...own,
    }),
  );
const stroke = (number: number, found: StrokeFind): EntryBody => ({
  ...{ kind: 'gate', gate: 'formed', answer: 'yes', note: '', found },
  ...(number > 1 && { bite: number }),
});
/** Answers what comes before the first stroke. */
const upToStrokes = (bench: Bench) => {
  bench.take();
  for (const step of bench.setUp.gates) {
    if (step.gate === 'formed') return bench;
    expect(bench.put({ kind: 'gate', ...gateAbout(step), answer: 'yes', note: '' })).toBeNull();
  }
  throw new Error('no forming stroke');
};

describe('Forming in several strokes', () => {
  it('goes from the widest nest to the wire’s own, and shows the next only once the one before still moved it', () => {
    const bench = upToStrokes(onPlier());
    expect(bench.setUp.forming?.nests.map(({ id }) => id)).toEqual(['wide', 'middle', 'roll']);
    const shown = () => bench.setUp.gates.filter(({ gate }) => gate === 'formed').map(({ headline }) => headline);
    expect(shown()).toEqual(['Stroke 1, nest wide: close it, then feel whether the next nest would move it.']);
    expect(bench.put(stroke(1, 'moves'))).toBeNull();
    expect(shown().length).toBe(2);
  });

  it('stops at the first still: the nest it was still in leaves the mark, and no stroke comes after it', () => {
    const bench = upToStrokes(onPlier());
    expect([bench.put(stroke(1, 'moves')), bench.put(stroke(2, 'still'))]).toEqual([null, null]);
    expect(bench.put({ kind: 'gate', gate: 'formed', bite: 3, answer: 'yes', note: '' })).toBe('gate-unknown');
    expect(bench.setUp.gates.find(({ gate }) => gate === 'mark-matches')?.headline).toBe('Read the mark: mark middle.');
    expect(bench.setUp.criteria.find(({ code }) => code === 'mark')?.accept).toContain('mark middle');
  });

  it('never goes past the wire’s own nest: there it is still, or the end is cut off', () => {
    const bench = upToStrokes(onPlier());
    expect([1, 2].map((number) => bench.put(stroke(number, 'moves')))).toEqual([null, null]);
    const last = bench.setUp.gates.filter(({ gate }) => gate === 'formed').at(-1);
    expect([last?.finds, last?.remedies]).toEqual([[], ['cut-off']]);
    expect(bench.put(stroke(3, 'moves'))).toBe('found-missing');
    expect(bench.put({ kind: 'gate', gate: 'formed', bite: 3, answer: 'yes', note: '' })).toBeNull();
    expect(bench.setUp.gates.filter(({ gate }) => gate === 'formed').length).toBe(3);
  });

  it('asks of each stroke whether it is still or moves, and of no other step', () => {
    const bench = upToStrokes(onPlier());
    expect(bench.put({ kind: 'gate', gate: 'formed', answer: 'yes', note: '' })).toBe('found-missing');
    const other = onPlier().take();
    const [first] = other.setUp.gates;
    expect(first?.gate).not.toBe('formed');
    if (first)
      expect(other.put({ kind: 'gate', ...gateAbout(first), answer: 'yes', found: 'still', note: '' })).toBe(
        'found-missing',
      );
  });

  it('is for a plier, a sheet and house rules that allow it, all three', () => {
    const nests = (terminal: Terminal, tool: Tool, secondStroke: Practice['secondStroke']) => {
      const die = tool.dies[0];
      const nest = die?.nests[0];
      if (!die || !nest) throw new Error('no nest');
      return forming(terminal, { tool, die, nest }, { ...practice, secondStroke }, [])?.nests.length ?? 0;
    };
    expect(nests(rolled, plier, 'forming')).toBe(3);
    expect(nests({ ...rolled, formingStrokes: false }, plier, 'forming')).toBe(0);
    expect(nests(rolled, { ...plier, kind: 'full-cycle' }, 'forming')).toBe(0);
    expect(nests(rolled, plier, 'once-stopped')).toBe(0);
  });
});

describe('A second stroke', () => {
  const remedies = (secondStroke: Practice['secondStroke']) =>
    familySetUp('bare-terminal', { secondStroke }).gates.find(({ gate }) => gate === 'cycle-complete')?.remedies;

  it('is never made, or once in the same place after a cycle that stopped', () => {
    expect(remedies('never')).toEqual(['cut-off']);
    expect(remedies('forming')).toEqual(['cut-off']);
    expect(remedies('once-stopped')).toEqual(['again', 'cut-off']);
  });

  it('is not made a third time, whoever asks: the end is cut off then', () => {
    const bench = new Bench(
      familyContext('bare-terminal', { practice: { ...practice, secondStroke: 'once-stopped' } }),
    ).take();
    for (const step of bench.setUp.gates) {
      if (step.gate === 'cycle-complete') break;
      bench.put({ kind: 'gate', ...gateAbout(step), answer: 'yes', note: '' });
    }
    const no = (remedy: 'again' | 'cut-off'): EntryBody => ({
      ...{ kind: 'gate', gate: 'cycle-complete', answer: 'no', note: 'stopped half way', remedy },
    });
    expect(bench.put(no('again'))).toBeNull();
    const first = bench.entries.at(-1)?.id ?? '';
    expect(bench.put(no('again'), first)).toBe('stroke-again');
    expect(bench.put(no('cut-off'), first)).toBeNull();
    expect(bench.setUp.cutOffs.count).toBe(1);
  });
});

describe('The dimension after the crimp', () => {
  const sized: Terminal = {
    ...families.lug,
    dieDimensions: [
      { index: '10', across: 'flats 1 and 4', from: 7, to: 7.2 },
      { index: '16', across: 'flats 2 and 5', from: 9.1, to: 9.4 },
    ],
  };
  const bench = (tools: readonly Tool[] = [everyTool]) =>
    new Bench(familyContext('lug', { terminal: sized, tools })).take();

  it('is the one of the die’s index, across the faces the sheet names, and is judged as a measured point', () => {
    const point = bench().setUp.criteria.find(({ code }) => code === 'height');
    expect([point?.title, point?.number?.range, point?.accept]).toEqual([
      'Across flats 2 and 5',
      { min: 9.1, max: 9.4 },
      '9.10 to 9.40 mm across flats 2 and 5.',
    ]);
  });

  it('lies outside at 9.41 mm and rejects the piece; 9.40 mm is good', () => {
    const height = (value: number): EntryBody => ({
      ...{ kind: 'measure', piece: 1, what: 'height', value, typed: String(value), unit: 'mm', note: '' },
    });
    const found = [9.4, 9.41].map((value) => {
      const own = bench();
      expect(own.put(height(value))).toBeNull();
      const at = own.setUp.criteria.findIndex(({ code }) => code === 'height');
      return own.judged.look.points[0]?.[at]?.finding;
    });
    expect(found).toEqual(['accept', 'reject']);
  });
});

describe('A locator set by trial', () => {
  // Wanted at 2.5, half way to a hole at 5 mm. One turn of the adjuster is 0.5 mm.
  const judge = (...measured: number[]) => judgeLocator(2.5, 0.3, { label: 'PO', perTurn: 0.5 }, measured);

  it('says how it is begun, then the correction with its sign, in turns', () => {
    expect(judge().next.text).toContain('bring the indent to 2.50 mm');
    // 2.9 - 2.5 = +0.4 mm, 0.8 turn deeper; 2.0 - 2.5 = -0.5 mm, one turn less deep.
    expect(judge(2.9).next.text).toContain('+0.40 mm off');
    expect(judge(2.9).next.text).toContain('0.40 mm deeper, 0.80 turn');
    expect(judge(2).next.text).toContain('0.50 mm less deep, 1.00 turn');
  });

  it('is set by two good in a row, and by nothing less', () => {
    expect([judge(2.5), judge(2.5, 2.9), judge(2.5, 2.9, 2.6), judge(2.9, 2.6, 2.2)].map(({ isSet }) => isSet)).toEqual(
      [false, false, false, true],
    );
    // 2.81 is 0.31 off, 2.8 just 0.30.
    expect([judge(2.5, 2.81).isSet, judge(2.5, 2.8).isSet]).toEqual([false, true]);
  });

  it('is never set by fewer than two, and always by two at its place, whatever came before', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0.1, max: 8, noNaN: true }), { maxLength: 8 }), (before) => {
        expect(judge(...before, 2.5, 2.5).isSet).toBeTrue();
        expect(judge(...before, 2.5, 4).isSet).toBeFalse();
      }),
    );
  });

  const byTrial: Tool = {
    ...fourIndent,
    positioners: fourIndent.positioners.map((each) => ({ ...each, depth: null, perTurn: 0.5 })),
  };
  const atBench = (tool: Tool) => {
    const bench = new Bench(familyContext('machined-contact', { tools: [tool] }));
    const { chosen } = bench.setUp.toolChoice;
    if (!chosen) throw new Error('no tool');
    expect(
      bench.put({
        ...{ kind: 'tool', tool: chosen.tool.part, die: chosen.die.id, nest: chosen.nest.id },
        ...(chosen.setting !== null && { setting: chosen.setting }),
        ...(chosen.positioner && { positioner: chosen.positioner.id }),
      }),
    ).toBeNull();
    return bench;
  };

  it('is a step that nobody confirms before two in a row are good; trials come in their order', () => {
    const bench = atBench(byTrial);
    for (const step of bench.setUp.gates) {
      if (step.gate === 'locator') break;
      expect(bench.put({ kind: 'gate', ...gateAbout(step), answer: 'yes', note: '' })).toBeNull();
    }
    const yes: EntryBody = { kind: 'gate', gate: 'locator', answer: 'yes', note: '' };
    const trial = (number: number, measured: number): EntryBody => ({
      kind: 'locator',
      trial: number,
      measured,
      note: '',
    });
    const wanted = bench.setUp.locator?.wanted ?? 0;
    expect(bench.put(yes)).toBe('locator-open');
    expect(bench.put(trial(2, wanted))).toBe('trial-order');
    expect([bench.put(trial(1, wanted)), bench.put(yes), bench.put(trial(2, wanted))]).toEqual([
      null,
      'locator-open',
      null,
    ]);
    expect(bench.put(trial(3, wanted))).toBe('note-missing');
    expect(bench.put(yes)).toBeNull();
  });

  it('has room of a quarter of the indent’s width, and its bite is drawn where it is wanted', () => {
    // Indents 1.2 mm wide: 0.30 mm. Hole from 5 mm: 2.5, not the middle of the free barrel.
    const hole = {
      ...families['machined-contact'],
      barrel: { ...families['machined-contact'].barrel, inspection: { min: 5, max: 6 } },
    };
    const { locator, bites } = new Bench(familyContext('machined-contact', { terminal: hole, tools: [byTrial] })).setUp;
    expect([locator?.within, locator?.wanted, bites.map(({ centre }) => centre)]).toEqual([0.3, 2.5, [2.5]]);
    // A band of the sheet wins here too: 3 to 4.4 mm.
    const sheet = { ...hole, sheetBites: [{ from: 3, to: 4.4 }] };
    expect(
      new Bench(familyContext('machined-contact', { terminal: sheet, tools: [byTrial] })).setUp.locator?.wanted,
    ).toBeCloseTo(3.7, 9);
  });

  it('is asked of no positioner whose depth its sheet gives', () => {
    const bench = atBench(fourIndent);
    expect(bench.setUp.gates.map(({ gate }) => gate)).not.toContain('locator');
    expect(bench.put({ kind: 'locator', trial: 1, measured: 2, note: '' })).toBe('locator-not-asked');
  });
});

describe('A pair put together and pulled apart', () => {
  const asked = { insertion: 40, withdrawal: 12 };
  const pair = (...withdrawals: number[]) =>
    withdrawals.map((withdrawal, i) => ({ cycle: [1, 2, 5, 10][i] ?? 0, insertion: null, withdrawal }));

  it('is good over cycles 1, 2, 5 and 10 above its least, with no more than 30 % lost: 20 to 14 is just 30', () => {
    expect(judgeMating(pair(20, 18, 16, 14), asked).verdict).toBe('good');
    expect(judgeMating(pair(20, 18, 16, 13.9), asked).verdict).toBe('bad');
    expect(judgeMating(pair(20, 18, 16, 13.9), asked).reasons[0]?.code).toBe('mating-loss');
  });

  it('fails below the least of its sheet at any cycle, and above the most it may go on with', () => {
    expect(judgeMating(pair(13, 11.9), asked).reasons.map(({ code }) => code)).toContain('mating-loose');
    expect(judgeMating(pair(13, 12), asked).verdict).toBe('open');
    expect(judgeMating([{ cycle: 1, insertion: 40, withdrawal: 20 }], asked).verdict).toBe('open');
    const stiff = [{ cycle: 1, insertion: 40.1, withdrawal: 20 }];
    expect(judgeMating(stiff, asked).reasons.map(({ code }) => code)).toEqual(['mating-stiff']);
  });

  it('names the cycle that comes next, and is open until all four are measured', () => {
    expect(
      [pair(), pair(20), pair(20, 19), pair(20, 19, 18), pair(20, 19, 18, 18)].map(
        (each) => judgeMating(each, asked).next,
      ),
    ).toEqual([1, 2, 5, 10, null]);
    expect(
      judgeMating(
        [
          { cycle: 1, insertion: null, withdrawal: 20 },
          { cycle: 10, insertion: null, withdrawal: 19 },
        ],
        asked,
      ).verdict,
    ).toBe('open');
  });

  it('never becomes better by a weaker cycle', () => {
    const force = fc.double({ min: 1, max: 60, noNaN: true });
    const rank = { bad: 0, open: 1, good: 2 };
    fc.assert(
      fc.property(fc.tuple(force, force, force, force), fc.integer({ min: 1, max: 3 }), (forces, at) => {
        const weaker = forces.map((each, i) => (i === at ? each / 2 : each));
        expect(rank[judgeMating(pair(...weaker), asked).verdict]).toBeLessThanOrEqual(
          rank[judgeMating(pair(...forces), asked).verdict],
        );
      }),
    );
  });

  const mated: Terminal = {
    ...families['open-barrel-contact'],
    mating: { counterpart: 'tab 2.8', insertion: 40, withdrawal: 12, grease: true },
  };
  const bench = () => new Bench(familyContext('open-barrel-contact', { terminal: mated })).take();
  const cycle = (number: number, withdrawal: number, piece = 1): EntryBody => ({
    ...{ kind: 'mating', piece, cycle: number, insertion: null, withdrawal, note: '' },
  });

  it('begins at cycle 1 and only goes on; a force of another unit is asked after', () => {
    const own = bench();
    expect(own.put(cycle(2, 20))).toBe('first-cycle');
    expect([own.put(cycle(1, 20)), own.put(cycle(5, 19)), own.put(cycle(2, 18))]).toEqual([null, null, 'cycle-over']);
    expect(own.put(cycle(1, 2000, 2))).toBe('force-implausible');
  });

  it('fails the set-up when it is bad, and holds nothing back while it is open', () => {
    const own = bench();
    const tug = () => own.judged.stages.find(({ stage }) => stage === 'tug');
    expect(own.put(cycle(1, 20))).toBeNull();
    expect(tug()?.state).not.toBe('fail');
    expect(own.put(cycle(2, 11))).toBeNull();
    expect(tug()?.state).toBe('fail');
    expect(tug()?.reasons.map(({ code }) => code)).toContain('mating-loose');
  });

  it('is greased where its sheet asks for it, before it is ever put together', () => {
    expect(bench().setUp.gates.at(-1)?.gate).toBe('greased');
    expect(familySetUp('open-barrel-contact', {}).gates.map(({ gate }) => gate)).not.toContain('greased');
    expect(new Bench(familyContext('lug')).take().put(cycle(1, 20))).toBe('not-mated');
  });
});

describe('Fuel, oil or vapour nearby', () => {
  const heat = (fuelNear: boolean) => {
    const context = familyContext('window-splice', {
      practice: { ...practice, sealingHeat: 'flame', covering: 'by-steps' },
    });
    return new Bench({ ...context, use: { ...context.use, ...(fuelNear && { fuelNear: true as const }) } }).setUp.gates;
  };

  it('bars flame whatever the house rules say, and says so', () => {
    expect(heat(false).find(({ gate }) => gate === 'heater-set')?.headline).toContain('Flame ready');
    const set = heat(true).find(({ gate }) => gate === 'heater-set');
    expect(set?.headline).not.toContain('Flame');
    expect(set?.caution).toContain('whatever the house rules say');
    expect(heat(true).find(({ gate }) => gate === 'sealed-both-ends')?.why).toContain('Hot air');
  });
});

describe('Ends of a set-up that are cut off', () => {
  // Bare terminal, strip 10: with 1 mm of fresh cut 11 mm each of 25 mm to spare, so two.
  const bench = () =>
    new Bench(
      familyContext('bare-terminal', { practice: { ...practice, measuredPieces: 3, wireSpare: 25, freshCut: 1 } }),
    );
  const no = (note: string): EntryBody => ({
    ...{ kind: 'gate', gate: 'orientation', answer: 'no', note, remedy: 'cut-off' },
  });

  it('count by their reasons and against what one wire has to spare', () => {
    const own = bench().take();
    const each = own.setUp.budget?.perAttempt ?? 0;
    const allowed = Math.floor(25 / each);
    expect(own.setUp.cutOffs).toEqual({ count: 0, reasons: [], text: '' });
    own.put({ kind: 'gate', gate: 'strip-looked-at', answer: 'no', note: '', fault: 'strand-cut', remedy: 'cut-off' });
    const first = own.entries.at(-1)?.id ?? '';
    own.put({ kind: 'gate', gate: 'strip-looked-at', answer: 'yes', note: '' }, first);
    own.put(no('under the punch'));
    expect(own.setUp.cutOffs.reasons).toEqual([
      { reason: 'strand cut', count: 1 },
      { reason: 'way round', count: 1 },
    ]);
    expect(own.setUp.cutOffs.text).toContain(`2 cut off and made again, ${(2 * each).toFixed(1)} mm of wire`);
    expect(own.setUp.cutOffs.text).toContain(`${allowed - 2 === 0 ? 'None' : allowed - 2} of ${allowed}`);
  });

  it('say so where they took more than one wire’s spare, and the stage tells it', () => {
    const own = new Bench(familyContext('bare-terminal', { practice: { ...practice, wireSpare: 5 } })).take();
    own.put({ kind: 'gate', gate: 'strip-looked-at', answer: 'yes', note: '' });
    own.put(no('under the punch'));
    const told = own.judged.stages
      .find(({ stage }) => stage === 'crimp')
      ?.reasons.find(({ code }) => code === 'cut-offs');
    expect(told?.text).toContain('The spare of one wire allows 0: this took more than one wire.');
  });
});
