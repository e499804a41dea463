import fc from 'fast-check';
import { bareRing, limitRow, limitTable, practice, wire075, wireOf } from '../testing/shop';
import {
  checkLimitTable,
  compareLimits,
  findLimit,
  judgeGroup,
  judgeHold,
  judgeReading,
  judgeRetention,
  readForce,
  readLimitRows,
  writeLimitRows,
  type LimitRow,
  type LimitTable,
} from './index';

const DAY = '2026-11-25';
const find = (tables: LimitTable[], wire = wire075, pinned = null as LimitTable | null) =>
  findLimit(tables, wire, bareRing, '2', DAY, practice, pinned);

describe('The limit of a pull', () => {
  const size = (value: number) => wireOf({ size: { scale: 'mm2', value }, strands: 100 });

  it('is the row of the wire size', () => {
    expect(find([limitTable], size(0.5)).limit?.force).toBe(50);
  });

  // 1 is halfway between 0.5 and 2 in the logarithm, so sqrt(50 x 200) = 100
  it('is interpolated in logarithms between rows, and says so', () => {
    const found = find([limitTable], size(1));
    expect(found.limit?.force).toBeCloseTo(100, 9);
    expect(found.limit?.interpolated).toBeTrue();
    expect(found.reason.text).toContain('interpolated between');
  });

  it('is none between rows where the table does not allow it, and never outside them', () => {
    expect(find([{ ...limitTable, interpolates: false }], size(1)).reason.code).toBe('between-rows');
    expect(find([limitTable], size(0.25)).reason.code).toBe('outside-rows');
    expect(find([limitTable], size(4)).reason.code).toBe('outside-rows');
  });

  it('is none from a draft, a withdrawn table, another class, or outside its dates', () => {
    const no = (changes: Partial<LimitTable>) => find([{ ...limitTable, ...changes }]).reason.code;
    expect(no({ status: 'draft' })).toBe('no-table');
    expect(no({ status: 'withdrawn' })).toBe('no-table');
    expect(no({ class: '3' })).toBe('no-table');
    expect(no({ effectiveFrom: '2026-11-26' })).toBe('no-table');
    expect(no({ effectiveUntil: '2026-11-24' })).toBe('no-table');
    expect(find([{ ...limitTable, effectiveUntil: DAY }]).limit).not.toBeNull();
  });

  it('is none while two released tables both apply', () => {
    expect(find([limitTable, { ...limitTable, revision: 'D' }]).reason.code).toBe('two-tables');
  });

  it('is none when the row asks for more than the wire itself can bear', () => {
    // 24 x 0.2 breaks near 177 N; a row of 200 N for 0.75 cannot be met
    const table = {
      ...limitTable,
      rows: [
        {
          size: { scale: 'mm2' as const, value: 0.75 },
          families: [],
          material: null,
          force: 200,
          percent: null,
          hold: null,
        },
      ],
    };
    expect(find([table]).reason.code).toBe('limit-above-wire');
  });

  it('takes no row of another scale, another family or another metal, however alike its number', () => {
    const of = (row: Partial<LimitRow>) =>
      findLimit(
        [{ ...limitTable, interpolates: false, rows: [limitRow(0.75, row)] }],
        wire075,
        bareRing,
        '2',
        DAY,
        practice,
      ).limit?.force ?? null;
    expect(of({})).toBe(85);
    expect(of({ size: { scale: 'awg', value: 0.75 } })).toBeNull();
    expect(of({ families: ['lug'] })).toBeNull();
    expect(of({ families: ['lug', 'bare-terminal'] })).toBe(85);
    expect(of({ material: 'aluminium' })).toBeNull();
    expect(of({ material: 'copper' })).toBe(85);
    // a row for this family goes before one for this metal, and that before one for all
    const rows = [
      limitRow(0.75),
      limitRow(0.75, { material: 'copper', force: 90 }),
      limitRow(0.75, { families: ['bare-terminal'], force: 95 }),
    ];
    const best = (own: readonly LimitRow[]) =>
      findLimit([{ ...limitTable, rows: own }], wire075, bareRing, '2', DAY, practice).limit?.force;
    expect([best(rows), best(rows.slice(0, 2)), best(rows.toReversed())]).toEqual([95, 90, 95]);
  });

  it('stays the one the readings stand on, though it was withdrawn since', () => {
    const old: LimitTable = { ...limitTable, revision: 'B', status: 'withdrawn' };
    expect(find([limitTable, old], wire075, old).limit?.table.revision).toBe('B');
  });
});

