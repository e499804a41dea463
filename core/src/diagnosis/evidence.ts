import { FAULTS, POINT_CODES, pointOf } from '../look';

/** What can be known of bad pieces beside the faults seen on them. */
const MEASURED_EVIDENCE = [
  { code: 'force-low', title: 'Force below the limit', check: 'Pull three more pieces.' },
  {
    code: 'force-falling',
    title: 'Force falling piece by piece',
    check: 'Pull pieces from the start, middle and end.',
  },
  { code: 'force-scattered', title: 'Forces scattered', check: 'Pull five pieces and compare them.' },
  { code: 'slid-out', title: 'Wire slid out', check: 'Look at the pulled end: smooth strands slid, torn ones broke.' },
  { code: 'broke-at-crimp', title: 'Broke at the crimp', check: 'Look where the pulled wire parted.' },
  { code: 'strand-by-strand', title: 'Strands went one by one', check: 'Look at the drops in the curve of the pull.' },
  { code: 'strip-too-short', title: 'Strip measured short', check: 'Measure the strip length of the next wire.' },
  { code: 'strip-too-long', title: 'Strip measured long', check: 'Measure the strip length of the next wire.' },
  { code: 'tool-failed', title: 'Tool failed its gauge', check: 'Check the tool with go and no-go gauge.' },
  { code: 'voids-many', title: 'Many voids in the cut', check: 'Cut one piece and look at its section.' },
  { code: 'pressed-much', title: 'Metal thinned in the cut', check: 'Cut one piece and look at its section.' },
] as const;

/** How the bad pieces lie among the good ones, and what was changed just before the first of them. */
const COURSE_EVIDENCE = [
  {
    code: 'on-some',
    title: 'Good pieces between bad ones',
    check: 'Look at five more pieces, one after the other: are there good ones between the bad?',
  },
  {
    code: 'since-wire',
    title: 'Began with another reel of wire',
    check: 'Look at the last pieces of the reel of wire before: are they good?',
  },
  {
    code: 'since-terminals',
    title: 'Began with another reel of terminals',
    check: 'Look at the last pieces of the terminals before: are they good?',
  },
  {
    code: 'since-tool',
    title: 'Began with another tool, die or setting',
    check: 'Look at the last pieces before tool, die or setting were changed: are they good?',
  },
  {
    code: 'since-person',
    title: 'Began with another person',
    check: 'Look at the last pieces of the person before: are they good?',
  },
] as const;

/** Signs of any mistake: none is known by them alone. */
export const COURSE: ReadonlySet<string> = new Set(COURSE_EVIDENCE.map(({ code }) => code));

/**
 * Signs of which one look, one length or one pulled end shows one at most. Where one is known not to show, all were looked
 * for; where one shows, the others are no evidence of their own.
 */
const ONE_AT_MOST: readonly (readonly string[])[] = [
  ['strip-too-short', 'strip-too-long'],
  ['height-under', 'height-over'],
  ['brush-short', 'brush-long'],
  ['insulation-inside', 'gap-long'],
  ['grip-open', 'grip-cuts'],
  ['voids-many', 'pressed-much'],
];
/** How a pull ended; one that ended neither this way nor that may have ended well. */
const ENDS_OF_PULL = ['slid-out', 'broke-at-crimp', 'strand-by-strand'];

export interface EvidenceKind {
  readonly code: string;
  readonly title: string;
  /** How to find out. */
  readonly check: string;
}

/** Before a point's code: something is wrong there, and nobody said what. */
export const AT = 'at ';

/** Everything a diagnosis can rest on: each fault the eye knows, and what force, caliper, gauge and section say. */
export const EVIDENCE: readonly EvidenceKind[] = [
  ...FAULTS.map(({ code, title, point }) => ({
    code,
    title,
    check: `Look at '${pointOf(point).title.toLowerCase()}' of the next pieces: ${title.toLowerCase()}?`,
  })),
  ...MEASURED_EVIDENCE,
  ...COURSE_EVIDENCE,
];

/** What a code of evidence says. */
export function evidenceTitle(code: string): string {
  const point = POINT_CODES.find((p) => `${AT}${p}` === code);
  if (point) return `Something wrong at '${pointOf(point).title.toLowerCase()}'`;
  return EVIDENCE.find((e) => e.code === code)?.title ?? code;
}

/** What is known: true where it was found, false where it was looked for and not found; absent where nobody looked. */
export type Evidence = ReadonlyMap<string, boolean>;

/** Evidence with what goes without saying, and without what is said twice: each look counts once. */
export function eachOnce(evidence: Evidence): Evidence {
  const whole = new Map(evidence);
  for (const codes of [...ONE_AT_MOST, ENDS_OF_PULL]) {
    const shows = codes.some((code) => evidence.get(code));
    const isLookedFor = codes !== ENDS_OF_PULL && codes.some((code) => evidence.has(code));
    for (const code of codes) {
      if (evidence.get(code)) continue;
      if (shows) whole.delete(code);
      else if (isLookedFor) whole.set(code, false);
    }
  }
  return whole;
}

/** The signs that are seen, or not, in the same look as one. */
export const seenWith = (code: string): readonly string[] =>
  ONE_AT_MOST.find((codes) => codes.includes(code)) ?? [code];

/** Evidence as it is kept with a confirmed cause: codes, those looked for and not found with 'no ' before them. */
export function writeEvidence(evidence: Evidence): string[] {
  return [...evidence].map(([code, found]) => (found ? code : `no ${code}`)).sort();
}

/** The other way round. */
export function readEvidence(codes: readonly string[]): Evidence {
  return new Map(codes.map((code) => (code.startsWith('no ') ? [code.slice(3), false] : [code, true])));
}
