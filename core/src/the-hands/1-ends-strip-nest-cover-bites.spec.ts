import fc from 'fast-check';
import {
  asDrawn,
  computeSetUp,
  drawEnd,
  drawSide,
  drawStrippedEnd,
  END_FAULTS,
  endPoints,
  gateAbout,
  placeBites,
  judgeFit,
  judgeLook,
  judgeLot,
  judgePiece,
  orderEnds,
  sideView,
  strainRelief,
  strayStrand,
  stripWindow,
  type Entry,
  type EntryBody,
  type Family,
  type Gate,
  type Practice,
  type SetUpContext,
  type SlideOnItem,
  type SlideOnPart,
  type Terminal,
  type Wire,
} from '../index';
import { Bench, familySetUp } from '../testing/bench';
import { everyTool, families, familyContext, wireRound } from '../testing/families';
import { limitRow, NOW, practice, stripper, wireOf } from '../testing/shop';

/*
 * What the hands do, rule by rule, each with its derivation. Wires: W 7 x 0.50 mm, 1.374 mm2, 1.5 mm over the strands, labelled
 * 1.5 mm2; T 7 x 0.43 mm, 1.017 mm2, 1.29 mm over the strands, labelled 1 mm2. Limits 150 N and 100 N.
 */
const W = wireRound;
const T: Wire = wireOf(
  { size: { scale: 'mm2', value: 1 }, strands: 7, strandDiameter: 0.43, lay: 'concentric' },
  { part: 'W-THIN', label: '1 mm² blue', insulationDiameter: 2.6 },
);
const limits = [
  {
    ...(familyContext('bare-terminal').limits[0] as SetUpContext['limits'][number]),
    rows: [limitRow(1.5, { force: 150 }), limitRow(1, { force: 100 })],
  },
];

const pull = (piece: number, force: number, failedEnd?: 1 | 2): EntryBody => ({
  ...{ kind: 'reading', piece, force, typed: String(force), unit: 'N', mode: 'slid-out', note: '' },
  ...(failedEnd && { failedEnd }),
  confirmed: [],
});
const splice = (changes: Partial<SetUpContext> = {}) =>
  new Bench(familyContext('window-splice', { wire: W, opposite: [T], limits, ...changes }));

