/**
 * One reason behind a verdict: a stable code, a plain sentence and the numbers the sentence rests on
 * (canonical units: mm, mm2, N, degC).
 */
export interface Reason {
  readonly code: string;
  readonly weight: 'good' | 'note' | 'hold' | 'bad';
  readonly text: string;
  readonly numbers: Readonly<Record<string, number>>;
}

/** Builds a reason; exists so that every call site reads code, weight, sentence, numbers in that order. */
export function reason(
  code: string,
  weight: Reason['weight'],
  text: string,
  numbers: Readonly<Record<string, number>> = {},
): Reason {
  return { code, weight, text, numbers };
}
