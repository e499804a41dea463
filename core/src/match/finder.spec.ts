import { compareSetUps, computeSetUp } from '../combination';
import { families, everyTool, fourIndent, wireRound } from '../testing/families';
import { bareRing, checkAt, dry, limitTable, NOW, practice, stripper, wet, wire075, wireOf } from '../testing/shop';
import { openToolBook } from '../tool';
import { showLength } from '../units';
import { findTerminations, judgeFit } from './index';

const cabinet = Object.values(families);
const at = '2026-11-25T06:00:00.000Z';
const book = openToolBook(
  [everyTool, fourIndent],
  { checks: [checkAt(at), { ...checkAt(at), tool: 'FI' }], returns: [] },
  NOW,
  { zone: 'UTC' },
);
const find = (changes: Partial<Parameters<typeof findTerminations>[0]> = {}, p = practice) =>
  findTerminations({ wires: [wireRound], use: dry, families: [], ...changes }, cabinet, book, p);

describe('The finder', () => {
  it('finds all that the shop can make the wire up with, least change-over first', () => {
    const { makes, near, looked } = find();
    expect(makes.length).toBe(12);
    // The four-indent tool needs its setting and a positioner first: 1 + 2 minutes, all others none.
    expect(makes.at(-1)?.terminal.part).toBe('F06');
    expect(near).toEqual([]);
    expect(looked).toEqual({ terminals: 12, nests: 7 });
  });

  it('says for each near miss the one thing that stops it', () => {
    const { makes, near } = find({ use: wet });
    expect(makes.map((m) => m.terminal.part).sort()).toEqual(['F02', 'F05', 'F09']);
    expect(near.length).toBe(9);
    expect(new Set(near.map((n) => n.stops))).toEqual(
      new Set(['The place of use is wet and this terminal has no seal.']),
    );
  });

  it('looks for stud, family, current and voltage', () => {
    expect(find({ use: { ...dry, stud: 'm8' } }).makes.map((m) => m.terminal.part)).toEqual(['F12']);
    expect(find({ families: ['ferrule'] }).makes.map((m) => m.terminal.part)).toEqual(['F11']);
    const rated = { ...families['sealed-contact'], current: 14, voltage: 60 };
    const over = findTerminations(
      { wires: [wireRound], use: { ...dry, current: 20 }, families: [] },
      [rated],
      book,
      practice,
    );
    expect(over.near[0]?.stops).toBe('20 A are asked and the contact carries 14 A only.');
  });

  it('names the tool that is missing for a terminal that fits', () => {
    const stranger = { ...families.ferrule, part: 'NO-TOOL' };
    const { near } = findTerminations({ wires: [wireRound], use: dry, families: [] }, [stranger], book, practice);
    expect(near[0]?.stops).toBe('No tool is listed for NO-TOOL with 1.37 mm² of metal.');
  });
});

describe('Several wires in one barrel', () => {
  const two = { ...families.ferrule, mostWires: 2 };
  const codes = (wires: Parameters<typeof judgeFit>[1], terminal = two) =>
    judgeFit(terminal, wires, dry, practice).reasons.map((r) => r.code);

  // two of 24 x 0.2: 2 x 0.754 = 1.508 mm2, inside 1 to 2; two of 1.374: 2.749, above 2
  it('are compared by the sum of their metal', () => {
    expect(judgeFit(two, [wire075, wire075], dry, practice).verdict).toBe('fits');
    expect(codes([wire075, wire075])).toContain('conductors-together');
    expect(codes([wireRound, wireRound])).toContain('conductor-above');
  });

  it('are refused where the sheet takes fewer, and where a seal would lie between them', () => {
    const fit = judgeFit(families.ferrule, [wire075, wire075], dry, practice);
    expect(fit.reasons.find((r) => r.code === 'wires-in-barrel')?.text).toBe(
      'The barrel is for one wire and 2 are wanted in it.',
    );
    expect(codes([wire075, wire075], { ...families['sealed-contact'], mostWires: 2 })).toContain('seal-wires');
  });
});

describe('A thin wire in a big barrel', () => {
  const folding = { ...practice, thinWire: 'fold-back' as const };
  const terminal = { ...families['bare-terminal'], foldBack: true };
  const thin = wireOf(
    { strands: 7, strandDiameter: 0.36, lay: 'concentric', size: { scale: 'mm2', value: 0.75 } },
    { insulationDiameter: 2 },
  );

  // 7 x 0.36: 0.7125 mm2, doubled 1.425 in 1 to 2; envelope 1.08, bend pi/2 x 1.08 = 1.696
  it('is refused by the one school and folded back by the other, where the sheet allows it', () => {
    expect(judgeFit(terminal, [thin], dry, practice).verdict).toBe('no');
    const folded = judgeFit(terminal, [thin], dry, folding);
    expect([folded.verdict, folded.folded]).toEqual(['fits', true]);
    expect(folded.reasons.find((r) => r.code === 'folded-back')?.numbers['double']).toBeCloseTo(1.425, 3);
    expect(judgeFit({ ...terminal, foldBack: false }, [thin], dry, folding).verdict).toBe('no');
  });

  it('is stripped to twice the length and the bend', () => {
    const context = {
      terminal,
      wire: thin,
      together: [],
      opposite: [],
      use: dry,
      class: '2',
      practice: folding,
      strippers: [stripper],
      tools: [everyTool],
      checks: [checkAt(at)],
      returns: [],
      limits: [limitTable],
      looks: [],
      cabinet: [],
      zone: 'UTC',
      revisions: { terminal: 1, wire: 1, together: [], practice: 1 },
      newest: { terminal: 1, wire: 1, together: [], practice: 1 },
    };
    const strip = computeSetUp(context, [], NOW).preparation?.strip;
    // barrel 6, brush 1.08 to 4, gap 0 to 1.08: in the barrel 6 + 1.08 + 1.08 = 8.16 to 10; twice and 1.696: 18.016 to 21.696
    expect(strip?.window?.min).toBeCloseTo(18.016, 3);
    expect(strip?.window?.max).toBeCloseTo(21.696, 3);
    expect(strip?.setPoint).toBe(20);
    const house = computeSetUp({ ...context, practice }, [], NOW);
    const told = compareSetUps(house, computeSetUp(context, [], NOW));
    expect(told.find((t) => t.about === 'fit')).toEqual({
      about: 'fit',
      a: 'does not fit',
      b: 'fits, folded back',
      differs: true,
    });
  });
});

describe('A verdict', () => {
  it('does not change with the unit lengths are shown in', () => {
    const said = () => judgeFit(bareRing, [wire075], dry, practice);
    const before = said();
    for (const unit of ['mm', 'in', 'in/64'] as const) {
      showLength(9.5, unit);
      expect(said()).toEqual(before);
    }
  });
});
