import { NO_DEMAND } from '../match';
import { combine, proposeColumns, readWireList } from './index';

const known = { wires: new Set(['W1', 'W2']), terminals: new Set(['T1', 'T2', 'S1']), splices: new Set(['S1']) };
const HEAD = ['Wire ID', 'Wire part', 'Length mm', 'Terminal A', 'Terminal B', 'Qty', 'Place'];
const read = (...rows: string[][]) => readWireList([HEAD, ...rows], known);

describe('A wire list', () => {
  it('is read by its headers, whatever their order and spelling', () => {
    const list = readWireList(
      [
        ['qty', 'END B', 'end-a', 'length (in)', 'wire_part', 'ID'],
        ['4', '-', 'T1', '10', 'W1', 'A1'],
      ],
      known,
    );
    expect(list.ok && list.rows).toEqual([
      jasmine.objectContaining({
        row: 2,
        wireId: 'A1',
        wirePart: 'W1',
        length: 254,
        terminalA: 'T1',
        terminalB: '',
        quantity: 4,
        place: 'dry',
      }),
    ]);
  });

  it('tells a column headed ‘wire’ by what stands in it: numbers of parts, or names of wires', () => {
    const rest = ['length', 'terminal a', 'terminal b', 'qty'];
    const parts = readWireList(
      [
        ['wire', 'id', ...rest],
        ['W1', 'A1', '10', 'T1', '-', '1'],
        ['W2', 'A2', '10', 'T1', '-', '1'],
      ],
      known,
    );
    expect(parts.ok && parts.rows.map(({ wireId, wirePart }) => [wireId, wirePart])).toEqual([
      ['A1', 'W1'],
      ['A2', 'W2'],
    ]);
    const names = readWireList(
      [
        ['wire', 'wire part', ...rest],
        ['A1', 'W1', '10', 'T1', '-', '1'],
      ],
      known,
    );
    expect(names.ok && names.rows[0]?.wireId).toBe('A1');
  });

  it('proposes what each column says by its heading, then by what stands in it, and no thing twice', () => {
    const table = [
      ['No.', 'Art', 'Left', 'Right', 'Cut length', 'Qty', 'Remark'],
      ['A1', 'W1', 'T1', 'T2', '100', '2', 'W1'],
      ['A2', 'W2', '-', 'T1', '100', '2', ''],
    ];
    expect(proposeColumns(table, known)).toEqual([
      null,
      'wirePart',
      'terminalA',
      'terminalB',
      'length',
      'quantity',
      null,
    ]);
    // 'Wire' may head a name or a part: half of the cells known in the cabinet say which, as the other half may be what is wrong.
    const headed = [
      ['No', 'Wire'],
      ['1', 'W1'],
      ['2', 'W-OLD'],
    ];
    expect(proposeColumns(headed, known)).toEqual([null, 'wirePart']);
    expect(proposeColumns([...headed, ['3', 'A3'], ['4', 'A4']], known)).toEqual([null, 'wireId']);
    expect(proposeColumns([['qty', 'pieces']], known)).toEqual(['quantity', null]);
    expect(proposeColumns([], known)).toEqual([]);
  });

  it('names every fault by row and column, and imports nothing', () => {
    const list = read(['A1', 'W1', '100', 'T1', 'T2', '2', 'dry'], ['A1', 'W9', 'long', 'T1', 'T9', '2.5', 'damp']);
    expect(list.ok).toBeFalse();
    if (list.ok) return;
    expect(list.problems.map((p) => `${p.row} ${p.column}`)).toEqual([
      '3 Wire ID',
      '3 Wire part',
      '3 Length mm',
      '3 Qty',
      '3 Terminal B',
      '3 Place',
    ]);
    expect(list.problems[0]?.text).toContain('row 2');
  });

  it('says which columns are missing or stand twice', () => {
    const missing = readWireList(
      [
        ['wire id', 'length'],
        ['A1', '5'],
      ],
      known,
    );
    expect(!missing.ok && missing.problems.map((p) => p.column)).toEqual([
      'wire part',
      'terminal a',
      'terminal b',
      'quantity',
    ]);
    const twice = readWireList([[...HEAD, 'pieces']], known);
    expect(!twice.ok && twice.problems[0]?.text).toContain('Two columns');
  });

  it('reads a decimal comma, and refuses one that may group thousands', () => {
    const comma = read(['A1', 'W1', '12,5', 'T1', '-', '1', '']);
    expect(comma.ok && comma.rows[0]?.length).toBe(12.5);
    const list = read(['A1', 'W1', '1,250', 'T1', '-', '1', '']);
    expect(!list.ok && list.problems[0]?.text).toContain('may be 1.250 or 1250');
  });

  it('takes whole numbers of pieces from one to the most, and lengths above nothing to the most', () => {
    const faults = (length: string, quantity: string) => {
      const list = read(['A1', 'W1', length, 'T1', '-', quantity, '']);
      return list.ok ? [] : list.problems.map(({ column }) => column);
    };
    expect(['1', '2', '10000'].map((quantity) => faults('5', quantity))).toEqual([[], [], []]);
    for (const quantity of ['0', '-2', '2.5', '3 pcs', '', '1e9']) expect(faults('5', quantity)).toEqual(['Qty']);
    expect(['0.1', '2 in', '2 mm'].map((length) => faults(length, '1'))).toEqual([[], [], []]);
    for (const length of ['0', '-5', '2 ft', '', '1e12']) expect(faults(length, '1')).toEqual(['Length mm']);
  });

  it('keeps a cavity for one wire, or for those of one joint, and a connector for one part', () => {
    const head = [...HEAD, 'Housing A', 'Connector A', 'Cavity A', 'Joint A'];
    const own = (id: string, part: string, cavity: string, joint = '') => [
      ...[id, 'W1', '100', 'T1', '-', '1', ''],
      ...[part, 'X1', cavity, joint],
    ];
    const faults = (...rows: string[][]) => {
      const housings = { ...known, connectors: new Map(['C8', 'C9'].map((part) => [part, new Set(['1', '2'])])) };
      const list = readWireList([head, ...rows], housings);
      return list.ok ? [] : list.problems.map(({ row, text }) => `${row} ${text}`);
    };
    expect(faults(own('A1', 'C9', '1'), own('A2', 'C9', '2'))).toEqual([]);
    expect(faults(own('A1', 'C9', '1'), own('A2', 'C9', '1'))).toEqual(['3 Cavity 1 of X1 is taken in row 2.']);
    expect(faults(own('A1', 'C9', '1', 'J1'), own('A2', 'C9', '1', 'J1'))).toEqual([]);
    expect(faults(own('A1', 'C9', '1', 'J1'), own('A2', 'C9', '1', 'J2'))).toEqual([
      '3 Cavity 1 of X1 is taken in row 2.',
    ]);
    expect(faults(own('A1', 'C9', '1'), own('A2', 'C8', '2'))).toEqual([
      '3 X1 is C9 in row 2: one connector is one part.',
    ]);
  });

  it('refuses an empty file, a header alone, and a wire without any end', () => {
    expect(readWireList([], known).ok).toBeFalse();
    expect(read().ok).toBeFalse();
    expect(read(['A1', 'W1', '5', '', '', '1', '']).ok).toBeFalse();
    expect(read(['A1', 'W1', '5', '-', '-', '1', '']).ok).toBeTrue();
  });

  it('skips empty rows and counts rows as a spreadsheet does', () => {
    const list = read(['', '', '', '', '', '', ''], ['A1', 'W1', '-5', 'T1', '-', '1', '']);
    expect(!list.ok && list.problems[0]?.row).toBe(3);
  });

  it('spells out at most so many faults and counts them all', () => {
    const rows = Array.from({ length: 500 }, (_, i) => [`A${i}`, 'W9', '5', 'T1', '-', '1', '']);
    const list = readWireList([HEAD, ...rows], known, 50);
    expect(!list.ok && [list.problems.length, list.total]).toEqual([50, 500]);
  });

  it('becomes combinations with the pieces of both ends', () => {
    const list = read(
      ['A1', 'W1', '5', 'T1', 'T1', '3', ''],
      ['A2', 'W1', '5', 'T1', 'T2', '2', ''],
      ['A3', 'W1', '5', 'T1', '-', '1', 'wet'],
    );
    const alone = { wire: 'W1', together: [], opposite: [], demand: NO_DEMAND };
    expect(list.ok && combine(list.rows, known.splices)).toEqual([
      { ...alone, terminal: 'T1', place: 'dry', pieces: 8 },
      { ...alone, terminal: 'T2', place: 'dry', pieces: 2 },
      { ...alone, terminal: 'T1', place: 'wet', pieces: 1 },
    ]);
  });

  it('puts wires that name one joint into one barrel, in any order and once for both', () => {
    const list = readWireList(
      [
        [...HEAD, 'Joint A', 'Stud A', 'Current'],
        ['A1', 'W2', '5', 'T1', '-', '4', '', 'J1', '', ''],
        ['A2', 'W1', '5', 'T1', 'T2', '4', '', 'J1', 'M4', '12'],
      ],
      known,
    );
    expect(list.ok && combine(list.rows, known.splices).map((c) => [c.terminal, c.wire, c.together, c.pieces])).toEqual(
      [
        ['T1', 'W1', ['W2'], 4],
        ['T2', 'W1', [], 4],
      ],
    );
    expect(list.ok && combine(list.rows, known.splices)[1]?.demand).toEqual({ ...NO_DEMAND, current: 12 });
  });

  it('puts the wires of a splice on its two sides: one each where there are two, else by the side behind the joint', () => {
    const joined = (...rows: string[][]) => readWireList([[...HEAD, 'Joint A'], ...rows], known);
    const row = (id: string, wire: string, joint: string) => [id, wire, '5', 'S1', '-', '4', '', joint];
    const ends = (list: ReturnType<typeof joined>) =>
      list.ok && combine(list.rows, known.splices).map((c) => [c.wire, c.together, c.opposite, c.pieces]);
    expect(ends(joined(row('A1', 'W2', 'J1'), row('A2', 'W1', 'J1')))).toEqual([['W1', [], ['W2'], 4]]);
    expect(ends(joined(row('A1', 'W1', 'J1'), row('A2', 'W1', 'J1')))).toEqual([['W1', [], ['W1'], 4]]);
    expect(ends(joined(row('A1', 'W2', 'J1/1'), row('A2', 'W1', 'J1/1'), row('A3', 'W1', 'J1/2')))).toEqual([
      ['W1', [], ['W1', 'W2'], 4],
    ]);
    expect(ends(joined(row('A1', 'W1', '')))).toEqual([['W1', [], [], 4]]);
  });

  it('asks which side of a splice a third wire comes from', () => {
    const list = readWireList(
      [[...HEAD, 'Joint A'], ...['A1', 'A2', 'A3'].map((id) => [id, 'W1', '5', 'S1', '-', '4', '', 'J1'])],
      known,
    );
    expect(!list.ok && [list.problems[0]?.row, list.problems[0]?.text]).toEqual([
      4,
      "Joint 'J1' is a splice with several wires: write J1/1 or J1/2 for the side each of them comes from.",
    ]);
  });

  it('refuses a joint of two terminals, or of wires that are not cut equally often', () => {
    const joined = (...rows: string[][]) => readWireList([[...HEAD, 'Joint A'], ...rows], known);
    const two = joined(['A1', 'W1', '5', 'T1', '-', '4', '', 'J1'], ['A2', 'W1', '5', 'T2', '-', '4', '', 'J1']);
    expect(!two.ok && two.problems[0]?.text).toContain("Joint 'J1' has terminal 'T1' in row 2");
    const often = joined(['A1', 'W1', '5', 'T1', '-', '4', '', 'J1'], ['A2', 'W1', '5', 'T1', '-', '3', '', 'J1']);
    expect(!often.ok && often.problems[0]?.text).toContain('Quantity and place have to agree');
  });
});