describe('A splice has two ends', () => {
  it('each stripped to its own length: W to 7 to 8.5, T to 7 to 8.29 mm, and each by its own set point', () => {
    // S in [D, D + gap], D 7, gap up to one conductor diameter: 1.5 and 1.29. Middles 7.75 and 7.645, to the next 0.5.
    const [first, second] = splice().setUp.wires.map(({ preparation }) => preparation?.strip);
    expect([first?.window, first?.setPoint]).toEqual([{ min: 7, max: 8.5 }, 8]);
    expect([second?.window?.min, second?.window?.max.toFixed(2), second?.setPoint]).toEqual([7, '8.29', 7.5]);
  });

  it('one made whole before the other: sleeve first, end 1, sleeve still there, end 2 turned and bitten, straight, tugged, covered', () => {
    const steps = splice().setUp.gates.map(({ key }) => key);
    expect(steps[0]).toBe('slide-on');
    const two = steps.indexOf('slide-on/end2');
    expect(steps.slice(0, two).every((key) => !key.endsWith('/end2'))).toBeTrue();
    expect(steps.slice(two).filter((key) => key.endsWith('/end2'))).toEqual(
      [...['slide-on', 'strip-looked-at', 'orientation', 'cycle-complete', 'mark-matches', 'straight', 'hand-tug']].map(
        (gate) => `${gate}/end2`,
      ),
    );
    expect(steps.slice(-2)).toEqual(['sleeve-centred', 'sealed-both-ends']);
    expect(splice().setUp.gates.find(({ gate }) => gate === 'straight')?.headline).toBe(
      'The splice is straight, within 3°.',
    );
  });

  it('no step of end 2 comes before end 1 is made', () => {
    const bench = splice().take();
    expect(bench.put({ kind: 'gate', gate: 'orientation', end: 2, answer: 'yes', note: '' })).toBe('gate-order');
    bench.make();
    expect(bench.judged.stages.find(({ stage }) => stage === 'crimp')?.state).toBe('pass');
  });

  it('turned as the house rules say, 0 or 90 degrees, but for a window, wings or a seam, which lie alike at both ends', () => {
    const turn = (family: Parameters<typeof familyContext>[0], secondBite: 'same-plane' | 'turned-90') =>
      computeSetUp(familyContext(family, { opposite: [W], practice: { ...practice, secondBite } }), [], NOW).other
        ?.orientation;
    expect(turn('butt-splice', 'same-plane')?.turn).toBe(0);
    expect(turn('butt-splice', 'turned-90')?.turn).toBe(90);
    const window = turn('window-splice', 'turned-90');
    expect([window?.turn, window?.headline]).toEqual([
      0,
      'Turn it end for end: window up, bite in the window’s plane.',
    ]);
    expect(window?.why).toContain('It lies by its window, as at end 1');
    expect(turn('open-barrel-splice', 'turned-90')?.why).toContain('It lies by its wings, as at end 1');
  });

  it('drawn from the side it is held by: the bite of end 1 above and below at 0 degrees, to both sides at 90', () => {
    const marks = (secondBite: 'same-plane' | 'turned-90') => {
      const context = familyContext('butt-splice', { opposite: [W], practice: { ...practice, secondBite } });
      const lies = computeSetUp(context, [], NOW).other?.orientation;
      const shapes = (lies && drawEnd(context.terminal, W, 'symmetric-oval', lies)?.shapes) ?? [];
      return shapes.flatMap((shape) => (shape.kind === 'path' && shape.part === 'other-bite' ? [shape.d] : []));
    };
    expect(marks('same-plane').every((d) => d.includes('H'))).toBeTrue();
    expect(marks('turned-90').every((d) => d.includes('V'))).toBeTrue();
  });

  it('both drawn: each wire reaches as far into its barrel as it is stripped, and they meet the stop from their own side', () => {
    const { setUp, context } = splice();
    const strip = setUp.preparation?.strip;
    const other = setUp.other?.preparation?.strip;
    if (!strip || !other) throw new Error('no strip');
    const opposite = { wire: T, strip: other, bites: setUp.bites };
    const view = sideView(context.terminal, W, strip, setUp.bites, null, opposite);
    expect(view && view.insulationEdge - view.wireEnd).toBeCloseTo(8, 6);
    expect(view?.other && view.other.wireEnd - view.other.insulationEdge).toBeCloseTo(7.5, 6);
    // The stop lies 7 mm from both mouths.
    expect(view?.wireEnd).toBeCloseTo(-7, 6);
    expect(view?.other?.wireEnd).toBeCloseTo(-7, 6);
    expect(view?.other?.bites.map(({ centre }) => centre)).toEqual(setUp.bites.map(({ centre }) => -14 + centre));
    const said =
      view &&
      drawSide(context.terminal, view, strip, 0, 600, other).shapes.flatMap((s) => (s.kind === 'text' ? [s.text] : []));
    expect(said?.filter((text) => text.startsWith('strip'))).toEqual([
      'strip 8  (7.0–8.5 mm)',
      'strip 7.5  (7.0–8.2 mm)',
    ]);
  });

  it('looked at point by point at each end, and once where a point is of the whole', () => {
    const { criteria } = splice().setUp;
    const of = (code: string) => criteria.filter((c) => c.code === code).map((c) => c.key);
    expect(of('window')).toEqual(['window', 'window/end2']);
    expect(of('straight')).toEqual(['straight']);
    expect(of('seal')).toEqual(['seal']);
    expect(criteria.find(({ key }) => key === 'strands/end2')?.title).toBe('End 2: strands');
    const all = criteria.map(({ key }) => ({ piece: 1, criterion: key, finding: 'accept' as const }));
    const judged = (findings: typeof all) =>
      judgeLook(criteria, { findings, numbers: [], count: 1, measured: 0 }).pieces[0];
    expect(judged(all)).toBe('accepted');
    expect(judged(all.filter(({ criterion }) => criterion !== 'bite/end2'))).toBe('open');
  });

  it('an answer about end 2 answers nothing about end 1', () => {
    const bench = splice().take();
    expect(
      bench.put({ kind: 'finding', piece: 1, end: 2, criterion: 'window', finding: 'reject', note: 'not seen' }),
    ).toBeNull();
    expect(bench.put({ kind: 'finding', piece: 1, criterion: 'window', finding: 'accept', note: '' })).toBeNull();
    const [points] = bench.judged.look.points;
    const at = (key: string) => points?.[bench.setUp.criteria.findIndex((c) => c.key === key)]?.finding;
    expect([at('window'), at('window/end2')]).toEqual(['accept', 'reject']);
  });

  it('is pulled as one piece, and the end that failed is judged by its own limit: T 100 N, W 150 N', () => {
    const bench = splice().take();
    for (const piece of [1, 2, 3, 4, 5]) bench.entries.push(seen(piece));
    expect(bench.setUp.pulls.length).toBe(1);
    expect(bench.put(pull(1, 120))).toBe('end-missing');
    // 120 N: T has borne its 100 N, and W at least as much.
    expect(bench.put(pull(1, 120, 2))).toBeNull();
    expect(bench.judged.stages.find(({ stage }) => stage === 'tug')?.state).toBe('missing');
    // W slid out at 120 N: above the lower limit, and below its own.
    expect(bench.put(pull(2, 120, 1))).toBeNull();
    const tug = bench.judged.stages.find(({ stage }) => stage === 'tug');
    expect(tug?.state).toBe('fail');
    expect(tug?.reasons.find(({ code }) => code === 'end-below')?.text).toBe(
      'Piece 2 failed at end 1 at 120.0 N: its wire has to hold 150.0 N.',
    );
    expect(tug?.reasons.find(({ code }) => code === 'weaker-end')?.text).toBe(
      'Of 2 pulls failed end 1 in 1, end 2 in 1.',
    );
  });

  it('in a lot is checked with one pull a piece, by the limit of the end that failed', () => {
    const bench = splice().take();
    const lot = (entry: object) =>
      ({
        id: JSON.stringify(entry),
        at: NOW,
        by: 'Odile',
        corrects: null,
        why: null,
        limit: null,
        body: entry,
      }) as Entry;
    const table = limits[0];
    const stands = {
      ...{ tool: 'HT', die: 'A', nest: 'window', setting: null, positioner: null },
      limit: { document: table?.document ?? '', revision: table?.revision ?? '', class: '2' },
      revisions: bench.context.revisions,
    };
    const plan = { everyPieces: null, everyHours: null, afterChange: [], bothSides: false };
    bench.entries.push(
      lot({ kind: 'lot', lot: 1, name: 'L', pieces: 3, plan, stands, note: '' }),
      lot({ kind: 'finding', lot: 1, piece: 1, criterion: 'as-drawn', finding: 'accept', note: '' }),
      lot({ kind: 'finding', lot: 1, piece: 3, criterion: 'as-drawn', finding: 'accept', note: '' }),
      lot({ ...pull(1, 120, 2), lot: 1 }),
      lot({ ...pull(3, 120, 1), lot: 1 }),
    );
    const judged = judgeLot(bench.setUp, bench.entries, bench.context, 1, NOW);
    expect(judged?.checks.map(({ piece, outcome }) => [piece, outcome])).toEqual([
      [1, 'good'],
      [3, 'bad'],
    ]);
  });

  it('whichever of them is called the first: the same steps, strips and limit', () => {
    fc.assert(
      fc.property(fc.integer({ min: 39, max: 50 }), fc.integer({ min: 39, max: 50 }), (a, b) => {
        const wire = (hundredths: number) =>
          wireOf(
            { ...W.conductor, strandDiameter: hundredths / 100 },
            { part: `W${hundredths}`, insulationDiameter: 3 },
          );
        const of = (first: Wire, second: Wire) => splice({ wire: first, opposite: [second] }).setUp;
        const [one, two] = [of(wire(a), wire(b)), of(wire(b), wire(a))];
        const strips = ({ wires }: typeof one) => wires.map(({ preparation }) => preparation?.strip.setPoint);
        expect(strips(one)).toEqual(strips(two).reverse());
        expect(one.limit.limit?.force).toBe(two.limit.limit?.force);
        expect(one.fit.verdict).toBe(two.fit.verdict);
      }),
      { numRuns: 30 },
    );
  });

  it('a wire that does not fit at its end is named by it, and a nest has to press both', () => {
    const thick = wireOf({ size: { scale: 'mm2', value: 4 }, strands: 56, strandDiameter: 0.3 }, { part: 'W-4' });
    const { fit } = splice({ opposite: [thick] }).setUp;
    expect(fit.verdict).toBe('no');
    expect(fit.reasons.find(({ weight }) => weight === 'bad')?.text).toMatch(/^End 2: 4 mm² is \d+ % above the range/);
    // T has 1.017 mm2: a nest from 1.2 mm2 on presses W and leaves T loose.
    const nests = everyTool.dies.map((die) => ({
      ...die,
      nests: die.nests.map((nest) => ({ ...nest, area: { min: 1.2, max: 2 } })),
    }));
    const { toolChoice } = splice({ tools: [{ ...everyTool, dies: nests }] }).setUp;
    expect(toolChoice.chosen).toBeNull();
    expect(toolChoice.reasons[0]?.text).toContain('1.37 and 1.02 mm² of metal at its two ends');
  });

  it('of which the list names one wire stays what it was, and says that it is one end', () => {
    const { fit, other, gates, criteria } = splice({ opposite: [] }).setUp;
    expect(fit.reasons.find(({ code }) => code === 'one-end')?.text).toContain(
      'One end: the list names no wire for the other one.',
    );
    expect(other).toBeNull();
    expect([...gates, ...criteria].every(({ end }) => end === 1)).toBeTrue();
    expect(criteria.some(({ code }) => code === 'straight')).toBeFalse();
    const bench = splice({ opposite: [] }).take();
    bench.entries.push(seen(1));
    expect(bench.put(pull(1, 160))).toBeNull();
    expect(
      bench.put({ kind: 'measure', piece: 1, end: 2, what: 'strip', value: 8, typed: '8', unit: 'mm', note: '' }),
    ).toBe('end-unknown');
  });
});

