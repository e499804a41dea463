import type { CatalogueKind, CatalogueParts } from '@tug-mark/core';
import { bareRing, insulatedRing, tool } from '../../../../core/src/testing/shop';
import { ApiProblem } from '../http/problem';
import { Bench } from '../testing/bench';
import { CabinetFiles, type FileRead } from './cabinet-files';
import { PartDetail } from './part-detail';

type AnyPart = CatalogueParts[CatalogueKind];

describe('A part of the cabinet', () => {
  let bench: Bench<PartDetail>;
  afterEach(() => {
    bench.close();
  });
  const open = async (kind: CatalogueKind, part: AnyPart, others: readonly AnyPart[] = []) => {
    const older = { ...bareRing, temperature: 90 };
    const at = new Date().toISOString();
    const revisions = [
      { part: 'RB', revision: 2, at, by: 'Marek', body: bareRing },
      { part: 'RB', revision: 1, at, by: 'Ada', body: older },
    ];
    bench = await Bench.open(PartDetail, {
      inputs: { kind, part, others },
      api: { revisions: () => Promise.resolve(revisions) },
    });
  };
  const changed = () =>
    [...bench.element.querySelectorAll('tr.changed')].map((row) => row.textContent?.replace(/\s+/g, ' ').trim() ?? '');

  it('is put beside the revision before, and says what differs', async () => {
    await open('terminal', bareRing);
    expect(changed()).toEqual([]);
    await bench.choose('beside', 'its revision 1, by Ada');
    expect(changed().length).toBe(1);
    expect(changed()[0]).toMatch(new RegExp(`${bareRing.temperature} .*90`));
  });

  it('is put beside another part of its kind, never beside itself', async () => {
    await open('terminal', bareRing, [bareRing, insulatedRing]);
    const offered = await bench.offers('beside');
    expect(offered.some((text) => text.startsWith(insulatedRing.part))).toBeTrue();
    expect(offered.some((text) => text === `${bareRing.part} ${bareRing.label}`)).toBeFalse();
    await bench.choose('beside', insulatedRing.label);
    expect(changed().length).toBeGreaterThan(3);
  });

  it('says which results its sheet cannot give, and what still can be', async () => {
    await open('terminal', { ...bareRing, barrel: { ...bareRing.barrel, length: null } } as typeof bareRing);
    expect(bench.text).toMatch(/No .* on record: .* cannot be given; .* still can\./);
  });

  it('that is a tool with all its dies has nothing missing', async () => {
    await open('tool', tool);
    expect(bench.element.querySelectorAll('tm-notice').length).toBe(0);
  });
});

describe('Parts as files', () => {
  let bench: Bench<CabinetFiles>;
  let read: FileRead[];
  let calls: string[];
  let looked: string[];
  afterEach(() => {
    bench.close();
  });
  const open = async (refuses: ApiProblem | null = null) => {
    read = [];
    calls = [];
    looked = [];
    const answer = (name: string, result: object) => () => {
      calls.push(name);
      return refuses ? Promise.reject(refuses) : Promise.resolve(result);
    };
    bench = await Bench.open(CabinetFiles, {
      inputs: { kind: 'terminal', mayEdit: true },
      api: {
        importParts: answer('json', { parts: 3, changed: 1 }),
        importShopFile: answer('shop', { parts: 40, limits: 2 }),
        cabinet: () => Promise.reject(new Error('not asked here')),
      },
    });
    bench.fixture.componentInstance.read.subscribe((found) => read.push(found));
    bench.fixture.componentInstance.looked.subscribe(({ name }) => looked.push(name));
  };
  const give = async (nth: number, file: File) => {
    const field = bench.element.querySelectorAll<HTMLInputElement>('input[type=file]')[nth];
    const data = new DataTransfer();
    data.items.add(file);
    if (field) field.files = data.files;
    field?.dispatchEvent(new Event('change', { bubbles: true }));
    // Reading it takes its own time; who asks after is answered after.
    await file.arrayBuffer();
    await bench.settle();
    await bench.settle();
  };

  it('are looked at first as a table, read as JSON, by the name of the file, and counted', async () => {
    await open();
    await give(0, new File(['part,label'], 'rings.csv'));
    await give(0, new File(['[]'], 'rings.JSON'));
    await give(1, new File(['{}'], 'shop.json'));
    expect(looked).toEqual(['rings.csv']);
    expect(calls).toEqual(['json', 'shop']);
    expect(read.map(({ said }) => said)).toEqual([
      'rings.JSON: 3 terminals read, 1 of them new or changed.',
      'shop.json: 40 parts new or changed, 2 limit tables as drafts.',
    ]);
  });

  it('that are refused are told with their rows, and nothing is said to be read', async () => {
    const type = 'urn:tug-mark:problem:bad-table';
    await open(new ApiProblem({ type, status: 422, code: 'bad-table', title: 'Row 3', detail: 'No size.' }));
    await give(0, new File(['[]'], 'rings.json'));
    expect(read.map(({ said, problem }) => [said, problem?.title])).toEqual([['', 'Row 3']]);
  });

  it('go out to everybody, and come in from engineers alone', async () => {
    await open();
    const links = [...bench.element.querySelectorAll('a')].map((a) => a.getAttribute('href'));
    expect(links).toEqual(['/api/cabinet/terminal/parts.csv', '/api/cabinet/terminal/parts.json']);
    bench.fixture.componentRef.setInput('mayEdit', false);
    await bench.settle();
    expect(bench.element.querySelectorAll('input[type=file]').length).toBe(0);
    expect(bench.has('New terminal')).toBeFalse();
  });
});
