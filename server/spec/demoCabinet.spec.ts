import { shopFileSchema } from '@tug-mark/contract';
import {
  computeSetUp,
  familyHas,
  faultsOf,
  judgeFit,
  NO_DEMAND,
  writePart,
  type SetUpContext,
  type Terminal,
} from '@tug-mark/core';
import { readFile } from 'node:fs/promises';
import { DEMO_FOLDER } from './harness';

/* Everything that is said of every combination of the demo cabinet, against what the part has. */

const NOW = '2026-11-25T12:00:00.000Z';

/** A word, and the parts of which it may be said. */
const WORDS: readonly { readonly said: RegExp; readonly of: (terminal: Terminal) => boolean }[] = [
  { said: /\btongue\b/i, of: (t) => t.studHole !== null && t.family !== 'lug' },
  { said: /\bwings?\b/i, of: (t) => t.barrel.seam === 'open' },
  { said: /\bwindow\b/i, of: (t) => t.barrel.inspection !== null },
  { said: /\bcollar\b/i, of: (t) => t.family === 'ferrule' || t.slideOn.some((item) => item.kind === 'collar') },
  { said: /\bpad\b/i, of: (t) => t.family === 'lug' },
  { said: /\bhot\b|\bheat|\bshrink|\bcharr/i, of: (t) => t.sealingHeat !== null },
  { said: /\badhesive\b/i, of: (t) => t.sealed && t.sealingHeat !== null },
  { said: /\bseal’s\b|\bwire seal\b/i, of: (t) => t.sealRange !== null },
  { said: /\binsulation grip\b/i, of: (t) => t.barrel.betweenGrips !== null },
  { said: /\bcavity\b/i, of: (t) => t.cavity !== null },
  { said: /\bsleeve\b/i, of: (t) => t.barrel.supportLength > 0 || t.slideOn.some((item) => item.kind === 'sleeve') },
];

describe('The form of a terminal', () => {
  it('hides no field any terminal of the demo cabinet says something in', async () => {
    const shop = shopFileSchema.parse(JSON.parse(await readFile(`${DEMO_FOLDER}/shop.json`, 'utf8')));
    expect(new Set(shop.terminals.map(({ family }) => family)).size).toBe(12);
    for (const terminal of shop.terminals) {
      const { cells } = writePart('terminal', terminal);
      const hidden = Object.entries(cells).filter(([path]) => !familyHas(terminal.family, path));
      expect(hidden.filter(([, cell]) => cell !== '' && cell !== 'no'))
        .withContext(terminal.part)
        .toEqual([]);
    }
  });
});

describe('What is said of a combination of the demo cabinet', () => {
  it('is said only of parts that have the thing', async () => {
    const shop = shopFileSchema.parse(JSON.parse(await readFile(`${DEMO_FOLDER}/shop.json`, 'utf8')));
    const [practice] = shop.practices;
    if (!practice) throw new Error('no practice');
    const wrong = new Set<string>();
    let looked = 0;
    for (const terminal of shop.terminals) {
      for (const wire of shop.wires) {
        const use = { ...NO_DEMAND, place: 'dry' } as const;
        if (judgeFit(terminal, [wire], use, practice).verdict === 'no') continue;
        const revisions = { terminal: 1, wire: 1, together: [], practice: 1 };
        const context: SetUpContext = {
          ...shop,
          zone: 'UTC',
          terminal,
          wire,
          together: [],
          opposite: [],
          use,
          class: 'standard',
          practice,
          checks: [],
          returns: [],
          looks: [],
          cabinet: [],
          revisions,
          newest: revisions,
        };
        const { orientation, gates, criteria, pulledWith, after, bites, look } = computeSetUp(context, [], NOW);
        if (!bites.length || !gates.length) continue;
        looked += 1;
        const said = [
          orientation?.headline ?? '',
          orientation?.why ?? '',
          orientation?.confirm ?? '',
          orientation?.wrong?.text ?? '',
          ...gates.flatMap((gate) => [gate.headline, gate.why, gate.confirm]),
          ...criteria.flatMap((point) => [point.title, point.accept]),
          pulledWith,
          ...after,
          ...(look ? faultsOf(look).map((fault) => fault.title) : []),
        ];
        for (const text of said) {
          for (const { said: word, of } of WORDS) {
            if (word.test(text) && !of(terminal)) wrong.add(`${terminal.family}: ${text}`);
          }
        }
      }
    }
    expect(looked).toBeGreaterThan(100);
    expect([...wrong]).toEqual([]);
  });
});