const seen = (piece: number): Entry => ({
  ...{ id: `seen${piece}`, at: NOW, by: 'Odile', corrects: null, why: null, limit: null },
  body: { kind: 'finding', piece, criterion: 'mark', finding: 'accept', note: '' },
});

describe('The strip of the sheet', () => {
  /* F03, barrel 6 mm, brush 1.5 to 4, gap 0 to 1.5: S in [6 + 1.5 + 1.5, 6 + 4 + 0] = [9, 10] by its dimensions. */
  const stripOf = (
    sheetStrip: { length: number; tolerance: number } | null,
    changes: Partial<Terminal['barrel']> = {},
  ) => {
    const terminal = families['bare-terminal'];
    const strip = stripWindow(
      { ...terminal, barrel: { ...terminal.barrel, sheetStrip, ...changes } },
      W,
      practice,
      stripper,
    );
    return { ...strip, codes: strip.reasons.map(({ code }) => code) };
  };

  it('wins over the computed one, which stands beside it', () => {
    const strip = stripOf({ length: 9.5, tolerance: 0.4 });
    expect([strip.window, strip.setPoint, strip.bySheet]).toEqual([{ min: 9.1, max: 9.9 }, 9.5, true]);
    expect(strip.computed).toEqual({ min: 9, max: 10 });
    // The edge lies in [9.9 - 6 - 4, 9.1 - 6 - 1.5] = [-0.1, 1.6]: all of the gap.
    expect([strip.kind, strip.codes]).toEqual(['robust', ['strip-beside', 'strip-set-point']]);
    expect(stripOf(null).computed).toBeNull();
  });

  it('narrows the position where not every edge gives a brush: 8.2 to 8.8 leaves 0 to 8.2 - 6 - 1.5 = 0.7', () => {
    const strip = stripOf({ length: 8.5, tolerance: 0.3 });
    expect([strip.kind, strip.position.min, strip.position.max.toFixed(6)]).toEqual(['positioned', 0, '0.700000']);
    expect(strip.setPoint).toBe(8.5);
  });

  it('beyond its tolerance from the computed one is a note, not a refusal: 9 - 8.8 = 0.2 apart', () => {
    const strip = stripOf({ length: 8.5, tolerance: 0.3 });
    const clash = strip.reasons.find(({ code }) => code === 'strip-clash');
    expect([clash?.weight, clash?.text]).toEqual([
      'note',
      jasmine.stringContaining(
        'says 8.2 to 8.8 mm; from its dimensions follow 9.0 to 10.0 mm: 0.2 mm apart beyond the tolerance',
      ),
    ]);
    expect(strip.reasons.some(({ weight }) => weight === 'bad')).toBeFalse();
  });

  it('does where the sheet leaves out the dimensions, and where none computed works', () => {
    expect(stripOf({ length: 8, tolerance: 0.5 }, { length: null }).setPoint).toBe(8);
    expect(stripOf(null, { length: null }).kind).toBe('unknown');
  });

  it('closer than the stripper repeats is refused: plus or minus 0.1 with one that repeats within 0.2', () => {
    expect(stripOf({ length: 9.5, tolerance: 0.1 }).codes).toContain('stripper-cannot-hold');
    // Just as close as it repeats is held at one point alone.
    expect(stripOf({ length: 9.5, tolerance: 0.2 }).setPoint).toBe(9.5);
  });

  it('folded back is twice it and the bend: 2 x 9.1 + 1.5 pi / 2', () => {
    const terminal = {
      ...families['bare-terminal'],
      barrel: { ...families['bare-terminal'].barrel, sheetStrip: { length: 9.5, tolerance: 0.4 } },
    };
    const { window } = stripWindow(terminal, W, practice, stripper, true);
    expect(window?.min).toBeCloseTo(18.2 + (Math.PI / 2) * 1.5, 9);
  });
});