describe('A reading', () => {
  it('holds 33.4 N above a limit of 85', () => {
    const verdict = judgeReading(118.4, 85, 'slid-out');
    expect(verdict.verdict).toBe('holds');
    expect(verdict.margin).toBeCloseTo(33.4, 9);
    expect(verdict.reason.text).toBe('Holds: 33.4 N above the limit (39 %).');
  });

  it('of 89.96 N does not hold 90, and no rounding says otherwise', () => {
    const verdict = judgeReading(89.96, 90, 'slid-out');
    expect(verdict.verdict).toBe('below');
    expect(verdict.reason.text).toContain('0.04 N below');
  });

  it('exactly at the limit holds', () => {
    expect(judgeReading(90, 90, 'broke-in-wire').verdict).toBe('holds');
  });

  it('that is no test asks for a replacement; a low one goes to quality', () => {
    expect(judgeReading(100, 85, 'grip-slipped').verdict).toBe('invalid');
    expect(judgeReading(60, 85, 'grip-slipped').verdict).toBe('quality');
    expect(judgeReading(60, 85, 'slid-out').verdict).toBe('below');
  });

  it('without a limit is kept and not judged', () => {
    expect(judgeReading(100, null, 'slid-out').verdict).toBe('no-limit');
  });
});

describe('A typed force', () => {
  // The 0.75 wire breaks near 177 N; 1.25 times that is 221.5 N.
  const read = (text: string, unit: 'N' | 'lbf' | 'kgf' = 'N', usual: number | null = null) =>
    readForce(text, unit, 177.19, usual);

  it('is taken as it stands, also with a decimal comma, which is said', () => {
    expect(read('118.4')).toEqual({ outcome: 'force', newtons: 118.4, unit: 'N', note: null });
    const comma = read('112,5');
    expect(comma.outcome === 'force' && comma.newtons).toBe(112.5);
    expect(comma.outcome === 'force' && comma.note).toBe('Read as 112.5 N.');
  });

  it('in another unit than the field is asked about, not converted silently', () => {
    const question = read('12.5 lbf');
    expect(question.outcome).toBe('question');
    expect(question.outcome === 'question' && question.newtons).toBeCloseTo(55.603, 3);
  });

  it('above 1.25 times the breaking load is asked about', () => {
    expect(read('221').outcome).toBe('force');
    const question = read('222');
    expect(question.outcome === 'question' && question.code).toBe('above-wire');
  });

  // 26 in lbf is 115.7 N, just like the others
  it('that looks like the same pull in another unit is asked about', () => {
    const question = read('26', 'N', 115);
    expect(question.outcome === 'question' && question.code).toBe('unit-slip');
    expect(question.outcome === 'question' && question.text).toContain('lbf');
    expect(read('60', 'N', 115).outcome).toBe('force');
  });

  it('that is none gets a sentence', () => {
    for (const [text, code] of [
      ['', 'empty'],
      ['NaN', 'not-a-number'],
      ['-5', 'negative'],
      ['0', 'zero'],
      ['1e9', 'impossible'],
      ['12,500', 'ambiguous-comma'],
      ['12 bananas', 'unknown-unit'],
    ] as const) {
      const answer = read(text);
      expect(answer.outcome === 'refused' && answer.code)
        .withContext(text)
        .toBe(code);
    }
  });

  it('is never turned into another force: what is kept is what was typed, in newtons', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 170, noNaN: true }), (force) => {
        const answer = read(String(force));
        expect(answer.outcome === 'force' && answer.newtons).toBe(force);
      }),
    );
  });
});

