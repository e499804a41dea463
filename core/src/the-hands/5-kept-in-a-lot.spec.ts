import { reelsOf, type EntryBody, type SetUpContext, type Terminal } from '../index';
import { Bench } from '../testing/bench';
import { families, familyContext } from '../testing/families';
import { progress, running } from '../testing/lotBench';

const bare = families['bare-terminal'];
const mating = { counterpart: 'tab', insertion: 40, withdrawal: 12, grease: false };
const [table] = familyContext('bare-terminal').limits;
if (!table) throw new Error('no table');
/** Limit 150 N, held at half of it. */
const limits: SetUpContext['limits'] = [{ ...table, hold: { seconds: 10, percent: 50, force: null } }];

const hold = (piece: number, changes: Partial<Extract<EntryBody, { kind: 'hold' }>> = {}): EntryBody => ({
  ...{ kind: 'hold', lot: 1, piece, force: 76, seconds: 10, moved: 0, note: '' },
  ...changes,
});
const pair = (piece: number, cycle: number, withdrawal: number, reel?: string): EntryBody => ({
  ...{ kind: 'mating', lot: 1, piece, cycle, insertion: null, withdrawal, note: '' },
  ...(reel && { reel }),
});
const lotOf = (terminal: Terminal = bare) => running({ terminal, limits });

describe('A hold within a lot', () => {
  it('that is held proves nothing of itself: look and pull still make the check', () => {
    const bench = lotOf();
    expect(bench.put(hold(2))).toBeNull();
    expect(bench.lot(1)?.checks.map(({ piece }) => piece)).toEqual([1]);
  });

  it('that moved makes its piece a bad one, and what was made since the last good check is held back', () => {
    const bench = lotOf();
    bench.put(progress(1, 9));
    expect(bench.put(hold(7, { moved: 0.4 }))).toBeNull();
    const lot = bench.lot(1);
    expect(lot?.checks.map(({ piece, outcome }) => [piece, outcome])).toEqual([
      [1, 'good'],
      [7, 'bad'],
    ]);
    expect(lot?.checks[1]?.text).toBe('Piece 7 does not hold: the wire moved 0.4 mm.');
    expect(lot?.spans.filter(({ state }) => state === 'suspect').map(({ from, to }) => [from, to])).toEqual([
      [2, 7],
      [8, 9],
    ]);
    expect(lot?.verdict).toBe('held');
  });

  it('is judged by the lot’s own table, and not asked of a piece that was pulled apart', () => {
    const bench = lotOf();
    // Half of 150 N.
    expect(bench.put(hold(2, { force: 74.9 }))).toBeNull();
    expect(bench.lot(1)?.checks.find(({ piece }) => piece === 2)?.outcome).toBe('bad');
    expect(bench.put(hold(1))).toBe('pulled-apart');
    expect(running({ limits: [table] }).put(hold(2))).toBe('hold-not-asked');
  });
});