describe('An end out of range', () => {
  const bench = () => new Bench(familyContext('bare-terminal', { practice: { ...practice, measuredPieces: 1 } }));
  const strip = (value: number, changes: object = {}): EntryBody => ({
    ...{ kind: 'measure', piece: 1, what: 'strip', value, typed: String(value), unit: 'mm', note: '' },
    ...changes,
  });

  it('too long is trimmed, by S - hi to S - lo; too short is cut off', () => {
    const told = (value: number) => {
      const b = bench();
      b.put(strip(value));
      return b.judged.stages.find(({ stage }) => stage === 'prepare')?.reasons.find(({ code }) => code === 'strip-out')
        ?.text;
    };
    expect(told(10.6)).toContain('trim 0.60 to 1.60 mm');
    expect(told(8.4)).toContain('cut it off and strip it again');
  });

  it('cut off costs strip, crimp and a fresh cut: 9.5 + 0 + 1 mm of 30, twice', () => {
    const b = bench();
    expect([b.setUp.budget?.perAttempt, b.setUp.budget?.attempts]).toEqual([10.5, 2]);
    expect(b.put(strip(9.2, { after: 'cut-off' }))).toBe('after-wrong');
    b.put(strip(8.4));
    expect(b.put(strip(9.5, { after: 'cut-off' }), 'e0')).toBeNull();
    expect(b.setUp.cutOffs.count).toBe(1);
    expect(b.judged.stages.find(({ stage }) => stage === 'prepare')?.state).toBe('pass');
  });
});

describe('The stripped end', () => {
  const points = (wire: Wire, changes: Partial<Practice> = {}) => endPoints(wire, { ...practice, ...changes });

  it('is looked at by points of its own: cut, strands counted, slug, lay, insulation edge', () => {
    expect(points(W).map(({ code }) => code)).toEqual(['cut', 'strands-counted', 'slug', 'lay', 'insulation-edge']);
    const counted = points(W).find(({ code }) => code === 'strands-counted')?.accept;
    expect(counted).toBe(
      'All 7, bent aside a little and counted: none nicked, cut or missing. The house rules still accept 3 nicked.',
    );
    expect(points(W, { strandsHurt: 'none' }).find(({ code }) => code === 'strands-counted')?.accept).not.toContain(
      'still accept',
    );
  });

  it('of a solid conductor has no lay and no strands', () => {
    const solid = points(wireOf({ kind: 'solid', strands: 1 }));
    expect(solid.map(({ code }) => code)).toEqual(['cut', 'strands-counted', 'slug', 'insulation-edge']);
    expect(solid.flatMap(({ faults }) => faults.map(({ code }) => code))).not.toContain('birdcaged');
  });

  it('is drawn with each of its faults, none like another or like a good one', () => {
    const drawn = [null, ...END_FAULTS].map((fault) => JSON.stringify(drawStrippedEnd(W, fault).shapes));
    expect(new Set(drawn).size).toBe(END_FAULTS.length + 1);
    expect(
      points(W)
        .flatMap(({ faults }) => faults.map(({ code }) => code))
        .sort(),
    ).toEqual([...END_FAULTS].sort());
  });

  it('that is wrong names its fault, and what helps: a slant is trimmed, a crossed lay restored, a nick costs the end', () => {
    const remedy = (code: string) =>
      points(W)
        .flatMap(({ faults }) => faults)
        .find((f) => f.code === code)?.remedy;
    expect([remedy('slanted'), remedy('crossed'), remedy('strand-nicked')]).toEqual(['trim', 'mend', 'cut-off']);
    const bench = new Bench(familyContext('bare-terminal')).take();
    const no = (gate: 'strip-looked-at' | 'orientation'): EntryBody => ({
      kind: 'gate',
      gate,
      answer: 'no',
      fault: 'birdcaged',
      remedy: 'cut-off',
      note: '',
    });
    expect(bench.put(no('orientation'))).toBe('gate-order');
    expect(bench.put(no('strip-looked-at'))).toBeNull();
    expect(bench.setUp.cutOffs.count).toBe(1);
    const made = new Bench(familyContext('bare-terminal')).take();
    made.put({ kind: 'gate', gate: 'strip-looked-at', answer: 'yes', note: '' });
    expect(made.put(no('orientation'))).toBe('fault-unknown');
  });
});

