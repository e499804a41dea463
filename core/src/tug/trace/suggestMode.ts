import { failureModeName, type FailureMode } from '../failureModes';
import type { GaugeLimits } from './limitsOfGauge';
import type { Signs } from './signs';
import { FAST } from './Trace';

/** Modes a curve can be sure of: none that makes a pull invalid, and none the eye has to tell from another one. */
export type CurveMode = Exclude<FailureMode, 'terminal-broke' | 'grip-slipped' | 'insulation-only'>;

/** How the joint failed as the curve tells it; the person who sees the piece confirms or changes it. */
export interface ModeSuggestion {
  /** Null where the curve is not sure. */
  readonly mode: CurveMode | null;
  /** What on the curve says so, or what it leaves open and which look at the piece tells, in a sentence or two. */
  readonly evidence: string;
  /** Where the curve is not sure: the two it may be. */
  readonly between: readonly FailureMode[];
  /** s: where to look. */
  readonly at: readonly number[];
}

/** What is known besides the curve. */
export interface Known {
  /** Peak as a share of what the wire breaks at. */
  readonly height: number;
  readonly strands: number;
  /** Readings a second. */
  readonly rate: number;
  /** Fastest the stand may have drawn, mm/s; null: not known. */
  readonly speed: number | null;
  /** s the gauge is late. */
  readonly late: number;
  readonly limits: GaugeLimits;
}

/*
 * Bounds of what is sure. Fitted on pulls of another physics (core/src/testing/pulls) and told on other seeds of it by
 * `npm run bench -- curves`; see docs/decisions/049.
 */

/** A break at this share of the wire's load or above is the wire's own; at this or below it is not. */
const WIRE = 0.92;
const NOT_WIRE = 0.85;
/** A wire that is held by insulation alone stays below these: when it slides, and when it tears. */
const INSULATION_SLIDES = 0.2;
const INSULATION_TEARS = 0.47;
/** Metal does not lengthen so much until it breaks at such a load, mm; and breaks at none below this one. */
const METAL_GIVES = 5.5;
const METAL_BREAKS = 0.25;
/** A force that stood so long, s and as a share of the way up, before it fell: something gave way slowly. */
const STOOD = 0.3;
const STOOD_SHARE = 0.067;
/** A break is over within so many s, or so many times what the gauge is late. */
const ONE_FALL = 0.12;
const ONE_LATE = 5;
/** A slide has a tail of so many s, and of so many times what the gauge is late. */
const TAIL = 1;
const TAIL_LATE = 60;
/** A curve whose steps have to be larger than this share to be seen is not known to have none. */
const SEES = 0.06;

/** A force that dies away spends at least this share of its tail below half. */
const FADES = 0.15;

const EYE = 'Say what you see on the piece.';
/** The look at a piece that tells two modes apart. */
const LOOKS: readonly (readonly [FailureMode, FailureMode, string])[] = [
  ['broke-in-wire', 'broke-at-crimp', 'Look where it broke: out in the wire, or at the edge of the barrel.'],
  ['broke-at-crimp', 'insulation-only', 'Look for broken strands: without any, nothing but the insulation had held.'],
  ['slid-out', 'insulation-only', 'Look whether the bite lies on metal or on the insulation.'],
  ['broke-at-crimp', 'grip-slipped', 'Look for marks of the jaws along the wire.'],
  ['slid-out', 'grip-slipped', 'Look for marks of the jaws along the wire, and whether the wire moved in the barrel.'],
  ['slid-out', 'strands-one-by-one', 'Look at the wire’s end: whole, or strands of unlike length.'],
  ['strands-one-by-one', 'terminal-broke', 'Look what gave way: the strands, or the terminal’s own metal.'],
  ['strands-one-by-one', 'broke-at-crimp', 'Look at the ends of the strands: all at one place, or of unlike length.'],
];

/**
 * Failure mode from the signs on a curve; only where nothing else looks like it.
 *
 * One fall to nothing is a break: the wire's own when it bore what the wire can. A force that dies away bit by bit is a wire
 * that slides; one that dies away in steps slides too when there are more steps than strands, or steps all alike with the
 * reload as stiff as ever. Few steps, each taking more of what is left and the reload ever softer, are strands. No mode that
 * makes a reading invalid is ever suggested: a low reading must not be argued away by a guess.
 */
