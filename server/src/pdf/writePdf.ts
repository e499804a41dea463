import { PAPER_INKS, type Page, type Placed, type Shape } from '@tug-mark/core';
import { inFonts, type Face } from './fonts';

const POINTS_PER_MM = 72 / 25.4;

/**
 * A PDF that takes pages one after the other and keeps none of them: any number of sheets needs the memory of one. It says
 * its language and title, and every page its parts in the order they are read. What writes it is read with the first one, so
 * that a start does not wait for it.
 */
export async function openPdf(title: string): Promise<PDFKit.PDFDocument> {
  const { default: PDFDocument } = await import('pdfkit');
  return new PDFDocument({
    ...{ autoFirstPage: false, margin: 0, pdfVersion: '1.7', tagged: true, displayTitle: true, lang: 'en' },
    info: { Title: title, Creator: 'Tug Mark' },
  });
}

/** Adds one page in true size. */
export function addPage(doc: PDFKit.PDFDocument, { width, height, items }: Page): void {
  doc.addPage({ size: [width * POINTS_PER_MM, height * POINTS_PER_MM], margin: 0 });
  const page = doc.struct('Sect');
  doc.addStructure(page);
  doc.save().scale(POINTS_PER_MM);
  for (const item of items) {
    doc.save().translate(item.x, item.y).scale(item.scale);
    for (const part of partsOf(item)) {
      const draws = () => {
        for (const shape of part) draw(doc, shape);
      };
      // Lines and areas without a word are for the eye alone.
      const words = part.flatMap((shape) => (shape.kind === 'text' ? [shape.text] : []));
      if (!words.length) {
        doc.markContent('Artifact', { type: 'Layout' });
        draws();
        doc.endMarkedContent();
      } else if (part.some((shape) => shape.kind === 'path'))
        page.add(doc.struct('Figure', { alt: words.join(', ') }, draws));
      else page.add(doc.struct('P', {}, draws));
    }
    doc.restore();
  }
  page.end();
  doc.restore();
}

/** What belongs together: a drawing with its dimensions, or else line by line. */
function partsOf({ shapes, scale }: Placed): Shape[][] {
  const isDrawing = scale !== 1 && shapes.some((shape) => shape.kind === 'path');
  if (isDrawing) return [[...shapes]];
  const parts: Shape[][] = [];
  for (const shape of shapes) {
    const last = parts.at(-1);
    if (shape.kind === 'path' && last?.[0]?.kind === 'path') last.push(shape);
    else parts.push([shape]);
  }
  return parts;
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
  const face: Face = `${shape.face}${shape.bold ? '-bold' : ''}`;
  doc.fontSize(shape.size).fillColor(PAPER_INKS[shape.ink]);
  const stretches = inFonts(face, shape.text).map((stretch) => {
    doc.font(stretch.file);
    return { ...stretch, long: doc.widthOfString(stretch.text) };
  });
  const long = stretches.reduce((sum, stretch) => sum + stretch.long, 0);
  let x = shape.x - (shape.anchor === 'middle' ? long / 2 : shape.anchor === 'start' ? 0 : long);
  for (const stretch of stretches) {
    doc.font(stretch.file).text(stretch.text, x, shape.y, { baseline: 'alphabetic', lineBreak: false });
    x += stretch.long;
  }
}
