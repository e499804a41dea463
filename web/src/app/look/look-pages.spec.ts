import type { LookRecord } from '@tug-mark/contract';
import { makeMicrograph, PLAIN_SHEET, SOUND_MICROGRAPH, startingRows, type LookSheet } from '@tug-mark/core';
import { Bench, kept, TOOL_TAKEN, viewOf } from '../testing/bench';
import { LooksPage } from './looks-page';
import { PhotoPage } from './photo-page';
import { SectionPage } from './section-page';

const PHOTO = '01890000-0000-7000-8000-000000000001';
const shown = (shows: 'section' | 'from the side') =>
  kept({ kind: 'photo', piece: 1, photo: { id: PHOTO, digest: '0'.repeat(64) }, shows, note: '' });

describe('Measuring on a photograph', () => {
  let bench: Bench<PhotoPage>;
  afterEach(() => {
    bench.close();
  });

  it('is done by keys alone: scale, then a length, judged against the point it answers', async () => {
    const sheet: LookSheet = { ...PLAIN_SHEET, document: 'LK', revision: 'A', class: '2', rows: startingRows() };
    const look = { document: 'LK', revision: 'A', class: '2' };
    const tool = kept({ kind: 'tool', tool: 'HT', die: 'A', nest: '1', look });
    bench = await Bench.open(PhotoPage, {
      view: viewOf({ looks: [sheet], entries: [tool, shown('from the side')] }),
      inputs: { id: 'c1', photoId: PHOTO },
    });
    const draw = async (steps: number) => {
      await bench.key(' ');
      for (let i = 0; i < steps; i++) await bench.key('ArrowRight');
      await bench.key(' ');
    };
    expect(bench.headline).toBe('Set the scale by a length you know.');
    await draw(10);
    await bench.type('known', '1');
    await bench.submit('aside form');
    expect(bench.text).toContain('10.0 pixels are 1 mm.');
    await bench.key('l');
    await draw(15);
    expect(bench.text).toContain('1.500 mm');
    await bench.choose('answers-0', 'past the barrel');
    expect(bench.text).toContain('In range');
    await bench.submit('aside form:last-of-type');
    expect(bench.put.map((e) => e.body.kind)).toEqual(['marks', 'measure']);
    expect(bench.put[1]?.body).toEqual(jasmine.objectContaining({ what: 'brush', value: 1.5, from: 'photo' }));
  });
});

describe('The section of a cut crimp', () => {
  it('is read in the background, mended by hand and kept with its numbers', async () => {
    const { picture, truth } = makeMicrograph({ ...SOUND_MICROGRAPH, width: 640, height: 480, pxPerMm: 250 });
    const canvas = document.createElement('canvas');
    canvas.width = picture.width;
    canvas.height = picture.height;
    const pixels = new ImageData(new Uint8ClampedArray(picture.data), picture.width, picture.height);
    canvas.getContext('2d')?.putImageData(pixels, 0, 0);
    const scale = { from: { x: 0, y: 0 }, to: { x: 500, y: 0 }, length: 2 };
    const scaled = kept({ kind: 'marks', piece: 1, photo: PHOTO, marks: { scale, marks: [] }, note: '' });
    const bench = await Bench.open(SectionPage, {
      view: viewOf({ entries: [TOOL_TAKEN(), shown('section'), scaled] }),
      inputs: { id: 'c1', photoId: PHOTO },
    });
    const image = bench.element.querySelector('img');
    if (!image) throw new Error('no picture');
    image.src = canvas.toDataURL();
    for (let i = 0; i < 200 && !bench.has('Keep the section'); i++) await new Promise((r) => setTimeout(r, 50));
    await bench.settle();
    expect(bench.headline).toContain('% voids');
    // Nothing was measured before the cut: that it may be aslant is said.
    expect(bench.element.textContent).toContain('Not known to be square');
    await bench.key('3');
    await bench.key(' ');
    for (let i = 0; i < 40; i++) await bench.settle();
    await bench.press('Keep the section');
    const body = bench.put[0]?.body;
    if (body?.kind !== 'section') throw new Error('no section kept');
    expect(Math.abs(body.figures.metal / truth.metal - 1)).toBeLessThan(0.03);
    expect(body.mended.map((s) => s.label)).toEqual(['void']);
    bench.close();
    // Drawn, decoded and read twice: on a busy machine it takes its time.
  }, 30_000);
});

