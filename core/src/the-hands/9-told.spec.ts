import { tellAll } from '../testing/told';
import approved from '../testing/told/told.json';

/** Lines of one that the other has not. */
const beside = (some: readonly string[], others: readonly string[] = []) => {
  const known = new Set(others);
  return some.filter((line) => !known.has(line));
};

describe('What is told of a set-up before anything is made', () => {
  const now = tellAll();
  const was: Readonly<Record<string, readonly string[]>> = approved;

  it('is told of the same set-ups that were read', () => {
    expect(Object.keys(now)).toEqual(Object.keys(was));
  });

  for (const [name, lines] of Object.entries(was)) {
    it(`is word for word what was read and approved: ${name}`, () => {
      const own = now[name] ?? [];
      // Told one by one first: a whole list that differs says little.
      expect({ new: beside(own, lines), gone: beside(lines, own) }).toEqual({ new: [], gone: [] });
      expect(own).toEqual([...lines]);
    });
  }

  it('is made of whole sentences: nothing empty, undefined or said twice in a row', () => {
    for (const [name, lines] of Object.entries(now)) {
      for (const line of lines) {
        expect(line)
          .withContext(name)
          .not.toMatch(/undefined|NaN|\[object| {2}|\.\.| \.|: *\||\|\s*$/);
      }
    }
  });
});
