import {
  cavityMap,
  connectorSchema,
  readWireList,
  whyLocked,
  type CavityWire,
  type Connector,
  type Entry,
  type EntryBody,
} from '../index';
import { Bench } from '../testing/bench';
import { families, familyContext } from '../testing/families';
import { limitTable } from '../testing/shop';

/** Two by two cavities with a lock; 1 and 2 take RB alone. */
const connector: Connector = {
  ...{ part: 'CN', label: 'connector', maker: 'Larkspur Stampings', lock: 'lock bar', sheet: null },
  cavities: [
    { id: '1', column: 1, row: 1, terminals: ['F07'] },
    { id: '2', column: 2, row: 1, terminals: ['F07'] },
    { id: '3', column: 1, row: 2, terminals: [] },
    { id: '4', column: 2, row: 2, terminals: [] },
  ],
};
const contact: NonNullable<CavityWire['contact']> = {
  ...{ insertionTool: 'IT', removalTool: 'RT', secondaryLock: true, mostRemovals: 1 },
  release: 'rear',
};
const wire = (cavity: string, changes: Partial<CavityWire> = {}): CavityWire => ({
  ...{ cavity, wireId: `W${cavity}`, wire: 'W', terminal: 'F07', contact, push: 20, combination: 'c' },
  ...changes,
});
let count = 0;
const entry = (body: EntryBody): Entry => {
  count += 1;
  const at = new Date(Date.parse('2026-11-25T08:00:00Z') + count * 1000).toISOString();
  return { id: `e${count}`, at, by: 'Odile', body, corrects: null, why: null, limit: null };
};
const filled = (cavity: string, changes: Partial<Extract<EntryBody, { kind: 'retention' }>> = {}): EntryBody => ({
  ...{ kind: 'retention', piece: 1, connector: 'X1', cavity, clicked: true, locked: null, force: 20, stayed: true },
  ...{ tool: 'IT', straight: true, pulledBack: true, note: '' },
  ...changes,
});
const out = (cavity: string, seat = 1, changes: Partial<Extract<EntryBody, { kind: 'removal' }>> = {}): EntryBody => ({
  ...{
    kind: 'removal',
    piece: 1,
    connector: 'X1',
    cavity,
    seat,
    technique: 'rear',
    tool: 'RT',
    reason: 'wrong cavity',
  },
  ...{ lance: 'good', grip: 'good', note: '' },
  ...changes,
});
const lock = (number: number, closed: boolean, note = ''): EntryBody => ({
  ...{ kind: 'lock', piece: 1, connector: 'X1', count: number, closed, note },
});
const map = (bodies: readonly EntryBody[], wires = [wire('1'), wire('2')], piece = 1) =>
  cavityMap(connector, 'X1', wires, piece, bodies.map(entry));
const states = (found: ReturnType<typeof map>) => found.cavities.map(({ state }) => state);

