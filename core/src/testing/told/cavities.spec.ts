import { cavityMap, type CavityWire, type Connector } from '../../connector';
import { describeEntry } from '../../journal';
import { REMOVAL_REASONS, type Entry, type EntryBody } from '../../entry';
import { random } from '../../statistics';
import { Bench } from '../bench';
import { families, familyContext } from '../families';
import { holdTold, type Told } from './hold';
import approved from './cavities.json';

/* Connectors filled by dice that are the same again from the same seed: how each cavity and the lock stand after every step, and what a
   list and a part say against each other. */

const contact = families['sealed-contact'];
const CONNECTOR: Connector = {
  ...{ part: 'C6', label: '6 ways', maker: 'Larkspur Stampings', lock: 'red wedge', sheet: null },
  cavities: ['1', '2', '3', '4', '5', '6'].map((id, i) => ({
    ...{ id, column: (i % 3) + 1, row: Math.floor(i / 3) + 1 },
    terminals: id === '6' ? ['OTHER'] : [contact.part],
  })),
};
const wireIn = (cavity: string, changes: Partial<CavityWire> = {}): CavityWire => ({
  ...{ cavity, wireId: `W${cavity}`, wire: 'W-ROUND', terminal: contact.part, contact: contact.cavity, push: 30 },
  combination: 'c',
  ...changes,
});

/** The map as its page tells of it. */
const tellMap = (
  connector: Connector | null,
  wires: readonly CavityWire[],
  entries: readonly Entry[],
  piece = 1,
): string[] => {
  const { cavities, next, lock, lockCount, problems } = cavityMap(connector, 'J1', wires, piece, entries);
  return [
    `next ${next ?? 'none'}, lock ${lock} after ${lockCount}`,
    ...cavities.map(
      ({ id, column, row, state, wire, seat, entry, removals, isSpent, text }) =>
        `${id} at ${column}/${row} | ${state}${wire ? ` by ${wire.wireId}` : ''}, seat ${seat} ${entry ?? '-'}, out ${removals}${isSpent ? ', spent' : ''}: ${text}`,
    ),
    ...problems.map(({ code, weight, text }) => `problem | ${weight} ${code}: ${text}`),
  ];
};

