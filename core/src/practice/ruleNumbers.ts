import type { PracticeChoices } from './Practice';
import { TYPICAL_STRENGTHS } from '../wire';

/** A number of the house rules that stands beside their choices, as a field of its own. */
export interface RuleNumber {
  /** Where it stands in the choices. */
  readonly path: string;
  readonly title: string;
  /** How it is typed and shown; a share is typed in per cent. */
  readonly unit: 'mm' | '%' | 'pieces' | 'N/mm²';
  /** What may be typed, in its unit. */
  readonly least: number;
  readonly most: number;
  readonly isWhole: boolean;
  /** What shops usually begin with, in its unit. */
  readonly usual: number;
  /** What it does, in a line. */
  readonly effect: string;
}

const number = (
  path: string,
  title: string,
  unit: RuleNumber['unit'],
  [least, most]: readonly [number, number],
  usual: number,
  effect: string,
): RuleNumber => ({ path, title, unit, least, most, isWhole: unit === 'pieces', usual, effect });

/** Every number of the house rules, in the order of the job. */
export const RULE_NUMBERS: readonly RuleNumber[] = [
  number(
    'edgeBand',
    'Edge band',
    '%',
    [0, 50],
    5,
    'So far outside a printed range a match is at the edge and needs a trial; beyond it, it is refused.',
  ),
  number(
    'brushFixed',
    'Fixed brush',
    'mm',
    [0.1, 20],
    1.6,
    'Least wire past the barrel, where the rule above is a fixed length.',
  ),
  number(
    'windowShare.min',
    'Insulation edge between two grips, from',
    '%',
    [0, 100],
    25,
    'Of the way from the conductor grip to the insulation grip: nearer, and the conductor grip may bite insulation.',
  ),
  number(
    'windowShare.max',
    'Insulation edge between two grips, to',
    '%',
    [0, 100],
    75,
    'Farther, and the insulation grip holds bare wire.',
  ),
  number(
    'lugBare',
    'Bare wire behind a lug, up to',
    'mm',
    [0.1, 20],
    3,
    'Most conductor that may show behind a lug after the crimp.',
  ),
  number(
    'wireSpare',
    'Spare length of a wire',
    'mm',
    [0, 500],
    15,
    'How much shorter than cut a wire may become: so much there is for ends that are cut off and made again.',
  ),
  number(
    'freshCut',
    'Fresh square cut',
    'mm',
    [0, 20],
    1,
    'Wire that a new square cut takes before it is stripped again.',
  ),
  number(
    'setUpPieces',
    'Set-up pieces',
    'pieces',
    [1, 50],
    5,
    'Made, looked at and pulled apart to prove a set-up; more say more, and cost more.',
  ),
  number(
    'measuredPieces',
    'Of the set-up pieces measured',
    'pieces',
    [0, 50],
    3,
    'Pieces whose strip length and crimp height are measured.',
  ),
  number(
    'coverage',
    'Share that has to hold',
    '%',
    [51, 99.99],
    99,
    'The share of all pieces the group of pulls speaks for.',
  ),
  number('confidence', 'How sure', '%', [51, 99.99], 95, 'In so many of 100 such groups the statement is true.'),
  number(
    'tensileCopper',
    'Tensile strength of copper',
    'N/mm²',
    [50, 2000],
    TYPICAL_STRENGTHS.tensileCopper,
    'Gives the force the wire itself breaks at: soft copper, where no sheet says more.',
  ),
  number(
    'tensileHighStrength',
    'Tensile strength of high-strength copper',
    'N/mm²',
    [50, 2000],
    TYPICAL_STRENGTHS.tensileHighStrength,
    'The same for alloyed strands.',
  ),
  number(
    'tensileAluminium',
    'Tensile strength of aluminium',
    'N/mm²',
    [20, 2000],
    TYPICAL_STRENGTHS.tensileAluminium,
    'The same for aluminium strands.',
  ),
];

/** The number as it stands in the choices: shares as shares. */
export const asKept = ({ unit }: RuleNumber, typed: number): number =>
  unit === '%' ? Number((typed / 100).toPrecision(12)) : typed;

/** The number as it is typed: shares in per cent. */
export const asTyped = ({ unit }: RuleNumber, kept: number): number =>
  unit === '%' ? Number((kept * 100).toPrecision(12)) : kept;

/** The number of a path among choices; undefined where it is left open. */
export function numberAt(choices: Partial<PracticeChoices>, path: string): number | undefined {
  const [key = '', inner] = path.split('.');
  const value = (choices as Readonly<Record<string, unknown>>)[key];
  const found = inner === undefined ? value : (value as Readonly<Record<string, unknown>> | undefined)?.[inner];
  return typeof found === 'number' ? found : undefined;
}

/**
 * Choices with numbers put in at their paths; a range of which one end is missing is left out whole.
 * @param numbers by path, as they are kept
 */
export function withNumbers(
  choices: Partial<PracticeChoices>,
  numbers: ReadonlyMap<string, number>,
): Partial<PracticeChoices> {
  const whole = [...numbers].filter(([path]) => !path.includes('.'));
  const min = numbers.get('windowShare.min');
  const max = numbers.get('windowShare.max');
  return {
    ...choices,
    ...Object.fromEntries(whole),
    ...(min !== undefined && max !== undefined && { windowShare: { min, max } }),
  };
}
