import { TOLD } from '../testing/told';
import causes from '../testing/told/causes.json';
import curves from '../testing/told/curves.json';
import lots from '../testing/told/lots.json';
import setUps from '../testing/told/setUps.json';

const APPROVED: Readonly<Record<keyof typeof TOLD, Readonly<Record<string, readonly string[]>>>> = {
  ...{ setUps, lots, causes, curves },
};
const OF: Readonly<Record<keyof typeof TOLD, string>> = {
  setUps: 'a set-up before anything is made',
  lots: 'a lot through its day',
  causes: 'the cause of a mistake',
  curves: 'a curve',
};

/** Lines of one that the other has not. */
const beside = (some: readonly string[], others: readonly string[]) => {
  const known = new Set(others);
  return some.filter((line) => !known.has(line));
};

for (const kind of Object.keys(TOLD) as (keyof typeof TOLD)[]) {
  describe(`What is told of ${OF[kind]}`, () => {
    let now: Record<string, string[]>;
    beforeAll(() => {
      now = TOLD[kind]();
    });

    it('is word for word what was read and approved', () => {
      const approved = APPROVED[kind];
      expect(Object.keys(now)).toEqual(Object.keys(approved));
      for (const [name, lines] of Object.entries(approved)) {
        const own = now[name] ?? [];
        // What differs is told first: two long lists that are not alike say little.
        expect({ name, new: beside(own, lines), gone: beside(lines, own) }).toEqual({ name, new: [], gone: [] });
        expect(own)
          .withContext(name)
          .toEqual([...lines]);
      }
    });

    it('is made of whole sentences: nothing empty, undefined, or with a stop too many', () => {
      for (const [name, lines] of Object.entries(now)) {
        for (const line of lines) {
          expect(line)
            .withContext(name)
            .not.toMatch(/undefined|NaN|\[object| {2}|\.\.| \.|\|\s*$/);
        }
      }
    });
  });
}
