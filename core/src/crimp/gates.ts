import { AFTER_NO, gateKey, type GateStep } from './Gate';
import { COVERING } from './steps/covering';
import { LOADING } from './steps/loading';
import { PRESSING, READYING } from './steps/making';
import { MOUNTING } from './steps/mounting';
import { isAfterStrip, slideOn, stillOn } from './steps/slidingOn';
import type { GateContext, MakeStep } from './steps/Step';

/** What is done to an end that is ready for the nest. */
const MAKING: readonly MakeStep[] = [...LOADING, ...PRESSING];

/**
 * The steps of making the crimp, each a gate that has to be answered before the next one shows. Slide-on items come
 * first, because remembered too late they cost the joint. Of a splice one end is made whole, then the other, then what covers both.
 * @param second the other end of a splice; null where there is none, or nothing is known of it
 */
export function gates(first: GateContext, second: GateContext | null = null): GateStep[] {
  const of = (steps: readonly MakeStep[], context: GateContext) =>
    steps
      .flatMap((step) => step(context) ?? [])
      .map((step) => ({
        points: [],
        finds: [],
        remedies: AFTER_NO[step.gate],
        bite: 1,
        ...step,
        ...{ end: context.end, key: gateKey({ ...step, end: context.end }) },
      }));
  const late = isAfterStrip(first.terminal, first.practice);
  return [
    ...of([...MOUNTING, ...(late ? [...READYING, slideOn] : [slideOn, ...READYING]), ...MAKING], first),
    ...(second ? of([stillOn, ...READYING, ...MAKING], second) : []),
    ...of(COVERING, first),
  ];
}
