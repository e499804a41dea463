import { AWG_SIZES, awgArea, METRIC_SIZES, readSize, sizeLabel, type ConductorSize } from '../wire';
import type { Range } from './Terminal';

/** One way of reading what is stamped on a terminal: its two sizes, which are independent of each other. */
export interface StampReading {
  /** The conductor range in words, e.g. 'AWG 12–10' or 'metric class 2'. */
  readonly wire: string;
  /** Conductor areas, mm2. */
  readonly area: Range;
  /** Stud size, e.g. '#8', 'M5'; null when the stamp names none. */
  readonly stud: string | null;
  /** Diameter of the stud itself, mm; null without one. */
  readonly studDiameter: number | null;
  readonly how: string;
}

/** What a stamp may say. */
export interface Stamp {
  /** Every reading that makes sense, the likeliest first. */
  readonly readings: readonly StampReading[];
  /** Two stamps that no reading brings together: a sentence; null when they agree or there is one. */
  readonly contradiction: string | null;
}

/** Metric classes and the conductor areas they take, mm2. */
const METRIC_CLASSES: readonly { readonly name: string; readonly area: Range }[] = [
  { name: '1.25', area: { min: 0.25, max: 1.65 } },
  { name: '2', area: { min: 1.04, max: 2.63 } },
  { name: '3.5', area: { min: 2.63, max: 4.6 } },
  { name: '5.5', area: { min: 2.63, max: 6.64 } },
  { name: '8', area: { min: 6.64, max: 10.52 } },
  { name: '14', area: { min: 10.52, max: 16.78 } },
  { name: '22', area: { min: 16.78, max: 26.66 } },
  { name: '38', area: { min: 26.66, max: 42.42 } },
  { name: '60', area: { min: 42.42, max: 60.57 } },
];

/** Numbered screws: major diameter 0.060 in + 0.013 in per number. */
const screwDiameter = (number: number) => (0.06 + 0.013 * number) * 25.4;
const SCREWS = [2, 4, 5, 6, 8, 10, 12];
const INCH_STUDS: Readonly<Record<string, number>> = {
  '3/16': 4.7625,
  '1/4': 6.35,
  '5/16': 7.9375,
  '3/8': 9.525,
  '7/16': 11.1125,
  '1/2': 12.7,
  '5/8': 15.875,
  '3/4': 19.05,
};
const METRIC_STUDS = [2, 2.5, 3, 3.5, 4, 5, 6, 8, 10, 12, 14, 16, 20];
const LUG_SIZES = METRIC_SIZES.filter((size) => size >= 1.5 && size <= 300);

/** A reading with how likely it is; only the order of the numbers counts. */
interface Rated {
  readonly reading: StampReading;
  readonly rate: number;
}

interface Stud {
  readonly label: string | null;
  readonly diameter: number | null;
  /** A number without a sign may be a screw's or millimetres. */
  readonly isBare: boolean;
}
const NO_STUD: Stud = { label: null, diameter: null, isBare: false };

/**
 * Every reading of what is stamped on a terminal or its bag. A stamp says a wire range and a stud size: AWG pair and stud
 * in either order ('12-10 1/4', '1/4 10-12', '22-18 #8', '16-14 M5'), metric class and stud ('2-5': class 2 for M5), area
 * range ('1.5-2.5 M6'), area and stud ('150-12'), single sizes, or two stamps at once ('5.5-8 12-10'). One that can be read
 * in several ways gives all of them: the person picks, it is never guessed. Of two stamps the overlap is given.
 *
 * The order is by habit, not by proof: AWG pairs two to six numbers apart from AWG 10 on before metric classes, those with
 * studs of up to 12 mm before areas, areas with studs before ranges.
 *
 * @param text as typed or scanned; case, spaces, line breaks, 'mm' and 'AWG' do not matter
 * @example readStamp('2-5').readings // class 2 with stud M5, and 2-5 mm2; AWG 5 is not made stranded
 * @example readStamp('14-16').readings // AWG 16-14, class 14 with M16, and 14-16 mm2
 */
