import { strandDamage, strandDamageSaid } from '../prepare';
import { STRAIGHT } from '../crimp';
import { dieDimension, familyOf, isSplice, type Range } from '../terminal';
import { bellmouthRange, biteRoom, type LookContext } from './LookContext';
import { frontOf } from './frontOf';
import type { Piece } from './Piece';
import type { Finding } from './Finding';
import { showRange } from '../units';

export const VIEWS = ['from above', 'from the side', 'end on', 'all round', 'section'] as const;
export type View = (typeof VIEWS)[number];

export const POINT_CODES = [
  'tongue',
  'twist',
  'straight',
  'brush',
  'window',
  'bite',
  'bellmouth',
  'seam',
  'height',
  'width',
  'compression',
  'voids',
  'mark',
  'barrel',
  'strands',
  'gap',
  'insulation-grip',
  'wire-seal',
  'cover',
  'seal',
  'wire-insulation',
] as const;
/** What can be looked at on a finished crimp. */
export type PointCode = (typeof POINT_CODES)[number];

export const POINT_UNITS = ['mm', '°', '%', 'strands'] as const;
export type PointUnit = (typeof POINT_UNITS)[number];

/** How a point looks on one piece. */
export type Seen = 'right' | 'borderline' | 'wrong';

/** A number that answers a point. */
export interface PointNumber {
  readonly unit: PointUnit;
  /** What is measured, in words: 'wire past the barrel'. */
  readonly what: string;
  /** Range that follows from the set-up; null where nothing gives one. */
  readonly range: (context: LookContext) => Range | null;
  readonly of: (piece: Piece) => number | null;
}

export interface Point {
  readonly code: PointCode;
  readonly title: string;
  readonly view: View;
  readonly applies: (context: LookContext) => boolean;
  /** It is of a splice as a whole, where the other points are of one of its ends; absent: of one end. */
  readonly ofWhole?: true;
  /** What a good piece shows, with the numbers of this set-up. */
  readonly accept: (context: LookContext, range: Range | null) => string;
  /** Findings a person may give where the shop's own sheet says nothing. */
  readonly findings: readonly Finding[];
  /** What the house rules put right where others reject: in words, and up to which number. Absent: nothing. */
  readonly mends?: (
    context: LookContext,
    range: Range | null,
  ) => { readonly text: string; readonly range: Range } | null;
  /** Null where only the eye can tell. */
  readonly number: PointNumber | null;
  /** What the eye sees beside the number: 'right' where there is nothing but the number. */
  readonly see: (piece: Piece, context: LookContext) => Seen;
}

const ALL: readonly Finding[] = ['accept', 'rework', 'reject'];
const NO_REWORK: readonly Finding[] = ['accept', 'reject'];
/** How far a tongue may be bent against its barrel, degrees. */
const BOW = 4;
const NONE: Range = { min: 0, max: 0 };
const mm = (value: number) => value.toFixed(1);
const numberAlone = (): Seen => 'right';
const upTo = (max: number): Range => ({ min: 0, max });

/** What solder may be seen, by the house rules. */
const SOLDER: Readonly<Record<LookContext['practice']['solder'], string>> = {
  forbidden: 'no solder',
  'trace-at-tip': 'a trace of solder at the tip at most',
  'drawn-in': 'solder drawn into the barrel alone, none on the strands behind it',
};

