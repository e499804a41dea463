import { capital } from '../text';
import type { Range } from '../terminal';
import { roundInward } from '../units';
import type { Finding } from './Finding';
import type { LookContext } from './LookContext';
import { criteria, type Criterion } from './criteria';
import { frontOf } from './frontOf';
import { startingRows, PLAIN_SHEET } from './LookSheet';
import type { Piece } from './Piece';
import { pointOf, type PointCode } from './points';

/** Just good enough, or plainly not. */
export type Degree = 'borderline' | 'wrong';

/** Something that can be wrong with a finished crimp, as a change of its numbers. */
export interface Fault {
  readonly code: string;
  readonly point: PointCode;
  readonly title: string;
  /** What it does, in a line. */
  readonly why: string;
  readonly applies: (context: LookContext) => boolean;
  /** Whether something can be borderline at all. */
  readonly graded: boolean;
  readonly spoil: (piece: Piece, context: Spoiled, degree: Degree) => Piece;
}

/** What is spoiled, and the range its number may have. */
type Spoiled = LookContext & { readonly range: Range };

const always = () => true;
const sheetless = (code: PointCode) => (context: LookContext) => pointOf(code).applies(context);
/** At the end of a range, or beyond it by a share of it, so that the eye can tell. */
const past = (end: number, by: number, degree: Degree) => (degree === 'borderline' ? end : end + by);

