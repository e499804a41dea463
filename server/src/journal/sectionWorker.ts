import {
  blankSection,
  mendSection,
  readSection,
  sectionFigures,
  type MeasuredPiece,
  type SectionFigures,
  type SectionStroke,
} from '@tug-mark/core';
import sharp from 'sharp';

export interface SectionTask {
  readonly photo: Uint8Array;
  readonly pxPerMm: number;
  /** Metal of the wires before the crimp, mm2. */
  readonly wireArea: number;
  readonly measured: MeasuredPiece;
  readonly mended: readonly SectionStroke[];
  readonly byHand: boolean;
}

export type SectionTaskResult =
  { readonly ok: true; readonly figures: SectionFigures } | { readonly ok: false; readonly text: string };

/** Reads a section from its photograph and what was drawn over its mask, in a thread of its own. */
export default async function readSectionTask(task: SectionTask): Promise<SectionTaskResult> {
  const { data, info } = await sharp(task.photo).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
  const picture = {
    width: info.width,
    height: info.height,
    data: new Uint8ClampedArray(data.buffer, data.byteOffset, data.byteLength),
  };
  const result = task.byHand ? null : readSection(picture);
  if (result && !result.ok) {
    return { ok: false, text: result.reasons.map((reason) => reason.text).join(' ') };
  }
  const reading = mendSection(result?.ok ? result.reading : blankSection(picture), task.mended);
  return { ok: true, figures: sectionFigures(reading, task.pxPerMm, task.wireArea, task.measured) };
}