/** Every point there is, in the order the eye goes along the piece from the tongue to the wire. */
export const POINTS: readonly Point[] = [
  {
    code: 'tongue',
    title: 'Tongue',
    view: 'from the side',
    applies: ({ terminal }) => terminal.stud !== null,
    accept: ({ terminal }, range) =>
      `Flat, in line with the barrel, not bent or twisted${range ? ` (at most ${mm(range.max)}°)` : ''}; ${
        terminal.studHole === null ? 'mating end' : `${terminal.stud} hole`
      } untouched.`,
    findings: NO_REWORK,
    mends: ({ practice }, range) =>
      practice.slightBow === 'straightened'
        ? {
            text: `A bow of up to ${mm(2 * (range?.max ?? BOW))}° is straightened once, by hand, and looked at again.`,
            range: upTo(2 * (range?.max ?? BOW)),
          }
        : null,
    number: { unit: '°', what: 'bend against the barrel', range: () => upTo(BOW), of: (p) => Math.abs(p.bend) },
    see: numberAlone,
  },
  {
    code: 'twist',
    title: 'Twist',
    view: 'end on',
    ofWhole: true,
    // A round contact pressed alike from all sides has no plane to be turned out of.
    applies: ({ nest }) => nest.profile !== 'four-indent',
    accept: ({ terminal }, range) =>
      `${familyOf(terminal).words.inOnePlane} in one plane${
        range ? `, turned at most ${mm(range.max)}°` : ''
      }; not rolled over in the die.`,
    findings: NO_REWORK,
    number: { unit: '°', what: 'twist against the bite', range: () => upTo(5), of: (p) => Math.abs(p.twist) },
    see: numberAlone,
  },
  {
    code: 'straight',
    title: 'Straight',
    view: 'from the side',
    ofWhole: true,
    // Nothing is asked of pieces whose second end nobody made.
    applies: ({ terminal, opposite }) => isSplice(terminal) && opposite !== null,
    accept: (_, range) => `Both ends in one line, bent at most ${mm(range?.max ?? STRAIGHT)}° between them.`,
    findings: NO_REWORK,
    number: { unit: '°', what: 'bend between the two ends', range: () => upTo(STRAIGHT), of: (p) => Math.abs(p.bend) },
    see: numberAlone,
  },
  {
    code: 'brush',
    title: 'Wire past the barrel',
    view: 'from above',
    applies: ({ strip }) => strip.brush !== null,
    accept: ({ terminal }, range) =>
      `The wire stands ${showRange(range ?? NONE, 1, ' to ')} mm past the barrel, ${
        familyOf(terminal).words.wireEnd?.(terminal) ??
        `clear of the ${terminal.studHole === null ? 'mating' : 'stud'} area`
      }.`,
    findings: NO_REWORK,
    number: { unit: 'mm', what: 'wire past the barrel', range: ({ strip }) => strip.brush, of: (p) => p.brush },
    see: numberAlone,
  },
  {
    code: 'window',
    title: 'Window',
    view: 'from above',
    applies: ({ terminal }) => terminal.barrel.inspection !== null,
    accept: ({ terminal }) => {
      const { inspection } = terminal.barrel;
      return `Conductor fills the ${familyOf(terminal).words.hole} from ${mm(inspection?.min ?? 0)} to ${mm(
        inspection?.max ?? 0,
      )} mm; no insulation in it.`;
    },
    findings: NO_REWORK,
    number: {
      unit: '%',
      what: 'conductor seen in the window',
      range: () => ({ min: 90, max: 100 }),
      of: (p) => p.windowFill && p.windowFill * 100,
    },
    see: (p) => (p.windowFill === 0 ? 'wrong' : 'right'),
  },
  {
    code: 'bite',
    title: 'Bite',
    view: 'from the side',
    applies: () => true,
    accept: ({ terminal, nest, bites }) =>
      nest.profile === 'four-indent'
        ? 'Four indents of one depth, evenly around, inside the barrel.'
        : bites.length === 1
          ? `One bite, centred ${mm(bites[0]?.centre ?? 0)} mm from the barrel’s wire end, on the barrel and not on ${
              terminal.sleeve ? 'the sleeve’s end' : (familyOf(terminal).words.notBitten ?? `the ${frontOf(terminal)}`)
            }.`
          : `${bites.length} bites at ${bites.map((b) => mm(b.centre)).join(' and ')} mm from the barrel’s wire end.`,
    findings: NO_REWORK,
    number: {
      unit: 'mm',
      what: 'bite off its place',
      range: (context) => upTo(biteRoom(context)),
      of: (p) => Math.abs(p.biteOff),
    },
    see: numberAlone,
  },
  {
    code: 'bellmouth',
    title: 'Bell-mouth',
    view: 'from the side',
    applies: ({ terminal }) => terminal.barrel.seam === 'open',
    accept: (_, range) =>
      `The conductor grip flares towards the wire over ${(range?.min ?? 0).toFixed(2)} to ${(range?.max ?? 0).toFixed(2)} mm, so that its edge does not cut strands.`,
    findings: NO_REWORK,
    number: {
      unit: 'mm',
      what: 'flare towards the wire',
      range: bellmouthRange,
      of: (p) => p.bellmouth,
    },
    see: numberAlone,
  },
  {
    code: 'seam',
    title: 'Way round',
    view: 'end on',
    applies: () => true,
    accept: wayRound,
    findings: NO_REWORK,
    number: null,
    see: ({ turn, lean }, { orientation }) =>
      (orientation.angle !== null && Math.abs(turn) > 30) || lean > 0.2
        ? 'wrong'
        : (orientation.angle !== null && Math.abs(turn) > 12) || lean > 0.1
          ? 'borderline'
          : 'right',
  },
  {
    code: 'height',
    title: 'Crimp height',
    view: 'from the side',
    applies: ({ height }) => height !== null,
    accept: ({ terminal, nest }, range) =>
      `${(range?.min ?? 0).toFixed(2)} to ${(range?.max ?? 0).toFixed(2)} mm ${
        dieDimension(terminal, nest) ? `across ${dieDimension(terminal, nest)?.across}` : 'over the conductor crimp'
      }.`,
    findings: NO_REWORK,
    number: { unit: 'mm', what: 'crimp height', range: ({ height }) => height, of: (p) => p.height },
    see: numberAlone,
  },
  {
    code: 'width',
    title: 'Crimp width',
    view: 'end on',
    applies: ({ width }) => width !== null,
    accept: (_, range) =>
      `${(range?.min ?? 0).toFixed(2)} to ${(range?.max ?? 0).toFixed(2)} mm across the conductor crimp.`,
    findings: NO_REWORK,
    number: { unit: 'mm', what: 'crimp width', range: ({ width }) => width, of: (p) => p.width },
    see: numberAlone,
  },
  {
    code: 'compression',
    title: 'Compression',
    view: 'section',
    applies: () => true,
    accept: (_, range) => `${showRange(range ?? NONE, 1, ' to ')} % of the wire’s metal left in the cut.`,
    findings: NO_REWORK,
    number: {
      unit: '%',
      what: 'metal after the crimp against before',
      range: () => ({ min: 75, max: 95 }),
      of: (p) => p.compression * 100,
    },
    see: numberAlone,
  },
  {
    code: 'voids',
    title: 'Voids',
    view: 'section',
    applies: () => true,
    accept: (_, range) => `At most ${mm(range?.max ?? 0)} % of the inside without metal.`,
    findings: NO_REWORK,
    number: { unit: '%', what: 'inside of the barrel without metal', range: () => upTo(8), of: (p) => p.voids * 100 },
    see: numberAlone,
  },
  {
    code: 'mark',
    title: 'Die mark',
    view: 'all round',
    applies: () => true,
    accept: ({ nest }) => `The piece carries ${nest.mark}.`,
    findings: NO_REWORK,
    number: null,
    see: ({ mark }) => ({ right: 'right', faint: 'borderline', wrong: 'wrong' })[mark] as Seen,
  },
  {
    code: 'barrel',
    title: 'Barrel',
    view: 'all round',
    applies: () => true,
    accept: ({ terminal }) =>
      terminal.sleeve
        ? 'No crack in barrel or sleeve; sleeve seated, not cut through.'
        : 'No crack, no flash thicker than a strand, plating not peeled.',
    findings: NO_REWORK,
    number: null,
    see: ({ crack, flash }, { wire }) => {
      const strand = wire.conductor.strandDiameter;
      return crack > 0 || flash > strand ? 'wrong' : flash > 0.6 * strand ? 'borderline' : 'right';
    },
  },
  {
    code: 'strands',
    title: 'Strands',
    view: 'all round',
    applies: () => true,
    accept: ({ wire, practice }) => {
      const damage = strandDamage(wire.conductor.strands, practice);
      const hurt = strandDamageSaid(damage);
      const inside =
        wire.conductor.strands > 1
          ? `All ${wire.conductor.strands} strands inside, none nicked, cut, stray, crossed or birdcaged`
          : 'The conductor inside, whole and not nicked';
      return `${inside}; ${SOLDER[practice.solder]}.${hurt ? ` Still accepted: ${hurt}.` : ''}${
        practice.strayStrand === 'snipped' && damage.cut ? ' A stray strand that was snipped off counts as cut.' : ''
      }`;
    },
    findings: NO_REWORK,
    number: {
      unit: 'strands',
      what: 'strands cut or nicked through',
      range: ({ wire, practice }) => upTo(strandDamage(wire.conductor.strands, practice).cut),
      of: (p) => p.cut,
    },
    see: ({ stray }) => (stray > 0 ? 'wrong' : 'right'),
  },
  {
    code: 'gap',
    title: 'Gap',
    view: 'from the side',
    applies: () => true,
    accept: ({ terminal }, range) => {
      const { insulationHome } = familyOf(terminal).words;
      if (insulationHome !== null) return insulationHome;
      const span = `${showRange(range ?? NONE, 1, ' to ')} mm`;
      return terminal.barrel.stripRule === 'window'
        ? `Insulation edge ${span} behind the conductor grip, both seen between the grips.`
        : `${span} from barrel to insulation; no insulation inside the barrel.`;
    },
    findings: ALL,
    number: {
      unit: 'mm',
      what: 'insulation edge behind the barrel',
      // In a ferrule the edge is home or it is not.
      range: ({ strip }) => (strip.rule === 'ferrule' ? null : strip.position),
      of: (p) => p.edge,
    },
    see: (p, { strip }) => (strip.rule === 'ferrule' && Math.abs(p.edge) > 0.3 ? 'wrong' : 'right'),
  },
  {
    code: 'insulation-grip',
    title: 'Insulation grip',
    view: 'end on',
    applies: ({ terminal }) => terminal.insulationRange !== null && familyOf(terminal).gripsInsulation,
    accept: ({ wire }) => `Snug on ${wire.insulationDiameter} mm insulation: does not turn, does not cut in.`,
    findings: ALL,
    number: null,
    see: ({ grip }) =>
      grip === null || (grip <= 1.06 && grip >= 0.86) ? 'right' : grip <= 1.15 && grip >= 0.78 ? 'borderline' : 'wrong',
  },
  {
    code: 'wire-seal',
    title: 'Wire seal',
    view: 'from the side',
    applies: ({ terminal }) => terminal.slideOn.some((item) => item.kind === 'seal'),
    accept: ({ terminal }) =>
      `${terminal.slideOn
        .filter((item) => item.kind === 'seal')
        .map((item) => item.label)
        .join(', ')}: neck in the insulation wings, ribs towards the wire, not cut or torn.`,
    findings: NO_REWORK,
    number: {
      unit: 'mm',
      what: 'seal off its place',
      range: ({ terminal }) => upTo(terminal.barrel.supportLength / 4),
      of: (p) => p.sealShift && Math.abs(p.sealShift),
    },
    see: ({ sealTorn }) => (sealTorn ? 'wrong' : 'right'),
  },
  {
    code: 'cover',
    title: 'Cover',
    view: 'all round',
    ofWhole: true,
    applies: ({ terminal }) => terminal.slideOn.some((item) => item.kind !== 'seal' && item.kind !== 'sleeve'),
    accept: ({ terminal }) =>
      `${terminal.slideOn
        .filter((item) => item.kind !== 'seal' && item.kind !== 'sleeve')
        .map((item) => item.label)
        .join(', ')} home, holds by itself, covers all metal.`,
    findings: ALL,
    number: { unit: 'mm', what: 'metal left bare', range: () => upTo(0), of: (p) => p.uncovered },
    see: numberAlone,
  },
  {
    code: 'seal',
    title: 'Sealing sleeve',
    view: 'all round',
    ofWhole: true,
    applies: ({ terminal }) => terminal.sealingHeat !== null,
    accept: ({ terminal }) => {
      const sleeve = terminal.slideOn.find((item) => item.kind === 'sleeve')?.label ?? 'Sleeve';
      return `${sleeve} centred; ${terminal.sealed ? 'adhesive at both ends' : 'close at both ends'}; no bubbles; discoloured at most, not charred or split.`;
    },
    findings: ALL,
    number: {
      unit: 'mm',
      what: 'sleeve off centre',
      range: ({ terminal }) => upTo((terminal.slideOn.find((item) => item.kind === 'sleeve')?.length ?? 20) / 10),
      of: (p) => p.sleeve && Math.abs(p.sleeve.off),
    },
    see: ({ sleeve }) => {
      if (!sleeve) return 'right';
      const { closed, heat, split, bubbles } = sleeve;
      if (closed < 2 || split || bubbles > 1 || heat <= 0.6 || heat >= 1.8) return 'wrong';
      return bubbles > 0 || heat >= 1.4 ? 'borderline' : 'right';
    },
  },
  {
    code: 'wire-insulation',
    title: 'Wire insulation',
    view: 'all round',
    ofWhole: true,
    applies: ({ terminal }) => terminal.sealingHeat !== null,
    accept: () => 'Beside the sleeve as it was: not melted, swollen or glossy, no conductor seen through it.',
    findings: NO_REWORK,
    number: null,
    see: ({ melted }) => (melted >= 2 ? 'wrong' : melted > 0 ? 'borderline' : 'right'),
  },
];