describe('Pairs of a lot', () => {
  const lot = () => lotOf({ ...bare, mating });
  const reel = (step: number, to: string) => progress(step, 5, { what: 'change', change: 'terminal-reel', to });

  it('are asked of each reel of contacts that was put in, by a pair of its own that is not bad', () => {
    const bench = lot();
    expect(bench.lot(1)?.unfinished.join()).not.toContain('Reel');
    bench.put(progress(1, 5));
    bench.put(reel(2, 'R-7'));
    const asked = () => bench.lot(1)?.unfinished.filter((text) => text.startsWith('Reel')) ?? [];
    expect(asked()).toEqual(['Reel R-7: its incoming check is open. Put a pair of it together and pull it apart.']);
    bench.put(pair(1, 1, 20));
    expect(asked().length).toBe(1);
    bench.put(pair(2, 1, 11, 'R-7'));
    expect(asked().length).toBe(1);
    bench.put(pair(3, 1, 20, 'R-7'));
    expect(asked()).toEqual([]);
  });

  it('are not asked where the sheet names no least, or nothing to mate with', () => {
    const steps = [{ change: 'terminal-reel', to: 'R-7' }] as never;
    const asked = (own: Terminal['mating']) => reelsOf({ mating: own }, { steps }, []).map(({ reel: name }) => name);
    expect(asked(mating)).toEqual(['R-7']);
    expect(asked({ ...mating, withdrawal: null })).toEqual([]);
    expect(asked(null)).toEqual([]);
  });

  it('hold the lot when one fails, until somebody decides about the whole of it', () => {
    const bench = lot();
    bench.put(progress(1, 40));
    bench.put(pair(1, 1, 11, 'R-7'));
    const told = () => bench.lot(1)?.reasons.filter(({ code }) => code === 'pair-failed') ?? [];
    expect([bench.lot(1)?.verdict, told()[0]?.text]).toEqual([
      'held',
      'Pair 1 of reel R-7: Cycle 1: comes off at 11.0 N, below the 12.0 N of its sheet.',
    ]);
    const decided: EntryBody = {
      ...{ kind: 'disposition', lot: 1, step: 1, from: 1, to: 40, what: 'use-as-is', cause: 'other' },
      note: 'reel measured again by its maker',
    };
    expect(bench.put(decided)).toBeNull();
    expect(told()).toEqual([]);
  });
});

describe('Contacts of a lot in their cavities', () => {
  const cavity = {
    ...{ insertionTool: null, removalTool: null, secondaryLock: false, mostRemovals: null },
    release: 'rear' as const,
  };
  const push = (changes: Partial<Extract<EntryBody, { kind: 'retention' }>> = {}): EntryBody => ({
    ...{ kind: 'retention', lot: 1, piece: 1, cavity: '3', clicked: true, locked: null, force: 30, stayed: true },
    note: '',
    ...changes,
  });

  it('hold the lot when one does not stay, and no longer once it is seated again', () => {
    const bench = lotOf({ ...bare, cavity });
    expect(bench.put(push({ stayed: false, note: 'came out' }))).toBeNull();
    const first = bench.entries.at(-1)?.id ?? '';
    expect([bench.lot(1)?.verdict, bench.lot(1)?.reasons[0]?.text]).toEqual([
      'held',
      'Connector 1, cavity 3: It came out at 30 N.',
    ]);
    expect(bench.put(push(), first)).toBeNull();
    expect(bench.lot(1)?.verdict).toBe('running');
  });
});

describe('A lot whose limit table was withdrawn while it was made', () => {
  const held = (change: (bench: Bench) => void) => {
    const bench = running();
    bench.put(progress(1, 10));
    change(bench);
    const limits = bench.context.limits.map((table) => ({ ...table, status: 'withdrawn' as const }));
    const later = new Bench({ ...bench.context, limits });
    later.entries.push(...bench.entries);
    const lot = later.lot(1);
    return {
      codes: lot?.reasons.map(({ code }) => code),
      verdict: lot?.verdict,
      isUnfinished: lot?.unfinished.some((text) => text.includes('withdrawn')),
    };
  };
  const decide = (from: number, to: number, what: 'use-as-is' | 'scrap'): EntryBody => ({
    ...{
      kind: 'disposition',
      lot: 1,
      step: 1,
      from,
      to,
      what,
      cause: 'limit-withdrawn',
      note: 'quality has read both',
    },
  });

  it('is held until quality decides', () => {
    expect(held(() => undefined)).toEqual({ codes: ['limit-withdrawn'], verdict: 'held', isUnfinished: true });
  });

  it('is held no longer once all that was made is used as it is, and not by less', () => {
    expect(held((bench) => bench.put(decide(1, 10, 'use-as-is')))).toEqual({
      codes: [],
      verdict: 'running',
      isUnfinished: false,
    });
    expect(held((bench) => bench.put(decide(1, 9, 'use-as-is'))).verdict).toBe('held');
    expect(held((bench) => bench.put(decide(2, 10, 'use-as-is'))).verdict).toBe('held');
    expect(held((bench) => bench.put(decide(1, 10, 'scrap'))).verdict).toBe('held');
  });
});