/** One connector through its day, with what is done wrong. */
function tellDay(seed: number): string[] {
  const dice = random(seed);
  const one = <T>(of: readonly T[]) => of[Math.floor(dice() * of.length)] as T;
  const own = { ...contact.cavity, insertionTool: seed % 2 ? 'inserter' : null, mostRemovals: seed % 3 };
  const cavity = { removalTool: 'extractor', release: 'front', secondaryLock: false, ...own } as const;
  const bench = new Bench(familyContext('sealed-contact', { terminal: { ...contact, cavity } }));
  bench.record({ kind: 'tool', tool: 'HT', die: 'A', nest: 'roll' });
  // One wire is not pushed by any table, one cavity stays empty.
  const wires = ['1', '2', '3', '4'].map((id) => wireIn(id, { contact: cavity, push: id === '4' ? null : 30 }));
  const lines: string[] = [];
  let before: string[] = [];
  let locks = 0;
  for (let turn = 0; turn < 24; turn++) {
    const { cavities, next, lock } = cavityMap(CONNECTOR, 'J1', wires, 1, bench.entries);
    const about = { piece: dice() < 0.95 ? 1 : 2, connector: 'J1' } as const;
    const filled = cavities.filter(({ state }) => state !== 'empty' && state !== 'unused' && state !== 'out');
    const at = one(cavities);
    const note = dice() < 0.6 ? 'seen at the bench' : '';
    const put = (id: string): EntryBody => {
      const known = cavities.find((each) => each.id === id);
      const seat = (known?.seat ?? 0) + 1;
      const isNew = known?.isSpent ? dice() < 0.8 : dice() < 0.2;
      return {
        ...{
          kind: 'retention',
          ...about,
          cavity: id,
          ...(seat > 1 && { seat }),
          ...(isNew && { contact: 'new' }),
          note,
        },
        ...{
          ...(cavity.insertionTool && { tool: cavity.insertionTool }),
          straight: dice() < 0.9,
          pulledBack: dice() < 0.9,
        },
        ...{
          clicked: dice() < 0.9,
          locked: null,
          force: dice() < 0.7 ? one([25, 30, 35]) : null,
          stayed: dice() < 0.95,
        },
      };
    };
    const out = (): EntryBody => {
      const from = one(filled.length && dice() < 0.9 ? filled : cavities);
      return {
        ...{ kind: 'removal', ...about, cavity: from.id, seat: Math.max(1, from.seat), technique: 'front', note },
        ...{ tool: 'extractor', reason: one(REMOVAL_REASONS) },
        ...{ lance: dice() < 0.8 ? 'good' : 'hurt', grip: dice() < 0.8 ? 'good' : 'hurt' },
      };
    };
    const turned = (): EntryBody => ({ kind: 'lock', ...about, count: locks + 1, closed: dice() < 0.6, note });
    const loose = filled.find(({ state }) => state === 'loose');
    // One that was not pushed yet is pushed now, in the same entry.
    const seated = cavities.find(({ id, state }) => id === next && state === 'seated');
    const first = dice() < 0.8 ? bench.entries.find(({ id }) => id === seated?.entry) : undefined;
    if (first?.body.kind === 'retention') {
      const body = { ...first.body, force: one([25, 30, 35]) };
      const refusal = bench.record(body, first.id);
      const mended = refusal ? null : bench.entries.pop();
      if (mended) bench.entries.splice(bench.entries.indexOf(first), 1, { ...mended, id: `${first.id} again` });
      lines.push(`corrected | ${describeEntry(body)}${refusal ? ` | refused, ${refusal.code}: ${refusal.text}` : ''}`);
    }
    const body =
      dice() < 0.15
        ? one([() => put(at.id), out, turned])()
        : loose
          ? out()
          : lock === 'due' || next === null
            ? turned()
            : put(next);
    const refusal = bench.record(body);
    if (!refusal && body.kind === 'lock' && body.piece === 1) locks++;
    lines.push(
      `${describeEntry(body)}${refusal ? ` | refused, ${refusal.code} ${refusal.field}: ${refusal.text}` : ''}`,
    );
    const now = tellMap(CONNECTOR, wires, bench.entries);
    lines.push(...now.filter((line) => !before.includes(line)));
    before = now;
  }
  return [...lines, ...tellMap(CONNECTOR, wires, bench.entries, 2), ...tellMap(null, wires, bench.entries)];
}

/** Lists and parts that do not agree. */
const LISTS: readonly (readonly [name: string, connector: Connector | null, wires: readonly CavityWire[]])[] = [
  ['two wires into one cavity', CONNECTOR, [wireIn('1'), wireIn('1', { wireId: 'W9' }), wireIn('2')]],
  ['no such cavity', CONNECTOR, [wireIn('9')]],
  ['another contact', CONNECTOR, [wireIn('6'), wireIn('5')]],
  ['no lock', { ...CONNECTOR, lock: null }, [wireIn('1')]],
  ['no wires', CONNECTOR, []],
  ['no part', null, ['2', '10', '1', 'A', ...Array.from({ length: 9 }, (_, i) => `${i + 20}`)].map((id) => wireIn(id))],
];

const told: Told = new Map([
  ...Array.from({ length: 4 }, (_, i) => [`connector ${i + 1}`, () => tellDay(5200 + i)] as const),
  [
    'lists and parts that do not agree',
    () => LISTS.flatMap(([name, ...of]) => tellMap(...of, []).map((line) => `${name} | ${line}`)),
  ] as const,
]);

holdTold({ in: 'cavities', of: 'a connector that is filled', inSentences: true }, told, approved);