export function readStamp(text: string): Stamp {
  const upper = text
    .toUpperCase()
    .replace(/[–—]/g, '-')
    .replace(/(\d),(\d)/g, '$1.$2');
  const saysAwg = /AWG|GA\b/.test(upper);
  const saysArea = /MM²|MM2|SQ\.?\s*MM/.test(upper);
  const tokens = upper
    .replace(/AWG|GA\b|MM²|MM2|SQ\.?\s*MM|²|\bSTUD\b/g, ' ')
    .replace(/\s*-\s*/g, '-')
    .replace(/(#|\bNO\.?|\bM)\s+(?=\d)/g, '$1')
    .replace(/["″]|\bIN\b/g, '')
    .trim()
    .split(/[\s,;]+/)
    .filter(Boolean);
  const pairs = tokens.filter((token) => token.includes('-'));
  const singles = tokens.filter((token) => !token.includes('-'));
  const units = { saysAwg, saysArea };
  const [first, second] = pairs;
  if (pairs.length > 2 || singles.length > 2) return NOTHING;
  if (first !== undefined && second !== undefined) {
    return singles.length > 1 ? NOTHING : bothStamps(first, second, singles, units);
  }
  if (first !== undefined) {
    if (singles.length > 1) return NOTHING;
    const [stud] = singles;
    return told(pairWith(first, stud === undefined ? null : readStud(stud), units));
  }
  // One size, with a stud before or behind it.
  const [one, other] = singles;
  if (one === undefined) return NOTHING;
  if (other === undefined) return told(readSingle(one, [NO_STUD], units));
  return told([
    ...readSingle(one, readStud(other), units),
    ...readSingle(
      other,
      readStud(one).filter((stud) => !stud.isBare),
      units,
    ),
  ]);
}

const NOTHING: Stamp = { readings: [], contradiction: null };

interface Units {
  readonly saysAwg: boolean;
  readonly saysArea: boolean;
}

const told = (rated: readonly Rated[]): Stamp => ({
  readings: [...rated].sort((a, b) => b.rate - a.rate).map(({ reading }) => reading),
  contradiction: null,
});

/** Two stamps on one part: what both allow. */
function bothStamps(first: string, second: string, singles: readonly string[], units: Units): Stamp {
  const [single] = singles;
  const studs = single === undefined ? null : readStud(single);
  const one = pairWith(first, null, units);
  const two = pairWith(second, null, units);
  const both = one.flatMap((a) =>
    two.flatMap((b): Rated[] => {
      const area = {
        min: Math.max(a.reading.area.min, b.reading.area.min),
        max: Math.min(a.reading.area.max, b.reading.area.max),
      };
      const named = [a.reading, b.reading].filter((reading) => reading.stud !== null);
      if (area.min > area.max || named.length > 1 || (named.length && studs)) return [];
      const [holder] = named;
      const stud = holder
        ? [{ label: holder.stud, diameter: holder.studDiameter, isBare: false }]
        : (studs ?? [NO_STUD]);
      return stud.map((s) => ({
        reading: {
          wire: `${a.reading.wire} and ${b.reading.wire}`,
          area,
          stud: s.label,
          studDiameter: s.diameter,
          how: `${a.reading.how}; ${b.reading.how}: what both allow`,
        },
        rate: a.rate + b.rate,
      }));
    }),
  );
  if (both.length) return told(both);
  const contradicts = one.length > 0 && two.length > 0;
  return {
    readings: [],
    contradiction: contradicts
      ? `‘${first.toLowerCase()}’ and ‘${second.toLowerCase()}’ contradict each other: no size is in both.`
      : null,
  };
}

/** Readings of 'a-b'. @param studs those named beside it; null: the second number may be one */
function pairWith(pair: string, studs: readonly Stud[] | null, { saysAwg, saysArea }: Units): Rated[] {
  const ends = pair.split('-');
  const [one = '', two = ''] = ends;
  if (ends.length !== 2) return [];
  const found: Rated[] = [];
  const isInch = studs?.some(({ label }) => label !== null && !label.startsWith('M')) ?? false;
  const a = readAwg(one);
  const b = readAwg(two);
  if (!saysArea && a && b && a.value !== b.value) {
    const [small, large] = a.value > b.value ? [a, b] : [b, a];
    const apart = small.value - large.value;
    const isUsual = apart <= 6 && large.value >= 10;
    for (const stud of studs ?? [NO_STUD]) {
      const how = `AWG range${stud.label ? ` and stud ${stud.label}` : ''}`;
      found.push({ reading: awg(small, large, stud, how), rate: isUsual ? 4 : 1.5 });
    }
  }
  if (saysAwg) return found;
  const [least, most] = [Number(one), Number(two)];
  const isRange = isArea(one) && isArea(two) && least < most && most <= 10 * least;
  if (studs === null) {
    const metric = METRIC_CLASSES.find((m) => m.name === one);
    const stud = METRIC_STUDS.includes(most) ? { label: `M${most}`, diameter: most, isBare: false } : null;
    if (metric && stud) {
      found.push({
        reading: classOf(metric, stud, `metric class ${metric.name}, stud ${stud.label}`),
        rate: most <= 12 ? 3 : 1,
      });
    }
    if (stud && isLugSize(one)) {
      found.push({
        reading: area(least, least, stud, `${one} mm², stud ${stud.label}`),
        rate: most <= 16 && most >= 3 ? 2 : 1,
      });
    }
  }
  if (isRange) {
    for (const stud of studs ?? [NO_STUD]) {
      const how = studs === null ? 'range in mm², no stud' : 'range in mm²';
      found.push({ reading: area(least, most, stud, how), rate: isInch ? 0.3 : 0.5 });
    }
  }
  return found;
}

/** Readings of one size beside a stud. */
function readSingle(one: string, studs: readonly Stud[], { saysAwg, saysArea }: Units): Rated[] {
  const size = saysArea ? null : readAwg(one);
  const metric = saysAwg ? undefined : METRIC_CLASSES.find((m) => m.name === one);
  // A size that says mm² is one in mm², made or not.
  const isLug = !saysAwg && (isLugSize(one) || (saysArea && isArea(one)));
  return studs.flatMap((stud) => [
    ...(isLug ? [{ reading: area(Number(one), Number(one), stud, 'one size in mm²'), rate: 2 }] : []),
    ...(size ? [{ reading: awg(size, size, stud, 'one AWG size'), rate: isLug ? 1 : 3 }] : []),
    ...(metric && stud.label !== null
      ? [{ reading: classOf(metric, stud, `metric class ${metric.name}`), rate: 1.5 }]
      : []),
  ]);
}

function readStud(text: string): Stud[] {
  const metric = /^M(\d+(?:\.\d+)?)$/.exec(text)?.[1];
  if (metric !== undefined) return METRIC_STUDS.includes(Number(metric)) ? [metricStud(Number(metric))] : [];
  const screw = /^(?:#|NO\.?)(\d+)$/.exec(text)?.[1];
  if (screw !== undefined) return SCREWS.includes(Number(screw)) ? [screwStud(Number(screw))] : [];
  const inch = INCH_STUDS[text];
  if (inch !== undefined) return [{ label: text, diameter: inch, isBare: false }];
  // A number alone may be a screw's or millimetres: both are given.
  if (!/^\d+(\.\d+)?$/.test(text)) return [];
  const number = Number(text);
  return [
    ...(SCREWS.includes(number) ? [{ ...screwStud(number), isBare: true }] : []),
    ...(METRIC_STUDS.includes(number) ? [{ ...metricStud(number), isBare: true }] : []),
  ];
}

const metricStud = (size: number): Stud => ({ label: `M${size}`, diameter: size, isBare: false });
const screwStud = (number: number): Stud => ({ label: `#${number}`, diameter: screwDiameter(number), isBare: false });

/** An AWG size that stranded wire is made in, down to 30; thinner ones stand on no stamp. */
function readAwg(text: string): ConductorSize | null {
  const size = readSize(`AWG ${text}`);
  return size?.scale === 'awg' && size.value <= 30 && AWG_SIZES.includes(size.value) ? size : null;
}

const isLugSize = (text: string) => /^\d/.test(text) && LUG_SIZES.includes(Number(text));
const isArea = (text: string) => /^\d+(\.\d+)?$/.test(text) && Number(text) > 0 && Number(text) <= 300;

const classOf = (metric: { name: string; area: Range }, { label, diameter }: Stud, how: string): StampReading => ({
  wire: `metric class ${metric.name} (${metric.area.min}–${metric.area.max} mm²)`,
  area: metric.area,
  stud: label,
  studDiameter: diameter,
  how,
});

function awg(small: ConductorSize, large: ConductorSize, stud: Stud, how: string): StampReading {
  return {
    wire:
      small.value === large.value ? sizeLabel(small) : `${sizeLabel(small)}–${sizeLabel(large).replace('AWG ', '')}`,
    area: { min: awgArea(small.value), max: awgArea(large.value) },
    stud: stud.label,
    studDiameter: stud.diameter,
    how,
  };
}

function area(min: number, max: number, stud: Stud, how: string): StampReading {
  return {
    wire: min === max ? `${min} mm²` : `${min}–${max} mm²`,
    area: { min, max },
    stud: stud.label,
    studDiameter: stud.diameter,
    how,
  };
}
