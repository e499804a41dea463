import type { SlideOnPart } from '../prepare';
import { familyOf, isSplice, type SlideOnItem, type Terminal } from '../terminal';
import { capital, withArticle } from '../text';
import { reason, type Reason } from '../verdict';
import type { Wire } from '../wire';

export const WIRE_ENDS = ['A', 'B'] as const;
/** The end of a wire as its list names it. */
export type WireEnd = (typeof WIRE_ENDS)[number];

/** What one end of a wire gets. */
export interface LoomEnd {
  /** Null where it gets no terminal of the shop. */
  readonly terminal: Terminal | null;
  /** It meets other wires in one part. */
  readonly joined: boolean;
}

export interface LoomStep {
  readonly end: WireEnd;
  readonly does: 'slide-on' | 'still-on' | 'crimp';
  readonly text: string;
}

/** Both ends of a wire in the order of the work. */
export interface EndsOrder {
  /** Null where only one end is made here. */
  readonly first: WireEnd | null;
  readonly why: string;
  readonly steps: readonly LoomStep[];
  /** What a bore does not pass, and what nobody knows of it. */
  readonly reasons: readonly Reason[];
}

/** A bore that passes is so much wider than what goes through, as for tubes. */
const PASSES = 1.05;

/**
 * The order of the work on both ends of a wire: what is slid on where, and which end is made first.
 *
 * A part slid on for one end can go onto the wire over either end that is still bare, or over a terminal that its bore passes
 * (bore at least 1.05 x the terminal's widest place). One that passes neither terminal is lost once the second end is pressed; so
 * it is looked for then once more. First comes the end whose parts pass neither terminal: what is forgotten there can still go on
 * over the other end. An end that meets other wires comes last, because the wire then hangs on all of them. Else the list's end A.
 *
 * The widest place of a terminal is not on every sheet: the outer diameter of its barrel and its stud hole are the least it can be.
 * A bore below 1.05 x that is known not to pass; a wider one may, and is not trusted to.
 *
 * @param coverings slide-on parts of the shop by their number, for their bores
 */
export function orderEnds(
  wire: Pick<Wire, 'insulationDiameter' | 'label'>,
  a: LoomEnd,
  b: LoomEnd,
  coverings: ReadonlyMap<string, SlideOnPart>,
): EndsOrder {
  const ends = { A: a, B: b };
  const made = WIRE_ENDS.filter((end) => ends[end].terminal !== null);
  const covers = made.flatMap((end) => (ends[end].terminal?.slideOn ?? []).map((item) => ({ end, item })));
  const reasons = covers.flatMap(({ item }) => onWire(wire, item, coverings.get(item.part) ?? null));
  const bores = covers.flatMap(({ item }) =>
    made.flatMap((end) => {
      const { terminal } = ends[end];
      const text = terminal && tellBore(item, coverings.get(item.part) ?? null, terminal);
      return text === null ? [] : [reason('cover-bore', 'note', text)];
    }),
  );
  const isCaptive = (end: WireEnd) =>
    covers.some(
      (cover) =>
        cover.end === end &&
        made.every((each) => !passes(cover.item, coverings.get(cover.item.part) ?? null, ends[each].terminal)),
    );
  const { first, why } = firstOf(ends, made, isCaptive);
  const order = first === null ? made : [first, other(first)];
  const steps = order.flatMap((end, i): LoomStep[] => {
    const own = covers.filter((cover) => cover.end === end);
    const waiting = i === 0 ? [] : covers.filter((cover) => cover.end !== end && isCaptive(cover.end));
    return [
      // Before this end's own: what goes on now has to lie behind them.
      ...waiting.map(({ item, end: of }): LoomStep => ({
        end,
        does: 'still-on',
        text: `look whether ${item.label} of end ${of} is on: it passes neither terminal, and goes on now or never`,
      })),
      ...own.map(({ item }): LoomStep => ({ end, does: 'slide-on', text: `${item.label} onto end ${end}` })),
      { end, does: 'crimp', text: `${ends[end].terminal?.part ?? ''} at end ${end}` },
    ];
  });
  const between = covers.flatMap((cover) =>
    covers.flatMap((each) => (each.end === cover.end ? [] : tellOrder(cover, each, coverings))),
  );
  return { first, why, steps, reasons: [...reasons, ...bores, ...between] };
}

