import type { Practice } from '../practice';
import { isSplice, type Range, type Terminal } from '../terminal';
import type { Nest } from '../tool';
import { reason, type Reason } from '../verdict';

export interface Bite {
  /** Order in which they are made, from 1. */
  readonly order: number;
  /** Centre of the bite, mm from the barrel's wire end towards the tongue. */
  readonly centre: number;
}

export interface BitePlan {
  readonly bites: readonly Bite[];
  /** Why there are fewer than the sheet or the house rules ask for. */
  readonly reasons: readonly Reason[];
}

/** Left untouched on both sides of an inspection hole or window, mm. */
const HOLE_MARGIN = 1;
/** Barrel left between two bites, mm. */
const BETWEEN = 0.5;

/**
 * Bites on one conductor barrel. The die stays on the barrel and off its inspection hole (with 1 mm on both sides), and two
 * bites leave 0.5 mm between them: centres lie at least die width + 0.5 apart. Into a free length s go
 * floor((s - width) / (width + 0.5)) + 1 bites of a die's width. Wanted are as many as the sheet asks for; for a splice by the
 * practice (one, or two from the centre out); else as many as fit. What does not fit is left out, with the reason.
 *
 * One bite lies in the barrel's middle, or as near to it as the hole allows; several are spaced equally, made from the tongue
 * towards the wire (a lug from its pad, a splice from its centre). A die wider than the barrel is centred on it.
 *
 * Indents of a four-indent nest lie half way from the mouth to the hole, where the conductor is surest: a contact has one bite.
 *
 * Where the sheet itself says where and in which order, that wins.
 *
 * @returns centres in mm from the barrel's wire end, in the order of making; none where the sheet gives no length, or no die width
 * @example barrel 5 mm, die 4 mm, sheet silent: one at 2.5
 * @example barrel 12 mm, hole from 9 to 10 mm, die 3 mm: 8 mm are free from the wire end, which takes two, at 6.5 and 1.5
 */
export function placeBites(
  terminal: Terminal,
  nest: Pick<Nest, 'width'> & Partial<Pick<Nest, 'profile'>>,
  practice: Practice,
): BitePlan {
  const { length, inspection } = terminal.barrel;
  const { width } = nest;
  if (terminal.sheetBites.length && width > 0) return bySheet(terminal.sheetBites, width);
  if (length === null || !(width > 0) || !(length > 0)) return { bites: [], reasons: [] };
  const free = freeSpans(length, inspection).filter((span) => lengthOf(span) >= width - 1e-9);
  const middle = nest.profile === 'four-indent' && inspection ? inspection.min / 2 : length / 2;
  if (!free.length) {
    const why = inspection && width <= length ? 'bite-over-hole' : 'die-wider';
    const text =
      why === 'bite-over-hole'
        ? `The die is ${width} mm wide and no ${width} mm of the barrel are clear of the hole at ${inspection?.min} to ${inspection?.max} mm: a narrower die, or the bite the sheet draws.`
        : `The die is ${width} mm wide and the barrel ${length} mm long: it reaches past both ends.`;
    const weight = why === 'bite-over-hole' ? 'hold' : 'note';
    return { bites: [{ order: 1, centre: middle }], reasons: [reason(why, weight, text, { width, length })] };
  }
  const room = free.map((span) => ({
    span,
    most: Math.floor((lengthOf(span) - width) / (width + BETWEEN) + 1e-9) + 1,
  }));
  const most = room.reduce((sum, { most: own }) => sum + own, 0);
  const bySchool = isSplice(terminal) ? (practice.spliceBites === 'centre-out-two' ? 2 : 1) : null;
  const wanted = terminal.bites ?? bySchool ?? most;
  const count = Math.min(wanted, most);
  const reasons =
    count < wanted
      ? [
          reason(
            'bites-do-not-fit',
            terminal.bites === null ? 'note' : 'hold',
            `${terminal.bites === null ? 'The house rules ask' : 'The sheet asks'} for ${wanted} bites and ${count === 1 ? 'one of' : `${count} of`} ${width} mm ${count === 1 ? 'fits' : 'fit'}: ${room.map(({ span }) => lengthOf(span).toFixed(1)).join(' and ')} mm of barrel are free and two bites leave ${BETWEEN} mm between them.`,
            { wanted, count, width },
          ),
        ]
      : [];
  if (count === 1) {
    const centres = room.map(({ span }) => clamp(middle, span.min + width / 2, span.max - width / 2));
    const centre = centres.reduce((best, next) => (Math.abs(next - middle) < Math.abs(best - middle) ? next : best));
    return { bites: [{ order: 1, centre }], reasons };
  }
  // The longest stretch first; what is left goes to the next.
  let left = count;
  const centres = [...room]
    .sort((a, b) => lengthOf(b.span) - lengthOf(a.span))
    .flatMap(({ span, most: own }) => {
      const here = Math.min(own, left);
      left -= here;
      return spaced(here, { min: span.min + width / 2, max: span.max - width / 2 });
    })
    .sort((a, b) => b - a);
  return { bites: centres.map((centre, i) => ({ order: i + 1, centre })), reasons };
}

/**
 * The sheet's own bands win, and its order: each bite in the middle of its band. A die wider than a band, or two bites whose dies
 * would lie over each other, is told: one of tool and sheet is another one then.
 */
function bySheet(bands: Terminal['sheetBites'], width: number): BitePlan {
  const bites = bands.map(({ from, to }, i) => ({ order: i + 1, centre: (from + to) / 2 }));
  const reasons: Reason[] = bands.flatMap(({ from, to }, i) =>
    to - from < width - 1e-9
      ? [
          reason(
            'bite-band',
            'hold',
            `The sheet wants bite ${i + 1} within ${from} to ${to} mm and the die is ${width} mm wide: another die, or the sheet is of another part.`,
            { width, min: from, max: to },
          ),
        ]
      : [],
  );
  const centres = bites.map(({ centre }) => centre).sort((a, b) => a - b);
  const least = Math.min(...centres.slice(1).map((centre, i) => centre - (centres[i] ?? 0)));
  if (least < width + BETWEEN - 1e-9)
    reasons.push(
      reason(
        'bites-over-each-other',
        'hold',
        `By the sheet two bites lie ${least.toFixed(1)} mm apart; a die of ${width} mm needs ${(width + BETWEEN).toFixed(1)} mm.`,
        { least, width },
      ),
    );
  return { bites, reasons };
}

/** What of the barrel a die may lie on, mm from its wire end. */
function freeSpans(length: number, hole: Range | null): Range[] {
  if (!hole) return [{ min: 0, max: length }];
  return [
    { min: 0, max: Math.min(length, hole.min - HOLE_MARGIN) },
    { min: Math.max(0, hole.max + HOLE_MARGIN), max: length },
  ];
}

const lengthOf = ({ min, max }: Range) => max - min;
const clamp = (value: number, min: number, max: number) => Math.min(max, Math.max(min, value));
const spaced = (count: number, { min, max }: Range) =>
  count === 1 ? [(min + max) / 2] : Array.from({ length: count }, (_, i) => max - ((max - min) * i) / (count - 1));