/** Every fault that can be drawn, with what it does to the numbers of a piece. */
export const FAULTS: readonly Fault[] = [
  {
    code: 'tongue-bent',
    point: 'tongue',
    title: 'Tongue bent',
    why: 'Bent in the die or after it: it will not lie flat on its stud, or not go straight into its cavity.',
    applies: sheetless('tongue'),
    graded: true,
    spoil: (p, c, d) => ({ ...p, bend: past(c.range.max, 12, d) }),
  },
  {
    code: 'twisted',
    point: 'twist',
    title: 'Twisted in the die',
    why: 'The terminal turned while the die closed: it was held loosely or lay askew.',
    applies: always,
    graded: true,
    spoil: (p, c, d) => ({ ...p, twist: past(c.range.max, 15, d) }),
  },
  {
    code: 'splice-bent',
    point: 'straight',
    title: 'Splice bent',
    why: 'Bent in the second bite or after it: the wire is worked where the barrel ends, and the sleeve does not lie close.',
    applies: sheetless('straight'),
    graded: true,
    spoil: (p, c, d) => ({ ...p, bend: past(c.range.max, 9, d) }),
  },
  {
    code: 'brush-short',
    point: 'brush',
    title: 'Wire not through the barrel',
    why: 'Stripped too short or not pushed home: part of the barrel holds nothing.',
    applies: sheetless('brush'),
    graded: true,
    spoil: (p, c, d) => ({ ...p, brush: past(c.range.min, -Math.max(1.2, c.range.min), d) }),
  },
  {
    code: 'brush-long',
    point: 'brush',
    title: 'Wire stands too far out',
    why: 'Stripped too long: the wire reaches into the stud or mating area, or keeps the contact from locking.',
    applies: sheetless('brush'),
    graded: true,
    spoil: (p, c, d) => ({ ...p, brush: past(c.range.max, 1.5, d) }),
  },
  {
    code: 'window-empty',
    point: 'window',
    title: 'Wire not seen in the window',
    why: 'Not bottomed: the bite holds the wire’s end alone, or nothing.',
    applies: sheetless('window'),
    graded: true,
    spoil: (p, _, d) => ({ ...p, windowFill: d === 'borderline' ? 0.9 : 0.25 }),
  },
  {
    code: 'bite-towards-wire',
    point: 'bite',
    title: 'Bite too far towards the wire',
    why: 'The terminal was not seated against its stop: the die hangs over the barrel’s end and cuts.',
    applies: always,
    graded: true,
    spoil: (p, c, d) => ({ ...p, biteOff: past(c.range.max, 0.8, d) }),
  },
  {
    code: 'bite-towards-tongue',
    point: 'bite',
    title: 'Bite too far towards the tongue',
    why: 'Pushed through too far: the die presses what is in front of the barrel.',
    applies: always,
    graded: true,
    spoil: (p, c, d) => ({ ...p, biteOff: -past(c.range.max, 0.8, d) }),
  },
  {
    code: 'bellmouth-none',
    point: 'bellmouth',
    title: 'No bell-mouth',
    why: 'The sharp edge of the grip stands on the strands and cuts them when the wire moves.',
    applies: sheetless('bellmouth'),
    graded: true,
    spoil: (p, c, d) => ({ ...p, bellmouth: d === 'borderline' ? c.range.min : 0 }),
  },
  {
    code: 'bellmouth-large',
    point: 'bellmouth',
    title: 'Bell-mouth too long',
    why: 'Too little of the grip is left to hold: the terminal stands off the anvil’s middle.',
    applies: sheetless('bellmouth'),
    graded: true,
    spoil: (p, c, d) => ({ ...p, bellmouth: past(c.range.max, c.range.max * 0.8, d) }),
  },
  {
    code: 'upside-down',
    point: 'seam',
    title: 'Wrong way round',
    why: 'The die lands where it must not: one side folds, the other stands. It may hold a pull and is a reject all the same.',
    applies: ({ orientation }) => orientation.angle !== null && orientation.wrong !== null,
    graded: true,
    spoil: (p, { orientation: { angle, wrong } }, d) => ({
      ...p,
      turn: d === 'borderline' ? 20 : (wrong?.angle ?? 180) - (angle ?? 0),
    }),
  },
  {
    code: 'one-sided',
    point: 'seam',
    title: 'One side pressed farther',
    why: 'The barrel lay askew or the die halves do not meet: strands on the high side are loose.',
    applies: always,
    graded: true,
    spoil: (p, _, d) => ({ ...p, lean: d === 'borderline' ? 0.15 : 0.32 }),
  },
  {
    code: 'height-over',
    point: 'height',
    title: 'Pressed too little',
    why: 'The wire can slide: the tool does not close, is set too high, or the wire is too thin for the barrel.',
    applies: ({ height }) => height !== null,
    graded: true,
    spoil: (p, c, d) => ({ ...p, height: past(c.range.max, 0.12 * c.range.max, d) }),
  },
  {
    code: 'height-under',
    point: 'height',
    title: 'Pressed too far',
    why: 'Strands are thinned or sheared in the bite: it breaks there.',
    applies: ({ height }) => height !== null,
    graded: true,
    spoil: (p, c, d) => ({ ...p, height: past(c.range.min, -0.12 * c.range.min, d) }),
  },
  {
    code: 'width-over',
    point: 'width',
    title: 'Too wide',
    why: 'Metal went sideways: die worn, halves not seated, or the terminal too large for the nest.',
    applies: ({ width }) => width !== null,
    graded: true,
    spoil: (p, c, d) => ({ ...p, width: past(c.range.max, 0.12 * c.range.max, d) }),
  },
  {
    code: 'wrong-mark',
    point: 'mark',
    title: 'Another die’s mark',
    why: 'Made in another nest or die than the set-up names.',
    applies: always,
    graded: true,
    spoil: (p, _, d) => ({ ...p, mark: d === 'borderline' ? 'faint' : 'wrong' }),
  },
  {
    code: 'cracked',
    point: 'barrel',
    title: 'Barrel cracked',
    why: 'Pressed too far, brittle metal, or a seam that gave way.',
    applies: always,
    graded: false,
    spoil: (p, { terminal }) => ({ ...p, crack: (terminal.barrel.length ?? 4) * 0.6 }),
  },
  {
    code: 'flash',
    point: 'barrel',
    title: 'Flash',
    why: 'Metal squeezed out between the die halves: too large a terminal for the nest, or worn edges.',
    applies: always,
    graded: true,
    spoil: (p, { wire }, d) => ({ ...p, flash: wire.conductor.strandDiameter * (d === 'borderline' ? 0.9 : 2.5) }),
  },
  {
    code: 'stray-strands',
    point: 'strands',
    title: 'Strands outside',
    why: 'Left beside the barrel when the wire went in: less metal in the bite, and a strand that can touch what it must not.',
    applies: ({ wire }) => wire.conductor.strands > 1,
    graded: false,
    spoil: (p, { wire }) => ({ ...p, stray: Math.max(1, Math.round(wire.conductor.strands * 0.1)) }),
  },
  {
    code: 'cut-strands',
    point: 'strands',
    title: 'Strands cut or nicked',
    why: 'Stripped in the wrong notch, or the knife stands too deep.',
    applies: ({ wire }) => wire.conductor.strands > 1,
    graded: true,
    spoil: (p, { wire, range: { max: allowed } }, d) => {
      const many = Math.max(allowed + 1, Math.round(wire.conductor.strands * 0.15));
      return { ...p, cut: d === 'borderline' ? allowed : Math.min(wire.conductor.strands - 1, many) };
    },
  },
  {
    code: 'insulation-inside',
    point: 'gap',
    title: 'Insulation in the barrel',
    why: 'Pushed too far or stripped too short: the bite holds insulation and lets the metal slide.',
    applies: always,
    graded: true,
    spoil: (p, c, d) => ({ ...p, edge: past(c.range.min, -Math.max(1.2, c.range.min + 0.8), d) }),
  },
  {
    code: 'gap-long',
    point: 'gap',
    title: 'Bare wire behind the barrel',
    why: 'Stripped too long or not pushed home: bare wire bends and breaks there, or touches.',
    applies: always,
    graded: true,
    spoil: (p, c, d) => ({ ...p, edge: past(c.range.max, Math.max(1.5, c.range.max), d) }),
  },
  {
    code: 'grip-open',
    point: 'insulation-grip',
    title: 'Insulation grip open',
    why: 'It grips nothing: vibration works the strands at the barrel’s edge.',
    applies: sheetless('insulation-grip'),
    graded: true,
    spoil: (p, _, d) => ({ ...p, grip: d === 'borderline' ? 1.12 : 1.3 }),
  },
  {
    code: 'grip-cuts',
    point: 'insulation-grip',
    title: 'Insulation grip cuts in',
    why: 'The insulation is split or pierced: set too deep for this diameter.',
    applies: sheetless('insulation-grip'),
    graded: true,
    spoil: (p, _, d) => ({ ...p, grip: d === 'borderline' ? 0.82 : 0.66 }),
  },
  {
    code: 'seal-forward',
    point: 'wire-seal',
    title: 'Seal too far forward',
    why: 'Its body lies in the wings and is cut, or it stands in the conductor crimp: it will not seal.',
    applies: sheetless('wire-seal'),
    graded: true,
    spoil: (p, c, d) => ({ ...p, sealShift: past(c.range.max, 1.2, d) }),
  },
  {
    code: 'seal-torn',
    point: 'wire-seal',
    title: 'Seal torn',
    why: 'Cut by the wings or by the strands on the way in: water finds the way.',
    applies: sheetless('wire-seal'),
    graded: false,
    spoil: (p) => ({ ...p, sealTorn: true }),
  },
  {
    code: 'cover-short',
    point: 'cover',
    title: 'Cover not home',
    why: 'Metal is left bare: it can touch what it must not.',
    applies: sheetless('cover'),
    graded: false,
    spoil: (p) => ({ ...p, uncovered: 2 }),
  },
  {
    code: 'sleeve-off-centre',
    point: 'seal',
    title: 'Sleeve off centre',
    why: 'One end overlaps too little to seal.',
    applies: sheetless('seal'),
    graded: true,
    spoil: (p, c, d) => ({
      ...p,
      sleeve: p.sleeve && { ...p.sleeve, off: past(c.range.max, c.range.max * 0.8, d) },
    }),
  },
  {
    code: 'sleeve-charred',
    point: 'seal',
    title: 'Sleeve charred',
    why: 'Too hot or held still: it cracks later and the adhesive is burnt.',
    applies: sheetless('seal'),
    graded: true,
    spoil: (p, _, d) => ({ ...p, sleeve: p.sleeve && { ...p.sleeve, heat: d === 'borderline' ? 1.5 : 2 } }),
  },
  {
    code: 'sleeve-open',
    point: 'seal',
    title: 'Sleeve not closed',
    why: 'Not enough heat at one end: no adhesive shows there, so nothing is sealed.',
    applies: sheetless('seal'),
    graded: false,
    spoil: (p) => ({ ...p, sleeve: p.sleeve && { ...p.sleeve, closed: 1 } }),
  },
  {
    code: 'sleeve-split',
    point: 'seal',
    title: 'Sleeve split',
    why: 'Heated over a sharp edge or held too tight: water stands against the metal.',
    applies: sheetless('seal'),
    graded: false,
    spoil: (p) => ({ ...p, sleeve: p.sleeve && { ...p.sleeve, split: true } }),
  },
  {
    code: 'sleeve-bubbles',
    point: 'seal',
    title: 'Bubbles under the sleeve',
    why: 'Shrunk from the ends inwards: air is shut in and finds a way out along the wire.',
    applies: sheetless('seal'),
    graded: true,
    spoil: (p, _, d) => ({ ...p, sleeve: p.sleeve && { ...p.sleeve, bubbles: d === 'borderline' ? 1 : 4 } }),
  },
  {
    code: 'insulation-melted',
    point: 'wire-insulation',
    title: 'Wire insulation melted',
    why: 'Heat beside the sleeve: the insulation is thin or gone where nobody looks for it.',
    applies: sheetless('wire-insulation'),
    graded: true,
    spoil: (p, _, d) => ({ ...p, melted: d === 'borderline' ? 1 : 2 }),
  },
];