/** Where a part slid on for one end does not pass one that is on the wire for the other: then it has to lie on its own end's side. */
function tellOrder(
  { end, item }: { readonly end: WireEnd; readonly item: SlideOnItem },
  on: { readonly end: WireEnd; readonly item: SlideOnItem },
  coverings: ReadonlyMap<string, SlideOnPart>,
): Reason[] {
  const bore = coverings.get(item.part)?.suppliedBore;
  const over = coverings.get(on.item.part)?.outerDiameter ?? null;
  if (bore === undefined || over === null || bore >= PASSES * over - 1e-9) return [];
  const text = `${capital(item.label)} of end ${end}: bore ${bore} mm does not pass ${on.item.label} of end ${on.end}, ${over} mm over it. It goes onto the wire first, or from its own end.`;
  return [reason('cover-order', 'note', text, { bore, over })];
}

const other = (end: WireEnd): WireEnd => (end === 'A' ? 'B' : 'A');

function firstOf(
  ends: Readonly<Record<WireEnd, LoomEnd>>,
  made: readonly WireEnd[],
  isCaptive: (end: WireEnd) => boolean,
): Pick<EndsOrder, 'first' | 'why'> {
  if (made.length < 2) return { first: null, why: 'One end is made here.' };
  const joined = made.filter((end) => ends[end].joined || (ends[end].terminal && isSplice(ends[end].terminal)));
  const [only] = joined;
  if (joined.length === 1 && only)
    return {
      first: other(only),
      why: `End ${only} meets other wires: made first, the wire would hang on all of them while end ${other(only)} is made.`,
    };
  const captive = made.filter(isCaptive);
  const [held] = captive;
  if (captive.length === 1 && held)
    return {
      first: held,
      why: `What is slid on for end ${held} passes neither terminal: forgotten there, it can still go on over end ${other(held)} while that is bare.`,
    };
  return { first: 'A', why: 'Either end may come first; the list’s order is kept.' };
}

/** The least the widest place of a terminal can be, mm; null where its sheet says nothing of it. */
function leastWidth(terminal: Terminal): number | null {
  const known = [terminal.barrel.outerDiameter, terminal.studHole].filter((size) => size !== null);
  return known.length ? Math.max(...known) : null;
}

/** Whether something slid on can go over a finished terminal: a seal never, all else where its bore is known to pass its widest place. */
function passes(item: SlideOnItem, part: SlideOnPart | null, terminal: Terminal | null): boolean {
  if (terminal === null) return true;
  if (item.kind === 'seal' || part === null) return false;
  const widest = terminal.widest;
  return widest !== null && part.suppliedBore >= PASSES * widest - 1e-9;
}

/** Whether a bore goes onto the wire at all. */
function onWire(
  { insulationDiameter, label }: Pick<Wire, 'insulationDiameter' | 'label'>,
  item: SlideOnItem,
  part: SlideOnPart | null,
): Reason[] {
  if (part === null) return [];
  const numbers = { bore: part.suppliedBore, insulation: insulationDiameter };
  if (part.wireRange) {
    const { min, max } = part.wireRange;
    return insulationDiameter < min - 1e-9 || insulationDiameter > max + 1e-9
      ? [
          reason(
            'cover-wire',
            'bad',
            `${capital(item.label)} closes on ${min}–${max} mm and the insulation of ${label} is ${insulationDiameter} mm.`,
            numbers,
          ),
        ]
      : [];
  }
  return part.suppliedBore < insulationDiameter - 1e-9
    ? [
        reason(
          'cover-wire',
          'bad',
          `${capital(item.label)} has a bore of ${part.suppliedBore} mm and the insulation of ${label} is ${insulationDiameter} mm: it does not go on.`,
          numbers,
        ),
      ]
    : [];
}

/** Why something slid on passes a terminal or does not, in a sentence. */
function tellBore(item: SlideOnItem, part: SlideOnPart | null, terminal: Terminal): string {
  const name = `${familyOf(terminal).name} ${terminal.part}`;
  const label = capital(item.label);
  if (item.kind === 'seal') return `${label} is a seal: it never goes over ${withArticle(name)}.`;
  if (part === null) return `The cabinet does not know the bore of ${label}: it is taken not to pass the ${name}.`;
  const { widest } = terminal;
  if (widest !== null) {
    const needs = PASSES * widest;
    return `${label}: bore ${part.suppliedBore} mm ${part.suppliedBore >= needs - 1e-9 ? 'passes' : 'does not pass'} the ${name}, ${widest} mm wide: ${needs.toFixed(2)} mm or more is needed.`;
  }
  const least = leastWidth(terminal);
  if (least !== null && part.suppliedBore < PASSES * least - 1e-9)
    return `${label}: bore ${part.suppliedBore} mm does not pass the ${name}, which is ${least} mm wide at the least.`;
  return `${label}: whether bore ${part.suppliedBore} mm passes the ${name} is not known, as its sheet gives no widest place. It is not trusted to.`;
}
