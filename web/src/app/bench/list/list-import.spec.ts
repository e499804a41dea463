import { wire075, bareRing } from '../../../../../core/src/testing/shop';
import { Bench } from '../../testing/bench';
import { ImportList } from '../import-list';
import { cellsOf, textOf } from '../../parts/text-table';
import type { ListColumns } from '@tug-mark/contract';
import { asWireList, csvOf, placeOf, TEMPLATE, type Meaning } from './list-source';
import { EMPTY_CABINET } from '../../testing/made-up';

const W = wire075.part;
const T = bareRing.part;

describe('A wire list as it comes', () => {
  it('is read whatever separates its cells, in UTF-8 or as spreadsheets of western Europe save it', () => {
    expect(cellsOf('a;b\r\n1;2,5\r\n')).toEqual([
      ['a', 'b'],
      ['1', '2,5'],
    ]);
    expect(cellsOf('a\tb\n"x, y"\tz')).toEqual([
      ['a', 'b'],
      ['x, y', 'z'],
    ]);
    expect(textOf(new TextEncoder().encode('Öse').buffer)).toBe('Öse');
    expect(textOf(new Uint8Array([0xd6, 0x73, 0x65]).buffer)).toBe('Öse');
  });

  it('keeps the numbers of its rows, and numbers wires that have no name where that is wanted', () => {
    const meanings: Meaning[] = ['wirePart', null, 'lengthIn'];
    const cells = [
      ['part', 'remark', 'cut'],
      ['W1', 'x', '10'],
      ['', '', ''],
      ['W2', '', '12'],
    ];
    expect(asWireList(cells, { meanings, isNumbered: true })).toEqual([
      ['wire id', 'wire part', 'length in'],
      ['W1', 'W1', '10'],
      ['', '', ''],
      ['W3', 'W2', '12'],
    ]);
    expect(placeOf({ meanings, isNumbered: true }, 'length in')).toBe(2);
    expect(placeOf({ meanings, isNumbered: true }, 'wire id')).toBeNull();
    expect(csvOf([TEMPLATE]).split(',').slice(0, 6)).toEqual([
      ...['wire id', 'wire part', 'length mm', 'terminal a', 'terminal b', 'quantity'],
    ]);
  });
});