export function suggestMode(signs: Signs, known: Known): ModeSuggestion {
  const told = tellerOf(signs);
  if (known.limits.holdsPeak) return told.open('The gauge held its peak: the curve does not show what came after.');
  if (signs.left > 0.3) return told.open('The curve ends before the joint failed.');
  if (isOneFall(signs, known)) return breaks(signs, known, told);
  if (known.rate < FAST) {
    return told.open(`${known.rate} readings a second do not show how it went down.`, 'slid-out', 'strands-one-by-one');
  }
  return slides(signs, known, told) ?? stairs(signs, known, told) ?? unclear(signs, told);
}

interface Teller {
  sure(mode: CurveMode, evidence: string): ModeSuggestion;
  /** What is seen, and the two it may be. */
  open(seen: string, ...between: readonly FailureMode[]): ModeSuggestion;
  /** What is said of falls on the way up. */
  readonly climbed: string;
}

function tellerOf({ steps, before }: Signs): Teller {
  const at = steps.map((step) => step.at);
  return {
    climbed: `The force fell ${before.length} times on the way up and climbed past where it fell from.`,
    sure: (mode, evidence) => ({ mode, evidence, between: [], at }),
    open: (seen, ...between) => ({
      mode: null,
      evidence: [seen, between.length ? lookFor(between) : EYE].join(' '),
      between,
      at,
    }),
  };
}

const percent = (share: number) => `${(share * 100).toFixed(0)} %`;

/** All of the force is gone at once; strands that go one upon the other within a moment are one fall. */
function isOneFall({ steps, slid, gone, left }: Signs, { late }: Known): boolean {
  const [first] = steps;
  const isSingle =
    first !== undefined && steps.length === 1 && first.to < 0.1 * first.from && slid < 0.15 && gone < 0.8;
  return left === 0 && (isSingle || gone <= Math.max(ONE_FALL, ONE_LATE * late));
}

function breaks(signs: Signs, { height, limits, speed }: Known, { open, sure, climbed }: Teller): ModeSuggestion {
  const { steps, before, plateau, rise } = signs;
  if (limits.isSaturated) {
    return open('One fall to nothing, from more than the gauge can show.', 'broke-in-wire', 'broke-at-crimp');
  }
  if (before.length >= 2) return open(climbed, 'broke-at-crimp', 'grip-slipped');
  const seen = `One fall to nothing at ${percent(height)} of the wire’s own breaking load`;
  if (height >= WIRE) return sure('broke-in-wire', `${seen}: the wire broke.`);
  if (height > NOT_WIRE) return open(`${seen}.`, 'broke-in-wire', 'broke-at-crimp');
  if (plateau > Math.max(STOOD, STOOD_SHARE * rise)) {
    return open(`${seen}, after it had stood for ${plateau.toFixed(1)} s.`, 'broke-at-crimp', 'grip-slipped');
  }
  if (steps.length >= 2) return open(`${seen}, in ${steps.length} steps.`, 'strands-one-by-one', 'broke-at-crimp');
  const isMetal = speed !== null && rise * speed < METAL_GIVES;
  if (height < (isMetal ? METAL_BREAKS : INSULATION_TEARS)) {
    return open(`${seen}.`, 'broke-at-crimp', 'insulation-only');
  }
  return sure('broke-at-crimp', `${seen}: it broke where the crimp weakened it. Look whether it was the terminal.`);
}