/** A piece with one fault and nothing else, against the range the criterion asks for. */
export function spoil(
  fault: Fault,
  piece: Piece,
  context: LookContext,
  degree: Degree,
  criterion: Pick<Criterion, 'number'> | null = null,
): Piece {
  const range = criterion?.number?.range ?? pointOf(fault.point).number?.range(context) ?? { min: 0, max: 0 };
  // Just good enough is the end of the range as it is shown: a drawing must not say 1.1 where its range says from 1.2.
  const { low, high } = roundInward(range, range.max - range.min < 1 ? 2 : 1);
  const told = degree === 'borderline' ? { min: low, max: high } : range;
  return fault.spoil(piece, { ...context, range: told }, degree);
}

/** Faults this very combination can have. */
export function faultsOf(context: LookContext): Fault[] {
  const points = criteria(context, { ...PLAIN_SHEET, rows: startingRows() }).map((c) => c.code);
  return FAULTS.filter((fault) => points.includes(fault.point) && fault.applies(context)).map((fault) => ({
    ...fault,
    title: nameIn(context, fault.title),
  }));
}

/** Codes of the faults this combination cannot have; none while nothing is known of it. */
export function faultsBeyond(context: LookContext | null | undefined): ReadonlySet<string> {
  const can = new Set((context ? faultsOf(context) : FAULTS).map((fault) => fault.code));
  return new Set(FAULTS.map((fault) => fault.code).filter((code) => !can.has(code)));
}

/** A fault as this part has it: what lies in front of the barrel, and what holds the insulation, are called by its family. */
function nameIn({ terminal }: LookContext, title: string): string {
  const front = frontOf(terminal);
  const named = title.replace('Tongue', capital(front)).replace('tongue', front);
  return terminal.barrel.betweenGrips === null ? named.replace('Insulation grip', 'Sleeve on the insulation') : named;
}

/** One drawn example of a point. */
export interface Example {
  readonly kind: 'right' | Degree;
  readonly fault: Fault | null;
  readonly piece: Piece;
  readonly title: string;
  readonly why: string;
  readonly finding: Finding;
}