describe('A section drawn by hand', () => {
  it('shows again what was drawn where the picture is not read by itself', async () => {
    const scale = { from: { x: 0, y: 0 }, to: { x: 500, y: 0 }, length: 2 };
    const drawn = [
      { label: 'barrel' as const, radius: 100, points: [{ x: 320, y: 240 }] },
      { label: 'strand' as const, radius: 60, points: [{ x: 320, y: 240 }] },
    ];
    const figures = { metal: 0.18, voids: 0, compression: 0.24, height: 0.8, width: 0.8, left: 0.5, strands: 1 };
    const body = { kind: 'section', piece: 1, photo: PHOTO, pxPerMm: 250, figures, mended: drawn, note: '' } as const;
    const marks = kept({ kind: 'marks', piece: 1, photo: PHOTO, marks: { scale, marks: [] }, note: '' });
    const bench = await Bench.open(SectionPage, {
      view: viewOf({ entries: [TOOL_TAKEN(), shown('section'), marks, kept(body)] }),
      inputs: { id: 'c1', photoId: PHOTO },
    });
    const canvas = document.createElement('canvas');
    canvas.width = 640;
    canvas.height = 480;
    canvas.getContext('2d')?.fillRect(0, 0, 640, 480);
    const image = bench.element.querySelector('img');
    if (!image) throw new Error('no picture');
    image.src = canvas.toDataURL();
    for (let i = 0; i < 200 && !bench.has('Keep the section'); i++) await new Promise((r) => setTimeout(r, 50));
    await bench.settle();
    // A disc of radius 60 at 250 pixels to a millimetre: 0.18 mm2 of metal
    expect(bench.text).toContain('0.18');
    expect(bench.text).not.toContain('It is not read');
    bench.close();
  });
});

describe('Sheets of what to look at', () => {
  const sheet: LookSheet = { ...PLAIN_SHEET, document: 'LK', revision: 'B', class: '2', rows: startingRows() };
  const record = (changes: Partial<LookSheet>): LookRecord => ({
    sheet: { ...sheet, rows: [...sheet.rows].map((r) => ({ ...r })), ...changes } as LookRecord['sheet'],
    draftedBy: 'Marek',
    releasedBy: null,
    releasedAt: null,
    withdrawnBy: null,
    withdrawnAt: null,
    problems: [],
  });

  it('show what differs between two revisions, and are drafted from one that stands', async () => {
    const kept: LookSheet[] = [];
    const rows = startingRows().map((r) => (r.point === 'voids' ? { ...r, max: 5 } : r));
    const bench = await Bench.open(LooksPage, {
      role: 'quality',
      api: {
        looks: () => Promise.resolve([record({}), record({ revision: 'C', status: 'draft', rows })]),
        keepLookDraft: (draft: LookSheet) => {
          kept.push(draft);
          return Promise.resolve([record({})]);
        },
      },
    });
    await bench.settle();
    await bench.choose('compare-with', 'rev ');
    expect(bench.text).toContain('1 row differs');
    await bench.press('Draft a new revision from it');
    await bench.type('draft-revision', 'D');
    await bench.type('draft-class', ' ');
    await bench.submit('form');
    expect(bench.text).toContain('Grade of work: is empty');
    expect(kept).toEqual([]);
    await bench.type('draft-class', '2');
    await bench.submit('form');
    expect([kept[0]?.revision, kept[0]?.rows.length]).toEqual(['D', sheet.rows.length]);
    bench.close();
  });
});
