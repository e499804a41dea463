import fc from 'fast-check';
import { GATE_NAMES, GATES } from '../crimp';
import { curveAgrees, measuresOf, type Entry, type EntryBody } from '../index';
import { agreesWithTyped } from './agreesWithTyped';
import { correctionsOf, describeEntry, entryCells, entrySlot, KINDS, slotsToCheck } from './index';
import { ofWire } from './pieceSlot';

const entry = (body: EntryBody, changes: Partial<Entry> = {}): Entry => ({
  id: `e${Math.random()}`,
  at: '2026-11-26T07:00:00.000Z',
  by: 'Odile',
  body,
  corrects: null,
  why: null,
  limit: null,
  ...changes,
});
const pull = (force: number, typed: string, piece = 1): EntryBody => ({
  kind: 'reading',
  piece,
  force,
  typed,
  unit: 'N',
  mode: 'slid-out',
  note: '',
  confirmed: [],
});

describe('What was typed and what is kept', () => {
  it('agree within half of the last digit that was typed, whatever unit it was typed in', () => {
    expect(agreesWithTyped(118.4, 118.4, '118.4')).toBeTrue();
    // 118.40 was shown of 118.396: half a hundredth.
    expect(agreesWithTyped(118.4, 118.396, '118.40')).toBeTrue();
    expect(agreesWithTyped(118.4, 118.39, '118.40')).toBeFalse();
    // 15 lbf are 66.723 N, and never 150.
    expect(agreesWithTyped(66.7233, 66.7233, '15 lbf')).toBeTrue();
    expect(agreesWithTyped(66.7233, 150, '15 lbf')).toBeFalse();
    expect(agreesWithTyped(null, 118.4, 'FL-OC-1508')).toBeFalse();
  });

  it('agree for every number a person types, and no longer when a digit of it is changed', () => {
    fc.assert(
      fc.property(fc.integer({ min: 100, max: 99_999 }), fc.integer({ min: 0, max: 3 }), (digits, decimals) => {
        const typed = (digits / 10 ** decimals).toFixed(decimals);
        const value = Number(typed);
        expect(agreesWithTyped(value, value, typed)).toBeTrue();
        expect(agreesWithTyped(value, value + 1 / 10 ** decimals, typed)).toBeFalse();
      }),
    );
  });

  it('a curve and its reading are of one pull within 2 %, or 1 N', () => {
    expect([curveAgrees(118.4, 117), curveAgrees(118.4, 113), curveAgrees(20, 20.9), curveAgrees(20, 21.1)]).toEqual([
      true,
      false,
      true,
      false,
    ]);
  });
});

describe('A kind of entry', () => {
  it('has a place of its own for every piece, end and wire, in every run and lot', () => {
    const at = (changes: object) => entrySlot({ ...pull(1, '1', 3), ...changes } as EntryBody);
    expect([at({}), at({ wire: 2 }), at({ run: 2 }), at({ lot: 4 }), at({ lot: 4, wire: 3, run: 2 })]).toEqual([
      'reading/3',
      'reading/3/wire2',
      'run2/reading/3',
      'lot/4/reading/3',
      'lot/4/reading/3/wire3',
    ]);
    const strip: EntryBody = { kind: 'measure', piece: 2, what: 'strip', value: 8, typed: '8', unit: 'mm', note: '' };
    expect([entrySlot(strip), entrySlot({ ...strip, wire: 2 })]).toEqual(['measure/strip/2', 'measure/strip/2/wire2']);
    expect(describeEntry({ ...strip, wire: 2 })).toContain('Piece 2, wire 2, strip length 8.00 mm');
    expect([ofWire(1), ofWire(undefined, 2), ofWire(2, 2)]).toEqual(['', '/end2', '/end2/wire2']);
  });

  it('reads no more of a journal than its tool, its lot and its run for a pull, and all of it for a release', () => {
    expect(slotsToCheck(pull(1, '1', 3))).toEqual(['tool', 'run/1', 'run/2']);
    expect(slotsToCheck({ ...pull(1, '1', 3), lot: 2 } as EntryBody)).toEqual([
      'tool',
      'lot/2',
      'lot/2/finish',
      'run/1',
      'run/2',
    ]);
    expect(slotsToCheck({ kind: 'finish', lot: 2, note: '' })).toBeNull();
  });

  it('fills the columns it has something for, and no others', () => {
    expect(entryCells(pull(118.4, '118.4', 3))).toEqual({
      piece: 3,
      answer: '',
      measured: '',
      unit: '',
      force: 118.4,
      mode: 'Slid out of the barrel',
    });
    expect(Object.keys(KINDS).length).toBe(23);
  });
});

