import { PAPER_INKS, type Page, type Shape } from '@tug-mark/core';
import { createRequire } from 'node:module';

const { resolve } = createRequire(import.meta.url);
const FONTS = {
  text: resolve('@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff'),
  'text-bold': resolve('@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-600-normal.woff'),
  figures: resolve('@fontsource/saira-semi-condensed/files/saira-semi-condensed-latin-400-normal.woff'),
  'figures-bold': resolve('@fontsource/saira-semi-condensed/files/saira-semi-condensed-latin-600-normal.woff'),
} as const;

const POINTS_PER_MM = 72 / 25.4;

/** The shop's own fonts lack a few signs; what stands for them on paper. */
const STAND_INS: readonly (readonly [RegExp, string])[] = [
  [/≥/g, 'at least '],
  [/≈/g, 'about '],
  [/[↑↓←→]/g, ''],
];

/**
 * A PDF that takes pages one after the other and keeps none of them: any number of sheets needs the memory of one. What
 * writes it is read with the first one, so that a start does not wait for it.
 */
export async function openPdf(title: string): Promise<PDFKit.PDFDocument> {
  const { default: PDFDocument } = await import('pdfkit');
  const doc = new PDFDocument({ autoFirstPage: false, margin: 0, info: { Title: title, Creator: 'Tug Mark' } });
  for (const [name, file] of Object.entries(FONTS)) doc.registerFont(name, file);
  return doc;
}

/** Adds one page in true size. */
export function addPage(doc: PDFKit.PDFDocument, { width, height, items }: Page): void {
  doc.addPage({ size: [width * POINTS_PER_MM, height * POINTS_PER_MM], margin: 0 });
  doc.save().scale(POINTS_PER_MM);
  for (const { x, y, scale, shapes } of items) {
    doc.save().translate(x, y).scale(scale);
    for (const shape of shapes) draw(doc, shape);
    doc.restore();
  }
  doc.restore();
}

function draw(doc: PDFKit.PDFDocument, shape: Shape): void {
  if (shape.kind === 'path') {
    const { d, fill, stroke, width, dashed } = shape;
    doc.path(d).lineWidth(width);
    if (dashed) doc.dash(5, { space: 3 });
    else doc.undash();
    if (fill && stroke) doc.fillAndStroke(PAPER_INKS[fill], PAPER_INKS[stroke]);
    else if (fill) doc.fill(PAPER_INKS[fill]);
    else if (stroke) doc.stroke(PAPER_INKS[stroke]);
    return;
  }
  const words = STAND_INS.reduce((text, [sign, instead]) => text.replace(sign, instead), shape.text);
  doc
    .font(`${shape.face}${shape.bold ? '-bold' : ''}`)
    .fontSize(shape.size)
    .fillColor(PAPER_INKS[shape.ink]);
  const long = shape.anchor === 'start' ? 0 : doc.widthOfString(words);
  const x = shape.x - (shape.anchor === 'middle' ? long / 2 : long);
  doc.text(words, x, shape.y, { baseline: 'alphabetic', lineBreak: false });
}