describe('A connector as a map of its cavities', () => {
  it('shows what sits in each by the list, and names the cavity that comes next', () => {
    expect(states(map([]))).toEqual(['empty', 'empty', 'unused', 'unused']);
    expect(map([]).next).toBe('1');
    expect(states(map([filled('1')]))).toEqual(['home', 'empty', 'unused', 'unused']);
    expect(map([filled('1')]).next).toBe('2');
    expect(map([filled('1'), filled('2')]).next).toBeNull();
  });

  it('has a contact that the list puts nowhere taken out before the connector is closed', () => {
    const stray = map([filled('1'), filled('2'), filled('3')]);
    expect(stray.cavities[2]?.state).toBe('loose');
    expect([stray.next, stray.lock]).toEqual(['3', 'waits']);
    const mended = map([filled('1'), filled('2'), filled('3'), out('3')]);
    expect(mended.cavities[2]?.state).toBe('unused');
    expect([mended.next, mended.lock]).toEqual([null, 'due']);
  });

  it('takes no contact a second time that was taken out because it was hurt', () => {
    const [hurt] = map([filled('1'), out('1', 1, { reason: 'hurt' })]).cavities;
    expect([hurt?.state, hurt?.isSpent]).toEqual(['out', true]);
    expect(map([filled('1'), out('1')]).cavities[0]?.isSpent).toBe(false);
  });

  it('calls a contact home only at its own force, straight, clicked and still there at a light pull', () => {
    const state = (changes: Parameters<typeof filled>[1]) => states(map([filled('1', changes)]))[0];
    expect(state({})).toBe('home');
    expect(state({ force: 19.9 })).toBe('seated');
    expect(state({ force: null })).toBe('seated');
    expect(state({ clicked: false })).toBe('loose');
    expect(state({ straight: false })).toBe('loose');
    expect(state({ pulledBack: false })).toBe('loose');
    expect(state({ stayed: false })).toBe('loose');
  });

  it('speaks of one loom alone, and of one connector', () => {
    expect(states(map([filled('1')], undefined, 2))[0]).toBe('empty');
    expect(states(map([filled('1', { connector: 'X2' })]))[0]).toBe('empty');
  });

  it('closes its lock when all are home, and says where it is closed over one that is not', () => {
    expect(map([filled('1')]).lock).toBe('waits');
    const full = [filled('1'), filled('2')];
    expect(map(full).lock).toBe('due');
    expect(map([...full, lock(1, true)]).lock).toBe('closed');
    expect(map([filled('1'), lock(1, true)]).lock).toBe('wrong');
    expect(map([...full, lock(1, true), lock(2, false, 'wrong wire')]).lock).toBe('due');
    expect(cavityMap({ ...connector, lock: null }, 'X1', [wire('1')], 1, []).lock).toBe('none');
  });

  it('lets nothing in or out while its lock is closed, by the last that was told of it', () => {
    const told = (...closed: boolean[]) => closed.map((each, i) => ({ count: i + 1, closed: each })).reverse();
    expect(whyLocked('X1', [])).toBeNull();
    expect(whyLocked('X1', told(true))).toMatch(/^The lock of X1 is closed: /);
    expect(whyLocked('X1', told(true, false))).toBeNull();
    expect(whyLocked('X1', told(true, false, true))).not.toBeNull();
  });

  it('takes a contact out and in again as often as its sheet allows, then only a new one', () => {
    const once = [filled('1'), out('1')];
    expect(map(once).cavities[0]).toEqual(jasmine.objectContaining({ state: 'out', removals: 1, isSpent: false }));
    const twice = [...once, filled('1', { seat: 2 }), out('1', 2)];
    expect(map(twice).cavities[0]).toEqual(jasmine.objectContaining({ state: 'out', removals: 2, isSpent: true }));
    expect(map(twice).cavities[0]?.text).toBe('Taken out 2 times; its sheet allows 1: a new contact.');
    const renewed = [...twice, filled('1', { seat: 3, contact: 'new' })];
    expect(states(map(renewed))[0]).toBe('home');
    // The new contact's own count begins at 0.
    expect(map([...renewed, out('1', 3)]).cavities[0]?.isSpent).toBeFalse();
    expect(map([filled('1'), out('1', 1, { lance: 'hurt' })]).cavities[0]?.isSpent).toBeTrue();
  });

  it('tells what of list and connector contradicts each other', () => {
    const told = (wires: CavityWire[]) => map([], wires).problems.map(({ code }) => code);
    expect(told([wire('1'), wire('1', { wireId: 'other' })])).toEqual(['cavity-twice']);
    expect(told([wire('9')])).toEqual(['cavity-unknown']);
    expect(told([wire('1', { terminal: 'F04' })])).toEqual(['cavity-contact']);
    expect(told([wire('3', { terminal: 'F04' })])).toEqual([]);
  });

  it('stands in a row where the list names no part', () => {
    const found = cavityMap(null, 'X9', [wire('10'), wire('2'), wire('1')], 1, []);
    expect(found.cavities.map(({ id, column, row }) => [id, column, row])).toEqual([
      ['1', 1, 1],
      ['2', 2, 1],
      ['10', 3, 1],
    ]);
  });

  it('is a part with each cavity once and in a place of its own', () => {
    const [first] = connector.cavities;
    if (!first) throw new Error('no cavity');
    const is = (cavities: unknown) => connectorSchema.safeParse({ ...connector, cavities }).success;
    expect([is(connector.cavities), is([first, first]), is([first, { ...first, id: '9' }]), is([])]).toEqual([
      true,
      false,
      false,
      false,
    ]);
  });
});

