import fc from 'fast-check';
import { familyHas } from '../catalogue';
import { FAMILIES, NEST_PROFILES, type Family } from '../terminal';
import { DIMENSIONS, drawNest, drawTerminal, type DimensionPath, type TerminalOutline } from './index';

const OPEN: readonly Family[] = ['open-barrel-contact', 'sealed-contact', 'signal-contact', 'open-barrel-splice'];
const outline = (family: Family, lengths: TerminalOutline['lengths'] = {}): TerminalOutline => ({
  ...{ family, shape: 'ring', seam: OPEN.includes(family) ? 'open' : 'butted', lengths },
});
const draw = (family: Family, lengths: TerminalOutline['lengths'] = {}) =>
  drawTerminal(outline(family, lengths), (path) => familyHas(family, path));

describe('A terminal while its sheet is typed in', () => {
  for (const family of FAMILIES) {
    it(`is drawn before anything is known: ${family}, each dimension asked for once, none it does not have`, () => {
      const { shapes, dimensions, box } = draw(family);
      expect(shapes.length).toBeGreaterThan(1);
      const paths = dimensions.map(({ path }) => path);
      expect(new Set(paths).size).toBe(paths.length);
      expect(paths.filter((path) => !familyHas(family, path))).toEqual([]);
      expect(paths).toContain('barrel.length');
      expect(dimensions.every(({ value }) => value === null)).toBeTrue();
      // All of it, words too, lies inside the box.
      for (const { from, to, label } of dimensions) {
        for (const { x, y } of [from, to, label]) {
          expect(x).toBeGreaterThanOrEqual(box.x);
          expect(x).toBeLessThanOrEqual(box.x + box.width);
          expect(y).toBeGreaterThanOrEqual(box.y);
          expect(y).toBeLessThanOrEqual(box.y + box.height);
        }
      }
    });
  }

  it('is drawn to scale: what is typed twice as long is twice as long, and says so', () => {
    const { dimensions } = draw('bare-terminal', { 'barrel.length': 6, 'barrel.outerDiameter': 3, studHole: 4.5 });
    const at = (path: DimensionPath) => {
      const found = dimensions.find((each) => each.path === path);
      if (!found) throw new Error(path);
      return { value: found.value, long: Math.hypot(found.to.x - found.from.x, found.to.y - found.from.y) };
    };
    expect([at('barrel.length').value, at('studHole').value, at('barrel.innerDiameter').value]).toEqual([6, 4.5, null]);
    expect(at('barrel.length').long / at('barrel.outerDiameter').long).toBeCloseTo(2, 6);
    expect(at('studHole').long / at('barrel.outerDiameter').long).toBeCloseTo(1.5, 6);
  });

  it('shows the seam that is said, and a window where one is given', () => {
    const shapesOf = (seam: TerminalOutline['seam']) =>
      drawTerminal({ ...outline('bare-terminal'), seam }, () => true).shapes.length;
    expect(shapesOf('butted')).toBe(shapesOf('seamless') + 1);
    expect(draw('lug', { 'barrel.inspection.min': 9 }).dimensions.map(({ path }) => path)).toContain(
      'barrel.inspection.max',
    );
    expect(draw('lug').dimensions.map(({ path }) => path)).not.toContain('barrel.inspection.min');
  });

  it('stays a drawing whatever is typed', () => {
    const number = fc.oneof(fc.double(), fc.constantFrom(0, -3, 1e9, 1e-9, NaN, Infinity));
    const lengths = fc.record(
      Object.fromEntries(DIMENSIONS.map((path) => [path, number])) as Record<DimensionPath, typeof number>,
      { requiredKeys: [] },
    );
    fc.assert(
      fc.property(fc.constantFrom(...FAMILIES), lengths, (family, typed) => {
        const { box, scale, dimensions } = draw(family, typed);
        for (const value of [box.x, box.y, box.width, box.height, scale]) expect(Number.isFinite(value)).toBeTrue();
        for (const { from, to } of dimensions) expect(Number.isFinite(from.x + from.y + to.x + to.y)).toBeTrue();
      }),
    );
  });
});

describe('A nest', () => {
  it('is drawn by its profile, each its own', () => {
    const drawn = NEST_PROFILES.map((profile) => JSON.stringify(drawNest(profile).shapes));
    expect(new Set(drawn).size).toBeGreaterThanOrEqual(NEST_PROFILES.length - 1);
    expect(drawn.every((shapes) => shapes.includes('steel') && shapes.includes('tin'))).toBeTrue();
  });
});