/** A force that dies away: bit by bit, or in steps that are no strands. Null: it did not. */
function slides(
  signs: Signs,
  { height, strands, late }: Known,
  { open, sure, climbed }: Teller,
): ModeSuggestion | null {
  const { steps, before, uneven, softening } = signs;
  if (signs.fade < FADES) return null;
  const isSmooth =
    signs.slid >= 0.3 &&
    signs.stepped <= 0.75 &&
    steps.length <= 2 &&
    signs.fullness < 0.8 &&
    signs.tail > Math.max(TAIL, TAIL_LATE * late);
  const stiff = softeningSure(softening);
  const deepens = deepensBy(signs);
  const isMore = isMoreThanStrands(signs, strands);
  const isEven =
    steps.length >= 6 && uneven < 0.5 && deepens > 0.5 && deepens < 1.8 && (stiff === null || stiff < 0.65);
  const isFirm = stiff !== null && stiff < 0.35 && steps.length >= 5 && uneven < 0.8;
  const isStuck = !isSmooth && signs.lastTop < 0.55 && (isMore || isEven || isFirm);
  if (!isSmooth && !isStuck) return null;
  if (isSmooth && signs.sees > SEES) {
    return open('It came down slowly; steps would not show in this grain.', 'slid-out', 'strands-one-by-one');
  }
  if (height < INSULATION_SLIDES) {
    return open(
      `It held ${percent(height)} of what the wire bears, and gave way slowly.`,
      'slid-out',
      'insulation-only',
    );
  }
  if (isStuck) {
    const why = isMore
      ? 'more than there are strands'
      : isEven
        ? 'all alike'
        : 'each climbed again as stiffly as before';
    return sure('slid-out', `The force died away in ${steps.length} steps, ${why}: the wire stuck and slid.`);
  }
  if (before.length >= 2) return open(climbed, 'slid-out', 'grip-slipped');
  return sure('slid-out', `After the peak the force died away within ${signs.tail.toFixed(1)} s: the wire slid.`);
}

/** Few steps that deepen while the reload gets softer; null: they do not. */
function stairs(signs: Signs, { strands }: Known, { sure }: Teller): ModeSuggestion | null {
  const { steps, before, uneven, softening, slid } = signs;
  const softer = softeningSure(softening);
  const deepens = deepensBy(signs);
  const isMarked = uneven > 0.6 && deepens > 1.6;
  // Strands break on the way up as well: more falls there are believed where all else is plain.
  const mostBefore = isMarked && (softer !== null || steps.length >= 10) ? 10 : 3;
  const isStairs =
    strands > 1 &&
    steps.length >= (softer === null ? 5 : 4) &&
    !isMoreThanStrands(signs, strands) &&
    slid < 0.25 &&
    deepens > (softer === null ? 1.5 : 1.3) &&
    uneven > 0.3 &&
    before.length <= mostBefore &&
    (softer === null || softer > (isMarked ? 0.4 : 0.65));
  if (!isStairs) return null;
  return sure(
    'strands-one-by-one',
    `The force came down in ${steps.length} steps, each taking more of what was left: strands failed one after another.`,
  );
}

function unclear({ steps, before, fade, slid }: Signs, { open, climbed }: Teller): ModeSuggestion {
  if (before.length >= 2) return open(climbed, 'slid-out', 'grip-slipped');
  if (steps.length === 2 || steps.length === 3) {
    return open(`The force came down in ${steps.length} steps.`, 'strands-one-by-one', 'terminal-broke');
  }
  if (fade < FADES && slid > 0.3) return open('The force stood long after its peak.', 'slid-out', 'grip-slipped');
  return open('The curve has no clear pattern.', 'slid-out', 'strands-one-by-one');
}

const softeningSure = (softening: Signs['softening']) =>
  softening !== null && softening.error < 0.4 ? softening.value : null;
const deepensBy = ({ relative }: Signs) => relative[1] / Math.max(1e-9, relative[0]);
/** Each strand breaks once. */
const isMoreThanStrands = ({ steps }: Signs, strands: number) => steps.length > 1.25 * strands + 1;

function lookFor(between: readonly FailureMode[]): string {
  const [one, other] = between;
  const names = between.map((mode) => failureModeName(mode).replace('Not valid: ', '').toLowerCase());
  const look = LOOKS.find(([a, b]) => (a === one && b === other) || (a === other && b === one))?.[2];
  const said = names.join(', or ');
  const told = `${said[0]?.toUpperCase() ?? ''}${said.slice(1)}: a curve does not tell them apart.`;
  return `${told} ${look ?? EYE}`;
}
