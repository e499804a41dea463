import { TOLD, type Told } from '../testing/told';
import causes from '../testing/told/causes.json';
import cavities from '../testing/told/cavities.json';
import curves from '../testing/told/curves.json';
import drawings from '../testing/told/drawings.json';
import entries from '../testing/told/entries.json';
import gauges from '../testing/told/gauges.json';
import journals from '../testing/told/journals.json';
import looks from '../testing/told/looks.json';
import lookups from '../testing/told/lookups.json';
import lots from '../testing/told/lots.json';
import plans from '../testing/told/plans.json';
import readings from '../testing/told/readings.json';
import sections from '../testing/told/sections.json';
import setUps from '../testing/told/setUps.json';

const APPROVED: Readonly<Record<keyof typeof TOLD, Readonly<Record<string, readonly string[]>>>> = {
  ...{
    setUps,
    lots,
    causes,
    curves,
    plans,
    readings,
    drawings,
    sections,
    journals,
    entries,
    cavities,
    gauges,
    looks,
    lookups,
  },
};
const OF: Readonly<Record<keyof typeof TOLD, string>> = {
  setUps: 'a set-up before anything is made',
  lots: 'a lot through its day',
  causes: 'the cause of a mistake',
  curves: 'a curve',
  plans: 'a plan',
  drawings: 'a drawing',
  sections: 'a cut piece',
  journals: 'what goes on record',
  entries: 'an entry of each kind',
  cavities: 'a connector that is filled',
  gauges: 'what comes from a gauge',
  looks: 'what is seen of a piece',
  lookups: 'what is looked up',
  readings: 'what was typed, printed or counted',
};

/** Told in sentences; numbers and codes of the others are none. */
const IN_SENTENCES = new Set<keyof typeof TOLD>(['setUps', 'lots', 'causes', 'curves', 'sections', 'cavities']);

/** Lines of one that the other has not. */
const beside = (some: readonly string[], others: readonly string[]) => {
  const known = new Set(others);
  return some.filter((line) => !known.has(line));
};

for (const [kind, told] of Object.entries(TOLD) as [keyof typeof TOLD, Told][]) {
  const approved = APPROVED[kind];

  describe(`What is told of ${OF[kind]}`, () => {
    it('is told of the same ones that were read', () => {
      expect([...told.keys()]).toEqual(Object.keys(approved));
    });

    for (const [name, tell] of told) {
      it(`is word for word what was read and approved, in whole sentences: ${name}`, () => {
        const [own, lines] = [tell(), approved[name] ?? []];
        // What differs is told first: two long lists that are not alike say little.
        expect({ new: beside(own, lines), gone: beside(lines, own) }).toEqual({ new: [], gone: [] });
        expect(own).toEqual([...lines]);
        if (!IN_SENTENCES.has(kind)) return;
        for (const line of own) expect(line).not.toMatch(/undefined|NaN|\[object| {2}|\.\.| \.|\|\s*$/);
      });
    }
  });
}
