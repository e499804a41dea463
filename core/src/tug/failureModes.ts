export const FAILURE_MODES = [
  'slid-out',
  'broke-at-crimp',
  'strands-one-by-one',
  'broke-in-wire',
  'terminal-broke',
  'grip-slipped',
  'insulation-only',
] as const;
/** How the joint failed; the last two are no test of the crimp at all. */
export type FailureMode = (typeof FAILURE_MODES)[number];

const NAMES: Readonly<Record<FailureMode, string>> = {
  'slid-out': 'Slid out of the barrel',
  'broke-at-crimp': 'Broke at the crimp',
  'strands-one-by-one': 'Strands failed one by one',
  'broke-in-wire': 'Broke in the wire',
  'terminal-broke': 'Terminal broke',
  'grip-slipped': 'Not valid: grip slipped',
  'insulation-only': 'Not valid: held by insulation only',
};

/** The failure mode in words. */
export function failureModeName(mode: FailureMode): string {
  return NAMES[mode];
}

/** Whether a pull that ended this way tests the crimp. */
export function isValidMode(mode: FailureMode): boolean {
  return mode !== 'grip-slipped' && mode !== 'insulation-only';
}
