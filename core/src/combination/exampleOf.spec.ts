import { criteria, POINT_CODES } from '../look';
import { FAMILIES } from '../terminal';
import { everyTool, families, fourIndent, wireRound } from '../testing/families';
import { NOW, practice, stripper, wire075 } from '../testing/shop';
import { computeSetUp } from './computeSetUp';
import { exampleOf, plainContext, type ShopParts } from './exampleOf';

const parts: ShopParts = {
  ...{ terminals: Object.values(families), wires: [wire075, wireRound], tools: [everyTool, fourIndent] },
  ...{ strippers: [stripper], practice },
};
const familyOf = (found: ReturnType<typeof exampleOf>) => found?.look.terminal.family;

describe('A point drawn on the shop’s own parts', () => {
  it('is drawn on a terminal that has it, also where the first terminal of the shop has not', () => {
    for (const point of POINT_CODES) {
      const having = FAMILIES.filter((family) => {
        const wire = family === 'window-splice' ? wire075 : wireRound;
        const { look } = computeSetUp(plainContext(families[family], wire, parts, practice), [], NOW);
        return look && criteria(look).some(({ code }) => code === point);
      });
      const found = exampleOf(point, [], parts, NOW);
      expect(found !== null)
        .withContext(point)
        .toBe(having.length > 0);
      if (found) expect(found.criterion.code).toBe(point);
    }
    // Brush is seen on most, but not on the terminal that stands first here.
    const [last] = [...FAMILIES].reverse().filter((family) => familyOf(exampleOf('brush', [family], parts, NOW)));
    if (!last) throw new Error('no family has a brush');
    const without = FAMILIES.find((family) => !exampleOf('brush', [family], parts, NOW));
    if (!without) throw new Error('every family has a brush');
    const two = { ...parts, terminals: [families[without], families[last]] };
    expect(familyOf(exampleOf('brush', [], two, NOW))).toBe(last);
  });

  it('is drawn on the families it is asked for, and on nothing where those have no such point', () => {
    for (const family of FAMILIES) {
      const found = exampleOf('barrel', [family], parts, NOW);
      if (found) expect(familyOf(found)).toBe(family);
    }
    expect(familyOf(exampleOf('barrel', ['lug'], parts, NOW))).toBe('lug');
  });

  it('waits for a wire that fits, a tool that makes it and house rules', () => {
    expect(exampleOf('barrel', [], parts, NOW)).not.toBeNull();
    expect(exampleOf('barrel', [], { ...parts, wires: [] }, NOW)).toBeNull();
    expect(exampleOf('barrel', [], { ...parts, terminals: [] }, NOW)).toBeNull();
    expect(exampleOf('barrel', [], { ...parts, practice: undefined }, NOW)).toBeNull();
  });
});