describe('A group of readings', () => {
  const judge = (forces: number[], changes: Partial<typeof practice> = {}) =>
    judgeGroup(forces, 85, { ...practice, ...changes }, 5);

  // off the mean 117.6: -1.4, -5.4, 3.7, 0.8, 2.3; squares sum to 50.74, s = sqrt(50.74 / 4) = 3.5616;
  // k(5) = 5.7411: bound 117.6 - 20.4475 = 97.1525; Cpl = 32.6 / (3 x 3.5616) = 3.0511
  it('passes when its lower tolerance bound is above the limit', () => {
    const group = judge([116.2, 112.2, 121.3, 118.4, 119.9]);
    expect(group.state).toBe('pass');
    expect(group.summary?.mean).toBeCloseTo(117.6, 9);
    expect(group.summary?.s).toBeCloseTo(3.5616, 4);
    expect(group.cpl).toBeCloseTo(3.0511, 3);
    expect(group.lowerBound).toBeCloseTo(97.1525, 3);
    expect(group.reasons[0]?.text).toContain('5 like these: 95 % sure that 99 % hold above 97.2 N; limit 85.0 N.');
  });

  // every one holds, but s = 9.35 and 110 - 5.741 x 9.35 = 56.3
  it('fails when each holds but the spread is too wide, unless the practice asks for the minimum only', () => {
    const wide = [100, 120, 105, 120, 105];
    expect(judge(wide).state).toBe('fail');
    expect(judge(wide).reasons[0]?.code).toBe('bound-below');
    expect(judge(wide, { acceptance: 'minimum-only' }).state).toBe('pass');
  });

  it('fails on one reading below, unless the practice judges the group only', () => {
    expect(judge([84.9, 118, 118, 118, 118]).reasons[0]?.code).toBe('reading-below');
    expect(judge([84.9, 118, 118, 118, 118], { acceptance: 'minimum-only' }).state).toBe('fail');
  });

  it('is missing while there are too few, and says how many', () => {
    expect(judge([]).state).toBe('missing');
    expect(judge([118, 117]).reasons[0]?.text).toBe('2 of 5 valid readings are made.');
    expect(judge([118]).lowerBound).toBeNull();
  });

  it('of eight and more is tested for its shape, and says what the test found', () => {
    const even = [118.1, 119.4, 117.2, 120.3, 118.8, 116.9, 119.9, 118.5, 117.7, 119.1];
    expect(judge(even).shape).toBe('normal');
    expect(
      judge(even)
        .reasons.map((r) => r.text)
        .join(' '),
    ).toContain('They look normal (p = ');
    expect(judge(even.slice(0, 6)).shape).toBe('assumed');
  });

  // Two kinds of joint: 12 near 118 and 4 near 95. One is 1 - 0.99^16 = 15 % sure that 99 % hold above the lowest.
  it('that is not normal gives no bound from a shape it has not, and leaves it to a person', () => {
    const two = [118, 118.4, 117.8, 118.2, 118.1, 117.9, 118.3, 118, 118.2, 117.7, 118.5, 118.1, 95, 95.3, 94.8, 95.1];
    const group = judge(two);
    expect([group.shape, group.state, group.lowerBound]).toEqual(['not-normal', 'hold', null]);
    expect(group.reasons.map((r) => r.text).join(' ')).toContain(
      'one is 15 % sure that 99 % hold above the lowest, 94.8 N',
    );
    // 299 readings are enough without a shape: 1 - 0.99^299 = 0.9505; then the lowest itself is the bound.
    const many = judge(Array.from({ length: 299 }, (_, i) => (i % 4 ? 118 : 95) + (i % 7) / 10));
    expect([many.shape, many.state, many.lowerBound]).toEqual(['not-normal', 'pass', 95]);
  });

  it('tells the reading that stands apart and leaves it in', () => {
    const group = judge([118, 117.5, 118.3, 118.8, 117.9, 99]);
    expect(group.outlier?.value).toBe(99);
    expect(group.summary?.n).toBe(6);
    expect(group.reasons.map((r) => r.code)).toContain('stands-apart');
  });

  it('of equal readings asks whether the gauge holds an old peak', () => {
    const group = judge([118, 118, 118, 118, 118]);
    expect(group.cpl).toBeNull();
    expect(group.reasons.map((r) => r.code)).toContain('no-spread');
  });
});