/** A point by its code. */
export function pointOf(code: PointCode): Point {
  return POINTS.find((p) => p.code === code) as Point;
}

/** Title of a point for this family: some are called otherwise there. */
export function pointTitle({ code, title }: Point, { terminal, nest }: LookContext): string {
  if (code === 'height' && dieDimension(terminal, nest)) return `Across ${dieDimension(terminal, nest)?.across}`;
  const { titles } = familyOf(terminal).words;
  if ((code === 'tongue' || code === 'gap') && titles[code] !== undefined) return titles[code];
  if (code === 'tongue' && terminal.studHole === null) return 'Mating end';
  // A sleeve is pressed onto the insulation; a grip of its own has an open barrel alone.
  if (code === 'insulation-grip' && terminal.barrel.betweenGrips === null) return 'Sleeve on the insulation';
  if (code === 'gap' && terminal.barrel.stripRule === 'window') return 'Insulation edge';
  if (code === 'seal' && !terminal.sealed) return 'Shrunk sleeve';
  return title;
}

function wayRound({ terminal, orientation, nest }: LookContext): string {
  const own = familyOf(terminal).words.wayRound;
  if (own !== null) return own;
  if (nest.profile === 'four-indent') return 'Contact straight, not turned between the indents.';
  if (nest.profile === 'trapezoid' || nest.profile === 'square')
    return 'Ferrule square and full, no fin, collar whole.';
  if (orientation.angle === null) {
    return `Pressed alike on both sides by the ${nest.profile === 'symmetric-oval' ? 'oval' : 'die'}; terminal not rolled in the nest.`;
  }
  if (terminal.barrel.seam === 'hidden') {
    return 'Wide bite on the insulation, narrow bite on the conductor; sleeve not turned.';
  }
  return 'Indent opposite the seam; seam closed, both its edges level.';
}
