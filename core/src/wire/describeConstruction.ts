import { construction, type Construction } from './construction';
import { envelopeDiameter } from './envelopeDiameter';
import { nominalArea } from './nominalArea';
import { otherScale } from './otherScale';
import { sizeLabel } from './sizeLabel';
import { strandingClass } from './strandingClass';
import type { Conductor, ConductorSize } from './Wire';

/** More than constructions of one size differ by, percent: the count, the diameter or the size was read wrong. */
const DOUBTFUL = 15;

/** What is known of a conductor while it is typed in. */
export interface ConductorSoFar extends Partial<Omit<Construction, 'area'>> {
  readonly size: ConductorSize | null;
  readonly lay: Conductor['lay'];
}

/**
 * What follows from the printed size, the strands and their diameter, as far as they are known: the metal, or what two of them
 * leave for the third; the width over the strands; and a doubt where they do not agree.
 * @returns sentences; none where nothing follows
 */
export function describeConstruction({ size, lay, strands, strandDiameter }: ConductorSoFar): string[] {
  const nominal = size && nominalArea(size);
  const printed = size ? `printed ${sizeLabel(size)}, ${otherScale(size).text}` : '';
  const made = construction({
    ...(nominal !== null && { area: nominal }),
    ...(strands !== undefined && { strands }),
    ...(strandDiameter !== undefined && { strandDiameter }),
  });
  if (!made) return printed ? [printed] : [];
  if (strandDiameter === undefined) {
    return [printed, `${made.strands} strands of it: about ${made.strandDiameter.toFixed(3)} mm each.`];
  }
  if (strands === undefined) return [printed, `of ${strandDiameter} mm: about ${made.strands} strands.`];
  const kind = strandingClass({ kind: strands === 1 ? 'solid' : 'stranded', strands, strandDiameter });
  const off = nominal === null ? 0 : (made.area / nominal - 1) * 100;
  return [
    `${made.area.toFixed(3)} mm² of metal${printed ? `; ${printed}` : ''}.`,
    `${envelopeDiameter({ strands, strandDiameter, lay }).toFixed(2)} mm over the strands; class ${kind}.`,
    ...(Math.abs(off) > DOUBTFUL
      ? [
          `That is ${Math.abs(off).toFixed(0)} % ${off < 0 ? 'less' : 'more'} metal than the printed size: is the count, the diameter or the size another one?`,
        ]
      : []),
  ];
}
