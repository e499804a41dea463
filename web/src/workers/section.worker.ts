/// <reference lib="webworker" />
import {
  blankSection,
  mendSection,
  readSection,
  sectionFigures,
  type Picture,
  type SectionReading,
} from '@tug-mark/core';
import type { SectionAnswer, SectionRequest } from './section.messages';

/* Decodes and reads micrographs away from the page; keeps the last one so that mending its mask is quick. */
let reading: SectionReading | null = null;
/** One after the other: what is drawn waits for the picture it is drawn over. */
let last: Promise<void> = Promise.resolve();

async function decode(file: Blob): Promise<Picture> {
  const bitmap = await createImageBitmap(file);
  const canvas = new OffscreenCanvas(bitmap.width, bitmap.height);
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (!context) throw new Error('no canvas');
  context.drawImage(bitmap, 0, 0);
  return context.getImageData(0, 0, bitmap.width, bitmap.height);
}

async function answer(request: SectionRequest): Promise<void> {
  const { number, about } = request;
  if (request.kind !== 'mend') {
    const picture = await decode(request.picture);
    const result = request.kind === 'blank' ? null : readSection(picture);
    reading = result === null ? blankSection(picture) : result.ok ? result.reading : null;
    if (result && !result.ok) {
      const declined: SectionAnswer = { number, reasons: result.reasons, found: null };
      postMessage(declined);
      return;
    }
  }
  if (!reading) return;
  const shown = request.kind === 'mend' ? mendSection(reading, request.strokes) : reading;
  const labels = shown.labels.slice();
  const { columns, rows } = shown;
  const figures = sectionFigures(shown, about.pxPerMm, about.wireArea);
  const found: SectionAnswer = { number, reasons: [], found: { figures, columns, rows, labels } };
  postMessage(found, { transfer: [labels.buffer] });
}

addEventListener('message', ({ data }: MessageEvent<SectionRequest>) => {
  last = last.then(() => answer(data));
});
