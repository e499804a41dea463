import { cavityMap, type CavityWire, type Connector, type Entry, type EntryBody } from '@tug-mark/core';
import { median } from './median';

const LOOMS = 200;
const CAVITIES = 40;
const ROUNDS = 15;

/**
 * The map of one connector out of all that is on record of a list: 200 looms of 40 cavities, each filled once, one in ten taken out
 * and filled again. Against reading the same entries' texts once, which any page that shows them has to do.
 */
export function benchCavities() {
  const ids = Array.from({ length: CAVITIES }, (_, i) => String(i + 1));
  const connector: Connector = {
    ...{ part: 'CN', label: 'connector', maker: 'Larkspur Stampings', lock: 'lock bar', sheet: null },
    cavities: ids.map((id, i) => ({ id, column: (i % 10) + 1, row: Math.floor(i / 10) + 1, terminals: [] })),
  };
  const contact = {
    ...{ insertionTool: 'IT', removalTool: 'RT', secondaryLock: true, mostRemovals: 3 },
    release: 'rear' as const,
  };
  const wires = ids.map((cavity): CavityWire => ({
    ...{ cavity, wireId: `W${cavity}`, wire: 'W', terminal: 'T', contact, push: 20, combination: 'c' },
  }));
  const bodies: EntryBody[] = [];
  for (let piece = 1; piece <= LOOMS; piece++) {
    for (const cavity of ids) {
      const at = { piece, connector: 'X1', cavity } as const;
      const put = {
        ...{ clicked: true, locked: null, force: 25, stayed: true, straight: true, pulledBack: true },
        note: '',
      };
      bodies.push({ kind: 'retention', ...at, ...put });
      if ((piece * CAVITIES + Number(cavity)) % 10 === 0) {
        const out = { technique: 'rear', tool: 'RT', reason: 'wrong cavity', lance: 'good', grip: 'good' } as const;
        bodies.push({ kind: 'removal', ...at, seat: 1, ...out, note: '' });
        bodies.push({ kind: 'retention', ...at, ...put, seat: 2 });
      }
    }
  }
  const work = bodies.map((body, i): Entry => ({
    ...{ id: `e${i}`, at: '2026-11-25T12:00:00.000Z', by: 'Odile', body, corrects: null, why: null, limit: null },
  }));
  const text = JSON.stringify(work);
  const [ours, plain]: [number[], number[]] = [[], []];
  let home = 0;
  for (let round = 0; round < ROUNDS; round++) {
    let before = performance.now();
    const map = cavityMap(connector, 'X1', wires, (round % LOOMS) + 1, work);
    ours.push(performance.now() - before);
    home += map.cavities.filter(({ state }) => state === 'home').length;
    before = performance.now();
    const read = JSON.parse(text) as unknown[];
    plain.push(performance.now() - before);
    if (read.length !== work.length) throw new Error('not all was read');
  }
  if (home !== ROUNDS * CAVITIES) throw new Error(`${home} are home`);
  return {
    ...{ entries: work.length, ratio: median(ours) / median(plain) },
    ...{ milliseconds: median(ours), baseline: median(plain) },
  };
}
