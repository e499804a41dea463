import { terminalSchema, type Terminal } from '../terminal';
import { bareRing, tool } from '../testing/shop';
import { toolSchema, type Tool } from '../tool';
import { completer } from './index';

/* What a shop kept is never written again: it is read with what later versions say beside. */

describe('A part that was kept before a field existed', () => {
  const without = <T extends object>(part: T, ...keys: readonly string[]): T =>
    Object.fromEntries(Object.entries(part).filter(([key]) => !keys.includes(key))) as T;

  it('is read with the default of the field, deep inside as well', () => {
    const { growth, ...barrel } = bareRing.barrel;
    expect(growth).toBe(0);
    const old = { ...without(bareRing, 'otherRange', 'cavity'), barrel: barrel as Terminal['barrel'] };
    expect(completer(terminalSchema)(old)).toEqual(bareRing);
    const dies = tool.dies.map((die) => ({
      ...die,
      nests: die.nests.map((nest) => without(nest, 'punch', 'presses', 'gauge')),
    }));
    expect(completer(toolSchema)({ ...without(tool, 'cycleEnd', 'release', 'partStroke'), dies } as Tool)).toEqual(
      tool,
    );
  });

  it('is the very same where nothing is missing, and is never changed', () => {
    expect(completer(terminalSchema)(bareRing)).toBe(bareRing);
    expect(completer(toolSchema)(tool)).toBe(tool);
    const old = Object.freeze(without(bareRing, 'otherRange'));
    completer(terminalSchema)(old);
    expect('otherRange' in old).toBeFalse();
  });

  it('is not judged again: what a rule of today would refuse can still be opened', () => {
    // A stop without its depth is refused where it is entered now.
    const old = { ...bareRing, barrel: { ...bareRing.barrel, stripRule: 'stop' as const, depth: null, length: null } };
    expect(terminalSchema.safeParse(old).success).toBeFalse();
    expect(completer(terminalSchema)(old)).toBe(old);
  });
});