describe('The rows of a limit table', () => {
  const row = limitRow;

  // 24 x 0.2 copper: 0.75398 x 235 = 177.19 N; 40 % of it is 70.87 N
  it('may say a percent of the breaking load, and the most particular row wins', () => {
    const of = (rows: LimitRow[]) =>
      findLimit([{ ...limitTable, rows }], wire075, bareRing, '2', '2026-11-25', practice).limit?.force;
    expect(of([row(0.75, { force: null, percent: 40 })])).toBeCloseTo(70.87, 2);
    const rows = [
      row(0.75),
      row(0.75, { families: ['bare-terminal'], force: 90 }),
      row(0.75, { material: 'copper', force: 80 }),
    ];
    expect(of(rows)).toBe(90);
    expect(of([...rows].reverse())).toBe(90);
    expect(of(rows.slice(0, 1).concat(rows.slice(2)))).toBe(80);
  });

  it('differ between two revisions row by row, with the change in percent', () => {
    const before = { ...limitTable, rows: [row(0.5, { force: 50 }), row(0.75), row(1, { force: 100 })] };
    const after = { ...limitTable, rows: [row(0.5, { force: 55 }), row(0.75), row(2, { force: 200 })] };
    const told = compareLimits(before, after).map(({ row: name, percent }) => [
      name,
      percent === null ? null : Math.round(percent),
    ]);
    expect(told).toEqual([
      ['0.5 mm²', 10],
      ['2 mm²', null],
      ['1 mm²', null],
    ]);
  });

  it('stand against a release when a wire cannot bear them, twice for one size, or without a force', () => {
    const rows = [row(0.75, { force: 178 }), row(0.75), row(1, { force: null })];
    const problems = checkLimitTable({ ...limitTable, effectiveFrom: '2026-12-01', rows }, [wire075], '2026-11-25');
    expect(problems.map(({ row: at, field }) => [at, field])).toEqual([
      [1, 'force'],
      [2, 'size'],
      [3, 'force'],
    ]);
    expect(problems[0]?.text).toContain('wire W-075 itself breaks near 177.2 N');
    // A solid conductor is a wire as well; another size, another metal or the load itself is none of its row.
    const weak = (force: number, size: number, changes: Partial<typeof wire075.conductor>, material?: 'aluminium') => {
      const own = { ...wire075, conductor: { ...wire075.conductor, ...changes } };
      const table = {
        ...limitTable,
        effectiveFrom: '2026-12-01',
        rows: [row(size, { force, material: material ?? null })],
      };
      return checkLimitTable(table, [own], '2026-11-25').map(({ field }) => field);
    };
    // 0.98 mm round, 0.754 mm²: 177.3 N.
    const solid = { kind: 'solid', strands: 1, strandDiameter: 0.98 } as const;
    expect(weak(178, 0.75, solid)).toEqual(['force']);
    expect(weak(177, 0.75, solid)).toEqual([]);
    expect(weak(178, 1, solid)).toEqual([]);
    expect(weak(178, 0.75, solid, 'aluminium')).toEqual([]);
    expect(weak(178, 0.75, { size: { scale: 'awg', value: 0.75 } })).toEqual([]);
    const ended = checkLimitTable({ ...limitTable, effectiveUntil: '2026-11-24' }, [], '2026-11-25');
    expect(ended.map((p) => [p.field, p.weight])).toEqual([
      ['effectiveUntil', 'bad'],
      ['effectiveFrom', 'note'],
    ]);
  });

  it('read back from CSV as written, in the unit the header names, and refuse a mixture', () => {
    const rows = [row(0.75), row(1, { force: null, percent: 40, families: ['lug'], material: 'aluminium' })];
    const read = readLimitRows(writeLimitRows(rows));
    expect(read.ok && read.rows).toEqual(rows);
    const pounds = readLimitRows([
      ['Size', 'Force (lbf)'],
      ['AWG 18', '20'],
    ]);
    expect(pounds.ok && pounds.rows[0]?.force).toBeCloseTo(88.964, 3);
    const mixed = readLimitRows([
      ['size', 'force lbf'],
      ['AWG 18', '89 N'],
      ['18 mm', '3'],
      ['1', ''],
    ]);
    expect(!mixed.ok && mixed.problems.map((p) => [p.row, p.column])).toEqual([
      [2, 'force lbf'],
      [3, 'size'],
      [4, 'force lbf'],
    ]);
  });
});

describe('Tests that leave the piece whole', () => {
  const wanted = { force: 50, seconds: 60 };

  it('hold the force for the time without moving', () => {
    expect(judgeHold({ force: 52, seconds: 60, moved: 0 }, wanted).verdict).toBe('holds');
    const failed = judgeHold({ force: 48, seconds: 40, moved: 0.4 }, wanted);
    expect(failed.reason.text).toBe(
      'Does not hold: 48.0 N is below the 50.0 N to hold, 40 s is less than 60 s, the wire moved 0.4 mm.',
    );
    expect(judgeHold({ force: 52, seconds: 60, moved: 0 }, null).verdict).toBe('no-limit');
  });

  it('push a contact that clicked and locked, with the force the table names', () => {
    const seated = { clicked: true, locked: true, force: 40, stayed: true };
    expect(judgeRetention(seated, 35).verdict).toBe('stays');
    expect(judgeRetention({ ...seated, force: 30 }, 35).verdict).toBe('open');
    expect(judgeRetention({ ...seated, force: null }, 35).reason.code).toBe('not-pushed');
    expect(judgeRetention(seated, null).verdict).toBe('open');
    expect(judgeRetention({ ...seated, clicked: false }, 35).reason.code).toBe('not-clicked');
    expect(judgeRetention({ ...seated, locked: false }, 35).reason.code).toBe('not-locked');
    expect(judgeRetention({ ...seated, stayed: false }, 35).reason.text).toBe('It came out at 40 N.');
  });
});