describe('Into the nest', () => {
  const stepsOf = (family: Family, changes: Partial<Practice>, own: Partial<SetUpContext> = {}) =>
    familySetUp(family, changes, own).gates;
  const gatesOf = (...args: Parameters<typeof stepsOf>) => stepsOf(...args).map(({ gate }) => gate);

  it('asks nothing more of a simple family until the house rules want it step by step', () => {
    for (const family of Object.keys(families) as Family[]) {
      const brief = gatesOf(family, {});
      const stepwise = gatesOf(family, { loading: 'by-steps' });
      expect(stepwise.filter((gate) => brief.includes(gate)))
        .withContext(family)
        .toEqual(brief);
      for (const gate of ['seated', 'wire-seen'] as const) expect(stepwise).withContext(family).toContain(gate);
      expect(stepwise.indexOf('seated')).withContext(family).toBeGreaterThan(stepwise.indexOf('orientation'));
      expect(stepwise.indexOf('wire-seen')).withContext(family).toBeLessThan(stepwise.indexOf('cycle-complete'));
    }
  });

  it('seat, hold, wire, look: held only where the tool can by a part stroke', () => {
    const held = (partStroke: boolean) =>
      gatesOf('bare-terminal', { loading: 'by-steps' }, { tools: [{ ...everyTool, partStroke }] });
    expect(held(true)).toEqual([
      ...['strip-looked-at', 'orientation', 'seated', 'held', 'wire-in', 'wire-seen'],
      ...['cycle-complete', 'mark-matches', 'hand-tug'],
    ] as Gate[]);
    expect(held(false)).not.toContain('held');
  });

  it('seats each family in its own words, and pushes the wire home by its own strip rule', () => {
    const words = (family: Family, gate: Gate) =>
      stepsOf(family, { loading: 'by-steps' }).find((step) => step.gate === gate)?.headline;
    expect(words('bare-terminal', 'seated')).toContain('tongue parallel to the die');
    expect(words('machined-contact', 'seated')).toContain('home in the positioner');
    expect(words('ferrule', 'seated')).toContain('up to its collar');
    expect(words('open-barrel-contact', 'seated')).toContain('against its locator');
    expect(words('machined-contact', 'wire-in')).toBe('Wire in until it bottoms.');
    expect(words('ferrule', 'wire-in')).toContain('home in the collar');
    expect(words('bare-terminal', 'wire-in')).toContain('0 to 1.5 mm behind the barrel');
  });

  it('shows the tool’s own way out, and draws straight what sticks', () => {
    const whyOf = (release: string | null, whenStuck: string | null) =>
      stepsOf('bare-terminal', {}, { tools: [{ ...everyTool, release, whenStuck }] }).find(
        ({ gate }) => gate === 'cycle-complete',
      )?.why;
    expect(whyOf('lift the pawl', 'turn the knob back')).toContain(
      'Placed wrong? Break it off before it presses: lift the pawl. It sticks? Turn the knob back.',
    );
    expect(whyOf(null, null)).toContain('draw it straight out; nothing is levered');
    expect(whyOf(null, null)).not.toContain('Placed wrong?');
  });

  it('a stray strand costs the end, or is snipped while a cut strand is still allowed: 2 of 26, none of 7', () => {
    const fine = wireOf({ strands: 26 });
    const damage = [
      { strandsUpTo: 7, nicked: 3, cut: 0 },
      { strandsUpTo: 40, nicked: 4, cut: 2 },
    ];
    const done = (wire: Wire, school: Practice['strayStrand']) =>
      strayStrand(wire, { ...practice, strandsHurt: 'by-table', strandDamage: damage, strayStrand: school });
    expect(done(fine, 'end-again').remedy).toBe('cut-off');
    expect(done(fine, 'snipped')).toEqual({
      text: 'A strand that stays outside is snipped off: it counts as one of the 2 of 26 that may be cut.',
      remedy: 'mend',
    });
    expect(done(W, 'snipped').remedy).toBe('cut-off');
  });
});

describe('What is mounted', () => {
  const dies = (many: number) => [
    {
      ...everyTool,
      dies: everyTool.dies.flatMap((die) =>
        Array.from({ length: many }, (_, i) => ({ ...die, id: `${die.id}${i}`, mounted: i === 0 })),
      ),
    },
  ];
  const mounted = (mounting: Practice['mounting'], many: number, context: Partial<SetUpContext> = {}) =>
    familySetUp('bare-terminal', { mounting }, { tools: dies(many), ...context }).gates.map(({ gate }) => gate);

  it('is read, turned and tightened before anything else, where the rules ask and the tool has dies to change', () => {
    expect(mounted('by-steps', 2).slice(0, 3)).toEqual(['die-codes', 'die-side', 'die-tight']);
    expect(mounted('by-steps', 1)).not.toContain('die-codes');
    expect(mounted('in-one', 2)).not.toContain('die-codes');
  });
});

