import { addPage, openPdf } from '../src/pdf/writePdf';
import { inDrawnOrder } from '../src/pdf/direction';
import { inFonts, makeReady } from '../src/pdf/fonts';
import type { Page, Shape } from '@tug-mark/core';
import { inflateSync } from 'node:zlib';

const words = (said: string): Shape => ({
  kind: 'text',
  ...{ x: 10, y: 10, text: said, size: 4, face: 'text', bold: false, anchor: 'start', ink: 'ink' },
});
const line: Shape = { kind: 'path', d: 'M0 0H10', fill: null, stroke: 'ink', width: 0.2, dashed: false, part: null };

async function written(page: Page): Promise<string> {
  const doc = await openPdf('Set-up FL-RB-0406');
  const chunks: Buffer[] = [];
  doc.on('data', (chunk: Buffer) => chunks.push(chunk));
  const ended = new Promise((resolve) => doc.on('end', resolve));
  await addPage(doc, page);
  doc.end();
  await ended;
  const bytes = Buffer.concat(chunks);
  // Streams are packed; what is in them is read beside what is not.
  const text = bytes.toString('latin1');
  const streams = [...text.matchAll(/stream\r?\n([\s\S]*?)\r?\nendstream/g)].map((found) => {
    try {
      return inflateSync(Buffer.from(found[1] ?? '', 'latin1')).toString('latin1');
    } catch {
      return '';
    }
  });
  return `${text}\n${streams.join('\n')}`;
}

describe('Paper', () => {
  it('has a sign for every letter a name needs, each from the first font that has it', () => {
    const files = (said: string) =>
      inFonts('text', said).map(({ file, text }) => [/files\/(.*)-400/.exec(file)?.[1], text]);
    expect(files('Łódź Żagań')).toEqual([
      ['atkinson-hyperlegible-next-latin-ext', 'Ł'],
      ['atkinson-hyperlegible-next-latin', 'ód'],
      ['atkinson-hyperlegible-next-latin-ext', 'ź'],
      ['atkinson-hyperlegible-next-latin', ' '],
      ['atkinson-hyperlegible-next-latin-ext', 'Ż'],
      ['atkinson-hyperlegible-next-latin', 'aga'],
      ['atkinson-hyperlegible-next-latin-ext', 'ń'],
    ]);
    expect(files('Жук')).toEqual([['noto-sans-cyrillic', 'Жук']]);
    expect(files('Ωμέγα').map(([file]) => file)).toEqual(['noto-sans-greek']);
    expect(files('≥ 85').at(0)).toEqual(['noto-sans-math-latin', '≥']);
  });

  it('writes the signs of East Asia with fonts made for them, Han signs as the letters beside them say', async () => {
    const families = async (said: string) => {
      await makeReady([{ face: 'text-bold', text: said }]);
      const stretches = inFonts('text-bold', said);
      expect(stretches.map(({ text }) => text).join('')).toBe(said);
      return [...new Set(stretches.map(({ file }) => /noto-sans-(sc|jp|kr)-\d+-wght.*#600/.exec(file)?.[1] ?? 'own'))];
    };
    expect(await families('电线端子')).toEqual(['sc']);
    expect(await families('電線ハーネス 6,3')).toEqual(['jp', 'own']);
    expect(await families('전선 단자')).toEqual(['kr', 'own']);
    const pdf = await written({
      ...{ width: 210, height: 297 },
      items: [{ x: 0, y: 0, scale: 1, shapes: [words('電線ハーネス 6,3')] }],
    });
    const embedded = new Set(pdf.match(/\/BaseFont \/[A-Z]{6}\+[\w-]+/g));
    expect(embedded.size)
      .withContext([...embedded].join())
      .toBe([...pdf.matchAll(/\/FontFile\d? /g)].length);
    // What is read or searched in the file is the letters themselves.
    for (const code of ['96FB', '7DDA', '30CF']) expect(pdf.toUpperCase()).toContain(`<${code}>`);
  });

  it('lays words that run from the right as they are read, numbers and Latin letters in them as they are', () => {
    const drawn = (said: string) =>
      inDrawnOrder(said).map(({ text, isFromRight }) => (isFromRight ? `<${text}` : text));
    expect(drawn('Wire 4')).toEqual(['Wire 4']);
    // A number after such words belongs to them: it stands at their left.
    expect(drawn('Wire חוט אדום, 4 mm')).toEqual(['Wire ', '4', '<חוט אדום, ', ' mm']);
    // Read from the right: the word, the size in brackets that open to the left, the other word.
    expect(drawn('חוט (6,3) אדום')).toEqual(['<( אדום', '6,3', '<חוט )']);
    expect(
      inFonts('text', 'سلك')
        .map(({ file }) => /noto-sans-arabic/.exec(file)?.[0])
        .at(0),
    ).toBe('noto-sans-arabic');
    expect(inFonts('text', 'สาย').map(({ text }) => text)).toEqual(['สาย']);
  });

  it('writes what no font here has as a question mark, and never an empty box', () => {
    expect(
      inFonts('figures', 'A𓀀B')
        .map(({ text }) => text)
        .join(''),
    ).toBe('A?B');
    for (const { text } of inFonts('text-bold', 'plain')) expect(text).toBe('plain');
  });

  it('says its language and title, and tells what is read from what is only drawn', async () => {
    const page: Page = {
      ...{ width: 210, height: 297 },
      items: [
        { x: 0, y: 0, scale: 1, shapes: [words('Strip ≥ 7.6 mm'), line] },
        { x: 0, y: 50, scale: 0.5, shapes: [line, words('gap 0.6')] },
      ],
    };
    const pdf = await written(page);
    expect(pdf).toContain('/Lang (en)');
    expect(pdf).toContain('/DisplayDocTitle true');
    expect(pdf).toContain('/MarkInfo');
    for (const role of ['/Sect', '/P', '/Figure']) expect(pdf).withContext(role).toContain(`/S ${role}`);
    expect(pdf).toContain('/Alt (gap 0.6)');
    expect(pdf).withContext('a line of its own is for the eye alone').toContain('/Artifact');
    // Every font that is used is in the file.
    expect([...pdf.matchAll(/\/FontFile\d? /g)].length).toBe(
      [...new Set(pdf.match(/\/BaseFont \/[A-Z]{6}\+[\w-]+/g))].length,
    );
  });
});
