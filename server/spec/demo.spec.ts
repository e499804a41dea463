import { shopFileSchema } from '@tug-mark/contract';
import {
  checkLimitTable,
  chooseShrinkTube,
  combine,
  computeSetUp,
  FAMILIES,
  isSplice,
  judgeFit,
  NO_DEMAND,
  readWireList,
  draftOf,
  resolvePractice,
  selectorHoles,
  type SetUpContext,
} from '@tug-mark/core';
import { readFileSync } from 'node:fs';
import { readCsv } from '../src/files/readCsv';
import { DEMO_FOLDER } from './harness';

const shop = shopFileSchema.parse(JSON.parse(readFileSync(`${DEMO_FOLDER}/shop.json`, 'utf8')));
const [house] = shop.practices;
if (!house) throw new Error('the demo has no practice');
const coverings = new Map(shop.coverings.map((part) => [part.part, part]));

describe('The made-up shop', () => {
  it('has at least two terminals of every family, and only parts its terminals and tools can find', () => {
    for (const family of FAMILIES) {
      expect(shop.terminals.filter((t) => t.family === family).length)
        .withContext(family)
        .toBeGreaterThanOrEqual(2);
    }
    const terminals = new Set(shop.terminals.map((t) => t.part));
    const listed = shop.tools.flatMap((tool) => [
      ...tool.dies.flatMap((die) => die.nests.flatMap((nest) => nest.terminals)),
      ...tool.positioners.flatMap((positioner) => positioner.terminals),
    ]);
    expect(listed.filter((part) => !terminals.has(part))).toEqual([]);
    expect(shop.terminals.flatMap((t) => t.slideOn).filter((item) => !coverings.has(item.part))).toEqual([]);
    expect(shop.tools.flatMap((tool) => selectorHoles(tool))).toEqual([]);
  });

  it('says the bores of a sleeve in its name as they are in its numbers', () => {
    for (const { label, suppliedBore, recoveredBore } of shop.coverings) {
      const said = /(\d+(?:\.\d+)?)\/(\d+(?:\.\d+)?)/.exec(label);
      if (said)
        expect([Number(said[1]), Number(said[2])])
          .withContext(label)
          .toEqual([suppliedBore, recoveredBore ?? 0]);
    }
  });

  it('slides no sleeve onto a joint that it cannot pass or grip, for every wire that fits', () => {
    for (const terminal of shop.terminals) {
      const sleeves = terminal.slideOn.filter((item) => item.kind === 'sleeve');
      for (const wire of shop.wires) {
        const use = { ...NO_DEMAND, place: terminal.sealed ? ('wet' as const) : ('dry' as const) };
        if (judgeFit(terminal, [wire], use, house).verdict !== 'fits') continue;
        for (const item of sleeves) {
          const sleeve = coverings.get(item.part);
          const widest = Math.max(terminal.barrel.outerDiameter ?? 0, wire.insulationDiameter);
          const task = { passes: widest, grips: wire.insulationDiameter, covers: 1, overlap: 6 };
          const [found] = sleeve ? chooseShrinkTube([sleeve], task, terminal.sealed) : [];
          expect(found?.reasons.filter((r) => r.weight === 'bad').map((r) => r.text))
            .withContext(`${terminal.part} on ${wire.part}`)
            .toEqual([]);
        }
      }
    }
  });

  it('keeps limits that its own wires can bear, and practices that stand on each other', () => {
    for (const table of shop.limits) {
      const bad = checkLimitTable(table, shop.wires, '2020-01-01').filter((p) => p.weight === 'bad');
      expect(bad).withContext(`${table.document} ${table.revision} ${table.class}`).toEqual([]);
    }
    for (const practice of shop.practices) {
      expect(resolvePractice(draftOf(practice), shop.practices).ok)
        .withContext(practice.part)
        .toBeTrue();
    }
  });

  for (const [list, refused] of [
    ['chassis-loom', 0],
    ['mast-loom', 0],
    // a wrong pair, a solid wire, a pre-soldered one and a splice without its seal: there to be refused
    ['sprayer-loom', 4],
  ] as const) {
    it(`can make up every pair of its ${list} but those that are there to be refused`, () => {
      const splices = new Set(shop.terminals.filter(isSplice).map((t) => t.part));
      const read = readWireList(readCsv(readFileSync(`${DEMO_FOLDER}/${list}.csv`)), {
        wires: new Set(shop.wires.map((w) => w.part)),
        terminals: new Set(shop.terminals.map((t) => t.part)),
        splices,
        connectors: new Map(shop.connectors.map(({ part, cavities }) => [part, new Set(cavities.map(({ id }) => id))])),
      });
      if (!read.ok) throw new Error(JSON.stringify(read.problems));
      const now = '2026-11-25T12:00:00.000Z';
      const wiresOf = (parts: readonly string[]) =>
        parts.flatMap((part) => shop.wires.find((w) => w.part === part) ?? []);
      const once = { terminal: 1, wire: 1, together: [], practice: 1 };
      const made = combine(read.rows, splices).map((pair) => {
        const wire = shop.wires.find((w) => w.part === pair.wire);
        const terminal = shop.terminals.find((t) => t.part === pair.terminal);
        if (!wire || !terminal) throw new Error('unknown part');
        const context: SetUpContext = {
          zone: 'UTC',
          ...shop,
          wire,
          terminal,
          ...{ together: wiresOf(pair.together), opposite: wiresOf(pair.opposite) },
          use: { ...pair.demand, place: pair.place },
          class: 'standard',
          practice: house,
          checks: [],
          returns: [],
          cabinet: [],
          revisions: once,
          newest: once,
        };
        const setUp = computeSetUp(context, [], now);
        return { name: `${pair.terminal} on ${pair.wire}`, setUp };
      });
      expect(made.filter(({ setUp }) => setUp.fit.verdict === 'no').length).toBe(refused);
      for (const { name, setUp } of made.filter((m) => m.setUp.fit.verdict !== 'no')) {
        expect(setUp.preparation?.strip.setPoint).withContext(name).not.toBeNull();
        expect(setUp.preparation?.notch.notch).withContext(name).not.toBeNull();
        expect(setUp.tool).withContext(name).not.toBeNull();
        expect(setUp.orientation).withContext(name).not.toBeNull();
        expect(setUp.limit.limit).withContext(name).not.toBeNull();
      }
    });
  }
});
