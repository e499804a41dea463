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
];

/** What a code of evidence says. */
export function evidenceTitle(code: string): string {
  const point = POINT_CODES.find((p) => `${AT}${p}` === code);
  if (point) return `Something wrong at '${pointOf(point).title.toLowerCase()}'`;
  return EVIDENCE.find((e) => e.code === code)?.title ?? code;
}

/** What is known: true where it was found, false where it was looked for and not found; absent where nobody looked. */
export type Evidence = ReadonlyMap<string, boolean>;

/** Evidence as it is kept with a confirmed cause: codes, those looked for and not found with 'no ' before them. */
export function writeEvidence(evidence: Evidence): string[] {
  return [...evidence].map(([code, found]) => (found ? code : `no ${code}`)).sort();
}

/** The other way round. */
export function readEvidence(codes: readonly string[]): Evidence {
  return new Map(codes.map((code) => (code.startsWith('no ') ? [code.slice(3), false] : [code, true])));
}