describe('Cover and heat', () => {
  const steps = (covering: Practice['covering'], clear = false, changes: Partial<Practice> = {}) => {
    const { slideOn, ...terminal } = families['window-splice'];
    return familySetUp(
      'window-splice',
      { covering, ...changes },
      { terminal: { ...terminal, slideOn: slideOn.map((item) => ({ ...item, clear })), heaterSetting: 250 } },
    ).gates;
  };
  const last = (many: number, list: ReturnType<typeof steps>) => list.slice(-many).map(({ gate }) => gate);

  it('looks before an opaque sleeve covers it, and never asks for that of a clear one', () => {
    expect(last(5, steps('by-steps'))).toEqual([
      'look-before-cover',
      'sleeve-centred',
      'heater-set',
      'sealed-both-ends',
      'cooled',
    ]);
    expect(steps('by-steps', true).map(({ gate }) => gate)).not.toContain('look-before-cover');
    const look = steps('by-steps').find(({ gate }) => gate === 'look-before-cover');
    expect(look?.why).toContain('final');
    expect(look?.remedies).toEqual(['cut-off']);
  });

  it('tells heater and sleeve as two numbers, each under its own name', () => {
    const heat = families['window-splice'].sealingHeat;
    expect(steps('by-steps').find(({ gate }) => gate === 'heater-set')?.headline).toBe(
      `Set the heater to 250 °C; the sleeve has to reach ${heat?.min}–${heat?.max} °C.`,
    );
    expect(
      steps('by-steps', false, { sealingHeat: 'flame' }).find(({ gate }) => gate === 'heater-set')?.caution,
    ).toContain('never near fuel');
  });

  it('is one step where the house wants it so, with all of it in its words', () => {
    expect(last(2, steps('in-one'))).toEqual(['sleeve-centred', 'sealed-both-ends']);
  });
});

describe('Schools', () => {
  const fold = (area: number, changes: Partial<Practice>, sizes: [number, number] = [0.5, 1]) => {
    const side = Math.sqrt((area / 7) * (4 / Math.PI));
    const wire = wireOf({ size: { scale: 'mm2', value: area }, strands: 7, strandDiameter: side });
    const [smallest, largest] = sizes.map((value) => ({ scale: 'mm2' as const, value })) as [
      { scale: 'mm2'; value: number },
      { scale: 'mm2'; value: number },
    ];
    const terminal: Terminal = {
      ...families['bare-terminal'],
      ...{ foldBack: true, stamp: null, insulationRange: null, conductorRange: { smallest, largest } },
    };
    const use = familyContext('bare-terminal').use;
    const { verdict, folded } = judgeFit(terminal, [wire], use, { ...practice, ...changes });
    return [verdict, folded];
  };

  it('fold a fine wire always: 0.34 mm² fits 0.3 to 1 single, and is folded to 0.68 all the same', () => {
    expect(fold(0.34, { thinWire: 'fold-back' }, [0.3, 1])).toEqual(['fits', false]);
    expect(fold(0.34, { thinWire: 'fold-always' }, [0.3, 1])).toEqual(['fits', true]);
    // Twice the area is too much, or the wire is not fine: single.
    expect(fold(0.34, { thinWire: 'fold-always' }, [0.3, 0.6])).toEqual(['fits', false]);
    expect(fold(0.5, { thinWire: 'fold-always' }, [0.3, 1.2])).toEqual(['fits', false]);
  });

  it('let the edge band count for the doubled area or not: 2 x 0.24 is 4 % below 0.5', () => {
    expect(fold(0.24, { thinWire: 'fold-back', foldedEdge: 'doubled' })).toEqual(['edge', true]);
    expect(fold(0.24, { thinWire: 'fold-back', foldedEdge: 'none' })).toEqual(['no', false]);
    expect(fold(0.26, { thinWire: 'fold-back', foldedEdge: 'none' })).toEqual(['fits', true]);
  });

  it('take insulated parts or bare ones with a tube; adhesive is neither', () => {
    const refused = (family: Family, insulatedParts: Practice['insulatedParts']) =>
      familySetUp(family, { insulatedParts })
        .fit.reasons.map(({ code }) => code)
        .some((code) => code === 'part-bare' || code === 'part-insulated');
    expect(refused('bare-terminal', 'insulated')).toBeTrue();
    expect(refused('insulated-terminal', 'bare-and-tube')).toBeTrue();
    expect(refused('sealed-sleeve-terminal', 'bare-and-tube')).toBeFalse();
    for (const family of Object.keys(families) as Family[]) expect(refused(family, 'as-listed')).toBeFalse();
  });

  it('keep the wire still by the part, or by a tube five insulation diameters past it: 3 mm, so 15', () => {
    const wire = { insulationDiameter: 3 };
    const relief = (family: Family, school: Practice['strainRelief']) =>
      strainRelief(families[family], wire, { ...practice, strainRelief: school });
    expect(relief('bare-terminal', 'long-tube').overlap).toBe(15);
    expect(relief('bare-terminal', 'by-part').overlap).toBe(6);
    expect(relief('bare-terminal', 'by-part').text).toContain('Nothing of this part holds');
    expect(relief('open-barrel-contact', 'by-part').text).toContain('holds the insulation');
  });

  it('slide covers on before or after stripping, a seal always before', () => {
    const first = (family: Family, insulatorOrder: Practice['insulatorOrder']) =>
      familySetUp(family, { insulatorOrder })
        .gates.slice(0, 2)
        .map(({ gate }) => gate);
    expect(first('window-splice', 'before-strip')).toEqual(['slide-on', 'strip-looked-at']);
    expect(first('window-splice', 'after-strip')).toEqual(['strip-looked-at', 'slide-on']);
    expect(first('sealed-contact', 'after-strip')).toEqual(['slide-on', 'strip-looked-at']);
  });

  it('reject a bowed tongue, or straighten it once up to twice its limit: 4 good, 6 rework, 9 reject', () => {
    const found = (bend: number, slightBow: Practice['slightBow']) => {
      const { look, criteria } = familySetUp('bare-terminal', { slightBow });
      if (!look) throw new Error('nothing to look at');
      return judgePiece(look, criteria, { ...asDrawn(look), bend }).get('tongue');
    };
    expect([4, 6, 9].map((bend) => found(bend, 'rejected'))).toEqual(['accept', 'reject', 'reject']);
    expect([4, 6, 9].map((bend) => found(bend, 'straightened'))).toEqual(['accept', 'rework', 'reject']);
  });

  it('say of solder what may be seen, from none to a little drawn into the barrel', () => {
    const strands = (solder: Practice['solder']) =>
      familySetUp('bare-terminal', { solder }).criteria.find(({ code }) => code === 'strands')?.accept;
    expect(strands('forbidden')).toContain('no solder');
    expect(strands('drawn-in')).toContain('drawn into the barrel alone, none on the strands behind it');
  });
});