describe('Work on a cavity', () => {
  const terminal = { ...families['signal-contact'], cavity: contact };
  const bench = () => new Bench(familyContext('signal-contact', { terminal, limits: [{ ...limitTable, pushes: [] }] }));

  it('is put on record with its sheet’s insertion tool, and said to be straight and held back', () => {
    const own = bench();
    expect(own.put(filled('1', { tool: undefined }))).toBe('insertion-tool');
    expect(own.put(filled('1', { straight: undefined }))).toBe('seat-unsaid');
    expect(own.put(filled('1', { clicked: false }))).toBe('note-missing');
    expect(own.put(filled('1'))).toBeNull();
  });

  it('belongs to a loom and never to a lot, where its connector would not find it', () => {
    const own = bench();
    const plan = { everyPieces: null, everyHours: null, afterChange: [], bothSides: false };
    own.entries.push(entry({ kind: 'lot', lot: 1, name: 'L', pieces: 9, plan, stands: {} as never, note: '' }));
    expect(own.put(filled('1', { lot: 1 }))).toBe('connector-of-loom');
  });

  it('fills a cavity once, and again only after a removal on record', () => {
    const own = bench();
    expect(own.put(filled('1', { seat: 2 }))).toBe('seat-order');
    expect(own.put(filled('1'))).toBeNull();
    expect(own.put(filled('1', { seat: 2 }))).toBe('seat-order');
    expect(own.put(out('1', 1, { technique: 'front' }))).toBe('release-side');
    expect(own.put(out('1', 1, { tool: 'pliers' }))).toBe('removal-tool');
    expect(own.put(out('1', 1, { lance: 'hurt' }))).toBe('note-missing');
    expect(own.put(out('1', 2))).toBe('not-seated');
    expect(own.put(out('1'))).toBeNull();
    expect(own.put(filled('1', { seat: 2 }))).toBeNull();
    expect(own.put(out('1', 2))).toBeNull();
    expect(own.put(filled('1', { seat: 3 }))).toBe('contact-spent');
    expect(own.put(filled('1', { seat: 3, contact: 'new' }))).toBeNull();
  });

  it('counts what is done to a lock, and opens it only for a reason', () => {
    const own = bench();
    expect(own.put(lock(1, false, 'to look'))).toBe('lock-same');
    expect(own.put(lock(2, true))).toBe('lock-order');
    expect([own.put(lock(1, true)), own.put(lock(2, false)), own.put(lock(2, false, 'wrong wire'))]).toEqual([
      null,
      'note-missing',
      null,
    ]);
  });

  it('is no evidence of the set-up, good or bad', () => {
    const own = bench();
    const before = own.judged.stages.find(({ stage }) => stage === 'tug')?.reasons;
    own.put(filled('1', { clicked: false, note: 'no click' }));
    expect(own.judged.stages.find(({ stage }) => stage === 'tug')?.reasons).toEqual(before ?? []);
  });
});

describe('Cavities in a wire list', () => {
  const header = 'wire id,wire part,length,terminal a,terminal b,quantity,connector a,connector part a,cavity a'.split(
    ',',
  );
  const known = {
    ...{ wires: new Set(['W']), terminals: new Set(['T']), splices: new Set<string>() },
    connectors: new Map([['CN', new Set(['1', '2'])]]),
  };
  const read = (...rows: string[]) => readWireList([header, ...rows.map((row) => row.split(','))], known);
  const problems = (...rows: string[]) => {
    const found = read(...rows);
    return found.ok ? [] : found.problems.map(({ row, column }) => `${row} ${column}`);
  };

  it('say where each end goes; a connector’s part is enough once', () => {
    const found = read('A,W,100,T,-,4,X1,CN,1', 'B,W,100,T,-,4,X1,,2', 'C,W,100,T,-,4,,,');
    expect(found.ok && found.rows.map(({ plugA }) => plugA)).toEqual([
      { connector: 'X1', part: 'CN', cavity: '1' },
      { connector: 'X1', part: '', cavity: '2' },
      null,
    ]);
  });

  it('are refused by row where one is taken twice, missing, unknown, or has no contact', () => {
    expect(problems('A,W,100,T,-,4,X1,CN,1', 'B,W,100,T,-,4,X1,,1')).toEqual(['3 cavity a']);
    expect(problems('A,W,100,T,-,4,X1,CN,9')).toEqual(['2 cavity a']);
    expect(problems('A,W,100,T,-,4,X1,CX,1')).toEqual(['2 connector part a']);
    expect(problems('A,W,100,T,-,4,,,1')).toEqual(['2 connector a']);
    expect(problems('A,W,100,T,-,4,X1,,')).toEqual(['2 cavity a']);
    expect(problems('A,W,100,-,T,4,X1,CN,1')).toEqual(['2 terminal a']);
  });
});