describe('Bringing in a wire list whose columns are its own', () => {
  let bench: Bench<ImportList>;
  let columns: ListColumns[];
  let sent: { query: { name: string; id: string }; text: string }[];
  const said: string[] = [];
  const open = async (kept: Record<string, string> = {}, sources: ListColumns[] = []) => {
    sent = [];
    columns = [];
    said.length = 0;
    bench = await Bench.open(ImportList, {
      kept,
      api: {
        cabinet: () =>
          Promise.resolve({
            ...EMPTY_CABINET,
            ...{ wires: [wire075], terminals: [bareRing] },
          }),
        listColumns: () => Promise.resolve(sources),
        keepListColumns: (_: string, body: ListColumns) => {
          columns.push(body);
          return Promise.resolve({});
        },
        importWireList: async (query: { name: string; id: string }, file: Blob) => {
          sent.push({ query, text: await file.text() });
          return { name: query.name, wires: 2, combinations: 1, pieces: 6 };
        },
      },
    });
    bench.fixture.componentInstance.done.subscribe((text) => said.push(text));
  };
  const paste = async (text: string) => {
    const data = new DataTransfer();
    data.setData('text', text);
    bench.element
      .querySelector('textarea')
      ?.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
    await bench.settle();
  };
  /** Sends the list and waits until it is in: reading a file takes its own time. */
  const bringIn = async () => {
    await bench.submit();
    for (let i = 0; i < 200 && !said.length; i++) await bench.settle();
  };
  const faults = () =>
    [...bench.element.querySelectorAll('tm-table-faults tbody tr')].map((row) =>
      [...row.querySelectorAll('td')].map((cell) => cell.querySelector('input')?.value ?? cell.textContent?.trim()),
    );
  afterEach(() => {
    bench.close();
  });

  it('takes the columns for what stands in them, shows the first rows, and what the list becomes', async () => {
    await open();
    await paste(`No.\tWire\tCut length\tEnd A\tEnd B\tQty\nA1\t${W}\t100\t${T}\t-\t2\nA2\t${W}\t120\t${T}\t${T}\t2`);
    const meanings = [...bench.element.querySelectorAll('th .out-of-sight')].map((each) => each.textContent);
    expect(meanings.slice(0, 6)).toEqual([
      ...['not needed', 'wire part', 'length, mm', 'terminal a', 'terminal b', 'quantity'],
    ]);
    expect(bench.text).toContain('No column is taken for: wire id (a name of its own for each wire).');
    await bench.choose('column-0', 'wire id');
    expect(bench.text).toContain('2 wires would become 1 combination with 6 pieces to make.');
    await bench.type('list-name', 'Mast');
    await bringIn();
    expect(sent[0]?.text.split('\r\n').slice(0, 2)).toEqual([
      'wire id,wire part,length mm,terminal a,terminal b,quantity',
      `A1,${W},100,${T},-,2`,
    ]);
    expect(said).toEqual(['Mast: 2 wires became 1 combination with 6 pieces.']);
  });

  it('mends a fault here, once for every row that has it, and sends nothing before', async () => {
    await open();
    const rows = [1, 2, 3].map((i) => `A${i},W-OLD,100,${T},-,2`).join('\n');
    await paste(`wire id,wire part,length,terminal a,terminal b,quantity\n${rows}`);
    expect(bench.text).toContain('3 cells are not right yet');
    expect(faults()).toEqual([['2, 3, 4', 'wire part', 'W-OLD', "The cabinet has no wire 'W-OLD'."]]);
    await bench.type('list-name', 'Mast');
    await bench.submit();
    expect(bench.text).toContain("Nothing is brought in until all is right: The cabinet has no wire 'W-OLD'.");
    expect(sent).toEqual([]);
    const cell = bench.element.querySelector<HTMLInputElement>('tm-table-faults input');
    if (cell) cell.value = W;
    cell?.dispatchEvent(new Event('change'));
    await bench.settle();
    expect(faults()).toEqual([]);
    await bringIn();
    expect(sent[0]?.text).toContain(`A3,${W},100`);
  });

  it('has it back with what was mended, after a reload, until it is brought in', async () => {
    await open();
    await paste(`wire id,wire part,length,terminal a,terminal b,quantity\nA1,W-OLD,100,${T},-,2`);
    await bench.type('list-name', 'Mast');
    const cell = bench.element.querySelector<HTMLInputElement>('tm-table-faults input');
    if (cell) cell.value = W;
    cell?.dispatchEvent(new Event('change'));
    await bench.settle();
    const kept = Object.fromEntries(Object.entries(localStorage) as [string, string][]);
    bench.close();
    await open(kept);
    expect(bench.text).toContain('What you typed here until');
    expect(bench.text).toContain('1 wire would become 1 combination');
    expect(bench.element.querySelector<HTMLInputElement>('#list-name')?.value).toBe('Mast');
    await bringIn();
    expect(sent[0]?.text).toContain(`A1,${W},100`);
    expect(Object.keys(localStorage).filter((key) => key.includes('wire-list'))).toEqual([]);
  });

  it('knows the columns again when the next file of this kind comes, at every station', async () => {
    await open();
    const list = `Kabel,Art,Maß,Links,Rechts,Stk\nA1,${W},100,${T},-,2`;
    await paste(list);
    await bench.choose('column-0', 'wire id');
    await bench.choose('column-2', 'length, mm');
    await bench.choose('column-4', 'terminal b');
    await bench.choose('column-5', 'quantity');
    await bench.type('list-name', 'Mast');
    await bringIn();
    expect(sent.length).toBe(1);
    expect(columns).toEqual([
      {
        header: ['Kabel', 'Art', 'Maß', 'Links', 'Rechts', 'Stk'],
        meanings: ['wireId', 'wirePart', 'length', 'terminalA', 'terminalB', 'quantity'],
      },
    ]);
    bench.close();
    await open({}, columns);
    await paste(list.replace('Kabel', ' KABEL'));
    expect(bench.text).toContain('1 wire would become 1 combination with 2 pieces to make.');
  });

  it('numbers the wires of a list that names none', async () => {
    await open();
    await paste(`wire part,length,terminal a,terminal b,quantity\n${W},100,${T},-,2`);
    const label = [...bench.element.querySelectorAll<HTMLElement>('tm-list-columns tm-tick label')][0];
    label?.click();
    await bench.settle();
    expect(bench.text).toContain('1 wire would become 1 combination with 2 pieces to make.');
  });
});