describe('A wire has two ends', () => {
  const cover = (part: string, suppliedBore: number): SlideOnPart => ({
    ...{ part, label: part, kind: 'boot', suppliedBore, recoveredBore: null, length: 20, longitudinalShrink: 0 },
    ...{ adhesive: false, heat: null, wireRange: null, temperature: 105, wayRound: null, outerDiameter: null },
  });
  const item = (part: string, kind: SlideOnItem['kind'] = 'boot'): SlideOnItem => ({
    ...{ part, label: part, kind, length: 20, wayRound: null, clear: false },
  });
  const terminal = (part: string, widest: number | null, slideOn: readonly SlideOnItem[] = []): Terminal => ({
    ...families['bare-terminal'],
    ...{ part, widest, slideOn: [...slideOn] },
  });
  const end = (made: Terminal | null, joined = false) => ({ terminal: made, joined });
  const shop = new Map(
    [cover('narrow', 6), cover('wide', 9), cover('tight', 2), cover('just', 8.4), cover('short', 8.3)].map((part) => [
      part.part,
      part,
    ]),
  );
  const order = (a: Terminal | null, b: Terminal | null, joined: 'A' | 'B' | null = null) => {
    const found = orderEnds(W, end(a, joined === 'A'), end(b, joined === 'B'), shop);
    return { ...found, told: found.steps.map(({ end: at, does }) => `${does} ${at}`) };
  };

  it('makes first the end whose boot passes neither terminal, and looks for it before the other is pressed', () => {
    // Bore 6; 8 mm wide asks for 8.40, 7 mm for 7.35: it passes neither.
    const found = order(terminal('A', 7), terminal('B', 8, [item('narrow')]));
    expect([found.first, found.told]).toEqual(['B', ['slide-on B', 'crimp B', 'still-on A', 'crimp A']]);
    expect(found.reasons.map(({ text }) => text)).toContain(
      'Narrow: bore 6 mm does not pass the bare terminal A, 7 mm wide: 7.35 mm or more is needed.',
    );
  });

  it('asks for no second look where the bore passes the other terminal: 9 over 8 mm asks for 8.40', () => {
    const found = order(terminal('A', 8, [item('wide')]), terminal('B', 8));
    expect([found.first, found.told]).toEqual(['A', ['slide-on A', 'crimp A', 'crimp B']]);
  });

  it('takes a bore to pass from 1.05 of the widest place on: 8.4 over 8 mm does, 8.3 does not', () => {
    const looks = (part: string) => order(terminal('A', 8, [item(part)]), terminal('B', 8)).told.includes('still-on B');
    expect([looks('just'), looks('short')]).toEqual([false, true]);
  });

  it('trusts no bore to pass where no sheet gives the widest place, and no seal ever', () => {
    const unknown = order(terminal('A', null, [item('wide')]), terminal('B', null));
    expect(unknown.told).toContain('still-on B');
    expect(unknown.reasons.map(({ text }) => text).join()).toContain('is not known');
    // At least as wide as its barrel and its hole: 6 does not pass 8.4 then.
    const hole = { ...terminal('A', null, [item('narrow')]), studHole: 8.4 };
    expect(
      order(hole, null)
        .reasons.map(({ text }) => text)
        .join(),
    ).toContain('8.4 mm wide at the least');
    expect(order(terminal('A', 1, [item('wide', 'seal')]), terminal('B', 1)).told).toContain('still-on B');
    expect(order(terminal('A', 1, [item('foreign')]), terminal('B', 1)).told).toContain('still-on B');
  });

  it('looks for a forgotten boot before this end’s own parts are slid on: it has to lie behind them', () => {
    const found = order(terminal('A', 7, [item('tight')]), terminal('B', 8, [item('narrow')]));
    expect(found.told).toEqual(['slide-on A', 'crimp A', 'still-on B', 'slide-on B', 'crimp B']);
  });

  it('tells which of two parts on the wire passes the other: bore 6 over 5.8 mm asks for 6.09', () => {
    const thick = new Map([...shop, ['thick', { ...cover('thick', 4), outerDiameter: 5.8 }]]);
    const told = (bore: string) =>
      orderEnds(W, end(terminal('A', 3, [item(bore)])), end(terminal('B', 3, [item('thick')])), thick)
        .reasons.filter(({ code }) => code === 'cover-order')
        .map(({ text }) => text);
    expect(told('narrow')).toEqual([
      'Narrow of end A: bore 6 mm does not pass thick of end B, 5.8 mm over it. It goes onto the wire first, or from its own end.',
    ]);
    expect(told('wide')).toEqual([]);
  });

  it('makes the end last that meets other wires, whatever is slid on', () => {
    const found = order(terminal('A', 8), terminal('B', 8, [item('narrow')]), 'B');
    expect([found.first, found.told]).toEqual(['A', ['crimp A', 'slide-on B', 'crimp B']]);
    expect(order({ ...families['butt-splice'], slideOn: [] }, terminal('B', 8)).first).toBe('B');
  });

  it('refuses a bore that does not go onto the wire: 2 on insulation of 2.7 mm', () => {
    const bad = order(terminal('A', 8, [item('tight')]), null).reasons.filter(({ weight }) => weight === 'bad');
    expect(bad.map(({ code }) => code)).toEqual(['cover-wire']);
    expect(order(terminal('A', 8, [item('narrow')]), null).first).toBeNull();
  });

  it('loses nothing: each end is made once, and what is slid on goes on before its own end', () => {
    const part = fc.constantFrom('narrow', 'wide', 'foreign');
    const any = fc
      .record({ widest: fc.option(fc.integer({ min: 1, max: 12 })), items: fc.array(part, { maxLength: 2 }) })
      .map(({ widest, items }) =>
        terminal(
          'T',
          widest,
          items.map((each) => item(each)),
        ),
      );
    fc.assert(
      fc.property(any, any, fc.constantFrom('A', 'B', null), (a, b, joined) => {
        const { told } = order(a, b, joined as 'A' | 'B' | null);
        for (const [at, made] of [
          ['A', a],
          ['B', b],
        ] as const) {
          expect(told.filter((step) => step === `crimp ${at}`).length).toBe(1);
          const own = told.map((step, i) => (step === `slide-on ${at}` ? i : -1)).filter((i) => i >= 0);
          expect(own.length).toBe(made.slideOn.length);
          expect(Math.max(-1, ...own)).toBeLessThan(told.indexOf(`crimp ${at}`));
        }
      }),
    );
  });
});

