/// <reference lib="webworker" />
import {
  blankSection,
  mendSection,
  readSection,
  sectionFigures,
  type Picture,
  type SectionReading,
  type SectionStroke,
} from '@tug-mark/core';
import { expose, transfer } from 'comlink';
import type { SectionAbout, SectionAnswer } from './section.messages';

/* Decodes and reads micrographs away from the page; keeps the last one so that mending its mask is quick. */
let reading: SectionReading | null = null;
let last: Promise<unknown> = Promise.resolve();

async function decode(file: Blob): Promise<Picture> {
  const bitmap = await createImageBitmap(file);
  const canvas = new OffscreenCanvas(bitmap.width, bitmap.height);
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (!context) throw new Error('no canvas');
  context.drawImage(bitmap, 0, 0);
  return context.getImageData(0, 0, bitmap.width, bitmap.height);
}

function told(shown: SectionReading, { pxPerMm, wireArea, measured }: SectionAbout): SectionAnswer {
  const labels = shown.labels.slice();
  const { columns, rows } = shown;
  const figures = sectionFigures(shown, pxPerMm, wireArea, measured);
  return transfer({ reasons: [], found: { figures, columns, rows, labels } }, [labels.buffer]);
}

/** What is asked waits for what was asked before it: a stroke is drawn over the picture that was sent first. */
function inTurn<T>(work: () => Promise<T> | T): Promise<T> {
  const next = last.then(work);
  last = next.then(
    () => undefined,
    () => undefined,
  );
  return next;
}

const work = {
  /** Reads a picture by itself, or takes it up to be drawn into by hand. */
  read: (picture: Blob, how: 'read' | 'blank', about: SectionAbout): Promise<SectionAnswer> =>
    inTurn(async () => {
      const decoded = await decode(picture);
      const result = how === 'blank' ? null : readSection(decoded);
      if (result && !result.ok) {
        reading = null;
        return { reasons: result.reasons, found: null };
      }
      reading = result ? result.reading : blankSection(decoded);
      return told(reading, about);
    }),
  /** Figures of the picture taken last with what was drawn over it; null before there is one. */
  mend: (strokes: readonly SectionStroke[], about: SectionAbout): Promise<SectionAnswer | null> =>
    inTurn(() => reading && told(mendSection(reading, strokes), about)),
};
export type SectionWork = typeof work;
expose(work);
