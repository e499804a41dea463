import fc from 'fast-check';
import { CONDITIONS, FAMILIES, JOINTS, whichTermination, type Condition, type Joint } from '../index';

const rank = (joint: Joint, conditions: Condition[] = [], area: number | null = 1) =>
  whichTermination(joint, new Set(conditions), area);
const order = (...asked: Parameters<typeof rank>) => rank(...asked).ranked.map(({ family }) => family);

describe('Which termination at all', () => {
  it('on a stud in the wet that shakes: sealed sleeve first, and told to be nearly tight, not sealed', () => {
    const { ranked, text } = rank('stud', ['wet', 'vibration']);
    // Sealed sleeve 2 + 2, insulated -2 + 1, bare -2 - 2.
    expect(ranked.map(({ family, points }) => [family, points])).toEqual([
      ['sealed-sleeve-terminal', 4],
      ['insulated-terminal', -1],
      ['bare-terminal', -4],
    ]);
    expect(ranked[0]?.reasons[0]?.text).toContain('nearly tight, not sealed');
    expect(text).toContain('clearly ahead');
  });

  it('between two wires near fuel: no sleeve that is shrunk with heat comes first', () => {
    expect(order('wire', ['fuel-near'])[0]).toBe('butt-splice');
    expect(rank('wire', ['fuel-near']).ranked.at(-1)?.reasons[0]?.text).toContain('no flame and nothing that glows');
    expect(order('wire', ['wet'])[0]).toBe('window-splice');
    expect(order('wire', ['tight-bundle'])[0]).toBe('open-barrel-splice');
  });

  it('plugged and often apart: a turned contact; a splice is not taken apart at all', () => {
    expect(order('plug', ['often-apart'])[0]).toBe('machined-contact');
    const spliced = rank('wire', ['often-apart']);
    expect([spliced.ranked.length, spliced.barred[0]?.text]).toEqual([
      0,
      'A splice is not taken apart: plug the wires together instead.',
    ]);
  });

  it('in a screw clamp: a ferrule, and a bare pin only where the clamp’s maker lists it', () => {
    expect(order('clamp')).toEqual(['ferrule', 'bare-terminal']);
  });

  it('goes by the metal: no lug below 6 mm², no signal contact above 0.5', () => {
    expect(order('stud', [], 1)).not.toContain('lug');
    expect(order('stud', [], 16)).toContain('lug');
    expect(order('stud', [], 16)).not.toContain('insulated-terminal');
    expect(order('plug', [], 0.25)).toContain('signal-contact');
    expect(order('plug', [], 0.75)).not.toContain('signal-contact');
    // Nothing in the hand bars nothing.
    expect(rank('stud', [], null).barred).toEqual([]);
  });

  it('calls places a point apart as good as equal, and an order without conditions none', () => {
    expect(rank('stud').text).toContain('the order means nothing yet');
    // Open barrel 1, signal 1.
    expect(rank('plug', ['vibration'], 0.25).text).toBe(
      'The first places are as good as equal: what the shop has tools and people for may decide.',
    );
  });

  it('names a strain relief and a reason for every family, whatever is asked', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...JOINTS),
        fc.subarray([...CONDITIONS]),
        fc.option(fc.double({ min: 0.05, max: 120, noNaN: true })),
        (joint, conditions, area) => {
          const { ranked, barred } = rank(joint, conditions, area);
          for (const { family, points, reasons, relief } of ranked) {
            expect(FAMILIES).toContain(family);
            expect(relief.length).toBeGreaterThan(5);
            expect(reasons.reduce((sum, { numbers }) => sum + (numbers['points'] ?? 0), 0)).toBe(points);
          }
          expect(new Set([...ranked, ...barred].map(({ family }) => family)).size).toBe(ranked.length + barred.length);
          expect(ranked.map(({ points }) => points)).toEqual(
            [...ranked.map(({ points }) => points)].sort((a, b) => b - a),
          );
        },
      ),
    );
  });
});