describe('Bites by the sheet', () => {
  const lug = (bands: [number, number][]): Terminal => ({
    ...families.lug,
    barrel: { ...families.lug.barrel, length: 22, inspection: null },
    sheetBites: bands.map(([from, to]) => ({ from, to })),
  });
  const plan = (terminal: Terminal, width: number) => placeBites(terminal, { width }, practice);

  it('lie where the sheet wants them and in its order: 11 to 19 first, then 1 to 9', () => {
    const { bites, reasons } = plan(
      lug([
        [11, 19],
        [1, 9],
      ]),
      8,
    );
    expect(bites).toEqual([
      { order: 1, centre: 15 },
      { order: 2, centre: 5 },
    ]);
    expect(reasons).toEqual([]);
  });

  it('say where a die is wider than its band, and where two of the sheet’s lie over each other', () => {
    // 9 mm of die in 8 mm of band; centres 10 mm apart and 9 + 0.5 needed, then 8 apart.
    expect(
      plan(
        lug([
          [11, 19],
          [1, 9],
        ]),
        9,
      ).reasons.map(({ code }) => code),
    ).toEqual(['bite-band', 'bite-band']);
    expect(
      plan(
        lug([
          [9, 17],
          [1, 9],
        ]),
        8,
      ).reasons.map(({ code }) => code),
    ).toEqual(['bites-over-each-other']);
  });

  it('each have a step of their own where the rules ask: place, cycle and mark, one after the other', () => {
    const terminal = {
      ...lug([
        [11, 19],
        [1, 9],
      ]),
      bites: 2,
    };
    const of = (biteSteps: Practice['biteSteps']) =>
      familySetUp('lug', { biteSteps }, { terminal }).gates.filter(({ gate }) => gate === 'cycle-complete');
    expect(of('in-one').length).toBe(1);
    const steps = of('by-steps');
    expect(steps.map(({ key }) => key)).toEqual(['cycle-complete', 'cycle-complete/bite2']);
    expect(steps[1]?.headline).toContain('Bite 2 of 2: centred 5.0 mm');
    expect(steps[1]?.why).toContain('a place that was pressed is never pressed again');
    expect(steps[1]?.remedies).toEqual(['cut-off']);
  });

  it('are put on record one by one, in order, and no bite that is not there', () => {
    const terminal = {
      ...lug([
        [11, 19],
        [1, 9],
      ]),
      bites: 2,
    };
    const bench = new Bench(
      familyContext('lug', { terminal, practice: { ...practice, biteSteps: 'by-steps' } }),
    ).take();
    const bite = (number?: number): EntryBody => ({
      ...{ kind: 'gate', gate: 'cycle-complete', answer: 'yes', note: '' },
      ...(number && { bite: number }),
    });
    for (const step of bench.setUp.gates) {
      if (step.gate === 'cycle-complete') break;
      expect(bench.put({ kind: 'gate', ...gateAbout(step), answer: 'yes', note: '' })).toBeNull();
    }
    expect(bench.put(bite(2))).toBe('gate-order');
    expect(bench.put(bite(3))).toBe('gate-unknown');
    expect([bench.put(bite()), bench.put(bite(2))]).toEqual([null, null]);
  });
});
