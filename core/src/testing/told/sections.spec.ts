import { makeMicrograph, readSection, sectionFigures, SOUND_MICROGRAPH, type Picture } from '../../look';
import { makeCut } from '../cuts';
import { tellReason, whole } from './tell';
import { holdTold, type Told } from './hold';
import approved from './sections.json';

/** As small as they are read, so that every line of the reading is tried by quick ones. */
const SIZE = 0.32;
const small = { ...SOUND_MICROGRAPH, width: 260, height: 210, pxPerMm: 125 };

/** What is read of a cut: how much of each kind there is, figures to the last digit told, reasons. */
function tellSection(
  picture: Picture,
  pxPerMm: number,
  wireArea: number,
  measured?: { height: number; width: number },
): string[] {
  const result = readSection(picture);
  if (!result.ok) return result.reasons.map((each) => tellReason('declined', each));
  const { labels, columns, rows, cell, line, borders, isScratched } = result.reading;
  const counts = [0, 0, 0, 0];
  for (const label of labels) counts[label] = (counts[label] ?? 0) + 1;
  return [
    `mask | ${columns} x ${rows} of ${cell}: ${counts.join(', ')}; lines ${borders.reduce((n, depth) => n + (depth > 0 ? 1 : 0), 0)} from ${line.toFixed(4)}${isScratched ? ', scratched' : ''}`,
    `figures | ${whole(sectionFigures(result.reading, pxPerMm, wireArea, measured))}`,
    ...result.reasons.map((each) => tellReason('read', each)),
  ];
}

const ofCut =
  (kind: string, seed: number, isMeasured = false) =>
  () => {
    const { picture, pxPerMm, wireArea, truth } = makeCut(kind, seed, SIZE);
    return tellSection(picture, pxPerMm, wireArea, isMeasured ? truth : undefined);
  };
const ofMicrograph = (model: Partial<typeof SOUND_MICROGRAPH>) => () =>
  tellSection(makeMicrograph({ ...small, ...model }).picture, small.pxPerMm, 0.754);

/** Cuts of both generators, each as it is read. */
const told: Told = new Map<string, () => string[]>([
  ['white resin', ofCut('white resin', 3)],
  ['not square', ofCut('not square', 6, true)],
  ['scratched', ofCut('scratched', 1)],
  ['the demo shop’s own, rolled', ofMicrograph({ profile: 'rolled' })],
  ['the demo shop’s own, hexagonal, with many voids', ofMicrograph({ profile: 'hex', voids: 0.12 })],
]);

holdTold({ in: 'sections', of: 'a cut piece', inSentences: true }, told, approved);
