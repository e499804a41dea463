import { awgDiameter } from './awgDiameter';
import { metalArea } from './metalArea';
import { nominalArea } from './nominalArea';
import { readSize } from './readSize';
import { sizeLabel } from './sizeLabel';
import { MADE_WITHIN, sizesWithin } from './sizesWithin';
import type { WireGuess } from './whatWire';
import type { ConductorSize, Wire } from './Wire';

/** One thing printed on a jacket that tells of the conductor. */
export interface JacketReading {
  /** The words it was read from. */
  readonly words: string;
  readonly size: ConductorSize | null;
  /** Cores of the cable, where they are printed. */
  readonly cores: number | null;
  readonly strands: number | null;
  /** mm */
  readonly strandDiameter: number | null;
  /** Metal of one core, and the least and most it can be, mm2. */
  readonly area: number;
  readonly least: number;
  readonly most: number;
  readonly text: string;
}

export interface JacketRead {
  readonly readings: readonly JacketReading[];
  /** Whether all of them can be of one wire. */
  readonly agree: boolean;
  readonly text: string;
}

const NUMBER = String.raw`\d+(?:[.,]\d+)?`;
const AREA_UNIT = String.raw`(?:mm2|mm²|sqmm|sq\.? ?mm|qmm)`;
/** In the order they are looked for; what one took the next does not see. */
const PATTERNS: readonly { readonly find: RegExp; readonly read: (found: RegExpMatchArray) => JacketReading | null }[] =
  [
    // 18 AWG 16/30: that many strands of that AWG
    {
      find: new RegExp(
        String.raw`(?:AWG\s*(\d{1,2}(?:/0)?)|(\d{1,2}(?:/0)?)\s*AWG)\s*\(?(\d{1,4})\s*[/xX×]\s*(\d{2})(?:\s*AWG)?\)?(?![\d.,])`,
        'i',
      ),
      read: ([words, one, other, strands, gauge]) =>
        built(words, readSize(`AWG ${one ?? other ?? ''}`), null, Number(strands), awgDiameter(Number(gauge))),
    },
    // 24/0.20 or 24 x 0.20 mm: that many strands of that diameter
    {
      find: new RegExp(
        String.raw`(?<![\d.,])(\d{1,4})\s*[/xX×]\s*(0[.,]\d+)(?:\s*mm)?(?!\s*${AREA_UNIT})(?![\d.,]*\s*${AREA_UNIT})`,
        'i',
      ),
      read: ([words, strands, diameter]) => built(words, null, null, Number(strands), decimal(diameter)),
    },
    // 3G1.5, 2 x 0.75 mm2: cores and their size
    {
      find: new RegExp(String.raw`(?<![\d.,])(\d{1,2})\s*(?:[xX×]|[gG](?=\d))\s*(${NUMBER})\s*(?:${AREA_UNIT})?`, 'i'),
      read: ([words, cores, area]) => built(words, readSize(`${decimal(area)} mm2`), Number(cores), null, null),
    },
    {
      find: new RegExp(String.raw`(?<![\d.,])(${NUMBER})\s*${AREA_UNIT}`, 'i'),
      read: ([words, area]) => built(words, readSize(`${decimal(area)} mm2`), null, null, null),
    },
    {
      find: /(?:AWG\s*(\d{1,2}(?:\/0)?|0{2,4})|(?<![\d/.,])(\d{1,2}(?:\/0)?|0{2,4})\s*AWG)/i,
      read: ([words, one, other]) => built(words, readSize(`AWG ${one ?? other ?? ''}`), null, null, null),
    },
  ];

const decimal = (text = '') => Number(text.replace(',', '.'));

/**
 * The words printed on a jacket: sizes on either scale, cores before a size (3G1.5), strands with their diameter (24/0.20) or with
 * their gauge (AWG 18 16/30). A printed size is rounded: its metal may be 12 % off. Two readings that cannot be of one wire
 * contradict each other, and that is said; a bare number without a unit says nothing here.
 * @example 'AWG 18 16/30': 16 strands of 0.2546 mm, 0.815 mm2, and AWG 18, 0.823 mm2: they agree
 */
