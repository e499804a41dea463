export const FINDINGS = ['accept', 'note', 'rework', 'reject'] as const;
/** What a point is found to be. 'note': good enough to go, but the process has moved and somebody should know. */
export type Finding = (typeof FINDINGS)[number];

/** Whether a piece goes on with this finding. */
export function isGood(finding: Finding): boolean {
  return finding === 'accept' || finding === 'note';
}

/** The worse of two findings. */
export function worseFinding(a: Finding, b: Finding): Finding {
  return FINDINGS.indexOf(a) > FINDINGS.indexOf(b) ? a : b;
}
