import fc from 'fast-check';
import {
  bareRing,
  dry,
  insulatedRing,
  openContact,
  practice,
  wet,
  windowSplice,
  wire075,
  wireOf,
} from '../testing/shop';
import type { Terminal } from '../terminal';
import { judgeFit, nearestFits } from './index';

const codes = (terminal: Terminal, wire = wire075, place: 'dry' | 'wet' = 'dry') =>
  judgeFit(terminal, [wire], place === 'wet' ? wet : dry, practice).reasons.map((r) => r.code);
const verdict = (terminal: Terminal, wire = wire075, place: 'dry' | 'wet' = 'dry') =>
  judgeFit(terminal, [wire], place === 'wet' ? wet : dry, practice).verdict;

const size = (value: number, scale: 'mm2' | 'awg' = 'mm2') => ({ scale, value });

describe('A wire and a terminal', () => {
  it('fit when the size is in the printed range, for each family', () => {
    for (const terminal of [bareRing, insulatedRing, openContact])
      expect(verdict(terminal)).withContext(terminal.part).toBe('fits');
    expect(verdict(windowSplice, wire075, 'wet')).toBe('fits');
  });

  it('are refused when the wire is too thin or too thick for the barrel', () => {
    const large = { ...bareRing, conductorRange: { smallest: size(1.5), largest: size(2.5) } };
    const small = { ...bareRing, conductorRange: { smallest: size(0.14), largest: size(0.34) } };
    expect(codes(large)).toContain('conductor-below');
    expect(codes(small)).toContain('conductor-above');
    expect(verdict(large)).toBe('no');
  });

  // 0.75 against a smallest of 0.78: 3.8 % below, inside the band of 5 %
  it('are at the edge when the size is outside by less than the edge band', () => {
    const near = { ...bareRing, conductorRange: { smallest: size(0.78), largest: size(1) } };
    expect(verdict(near)).toBe('edge');
    expect(codes(near)).toContain('conductor-below-edge');
  });

  // AWG 22-18 is 0.326 to 0.823 mm2; the wire has 0.754 mm2 of metal
  it('are compared by metal when they are printed in different scales', () => {
    const awg = { ...bareRing, conductorRange: { smallest: size(22, 'awg'), largest: size(18, 'awg') } };
    expect(verdict(awg)).toBe('fits');
    const numbers = judgeFit(awg, [wire075], dry, practice).reasons[0]?.numbers;
    expect(numbers?.['min']).toBeCloseTo(0.326, 3);
    expect(numbers?.['area']).toBeCloseTo(0.754, 3);
  });

  // label 0.5 in range, but 10 x 0.2 has only 0.314 mm2 of metal
  it('are at the edge when the label is in range and the metal is not', () => {
    expect(codes(bareRing, wireOf({ size: size(0.5), strands: 10 }))).toContain('conductor-metal');
    expect(verdict(bareRing, wireOf({ size: size(0.5), strands: 10 }))).toBe('edge');
  });

  it('are refused for a solid or soldered conductor', () => {
    expect(codes(bareRing, wireOf({ kind: 'solid', strands: 1, strandDiameter: 0.98 }))).toContain('solid');
    expect(codes(bareRing, wireOf({ kind: 'soldered' }))).toContain('soldered');
    expect(
      verdict({ ...bareRing, acceptsSolid: true }, wireOf({ kind: 'solid', strands: 1, strandDiameter: 0.98 })),
    ).toBe('fits');
  });

  it('are refused for aluminium in copper, insulation outside the support, and a wet place without a seal', () => {
    expect(codes(bareRing, wireOf({ material: 'aluminium' }))).toContain('material-pair');
    expect(codes(insulatedRing, wireOf({}, { insulationDiameter: 4 }))).toContain('insulation-thick');
    expect(codes(insulatedRing, wireOf({}, { insulationDiameter: 1 }))).toContain('insulation-thin');
    expect(verdict(bareRing, wire075, 'wet')).toBe('no');
  });

  it('are warned about when the sleeve colour and the printed range clash, without changing the verdict', () => {
    const blue: Terminal = { ...insulatedRing, sleeve: 'blue' };
    expect(codes(blue)).toContain('sleeve-colour');
    expect(verdict(blue)).toBe('fits');
  });

  it('are judged the same for every wire between the ends of the range', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.5, max: 1, noNaN: true }), (value) => {
        const strandDiameter = Math.sqrt(value / 24 / (Math.PI / 4));
        expect(verdict(bareRing, wireOf({ size: size(value), strandDiameter }))).toBe('fits');
      }),
    );
  });
});

describe('What would fit instead', () => {
  const wanted = { ...bareRing, part: 'BIG', conductorRange: { smallest: size(1.5), largest: size(2.5) } };

  it('names the same family before others and never the refused one', () => {
    const found = nearestFits(wanted, [wire075], dry, practice, [wanted, openContact, insulatedRing, bareRing]);
    expect(found.map((f) => f.terminal.part)).toEqual(['RB', 'RT', 'OC']);
  });

  it('names the same stud before others', () => {
    const m5 = { ...bareRing, part: 'M5', stud: 'M5' };
    expect(nearestFits(wanted, [wire075], dry, practice, [m5, bareRing])[0]?.terminal.part).toBe('RB');
  });

  it('names nothing when nothing fits', () => {
    expect(nearestFits(wanted, [wire075], wet, practice, [bareRing, insulatedRing])).toEqual([]);
  });
});
