/// <reference lib="webworker" />
import { mendSection, readSection, sectionFigures, type SectionReading } from '@tug-mark/core';
import type { SectionAnswer, SectionRequest } from './section.messages';

/* Reads micrographs away from the page; keeps the last one so that mending its mask is quick. */
let reading: SectionReading | null = null;

addEventListener('message', ({ data }: MessageEvent<SectionRequest>) => {
  const { number, about } = data;
  if (data.kind === 'read') {
    const result = readSection(data.picture);
    reading = result.ok ? result.reading : null;
    if (!result.ok) {
      const declined: SectionAnswer = { number, reasons: result.reasons, found: null };
      postMessage(declined);
      return;
    }
  }
  if (!reading) return;
  const mended = data.kind === 'mend' ? mendSection(reading, data.strokes) : reading;
  const labels = mended.labels.slice();
  const { columns, rows, cell } = mended;
  const figures = sectionFigures(mended, about.pxPerMm, about.wireArea);
  const answer: SectionAnswer = { number, reasons: [], found: { figures, columns, rows, cell, labels } };
  postMessage(answer, { transfer: [labels.buffer] });
});