export function readJacket(text: string): JacketRead {
  const readings: JacketReading[] = [];
  let rest = text;
  for (const { find, read } of PATTERNS) {
    for (let found = find.exec(rest); found; found = find.exec(rest)) {
      const one = read(found as unknown as RegExpMatchArray);
      if (one) readings.push(one);
      rest = `${rest.slice(0, found.index)} \u0001 ${rest.slice(found.index + found[0].length)}`;
    }
  }
  const agree = readings.every((one) => readings.every((other) => one.least <= other.most && other.least <= one.most));
  return {
    readings,
    agree,
    text: !readings.length
      ? 'Nothing printed here tells a size: a size has its unit beside it, mm² or AWG.'
      : agree
        ? readings.map((each) => each.text).join(' ')
        : `They contradict each other: ${readings.map((each) => each.text).join(' ')} Count the strands.`,
  };
}

/**
 * Sizes and wires of the shop that printed words can mean: their metal lies in what every reading leaves open, and strands agree
 * where they are printed.
 * @returns null where nothing printed tells a size, or what is printed contradicts itself
 */
export function printedWire({ readings, agree }: JacketRead, wires: readonly Wire[]): WireGuess | null {
  const best = readings.find(({ strands }) => strands !== null) ?? readings[0];
  if (!best || !agree) return null;
  const least = Math.max(...readings.map((each) => each.least));
  const most = Math.min(...readings.map((each) => each.most));
  const named = readings.flatMap(({ size }) => size ?? []);
  const sizes = sizesWithin(best.area, least, most).sort(
    (a, b) => Number(isNamed(b.size, named)) - Number(isNamed(a.size, named)),
  );
  const alike = wires.filter(({ conductor }) => {
    const own = metalArea(conductor);
    return own >= least && own <= most && (best.strands === null || conductor.strands === best.strands);
  });
  const text =
    best.strands === null
      ? 'its metal agrees with what is printed; count the strands.'
      : 'its strands agree with what is printed.';
  return { area: best.area, least, most, sizes, wires: alike.map((wire) => ({ wire, text })) };
}

const isNamed = (size: ConductorSize, named: readonly ConductorSize[]) =>
  named.some((each) => each.scale === size.scale && each.value === size.value);

function built(
  words: string | undefined,
  size: ConductorSize | null,
  cores: number | null,
  strands: number | null,
  strandDiameter: number | null,
): JacketReading | null {
  const counted = strands !== null && strandDiameter !== null && strands > 0 && strandDiameter > 0;
  if (!words || (!size && !counted)) return null;
  const metal = counted ? metalArea({ strands, strandDiameter }) : null;
  const nominal = size ? nominalArea(size) : null;
  const area = metal ?? nominal ?? 0;
  // What is counted is as it is; a printed size is rounded. Printed together, they have to be of one wire.
  const off = metal === null ? MADE_WITHIN : 0.03;
  const isClash = metal !== null && nominal !== null && Math.abs(metal / nominal - 1) > MADE_WITHIN;
  const parts = [
    cores === null ? '' : `${cores} cores of `,
    size ? sizeLabel(size) : '',
    counted ? `${size ? ', ' : ''}${strands} strands of ${strandDiameter.toFixed(2)} mm` : '',
  ];
  return {
    ...{ words: words.trim(), size, cores, strands: counted ? strands : null },
    ...{ strandDiameter: counted ? strandDiameter : null },
    area,
    least: isClash ? Math.max(metal, nominal) : area * (1 - off),
    most: isClash ? Math.min(metal, nominal) : area * (1 + off),
    text: `‘${words.trim()}’: ${parts.join('')}, ${area.toFixed(3)} mm² of metal${isClash ? `, which is not ${sizeLabel(size as ConductorSize)}` : ''}.`,
  };
}
