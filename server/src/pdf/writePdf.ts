import { PAPER_INKS, type Page, type Placed, type Shape } from '@tug-mark/core';
import { inDrawnOrder, turns } from './direction';
import { madeFont } from './eastAsia';
import { inFonts, makeReady, type Face } from './fonts';

type Text = Extract<Shape, { kind: 'text' }>;

const POINTS_PER_MM = 72 / 25.4;

/**
 * A PDF that takes pages one after the other and keeps none of them: of each only where its parts are is kept to the end, a
 * few hundred bytes a page. It says its language and title, and of every page its parts in the order they are read. What
 * writes it is read with the first one, so that a start does not wait for it.
 */
export async function openPdf(title: string): Promise<PDFKit.PDFDocument> {
  const { default: PDFDocument } = await import('pdfkit');
  return new PDFDocument({
    ...{ autoFirstPage: false, margin: 0, pdfVersion: '1.7', tagged: true, displayTitle: true, lang: 'en' },
    info: { Title: title, Creator: 'Tug Mark' },
  });
}

/** Writes a mark between the pages that nothing refers to: readers of the file pass over it, readers of its bytes count it. */
export function addMark(doc: PDFKit.PDFDocument, type: string): void {
  doc.ref({ Type: type }).end('');
}

const faceOf = ({ face, bold }: Text): Face => `${face}${bold ? '-bold' : ''}`;

/** Adds one page in true size, with the fonts its texts need. */
export async function addPage(doc: PDFKit.PDFDocument, { width, height, items }: Page): Promise<void> {
  const texts = items.flatMap(({ shapes }) => shapes.filter((shape) => shape.kind === 'text'));
  await makeReady(texts.map((shape) => ({ face: faceOf(shape), text: shape.text })));
  doc.addPage({ size: [width * POINTS_PER_MM, height * POINTS_PER_MM], margin: 0 });
  const page = doc.struct('Sect');
  doc.addStructure(page);
  doc.save().scale(POINTS_PER_MM);
  for (const item of items) {
    doc.save().translate(item.x, item.y).scale(item.scale);
    addItem(doc, page, item);
    doc.restore();
  }
  page.end();
  doc.restore();
}

/** What was placed together is read together: a drawing as a figure by its words, else the words as one paragraph. */
function addItem(doc: PDFKit.PDFDocument, page: PDFKit.PDFStructureElement, { scale, shapes }: Placed): void {
  const paths = shapes.filter((shape) => shape.kind === 'path');
  const words = shapes.filter((shape) => shape.kind === 'text');
  for (const image of shapes.filter((shape) => shape.kind === 'image')) {
    page.add(doc.struct('Figure', { alt: image.alt }, () => drawAll(doc, [image])));
  }
  if (scale !== 1 && paths.length && words.length) {
    const alt = words.map(({ text }) => text).join(', ');
    page.add(doc.struct('Figure', { alt }, () => drawAll(doc, shapes)));
    return;
  }
  // Lines and areas without a word of their own are for the eye alone.
  if (paths.length) {
    doc.markContent('Artifact', { type: 'Layout' });
    drawAll(doc, paths);
    doc.endMarkedContent();
  }
  if (words.length) page.add(doc.struct('P', {}, () => drawAll(doc, words)));
}

function drawAll(doc: PDFKit.PDFDocument, shapes: readonly Shape[]): void {
  for (const shape of shapes) draw(doc, shape);
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
  if (shape.kind === 'image') {
    const { x, y, width, height, png } = shape;
    doc.image(Buffer.from(png, 'base64'), x, y, { width, height });
    return;
  }
  doc.fontSize(shape.size).fillColor(PAPER_INKS[shape.ink]);
  const stretches = inDrawnOrder(shape.text).flatMap(({ text, isFromRight }) => {
    const found = inFonts(faceOf(shape), text);
    if (!isFromRight) return found;
    // The last stretch stands first. A font turns the letters of such scripts; what stands between them is turned here.
    return found
      .reverse()
      .map((each) => (turns(each.text) ? each : { ...each, text: [...each.text].reverse().join('') }));
  });
  const use = (file: string) => {
    const made = madeFont(file);
    if (made) doc.registerFont(file, made);
    return doc.font(file);
  };
  const long = (text: string, file: string) => use(file).widthOfString(text);
  const all = shape.anchor === 'start' ? 0 : stretches.reduce((sum, { file, text }) => sum + long(text, file), 0);
  let x = shape.x - (shape.anchor === 'middle' ? all / 2 : all);
  stretches.forEach(({ file, text }, i) => {
    use(file).text(text, x, shape.y, { baseline: 'alphabetic', lineBreak: false });
    if (i + 1 < stretches.length) x += long(text, file);
  });
}
