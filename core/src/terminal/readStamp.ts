import { awgArea, sizeLabel, type ConductorSize } from '../wire';
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
  '1/4': 6.35,
  '5/16': 7.9375,
  '3/8': 9.525,
  '1/2': 12.7,
  '5/8': 15.875,
  '3/4': 19.05,
};
const METRIC_STUDS = [2, 2.5, 3, 3.5, 4, 5, 6, 8, 10, 12, 14, 16, 20];
const AWG_ORDER = ['4/0', '3/0', '2/0', '1/0'];

/**
 * Every reading of what is stamped on a terminal or its bag. A stamp says a wire range and a stud size, in one of
 * these forms: AWG range and stud ('12-10 1/4', '22-18 #8', '16-14 M5'), metric class and stud ('2-5': class 2 for
 * M5), area range ('1.5-2.5 M6'), and single sizes ('10-6': 10 mm2, stud M6). A stamp that can be read in several ways
 * gives all of them: the person picks, it is never guessed.
 *
 * @param text as typed or scanned; case, spaces, 'mm' and 'AWG' do not matter
 * @returns nothing when no reading makes sense
 * @example readStamp('2-5') // class 2 with stud M5, and AWG 5-2 is no reading because AWG 5 is not made stranded
 */
export function readStamp(text: string): StampReading[] {
  const plain = text
    .toUpperCase()
    .replace(/MM²|MM2|SQ\.?MM|²/g, ' ')
    .replace(/[–—]/g, '-')
    .replace(/,/g, '.')
    .trim();
  const saysAwg = /AWG|GA\b/.test(plain);
  const cleaned = plain
    .replace(/AWG|GA\b/g, ' ')
    .replace(/\s*-\s*/g, '-')
    .replace(/\s+/g, ' ')
    .trim();
  const [first = '', ...rest] = cleaned.split(' ');
  const second = rest.join(' ');
  const readings: StampReading[] = [];
  const ends = first.split('-');
  const [one = '', two] = ends;
  if (ends.length > 2 || first === '') return [];

  const studs = second === '' ? [{ label: null, diameter: null }] : readStud(second);
  if (two !== undefined) {
    const small = readAwg(one);
    const large = readAwg(two);
    if (small && large && small.value >= large.value) {
      for (const stud of studs) {
        readings.push(awg(small, large, stud, `AWG range${stud.label ? ` and stud ${stud.label}` : ''}`));
      }
    }
    if (!saysAwg && second !== '' && isArea(one) && isArea(two) && Number(one) < Number(two)) {
      for (const stud of studs) readings.push(area(Number(one), Number(two), stud, 'range in mm²'));
    }
    if (!saysAwg && second === '') {
      const metric = METRIC_CLASSES.find((m) => m.name === one);
      const stud = METRIC_STUDS.includes(Number(two)) ? { label: `M${Number(two)}`, diameter: Number(two) } : null;
      if (metric && stud) {
        readings.push({
          wire: `metric class ${metric.name} (${metric.area.min}–${metric.area.max} mm²)`,
          area: metric.area,
          stud: stud.label,
          studDiameter: stud.diameter,
          how: `metric class ${metric.name}, stud ${stud.label}`,
        });
      }
      if (stud && isLugSize(one)) readings.push(area(Number(one), Number(one), stud, `${one} mm², stud ${stud.label}`));
      if (isArea(one) && isArea(two) && Number(one) < Number(two) && !readings.some((r) => r.stud !== null)) {
        readings.push(area(Number(one), Number(two), { label: null, diameter: null }, 'range in mm², no stud'));
      }
    }
  } else {
    const size = readAwg(one);
    for (const stud of studs) {
      if (size && (saysAwg || one.includes('/') || !isLugSize(one)))
        readings.push(awg(size, size, stud, 'one AWG size'));
      if (!saysAwg && isLugSize(one)) readings.push(area(Number(one), Number(one), stud, 'one size in mm²'));
      if (!saysAwg && size && isLugSize(one)) readings.push(awg(size, size, stud, 'one AWG size'));
    }
  }
  return readings;
}

interface Stud {
  readonly label: string | null;
  readonly diameter: number | null;
}

function readStud(text: string): Stud[] {
  const t = text
    .replace(/^STUD\s*/, '')
    .replace(/"|IN$/g, '')
    .trim();
  const metric = /^M\s*(\d+(?:\.\d+)?)$/.exec(t);
  if (metric)
    return METRIC_STUDS.includes(Number(metric[1])) ? [{ label: `M${metric[1]}`, diameter: Number(metric[1]) }] : [];
  const screw = /^(?:#|NO\.?\s*)(\d+)$/.exec(t);
  if (screw) {
    const number = Number(screw[1]);
    return SCREWS.includes(number) ? [{ label: `#${number}`, diameter: screwDiameter(number) }] : [];
  }
  const inch = INCH_STUDS[t];
  if (inch !== undefined) return [{ label: t, diameter: inch }];
  // A bare number may be a screw number or millimetres: both are given.
  if (/^\d+(\.\d+)?$/.test(t)) {
    const number = Number(t);
    return [
      ...(SCREWS.includes(number) ? [{ label: `#${number}`, diameter: screwDiameter(number) }] : []),
      ...(METRIC_STUDS.includes(number) ? [{ label: `M${number}`, diameter: number }] : []),
    ];
  }
  return [];
}

/** An AWG size that stranded wire is made in: 26 to 8 in even steps, 6, 4, 2, 1, 1/0 to 4/0. */
function readAwg(text: string): ConductorSize | null {
  const zeros = AWG_ORDER.indexOf(text);
  if (zeros >= 0) return { scale: 'awg', value: zeros - 3 };
  if (!/^\d{1,2}$/.test(text)) return null;
  const value = Number(text);
  return (value >= 2 && value <= 30 && value % 2 === 0) || value === 1 ? { scale: 'awg', value } : null;
}

const LUG_SIZES = [1.5, 2.5, 4, 6, 10, 16, 25, 35, 50, 70, 95, 120];
const isLugSize = (text: string) => LUG_SIZES.includes(Number(text)) && /^\d/.test(text);
const isArea = (text: string) => /^\d+(\.\d+)?$/.test(text) && Number(text) > 0 && Number(text) <= 300;

function awg(small: ConductorSize, large: ConductorSize, stud: Stud, how: string): StampReading {
  const range = { min: awgArea(small.value), max: awgArea(large.value) };
  return {
    wire:
      small.value === large.value ? sizeLabel(small) : `${sizeLabel(small)}–${sizeLabel(large).replace('AWG ', '')}`,
    area: range,
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