describe('A correction', () => {
  it('is told with what it was, what it is and why, each step of several', () => {
    const first = entry(pull(84, '84'), { id: 'a' });
    const second = entry(pull(114, '114'), { id: 'b', corrects: 'a', why: 'digits swapped', by: 'Ines' });
    const third = entry(pull(113, '113'), { id: 'c', corrects: 'b', why: 'read again' });
    expect(
      correctionsOf([first, second, third, entry(pull(90, '90', 2))]).map((c) => [c.piece, c.was, c.is, c.why, c.by]),
    ).toEqual([
      [1, describeEntry(first.body), describeEntry(second.body), 'digits swapped', 'Ines'],
      [1, describeEntry(second.body), describeEntry(third.body), 'read again', 'Odile'],
    ]);
  });
});

describe('The measures of a section', () => {
  const section = (compression: number): EntryBody => ({
    kind: 'section',
    piece: 2,
    photo: 'p',
    pxPerMm: 100,
    figures: { metal: 1, voids: 0.031, compression, height: 1, width: 2, left: 0.5, strands: 19 },
    mended: [],
    note: '',
  });
  const values = (entries: Entry[]) =>
    measuresOf(entries).map(({ body }) => [body.piece, body.what, body.value, body.unit]);

  it('follow from its one entry, and from its correction once it is corrected', () => {
    const first = entry(section(0.8), { id: 'a' });
    expect(values([first])).toEqual([
      [2, 'compression', 80, '%'],
      [2, 'voids', 3.1, '%'],
    ]);
    expect(values([first, entry(section(0.75), { corrects: 'a', why: 'mended' })])[0]).toEqual([
      2,
      'compression',
      75,
      '%',
    ]);
  });

  it('do not stand beside one that was put by itself, as sections of before were followed by', () => {
    const put = entry({ kind: 'measure', piece: 2, what: 'compression', value: 81, typed: '81', unit: '%', note: '' });
    expect(values([entry(section(0.8)), put])).toEqual([
      [2, 'compression', 81, '%'],
      [2, 'voids', 3.1, '%'],
    ]);
  });
});

describe('A record in words', () => {
  it('tells points, steps, decisions and rulings by their names, and a point of before as it was written', () => {
    const found = (criterion: string) =>
      describeEntry({ kind: 'finding', piece: 1, criterion, finding: 'accept', note: '' });
    expect(found('seam')).toBe('Piece 1, way round: accept');
    expect(found('of-before')).toBe('Piece 1, of-before: accept');
    expect(describeEntry({ kind: 'gate', gate: 'wire-seen', answer: 'yes', note: '' })).toBe(
      "Step 'wire seen where it has to be': yes",
    );
    const range = { kind: 'disposition' as const, lot: 1, step: 1, from: 2, to: 9, cause: 'other' as const };
    expect(describeEntry({ ...range, what: 'use-as-is', note: 'within the drawing' })).toContain(
      'Pieces 2 to 9: used as is',
    );
    expect(describeEntry({ kind: 'ruling', piece: 3, ruling: 'invalid', note: 'grip slipped' })).toContain(
      'Piece 3, quality rules that it was no test',
    );
  });

  it('has a name for every step there is', () => {
    for (const gate of GATES) expect(GATE_NAMES[gate]).not.toBe(gate);
  });
});
